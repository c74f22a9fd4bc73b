import { expect, test, type Page } from '@playwright/test';
import { enter, goTo } from '../app/enter';

const dialog = (page: Page) => page.getByRole('dialog');
const open = async (page: Page, name: RegExp) => {
  await goTo(page, 'Broods');
  await page.getByRole('link', { name }).click();
};

test('a guard that kicks eggs out: the rest is pulled to a tumbler in two taps, with what it needs, and goes back', async ({
  page,
}) => {
  await enter(page);
  await open(page, /Whiptail 5/);
  await page.getByRole('button', { name: 'Look through the eggs' }).click();
  for (let i = 0; i < 3; i++) await dialog(page).getByRole('button', { name: 'Kicked out: one more' }).click();
  await dialog(page).getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByText('3 kicked out. What now?')).toBeVisible();
  await page.getByRole('button', { name: 'Pull the rest to a tumbler' }).click();
  await expect(dialog(page).getByLabel('The eggs')).toHaveValue('tumbler');
  await expect(dialog(page).getByLabel('Why')).toHaveValue('3 kicked out');
  await expect(dialog(page).getByText('A stopped pump kills the clutch in hours')).toBeVisible();
  // Dye without its strength is refused at its field; nothing typed is lost.
  await dialog(page).getByLabel('Against fungus').selectOption('dye');
  await dialog(page).getByLabel('Dye, mg/L').fill('');
  await dialog(page).getByRole('button', { name: 'Keep them this way from now on' }).click();
  await expect(dialog(page).getByText('How strong? Read the label of the dye.')).toBeVisible();
  await expect(dialog(page).getByLabel('Why')).toHaveValue('3 kicked out');
  await dialog(page).getByLabel('Against fungus').selectOption('flow');
  await dialog(page).getByLabel('Move them into').selectOption({ label: 'C1.1: empty' });
  await dialog(page).getByRole('button', { name: 'Keep them this way from now on' }).click();
  await expect(page.getByText('What now?')).toHaveCount(0);
  await expect(page.getByText('Tumbler; flow and cleanliness alone')).toBeVisible();
  await expect(page.getByRole('link', { name: 'C1.1' }).last()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('3 kicked out. What now?')).toBeVisible();
});

test('a daily layer’s mop: what was picked joins the batch with a hatch of its own', async ({ page }) => {
  await enter(page);
  await open(page, /Forktails 7/);
  await expect(page.getByRole('heading', { name: 'Batch of 5 days' })).toBeVisible();
  const eggs = page.getByText(/^\d+ eggs, /);
  const before = Number((await eggs.innerText()).split(' ')[0]);
  await page.getByRole('button', { name: 'Eggs picked' }).click();
  await dialog(page).getByLabel('Eggs', { exact: true }).fill('-3');
  await dialog(page).getByRole('button', { name: 'Log the eggs' }).click();
  await expect(dialog(page).getByRole('alert')).toBeVisible();
  await dialog(page).getByLabel('Eggs', { exact: true }).fill('4');
  await dialog(page).getByRole('button', { name: 'Log the eggs' }).click();
  await expect(eggs).toHaveText(new RegExp(`^${before + 4} eggs, `));
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(eggs).toHaveText(new RegExp(`^${before} eggs, `));
});

test('a bag of peat: its label and day, wetted, looked through, the rest bagged again', async ({ page }) => {
  await enter(page);
  await open(page, /Beira peat 4/);
  await expect(page.getByRole('heading', { name: 'Bag N3' })).toBeVisible();
  await page.getByRole('button', { name: 'Change the bag' }).click();
  const day = dialog(page).getByLabel('To be wetted on');
  await day.fill('1 Dec');
  await day.press('Tab');
  await expect(dialog(page).getByText(/most would drown in the egg/)).toBeVisible();
  await dialog(page).getByLabel('Where it lies').fill(' ');
  await dialog(page).getByRole('button', { name: 'Log the bag' }).click();
  await expect(dialog(page).getByText('Where is it?')).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Wetted' }).click();
  await dialog(page).getByRole('button', { name: 'Log the wetting' }).click();
  await expect(dialog(page).getByRole('alert')).toBeVisible();
  await dialog(page).getByLabel('Into which tank or bowl?').selectOption({ label: 'A1.7: empty' });
  await dialog(page).getByRole('button', { name: 'Log the wetting' }).click();
  await expect(page.getByRole('heading', { name: 'Bag N3, wetted' })).toBeVisible();

  await page.getByRole('button', { name: 'Log who hatched' }).click();
  await dialog(page).getByLabel('Hatched').fill('900');
  await dialog(page).getByRole('button', { name: 'Log the hatch' }).click();
  await expect(dialog(page).getByText(/eggs are booked there/)).toBeVisible();
  await dialog(page).getByLabel('Hatched').fill('22');
  await expect(dialog(page).getByLabel('The other 38')).toHaveValue('again');
  await dialog(page).getByLabel('Written on the new bag').fill('A1.7');
  await dialog(page).getByRole('button', { name: 'Log the hatch' }).click();
  await expect(dialog(page).getByText('A1.7 is taken; choose another code.')).toBeVisible();
  await dialog(page).getByLabel('Written on the new bag').fill('N4');
  await dialog(page).getByRole('button', { name: 'Log the hatch' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await goTo(page, 'Room');
  await expect(
    page.getByRole('link', { name: /^N4 bag of peat, tea tin, linen shelf.*: Rachow's nothobranch, 38$/ }),
  ).toBeVisible();
  // Its bag is empty and gone.
  await expect(page.getByRole('link', { name: /^N3 bag/ })).toHaveCount(0);
  await page.goto('/log');
  for (const what of [/22 hatched, 38 back into damp peat \(N4\)/, /bag N3 wetted in A1.7/]) {
    const row = page.getByRole('listitem').filter({ hasText: what }).first();
    await row.getByRole('button', { name: /undo/i }).click();
    await expect(page.getByText('Undone').first()).toBeVisible();
  }
  await goTo(page, 'Room');
  await expect(page.getByRole('link', { name: /^N3 bag of peat.*: Rachow's nothobranch, 60$/ })).toBeVisible();
});

test('broods are narrowed, sorted and zoomed, by keys alone; a stream is read day by day', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Broods');
  await page.getByLabel('Find').fill('whip');
  await expect(page.getByRole('link', { name: /Whiptail 5/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /Lambchop/ })).toHaveCount(0);
  await page.getByLabel('Find').fill('zzz');
  await expect(page.getByText('None match')).toBeVisible();
  await page.getByRole('link', { name: 'Show all' }).click();
  await page.getByLabel('Sort by').selectOption('species');
  await page.getByRole('radio', { name: 'All', exact: true }).click();
  await expect(page).toHaveURL(/zoom=all/);
  const rows = page.getByRole('main').getByRole('listitem').getByRole('link');
  const first = await rows.first().innerText();
  await rows.first().focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText(first.split('\n')[1] ?? '');
  const stream = page.getByRole('slider');
  await stream.focus();
  await stream.press('PageDown');
  await expect(stream).toHaveAttribute('aria-valuetext', /day \d+: about \d+ \(\d+ to \d+\) in /);
  await stream.press('Home');
});

test('livebearers stand below the carriers with what is due, and a birth is logged there', async ({ page }) => {
  await enter(page);
  await page.goto('/broods/carriers');
  const row = page.getByRole('listitem').filter({ hasText: 'Butterfly goodeid' });
  await expect(row.getByText(/due, by the warmth of their tank/)).toBeVisible();
  await row.getByRole('button', { name: 'Young born' }).click();
  await dialog(page).getByLabel('Young', { exact: true }).fill('9');
  await dialog(page).getByRole('button', { name: 'Log the birth' }).click();
  await expect(row.getByRole('link', { name: /^9 on / })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(row.getByRole('link', { name: /^9 on / })).toHaveCount(0);
});
