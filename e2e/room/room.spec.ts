import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { enter, goTo, openTank } from '../app/enter';

const tankLink = (page: Page, code: string) => page.getByRole('link', { name: new RegExp(`^${code.replace('.', '\\.')}:`) });
const dialog = (page: Page) => page.getByRole('dialog');
const undo = async (page: Page) => {
  // The message's own; rows of the log are called "Undo: …", and an older one of them may stand first.
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByText('Undone').first()).toBeVisible();
};

async function drag(page: Page, from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 12, from.y + 4, { steps: 3 });
  await page.mouse.move(to.x, to.y, { steps: 8 });
}
async function middle(page: Page, code: string): Promise<{ x: number; y: number }> {
  const box = await tankLink(page, code).boundingBox();
  if (!box) throw new Error(code);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

test('overlays say of every tank how it stands, with a legend, and a tank opens by its place', async ({ page }) => {
  await enter(page, 'keeper', '/room');
  await expect(page.getByText('dashed: empty; red corner: quarantine')).toBeVisible();
  await page.getByRole('radio', { name: 'Readiness' }).click();
  for (const [code, state] of [
    ['B3.4', 'cycling'],
    ['B1.1', 'resting'],
    ['A1.7', 'empty'],
    ['Q3', 'disinfected'],
    ['C1.3', 'in use'],
    ['C1.1', 'being set up'],
    ['A3.1', 'in use'],
  ] as const)
    await expect(tankLink(page, code)).toHaveAccessibleName(new RegExp(`, ${state}$`));
  await page.getByRole('radio', { name: 'Nitrate' }).click();
  await expect(page.getByText('under 10 mg/L')).toBeVisible();
  await expect(tankLink(page, 'A3.4')).toHaveAccessibleName(/, \d+$/);
  await tankLink(page, 'A3.4').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'A3.4' })).toBeVisible();
});

test('animals dragged onto another tank open a transfer sheet that compares both waters, and go when sent', async ({ page }) => {
  await enter(page, 'keeper', '/room');
  await expect(tankLink(page, 'A1.4')).toBeVisible();
  await drag(page, await middle(page, 'A1.4'), await middle(page, 'B2.4'));
  await expect(page.getByText('Lemon tetra of A1.4 to B2.4').last()).toBeVisible();
  await page.mouse.up();
  await expect(dialog(page).getByText('Transfer sheet')).toBeVisible();
  await expect(dialog(page).getByRole('row', { name: /^TDS differs 2\d\d ppm \d+ ppm$/ })).toBeVisible();
  await expect(dialog(page).getByText(/drip .* until there are/)).toBeVisible();
  await expect(dialog(page).getByText(/Forktail blue-eye of about .* would eat lemon tetra/)).toBeVisible();
  await dialog(page).getByLabel('Water in the bag, L').fill('none');
  await expect(dialog(page).getByText('Above 0, at most 1000 L.')).toBeVisible();
  await dialog(page).getByLabel('Water in the bag, L').fill('2');
  const download = page.waitForEvent('download');
  await dialog(page).getByRole('button', { name: 'Run sheet to print' }).click();
  const file = await (await download).path();
  expect(readFileSync(file).subarray(0, 5).toString()).toBe('%PDF-');
  await dialog(page).getByLabel('Unsexed').fill('900');
  await dialog(page).getByRole('button', { name: 'Move them' }).click();
  await expect(dialog(page).getByRole('alert').first()).toContainText('Only');
  await dialog(page).getByLabel('Unsexed').fill('5');
  await dialog(page).getByRole('button', { name: 'Move them' }).click();
  await expect(dialog(page)).toBeHidden();
  await expect(tankLink(page, 'B2.4')).toHaveAccessibleName(/Lemon tetra/);
  await undo(page);
  await expect(tankLink(page, 'B2.4')).not.toHaveAccessibleName(/Lemon tetra/);
});

test('by the keys alone animals are picked up and sent to the next tank', async ({ page }) => {
  await enter(page, 'sitter', '/room');
  // Who lives there comes a moment after the racks; before that there is nobody to pick up.
  await expect(tankLink(page, 'A2.1')).toHaveAccessibleName(/Telmatochromis/);
  await tankLink(page, 'A2.1').focus();
  const spoken = page.locator('[aria-live="assertive"]').filter({ hasText: 'A2.1' });
  const press = async (key: string, said: RegExp) => {
    await page.keyboard.press(key);
    await expect(spoken.filter({ hasText: said }).first()).toBeAttached();
  };
  await press('Space', /Picked up A2\.1/);
  await press('ArrowRight', /Telmatochromis vittatus of A2\.1 to A2\.2/);
  await press('Escape', /stays where it was/);
  await press('Space', /Picked up A2\.1/);
  await press('ArrowDown', /Telmatochromis vittatus of A2\.1 to A3\.1/);
  await page.keyboard.press('Space');
  await expect(dialog(page).getByText('Transfer sheet')).toBeVisible();
  await expect(dialog(page).getByLabel('To tank')).not.toHaveValue('');
  await page.keyboard.press('Escape');
});

test('a tank dragged to a free place stands there; where another stands it is refused with its name; undo brings it back', async ({
  page,
}) => {
  await enter(page, 'keeper', '/room');
  await page.getByRole('checkbox', { name: 'Drag tanks, not animals' }).check();
  const from = await middle(page, 'C2.3');
  const other = await middle(page, 'C2.1');
  await drag(page, from, other);
  await expect(page.getByText('C2.1 stands there already.').last()).toBeVisible();
  await page.mouse.up();
  await expect(dialog(page).getByText('C2.1 stands there already.')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Move the tank' }).click();
  await expect(dialog(page).getByRole('alert')).toHaveText('C2.1 stands there already.');
  await page.keyboard.press('Escape');
  await drag(page, from, { x: from.x + 24, y: from.y });
  await page.mouse.up();
  await expect(page.getByText(/^C2\.3 moved to \d+ cm$/)).toBeVisible();
  await expect.poll(async () => (await middle(page, 'C2.3')).x - from.x).toBeGreaterThan(15);
  await undo(page);
  await expect.poll(async () => Math.abs((await middle(page, 'C2.3')).x - from.x)).toBeLessThan(1);
});

test('labels are a PDF', async ({ page }) => {
  await enter(page, 'keeper', '/room');
  await page.getByRole('button', { name: 'Labels' }).click();
  await expect(dialog(page).getByText('42 labels')).toBeVisible();
  const download = page.waitForEvent('download');
  await dialog(page).getByRole('button', { name: 'Make the labels' }).click();
  expect(
    readFileSync(await (await download).path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('a tank page says why it is not ready, logs a change and a death in two taps each, and doubts a reading', async ({
  page,
}) => {
  await enter(page);
  await openTank(page, 'B3.4');
  await expect(page.getByText(/Nitrite was 0\.7 mg\/L on its last test/)).toBeVisible();
  await expect(page.getByText(/Expected ready .* from how fast the readings fall/)).toBeVisible();
  await page.getByRole('button', { name: 'Filter fed', exact: true }).click();
  await expect(page.getByText('B3.4: filter fed').first()).toBeVisible();
  await undo(page);
  await openTank(page, 'B2.2');
  await expect(page.getByText(/pH: 7\.9 ± 0\.5 by strip and 6\.4 ± .* can’t both be right/)).toBeVisible();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await dialog(page).getByRole('button', { name: 'Log the change' }).click();
  await expect(page.getByText(/^B2\.2: 8\.\d L changed with Rain butt/)).toBeVisible();
  await undo(page);
  await page.getByRole('button', { name: 'Found dead' }).click();
  await dialog(page).getByRole('button', { name: 'One female' }).first().click();
  await expect(page.getByText('B2.2: one sixray aspidoras dead')).toBeVisible();
  await undo(page);
  await page.getByRole('button', { name: 'change it' }).click();
  await dialog(page).getByLabel('Change, %').fill('lots');
  await dialog(page).getByRole('button', { name: 'Save the routine' }).click();
  await expect(dialog(page).getByText('Give a number.')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Half daily' }).click();
  await dialog(page).getByRole('button', { name: 'Save the routine' }).click();
  await expect(page.getByText('50 % every day').first()).toBeVisible();
  await undo(page);
});

test('a sum opened from the field that needs it starts from the tank and carries its result there', async ({ page }) => {
  await enter(page);
  await openTank(page, 'B2.2');
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await dialog(page).getByRole('button', { name: 'How much, to reach a temperature?' }).click();
  await expect(dialog(page).getByLabel('Tank now, °C')).toHaveValue(/^23\.\d$|^24$/);
  await dialog(page).getByLabel('New water, °C').fill('54F');
  await dialog(page).getByLabel('Wanted, °C').fill('21');
  await dialog(page).getByRole('button', { name: 'Use this amount' }).click();
  await expect(dialog(page).getByLabel('Changed, L')).toHaveValue(/^[5-9]\.?\d* L$/);
  await expect(dialog(page).getByLabel('New water at')).toHaveValue('12.2 °C');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Work out' }).click();
  await page.getByRole('combobox', { name: 'New water' }).selectOption('Tap');
  await page.getByLabel('Wanted, °C').fill('20');
  await page.getByRole('button', { name: 'Log this change' }).click();
  await expect(dialog(page).getByLabel('New water at')).toHaveValue('11 °C');
  await page.keyboard.press('Escape');
  await page.getByLabel('Wanted, °C').fill('5');
  await expect(page.getByRole('alert')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Log this change' })).toBeDisabled();
});

test('exposure shows where illness may be, by what path, and who has left; the other way round too', async ({ page }) => {
  await enter(page, 'keeper', '/room');
  await page.getByRole('link', { name: 'Exposure' }).click();
  await expect(page.getByText(/Illness in C2\.3: \d+ other tanks could have it, 2 animals have left/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'A3.1: exposed' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'shared sump' }).uncheck();
  await page.getByRole('checkbox', { name: 'drips from above' }).uncheck();
  await expect(page.getByRole('link', { name: 'A3.1: not exposed' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'C2.2: exposed' })).toBeVisible();
  await page.getByRole('radio', { name: 'Where it could come from' }).click();
  await expect(page.getByRole('heading', { name: 'Could be the source' })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Q2' }).first()).toContainText('water carried');
  await page.getByLabel('Days looked back').fill('x');
  await expect(page.getByText('Whole days, 0 to 365.')).toBeVisible();
});

test('waters keep their seasons, instruments their dates, probes their faults', async ({ page }) => {
  await enter(page, 'keeper', '/room');
  await page.getByRole('link', { name: 'Waters' }).click();
  const tap = page.getByRole('row', { name: /^Tap / });
  await expect(tap).toContainText('340');
  await page.getByRole('radio', { name: 'Mean of this season' }).click();
  await expect(tap).not.toContainText('340');
  await tap.getByRole('button', { name: 'analysis' }).click();
  await dialog(page).getByLabel('pH').fill('17');
  await dialog(page).getByRole('button', { name: 'Log the analysis' }).click();
  await expect(dialog(page).getByText('pH is 3 to 11.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText(/calibration was due/)).toBeVisible();
  await page.getByRole('button', { name: 'Calibrated now' }).first().click();
  await expect(page.getByText(/calibration was due/)).toBeHidden();
  await undo(page);
  await goTo(page, 'Room');
  await page.getByRole('link', { name: 'Probes' }).click();
  await expect(page.getByRole('row', { name: /Probe B3\.1.*does not move/ })).toBeVisible();
  await page
    .getByRole('row', { name: /Probe A1\.1/ })
    .getByRole('button', { name: 'set up' })
    .click();
  await expect(dialog(page).getByText(/^freshet\/probes\/[0-9a-f-]{36}\/readings$/)).toBeVisible();
  await dialog(page).getByRole('button', { name: 'stuck', exact: true }).click();
  await expect(dialog(page).getByRole('alert')).toContainText('No broker is connected');
});
