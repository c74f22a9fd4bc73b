import { expect, test } from '@playwright/test';
import { enter } from './enter';

test('a house in °F and gallons reads only those, on every page a keeper walks through', async ({ page }) => {
  test.setTimeout(180_000);
  await page.route('**/api/session', async (route) => {
    const reply = await route.fetch();
    const told = (await reply.json()) as { house?: { units?: object } | null };
    if (told.house) told.house.units = { temperature: 'degF', volume: 'galUS' };
    await route.fulfill({ response: reply, json: told });
  });
  await enter(page);
  await expect(page.getByText(/of \d+ done, about/)).toBeVisible();
  const first = (url: string, key: string) =>
    page.evaluate(
      async ([from, field]) => {
        const told = (await (await fetch(from ?? '')).json()) as Record<string, string>[];
        return told[0]?.[field ?? ''] ?? '';
      },
      [url, key],
    );
  const [tank, brood] = [await first('/api/house/tanks', 'tankId'), await first('/api/broods', 'id')];
  const order = await first('/api/sales/orders', 'orderId');
  const found: string[] = [];
  for (const path of [
    '/',
    '/room',
    `/tanks/${tank}`,
    '/broods',
    `/broods/${brood}`,
    '/larder',
    '/larder/cultures',
    '/larder/pour',
    '/larder/shelf',
    '/growout',
    '/growout/weeks',
    '/sales',
    '/sales/money',
    `/sales/orders/${order}`,
    '/room/probes',
    '/spawns/evidence/sixray-aspidoras',
    '/spawns/recipes/glass-rain',
    '/species/lemon-tetra',
    '/sheet',
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await expect(page.getByText(/^Fetching/)).toHaveCount(0);
    const text = await page.locator('main').innerText();
    const wrong = text.match(/[^\n]{0,40}(?:\d\s?°C|\d\s?L(?![A-Za-z/])|\d\s?kg(?![A-Za-z]))[^\n]{0,10}/g) ?? [];
    found.push(...wrong.map((words) => `${path.slice(0, 9)}: ${words}`));
    if (path === '/') expect(text).toMatch(/\d °F/);
  }
  expect(found).toEqual([]);

  await page.goto('/species/lemon-tetra');
  await page.getByRole('button', { name: 'Change Laying to hatch (or letting go)' }).click();
  await expect(page.getByLabel('At, °F')).toHaveValue(/^7\d(\.\d)?$/);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Change Temperature, adults' }).click();
  const upper = page.getByLabel('To', { exact: true });
  await expect(upper).toHaveValue(/^8\d(\.\d)?$/);
  await upper.fill('81 F');
  const saved = page.waitForRequest((request) => request.method() !== 'GET' && request.url().includes('species'));
  await page.getByRole('button', { name: 'Save as your own' }).click();
  const { figures } = (await saved).postDataJSON() as { figures: { tempC: [number, number] } };
  expect(figures.tempC[1]).toBeCloseTo(27.22, 1);
  await page.getByRole('button', { name: 'Undo' }).click();
});
