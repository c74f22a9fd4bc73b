import { expect, test } from '@playwright/test';
import { enter } from './enter';

test('the house menu says how a phone opens the house; only this computer does until it is asked to', async ({ page }) => {
  await enter(page);
  await page.getByRole('button', { name: 'Saltings Shed: menu' }).click();
  await page.getByRole('menuitem', { name: 'On your phone' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'On your phone' })).toBeVisible();
  await expect(page.getByText('Only this computer can open Freshet')).toBeVisible();
  await expect(page.getByText('npm start -- --lan')).toBeVisible();
});

test('a label’s code leads to its tank, however it is typed; one that is gone says so', async ({ page }) => {
  await enter(page);
  await page.goto('/t/a1.2');
  await expect(page.getByRole('heading', { level: 1, name: 'A1.2' })).toBeVisible();
  await page.goto('/t/Z99');
  await expect(page.getByText('There’s no tank Z99 here')).toBeVisible();
  await page.getByRole('link', { name: 'Look in the room' }).click();
  await expect(page.getByText(/tanks and tubs/)).toBeVisible();
});
