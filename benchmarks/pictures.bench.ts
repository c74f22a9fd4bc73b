import { countPicture, drawScene, type Ground, type Subject } from '../packages/core/src/pictures';

// Counting on drawn pictures: how far off by scene, how often the truth lies in the band, how long a large picture takes.

const say = (line: string) => process.stdout.write(`${line}\n`);
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
const quantile = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? 0;

const SCENES: readonly (readonly [Subject, Ground])[] = [
  ['eggs', 'plain'],
  ['eggs', 'strands'],
  ['eggs', 'mottled'],
  ['fry', 'plain'],
  ['fish', 'paper'],
  ['shrimp', 'sand'],
  ['fleas', 'plain'],
];
const EACH = 12;
const SIZES: Record<Subject, readonly [number, number]> = {
  eggs: [9, 22],
  fry: [50, 90],
  fish: [110, 180],
  shrimp: [50, 90],
  fleas: [13, 24],
};
const MOST: Record<Subject, number> = { eggs: 260, fry: 70, fish: 14, shrimp: 60, fleas: 80 };

for (const [subject, ground] of SCENES) {
  const off: number[] = [];
  const halves: number[] = [];
  let held = 0;
  for (let i = 0; i < EACH; i++) {
    const share = ((i * 0.618034) % 1) * 0.999;
    const [small, large] = SIZES[subject];
    const { picture, truth } = drawScene({
      seed: 900 + i,
      width: 1200,
      height: 900,
      subject,
      ground,
      count: 10 + Math.round(MOST[subject] * share * share),
      size: small + (large - small) * ((i * 0.7548777) % 1),
      whiteShare: 0.2,
      nuisance: 0.2 + 0.6 * ((i * 0.56984) % 1),
    });
    const found = countPicture(picture, {
      kind: subject === 'eggs' ? 'eggs' : 'young',
      grid: ground === 'paper' ? { mm: 5 } : null,
    });
    off.push(Math.abs(found.count / truth.count - 1));
    halves.push((found.high95 - found.low95) / 2 / Math.max(1, found.count));
    if (found.low95 <= truth.count && truth.count <= found.high95) held++;
  }
  say(
    `${subject} on ${ground}: off by ${percent(quantile(off, 0.5))} in the middle, ${percent(quantile(off, 0.9))} at the worst tenth; truth in the band ${held} of ${EACH}, half a band ${percent(quantile(halves, 0.5))}`,
  );
}

for (const [subject, ground, size, count] of [
  ['eggs', 'mottled', 44, 200],
  ['fry', 'plain', 220, 120],
  ['fish', 'paper', 420, 24],
] as const) {
  const { picture } = drawScene({
    seed: 4,
    width: 4000,
    height: 3000,
    subject,
    ground,
    count,
    size,
    whiteShare: 0.2,
    nuisance: 0.4,
  });
  const options = {
    kind: subject === 'eggs' ? ('eggs' as const) : ('young' as const),
    grid: ground === 'paper' ? { mm: 5 } : null,
  };
  const took = [1, 2, 3].map(() => {
    const before = performance.now();
    countPicture(picture, options);
    return performance.now() - before;
  });
  say(
    `12 megapixels of ${subject} on ${ground}: ${Math.round(took[0]!)} ms the first time, ${Math.round(Math.min(...took))} ms at best of three (wanted 2000)`,
  );
}
