import { expect, test } from '@playwright/test';
import { enter, goTo } from '../app/enter';

test('the schools are choices on the recipe, each with what it changes, beside what was done before', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Spawns');
  await expect(page.getByText(/of the last \d+ spawned/)).toBeVisible();
  await page.getByRole('link', { name: 'Plan a spawning' }).click();
  await page.getByLabel('Species').selectOption('sixray-aspidoras');
  await expect(page.getByLabel('The eggs')).toHaveValue('pullEggs');
  await expect(page.getByText(/\d+ of \d+ spawned/).first()).toBeVisible();
  await page.getByLabel('Against fungus').selectOption('dye');
  await expect(page.getByText('dye topped up for the new water')).toBeVisible();
  await expect(page.getByText(/kills invertebrates/)).toBeVisible();
  await page.getByLabel('Daily change, %').fill('150');
  await page.getByLabel('Tank free after').fill('2026-11-01');
  await page.getByRole('button', { name: 'Save the spawning' }).click();
  await expect(page.getByText('Not above 100 %.')).toBeVisible();
  await expect(page.getByText('The tank must not fall free before it is taken.')).toBeVisible();
  await expect(page.getByText('Dye needs its target in mg/L')).toBeVisible();
  await expect(page.getByLabel('Daily change, %')).toHaveValue('150');
});

test('livebearers and carriers are asked for what is seen of them', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Spawns');
  await page.getByRole('link', { name: /Cajun 3/ }).click();
  await page.getByRole('button', { name: 'Carrying seen' }).click();
  await expect(page.getByRole('dialog').getByLabel('Eggs or young carried')).toBeVisible();
  await expect(page.getByRole('dialog').getByLabel('Of these white')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'open the brood' }).click();
  await expect(page.getByRole('button', { name: 'Why: Release' })).toBeVisible();
  await page.getByRole('button', { name: 'Young let go' }).click();
  await expect(page.getByRole('dialog').getByLabel('What was seen')).toHaveValue('freeSwimming');
});

test('what ended takes no more eggs, and an unknown address says so', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Spawns');
  await page.getByRole('link', { name: /Kribensis 7/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Kribensis 7' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Eggs seen' })).toHaveCount(0);
  await page.goto('/spawns/01a2104b-fd81-73d7-868a-64dfbd870dd1');
  await expect(page.getByRole('alert')).toContainText('There’s no such spawning.');
  await page.goto('/broods/01a2104b-fd81-73d7-868a-64dfbd870dd1');
  await expect(page.getByRole('alert')).toContainText('There’s no such brood.');
});
