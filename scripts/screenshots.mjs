// "npm run screenshots": one current picture of each main view, from the demonstration of a fixed day, into docs/screenshots.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, freePort, needModules, needPrograms, say } from './lib/machine.mjs';

needPrograms({ mariadbd: 'mariadb-server', chromium: 'chromium' });
needModules();
const { buildServer, buildWeb } = await import('./build.mjs');
await buildServer();
await buildWeb();
const { startMariadb } = await import('./lib/mariadb.mjs');
const { chromium } = await import('@playwright/test');

const folder = mkdtempSync(join(tmpdir(), 'freshet-pictures-'));
const out = join(ROOT, 'docs', 'screenshots');
mkdirSync(out, { recursive: true });
const database = await startMariadb(folder, { fast: true });
const port = await freePort();
const url = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, [join(ROOT, 'dist', 'server.mjs')], {
  stdio: ['ignore', 'pipe', 'inherit'],
  env: {
    ...process.env,
    FRESHET_DATABASE_URL: database.url(),
    FRESHET_SECRET: 'x'.repeat(32),
    FRESHET_PORT: String(port),
    FRESHET_WEB: join(ROOT, 'dist', 'web'),
    FRESHET_NOW: '2026-11-24T07:12:00Z',
  },
});
await new Promise((resolve) => server.stdout.on('data', (chunk) => String(chunk).includes('listening') && resolve()));

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});

async function pageOf(theme, width, height) {
  const context = await browser.newContext({
    viewport: { width, height },
    timezoneId: 'Europe/Dublin',
    locale: 'en-GB',
    colorScheme: theme === 'dim' ? 'dark' : 'light',
  });
  const page = await context.newPage();
  await page.goto(url);
  return page;
}
async function enter(page) {
  await page.getByRole('button', { name: 'Enter as keeper' }).click();
  await page.getByRole('navigation', { name: 'Areas' }).waitFor();
}
const idOf = (page, from, key, value, field) =>
  page.evaluate(
    async ([address, name, wanted, wantedField]) =>
      (await (await fetch(address)).json()).find((row) => row[name] === wanted)[wantedField],
    [from, key, value, field],
  );
async function take(page, name, path, act) {
  if (path) await page.goto(url + path);
  await page.waitForLoadState('networkidle');
  await act?.();
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(out, `${name}.png`) });
  say(`docs/screenshots/${name}.png`);
}

/** An attempt by its name. */
const attemptOf = (page, name) =>
  page.evaluate(
    async (wanted) => (await (await fetch('/api/attempts?limit=200')).json()).attempts.find((one) => one.name === wanted)?.id,
    name,
  );

const day = await pageOf('day', 1280, 800);
await enter(day);
const tank = await idOf(day, '/api/house/tanks', 'code', 'B2.2', 'tankId');
const brood = await idOf(day, '/api/broods', 'name', 'Lemon tetra 20', 'id');
await take(day, 'rounds-day', '/');
await take(day, 'room', '/room');
await take(day, 'tank', `/tanks/${tank}`);
await take(day, 'stock', '/stock');
await take(day, 'lot', `/stock/${await idOf(day, '/api/lots', 'name', 'Torn fin', 'id')}`);
await take(day, 'spawns', '/spawns');
await take(day, 'attempt', `/spawns/${(await attemptOf(day, 'Odessa 6')) ?? ''}`);
await take(day, 'evidence', '/spawns/evidence/sixray-aspidoras');
await take(day, 'broods', '/broods');
await take(day, 'brood', `/broods/${brood}`);
await take(day, 'larder', '/larder');
await take(day, 'places', '/growout');
await take(day, 'growth', `/growout/broods/${await idOf(day, '/api/broods', 'name', 'Angels 8', 'id')}`);
await take(day, 'sales', '/sales');
await take(day, 'order', `/sales/orders/${await idOf(day, '/api/sales/orders', 'number', 1, 'orderId')}`);
await take(day, 'pays', '/sales/money');
const dim = await pageOf('dim', 1280, 800);
await enter(dim);
await take(dim, 'rounds-dim', '/', async () => {
  await dim.getByLabel('Jot').fill('B2.3 eggs 120, 18 white, since 22:00');
});
await take(dim, 'kinship-dim', '/stock/lines/humpback-limia/kinship', async () => {
  await dim.getByRole('gridcell', { name: /^Marrow × Sorrel F5 .* and Sorrel:/ }).click();
});
const phone = await pageOf('day', 390, 844);
await enter(phone);
await take(phone, 'phone-rounds', '/');
await browser.close();
server.kill('SIGTERM');
await database.stop();
rmSync(folder, { recursive: true, force: true });
