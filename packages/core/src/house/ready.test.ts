import { deriveRound } from '../rounds';
import { ANY_WISH, leavingDays, orderOutlooks, readyList, spareBreeders, type ReadyWish } from '../sales';
import type { StockLot } from '../stock';
import { addDays } from '../time';
import { readHouse } from './facts';
import { brood, factsOf, house, lot, NOW, tank, TODAY, view, type Told } from './houseFixture';

const at = (daysAgo: number) => `${addDays(TODAY, -daysAgo)}T08:00:00.000Z`;
const tetras = (id: string, daysAgo: number, mm: number | null = null) => {
  const swam = { from: at(daysAgo), to: at(daysAgo) };
  const samples = mm === null ? [] : [{ at: NOW, meanMm: mm, smallestTenthMm: mm * 0.85, spread: 0.12, count: 12 }];
  return brood(id, 'lemon-tetra', { laid: swam, hatched: swam, freeSwimming: swam, samples, measured: samples.at(-1) ?? null });
};
const told = (more: Partial<Told> = {}): Partial<Told> => ({
  tanks: [tank('T1'), tank('T2')],
  broods: [tetras('N', 100, 24), tetras('O', 30)],
  lots: [
    lot('n', 'T1', 'lemon-tetra', { broodId: 'N', unsexed: 60 }),
    lot('o', 'T2', 'lemon-tetra', { broodId: 'O', unsexed: 40 }),
  ],
  ...more,
});
const rows = (more: Partial<Told> = {}) => readyList(view(house(told(more)))).rows;

describe('what can go', () => {
  it('is those of sale size, the ready first, measured or by the curve and said which', () => {
    const [grown, small] = rows();
    expect([grown?.name, grown?.isMeasured, small?.name, small?.isMeasured]).toEqual(['N', true, 'O', false]);
    expect(grown?.now.mid).toBeGreaterThan(50);
    expect(small?.now).toEqual({ low: 0, mid: 0, high: 0 });
    for (const { weeks, heads } of [grown, small].flatMap((row) => row ?? []))
      for (const { low, mid, high } of weeks) expect(0 <= low && low <= mid && mid <= high && high <= heads).toBe(true);
    expect(small?.weeks.at(-1)?.mid).toBeGreaterThan(0);
  });

  it('leaves out who is held back, in quarantine, or where illness was seen', () => {
    const free = rows()[0]?.now.mid ?? 0;
    expect(rows({ growout: { moves: [], held: { N: 8 }, grades: {} } })[0]).toMatchObject({ held: 8 });
    expect(rows({ growout: { moves: [], held: { N: 8 }, grades: {} } })[0]?.now.mid).toBeLessThanOrEqual(free - 7);
    const ill = rows({ room: { illnesses: [{ tankId: 'T1', at: NOW, what: 'white spots' }] } }).find(({ name }) => name === 'N');
    expect([ill?.now.mid, ill?.barred?.why]).toEqual([0, 'in a tank where illness was seen (T1)']);
    // It passes: the weeks to come are told all the same.
    expect(ill?.weeks[0]?.mid).toBeGreaterThan(40);
  });

  it('is narrowed by sex, length and class, and a class keeps its size beside the others', () => {
    const sorted = told({
      lots: [
        lot('large', 'T1', 'lemon-tetra', { broodId: 'N', unsexed: 0, males: 10, females: 10, lengthMm: 30 }),
        lot('small', 'T2', 'lemon-tetra', { broodId: 'N', unsexed: 40, lengthMm: 18 }),
      ],
      growout: { moves: [], held: {}, grades: { large: 'show', small: 'rest' } },
    });
    const wished = (wish: Partial<ReadyWish>) => readyList(view(house(sorted)), { ...ANY_WISH, ...wish }).rows[0];
    const [all, show, rest] = [wished({}), wished({ grade: 'show' }), wished({ grade: 'rest' })];
    expect(all?.grades).toEqual(['show', 'rest']);
    expect([show?.heads, show?.now.mid, rest?.heads, rest?.now.mid]).toEqual([20, 20, 40, 0]);
    expect(all?.now.mid).toBe(20);
    expect(wished({ sex: 'male' })?.now.mid).toBe(10);
    expect(wished({ leastMm: 40 })?.now.mid).toBe(0);
    expect(wished({ leastMm: 15 })?.now.mid).toBeGreaterThan(50);
    expect(wished({ grade: 'show', sex: 'female', leastMm: 22 })?.now.mid).toBe(10);
    expect(wished({ grade: 'none such' })).toBeUndefined();
  });

  it('offers grown males beyond what the females ask for, and breeders past their time, but nobody at work', () => {
    const grown = (id: string, heads: Partial<StockLot>) => lot(id, 'T1', 'humpback-limia', { unsexed: 0, ...heads });
    const spare = (...lots: StockLot[]) => spareBreeders(view(house({ lots })));
    // Two to four females to a male: for six females three males serve.
    const [one, ...others] = spare(grown('group', { males: 5, females: 6 }), grown('named', { males: 1, name: 'Old torn fin' }));
    expect([one?.lotId, one?.males, one?.females, others]).toEqual(['group', 3, 0, []]);
    expect(one?.why).toContain('6 males to 6 females');
    expect(spare(grown('pair', { males: 1, females: 1 }))).toEqual([]);
    expect(spare(grown('aged', { males: 1, females: 2, bornOn: '2015-01-01' }))).toMatchObject([{ males: 1, females: 2 }]);
    expect(spare(grown('kept', { males: 1, females: 2, bornOn: '2015-01-01', isRetired: true }))).toEqual([]);
    expect(spare(grown('at work', { males: 5, females: 2, isProven: true }))).toEqual([]);
  });

  it('adds up by species: what is new each week comes to what is ready in the end', () => {
    const { calendar, rows: all } = readyList(view(house(told())));
    const [line] = calendar;
    const grows = all.every(({ now, weeks }) =>
      [now, ...weeks].every(({ mid }, i, list) => i === 0 || mid >= (list[i - 1]?.mid ?? 0)),
    );
    const end = all.reduce((sum, { weeks }) => sum + (weeks.at(-1)?.mid ?? 0), 0);
    const sum = (line?.now ?? 0) + (line?.weeks.reduce((total, count) => total + count, 0) ?? 0);
    expect(grows ? sum === end : sum >= end).toBe(true);
    expect(readyList(view(house({}))).rows).toEqual([]);
  });
});

describe('a packing day', () => {
  const order = (lotId: string) => ({
    orderId: 'o',
    number: 1,
    buyerKind: 'shop' as const,
    dueOn: addDays(TODAY, 1),
    lines: [
      {
        lineId: 'l',
        speciesKey: 'lemon-tetra',
        sex: 'any' as const,
        leastMm: null,
        heads: 4,
        broodId: null,
        collected: 0,
        reserved: [{ lotId, males: 0, females: 0, unsexed: 4 }],
      },
    ],
  });
  const choresOf = (others: boolean) => {
    const lots = [lot('going', 'T1', 'lemon-tetra'), ...(others ? [lot('staying', 'T1', 'lemon-tetra')] : [])];
    const facts = factsOf(house({ lots, sales: { orders: [order('going')] } }));
    const now = readHouse({ ...facts, stock: { ...facts.stock, leaving: leavingDays(facts.sales.orders) } }, NOW);
    return deriveRound(now, TODAY).stops.flatMap(({ chores }) => chores.map(({ text }) => text));
  };
  it('is begun unfed: the whole tank where all of it go, set apart where others live beside them', () => {
    const alone = choresOf(false);
    expect(alone.some((text) => text.startsWith('Feed nothing: 4 lemon tetra'))).toBe(true);
    expect(alone.some((text) => text.startsWith('Feed pellets'))).toBe(false);
    const beside = choresOf(true);
    expect(beside.some((text) => text.startsWith('Set 4 lemon tetra apart without food'))).toBe(true);
    expect(beside.some((text) => text.startsWith('Feed pellets'))).toBe(true);
  });

  it('is in trouble at once when those set aside are gone, too few or ill', () => {
    const states = (more: Partial<Parameters<typeof house>[0]>) =>
      orderOutlooks(view(house({ lots: [lot('going', 'T1', 'lemon-tetra')], sales: { orders: [order('going')] }, ...more })))[0];
    expect(states({})?.state).toBe('ready');
    expect(states({ lots: [] })?.lines[0]?.troubles[0]).toMatch(/set aside are gone/);
    expect(states({ lots: [lot('going', 'T1', 'lemon-tetra', { unsexed: 3 })] })?.lines[0]?.troubles[0]).toMatch(
      /Only 3 are left in T1/,
    );
    expect(states({ lots: [lot('going', 'T1', 'lemon-tetra', { unsexed: 0, males: 10 })] })?.lines[0]?.troubles[0]).toMatch(
      /sexed since/,
    );
    const ill = { illnesses: [{ tankId: 'T1', at: NOW, what: 'white spots' }] };
    expect(states({ room: ill })?.lines[0]?.troubles[0]).toMatch(/illness was seen/);
  });
});
