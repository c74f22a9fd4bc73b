// A photograph of twelve megapixels on the page, from the file to the number, and whether the page stays alive meanwhile: Debian's
// Chromium on the built pages.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { ROOT } from '../scripts/lib/machine.mjs';
import { openPages } from './openPages.mjs';

const [WIDTH, HEIGHT] = [4000, 3000];
const { bundle } = await import('../scripts/build.mjs');
const drawing = join(ROOT, 'dist', 'photo.bench.drawing.mjs');
await bundle('training/pixels.ts', drawing);
const { drawnPixels } = await import(drawing);
rmSync(drawing);
rmSync(`${drawing}.map`);
const photograph = async (scene, seed) => {
  const { width, height, data, truth } = drawnPixels(scene, seed);
  const buffer = await sharp(data, { raw: { width, height, channels: 3 } })
    .resize(WIDTH, HEIGHT)
    .jpeg({ quality: 88 })
    .toBuffer();
  return { truth, file: { name: `${scene}.jpg`, mimeType: 'image/jpeg', buffer } };
};
const EGGS = { lot: /Aspidoras 21/, open: 'Look through the eggs' };
const YOUNG = { lot: /Kribensis 7/, open: 'Count' };
const PICTURES = [
  { scene: 'tub-eggs', seed: 9103, ...EGGS },
  { scene: 'glass-eggs', seed: 9101, ...EGGS },
  { scene: 'fry-tub', seed: 9101, ...YOUNG },
  { scene: 'grid-young', seed: 9102, ...YOUNG },
];

const { browser, page } = await openPages();
for (const { scene, seed, lot, open } of PICTURES) {
  const { truth, file } = await photograph(scene, seed);
  await page.getByRole('link', { name: 'Broods', exact: true }).first().click();
  await page.getByRole('link', { name: lot }).first().click();
  await page.getByRole('button', { name: open, exact: true }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: /photograph/ }).click();
  await page.evaluate(() => {
    window.photo_ = { longest: 0, chosen: 0, told: 0 };
    const { photo_ } = window;
    document.addEventListener('change', () => (photo_.chosen ||= performance.now()), { capture: true, once: true });
    let last = performance.now();
    const tick = (now) => {
      if (photo_.chosen) photo_.longest = Math.max(photo_.longest, now - Math.max(last, photo_.chosen));
      last = now;
      if ([...document.querySelectorAll('button')].some(({ textContent }) => /^Take \d/.test(textContent ?? '')))
        photo_.told = now;
      else requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await dialog.getByLabel('Photograph').setInputFiles(file);
  const told = await page.waitForFunction(() => window.photo_.told > 0 && window.photo_, null, { timeout: 60_000 });
  const { chosen, told: at, longest } = await told.jsonValue();
  const take = await dialog.getByRole('button', { name: /^Take \d/ }).textContent();
  process.stdout.write(
    `${scene}, 12 megapixels on the page, ${truth.count} there: "${take}" after ${Math.round(at - chosen)} ms (wanted 2000), longest frame ${Math.round(longest)} ms (wanted 50)\n`,
  );
  await page.keyboard.press('Escape');
  await dialog.waitFor({ state: 'detached' });
}
await browser.close();
// The server ends with this process.
process.exit(0);
