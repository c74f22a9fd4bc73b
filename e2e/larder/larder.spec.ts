import { expect, test, type Page } from '@playwright/test';
import { enter, goTo } from '../app/enter';

const dialog = (page: Page) => page.getByRole('dialog');
const tab = (page: Page, name: string) => page.getByRole('navigation', { name: 'Larder' }).getByRole('link', { name }).click();
const row = (page: Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByRole('link', { name, exact: true }) });

test('the larder says which first food is not safe, why, and starts what saves it', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Larder');
  await expect(page.getByText(/first foods? won’t be ready/)).toBeVisible();
  const first = page.getByRole('listitem').filter({ hasText: 'Fighting fish in B1.4' }).first();
  await expect(first).toContainText('not ready');
  await first.getByRole('button', { name: /^Why:/ }).click();
  await expect(page.getByText(/counted back from the early end by the longer/)).toBeVisible();
  await page.keyboard.press('Escape');
  await first.getByRole('button', { name: 'Start today' }).click();
  await expect(dialog(page).getByText(/Ripe after 4 to 7 days/)).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Start it' }).click();
  await expect(page.getByText('Infusoria 2', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('Infusoria 2', { exact: true })).toHaveCount(0);
});

test('the tide tells a day by keys, a start is moved and planned around, and the plan is taken and dropped', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Larder');
  const days = page.getByRole('slider', { name: /^Need and supply by day/ });
  await days.focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await expect(days).toHaveAttribute('aria-valuetext', /Fri 27 Nov: \d+ ml needed, 0 ml ripe/);
  await expect(page.getByText('No culture is sure to be ripe.')).toBeVisible();
  await page.getByRole('button', { name: 'Close this day' }).click();
  const plan = page.getByRole('region', { name: 'Plan' });
  await expect(plan).toContainText(/starts? of infusoria covers? the rest/);
  const starts = page.getByRole('slider', { name: /^Start of infusoria/ });
  const count = await starts.count();
  expect(count).toBeGreaterThan(0);
  await starts.first().focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('slider', { name: 'Start of infusoria, held there' })).toBeVisible();
  await plan.getByRole('button', { name: /^Take (this start|these \d+ starts)$/ }).click();
  await expect(page.getByRole('slider', { name: 'Start of infusoria, planned' }).first()).toBeVisible();
  await expect(plan.getByRole('button', { name: 'Drop the plan' })).toBeVisible();
  // What was taken stands on the Horizon's list and comes as a chore on its day.
  await plan.getByRole('button', { name: 'Drop the plan' }).click();
  await expect(page.getByRole('slider', { name: 'Start of infusoria, planned' })).toHaveCount(0);
});

test('what if: one more spawning, and a crash, are counted in and nothing is logged', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Larder');
  await page.getByRole('button', { name: 'What if you had another spawning?' }).click();
  await dialog(page).getByRole('button', { name: 'Show it' }).click();
  await expect(dialog(page).getByText('Which species?')).toBeVisible();
  await dialog(page).getByLabel('Species').selectOption({ label: 'Paradise fish' });
  await dialog(page).getByLabel('Eggs', { exact: true }).fill('0');
  await dialog(page).getByRole('button', { name: 'Show it' }).click();
  await expect(dialog(page).getByText('A whole number of eggs, or nothing.')).toBeVisible();
  await dialog(page).getByLabel('Eggs', { exact: true }).fill('400');
  await dialog(page).getByRole('button', { name: 'Show it' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'another spawning' })).toBeVisible();
  await page.getByText('What if one crashes today?').click();
  await page.getByLabel('Paramecium 1 is lost').check();
  await expect(page.getByText('Paramecium 1, giving nothing now')).toBeVisible();
  await page.getByRole('button', { name: 'back to now' }).click();
  await expect(page.getByText('Paramecium 1, giving nothing now')).toHaveCount(0);
  await tab(page, 'Cultures');
  await expect(row(page, 'Paramecium 1')).toBeVisible();
});

test('a culture is looked at, harvested, split and lost; bad input is answered at its field', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Larder');
  await tab(page, 'Cultures');
  await row(page, 'Microworms 2').getByRole('button', { name: 'Look' }).click();
  await dialog(page).getByRole('button', { name: 'Log the look' }).click();
  await expect(dialog(page).getByText('Say how dense it is, or tick a sign.')).toBeVisible();
  await dialog(page).getByRole('button', { name: '3 many' }).click();
  await dialog(page).getByRole('button', { name: 'climbing the walls' }).click();
  await dialog(page).getByRole('button', { name: 'Log the look' }).click();
  await expect(row(page, 'Microworms 2')).toContainText('from 4 looks');
  await row(page, 'Microworms 2').getByRole('button', { name: 'Harvest' }).click();
  await dialog(page).getByLabel('Taken, ml').fill('900');
  await dialog(page).getByRole('button', { name: 'Log the harvest' }).click();
  await expect(dialog(page).getByText('Microworms 2 holds 24 ml when full.').first()).toBeVisible();
  await dialog(page).getByLabel('Taken, ml').fill('2');
  await dialog(page).getByRole('button', { name: 'Log the harvest' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await row(page, 'Microworms 2').getByRole('button', { name: 'More' }).click();
  await row(page, 'Microworms 2').getByRole('button', { name: 'Split' }).click();
  await expect(dialog(page).getByLabel('Started from')).toHaveValue(/.+/);
  await dialog(page).getByLabel('Name').fill('Oat jar');
  await dialog(page).getByRole('button', { name: 'Start it' }).click();
  await page.getByRole('link', { name: 'Oat jar', exact: true }).click();
  const family = page.getByRole('heading', { name: 'Its family' }).locator('xpath=../..');
  await expect(family).toContainText('Microworms 1');
  await expect(family).toContainText('Oat jar');
  await page.getByRole('button', { name: 'More for Oat jar' }).click();
  await page.getByRole('button', { name: 'Crashed' }).click();
  await expect(page.getByText('This culture has ended')).toBeVisible();
});

test('a culture past its time is marked, and one tap logs what was done with it', async ({ page }) => {
  await enter(page, 'sitter');
  await goTo(page, 'Larder');
  await tab(page, 'Cultures');
  const old = row(page, 'Microworms 1');
  await expect(old).toContainText('finished');
  // It is binned: nothing asks to feed or harvest it.
  await expect(old).not.toContainText(/feed|Take/);
  await expect(old.getByRole('button', { name: 'Harvest' })).toHaveCount(0);
  await old.getByRole('button', { name: 'Emptied' }).click();
  await expect(old).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(old).toBeVisible();
});

test('the pour list is ticked on the phone, known to the round, and what was seen changes the next ration', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await enter(page, 'sitter');
  await page.goto('/larder/pour');
  const first = page.getByRole('checkbox', { name: /^B3.1/ });
  await first.click();
  await expect(page.getByRole('group', { name: 'After the meal in B3.1' })).toBeVisible();
  await page.getByRole('group', { name: 'After the meal in B3.1' }).getByRole('button', { name: 'Left over' }).click();
  await expect(page.getByText('B3.1: left over; the next amount follows')).toBeVisible();
  await page.getByRole('link', { name: 'B3.1', exact: true }).click();
  await expect(page.getByText(/B3\.1 after the meal: left over/).first()).toBeVisible();
});

test('a hatch is set by weight from the tin, and a count of drops teaches what hatches of it', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Larder');
  await tab(page, 'Cultures');
  await page.getByRole('button', { name: 'Start a culture' }).click();
  await dialog(page).getByLabel('What', { exact: true }).selectOption('brineShrimp');
  await dialog(page).getByLabel('Cysts, g').fill('3000');
  await dialog(page).getByRole('button', { name: 'Start it' }).click();
  await expect(dialog(page).getByText(/Is it grams\?/)).toBeVisible();
  await dialog(page).getByLabel('Cysts, g').fill('0,5');
  await dialog(page).getByLabel('From the tin').selectOption({ index: 1 });
  await dialog(page).getByRole('button', { name: 'Start it' }).click();
  await expect(row(page, 'Brine shrimp 3')).toBeVisible();
  const ripe = row(page, 'Brine shrimp 1');
  await ripe.getByRole('button', { name: 'Count' }).click();
  await dialog(page).getByLabel('Nauplii in each drop').fill('70 66 74');
  await dialog(page).getByLabel('Strained into, ml').fill('100');
  await dialog(page).getByRole('button', { name: 'Log the count' }).click();
  // No drop of this keeper's pipette was ever measured.
  await expect(
    dialog(page)
      .getByText(/How many drops of your pipette/)
      .first(),
  ).toBeVisible();
  await dialog(page).getByLabel('Drops a ml').fill('20');
  await dialog(page).getByRole('button', { name: 'Log the count' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await tab(page, 'Shelf');
  await expect(page.getByText(/by 5 hatches counted/)).toBeVisible();
});

test('the shelf says what to buy; a tin, a weighing and a measure are logged with their bad input', async ({ page }) => {
  await enter(page);
  await page.goto('/larder/shelf');
  await expect(page.getByText(/buy Fine powder \(past its date\)/)).toBeVisible();
  await page.getByRole('button', { name: 'Put on the shelf' }).click();
  await dialog(page).getByLabel('Name').fill('Powder, new');
  await dialog(page).getByLabel('Amount, g').fill('40');
  await dialog(page).getByLabel('Opened on', { exact: true }).fill('yesterday');
  await dialog(page).getByLabel('Good until', { exact: true }).fill('2 Nov 2026');
  await dialog(page).getByRole('button', { name: 'Put it there' }).click();
  await expect(dialog(page).getByText(/past its date when it was opened/)).toBeVisible();
  await dialog(page).getByLabel('Good until', { exact: true }).fill('2 Nov 2027');
  await dialog(page).getByRole('button', { name: 'Put it there' }).click();
  const tin = page.getByRole('listitem').filter({ has: page.getByText('Powder, new', { exact: true }) });
  await tin.getByRole('button', { name: 'Used' }).click();
  await dialog(page).getByLabel('Taken, g').fill('90');
  await dialog(page).getByRole('button', { name: 'Log what was taken' }).click();
  await expect(
    dialog(page)
      .getByText(/Only 40 g of Powder, new should be left/)
      .first(),
  ).toBeVisible();
  await dialog(page).getByLabel('Taken, g').fill('15');
  await dialog(page).getByRole('button', { name: 'Log what was taken' }).click();
  await expect(tin).toContainText('25 of 40 g left');
  await page.getByRole('button', { name: 'Measure a dose' }).click();
  await dialog(page).getByLabel('Measure', { exact: true }).selectOption('drop');
  await dialog(page).getByLabel('How many').fill('44');
  await dialog(page).getByLabel('Together, ml').fill('2');
  await dialog(page).getByRole('button', { name: 'Log the measure' }).click();
  await expect(page.getByRole('listitem').filter({ has: page.getByText('a drop', { exact: true }) })).toContainText(
    '0.045 ml, 44 measured',
  );
});

test('a pest is seen, treated by half where shrimp live, and gone', async ({ page }) => {
  await enter(page);
  await page.goto('/larder/pests');
  await page.getByRole('button', { name: 'Log one' }).click();
  await dialog(page).getByLabel('What', { exact: true }).selectOption('flatworm');
  await dialog(page).getByRole('button', { name: 'Log it' }).click();
  await expect(dialog(page).getByText('Where was it seen?')).toBeVisible();
  await dialog(page).getByLabel('Where').selectOption({ label: 'B3.2' });
  await dialog(page).getByRole('button', { name: 'Log it' }).click();
  const seen = page.getByRole('listitem').filter({ has: page.getByText('flatworms', { exact: true }) });
  await seen.getByRole('button', { name: 'Treat' }).click();
  await dialog(page).getByLabel('What you do').selectOption('dewormer');
  await expect(dialog(page).getByText(/give half the dose on the label/)).toBeVisible();
  await dialog(page).getByLabel('Half the dose on the label').uncheck();
  await dialog(page).getByRole('button', { name: 'Log the treatment' }).click();
  await expect(
    dialog(page)
      .getByText(/If the full dose is meant, say why/)
      .first(),
  ).toBeVisible();
  await dialog(page).getByLabel('Half the dose on the label').check();
  await dialog(page).getByRole('button', { name: 'Log the treatment' }).click();
  await expect(seen).toContainText('half dose; water changed');
  await seen.getByRole('button', { name: 'Gone' }).click();
  await expect(seen).toContainText('gone');
});
