import { expect, test, type Page } from '@playwright/test';
import { enter, goTo } from '../app/enter';

const dialog = (page: Page) => page.getByRole('dialog');
const openGrowth = async (page: Page, brood: string) => {
  await goTo(page, 'Broods');
  await page.getByLabel('Find').fill(brood);
  await page
    .getByRole('link', { name: new RegExp(brood) })
    .first()
    .click();
  await page.getByRole('link', { name: 'How they grow' }).click();
  await expect(page.getByRole('heading', { level: 1, name: `Growth of ${brood}` })).toBeVisible();
};
const undo = async (page: Page) => page.getByRole('button', { name: 'Undo' }).first().click();

test('ten fish are measured, and the page says when they can be sold and where they go next', async ({ page }) => {
  await enter(page);
  await openGrowth(page, 'Goodeids 5');
  await expect(page.getByText('estimated from the species: not measured yet')).toBeVisible();
  await page.getByRole('button', { name: 'Measure' }).click();
  await dialog(page).getByRole('textbox', { name: 'Lengths, mm' }).fill('24 25 ab');
  await dialog(page).getByRole('button', { name: 'Log the lengths' }).click();
  await expect(
    dialog(page)
      .getByText('"ab" isn’t a length in mm. Enter one between 1 and 400.')
      .or(dialog(page).getByText(/no length in mm/))
      .first(),
  ).toBeVisible();
  await dialog(page).getByRole('textbox', { name: 'Lengths, mm' }).fill('24 25 26 24,5 25 26 24 25 25 26');
  await expect(dialog(page).getByText('10 of 25.1 mm on average')).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Log the lengths' }).click();
  await expect(page.getByText('estimated from the species')).toHaveCount(0);
  const sale = page.getByRole('row', { name: /^Sale/ });
  await expect(sale).toContainText(/(Nov|Dec|Jan)/);
  await expect(page.getByText(/^One sample|days ahead of what is usual/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Goodeids 5: about 2\d mm.*one sample/ })).toBeVisible();
  await page.getByRole('radio', { name: 'Fast start, then bending' }).click();
  await expect(page.getByText(/mm off what was measured/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'the plan of places' })).toBeVisible();
  await undo(page);
  await expect(page.getByText('estimated from the species')).toBeVisible();
});

test('a stunted brood is told as such, with what the records show beside it', async ({ page }) => {
  await enter(page);
  await openGrowth(page, 'Angels 8');
  await expect(page.getByText(/days behind what is usual/)).toBeVisible();
  await expect(page.getByText(/A2\.5 is \d+ % full\. Crowding stunts fish/)).toBeVisible();
});

test('the plan of places is wished, fixed, taken, and dropped again', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Growth');
  const plan = page.getByRole('region', { name: 'Where they go' });
  await expect(plan.getByText(/without a tank|a tank for all/)).toBeVisible();
  const fill = page.getByRole('region', { name: 'How tanks fill' });
  await expect(fill.getByRole('listitem').first()).toContainText('too full');
  await expect(plan.getByText('12 Lemon tetra 19, B1.2 to B3.4')).toBeVisible();
  // A wish that is let go may find more a place, and never fewer.
  const without = async () =>
    Number(/(\d+) without a tank/.exec((await plan.getByRole('heading').first().textContent()) ?? '')?.[1] ?? 0);
  const before = await without();
  await plan.getByRole('checkbox', { name: /^keep families apart/ }).click();
  await expect(plan.getByRole('checkbox', { name: /^keep families apart, not chosen/ })).not.toBeChecked();
  expect(await without()).toBeLessThanOrEqual(before);
  await plan.getByRole('checkbox', { name: /^keep families apart/ }).click();
  const row = plan.getByRole('listitem').filter({ hasText: 'Danio 4' });
  await expect(row).toContainText(/Dec/);
  await row.getByRole('button', { name: /^Why:/ }).click();
  await expect(page.getByText(/want .* of the .* left in|want .* of the .* in A/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await plan.getByRole('button', { name: /^Take (this move|these \d+ moves)$/ }).click();
  await expect(plan.getByText(/^\d+ Danio 4, A1\.5 to /)).toBeVisible();
  await undo(page);
  await expect(plan.getByText(/^\d+ Danio 4, A1\.5 to /)).toHaveCount(0);
});

test('young are sorted with a thumb on the phone; what does not add up is said, and nothing typed is lost', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await enter(page);
  const broods = await page.evaluate(
    async () => (await (await fetch('/api/broods')).json()) as { name: string; lots: { id: string; tankCode: string }[] }[],
  );
  const lot = broods.find(({ name }) => name === 'Vittatus 4')?.lots[0];
  await page.goto(`/growout/sort/${lot?.id ?? ''}`);
  await expect(page.getByText('0 of 23')).toBeVisible();
  const large = page.getByRole('button', { name: 'large: one more' });
  for (let i = 0; i < 3; i++) await large.click();
  await page.getByRole('button', { name: 'large: five more' }).click();
  await expect(page.getByText('8 of 23')).toBeVisible();
  await page.getByRole('textbox', { name: 'small, how many' }).fill('12');
  await page.getByRole('button', { name: 'Log the sorting' }).click();
  await expect(page.getByText('large: into which tank?')).toBeVisible();
  await page.getByLabel('Into').first().selectOption({ label: 'B3.4: empty' });
  await page.getByRole('button', { name: 'Log the sorting' }).click();
  await expect(page.getByText(/20 counted, 23 in the log: 3 are missing/)).toBeVisible();
  await page.getByLabel('The missing').selectOption({ label: 'eaten' });
  await page.getByRole('button', { name: 'Log the sorting' }).click();
  // The tank is not ready: the keeper may all the same, with a reason.
  await page.getByLabel('Why anyway?').fill('only until Saturday');
  await page.getByRole('button', { name: 'Log the sorting anyway' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Growth of Vittatus 4' })).toBeVisible();
  await undo(page);
});

test('a pond is counted by marks that are caught again, with the range that leaves', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Broods');
  await page.getByLabel('Find').fill('Paradise 2');
  await page
    .getByRole('link', { name: /Paradise 2/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Count', exact: true }).click();
  await dialog(page).getByRole('radio', { name: 'marking' }).click();
  await dialog(page).getByLabel('Marked and let go').fill('30');
  await dialog(page).getByLabel('Caught later').fill('40');
  await dialog(page).getByLabel('Of these with the mark').fill('45');
  await expect(dialog(page).getByText('More have the mark than you caught.')).toBeVisible();
  await dialog(page).getByLabel('Of these with the mark').fill('12');
  await expect(dialog(page).getByText(/^About 97, likely \d+ to \d+/)).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Take 97' }).click();
  await dialog(page).getByRole('button', { name: /^Log/ }).click();
  await expect(page.getByText(/Counted 97/)).toBeVisible();
  await undo(page);
});

test('young are looked at for faults, and the flow of their species tells it', async ({ page }) => {
  await enter(page);
  await openGrowth(page, 'Limia 10');
  await page.getByRole('button', { name: 'Look for faults' }).click();
  await dialog(page).getByLabel('Looked at').fill('900');
  await dialog(page).getByRole('button', { name: 'Log it' }).click();
  await expect(dialog(page).getByText(/^Only \d+ live in it/)).toBeVisible();
  await dialog(page).getByLabel('Looked at').fill('10');
  await dialog(page).getByLabel('bent spine').fill('1');
  await dialog(page).getByLabel('humane end').fill('1');
  await expect(dialog(page).getByText(/Freshet gives none/)).toBeVisible();
  await dialog(page).getByLabel('hold back as breeders').fill('12');
  await expect(dialog(page).getByText(/bred together, their fry are inbred by \d+ %/)).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Log it' }).click();
  await expect(dialog(page).getByText('More are decided than were looked at.')).toBeVisible();
  await dialog(page).getByLabel('hold back as breeders').fill('4');
  await dialog(page).getByRole('button', { name: 'Log it' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await page.goto('/growout/record/humpback-limia');
  await expect(page.getByText(/1 of 10/)).toBeVisible();
  await expect(page.getByText(/10 looked at, 4 hold back as breeders, 1 humane end/)).toBeVisible();
  await page.goto('/growout/record/ranchu-goldfish');
  await expect(page.getByText(/19 large of 46 mm, 34 middle of 37 mm/)).toBeVisible();
  await expect(page.getByText(/by-catch: 6 dragonfly larvae/)).toBeVisible();
  await page.goto('/growout/weeks');
  await expect(page.getByText(/^Short of tanks from/)).toBeVisible();
  await page.goto('/log');
  await page.getByRole('button', { name: /^Undo/ }).first().click();
});
