import { expect, test } from '@playwright/test';
import { enter, goTo } from '../app/enter';

test('a recipe is copied, one thing is changed, it runs with past days, and the evidence tells of it', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Spawns');
  await page.getByRole('link', { name: 'Recipes', exact: true }).click();
  await page.getByLabel('Search').fill('cooler bare');
  await page.getByRole('link', { name: 'Soft, cooler change in a bare tank' }).click();
  await expect(page.getByText('Cooler change of 30 %, by 3 °C')).toBeVisible();
  await page.getByLabel('Compare with').selectOption({ label: 'Dawn light and live food, mature tank' });
  await expect(page.getByRole('row', { name: /Tank.*mature and filtered.*bare/ })).toBeVisible();
  await page.getByRole('link', { name: 'Copy and change' }).click();
  await page.getByLabel('Name').fill('Cooler by five');
  await page.getByLabel('For', { exact: true }).selectOption({ label: 'Zebra danio' });
  await page
    .getByLabel(/^By, °C/)
    .first()
    .fill('much');
  await page.getByRole('button', { name: 'Keep the recipe' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Give a number.' }).first()).toBeVisible();
  await page
    .getByLabel(/^By, °C/)
    .first()
    .fill('5');
  await expect(page.getByText(/cooler change of 30 %, by 5 °C instead of cooler change of 30 %, by 3 °C/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep the recipe' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Cooler by five' })).toBeVisible();
  await expect(page.getByText('yours, version 1')).toBeVisible();

  await page.getByRole('link', { name: 'Plan a spawning' }).click();
  await expect(page.getByLabel('After which recipe')).toContainText('Cooler by five, your version 1');
  await page.getByLabel('Name of the spawning').fill('By five');
  await page.getByLabel('Spawning tank').selectOption({ label: 'B1.1: Lemon tetra 21' });
  // Days that lie behind: what was done is recorded afterwards.
  for (const [label, day] of [
    ['Conditioning from', ''],
    ['Tank reserved from', '2026-11-01'],
    ['Parents in on', '2026-11-02'],
    ['Trigger on', '2026-11-04'],
    ['Tank free after', '2026-11-10'],
  ] as const)
    await page.getByLabel(label).fill(day);
  await page.getByRole('group', { name: 'Males' }).getByRole('checkbox').first().check();
  await page.getByRole('group', { name: 'Females' }).getByRole('checkbox').first().check();
  await page.getByRole('button', { name: 'Save the spawning' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'By five' })).toBeVisible();
  await page.getByRole('button', { name: 'Trigger', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Out and in, L').fill('6');
  await sheet.getByLabel('New water at').fill('14');
  await expect(sheet.getByText(/^2\d(\.\d)? °C, now 2\d/)).toBeVisible();
  await sheet.getByLabel('When').fill('4 Nov 19:00');
  await sheet.getByRole('button', { name: 'Log the trigger' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText(/No eggs by the decision day: try dark/)).toBeVisible();
  await page.getByRole('button', { name: 'Chasing' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'look for eggs at first light' })).toBeVisible();
  await page.getByRole('button', { name: 'End it' }).click();
  await page.getByRole('dialog').getByLabel('How it ended').selectOption('failed');
  await page.getByRole('dialog').getByRole('button', { name: 'End the spawning' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('link', { name: 'what worked before' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'What worked: Zebra danio' })).toBeVisible();
  await expect(page.getByText(/1 of 2 spawnings spawned in time/)).toBeVisible();
});

test('the evidence finds what the records hold, and claims nothing of the moon', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Spawns');
  await page.getByRole('link', { name: 'What worked', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'What worked: Sixray aspidoras' })).toBeVisible();
  const rows = page.getByRole('list', { name: 'What you tried, the surest first' }).getByRole('listitem');
  await expect(rows.first()).toContainText('Cooler change');
  await expect(rows.first()).toContainText(/Works better in your tanks \(almost certain\)/);
  await expect(rows.first()).toContainText('you always had');
  await expect(rows.filter({ hasText: 'Full moon' })).not.toContainText('Works');
  await expect(page.getByText(/One thing makes a difference|\d things make a difference/)).toBeVisible();
  await rows.first().getByRole('button', { name: 'Why: Cooler change' }).click();
  await expect(page.getByText('Corrected for all that was looked at')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByLabel('Within, days').fill('none');
  await expect(page.getByText('More than nothing.')).toBeVisible();
  await page.getByLabel('Within, days').fill('14');
  await page.getByRole('link', { name: 'Make it a recipe' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Copy and change' })).toBeVisible();
  await expect(page.getByText(/no level down by 30 %/)).toBeVisible();
});

test('a plan’s dates are dragged and moved by keys, and what follows goes along', async ({ page }) => {
  await enter(page);
  await page.goto('/spawns/new?species=lemon-tetra');
  const trigger = page.getByRole('slider', { name: 'Live food at first light' });
  await expect(trigger).toBeVisible();
  const before = await trigger.getAttribute('aria-valuenow');
  await trigger.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('PageDown');
  await expect(trigger).toHaveAttribute('aria-valuenow', String(Number(before) + 8));
  const box = await trigger.boundingBox();
  if (!box) throw new Error('The mark is not drawn.');
  await page.mouse.move(box.x + 18, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + 140, box.y + 10, { steps: 8 });
  await page.mouse.up();
  expect(Number(await trigger.getAttribute('aria-valuenow'))).toBeGreaterThan(Number(before) + 12);
  await page.getByText('Back from a day').click();
  await page.getByLabel('Young ready for sale by').fill('2026-11-20');
  await expect(page.getByText('That day has passed.')).toBeVisible();
  await page.getByLabel('Young ready for sale by').fill('2027-06-20');
  await expect(page.getByText(/(1\d|20) Jun.*: Ready for sale/)).toBeVisible();
});

test('a recipe is shared as a file and taken in again; another file is refused with its fault', async ({ page }) => {
  await enter(page);
  await page.goto('/spawns/recipes/tube-rain');
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Share it' }).click()]);
  const path = await file.path();
  await page.goto('/spawns/recipes');
  await page
    .getByLabel('Recipe file')
    .setInputFiles({ name: 'other.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"something"}') });
  await expect(page.getByRole('alert')).toContainText('other.json: format: This is no recipe file of this kind.');
  await page.getByLabel('Recipe file').setInputFiles(path);
  await expect(page.getByRole('heading', { level: 1, name: 'Copy and change' })).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveValue(/Tubes, low water/);
});

test('a tank is set up by a sheet on the phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await enter(page);
  await page.goto('/spawns');
  await page.getByRole('link', { name: /Golden 4/ }).click();
  await page.getByRole('link', { name: 'Set-up sheet' }).click();
  const boxes = page.getByRole('checkbox');
  await expect(boxes.first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Log it as set up' })).toBeDisabled();
  await boxes.first().check();
  await page.reload();
  await expect(boxes.first()).toBeChecked();
  for (const box of await boxes.all()) await box.check();
  await page.getByRole('button', { name: 'Log it as set up' }).click();
  await expect(page.getByText('Q3 is set up')).toBeVisible();
});
