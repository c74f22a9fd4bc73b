import { expect, test, type Page } from '@playwright/test';
import { enter } from '../app/enter';
import { furnishRareChores } from './rareChores';

interface Chore {
  key: string;
  kind: string;
  text: string;
  amountText: string;
  walk: number;
  amount: { value: number; unit: string } | null;
  asks: { label: string; of: string; needed: boolean } | null;
  tick: { kind: string; id: string | null } | null;
  outcome: { entryId: string } | null;
}
interface Round {
  done: number;
  stops: { tankId: string | null; code: string; chores: Chore[]; meals: { keys: string[] }[] }[];
}

/** What ticking each kind of chore logs besides the chore; nothing where the tick says all. */
const LOGS: Record<string, string[]> = {
  waterChange: ['change'],
  eggChange: ['change'],
  feedFilter: ['tankEvent'],
  quarantineEnd: [],
  lookOver: ['care'],
  testWater: [],
  calibrate: ['calibration'],
  condition: ['care'],
  score: [],
  setUp: ['move'],
  trigger: ['trigger'],
  pickWhite: ['white'],
  boxEggs: ['move'],
  larvalJar: [],
  larvaeOut: ['move'],
  dye: ['care'],
  sighting: ['observation'],
  peatCheck: [],
  bagPeat: [],
  collectPeat: ['care'],
  pickEggs: ['eggPick'],
  leave: ['move'],
  lookForMales: ['care'],
  strip: ['observation'],
  setApart: [],
  lookEggs: [],
  eggCare: [],
  clearDye: ['change'],
  takeTemperature: ['reading'],
  feedYoung: ['care'],
  feedAdults: ['care'],
  startCulture: ['culture'],
  setHatch: ['culture'],
  feedCulture: ['cultureEvent'],
  checkRipe: ['cultureEvent'],
  harvest: ['cultureEvent'],
  renewCulture: ['culture'],
  splitCulture: ['culture'],
  lookAtCulture: ['cultureEvent'],
  emptyCulture: ['cultureEvent'],
  discardHatch: ['cultureEvent'],
  changeAfterTreatment: ['change'],
  birthDue: [],
  moveYoung: ['move'],
  measureYoung: ['lengths'],
  gradeYoung: [],
  partSexes: [],
  outOfColony: [],
  fastBeforePacking: [],
  packOrder: [],
};
/** What is typed beside a chore that asks for it. */
const TYPED: Record<string, string> = { temperature: '24.5', count: '1' };

const ask = async <T>(page: Page, path: string): Promise<T> =>
  page.evaluate(async (from) => (await (await fetch(from)).json()) as never, path);

test('a plain tick of every kind of chore logs what it stands for, with the planned amount, and is taken back whole', async ({
  page,
}) => {
  test.setTimeout(480_000);
  await enter(page);
  const takeBack = await furnishRareChores(page);
  /** Shows a walk with racks and meals opened, so that each chore has its own box. */
  const open = async (walk: number) => {
    await page.goto(`/?walk=${walk}`);
    await expect(page.getByText(/of \d+ done, about/)).toBeVisible();
    for (const folded of [page.getByRole('button', { name: /tank by tank$/ }), page.getByRole('button', { name: /^\d foods$/ })])
      while ((await folded.count()) > 0) await folded.first().click();
  };
  const before = await ask<Round>(page, '/api/rounds');
  const ofKind = new Map<string, { walk: number; stop: Round['stops'][number]; chore: Chore }>();
  // On the first walk, and what is only asked for on the last.
  for (const walk of [0, 2])
    for (const stop of before.stops) {
      const shown = stop.chores.filter((chore) => chore.walk <= walk);
      for (const chore of shown) {
        // Two chores of one stop may read the same; the first of a kind that stands alone is taken.
        const alike = shown.filter(({ text, amountText }) => text === chore.text && amountText === chore.amountText);
        const known = ofKind.get(chore.kind);
        if (!chore.outcome && alike.length === 1 && (!known || (!known.chore.tick && chore.tick)))
          ofKind.set(chore.kind, { walk, stop, chore });
      }
    }
  expect([...ofKind.keys()].filter((kind) => !(kind in LOGS))).toEqual([]);
  for (const [kind, { walk, stop, chore }] of ofKind) {
    await open(walk);
    const box = page.getByRole('checkbox', { name: `${stop.code}: ${chore.text} ${chore.amountText}`, exact: true });
    if (chore.asks?.of === 'sighting') {
      await box.click();
      await page.getByRole('button', { name: 'all', exact: true }).click();
    } else if (chore.asks) {
      if (chore.asks.needed) await box.click();
      else
        await page
          .getByRole('button', { name: `${chore.text}: change the amount ${chore.amountText}` })
          .first()
          .click();
      // Not the jot line, which stands there before the field does.
      const field = page.getByRole('textbox', { name: chore.asks.label, exact: true });
      await field.fill(TYPED[chore.asks.of] ?? '1');
      await field.press('Enter');
    } else await box.click();
    let entryId = '';
    await expect
      .poll(async () => {
        const { stops } = await ask<Round>(page, '/api/rounds');
        entryId = stops.flatMap(({ chores }) => chores).find(({ key }) => key === chore.key)?.outcome?.entryId ?? '';
        return entryId;
      })
      .not.toBe('');
    const entries = await ask<{ id: string; kind: string; parts: string[] }[]>(page, '/api/entries?limit=200');
    const entry = entries.find(({ id }) => id === entryId);
    expect([kind, entry?.kind, entry?.parts]).toEqual([kind, 'outcome', LOGS[kind]]);
    if (['waterChange', 'eggChange', 'changeAfterTreatment'].includes(kind)) {
      const { changes } = await ask<{ changes: { litres: number }[] }>(page, `/api/tanks/${chore.tick?.id ?? ''}/regime`);
      expect([kind, changes.at(-1)?.litres]).toEqual([kind, chore.amount?.value]);
    }
    await page.evaluate(
      async (entry) =>
        fetch('/api/undos', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ id: crypto.randomUUID().replace(/^(.{14})./, '$17'), entryId: entry }),
        }),
      entryId,
    );
  }
  const after = await ask<Round>(page, '/api/rounds');
  expect(after.done).toBe(before.done);
  expect(Object.keys(LOGS).filter((kind) => !ofKind.has(kind))).toEqual([]);
  await takeBack();
});
