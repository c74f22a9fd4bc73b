import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test, type Page } from '@playwright/test';
import { enter } from './enter';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Known {
  lot: string;
  group: string;
  tank: string;
  attempt: string;
  brood: string;
  culture: string;
  grown: string;
  order: string;
  code: string;
  young: string;
}

/** What the demonstration's own pages are about. */
function known(page: Page): Promise<Known> {
  return page.evaluate(async () => {
    const ask = async <Told>(url: string) => (await (await fetch(url)).json()) as Told;
    const lots = await ask<{ id: string; name: string | null; speciesKey: string; unsexed: number }[]>('/api/lots');
    const broods = await ask<{ id: string; name: string; lots: { id: string }[] }[]>('/api/broods');
    const grown = broods.find(({ name }) => name === 'Angels 8');
    return {
      lot: lots.find(({ name }) => name === 'Torn fin')?.id ?? '',
      group: lots.find(({ speciesKey, unsexed }) => speciesKey === 'odessa-barb' && unsexed > 1)?.id ?? '',
      tank: (await ask<{ tankId: string }[]>('/api/house/tanks'))[0]?.tankId ?? '',
      attempt: (await ask<{ attempts: { id: string }[] }>('/api/attempts')).attempts[0]?.id ?? '',
      brood: broods[0]?.id ?? '',
      culture: (await ask<{ id: string }[]>('/api/cultures'))[0]?.id ?? '',
      grown: grown?.id ?? '',
      order: (await ask<{ orderId: string }[]>('/api/sales/orders'))[0]?.orderId ?? '',
      code: (await ask<{ code: string }[]>('/api/sales/sold'))[0]?.code ?? '',
      young: grown?.lots[0]?.id ?? '',
    };
  });
}

/** The address of every main page of the demonstration, by area: an area a test, so that none outgrows its time. */
const PAGES: Record<string, (of: Known) => string[]> = {
  room: ({ tank }) => ['/room', '/room/waters', '/room/probes', '/room/exposure', `/tanks/${tank}`, '/bench'],
  stock: ({ lot, group }) => [
    '/stock',
    `/stock/${lot}`,
    `/stock/${lot}/sexing`,
    `/stock/${group}/sexing`,
    '/species',
    '/species/lemon-tetra',
  ],
  lines: () => ['kinship', 'pairing', 'pedigree', 'cross'].map((page) => `/stock/lines/angelfish/${page}`),
  spawns: ({ attempt }) => ['/spawns', '/spawns/new', `/spawns/${attempt}`, `/spawns/${attempt}/set-up`, '/spawns?view=year'],
  recipes: () => [
    '/spawns/recipes',
    '/spawns/recipes/glass-rain',
    '/spawns/recipes/new?from=glass-rain',
    '/spawns/evidence/sixray-aspidoras',
  ],
  broods: ({ brood }) => [
    '/broods',
    '/broods/carriers',
    '/broods/record/lemon-tetra',
    '/broods/record/kribensis',
    `/broods/${brood}`,
  ],
  larder: () => ['/larder', '/larder?class=nauplii', '/larder/pour', '/larder/ladder', '/larder/shelf', '/larder/pests'],
  cultures: ({ culture }) => ['/larder/cultures', `/larder/cultures/${culture}`],
  growout: ({ grown, young }) => [
    '/growout',
    '/growout/weeks',
    '/growout/record/angelfish',
    `/growout/broods/${grown}`,
    `/growout/sort/${young}`,
  ],
  sales: ({ order, code }) => ['/sales', '/sales/list', '/sales/orders', `/sales/orders/${order}`, `/sales/trail/${code}`],
  money: () => ['/sales/sold', '/sales/buyers', '/sales/money'],
  rounds: () => ['/', '/hours', '/log', '/sources', '/sheet', '/nowhere'],
};

async function settle(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { level: 1 }).or(page.getByText('There’s no page here')).first()).toBeVisible();
  await expect(page.getByText(/^Fetching/)).toHaveCount(0);
}

interface Violation {
  id: string;
  impact: string;
  nodes: { html: string; failureSummary: string }[];
}

/** Rules broken on the page as it stands. */
const violations = (page: Page, runOnly: string[] | { type: 'rule'; values: string[] }) =>
  page.evaluate(async (only) => {
    const runner = (window as unknown as { axe: { run(root: Document, options: object): Promise<{ violations: Violation[] }> } })
      .axe;
    return (await runner.run(document, { runOnly: only })).violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .map((node) => node.html.slice(0, 140))
          .slice(0, 3)
          .join(' | ')}`,
    );
  }, runOnly);

/** How wide what is in the page is, beside the room it has. */
const widths = (page: Page) =>
  page.evaluate(() => {
    const main = document.querySelector('main');
    return { room: main?.clientWidth ?? 0, needed: main?.scrollWidth ?? 0 };
  });

for (const [area, pages] of Object.entries(PAGES))
  test(`pages of ${area}: accessible, contrast in both themes, no wider than a phone, no error in the console`, async ({
    page,
  }) => {
    test.setTimeout(120_000);
    const errors: string[] = [];
    page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
    page.on('pageerror', (error) => errors.push(error.message));
    await enter(page);
    for (const path of pages(await known(page))) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.goto(path);
      await settle(page);
      // A content policy without eval: axe is handed to the browser by the test, not by the page.
      await page.evaluate(axe);
      expect([path, await violations(page, ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])]).toEqual([path, []]);
      await page.evaluate(() => (document.documentElement.dataset.theme = 'dim'));
      expect([path, 'dim', await violations(page, { type: 'rule', values: ['color-contrast'] })]).toEqual([path, 'dim', []]);
      await page.setViewportSize({ width: 390, height: 844 });
      await expect.poll(async () => ((told) => told.needed - told.room)(await widths(page)), `${path} on a phone`).toBe(0);
    }
    expect(errors).toEqual([]);
  });

test('the theme is chosen in the house menu and kept', async ({ page }) => {
  await enter(page);
  await page.getByRole('button', { name: 'Saltings Shed: menu' }).click();
  await page.getByRole('menuitem', { name: 'Dim the page' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
});

test('a sign-in that fails says so and keeps the name', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Name').fill('keeper');
  await page.getByLabel('Password').fill('not the password');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert').first()).toContainText('Name or password is wrong');
  await expect(page.getByLabel('Name')).toHaveValue('keeper');
});

test('JavaScript for the round stays within 170 kB gzipped', async ({ page }) => {
  await enter(page);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('walk');
  const bytes = await page.evaluate(() =>
    (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
      // What reads jotted lines and typed amounts is fetched behind the page, two seconds later: a slow machine would count it, a fast one not.
      .filter(
        ({ name }) => new URL(name).pathname.endsWith('.js') && !/jotReader|readJot|readLine|ChoreFields|readWhen/.test(name),
      )
      .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0),
  );
  expect(bytes).toBeGreaterThan(50_000);
  expect(bytes).toBeLessThan(170_000);
});
