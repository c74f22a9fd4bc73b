import { expect, test, type Locator, type Page } from '@playwright/test';
import sharp from 'sharp';
import { enter, goTo } from '../app/enter';

/** A tub with two dozen clear eggs and six white ones, drawn as a telephone might see them. */
async function picture(): Promise<Buffer> {
  const eggs = Array.from({ length: 30 }, (_, i) => {
    const [x, y] = [70 + (i % 6) * 130 + ((i * 37) % 40), 70 + Math.floor(i / 6) * 110 + ((i * 53) % 30)];
    const fill = i % 5 === 0 ? 'url(#white)' : 'url(#clear)';
    return `<ellipse cx="${x + 4}" cy="${y + 6}" rx="20" ry="19" fill="#000" opacity="0.18"/><circle cx="${x}" cy="${y}" r="18" fill="${fill}"/>`;
  });
  const ball = (id: string, light: string, dark: string) =>
    `<radialGradient id="${id}" cx="0.4" cy="0.36" r="0.75"><stop offset="0" stop-color="${light}"/><stop offset="1" stop-color="${dark}"/></radialGradient>`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="640"><defs>${ball('clear', '#e8c98c', '#8a6a3c')}${ball('white', '#ffffff', '#c4c2bc')}</defs><rect width="900" height="640" fill="#7f8f88"/>${eggs.join('')}</svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 85 }).toBuffer();
}
const dialog = (page: Page) => page.getByRole('dialog');
/** Taps the photograph at a place of its own 900 by 640 pixels. */
async function tapAt(photograph: Locator, x: number, y: number): Promise<void> {
  const box = (await photograph.boundingBox())!;
  const scale = Math.max(900 / box.width, 640 / box.height);
  const [left, top] = [(box.width - 900 / scale) / 2, (box.height - 640 / scale) / 2];
  await photograph.click({ position: { x: left + x / scale, y: top + y / scale } });
}
async function openClutch(page: Page): Promise<void> {
  await enter(page);
  await goTo(page, 'Broods');
  await page.getByRole('link', { name: /Aspidoras 21/ }).click();
}

test('a clutch is looked through by thumb, by a sample and by a photograph, and what was wrong is said at its pile', async ({
  page,
}) => {
  await openClutch(page);
  const alive = page.getByRole('main').getByText(/^\d+$/);
  await expect(alive.first()).toBeVisible();
  await page.getByRole('button', { name: 'Look through the eggs' }).click();
  // By a photograph: what is no picture is refused in words, what is one is ringed, a tap takes one away.
  await dialog(page).getByRole('radio', { name: 'a photograph' }).click();
  await dialog(page)
    .getByLabel('Photograph')
    .setInputFiles({ name: 'notes.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.4') });
  await expect(dialog(page).getByRole('alert')).toContainText('notes.pdf can’t be counted');
  await dialog(page)
    .getByLabel('Photograph')
    .setInputFiles({ name: 'tub.jpg', mimeType: 'image/jpeg', buffer: await picture() });
  const take = dialog(page).getByRole('button', { name: /^Take \d+/ });
  await expect(take).toHaveText('Take 30, 6 white', { timeout: 30_000 });
  // The second egg of the first row is clear: it is called white, and clear again.
  await dialog(page).getByRole('radio', { name: 'White or clear' }).click();
  await tapAt(dialog(page).getByRole('img', { name: /30 ringed/ }), 237, 93);
  await expect(take).toHaveText('Take 30, 7 white');
  await tapAt(dialog(page).getByRole('img', { name: /30 ringed/ }), 237, 93);
  await expect(take).toHaveText('Take 30, 6 white');
  await dialog(page).getByRole('radio', { name: 'Adds or takes away' }).click();
  await tapAt(dialog(page).getByRole('img', { name: /30 ringed/ }), 8, 8);
  await expect(take).toHaveText('Take 31, 6 white');
  await take.click();
  await expect(dialog(page).getByLabel('White, eggs')).toHaveValue('6');
  await expect(dialog(page).getByLabel('Sound, eggs')).toHaveValue('25');
  await expect(dialog(page).getByText(/^Fertile: 8\d %, likely/)).toBeVisible();
  // Too many of one pile is said there, and what was typed stays.
  await dialog(page).getByLabel('Sound, eggs').fill('');
  await dialog(page).getByLabel('Eaten, eggs').fill('900');
  await dialog(page).getByRole('button', { name: 'Log it' }).click();
  await expect(dialog(page).getByRole('alert')).toContainText('eggs are booked');
  await expect(dialog(page).getByLabel('White, eggs')).toHaveValue('6');
  // By thumb.
  await dialog(page).getByLabel('Eaten, eggs').fill('');
  await dialog(page).getByRole('button', { name: 'Kicked out: one more' }).click();
  await dialog(page).getByRole('button', { name: 'Kicked out: one more' }).click();
  await dialog(page).getByRole('button', { name: 'Log it' }).click();
  await expect(dialog(page)).toHaveCount(0);
  await goTo(page, 'Rounds');
  await page.goto('/log');
  await expect(page.getByText('Aspidoras 21: 6 white, 2 kicked out').first()).toBeVisible();
});

test('a count by squares keeps its range, lengths shift what comes next, and the record says survival', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Broods');
  await page.getByRole('link', { name: /Kribensis 7/ }).click();
  await page.getByRole('button', { name: 'Count', exact: true }).click();
  await dialog(page).getByRole('radio', { name: 'some squares' }).click();
  await dialog(page).getByLabel('Counted in each square').fill('4 6 x');
  await expect(dialog(page).getByRole('alert')).toHaveText('Whole numbers, with spaces between.');
  await dialog(page).getByLabel('Counted in each square').fill('4 6 5 5');
  await dialog(page).getByLabel('Squares in all').fill('20');
  await dialog(page).getByRole('button', { name: 'Take 100' }).click();
  await expect(dialog(page).getByText(/by some squares: likely \d+ to \d+/)).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Log the count' }).click();
  await expect(page.getByText(/Counted 100 .*likely \d+ to \d+, by some squares/)).toBeVisible();
  await page.getByRole('button', { name: 'Measure' }).click();
  await dialog(page).getByLabel('Lengths, mm').fill('4,5 5 5.5 y');
  await dialog(page).getByRole('button', { name: 'Log the lengths' }).click();
  await expect(dialog(page).getByRole('alert')).toContainText('"y" isn’t a length');
  await dialog(page).getByLabel('Lengths, mm').fill('9 9,5 10 10.5 x 3');
  await expect(dialog(page).getByText(/^6 of 10\.0? ?mm on average|6 of 10 mm on average/)).toBeVisible();
  await dialog(page).getByRole('button', { name: 'Log the lengths' }).click();
  await expect(page.getByText(/from 6 measured on .*days ahead of the species/)).toBeVisible();
  await page.getByRole('link', { name: 'compare with its other broods' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Survival' })).toBeVisible();
  await expect(page.getByText(/^You lose (most|many) fry/)).toBeVisible();
});

test('every carrier stands on one board; a lost clutch has its day and can be taken back', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Broods');
  await page.getByRole('link', { name: 'Carriers' }).click();
  const holder = page.getByRole('listitem').filter({ has: page.getByRole('link', { name: 'Babaulti 9' }) });
  await expect(holder.getByText('let go', { exact: true })).toBeVisible();
  await holder.getByRole('button', { name: 'Lost her eggs' }).click();
  await dialog(page).getByRole('button', { name: 'Log the lost clutch' }).click();
  await expect(holder).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(holder).toBeVisible();
  await holder.getByRole('button', { name: 'Still carrying' }).click();
  await expect(page.getByText('Babaulti 9: still carrying')).toBeVisible();
});
