import { expect, test } from '@playwright/test';
import { enter, goTo, openTank } from '../app/enter';

test('a lot is found by species, tank, line or seller, and moved from the list', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Stock');
  await page.getByLabel('Find').fill('heron');
  await expect(page.getByRole('row', { name: /Angelfish A3\.1.*Heron/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Yabby/ })).toHaveCount(0);
  await page.getByLabel('Find').fill('no such thing');
  await expect(page.getByText('Nothing matches “no such thing”.')).toBeVisible();
  await page.getByLabel('Find').fill('amano');
  await page.getByRole('link', { name: 'Amano shrimp' }).click();
  await page.getByRole('button', { name: 'move or split' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Move them' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('Choose a tank.');
  await dialog.getByLabel('To tank').selectOption({ label: 'B3.2: Green babaulti' });
  await expect(dialog.getByRole('row', { name: /^Temperature .* °C/ })).toBeVisible();
  await dialog.getByLabel('Males', { exact: true }).fill('2');
  await dialog.getByLabel('Females').fill('half');
  await dialog.getByRole('button', { name: 'Move them' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('Give a whole number.');
  await dialog.getByLabel('Females').fill('');
  await dialog.getByRole('button', { name: 'Move them' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText('4 males, 9 females').first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('6 males, 9 females').first()).toBeVisible();
});

test('crayfish carry their warning about the law where they are recorded', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Stock');
  await page.getByRole('button', { name: 'Record stock' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Species').selectOption('yabby');
  await expect(dialog.getByText(/need a licence or are banned/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Record them' }).click();
  await expect(dialog.getByText('Choose a tank.')).toBeVisible();
  await expect(dialog.getByText('At least one animal.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
});

test('a tank shows who lives in it, its water and its log; a loss is logged by sex in two taps', async ({ page }) => {
  await enter(page);
  await openTank(page, 'Q4');
  await expect(page.getByText('1 male, 3 females').first()).toBeVisible();
  await expect(page.getByText(/weeks; shaded:/)).toBeVisible();
  await page.getByRole('button', { name: 'loss' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Females').fill('1');
  await dialog.getByLabel('What happened to them?').selectOption('cull');
  await expect(dialog.getByText('Only by a method your local authority or vet accepts')).toBeVisible();
  await dialog.getByLabel('What happened to them?').selectOption('death');
  await dialog.getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByText('1 male, 2 females').first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('1 male, 3 females').first()).toBeVisible();
});

test('a species of one’s own starts from its method and can be stocked at once', async ({ page }) => {
  await enter(page, 'keeper', '/species');
  await page.getByRole('button', { name: 'A species of your own' }).click();
  await page.getByRole('button', { name: 'Make the species' }).click();
  await expect(page.getByRole('alert')).toHaveText('A name of at least two letters is needed.');
  await page.getByLabel('Name', { exact: true }).fill('Quay goby');
  await page.getByLabel('Breeding method').selectOption('caveMaleGuards');
  await page.getByRole('button', { name: 'Make the species' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Quay goby' })).toBeVisible();
  await expect(page.getByText('6 – 9 days at 26 °C')).toBeVisible();
  await goTo(page, 'Stock');
  await page.getByRole('button', { name: 'Record stock' }).click();
  await expect(page.getByRole('dialog').getByRole('option', { name: 'Quay goby' })).toHaveCount(1);
});
