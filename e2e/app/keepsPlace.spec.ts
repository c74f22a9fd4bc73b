import { expect, test } from '@playwright/test';
import { enter, goTo } from './enter';

test('Back finds the list as it was left, and each page has its title and begins at its top', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Stock');
  await page.getByLabel('Find').fill('amano');
  await page.getByRole('link', { name: 'Amano shrimp' }).click();
  await expect(page).toHaveTitle(/Amano shrimp/);
  await page.goBack();
  await expect(page.getByLabel('Find')).toHaveValue('amano');
  await expect(page.getByRole('row', { name: /Yabby/ })).toHaveCount(0);
  await goTo(page, 'Rounds');
  await expect(page.getByRole('heading', { level: 1, name: /walk/ })).toBeVisible();
  await page.keyboard.press('2');
  await expect(page.getByRole('heading', { level: 1, name: /as it looks today/ })).toBeVisible();
  await page.locator('main').evaluate((main) => (main.scrollTop = 900));
  await goTo(page, 'Larder');
  await expect(page).toHaveTitle(/Larder/);
  expect(await page.evaluate(() => [window.scrollY, document.querySelector('main')?.scrollTop ?? 0])).toEqual([0, 0]);
  await page.goBack();
  await expect(page.getByRole('heading', { level: 1, name: /as it looks today/ })).toBeVisible();
});

test('a part that cannot be fetched says so in its place; the frame and what was typed stay', async ({ page }) => {
  await enter(page);
  await page.getByRole('textbox', { name: 'Jot' }).fill('A1 25');
  await page.route(/\/assets\/.*\.js$/, (route) => route.abort());
  await goTo(page, 'Larder');
  await expect(page.getByRole('alert').getByText('couldn’t be loaded')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Areas' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Jot' })).toHaveValue('A1 25');
  await page.unroute(/\/assets\/.*\.js$/);
  await page.getByRole('button', { name: 'Load again' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Larder' })).toBeVisible();
});
