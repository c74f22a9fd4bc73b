import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test, type Page } from '@playwright/test';
import { enter } from './enter';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** The address of every main page of the demonstration. */
async function paths(page: Page): Promise<string[]> {
  const first = (url: string, key: string) =>
    page.evaluate(
      async ([from, field]) => {
        const told = (await (await fetch(from ?? '')).json()) as
          Record<string, string>[] | { attempts: Record<string, string>[] };
        return (Array.isArray(told) ? told : told.attempts)[0]?.[field ?? ''] ?? '';
      },
      [url, key],
    );
  const lots = await page.evaluate(
    async () =>
      (await (await fetch('/api/lots')).json()) as { id: string; name: string | null; speciesKey: string; unsexed: number }[],
  );
  const lot = lots.find(({ name }) => name === 'Torn fin')?.id ?? '';
  const group = lots.find(({ speciesKey, unsexed }) => speciesKey === 'odessa-barb' && unsexed > 1)?.id ?? '';
  const broods = await page.evaluate(
    async () => (await (await fetch('/api/broods')).json()) as { id: string; name: string; lots: { id: string }[] }[],
  );
  const grown = broods.find(({ name }) => name === 'Angels 8');
  return [
    '/',
    '/room',
    '/room/waters',
    '/room/probes',
    '/room/exposure',
    `/tanks/${await first('/api/house/tanks', 'tankId')}`,
    '/stock',
    `/stock/${lot}`,
    `/stock/${lot}/sexing`,
    `/stock/${group}/sexing`,
    '/stock/lines/angelfish/kinship',
    '/stock/lines/angelfish/pairing',
    '/stock/lines/angelfish/pedigree',
    '/stock/lines/angelfish/cross',
    '/species',
    '/species/lemon-tetra',
    '/spawns',
    '/spawns/new',
    `/spawns/${await first('/api/attempts', 'id')}`,
    `/spawns/${await first('/api/attempts', 'id')}/set-up`,
    '/spawns/recipes',
    '/spawns/recipes/glass-rain',
    '/spawns/recipes/new?from=glass-rain',
    '/spawns/evidence/sixray-aspidoras',
    '/hours',
    '/spawns?view=year',
    '/broods',
    '/broods/carriers',
    '/broods/record/lemon-tetra',
    '/broods/record/kribensis',
    `/broods/${await first('/api/broods', 'id')}`,
    '/larder',
    '/larder?class=nauplii',
    '/larder/cultures',
    `/larder/cultures/${await first('/api/cultures', 'id')}`,
    '/larder/pour',
    '/larder/ladder',
    '/larder/shelf',
    '/larder/pests',
    '/growout',
    '/growout/weeks',
    '/growout/record/angelfish',
    `/growout/broods/${grown?.id ?? ''}`,
    `/growout/sort/${grown?.lots[0]?.id ?? ''}`,
    '/sales',
    '/bench',
    '/log',
    '/sources',
    '/sheet',
    '/nowhere',
  ];
}

async function settle(page: Page): Promise<void> {
  await expect(
    page.getByRole('heading', { level: 1 }).or(page.getByText('There is nothing at this address')).first(),
  ).toBeVisible();
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

test('every page passes the accessibility rules, contrast in both themes, without an error in the console', async ({ page }) => {
  test.setTimeout(180_000);
  const errors: string[] = [];
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
  page.on('pageerror', (error) => errors.push(error.message));
  await enter(page);
  for (const path of await paths(page)) {
    await page.goto(path);
    await settle(page);
    // A content policy without eval: axe is handed to the browser by the test, not by the page.
    await page.evaluate(axe);
    expect([path, await violations(page, ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])]).toEqual([path, []]);
    await page.evaluate(() => (document.documentElement.dataset.theme = 'dim'));
    expect([path, 'dim', await violations(page, { type: 'rule', values: ['color-contrast'] })]).toEqual([path, 'dim', []]);
  }
  expect(errors).toEqual([]);
});

test('no page is wider than a phone', async ({ page }) => {
  test.setTimeout(90_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await enter(page);
  for (const path of await paths(page)) {
    await page.goto(path);
    await settle(page);
    const [inner, wide] = await page.evaluate(() => [
      document.querySelector('main')?.clientWidth ?? 0,
      document.querySelector('main')?.scrollWidth ?? 0,
    ]);
    expect([path, wide]).toEqual([path, inner]);
  }
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
      // The reader of jotted lines is fetched behind the page, two seconds later: a slow machine would count it, a fast one not.
      .filter(({ name }) => new URL(name).pathname.endsWith('.js') && !/jotReader|readJot/.test(name))
      .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0),
  );
  expect(bytes).toBeGreaterThan(50_000);
  expect(bytes).toBeLessThan(170_000);
});
