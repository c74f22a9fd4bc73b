import { expect, test, type Page } from '@playwright/test';
import { enter, goTo } from '../app/enter';

const dialog = (page: Page) => page.getByRole('dialog');

test('an egg box is set up in a tank, hung elsewhere, told apart from tanks, and put away', async ({ page }) => {
  await enter(page, 'keeper', '/room');
  await page.getByRole('button', { name: 'Set up a box, bag or jar' }).click();
  await dialog(page).getByLabel('Code').fill('E7');
  // Neither litres nor a place: each is said at its field, and what was typed stays.
  await dialog(page).getByRole('button', { name: 'Set it up' }).click();
  await expect(dialog(page).getByLabel('Code')).toHaveValue('E7');
  await expect(dialog(page).getByLabel('Water in it')).toHaveAttribute('aria-invalid', 'true');
  await dialog(page).getByLabel('Water in it').fill('25');
  await dialog(page).getByLabel('It hangs in').selectOption('B2.3');
  await expect(dialog(page).getByLabel('Where is it?')).toHaveCount(0);
  await dialog(page).getByRole('button', { name: 'Set it up' }).click();
  await expect(dialog(page).getByText('An egg box holds 0.1 to 20 L.')).toBeVisible();
  await dialog(page).getByLabel('Water in it').fill('2');
  await dialog(page).getByRole('button', { name: 'Set it up' }).click();
  const box = page.getByRole('link', { name: 'E7 egg box in B2.3, 2 L: empty' });
  await expect(box).toBeVisible();

  // It is a choice where eggs go, and none for a spawning.
  await goTo(page, 'Broods');
  await page
    .getByRole('link', { name: /Aspidoras \d/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Keep the eggs another way' }).first().click();
  await expect(dialog(page).getByLabel('Move them into').getByRole('option', { name: 'E7: egg box in B2.3, empty' })).toHaveCount(
    1,
  );
  await page.keyboard.press('Escape');
  await page.goto('/spawns/new');
  await expect(page.getByLabel('Spawning tank').getByRole('option', { name: /^E7/ })).toHaveCount(0);

  await page.goto('/room');
  await box.click();
  await expect(page.getByRole('heading', { level: 1, name: 'E7' })).toBeVisible();
  await expect(page.getByText(/as its tank/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Plan a spawning' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Move or rename it' }).click();
  await dialog(page).getByLabel('It hangs in').selectOption('');
  await dialog(page).getByRole('button', { name: 'Save' }).click();
  await expect(dialog(page).getByText('Where is it?').last()).toBeVisible();
  await dialog(page).getByLabel('Where is it?').fill('window sill');
  await dialog(page).getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('egg box, window sill')).toBeVisible();
  await page.getByRole('button', { name: 'Put it away' }).click();
  await expect(page).toHaveURL(/\/room$/);
  await expect(page.getByRole('link', { name: /^E7/ })).toHaveCount(0);
});
