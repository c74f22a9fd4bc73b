// node training/calibrate.mjs eggs|young FOLDER...: how likely what a net saw truly is one, read off drawn pictures that it was not trained
// on. Prints weights for `calibrated` in packages/core/src/pictures/calibrate.ts.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import sharp from 'sharp';
import { ROOT } from '../scripts/lib/machine.mjs';

const outfile = join(ROOT, 'dist', 'calibrate.mjs');
const contents = ['image', 'spotEggs', 'spotYoung', 'calibrate', 'countPicture'].map(
  (name) => `export * from './packages/core/src/pictures/${name}';`,
);
await build({
  stdin: { contents: contents.join('\n'), resolveDir: ROOT },
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile,
  logLevel: 'error',
});
const { LONGEST, toPlanes, spotEggs, spotYoung, traitsOf } = await import(outfile);
const [kind, ...folders] = process.argv.slice(2);
const net = JSON.parse(readFileSync(join(ROOT, `packages/core/src/pictures/weights/${kind}.json`), 'utf8'));
const spot = kind === 'eggs' ? spotEggs : spotYoung;

/** What tells of each; 1 for how likely one is anyway. */
const TRAITS = ['heat', 'isHalf', 'oddSize', 'few', 'base'];
const BASE = TRAITS.indexOf('base');
const rows = [];
let [missed, all] = [0, 0];
for (const folder of folders)
  for (const picture of JSON.parse(readFileSync(join(folder, 'truth.json'), 'utf8')).pictures) {
    if (picture.options.kind !== kind) continue;
    const { data, info } = await sharp(join(folder, picture.file)).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    const { planes, scale } = toPlanes(
      { width: info.width, height: info.height, data },
      LONGEST[picture.options.grid ? 'grid' : kind],
    );
    const used = new Set();
    const traits = traitsOf(spot({ planes, net }));
    for (const { one, ...traitsOfOne } of traits.sort((a, b) => b.one.sure - a.one.sure)) {
      const near = picture.objects
        .map(({ x, y, r, lengthPx }, i) => ({
          i,
          off: Math.hypot(x - one.x / scale, y - one.y / scale) / (lengthPx ? 0.4 * lengthPx : 0.8 * r),
        }))
        .filter(({ i, off }) => off < 1 && !used.has(i))
        .sort((a, b) => a.off - b.off)[0];
      if (near) used.add(near.i);
      rows.push({ x: TRAITS.map((name) => traitsOfOne[name] ?? 1), y: near ? 1 : 0 });
    }
    missed += picture.objects.length - used.size;
    all += picture.objects.length;
  }
// Logistic regression by Newton's steps, drawn a little towards nothing.
let weights = TRAITS.map((name) => (name === 'heat' ? 1 : 0));
for (let step = 0; step < 30; step++) {
  const gradient = weights.map((w, j) => (j === BASE ? 0 : -0.5 * w));
  const bend = weights.map((_, j) => weights.map((__, k) => (j === k ? (j === BASE ? 1e-6 : 0.5) : 0)));
  for (const { x, y } of rows) {
    const p = 1 / (1 + Math.exp(-x.reduce((sum, value, j) => sum + value * weights[j], 0)));
    x.forEach((value, j) => {
      gradient[j] += (y - p) * value;
      x.forEach((other, k) => (bend[j][k] += p * (1 - p) * value * other));
    });
  }
  // Gauss.
  const rest = bend.map((row, j) => [...row, gradient[j]]);
  rest.forEach((row, j) => {
    const by = row[j];
    row.forEach((value, k) => (row[k] = value / by));
    rest.forEach((other, i) => {
      if (i === j) return;
      const times = other[j];
      other.forEach((value, k) => (other[k] = value - times * row[k]));
    });
  });
  weights = weights.map((w, j) => w + rest[j][TRAITS.length]);
}
const told = Object.fromEntries(TRAITS.map((name, j) => [name, Number(weights[j].toFixed(2))]));
process.stdout.write(`${JSON.stringify(told)}\nof ${all} there ${missed} were never seen\n`);
for (const [low, high] of [
  [0, 0.1],
  [0.1, 0.3],
  [0.3, 0.5],
  [0.5, 0.7],
  [0.7, 0.9],
  [0.9, 1.01],
]) {
  const some = rows.filter(({ x }) => {
    const p = 1 / (1 + Math.exp(-x.reduce((sum, value, j) => sum + value * weights[j], 0)));
    return p >= low && p < high;
  });
  process.stdout.write(
    `${low} to ${high}: ${some.length}, true ${((100 * some.filter(({ y }) => y).length) / Math.max(1, some.length)).toFixed(0)} %\n`,
  );
}
