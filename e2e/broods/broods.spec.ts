import { expect, test } from '@playwright/test';
import { enter, goTo } from '../app/enter';

test('broods stand on one time axis, each with what comes next', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Broods');
  await expect(page.getByText('26 alive')).toBeVisible();
  await expect(page.getByRole('link', { name: /Aspidoras 21.*eggs.*hatch/ })).toBeVisible();
  await page.getByRole('link', { name: /Lemon tetra 20/ }).click();
  await expect(page.getByRole('slider', { name: /Lemon tetra 20: 138 at first, \d+ alive now, in 2 tanks/ })).toBeVisible();
});

test('an own figure of a species moves the windows at once, and can be taken back', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Broods');
  await page.getByRole('link', { name: /Aspidoras 21/ }).click();
  const hatch = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: 'Why: Hatch' }) });
  const before = await hatch.innerText();
  await page.getByRole('button', { name: 'Saltings Shed: menu' }).click();
  await page.getByRole('menuitem', { name: 'Species and their figures' }).click();
  await page.getByRole('link', { name: /Sixray aspidoras/ }).click();
  await page.getByRole('button', { name: 'Change Laying to hatch (or letting go)' }).click();
  await page.getByLabel('From', { exact: true }).fill('9');
  await page.getByLabel('To', { exact: true }).fill('8');
  await page.getByRole('button', { name: 'Save as your own' }).click();
  await expect(page.getByRole('alert')).toHaveText('The lower end comes first.');
  await page.getByLabel('To', { exact: true }).fill('10');
  await page.getByRole('button', { name: 'Save as your own' }).click();
  await expect(page.getByText('your own', { exact: true })).toBeVisible();
  await goTo(page, 'Broods');
  await page.getByRole('link', { name: /Aspidoras 21/ }).click();
  await expect(hatch).not.toHaveText(before);
  await page.goto('/species/sixray-aspidoras');
  await page.getByRole('button', { name: 'Back to the starting point: Laying to hatch (or letting go)' }).click();
  await expect(page.getByText('your own', { exact: true })).toHaveCount(0);
});

test('a species goes out as a file and comes in again; a broken file changes nothing', async ({ page }) => {
  await enter(page, 'keeper', '/species/lemon-tetra');
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Export' }).click()]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  const file = JSON.parse(Buffer.concat(chunks).toString('utf8')) as {
    format: string;
    key: string;
    commonName: string;
    figures: { clutch: number[] };
  };
  expect(file).toMatchObject({ format: 'freshet-species-1', key: 'lemon-tetra', commonName: 'Lemon tetra' });
  await page.getByRole('link', { name: 'all species' }).click();
  const send = (name: string, text: string) =>
    page.getByLabel('Species file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  await send('broken.json', '{"format":');
  await expect(page.getByText('broken.json is not JSON. Nothing was imported.')).toBeVisible();
  await send('wrong.json', JSON.stringify({ ...file, figures: { ...file.figures, clutch: [9, 2] } }));
  await expect(page.getByText(/figures\.clutch: The lower end comes first/)).toBeVisible();
  await send('own.json', JSON.stringify({ ...file, key: 'marrow-tetra', commonName: 'Marrow tetra' }));
  await expect(page.getByRole('link', { name: /Marrow tetra.*your own species/ })).toBeVisible();
});
