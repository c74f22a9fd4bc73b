import { expect, type Page } from '@playwright/test';

/** Enters the demonstration house. */
export async function enter(page: Page, as: 'keeper' | 'sitter' = 'keeper', path = '/'): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: `Enter as ${as}` }).click();
  await expect(page.getByRole('navigation', { name: 'Areas' })).toBeVisible();
  if (path !== '/') await page.goto(path);
}

/** Goes to an area by its name at the staff. */
export async function goTo(page: Page, area: string): Promise<void> {
  await page.getByRole('navigation', { name: 'Areas' }).getByRole('link', { name: area }).click();
}

/** Opens a tank from the room. */
export async function openTank(page: Page, code: string): Promise<void> {
  await goTo(page, 'Room');
  await page.getByRole('link', { name: new RegExp(`^${code.replace('.', '\\.')}:`) }).click();
  await expect(page.getByRole('heading', { level: 1, name: code })).toBeVisible();
}
