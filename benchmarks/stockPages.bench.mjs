// Scrolling 20,000 lots, and a page that stays alive while the kinship of 5,000 animals is worked out: Debian's Chromium on the built pages.
import { openPages } from './openPages.mjs';

const LOTS = 20_000;
const ANIMALS = 5000;
const { browser, page, url } = await openPages();

await page.route('**/api/lots', async (route) => {
  const [like] = await (await route.fetch()).json();
  const lots = Array.from({ length: LOTS }, (_, i) => ({
    ...like,
    id: `lot-${i}`,
    name: `Animal ${i}`,
    broodId: null,
    readiness: 'ready',
    isRetired: false,
  }));
  await route.fulfill({ json: lots });
});
await page.goto(`${url}/stock`);
await page.getByText(`${LOTS} of ${LOTS} lots`).waitFor();
const scrolled = await page.evaluate(async () => {
  const box = document.querySelector('[aria-label="Lots"]');
  const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
  const gaps = [];
  let [blank, last] = [0, performance.now()];
  for (let i = 0; i < 240; i++) {
    // A flick of a wheel: more than a screen a frame, then somewhere else altogether.
    box.scrollTop = i % 60 === 59 ? Math.random() * box.scrollHeight : box.scrollTop + 460;
    await frame();
    await frame();
    const now = performance.now();
    gaps.push((now - last) / 2);
    last = now;
    // Whether the middle of the table holds a row.
    const { top, left, height } = box.getBoundingClientRect();
    const row = document.elementFromPoint(left + 260, top + height / 2)?.closest('tr');
    if (!row || row.getAttribute('aria-hidden') !== null) blank += 1;
  }
  gaps.sort((a, b) => a - b);
  return { blank, median: gaps[120], slowest: gaps[239] };
});
process.stdout.write(
  `stock table of ${LOTS} lots: ${scrolled.blank} of 240 pages blank (bound 0), ${scrolled.median.toFixed(1)} ms a frame in the middle, ${scrolled.slowest.toFixed(1)} ms at most\n`,
);
await page.unroute('**/api/lots');

await page.route('**/api/pedigree/*', async (route) => {
  const pedigree = Array.from({ length: ANIMALS }, (_, i) =>
    i < 60
      ? { id: `n${i}` }
      : {
          id: `n${i}`,
          sires: [{ id: `n${2 * Math.floor((i - 1 - ((i * 7) % 50)) / 2)}`, probability: 1 }],
          dams: [{ id: `n${2 * Math.floor((i - 2 - ((i * 13) % 50)) / 2) + 1}`, probability: 1 }],
        },
  );
  const animals = pedigree.map(({ id }, i) => ({
    id,
    lotId: id,
    sex: i % 2 ? 'females' : 'males',
    isBreeder: true,
    isRetired: false,
  }));
  const labels = Object.fromEntries(pedigree.map(({ id }) => [id, id]));
  await route.fulfill({ json: { pedigree, animals, labels } });
});
await page.goto(`${url}/stock/lines/angelfish/kinship`);
await page.getByText(`${ANIMALS} breeders`).waitFor();
const alive = await page.evaluate(async () => {
  let [longest, last, frames] = [0, performance.now(), 0];
  const started = last;
  while (!document.body.textContent.includes('Diversity of the founders left') && last - started < 60_000) {
    await new Promise((resolve) => requestAnimationFrame(resolve));
    const now = performance.now();
    longest = Math.max(longest, now - last);
    last = now;
    frames += 1;
  }
  return { longest, frames, took: last - started };
});
process.stdout.write(
  `kinship page of ${ANIMALS} animals: worked out in ${Math.round(alive.took)} ms, meanwhile ${alive.frames} frames, the longest ${Math.round(alive.longest)} ms\n`,
);
await browser.close();
process.exit(scrolled.blank > 0 || alive.longest > 500 ? 1 : 0);
