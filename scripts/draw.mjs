// "npm run draw -- FOLDER [FIRST] [EACH] [kept-back]": draws pictures of all scenes with their truth, to train the nets on or to look at.
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { ROOT, needModules } from './lib/machine.mjs';

needModules();
const { bundle } = await import('./build.mjs');
const [folder, first = '1', each = '4', which] = process.argv.slice(2);
if (!folder) {
  process.stderr.write('Usage: npm run draw -- FOLDER [FIRST SEED] [HOW MANY OF EACH SCENE] [kept-back]\n');
  process.exit(2);
}
const outfile = join(ROOT, 'dist', 'drawing.mjs');
await bundle('training/pixels.ts', outfile);
const { SCENES, drawnPixels, keptBackPixels } = await import(outfile);
mkdirSync(folder, { recursive: true });
const pictures = [];
for (const scene of SCENES)
  for (let seed = Number(first); seed < Number(first) + Number(each); seed++) {
    const { width, height, data, truth } = which === 'kept-back' ? await keptBackPixels(scene, seed) : drawnPixels(scene, seed);
    const file = `${scene}-${seed}.jpg`;
    await sharp(data, { raw: { width, height, channels: 3 } })
      .jpeg({ quality: 60 + ((seed * 37) % 35) })
      .toFile(join(folder, file));
    pictures.push({ file, width, height, ...truth });
    process.stdout.write(`${file}: ${truth.count}\n`);
  }
writeFileSync(join(folder, 'truth.json'), JSON.stringify({ pictures }));
rmSync(outfile);
rmSync(`${outfile}.map`);
