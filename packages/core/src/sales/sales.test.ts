import fc from 'fast-check';
import { addDays } from '../time';
import {
  fillLines,
  formatMoney,
  labelCode,
  payOf,
  planBags,
  readMoney,
  sumUpkeep,
  upkeep,
  USUAL_BAG,
  type FreeLot,
  type Stay,
} from './index';
import { SHIPPED_SPECIES, resolveSpecies } from '../species';
import { usualLossWPerK } from '../room';
import { totalHeads } from '../stock';

const lot = (lotId: string, more: Partial<FreeLot> = {}): FreeLot => ({
  lotId,
  broodId: null,
  speciesKey: 'lemon-tetra',
  tankId: `tank of ${lotId}`,
  ageDays: 100,
  males: 0,
  females: 0,
  unsexed: 10,
  shareOver: () => 1,
  ...more,
});
const line = (lineId: string, heads: number, more: object = {}) => ({
  lineId,
  speciesKey: 'lemon-tetra',
  sex: 'any' as const,
  leastMm: null,
  heads,
  broodId: null,
  ...more,
});

describe('an order is filled', () => {
  it('from the oldest lot that has enough, of a tank that is opened anyway, by parentage first', () => {
    const lots = [lot('young', { ageDays: 60 }), lot('old', { ageDays: 200 }), lot('few', { ageDays: 300, unsexed: 3 })];
    expect(fillLines([line('1', 5)], lots)[0]?.picks).toMatchObject([{ lotId: 'old', unsexed: 5 }]);
    // The second line stays in the tank the first one opened, as long as it has enough.
    const both = fillLines(
      [line('1', 3, { broodId: 'b' }), line('2', 4)],
      [...lots, lot('theirs', { broodId: 'b', ageDays: 1 })],
    );
    expect(both.map(({ picks }) => picks.map(({ lotId }) => lotId))).toEqual([['theirs'], ['theirs']]);
    expect(fillLines([line('1', 20)], lots)[0]).toMatchObject({ short: 0, picks: [{ unsexed: 10 }, { unsexed: 10 }] });
  });

  it('with the sex and the length asked for, and says how many are missing', () => {
    const lots = [lot('sexed', { males: 4, females: 6, unsexed: 5 })];
    expect(fillLines([line('1', 5, { sex: 'male' })], lots)[0]).toMatchObject({
      short: 1,
      picks: [{ males: 4, females: 0, unsexed: 0 }],
    });
    const small = [lot('small', { shareOver: (mm) => ((mm ?? 0) > 30 ? 0.25 : 1) })];
    expect(fillLines([line('1', 5, { leastMm: 35 })], small)[0]).toMatchObject({ short: 3, picks: [{ unsexed: 2 }] });
  });

  it('never with a head twice, nor with more than there are, whatever is asked', () => {
    const heads = fc.nat({ max: 30 });
    const someLot = fc.record({
      males: heads,
      females: heads,
      unsexed: heads,
      ageDays: fc.nat({ max: 400 }),
      tankId: fc.constantFrom('A', 'B', 'C'),
    });
    const someLine = fc.record({
      heads: fc.integer({ min: 1, max: 40 }),
      sex: fc.constantFrom('any' as const, 'male' as const, 'female' as const),
    });
    fc.assert(
      fc.property(fc.array(someLot, { maxLength: 12 }), fc.array(someLine, { maxLength: 8 }), (lots, lines) => {
        const all = lots.map((one, i) => lot(`l${i}`, one));
        const filled = fillLines(
          lines.map((one, i) => line(`${i}`, one.heads, { sex: one.sex })),
          all,
        );
        for (const one of all)
          for (const sex of ['males', 'females', 'unsexed'] as const) {
            const took = filled
              .flatMap(({ picks }) => picks.filter(({ lotId }) => lotId === one.lotId))
              .reduce((sum, pick) => sum + pick[sex], 0);
            expect(took).toBeLessThanOrEqual(one[sex]);
          }
        filled.forEach(({ picks, short }, i) =>
          expect(picks.reduce((sum, pick) => sum + totalHeads(pick), 0) + short).toBe(lines[i]?.heads),
        );
      }),
    );
  });
});

describe('a bag', () => {
  const limia = resolveSpecies(SHIPPED_SPECIES.find(({ key }) => key === 'humpback-limia')!);
  const cool = { ...USUAL_BAG, tempC: 24, ph: null };
  it('holds fewer the longer the way, the warmer and the larger they are, and more with oxygen', () => {
    const most = (lengthMm: number, more: object = {}) => planBags(limia, lengthMm, 500, { ...cool, ...more }).perBag;
    expect(most(30)).toBeGreaterThan(3);
    expect(most(30, { hours: 12 })).toBeLessThan(most(30));
    expect(most(30, { tempC: 29 })).toBeLessThan(most(30));
    expect(most(45)).toBeLessThan(most(30));
    expect(most(30, { gas: 'oxygen', hours: 12 })).toBeGreaterThan(most(30, { hours: 12 }));
  });
  it('lasts twice the hours when it is full, shares heads evenly, and takes one crayfish alone', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 15, max: 60 }),
        (heads, hours, mm) => {
          const plan = planBags(limia, mm, heads, { ...cool, hours });
          expect(plan.perBag * plan.bags).toBeGreaterThanOrEqual(heads);
          expect(plan.perBag * (plan.bags - 1)).toBeLessThan(heads);
          if (plan.perBag > 1) expect(plan.lastsHours).toBeGreaterThanOrEqual(2 * hours - 1e-9);
        },
      ),
    );
    const yabby = resolveSpecies(SHIPPED_SPECIES.find(({ key }) => key === 'yabby')!);
    expect(planBags(yabby, 40, 3, cool)).toMatchObject({ perBag: 1, bags: 3, limitedBy: 'alone' });
  });
});

describe('what a tank takes', () => {
  const FROM = '2026-03-01';
  const tank = { id: 'T', litres: 60, lossWPerK: 4, targetC: 25 };
  const sums = (stays: Stay[], doses: Parameters<typeof upkeep>[0]['doses'] = []) =>
    upkeep({ stays, tanks: [tank], doses, roomC: 19, from: FROM, to: '2026-03-10' });

  it('is shared by the lots that stand in it, day by day', () => {
    const found = sums(
      [
        { lotId: 'a', tankId: 'T', from: '2026-02-01', to: '2026-03-05' },
        { lotId: 'b', tankId: 'T', from: '2026-03-04', to: '2026-03-10' },
      ],
      [{ tankId: 'T', on: '2026-03-04', waterL: 20, meals: 2 }],
    );
    // Alone for three days, together for two, the other alone for five.
    expect(found.get('a')).toMatchObject({ tankDays: 4, litreDays: 240, waterL: 10, meals: 1 });
    expect(found.get('b')).toMatchObject({ tankDays: 6, waterL: 10 });
    // 4 W a degree, six degrees, ten days.
    expect(sumUpkeep([...found.values()]).heatingKwh).toBeCloseTo((4 * 6 * 24 * 10) / 1000, 9);
    expect(sums([{ lotId: 'a', tankId: 'T', from: '2026-01-01', to: '2026-02-01' }]).size).toBe(0);
  });

  it('is never more nor less than the days on which anybody was there', () => {
    const day = fc.nat({ max: 14 }).map((n) => addDays('2026-02-26', n));
    fc.assert(
      fc.property(fc.array(fc.tuple(day, day), { maxLength: 8 }), (pairs) => {
        const stays = pairs.map(([a, b], i) => ({ lotId: `l${i}`, tankId: 'T', from: a < b ? a : b, to: a < b ? b : a }));
        const days = Array.from({ length: 10 }, (_, i) => addDays(FROM, i));
        const lived = days.filter((on) => stays.some(({ from, to }) => from <= on && to >= on)).length;
        expect(sumUpkeep([...sums(stays).values()]).tankDays).toBeCloseTo(lived, 9);
      }),
    );
  });

  it('comes to what a fish cost, what a litre earns, and what dear heating would leave', () => {
    const rates = { kwhCents: 30, tankDayCents: 5, waterCentsPerM3: 300, roomC: 19 };
    const use = { tankDays: 100, litreDays: 7000, heatingKwh: 20, waterL: 1000, meals: 0, seconds: 7200 };
    const paid = payOf(
      {
        key: 'a',
        name: 'A',
        upkeep: use,
        foodCents: 400,
        directCents: 60,
        parentsCents: 40,
        incomeCents: 5000,
        sold: 18,
        given: 2,
        ready: 5,
      },
      rates,
    );
    expect(paid.costCents).toBe(400 + 100 + 500 + 600 + 300);
    expect(paid).toMatchObject({
      perFishCents: 76,
      netCents: 3100,
      litreWeeks: 1000,
      perLitreWeek: 3.1,
      perHour: 1550,
      netDearHeatCents: 2800,
    });
    expect(usualLossWPerK(60)).toBeCloseTo(4.6, 1);
  });
});

describe('money', () => {
  it('is read as it is typed and shown with its sign', () => {
    expect([
      readMoney('3'),
      readMoney('3.5'),
      readMoney('3,50'),
      readMoney('€2.05'),
      readMoney('-3'),
      readMoney('3.555'),
    ]).toEqual([300, 350, 350, 205, null, null]);
    expect(formatMoney(1234, 'EUR')).toBe('€12.34');
  });
  it('codes of labels are short, the same for the same animals, and differ', () => {
    const codes = Array.from({ length: 3000 }, (_, i) => labelCode(`line ${i}`, 'lot'));
    expect(new Set(codes).size).toBe(3000);
    expect(codes.every((code) => /^[2-9A-HJKMNP-TV-Z]{7}$/.test(code))).toBe(true);
    expect(labelCode('a', 'b')).toBe(labelCode('a', 'b'));
  });
});
