// The built application on the database at FRESHET_DATABASE_URL, in Debian's Chromium, with the keeper signed in.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ROOT, freePort } from '../scripts/lib/machine.mjs';

/** @param before - may route requests before the first page is asked for */
export async function openPages(before = async () => undefined) {
  const port = await freePort();
  const server = spawn(process.execPath, [join(ROOT, 'dist', 'server.mjs')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      FRESHET_SECRET: 'x'.repeat(32),
      FRESHET_PORT: String(port),
      FRESHET_WEB: join(ROOT, 'dist', 'web'),
      FRESHET_NOW: '2026-11-25T07:12:00Z',
    },
  });
  process.on('exit', () => server.kill('SIGTERM'));
  await new Promise((resolve, reject) => {
    server.stdout.on('data', (chunk) => String(chunk).includes('listening') && resolve());
    server.on('exit', () => reject(new Error('the application did not start')));
  });
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.on('pageerror', (error) => process.stderr.write(`${error.stack}\n`));
  await before(page);
  const url = `http://127.0.0.1:${port}`;
  await page.goto(url);
  await page.getByRole('button', { name: 'Enter as keeper' }).click();
  await page.getByRole('navigation', { name: 'Areas' }).waitFor();
  return { browser, page, url };
}
