// How smoothly a tank is dragged in a room of 300 tanks: frames while it moves, in Debian's Chromium on the built pages.
import { openPages } from './openPages.mjs';

const TANKS = 300;
const RACKS = 10;
const { browser, page, url } = await openPages(async (page) => {
  await page.route('**/api/room', async (route) => {
    const reply = await (await route.fetch()).json();
    const like = reply.racks[0].shelves[0].tanks[0];
    const racks = Array.from({ length: RACKS }, (_, r) => ({
      ...reply.racks[0],
      id: `r${r}`,
      code: `R${r}`,
      sump: null,
      shelves: [1, 2, 3].map((level) => ({
        ...reply.racks[0].shelves[0],
        id: `s${r}.${level}`,
        level,
        lengthCm: 400,
        loadLimitKg: null,
        tanks: Array.from({ length: TANKS / RACKS / 3 }, (_t, t) => ({
          ...like,
          id: `t${r}.${level}.${t}`,
          shelfId: `s${r}.${level}`,
          code: `${r}${level}.${t}`,
          leftCm: t * 34,
        })),
      })),
    }));
    await route.fulfill({ json: { racks } });
  });
});
await page.goto(`${url}/room`);
await page.getByRole('checkbox', { name: 'Drag tanks, not animals' }).check();
const tanks = await page.getByRole('group', { name: 'Racks as they stand' }).getByRole('link').count();
const box = await page.getByRole('link', { name: /^01\.0:/ }).boundingBox();
await page.mouse.move(box.x + 5, box.y + 10);
await page.mouse.down();
await page.mouse.move(box.x + 30, box.y + 20, { steps: 4 });
await page.evaluate(() => {
  window.frames_ = [];
  let last = performance.now();
  const tick = (now) => {
    window.frames_.push(now - last);
    last = now;
    requestAnimationFrame(tick);
  };
  requestAnimationFrame(tick);
});
for (let round = 0; round < 4; round++) {
  for (let i = 0; i < 60; i++) {
    await page.mouse.move(box.x + 30 + i * 8, box.y + 20 + (i % 20) * 6);
    await page.waitForTimeout(8);
  }
}
const frames = await page.evaluate(() => window.frames_.slice(2));
await page.mouse.up();
frames.sort((a, b) => a - b);
const at = (share) => frames[Math.floor(frames.length * share)].toFixed(1);
process.stdout.write(
  `\nDragging among ${tanks} tanks: ${(1000 / (frames.reduce((a, b) => a + b, 0) / frames.length)).toFixed(0)} frames a second; half of them within ${at(0.5)} ms, 95 % within ${at(0.95)} ms, ${frames.filter((ms) => ms > 25).length} of ${frames.length} late\n`,
);
await browser.close();
// The server ends with this process.
process.exit(0);
