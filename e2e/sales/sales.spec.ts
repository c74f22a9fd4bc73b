import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { enter } from '../app/enter';

const dialog = (page: Page) => page.getByRole('dialog');
const undo = async (page: Page) => {
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('Undone').first()).toBeVisible();
};
const saved = async (page: Page, press: () => Promise<void>) => {
  const download = page.waitForEvent('download');
  await press();
  return readFileSync(await (await download).path());
};

test('six fish go to a shop nobody knew, and the page says what each cost; bad input is answered at its field', async ({
  page,
}) => {
  await enter(page, 'keeper', '/sales');
  await page.getByRole('button', { name: 'Sell Lemon tetra 19' }).click();
  const sheet = dialog(page);
  await expect(sheet.getByText('34 live in B1.2')).toBeVisible();
  await sheet.getByLabel('How many').fill('600');
  await sheet.getByLabel('Who to?').selectOption({ label: 'someone new …' });
  await sheet.getByLabel('Price each, EUR').fill('-2');
  await sheet.getByRole('button', { name: 'Hand them over' }).click();
  await expect(sheet.getByText('A name is needed.')).toBeVisible();
  await expect(sheet.getByText('A price cannot be negative.')).toBeVisible();
  await sheet.getByLabel('Their name').fill('The Lamp and Pearl');
  await sheet.getByLabel('Price each, EUR').fill('1,80');
  await sheet.getByRole('button', { name: 'Hand them over' }).click();
  await expect(sheet.getByText('Only 34 unsexed are there, not 600.')).toBeVisible();
  await sheet.getByLabel('How many').fill('6');
  await expect(sheet.getByText(/each cost about €\d/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Hand them over' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText('28 live, not sexed').first()).toBeVisible();
  await page.getByRole('link', { name: 'Sold' }).click();
  const row = page.getByRole('row').filter({ hasText: 'The Lamp and Pearl' });
  await expect(row).toContainText('6 lemon tetra');
  await expect(row).toContainText('€1.80');
  await expect(row.getByRole('cell').nth(4)).toHaveText(/€\d/);
  await row.getByRole('link').click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('6 lemon tetra');
  await expect(page.getByText('Lemon tetra 19')).toBeVisible();
  await expect(page.getByText('still here in')).toBeVisible();
  await page.goto('/log');
  await page
    .getByRole('listitem')
    .filter({ hasText: '6 lemon tetra sold' })
    .first()
    .getByRole('button', { name: /Undo/ })
    .click();
  await page.goto('/sales');
  await expect(page.getByText('34 live, not sexed').first()).toBeVisible();
});

test('an order is taken, keeps its fish from others, is packed with labels and a list, and handed over', async ({ page }) => {
  await enter(page, 'keeper', '/sales/orders');
  await page.getByRole('button', { name: 'Take an order' }).click();
  const sheet = dialog(page);
  await sheet.getByLabel('Who is it for?').selectOption({ label: 'The Glass Heron' });
  await sheet.getByLabel('By when', { exact: true }).fill('yesterday');
  await sheet.getByLabel('How many').fill('4');
  await sheet.getByLabel('Species').selectOption({ label: 'Odessa barb' });
  await expect(sheet.getByLabel('Price each')).toHaveValue('2.20');
  await sheet.getByRole('button', { name: 'Take it' }).click();
  await expect(sheet.getByRole('alert').first()).toBeVisible();
  await sheet.getByLabel('By when', { exact: true }).fill('in 2 days');
  await sheet.getByRole('button', { name: 'Take it' }).click();
  await expect(sheet).toBeHidden();
  const row = page.getByRole('listitem').filter({ hasText: /Odessa barb: 4 set aside/ });
  await expect(row).toContainText('€8.80');
  await row.getByRole('link').click();
  await expect(page.getByText('4 to catch in one tank, one bag')).toBeVisible();
  await page.getByLabel('Hours on the way').fill('200');
  await expect(page.getByText('Between 0 and 72 hours.')).toBeVisible();
  await page.getByLabel('Hours on the way').fill('30');
  await page.getByRole('button', { name: /Why: Odessa barb/ }).click();
  await expect(page.getByText(/One|by oxygen \d+ to a bag/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  for (const name of ['Labels', 'List for the buyer']) {
    const bytes = await saved(page, () => page.getByRole('button', { name }).click());
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  }
  await page.getByRole('button', { name: 'Hand over' }).click();
  await expect(dialog(page).getByText('In all €8.80')).toBeVisible();
  await dialog(page).getByLabel('How many').fill('5');
  await dialog(page).getByRole('button', { name: 'Hand them over' }).click();
  await expect(dialog(page).getByText('4 are set aside.')).toBeVisible();
  await dialog(page).getByLabel('How many').fill('3');
  await dialog(page).getByRole('button', { name: 'Hand them over' }).click();
  await expect(page.getByText('Odessa barb: 3 handed over, 1 open')).toBeVisible();
  await undo(page);
  await expect(page.getByText('Odessa barb: 4 set aside').first()).toBeVisible();
  await page.getByRole('button', { name: 'Cancel', exact: true }).click();
  await dialog(page).getByRole('button', { name: 'Cancel the order' }).click();
  await expect(dialog(page).getByText('Say why in a few words.')).toBeVisible();
  await dialog(page).getByLabel('Why').fill('they moved away');
  await dialog(page).getByRole('button', { name: 'Cancel the order' }).click();
  await expect(page.getByText('Cancelled: they moved away')).toBeVisible();
});

test('the sitter sees what to catch, and neither who buys nor for how much', async ({ page }) => {
  await enter(page, 'sitter', '/sales/orders');
  await page.getByRole('link', { name: /^Order 1/ }).click();
  await expect(page.getByText(/14 to catch in 2 tanks/)).toBeVisible();
  const text = await page.locator('main').innerText();
  expect(text).not.toMatch(/Thistlewick|€/);
  await expect(page.getByRole('link', { name: 'Profit' })).toHaveCount(0);
  await page.goto('/sales/money');
  await expect(page.getByText(/may not|not allowed|only for/i).first()).toBeVisible();
});

test('what can go is narrowed by species, sex and length; what was asked stands in the address', async ({ page }) => {
  await enter(page, 'keeper', '/sales');
  const ready = page.getByRole('region', { name: 'Ready' });
  await page.getByLabel('Species').selectOption({ label: 'Odessa barb' });
  await expect(ready.getByRole('listitem')).toHaveCount(1);
  await expect(ready.getByRole('heading')).toHaveText(/^6 of sale size now/);
  await page.getByLabel('At least, mm').fill('600');
  await expect(page.getByText('A length in mm, up to 500.')).toBeVisible();
  await page.getByLabel('At least, mm').fill('60');
  await expect(ready.getByRole('heading')).toHaveText(/^0 of 60 mm or more now/);
  await page.getByLabel('Sex').selectOption({ label: 'males' });
  await expect(ready.getByText('Only sexed fish count here', { exact: false })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('At least, mm')).toHaveValue('60');
});

test('grown males to spare are offered, lead to their card, and their number stands in the form', async ({ page }) => {
  await enter(page, 'keeper', '/sales');
  const tanks = (await (await page.request.get('/api/house/tanks')).json()) as { tankId: string; code: string }[];
  const id = () => crypto.randomUUID().replace(/^(.{14})./, '$17');
  const { now } = (await (await page.request.get('/api/session')).json()) as { now: string };
  const heads = { males: 9, females: 1, unsexed: 0 };
  const origin = { origin: 'local', acquiredFrom: null, line: null, generation: null };
  const tankId = tanks.find(({ code }) => code === 'A1.7')?.tankId;
  const lot = {
    id: id(),
    lotId: id(),
    speciesKey: 'humpback-limia',
    tankId,
    heads,
    at: now,
    ...origin,
    override: { reason: 'for a test' },
  };
  const kept = await page.request.post('/api/lots', { data: lot });
  const { entryId } = (await kept.json()) as { entryId: string };
  await page.reload();
  const spare = page.getByRole('region', { name: 'Grown animals to spare' });
  const row = spare.getByRole('listitem').filter({ hasText: 'A1.7' });
  await expect(row).toContainText('females to a male suit them');
  const males = (await row.locator('b').first().textContent()) ?? '';
  await row.getByRole('button', { name: /^Sell/ }).click();
  await expect(dialog(page).getByLabel('How many')).toHaveValue(males);
  await expect(dialog(page).getByLabel('Which sex?')).toHaveValue('males');
  await page.keyboard.press('Escape');
  await row.getByRole('link').click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/limia/i);
  await expect(page).toHaveURL(new RegExp(`/stock/${lot.lotId}$`));
  expect((await page.request.post('/api/undos', { data: { id: id(), entryId } })).ok()).toBe(true);
});

test('more bags than an auction takes, and a day on which it does not meet, are said', async ({ page }) => {
  await enter(page, 'keeper', '/sales/buyers');
  const month = page.getByRole('region', { name: 'What sold, and for how much' });
  await month.getByLabel('Buyer').selectOption({ label: 'Marrow & District Fishkeepers’ auction' });
  await expect(month.getByRole('listitem')).toHaveCount(1);
  await expect(month.getByRole('img', { name: /^Ranchu goldfish: 2026-\d\d 19 at €/ })).toBeVisible();
  const mostBags = async (count: string) => {
    await page.goto('/sales/buyers');
    await page.getByRole('button', { name: 'Change Marrow & District Fishkeepers’ auction' }).click();
    await dialog(page).getByLabel('Bags at most').fill(count);
    await dialog(page).getByRole('button', { name: /^Keep/ }).click();
    await expect(dialog(page)).toBeHidden();
  };
  await mostBags('1');
  await page.getByRole('link', { name: 'Orders' }).click();
  await page.getByRole('link', { name: /^Order 3/ }).click();
  await page.getByRole('button', { name: 'Change' }).click();
  await dialog(page).getByLabel('By when', { exact: true }).fill('in 4 days');
  await expect(dialog(page).getByText(/^Not one of their dates: Sun 6 Dec/)).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: '1 L' }).click();
  await page.getByLabel('Hours on the way').fill('40');
  await expect(page.getByText(/auction takes one bag at most, and you have \d+/)).toBeVisible();
  await mostBags('20');
});

test('a complaint is traced from a label to sisters sold elsewhere, and is kept', async ({ page }) => {
  await enter(page, 'keeper', '/sales/sold');
  const code = await page.getByRole('row').filter({ hasText: 'angelfish' }).first().getByRole('link').innerText();
  await page.getByLabel('Code on a label').fill(code.toLowerCase());
  await page.getByRole('button', { name: 'Trace' }).click();
  await expect(page.getByText('two eat but have not grown since; gill covers short')).toBeVisible();
  await page.getByRole('button', { name: 'Log a complaint' }).click();
  await dialog(page).getByLabel('Of how many').fill('900');
  await dialog(page).getByLabel('What was wrong').fill('one more is thin');
  await dialog(page).getByRole('button', { name: 'Keep it' }).click();
  await expect(dialog(page).getByText(/Only \d+ went/)).toBeVisible();
  await dialog(page).getByLabel('Of how many').fill('1');
  await dialog(page).getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('one more is thin')).toBeVisible();
  await undo(page);
  await page.goto('/sales/trail/NOSUCH');
  await expect(page.getByText(/Nothing was handed over under NOSUCH/)).toBeVisible();
});

test('what pays is told by species, dear heating changes it, money is noted and taken back, and goes out as a file', async ({
  page,
}) => {
  await enter(page, 'keeper', '/sales/money');
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toContainText(/About €[\d,]+ left over/);
  const before = await title.innerText();
  await page.getByLabel('if heating cost 50 % more').check();
  await expect(title).not.toHaveText(before);
  await page.getByLabel('if heating cost 50 % more').uncheck();
  await page.getByRole('button', { name: 'Note money' }).click();
  await dialog(page).getByLabel('How much, EUR').fill('many');
  await dialog(page).getByRole('button', { name: 'Note it' }).click();
  await expect(dialog(page).getByText('Give an amount such as 2.50.')).toBeVisible();
  await dialog(page).getByLabel('How much, EUR').fill('150');
  await dialog(page).getByLabel('For which species').selectOption({ label: 'Angelfish' });
  await dialog(page).getByRole('button', { name: 'Note it' }).click();
  await expect(title).not.toHaveText(before);
  const csv = (await saved(page, () => page.getByRole('button', { name: 'As a table file' }).click())).toString();
  expect(csv).toMatch(/day,kind,what,to,income,cost,currency,code/);
  expect(csv).toMatch(/equipment,equipment \(Angelfish\),,,150\.00,EUR/);
  await undo(page);
  await expect(title).toHaveText(before);
});

test('a list to send holds chosen columns and own words, as PDF, page and table file', async ({ page }) => {
  await enter(page, 'keeper', '/sales/list');
  await page.getByLabel('Your words on top').fill('Ask at the <slip>, after five');
  await page.getByLabel('Scientific name').check();
  await page.getByLabel('Price each').uncheck();
  const html = (await saved(page, () => page.getByRole('button', { name: 'Save as a page' }).click())).toString();
  expect(html).toContain('Ask at the &lt;slip&gt;, after five');
  expect(html).toContain('<th>Species</th><th>Scientific name</th><th>Number</th><th>Length</th>');
  expect(html).toContain('Never release animals, plants or water.');
  const csv = (await saved(page, () => page.getByRole('button', { name: 'Save as a table file' }).click())).toString();
  expect(csv.split(/\r?\n/)[0]).toBe('Species,Scientific name,Number,Length');
  const pdf = await saved(page, () => page.getByRole('button', { name: 'Save as PDF' }).click());
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
});

test('a buyer is noted with its days, and erased for good', async ({ page }) => {
  await enter(page, 'keeper', '/sales/buyers');
  await page.getByRole('button', { name: 'Add a buyer' }).click();
  const sheet = dialog(page);
  await sheet.getByLabel('Name').fill('Thistlewick Aquatics');
  await sheet.getByLabel('What they are').selectOption({ label: 'Club auction' });
  await sheet.getByLabel('Days').fill('5 Dec, soon');
  await sheet.getByRole('button', { name: 'Note them' }).click();
  await expect(sheet.getByText('"soon" isn’t a date; separate them with commas.')).toBeVisible();
  await sheet.getByLabel('Days').fill('5 Dec, 9 Jan');
  await sheet.getByRole('button', { name: 'Note them' }).click();
  await expect(sheet.getByText('There’s already a buyer of that name.')).toBeVisible();
  await sheet.getByLabel('Name').fill('Spring show');
  await sheet.getByRole('button', { name: 'Note them' }).click();
  await expect(page.getByText(/Sat 5 Dec; Sat 9 Jan/)).toBeVisible();
  await page.getByRole('button', { name: 'Erase Spring show' }).click();
  await dialog(page).getByRole('button', { name: 'Erase for good' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Spring show' }).getByRole('button', { name: 'Change' })).toHaveCount(
    0,
  );
  await expect(page.getByRole('main').getByText('Erased', { exact: true }).first()).toBeVisible();
});

test('before a spawning it is told who takes the young', async ({ page }) => {
  await enter(page, 'keeper', '/spawns/new');
  await page.getByLabel('Species', { exact: true }).selectOption({ label: 'Zebra danio' });
  await expect(page.getByText(/You have \d+ zebra danio for sale in the next 16 weeks and no buyer yet/)).toBeVisible();
});
