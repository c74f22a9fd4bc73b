import { expect, test, type Page } from '@playwright/test';
import { goTo, openTank } from './enter';

// One new user, from an empty house to the first feed; each step builds on the one before.
test.describe.configure({ mode: 'serial' });
/** An empty house for each try: it is begun only once. */
const emptyHouse = (retry: number) => (process.env.FRESHET_EMPTY_URLS ?? '').split(' ')[retry] ?? 'http://127.0.0.1:4173';

let page: Page;
const windowOf = (stage: string) =>
  page.getByRole('listitem').filter({ has: page.getByRole('button', { name: `Why: ${stage}` }) });
const dialog = () => page.getByRole('dialog');
const hoursAgo = (hours: number) => {
  const time = new Date(Date.now() - hours * 3_600_000);
  return new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Dublin', dateStyle: 'short', timeStyle: 'short' })
    .format(time)
    .replace(' ', 'T');
};

test.beforeAll(async ({ browser }, { retry }) => {
  page = await browser.newPage({
    baseURL: emptyHouse(retry),
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Dublin',
    locale: 'en-GB',
  });
});
test.afterAll(async () => {
  await page.close();
});

test('begins a house, and is told what is missing', async () => {
  await page.goto('/');
  await page.getByLabel('What is the place called?').fill('Saltings Annexe');
  await page.getByLabel('Password').fill('short');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('At least ten characters.').last()).toBeVisible();
  // The browser’s place suggests units and money.
  await expect(page.getByLabel('Prices in')).toHaveValue('GBP');
  await page.getByLabel('Password').fill('eel-grass-and-rain');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing to do yet' })).toBeVisible();
});

test('puts up a rack, a shelf and two tanks; litres and weight are worked out', async () => {
  await page.getByRole('link', { name: 'Put up a rack and a tank' }).click();
  await page.getByRole('button', { name: 'Put up the first rack' }).click();
  await dialog().getByLabel('Code').fill('A');
  await dialog().getByLabel('Name').fill('North wall');
  await dialog().getByRole('button', { name: 'Add the rack' }).click();
  await page.getByRole('button', { name: 'Add a shelf' }).click();
  await dialog().getByLabel('Length, cm').fill('200');
  await dialog().getByLabel('Depth, cm').fill('24 in');
  await expect(dialog().getByText('read as 61 cm')).toBeVisible();
  await dialog().getByLabel('Room above it, cm').fill('50');
  await dialog().getByRole('button', { name: 'Add the shelf' }).click();
  for (const code of ['A1', 'A2']) {
    await page.getByRole('button', { name: 'Add a tank' }).click();
    await dialog().getByLabel('Code').fill(code);
    await dialog().getByLabel('Length, cm').fill('60');
    await dialog().getByLabel('Width, cm').fill('30');
    await dialog().getByLabel('Height, cm').fill('36');
    await dialog().getByLabel('Water, cm').fill('40');
    await expect(dialog().getByText('The water would stand above the rim')).toBeVisible();
    await dialog().getByLabel('Water, cm').fill('30');
    await expect(dialog().getByText('51 L')).toBeVisible();
    await dialog().getByRole('button', { name: 'Add the tank' }).click();
    await expect(dialog()).toBeHidden();
  }
  await expect(page.getByRole('link', { name: 'A2: empty' })).toBeVisible();
});

test('sets a tank up and follows it until it is ready: filled, fed, tested, and told why not until then', async () => {
  await page.getByRole('button', { name: 'Add a tank' }).click();
  await dialog().getByLabel('Code').fill('A9');
  for (const [label, value] of [
    ['Length, cm', '40'],
    ['Width, cm', '25'],
    ['Height, cm', '30'],
    ['Water, cm', '25'],
  ] as const)
    await dialog().getByLabel(label).fill(value);
  await dialog().getByLabel('It', { exact: true }).selectOption('setUp');
  await dialog().getByRole('button', { name: 'Add the tank' }).click();
  await expect(dialog()).toBeHidden();
  await openTank(page, 'A9');
  await expect(page.getByText('Fill it, start the filter and log "filled".')).toBeVisible();
  const logEvent = async (kind: string, daysAgo: number) => {
    await page.getByRole('button', { name: 'Something else, or earlier' }).click();
    await dialog().getByLabel('What was done').selectOption(kind);
    await dialog()
      .getByLabel('When')
      .fill(hoursAgo(24 * daysAgo));
    await dialog().getByRole('button', { name: 'Log it' }).click();
    await expect(dialog()).toBeHidden();
  };
  await logEvent('filled', 12);
  await expect(page.getByText('Ammonia has not been measured since it was filled.')).toBeVisible();
  for (const daysAgo of [12, 8, 4, 0]) await logEvent('fed', daysAgo);
  for (const [daysAgo, value] of [
    [8, '0'],
    [0, '0'],
  ] as const)
    for (const quantity of ['ammoniaPpm', 'nitritePpm']) {
      await page.getByRole('button', { name: 'Reading' }).click();
      await dialog().getByLabel('What', { exact: true }).selectOption(quantity);
      await dialog().getByLabel('Value, mg/L').fill(value);
      await dialog()
        .getByLabel('When')
        .fill(hoursAgo(24 * daysAgo));
      await dialog().getByRole('button', { name: 'Log the reading' }).click();
      await expect(dialog()).toBeHidden();
    }
  await expect(page.getByText('; you can stock it')).toBeVisible();
});

test('logs a temperature in Fahrenheit; an impossible one is refused at its field and nothing typed is lost', async () => {
  await openTank(page, 'A1');
  await page.getByRole('button', { name: 'Reading' }).click();
  await dialog().getByLabel('Value, °C').fill('900');
  await dialog().getByRole('button', { name: 'Log the reading' }).click();
  await expect(dialog().getByRole('alert')).toContainText('Temperature lies between 0 and 45 °C.');
  await expect(dialog().getByLabel('Value, °C')).toHaveValue('900');
  await dialog().getByLabel('Value, °C').fill('75.2F');
  await dialog().getByLabel('When').fill(hoursAgo(20));
  await dialog().getByRole('button', { name: 'Log the reading' }).click();
  await expect(page.getByText('A1: Temperature 24 °C')).toBeVisible();
});

test('records broodstock and moves part of it; more than there are is refused', async () => {
  await page.getByRole('button', { name: 'Record stock' }).click();
  await dialog().getByLabel('Species').selectOption('sixray-aspidoras');
  await expect(dialog().getByText('Pectoral spines')).toBeVisible();
  await dialog().getByLabel('Males', { exact: true }).fill('4');
  await dialog().getByLabel('Females').fill('5');
  await dialog().getByLabel('From whom').fill('Quayside Exchange');
  await dialog().getByLabel('When they came').fill(hoursAgo(30));
  await dialog().getByRole('button', { name: 'Record them' }).click();
  await expect(page.getByText('4 males, 5 females').first()).toBeVisible();
  await page.getByRole('button', { name: 'move or split' }).click();
  await dialog().getByLabel('Males', { exact: true }).fill('7');
  await dialog().getByLabel('Females').fill('2');
  await dialog().getByLabel('To tank').selectOption({ label: 'A2: empty' });
  await expect(dialog().getByText('Float', { exact: false }).first()).toBeVisible();
  await dialog().getByRole('button', { name: 'Move them' }).click();
  await expect(dialog().getByRole('alert')).toHaveText('Only 4 males are there, not 7.');
  await dialog().getByLabel('Males', { exact: true }).fill('1');
  await dialog().getByRole('button', { name: 'Move them' }).click();
  await expect(page.getByText('3 males, 3 females').first()).toBeVisible();
  await goTo(page, 'Stock');
  await expect(page.getByText('9 came in: 0 left + 9 live')).toBeVisible();
});

test('starts an attempt; a second one in the same tank asks for a reason', async () => {
  await goTo(page, 'Spawns');
  await page.getByRole('link', { name: 'Plan a spawning' }).first().click();
  await page.getByLabel('Species').selectOption('sixray-aspidoras');
  await expect(page.getByText('Hatch after')).toBeVisible();
  await page.getByLabel('Spawning tank').selectOption({ label: 'A1' });
  await page.getByText('Set up already').click();
  await page.getByLabel('Name of the spawning').fill('Rain 1');
  await page.getByLabel('Trigger', { exact: true }).selectOption('coolChange');
  await page.getByRole('button', { name: 'Save the spawning' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Rain 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Trigger' }).click();
  await dialog().getByLabel('What was done').fill('half changed with rain, 5 °C cooler');
  await dialog().getByLabel('When').fill(hoursAgo(14));
  await dialog().getByRole('button', { name: 'Log the trigger' }).click();
  await expect(page.getByText('half changed with rain, 5 °C cooler')).toBeVisible();

  await goTo(page, 'Spawns');
  await page.getByRole('link', { name: 'Plan a spawning' }).first().click();
  await page.getByLabel('Species').selectOption('sixray-aspidoras');
  await page.getByText('Set up already').click();
  await page.getByLabel('Spawning tank').selectOption({ label: 'A1: Rain 1' });
  await page.getByRole('button', { name: 'Save the spawning' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'The tank is booked' })).toContainText('Rain 1 holds A1');
  await expect(page.getByLabel('Why anyway?')).toBeVisible();
  await page.goBack();
});

test('logs eggs seen and gets the windows at once, each with its why', async () => {
  await page
    .getByRole('link', { name: /Rain 1/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Eggs seen' }).click();
  await dialog().getByLabel('Eggs').fill('120');
  await dialog().getByLabel('Of these white').fill('130');
  await dialog().getByLabel('Laid: not before').fill(hoursAgo(12));
  await dialog().getByLabel('Laid: not after').fill(hoursAgo(4));
  await dialog().getByRole('button', { name: 'Log the eggs' }).click();
  await expect(dialog().getByRole('alert')).toHaveText('No more white eggs than eggs.');
  await dialog().getByLabel('Of these white').fill('18');
  await dialog().getByRole('button', { name: 'Log the eggs' }).click();
  await expect(page.getByRole('slider', { name: /120 at first, 102 alive now/ })).toBeVisible();
  for (const stage of ['Hatch', 'End of yolk', 'Free-swimming', 'First feed']) await expect(windowOf(stage)).toBeVisible();
  await page.getByRole('button', { name: 'Why: Hatch' }).click();
  await expect(page.getByText('3 – 4.5 days at 24 °C')).toBeVisible();
  // The source is a page of the application, at its entry.
  await page.getByRole('link', { name: 'stage times' }).click();
  await expect(page.getByRole('heading', { name: 'Stage times' })).toBeInViewport();
  await page.goBack();
});

test('sees the hatch move when a warmer reading is jotted', async () => {
  const before = await windowOf('Hatch').innerText();
  await page.keyboard.press('/');
  await page.keyboard.type('A1 29.5');
  await expect(page.getByText('reads as A1: temperature 29.5 °C')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect.poll(() => windowOf('Hatch').innerText()).not.toBe(before);
  await expect(page.getByText('A1: temperature 29.5 °C').first()).toBeVisible();
});

test('is told which culture to start by when, starts it and sees it ripen', async () => {
  await goTo(page, 'Larder');
  await expect(page.getByText('for Sixray aspidoras in A1', { exact: true })).toBeVisible();
  await page
    .getByRole('button', { name: /^Start (today|by)/ })
    .first()
    .click();
  await dialog().getByRole('button', { name: 'Start it' }).click();
  await expect(page.getByText('Microworms 1', { exact: true })).toBeVisible();
  await page.getByRole('navigation', { name: 'Larder' }).getByRole('link', { name: 'Cultures' }).click();
  await page.getByRole('button', { name: 'Ripe', exact: true }).click();
  await expect(page.getByText(/seen ripe/)).toBeVisible();
});

test('walks the round: done, undo, amount, skip, and tomorrow by one key', async () => {
  await goTo(page, 'Rounds');
  // The walk that was last seen stands there until today's has come: what is aimed at may still move.
  await page.waitForLoadState('networkidle');
  const pellets = page.getByRole('checkbox', { name: /^A2: / }).first();
  await pellets.click();
  await expect(pellets).toBeChecked();
  // The box is ticked before it is logged: its own message says when it is.
  await page
    .getByRole('listitem')
    .filter({ hasText: /A2: Feed .*done/ })
    .getByRole('button', { name: 'Undo' })
    .click();
  await expect(pellets).not.toBeChecked();
  await page.getByRole('button', { name: /Pick white eggs: change the amount/ }).click();
  await page.getByLabel('White eggs picked').fill('4');
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('checkbox', { name: /A1: Pick white eggs/ })).toBeChecked();
  await page.getByRole('button', { name: /A1: skip Take the eggs out into an egg box/ }).click();
  await expect(page.getByText('skipped by')).toBeVisible();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('as it looks today');
  await page.keyboard.press('1');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('walk');
});

test('counts, splits and loses young; the account still adds up, and all is there after a reload', async () => {
  await goTo(page, 'Broods');
  await page.getByRole('link', { name: /Rain 1/ }).click();
  await page.getByRole('button', { name: 'Hatched' }).click();
  await dialog().getByLabel('Counted').fill('90');
  await dialog().getByRole('button', { name: 'Log it' }).click();
  // Laid this night and hatched already: that cannot be, and asks why.
  await expect(dialog().getByRole('alert').filter({ hasText: 'That hatch looks wrong' })).toBeVisible();
  await expect(dialog().getByLabel('Counted')).toHaveValue('90');
  await dialog().getByLabel('Why anyway?').fill('they were laid days before they were found');
  await dialog().getByRole('button', { name: 'Log it anyway' }).click();
  await expect(page.getByText('Lost before hatching')).toBeVisible();
  await page.getByRole('button', { name: 'Split' }).click();
  await dialog().getByLabel('Unsexed').fill('40');
  await dialog().getByLabel('To tank').selectOption({ label: 'A2: Sixray aspidoras' });
  await expect(dialog().getByText(/once mixed, nobody can tell/)).toBeVisible();
  await dialog().getByRole('button', { name: 'Move them' }).click();
  await expect(page.getByRole('slider', { name: /90 alive now, in 2 tanks/ })).toBeVisible();
  await page.getByRole('button', { name: 'Loss' }).click();
  await dialog().getByLabel('Unsexed').fill('2');
  await dialog().getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByRole('slider', { name: /88 alive now/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('slider', { name: /88 alive now, in 2 tanks/ })).toBeVisible();
  const ledger = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Headcount' }) });
  const numbers = (await ledger.locator('.font-mono').allInnerTexts()).map((text) => Number(text.replace('− ', '-')));
  expect(numbers.slice(0, -1).reduce((sum, count) => sum + count, 0)).toBe(numbers.at(-1));
});
