import { expect, test } from '@playwright/test';
import { enter, goTo } from '../app/enter';

test('the stock is sorted, narrowed and chosen from; those chosen are paired, and a pair goes to a new attempt', async ({
  page,
}) => {
  await enter(page);
  await goTo(page, 'Stock');
  await page.getByRole('combobox', { name: 'Species' }).selectOption({ label: 'Angelfish' });
  await page.getByRole('button', { name: 'Condition' }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('Torn fin');
  for (const name of ['Torn fin', 'Grey heron', 'Blue bar', 'Half moon'])
    await page.getByRole('checkbox', { name: `Choose ${name}` }).check();
  await expect(page.getByText('4 chosen')).toBeVisible();
  await page.getByRole('button', { name: 'Pair them' }).click();
  // The best: sister with the stranger, and the half-related pair; never brother and sister.
  await expect(page.getByText('Torn fin × Half moon').first()).toBeVisible();
  await expect(page.getByText('Grey heron × Blue bar').first()).toBeVisible();
  await page.getByRole('button', { name: /^Torn fin and Blue bar: 38 %/ }).click();
  await expect(page.getByText(/Keeping Torn fin and Blue bar together: costs/)).toBeVisible();
  await page.getByRole('button', { name: /^Torn fin and Blue bar: 38 %.*must be/ }).click();
  await expect(page.getByText(/Keeping Torn fin and Blue bar together/)).toHaveCount(0);
  await page.getByLabel('Pairs', { exact: true }).fill('many');
  await expect(page.getByText('1 or more.')).toBeVisible();
  await page.getByLabel('Pairs', { exact: true }).fill('9');
  await expect(page.getByText('9 pairs don’t fit these limits; 2 can, and are shown.')).toBeVisible();
  await page.getByLabel('Pairs', { exact: true }).fill('');
  await page.getByRole('listitem').filter({ hasText: 'Grey heron × Blue bar' }).getByRole('link', { name: 'Spawn' }).click();
  await expect(page.getByLabel('Name of the spawning')).toHaveValue('Grey heron × Blue bar');
  await expect(page.getByRole('checkbox', { name: /Grey heron/ })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: /Blue bar/ })).toBeChecked();
});

test('sexing asks for what tells most next, says how sure it is, and books it', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Stock');
  await page.getByLabel('Find').fill('copper');
  await page.getByRole('link', { name: /^Copper/ }).click();
  await page.getByRole('link', { name: 'Sexing' }).click();
  await expect(page.getByText('female, 69 %').first()).toBeVisible();
  await page.getByLabel('Length, mm').fill('minus');
  await expect(page.getByText('A length above 0.')).toBeVisible();
  await page.getByLabel('Length, mm').fill('92');
  const next = page.getByRole('listitem').filter({ hasText: 'look at this next' });
  await expect(next).toContainText('tube at the vent');
  const blunt = page.getByRole('listitem').filter({ hasText: 'Thick blunt tube at the vent' });
  await blunt.getByRole('radio', { name: 'seen', exact: true }).click();
  await expect(page.getByText(/^female, 9\d %/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByText('Looked at before').locator('..').locator('..')).toContainText('at 92 mm');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('Looked at before').locator('..').locator('..')).not.toContainText('at 92 mm');
});

test('a card tells a life; condition is logged in two taps, and what is known is corrected', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Stock');
  await page.getByRole('link', { name: /^Grey heron/ }).click();
  await expect(page.getByText('Ready to spawn')).toBeVisible();
  await page.getByRole('button', { name: 'Score condition' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByText('fit', { exact: true }).click();
  await dialog.getByLabel('Length, mm').fill('long');
  await dialog.getByRole('button', { name: 'Log it' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('"long" isn’t a number.');
  await dialog.getByLabel('Length, mm').fill('104 mm');
  await dialog.getByRole('button', { name: 'Log it' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText('104 mm long.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('104 mm long.')).toHaveCount(0);
  await page.getByRole('button', { name: 'what is known' }).click();
  await dialog.getByLabel('Name', { exact: true }).fill('x'.repeat(90));
  await dialog.getByRole('button', { name: 'Note it' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('At most 80 characters.');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'parents' }).click();
  await dialog.getByRole('button', { name: 'Add one' }).first().click();
  await dialog.getByLabel('Possible sire 1').selectOption({ label: 'Quay male 0' });
  await dialog.getByRole('textbox', { name: 'Chance, %' }).fill('60');
  await expect(dialog.getByText('The other 40 % could be an unknown fish.')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Chance, %' }).fill('140');
  await dialog.getByRole('button', { name: 'Note the parents' }).click();
  await expect(dialog.getByText('A chance is at most 1.').first()).toBeVisible();
});

test('kinship shows through whom, a line near its end says so, and who rescued the other', async ({ page }) => {
  await enter(page, 'keeper', '/stock/lines/angelfish/kinship');
  await page.getByRole('gridcell', { name: 'Lantern and Half moon: 25 %' }).click();
  await expect(page.getByText('Lantern and Half moon: 25 %')).toBeVisible();
  await expect(page.getByText(/Lantern – Blue bar – Half moon/)).toBeVisible();
  // By the keys: from one square to the next, and chosen.
  await page.getByRole('gridcell', { name: 'Blue bar and Copper: 50 %' }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Copper and Grey heron: 0 %')).toBeVisible();
  await expect(page.getByText('No common ancestor known.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Species' }).selectOption({ label: 'Fighting fish' });
  await expect(page.getByText('Nearly used up. Bring in unrelated fish before the next brood.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Species' }).selectOption({ label: 'Humpback limia' });
  await expect(page.getByText('Without Sorrel and descendants')).toBeVisible();
});

test('a pedigree folds and opens by the keys, and letters mark who stands in it twice', async ({ page }) => {
  await enter(page, 'keeper', '/stock/lines/fighting-fish/pedigree');
  await page.getByLabel('Animal', { exact: true }).selectOption({ label: 'Tern F3' });
  await expect(page.getByText('38 %')).toBeVisible();
  await expect(page.getByRole('img', { name: /Tern male 0, stands here more than once/ })).toHaveCount(4);
  const sire = page.getByRole('button', { name: /^sire: Tern male 2/ });
  await sire.focus();
  await page.keyboard.press('Enter');
  await expect(sire).toHaveAttribute('aria-expanded', 'false');
  await expect(page.getByRole('img', { name: /Tern male 0/ })).toHaveCount(2);
  await page.getByRole('button', { name: 'Open all' }).click();
  await expect(page.getByRole('img', { name: /Tern male 0/ })).toHaveCount(4);
});

test('a cross gives shares and how many to raise, refuses an allele that is none, and tests a brood', async ({ page }) => {
  await enter(page, 'keeper', '/stock/lines/angelfish/cross');
  await page.getByLabel('Sire', { exact: true }).selectOption({ label: 'Torn fin' });
  await page.getByLabel('Dam', { exact: true }).selectOption({ label: 'Blue bar' });
  await expect(page.getByRole('row', { name: /^female g 9\.5 % 65/ })).toBeVisible();
  await expect(page.getByText(/About 7\.5 % of the eggs die/)).toBeVisible();
  await page.getByLabel('gold of the dam').fill('G/x');
  await expect(page.getByText('"x" is no allele of gold.')).toBeVisible();
  await page.getByLabel('gold of the dam').fill('G/g');
  await page.getByLabel('Counted: female G', { exact: true }).fill('30');
  await page.getByLabel('Counted: male G', { exact: true }).fill('28');
  await expect(page.getByText('The parents are probably not the ones you think, or one kind dies early.')).toBeVisible();
  await page.getByLabel('Counted: male g', { exact: true }).fill('some');
  await expect(page.getByText('Count in whole animals.')).toBeVisible();
});

test('lots come in from a file: wrong rows are shown by column, and nothing is taken unless the keeper says so', async ({
  page,
}) => {
  await enter(page);
  await goTo(page, 'Stock');
  await page.getByRole('button', { name: 'Files' }).click();
  const dialog = page.getByRole('dialog');
  const load = async (text: string) => {
    const chosen = page.waitForEvent('filechooser');
    await dialog.getByRole('button', { name: 'Import lots' }).click();
    await (await chosen).setFiles({ name: 'shed.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  await load('a,b\n1,2');
  await expect(dialog.getByRole('alert')).toContainText('"species" is missing');
  await load('name,species,tank,males,since\nSaltwort,Lemon tetra,B2.1,1,2026-05-02\nNobody,pike,B2.1,1,2026-05-02\n');
  await expect(dialog.getByText('2 rows')).toBeVisible();
  await expect(dialog.getByText('species: There is no species "pike".')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Nothing imported yet' })).toBeDisabled();
  await dialog.getByRole('checkbox', { name: /Import the rest without these rows/ }).check();
  await dialog.getByRole('button', { name: 'Import 1' }).click();
  await expect(dialog).toBeHidden();
  await page.getByLabel('Find').fill('saltwort');
  await expect(page.getByRole('link', { name: /^Saltwort/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByRole('link', { name: /^Saltwort/ })).toHaveCount(0);
});

test('a group says what it may hold, and a species how its warmth shifts the sexes', async ({ page }) => {
  await enter(page);
  await goTo(page, 'Stock');
  await page.getByLabel('Find').fill('odessa');
  await page.getByRole('row', { name: /Q1/ }).getByRole('link', { name: 'Odessa barb' }).click();
  await page.getByRole('link', { name: 'Sexing' }).click();
  await expect(page.getByText('At least a trio among 10')).toBeVisible();
  await page.getByLabel('Share of males to expect, 0 to 1').fill('2');
  await expect(page.getByText('Between 0 and 1.')).toBeVisible();
  await goTo(page, 'Stock');
  await page.getByLabel('Find').fill('danio');
  await page.getByRole('link', { name: 'Zebra danio' }).first().click();
  await page.getByRole('link', { name: 'Sexing' }).click();
  await page.getByLabel('Temperature, °C of the first weeks').fill('32');
  await expect(page.getByText('about 70 % males')).toBeVisible();
});
