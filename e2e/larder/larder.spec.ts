import { expect, test } from '@playwright/test';
import { enter, goTo } from '../app/enter';

test('the larder says which first food is not safe, why, and starts what saves it', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Larder');
  await expect(page.getByText('one first food is not safe')).toBeVisible();
  const first = page.getByRole('listitem').filter({ hasText: 'Fighting fish in B1.4' }).first();
  await expect(first).toContainText('not safe');
  await first.getByRole('button', { name: /^Why:/ }).click();
  await expect(page.getByText(/counted back from the early end by the longer/)).toBeVisible();
  await page.keyboard.press('Escape');
  await first.getByRole('button', { name: 'Start today' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText(/Ripe after 4 to 7 days/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Start it' }).click();
  await expect(page.getByText('Infusoria 2', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('Infusoria 2', { exact: true })).toHaveCount(0);
});

test('a culture past its time is marked, and one tap logs what was done with it', async ({ page }) => {
  await enter(page, 'sitter');
  await goTo(page, 'Larder');
  const old = page.getByRole('listitem').filter({ has: page.getByText('Microworms 2', { exact: true }) });
  await expect(old).toContainText('past its time');
  await old.getByRole('button', { name: 'Emptied' }).click();
  await expect(page.getByText('Microworms 2', { exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('Microworms 2', { exact: true })).toBeVisible();
});
