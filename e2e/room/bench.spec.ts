import { expect, test } from '@playwright/test';
import { enter } from '../app/enter';

test('sums come to a result while typing, explain themselves, and say what is wrong where it is wrong', async ({ page }) => {
  await enter(page, 'keeper', '/bench');
  await page.getByLabel('Sum').selectOption('water.dose');
  await page.getByLabel('Tank, L').fill('54');
  await page.getByLabel('Target, mg/L').fill('0.5');
  await page.getByLabel('Stock strength, % w/v').fill('1');
  await page.getByLabel('Tank, L').fill('14.265 gal');
  await expect(page.getByText('2.7 ml')).toBeVisible();
  await expect(page.getByText('2.7 ml')).toBeVisible();
  await page.getByRole('button', { name: /^Why: Dose/ }).click();
  await expect(page.getByText('1 % w/v is 10 mg/mL.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByLabel('Tank, L').fill('-4');
  await expect(page.getByRole('alert')).toBeVisible();
  await page.getByLabel('Tank, L').fill('much');
  await expect(page.getByRole('alert')).toHaveText('"much" is not a number with a unit.');
});
