import { expect, test } from '@playwright/test';
import { enter, goTo, openTank } from '../app/enter';

test('the walk says what to do, in which order, with what amounts', async ({ page }) => {
  await enter(page);
  await expect(page.getByRole('heading', { level: 1, name: 'Tuesday first light walk' })).toBeVisible();
  await expect(page.getByText(/of \d+ done, about/)).toBeVisible();
  const codes = await page.locator('ol > li .font-mono').allInnerTexts();
  // The tank with the sick nothobranchs is served last, with quarantine.
  const apart = codes.findIndex((code) => code.startsWith('Q') || code === 'C2.3');
  expect(codes.slice(apart).every((code) => code.startsWith('Q') || code === 'C2.3')).toBe(true);
  // One cause is one line, with each place in it.
  const foods = page.getByRole('listitem').filter({ hasText: '2 first foods are missing.' }).last();
  await foods.getByRole('link', { name: /^Fighting fish in B1\.4: infusoria/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Larder' })).toBeVisible();
});

test('every mark of the Horizon leads to what it is about', async ({ page }) => {
  await enter(page);
  await page.getByRole('link', { name: /hatch C2\.1/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Lambchop 4' })).toBeVisible();
  await page.getByRole('button', { name: /^\+\d+ more$/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('link', { name: /tank B1\.1 free/ })
    .click();
  await expect(page.getByRole('heading', { level: 1, name: 'B1.1' })).toBeVisible();
});

test('the sitter walks and logs, but is offered nothing that changes plans', async ({ page }) => {
  await enter(page, 'sitter');
  await page.getByRole('button', { name: 'Rack A: tank by tank' }).click();
  const box = page.getByRole('checkbox', { name: /^A1\.5: / }).first();
  await box.click();
  await expect(box).toBeChecked();
  // A second tap before it is sent is none; once it is, it takes the tick back.
  await expect(async () => {
    if (await box.isChecked()) await box.click();
    await expect(box).not.toBeChecked({ timeout: 1500 });
  }).toPass();
  await goTo(page, 'Room');
  await expect(page.getByText(/tanks and tubs/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Add a tank' })).toBeHidden();
  await goTo(page, 'Spawns');
  await expect(page.getByText(/running/).first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Plan a spawning' })).toBeHidden();
});

test('a rack is fed by one tick, a tank by one of its own, a stop is one tap, and each is undone as one', async ({ page }) => {
  await enter(page);
  const rack = page.getByRole('checkbox', { name: /^Feed rack A, \d+ tanks: .*brine shrimp [\d.]+ ml/ });
  const said = (await rack.getAttribute('aria-label')) ?? '';
  await page.getByRole('button', { name: 'Rack A: tank by tank' }).click();
  const tank = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: 'A1.6', exact: true }) })
    .last();
  const meal = tank.getByRole('checkbox');
  await expect(meal).toHaveAccessibleName(/^A1\.6: Feed infusoria 2 × [\d.]+ ml, .*; brine shrimp 2 × [\d.]+ ml/);
  await meal.click();
  // Both foods are logged, by one entry, and the rack has a tank less to feed.
  await expect(tank.getByRole('checkbox', { checked: true })).toHaveCount(2);
  await expect(rack).not.toHaveAccessibleName(said);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(tank.getByRole('checkbox')).toHaveCount(1);
  await expect(meal).not.toBeChecked();
  await expect(rack).toHaveAccessibleName(said);
  await rack.click();
  await expect(page.getByText('Stop 1 is done: rack A fed')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(rack).not.toBeChecked();
  await expect(rack).toHaveAccessibleName(said);
  // The evening has the long work as well: a stop with several jobs is one tap.
  await page.getByRole('radio', { name: 'Evening' }).click();
  const whole = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'B2.3', exact: true }) });
  await whole.getByRole('button', { name: 'B2.3: all done as planned' }).click();
  await expect(whole.getByRole('checkbox', { checked: true })).not.toHaveCount(0);
  // What has a caution is never ticked along.
  await expect(whole.getByRole('checkbox', { checked: false })).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(whole.getByRole('checkbox', { checked: true })).toHaveCount(0);
});

test('a temperature asked for by the round is typed in place and moves on', async ({ page }) => {
  await enter(page);
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 1, name: 'Wednesday, as it looks today' })).toBeVisible();
  await expect(page.getByRole('checkbox').first()).toBeDisabled();
  await page.getByRole('radio', { name: 'Today' }).click();
  await page.getByRole('link', { name: 'Sheet for the sitter' }).click();
  await expect(page.getByText('Go through this sheet once, from top to bottom.')).toBeVisible();
  await expect(page.getByText('☐').first()).toBeVisible();
});

test('the jot line works by keyboard alone, keeps what it does not know, asks where two are meant and loses nothing', async ({
  page,
}) => {
  await enter(page);
  await page.keyboard.press('/');
  const line = page.getByLabel('Jot');
  await expect(line).toBeFocused();
  // A tank that is not there is pointed at; nothing typed is lost.
  await page.keyboard.type('Z9.9 lost 2');
  await expect(page.getByText("There's no tank Z9.9.")).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(line).toHaveValue('Z9.9 lost 2');
  await page.reload();
  await expect(line).toHaveValue('Z9.9 lost 2');
  // A slip of the fingers is read as it was meant, what is no phrase is kept as a note beside it.
  await line.fill('A1.2 temperture 25.5, odd smell');
  await expect(page.getByText('reads as A1.2: temperature 25.5 °C; note: odd smell')).toBeVisible();
  await line.press('Enter');
  await expect(line).toHaveValue('');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Undone')).toBeVisible();
  // Two things may be meant: a tap says which, and the line reads so.
  await line.fill('A1.2 change 20');
  await expect(page.getByText('20 of what?')).toBeVisible();
  await page.getByRole('button', { name: '20 %' }).click();
  await expect(line).toHaveValue('A1.2 change 20%');
  await expect(line).toBeFocused();
  await expect(page.getByText(/reads as A1\.2: .* of water changed/)).toBeVisible();
  await line.fill('x');
  await line.press('Escape');
  await expect(line).toHaveValue('');
});

test('the log takes entries back, and says why when it cannot', async ({ page }) => {
  await enter(page);
  await openTank(page, 'A3.2');
  await page.getByRole('button', { name: 'Reading' }).click();
  await page.getByRole('dialog').getByLabel('Value, °C').fill('41');
  await page.getByRole('button', { name: 'Log the reading' }).click();
  await expect(page.getByRole('dialog').getByRole('alert').filter({ hasText: 'That reading looks wrong' })).toBeVisible();
  await page.getByLabel('Why anyway?').fill('heater stuck, turned off');
  await page.getByRole('button', { name: 'Log the reading anyway' }).click();
  await expect(page.getByText('heater stuck, turned off')).toBeVisible();
  await page.getByRole('button', { name: 'Undo: A3.2: Temperature 41 °C' }).click();
  await expect(page.getByText('Undone').first()).toBeVisible();
  await page.getByRole('button', { name: /Undo: Kribensis: 1 male, 1 female/ }).click();
  await expect(
    page
      .getByText('Undone: Kribensis')
      .or(page.getByText(/take that back first/))
      .first(),
  ).toBeVisible();
});

test('what is ticked while the server is away is kept, said, and sent once when it is back', async ({ page, context }) => {
  await enter(page);
  await page.route('**/api/**', (route) => route.abort());
  const box = page.getByRole('checkbox', { name: /^C2\.2: / }).first();
  await box.click();
  await expect(page.getByText(/1 entry waits to be sent/)).toBeVisible();
  await expect(page.getByText('waits to be sent').last()).toBeVisible();
  const line = page.getByLabel('Jot');
  await line.fill('A2.1 25.1');
  await line.press('Enter');
  await expect(page.getByText(/2 entries wait to be sent/)).toBeVisible();
  await page.unroute('**/api/**');
  await expect(page.getByText(/to be sent/)).toHaveCount(0, { timeout: 15_000 });
  await expect(box).toBeChecked();
  const entries = await page.evaluate(
    async () => (await (await fetch('/api/entries?limit=200')).json()) as { text: string; undone: boolean }[],
  );
  expect(entries.filter((entry) => entry.text.includes('25.1 °C') && !entry.undone)).toHaveLength(1);
  await box.click();
  await expect(box).not.toBeChecked();
  await context.clearCookies();
});

test('a form sent while the database is away keeps what was typed and works again', async ({ page }) => {
  await enter(page);
  await openTank(page, 'A1.7');
  await page.getByRole('button', { name: 'Reading' }).click();
  await page.getByRole('dialog').getByLabel('Value, °C').fill('25.2');
  await page.route('**/api/readings', (route) =>
    route.fulfill({
      status: 503,
      contentType: 'application/problem+json',
      body: JSON.stringify({
        type: '/problems/platform/database-away',
        title: 'The database does not answer',
        status: 503,
        code: 'platform/database-away',
        detail: 'What you typed is kept and will be tried again.',
      }),
    }),
  );
  await page.getByRole('button', { name: 'Log the reading' }).click();
  await expect(page.getByText('The database does not answer.')).toBeVisible();
  await expect(page.getByRole('dialog').getByLabel('Value, °C')).toHaveValue('25.2');
  await page.unroute('**/api/readings');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect(page.getByText('25.2 °C').first()).toBeVisible();
});

test('a line that wants a reason asks for it and is logged with it', async ({ page }) => {
  await enter(page);
  await page.keyboard.press('/');
  await page.keyboard.type('B3.1 3');
  await expect(page.getByText(/reads as B3\.1: temperature 3 °C/)).toBeVisible();
  await page.keyboard.press('Enter');
  const asked = page.getByRole('dialog', { name: 'That reading looks wrong' });
  await expect(asked.getByText(/would harm almost anything/)).toBeVisible();
  await expect(asked.getByRole('button', { name: 'Log it anyway' })).toBeDisabled();
  // Left, the line stays as it was typed.
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Jot')).toHaveValue('B3.1 3');
  await page.getByLabel('Jot').focus();
  await page.keyboard.press('Enter');
  await asked.getByLabel('Why anyway?').fill('the heater was off all night');
  await page.keyboard.press('Enter');
  await expect(page.getByText('B3.1: temperature 3 °C').first()).toBeVisible();
  await expect(page.getByLabel('Jot')).toHaveValue('');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('Undone')).toBeVisible();
});
