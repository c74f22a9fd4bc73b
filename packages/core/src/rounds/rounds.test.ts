import fc from 'fast-check';
import type { BroodRecord } from '../broods';
import { describeTank, onDay, readHouse, type HouseFacts } from '../house';
import { attempt, brood, factsOf, house, lot, NOW, tank, TODAY, view, type Told } from '../house/houseFixture';
import {
  deriveDemand,
  deriveLarder,
  deriveTide,
  EMPTY_LARDER,
  foodLadder,
  pourList,
  type Culture,
  type LarderFacts,
} from '../larder';
import { crowdingForecast, tankCrowding, tankFreeOn, youngCarried } from '../growout';
import { addDays, daysBetween, houseDay } from '../time';
import { defaultRecipe, type SpawningAttempt } from '../spawning';
import { SHIPPED_SPECIES, type EggPlan } from '../species';
import type { StockLot } from '../stock';
import { AGENDAS, deriveHorizon, deriveRound, jotTanks, packLanes } from './index';

const round = (told: Told, day = TODAY) => deriveRound(view(told), day);
const chores = (state: Told, code: string, day = TODAY) =>
  round(state, day).stops.find((stop) => stop.code === code)?.chores ?? [];
const exactly = (at: string) => ({ from: at, to: at });
/** A coming day, as the house will be then. */
const ahead = (told: Told, day: string) => {
  const facts = factsOf(told);
  const now = view(told);
  const then = onDay(facts, now, told.now, day);
  return { then, round: deriveRound(then, day, deriveRound(now, now.today)) };
};

describe('conditioning', () => {
  const programme = {
    id: 'P',
    lotId: 'pair',
    from: TODAY,
    to: '2026-03-23',
    foods: 'grindal worms',
    mealsPerDay: 3,
    separated: 'divider' as const,
    water: 'a third changed twice a week',
    lastScored: null,
  };
  const state = (more: Partial<typeof programme> | { lastScored: string } = {}) =>
    house({
      lots: [lot('pair', 'T1', 'lemon-tetra', { males: 1, females: 1, unsexed: 0 })],
      programmes: [{ ...programme, ...more }],
    });
  const kinds = (from: Told, day = TODAY) => chores(from, 'T1', day).map(({ kind }) => kind);

  it('gives its meals in place of the usual ones from its first to its last day', () => {
    expect(kinds(state())).toEqual(['condition', 'condition', 'condition', 'score']);
    expect(kinds(state(), '2026-03-23')).toContain('condition');
    expect(kinds(state({ to: '2026-03-12' }), '2026-03-13')).toEqual(['feedAdults']);
    expect(kinds(state({ from: '2026-03-11' }))).toEqual(['feedAdults']);
    expect(chores(state(), 'T1')[0]).toMatchObject({ text: 'Feed grindal worms', more: 'conditioning', walk: 0, amountText: '' });
    expect(chores(state({ mealsPerDay: 2 }), 'T1').map(({ walk }) => walk)).toEqual([0, 2, 0]);
    expect(chores(state(), 'T1')[0]?.why).toContain('3 × a day, shared between the walks.');
    expect(chores(state(), 'T1')[0]?.why).toEqual(
      expect.arrayContaining(['Males and females apart, by a divider.', 'a third changed twice a week']),
    );
  });

  it('asks for a score each week, and not before', () => {
    expect(kinds(state({ lastScored: '2026-03-04' }))).not.toContain('score');
    expect(kinds(state({ lastScored: '2026-03-03' }))).toContain('score');
  });
});

describe('a tank for growing out', () => {
  const culture = {
    id: 'C',
    name: 'C',
    food: 'microworm',
    startedAt: NOW,
    ripeSeenAt: null,
    fedAt: null,
    harvestedAt: null,
  } as const;
  const swimming = brood('N', 'lemon-tetra', {
    laid: { from: '2026-01-01T08:00:00.000Z', to: '2026-01-01T08:00:00.000Z' },
    hatched: exactly('2026-01-02T08:00:00.000Z'),
    freeSwimming: exactly('2026-01-06T08:00:00.000Z'),
  });
  const young = (tankId: string, more = {}) => lot(`young ${tankId}`, tankId, 'lemon-tetra', { broodId: 'N', ...more });

  it('is free today, the day after what books it, when its young can be sold, or nobody can say', () => {
    const free = (more: Partial<Told>) => tankFreeOn(view(house(more)), 'T1');
    const [grown] = view(house({ broods: [swimming], lots: [young('T1')] })).broodsByTank.get('T1') ?? [];
    const ready = houseDay(grown?.state.ready?.to ?? NOW, 'Europe/Dublin');
    expect(free({})).toBe(TODAY);
    expect(free({ lots: [lot('pair', 'T1', 'lemon-tetra')] })).toBeNull();
    expect(free({ lots: [lot('pair', 'T2', 'lemon-tetra')] })).toBe(TODAY);
    expect(free({ lots: [lot('pair', 'T1', 'lemon-tetra'), young('T1')], broods: [swimming] })).toBeNull();
    expect(free({ attempts: [attempt('X', 'T1', 'lemon-tetra', { to: '2026-03-14' })] })).toBe('2026-03-15');
    expect(
      free({
        attempts: [
          attempt('X', 'T1', 'lemon-tetra', { to: '2026-03-20' }),
          attempt('Y', 'T1', 'lemon-tetra', { to: '2026-03-14' }),
        ],
      }),
    ).toBe('2026-03-21');
    expect(free({ attempts: [attempt('X', 'T1', 'lemon-tetra', { to: null })] })).toBeNull();
    expect(free({ attempts: [attempt('X', 'T2', 'lemon-tetra', { to: null })] })).toBe(TODAY);
    expect(free({ broods: [swimming], lots: [young('T1')] })).toBe(ready);
    expect(ready > '2026-03-20').toBe(true);
    const facts = factsOf(house({}));
    const withCulture = (tankId: string) =>
      tankFreeOn(readHouse({ ...facts, larder: { ...EMPTY_LARDER, cultures: [{ ...culture, tankId }] } }, NOW), 'T1');
    expect([withCulture('T1'), withCulture('T2')]).toEqual([null, TODAY]);
  });

  it('are for sale by the curve until they are measured, and then by their length', () => {
    const grown = { ...swimming, laid: exactly('2025-08-01T08:00:00.000Z'), freeSwimming: exactly('2025-08-08T08:00:00.000Z') };
    const words = (lengthMm: number | null) =>
      describeTank(view(house({ broods: [grown], lots: [young('T1', { unsexed: 30, lengthMm })] })), 'T1').detail;
    expect(words(null)).toMatch(/^30 probably big enough to sell, day \d+ of feeding$/);
    expect(words(45)).toMatch(/^30 ready for sale, day/);
    expect(words(14)).toMatch(/^30 juveniles of 14 mm, day/);
  });

  it('carries young by the square of their length, all its broods together', () => {
    const crowding = (more: Partial<Told>) => tankCrowding(view(house(more)), 'T1');
    const one = { broods: [swimming], lots: [young('T1', { unsexed: 100 })] };
    const [read] = view(house(one)).broodsByTank.get('T1') ?? [];
    const { saleMm, juvenilesPerLitre } = read?.species.figures ?? { saleMm: [1, 1], juvenilesPerLitre: [1, 1] };
    const length = read?.state.lengthMm ?? 1;
    expect(length).toBeGreaterThan(4);
    const full = juvenilesPerLitre[1] * ((saleMm[0] + saleMm[1]) / 2 / length) ** 2 * 40;
    expect(crowding(one)).toBeCloseTo(100 / full, 9);
    const other = { ...swimming, id: 'O' };
    expect(
      crowding({ broods: [swimming, other], lots: [...one.lots, lot('o', 'T1', 'lemon-tetra', { broodId: 'O', unsexed: 50 })] }),
    ).toBeCloseTo(150 / full, 9);
    expect(
      crowding({ broods: [{ ...swimming, hatched: null, freeSwimming: null, laid: exactly(NOW) }], lots: one.lots }),
    ).toBeNull();
    expect(crowding({})).toBeNull();
    expect(crowding({ ...one, tanks: [tank('T1', { litres: 0 })] })).toBeNull();
    if (!read) throw new Error('no brood');
    const { figures } = read.species;
    const forecast = (unsexed: number, days = 400) =>
      crowdingForecast(view(house({ ...one, lots: [young('T1', { unsexed })] })), 'T1', days);
    expect(forecast(Math.ceil(full * 1.01))).toMatchObject({ tightOn: TODAY, fullOn: TODAY });
    // Tight is said at the lower figure, which is half the upper one here, and so before they are too many.
    const later = forecast(Math.floor(full * 0.4));
    const [tight, over] = [daysBetween(TODAY, later?.tightOn ?? TODAY), daysBetween(TODAY, later?.fullOn ?? TODAY)];
    expect(tight > 0 && over > tight).toBe(true);
    expect(forecast(Math.floor(full * 0.4), tight - 1)?.tightOn).toBeNull();
    expect(youngCarried(figures, length, tank('T1'), 'tight') / youngCarried(figures, length, tank('T1'), 'full')).toBeCloseTo(
      0.5,
      9,
    );
    expect(crowdingForecast(view(house({ lots: [lot('pair', 'T1', 'lemon-tetra')] })), 'T1', 400)).toBeNull();
    // Breeders beside them take their part.
    const beside = [...one.lots, lot('pair', 'T1', 'lemon-tetra', { males: 2, females: 2, unsexed: 0 })];
    expect(crowding({ ...one, lots: beside })).toBeCloseTo(100 / full + 4 / ((40 / 100) * 40), 9);
  });
});

describe('quarantine', () => {
  it('asks for a last look on the first day it may end, and on no other', () => {
    const facts = factsOf(house({ lots: [lot('pair', 'T1', 'lemon-tetra', { males: 1, females: 1, unsexed: 0 })] }));
    const quarantines = { T1: { from: '2026-02-10', endsOn: TODAY, daysLeft: 0 } };
    const apart = readHouse({ ...facts, stock: { ...facts.stock, quarantines } }, NOW);
    const looks = (day: string) =>
      deriveRound(apart, day).stops.flatMap((stop) => stop.chores.filter(({ kind }) => kind === 'quarantineEnd'));
    expect(looks(TODAY)).toMatchObject([{ text: 'Check every fish before quarantine ends', way: 'watch' }]);
    expect([looks('2026-03-09'), looks('2026-03-11')]).toEqual([[], []]);
  });
});

describe('chores', () => {
  it('take whoever eats eggs or young out on the day of the method, back to where they came from, with an alarm after', () => {
    const stay = (key: string, more: Partial<BroodRecord>, now: string, lots: StockLot[] = []) =>
      house({
        now,
        lots: [lot('eggs', 'T1', key, { broodId: 'b', unsexed: 50 }), ...lots],
        broods: [brood('b', key, more)],
      });
    const pair = (key: string, more: Partial<StockLot> = {}) =>
      lot('adults', 'T1', key, { males: 3, females: 4, unsexed: 0, homeTankId: 'T2', ...more });
    const leaves = (told: Told, day = TODAY) =>
      chores(told, 'T1', day).flatMap(({ kind, text, amountText, overdue, tick }) =>
        kind === 'leave' ? [{ text, amountText, overdue, tick: tick?.what ?? null }] : [],
      );
    const alarm = (told: Told) =>
      view(told) &&
      round(told, told.now.slice(0, 10))
        .alarms.filter(({ key }) => key.startsWith('leave'))
        .map(({ title }) => title);

    const tetra = (now: string) => stay('lemon-tetra', {}, now, [pair('lemon-tetra')]);
    expect(leaves(tetra(NOW))).toEqual([
      { text: 'Take the adults out', amountText: '7, back to T2', overdue: false, tick: 'adults:lemon-tetra' },
    ]);
    const next = '2026-03-11T08:00:00.000Z';
    expect([leaves(tetra(next), '2026-03-11')[0]?.overdue, alarm(tetra(NOW)), alarm(tetra(next))]).toEqual([
      true,
      [],
      ['T1: the adults are still there.'],
    ]);
    expect(leaves(stay('lemon-tetra', {}, NOW))).toEqual([]);

    // The bubble-nester's female leaves at once, the male when the young swim; nobody says where to where it is not known.
    const betta = [lot('pair', 'T1', 'fighting-fish', { males: 1, females: 1, unsexed: 0 })];
    expect(leaves(stay('fighting-fish', {}, NOW, betta)).map(({ text, amountText, tick }) => [text, amountText, tick])).toEqual([
      ['Take the female out', '1: choose a tank', null],
    ]);
    const swam = {
      laid: exactly('2026-03-05T08:00:00.000Z'),
      hatched: exactly('2026-03-07T08:00:00.000Z'),
      freeSwimming: exactly('2026-03-10T07:00:00.000Z'),
    };
    expect(
      leaves(stay('fighting-fish', swam, NOW, [lot('male', 'T1', 'fighting-fish', { males: 1, unsexed: 0 })])).map(
        ({ text }) => text,
      ),
    ).toEqual(['Take the male out']);
    // A guarding pair stays, and so do parents of a recipe that leaves them.
    expect(leaves(stay('kribensis', {}, NOW, [pair('kribensis')]))).toEqual([]);
  });

  it('strip a mouthbrooder early into a tumbler or late into a nursery, or set her apart, as the recipe says; then her eggs are eggs', () => {
    const KEY = 'dwarf-egyptian-mouthbrooder';
    const held = (days: number, eggPlan: EggPlan, more: Partial<BroodRecord> = {}, females = 3) =>
      chores(
        house({
          lots: [lot('eggs', 'T1', KEY, { broodId: 'b' }), lot('f', 'T1', KEY, { females, unsexed: 0 })],
          broods: [brood('b', KEY, { attemptId: 'a', laid: exactly(`${addDays(TODAY, -days)}T08:00:00.000Z`), ...more })],
          attempts: [attempt('a', 'T1', KEY, { hasBrood: true, recipe: { ...defaultRecipe('mouthbrooder'), eggPlan } })],
        }),
        'T1',
      );
    const early = (...given: Parameters<typeof held>) =>
      held(...given).find(({ kind }) => kind === 'strip' || kind === 'setApart') ?? null;
    // She lets go after some ten to fourteen days at 26 °C.
    expect([early(2, 'tumbler'), early(5, 'pullEggs'), early(5, 'leaveWithParents')]).toEqual([null, null, null]);
    expect(early(5, 'tumbler')).toMatchObject({
      text: 'Take the eggs from her and put them in the tumbler',
      tick: { kind: 'stripped' },
    });
    expect(early(5, 'tumbler')?.caution).toMatch(/shown you how/);
    expect(early(11, 'pullEggs')?.text).toBe('Take the fry from her into a nursery tank');
    expect(early(9, 'leaveWithParents')?.text).toBe('Move the female carrying to a quiet tank with plants');
    expect(early(9, 'leaveWithParents', {}, 1)).toBeNull();
    const out = held(5, 'tumbler', { stripped: exactly(NOW) });
    // Beside her they are first of all taken out.
    expect(out.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['boxEggs', 'lookEggs']));
    expect(out.some(({ kind }) => kind === 'strip')).toBe(false);
  });

  it('change water daily in boxes of eggs only, a cup in a small one, and none on the day they hatch but for dye', () => {
    const box = (more: Partial<Told>, recipe: Partial<SpawningAttempt['recipe']> = {}) => {
      const pulled = { ...defaultRecipe('adhesivePlacer'), ...recipe };
      return chores(
        house({
          lots: [lot('eggs', 'T1', 'sixray-aspidoras', { broodId: 'b' })],
          broods: [brood('b', 'sixray-aspidoras', { attemptId: 'a' })],
          attempts: [attempt('a', 'T1', 'sixray-aspidoras', { hasBrood: true, recipe: pulled })],
          ...more,
        }),
        'T1',
      );
    };
    const change = (...given: Parameters<typeof box>) =>
      box(...given).find(({ kind }) => kind === 'eggChange')?.amount?.value ?? null;
    expect(change({})).toBe(20);
    expect(change({ tanks: [tank('T1', { litres: 2 })] })).toBe(0.25);
    expect(change({ tanks: [tank('T1', { outdoor: true })] })).toBeNull();
    // Loose eggs in a spawning tank are not siphoned, nor picked out of moss; they are looked at.
    const loose = chores(
      house({
        lots: [lot('eggs', 'T1', 'lemon-tetra', { broodId: 'b' })],
        broods: [brood('b', 'lemon-tetra', { attemptId: 'a' })],
        attempts: [attempt('a', 'T1', 'lemon-tetra', { hasBrood: true })],
      }),
      'T1',
    ).map(({ kind }) => kind);
    expect(loose).toEqual(expect.arrayContaining(['lookEggs', 'eggCare']));
    expect(loose.filter((kind) => ['eggChange', 'pickWhite', 'dye'].includes(kind))).toEqual([]);
    const due = { broods: [brood('b', 'sixray-aspidoras', { attemptId: 'a', laid: exactly('2026-03-06T20:00:00.000Z') })] };
    expect(change(due)).toBeNull();
    const dye = { fungus: 'dye', dyeMgPerL: 2, dyeStockPercent: 1 } as const;
    expect(box(due, dye).map(({ kind }) => kind)).toEqual(expect.arrayContaining(['eggChange', 'dye']));
    const after = [
      brood('b', 'sixray-aspidoras', {
        attemptId: 'a',
        laid: exactly('2026-03-05T08:00:00.000Z'),
        hatched: exactly('2026-03-09T08:00:00.000Z'),
      }),
    ];
    expect(box({ broods: after }, dye).find(({ kind }) => kind === 'clearDye')).toMatchObject({
      amountText: '20 L, 2 of 5',
      tick: { kind: 'waterChange' },
    });
  });

  it('of guarded eggs leave the male in peace: a note, and nothing to pick', () => {
    const state = house({
      lots: [
        lot('eggs', 'T1', 'red-lizard-whiptail', { broodId: 'b' }),
        lot('male', 'T1', 'red-lizard-whiptail', { males: 1, unsexed: 0 }),
      ],
      broods: [brood('b', 'red-lizard-whiptail')],
    });
    const stop = round(state).stops[0];
    expect(stop?.notes.join(' ')).toContain('male is on eggs');
    expect(stop?.chores.map((chore) => chore.kind)).not.toContain('pickWhite');
  });

  it('of peat eggs are to bag them, a look once a week, and the wetting on its day; no water', () => {
    const at = (age: number, wetOn: string | null) =>
      chores(
        house({
          lots: [lot('eggs', 'T1', 'rachows-nothobranch', { broodId: 'b' })],
          broods: [
            brood('b', 'rachows-nothobranch', {
              laid: exactly(new Date(Date.parse(NOW) - age * 86_400_000).toISOString()),
              peat: wetOn === null ? null : { label: 'N1', place: null, moisture: 'damp', wetOn, at: NOW },
            }),
          ],
        }),
        'T1',
      ).map((chore) => chore.kind);
    expect(at(3, null)).toEqual(['bagPeat']);
    expect(at(7, '2027-01-01')).toEqual(['peatCheck']);
    expect(at(8, '2027-01-01')).toEqual([]);
    expect(at(8, NOW.slice(0, 10))).toEqual(['wetPeat']);
  });

  it('feed the young by their own ration and the adults by theirs, and nobody in a cold pond', () => {
    const lots = [
      lot('fry', 'T1', 'kribensis', { broodId: 'b', unsexed: 60 }),
      lot('pair', 'T1', 'kribensis', { males: 1, females: 1, unsexed: 0 }),
    ];
    const young = brood('b', 'kribensis', {
      hatched: exactly('2026-02-25T08:00:00.000Z'),
      freeSwimming: exactly('2026-03-01T08:00:00.000Z'),
      laid: exactly('2026-02-22T08:00:00.000Z'),
    });
    // Three meals of the young on three walks, one of the grown on the first.
    expect(chores(house({ lots, broods: [young] }), 'T1').map((chore) => [chore.walk, chore.text])).toEqual([
      [0, 'Feed brine shrimp'],
      [1, 'Feed brine shrimp'],
      [2, 'Feed brine shrimp'],
      [0, 'Feed pellets'],
    ]);
    // The first walk's two are one line.
    const stop = deriveRound(readHouse(factsOf(house({ lots, broods: [young] })), NOW), TODAY).stops.find(
      ({ tankId }) => tankId === 'T1',
    );
    expect(stop?.meals.map(({ walk, keys }) => [walk, keys.length])).toEqual([
      [0, 2],
      [1, 1],
      [2, 1],
    ]);
    const pond = house({
      tanks: [tank('Y1', { outdoor: true })],
      lots: [lot('fish', 'Y1', 'ranchu-goldfish')],
      temperatures: { Y1: { at: NOW, tempC: 6.5 } },
    });
    expect(round(pond).stops[0]).toMatchObject({ chores: [], notes: ['6.5 °C, too cold to feed; food would rot.'] });
  });

  it('remind of a trigger from its day on until it is logged', () => {
    const planned = (more: Partial<SpawningAttempt>) =>
      house({ attempts: [attempt('a', 'T1', 'lemon-tetra', { triggerOn: '2026-03-09', ...more })] });
    expect(chores(planned({}), 'T1').find((chore) => chore.kind === 'trigger')).toMatchObject({
      overdue: false,
      tick: { kind: 'triggered', id: 'a', what: null },
    });
    expect(chores(planned({ triggerOn: '2026-03-11' }), 'T1')).toEqual([]);
    expect(chores(planned({ triggered: exactly(NOW) }), 'T1')).toEqual([]);
    expect(chores(planned({ triggerOn: '2026-03-07' }), 'T1')[0]?.overdue).toBe(true);
  });

  it('keep one key for one subject and day, so that an outcome finds its chore', () => {
    const state = house({ lots: [lot('pair', 'T1', 'kribensis', { males: 1, females: 1, unsexed: 0 })] });
    const [fed] = chores(state, 'T1');
    const outcome = {
      entryId: 'e',
      choreKey: fed?.key ?? '',
      day: TODAY,
      status: 'done' as const,
      amount: 2,
      unit: 'pinch',
      text: 'Pellets',
      tankId: 'T1',
      by: 'sitter',
    };
    const ticked = round(house({ ...state, outcomes: [outcome] }));
    expect(ticked).toMatchObject({ total: 1, done: 1, minutesLeft: 0 });
    expect(chores(house({ ...state, outcomes: [outcome] }), 'T1', '2026-03-11')[0]?.outcome).toBeNull();
    const gone = round(house({ outcomes: [outcome] }));
    expect(gone.stops[0]?.chores[0]).toMatchObject({ text: 'Pellets', outcome: { status: 'done' } });
  });
});

describe('alarms', () => {
  const titles = (state: Told) => round(state).alarms.map((alarm) => alarm.title);

  it('say what is wrong with a temperature, and when a probe fell silent', () => {
    const lots = [lot('pair', 'T1', 'kribensis')];
    expect(titles(house({ lots, temperatures: { T1: { at: NOW, tempC: 19 } } }))).toEqual(['T1 is too cold: 19 °C.']);
    expect(titles(house({ lots, temperatures: { T1: { at: NOW, tempC: 31 } } }))).toEqual(['T1 is too warm: 31 °C.']);
    expect(titles(house({ lots, temperatures: { T1: { at: '2026-03-04T08:00:00.000Z', tempC: 25 } } }))).toEqual([
      'T1: no temperature for 6 days.',
    ]);
    expect(titles(house({ lots, temperatures: { T1: { at: NOW, tempC: 25 } } }))).toEqual([]);
  });

  it('see crowding before it comes, with the number that fits', () => {
    const young = brood('b', 'angelfish', {
      laid: exactly('2026-01-05T08:00:00.000Z'),
      hatched: exactly('2026-01-08T08:00:00.000Z'),
      freeSwimming: exactly('2026-01-13T08:00:00.000Z'),
    });
    const of = (count: number) =>
      round(house({ lots: [lot('young', 'T1', 'angelfish', { broodId: 'b', unsexed: count })], broods: [young] })).alarms.find(
        (alarm) => alarm.key.startsWith('crowd'),
      );
    expect(of(200)).toMatchObject({ severity: 'now', title: 'T1 is too full.' });
    expect(of(5)).toBeUndefined();
    const soon = Array.from({ length: 80 }, (_, i) => of(20 + i)).find((alarm) => alarm?.severity === 'soon');
    expect(soon?.title).toMatch(/^T1 is getting full/);
  });
});

describe('the Horizon', () => {
  it('shows what is predicted as predicted, what is planned as fixed, within three weeks', () => {
    const state = house({
      lots: [lot('eggs', 'T1', 'sixray-aspidoras', { broodId: 'b' })],
      broods: [brood('b', 'sixray-aspidoras')],
      attempts: [
        attempt('a', 'T2', 'lemon-tetra', { triggerOn: '2026-03-15', to: '2026-03-20' }),
        attempt('far', 'T2', 'lemon-tetra', { triggerOn: '2026-05-15', to: '2026-05-20', from: '2026-05-10' }),
      ],
    });
    const items = deriveHorizon(view(state));
    expect(items.find((item) => item.label === 'sixray aspidoras hatch T1')).toMatchObject({
      kind: 'eggs',
      predicted: true,
      subject: { kind: 'brood', id: 'b' },
    });
    expect(items.find((item) => item.label === 'trigger T2')).toMatchObject({
      kind: 'breeders',
      predicted: false,
      from: '2026-03-15',
    });
    expect(items.find((item) => item.label === 'tank T2 free')).toMatchObject({ from: '2026-03-21' });
    expect(items.every((item) => item.from >= TODAY && item.from <= '2026-03-30' && item.to >= item.from)).toBe(true);
  });

  it('lays bars into lanes without overlap, earlier ones first, and drops only what has no room', () => {
    const bars = fc
      .array(fc.record({ from: fc.integer({ min: 0, max: 20 }), length: fc.integer({ min: 1, max: 8 }) }), { maxLength: 25 })
      .map((list) => list.map((bar, i) => ({ key: `k${i}`, from: bar.from, to: bar.from + bar.length })));
    fc.assert(
      fc.property(bars, fc.integer({ min: 1, max: 4 }), (items, lanes) => {
        const placed = packLanes(items, lanes, (item) => item);
        const overlap = (a: (typeof items)[number], b: (typeof items)[number]) => a.from < b.to && b.from < a.to;
        for (const a of items)
          for (const b of items)
            if (a !== b && placed.has(a.key) && placed.get(a.key) === placed.get(b.key)) expect(overlap(a, b)).toBe(false);
        items.forEach((item, i) => {
          if (placed.has(item.key)) return;
          const inTheWay = new Set(
            items
              .slice(0, i)
              .filter((other) => placed.has(other.key) && overlap(item, other))
              .map((other) => placed.get(other.key)),
          );
          expect(inTheWay.size).toBe(lanes);
        });
      }),
    );
  });
});

describe('the larder plan', () => {
  it('looks ahead of a planned spawning, since slow foods are started before it', () => {
    const [plan] = deriveLarder(view(house({ attempts: [attempt('a', 'T1', 'lemon-tetra', { triggerOn: '2026-03-20' })] })));
    expect(plan).toMatchObject({ attemptId: 'a', food: 'infusoria', status: 'start', label: 'Lemon tetra planned in T1' });
    expect(plan && plan.startBy !== null && plan.startBy < plan.from && plan.from > '2026-03-20').toBe(true);
  });

  it('forgets broods that eat already, and what lies months ahead', () => {
    const eating = brood('b', 'kribensis', {
      laid: exactly('2026-02-10T08:00:00.000Z'),
      hatched: exactly('2026-02-13T08:00:00.000Z'),
      freeSwimming: exactly('2026-02-20T08:00:00.000Z'),
    });
    const lots = [lot('fry', 'T1', 'kribensis', { broodId: 'b' })];
    expect(deriveLarder(view(house({ lots, broods: [eating] })))).toEqual([]);
    expect(deriveLarder(view(house({ attempts: [attempt('a', 'T1', 'lemon-tetra', { triggerOn: '2026-06-20' })] })))).toEqual([]);
  });
});

describe('the fasting day', () => {
  it('leaves out the grown animals, not their young nor those in conditioning, and says so', () => {
    const told = house({
      lots: [
        lot('grown', 'T1', 'lemon-tetra', { males: 3, females: 3, unsexed: 0 }),
        lot('young', 'T2', 'lemon-tetra', { bornOn: '2026-02-20', lengthMm: 9 }),
      ],
    });
    // 10 March 2026 is a Tuesday.
    const facts = factsOf(told);
    const fasting = (fastOn: number | null) => {
      const of = readHouse({ ...facts, room: { ...facts.room, hours: { ...facts.room.hours, fastOn } } }, NOW);
      return deriveRound(of, TODAY).stops.flatMap(({ code, chores: list, notes }) => [
        ...list.filter(({ kind }) => kind === 'feedAdults').map(() => `${code} fed`),
        ...notes.filter((words) => words.startsWith('Fasting day')).map(() => `${code} fasts`),
      ]);
    };
    expect(fasting(null)).toContain('T1 fed');
    expect(fasting(3)).toContain('T1 fed');
    expect(fasting(2)).not.toContain('T1 fed');
    expect(fasting(2)).toContain('T2 fed');
  });

  it('has a sister: on one day of the week young meet a food of their size that they do not know', () => {
    const swam = { from: '2026-02-08T08:00:00.000Z', to: '2026-02-08T08:00:00.000Z' };
    const young = brood('b', 'lemon-tetra', { laid: swam, hatched: swam, freeSwimming: swam });
    const facts = factsOf(house({ broods: [young], lots: [lot('young', 'T2', 'lemon-tetra', { broodId: 'b' })] }));
    const offered = (newFoodOn: number | null, day = TODAY) => {
      const of = readHouse({ ...facts, room: { ...facts.room, hours: { ...facts.room.hours, newFoodOn } } }, NOW);
      return deriveRound(of, day).stops.flatMap(({ chores: list }) =>
        list.flatMap(({ more }) => /a taste of (.*), new to them$/.exec(more)?.[1] ?? []),
      );
    };
    expect(offered(null)).toEqual([]);
    expect(offered(3)).toEqual([]);
    // Of their size it is the only one: no culture lives in this house.
    expect([...new Set(offered(2))]).toEqual(['crushed flake']);
    expect(new Set(offered(2))).toEqual(new Set(offered(2, '2026-03-17')));
  });
});

describe('the larder of a house', () => {
  const jar = (id: string, food: Culture['food'], startedAt: string, more: Partial<Culture> = {}): Culture => ({
    id,
    name: id,
    food,
    startedAt,
    ripeSeenAt: null,
    fedAt: null,
    harvestedAt: null,
    tankId: null,
    ...more,
  });
  const swimming = (id: string, since: string) =>
    brood(id, 'lemon-tetra', {
      laid: exactly('2026-03-01T08:00:00.000Z'),
      hatched: exactly('2026-03-02T20:00:00.000Z'),
      freeSwimming: exactly(since),
    });
  const fed = house({
    lots: [
      lot('one', 'T1', 'lemon-tetra', { broodId: 'b', unsexed: 100 }),
      lot('two', 'T2', 'lemon-tetra', { broodId: 'c', unsexed: 100 }),
      lot('eggs', 'T2', 'kribensis', { broodId: 'k', unsexed: 60 }),
    ],
    broods: [swimming('b', '2026-03-10T06:00:00.000Z'), swimming('c', '2026-03-10T06:00:00.000Z'), brood('k', 'kribensis')],
  });

  it('asks for nothing while yolk lasts, and from the first day they may swim for the first food', () => {
    const rows = deriveDemand(view(fed), 40);
    const krib = rows.find(({ key, classKey }) => key === 'brood:k' && classKey === 'nauplii');
    expect(krib?.mid.slice(0, 4)).toEqual([0, 0, 0, 0]);
    expect(krib?.mid.some((ml) => ml > 0)).toBe(true);
    const small = rows.find(({ key, classKey }) => key === 'brood:b' && classKey === 'smallest');
    expect(small?.mid[0]).toBeGreaterThan(0);
    expect(small?.mid.at(-1)).toBe(0);
    // Fewer live the further ahead: the band opens downwards and upwards of the expected.
    for (const { low, mid, high } of rows)
      mid.forEach((ml, day) => expect([(low[day] ?? 0) <= ml + 1e-9, ml <= (high[day] ?? 0) + 1e-9]).toEqual([true, true]));
  });

  it('pours in walking order, the tank’s own food before what stands in for it, and no more than a vessel can spare', () => {
    const told = house({
      ...fed,
      larder: {
        cultures: [
          jar('Infusoria', 'infusoria', '2026-02-25T08:00:00.000Z', { ripeSeenAt: '2026-03-04T08:00:00.000Z', vesselL: 0.5 }),
          jar('Paramecium', 'paramecium', '2026-02-20T08:00:00.000Z', { ripeSeenAt: '2026-03-04T08:00:00.000Z', vesselL: 10 }),
        ],
      },
    });
    const { vessels, unfed } = pourList(view(told));
    const [own, other] = ['Infusoria', 'Paramecium'].map((name) => vessels.find((vessel) => vessel.name === name));
    expect(own?.pours.map(({ code, insteadOf }) => [code, insteadOf])).toEqual([['T1', null]]);
    expect(other?.pours.map(({ code, insteadOf }) => [code, insteadOf])).toEqual([
      ['T1', 'infusoria'],
      ['T2', 'infusoria'],
    ]);
    for (const { takeMl, mayTakeMl } of vessels) expect(takeMl).toBeLessThanOrEqual(mayTakeMl * 1.02 + 0.5);
    expect(unfed).toEqual([]);
    const harvest = round(told)
      .stops.flatMap(({ chores: list }) => list)
      .filter(({ kind }) => kind === 'harvest');
    expect(harvest.map(({ text }) => text).sort()).toEqual(['Harvest Infusoria', 'Harvest Paramecium']);
    expect(
      harvest.every(({ amount, tick }) => amount?.unit === 'ml' && amount.value > 0 && tick?.kind === 'cultureHarvested'),
    ).toBe(true);
  });

  it('tells the tank that gets nothing, how it is bridged and what is ripe next', () => {
    const cultures = [jar('Young jar', 'infusoria', '2026-03-09T08:00:00.000Z')];
    const { vessels, unfed } = pourList(view(house({ ...fed, larder: { cultures } })));
    expect(vessels).toEqual([]);
    expect(unfed.map(({ code, food }) => [code, food])).toEqual([
      ['T1', 'infusoria'],
      ['T2', 'infusoria'],
    ]);
    expect(unfed[0]).toMatchObject({ next: { name: 'Young jar' }, choreKey: `feedYoung:one:${TODAY}` });
    expect(chores(fed, 'T1').some(({ key }) => key === unfed[0]?.choreKey)).toBe(true);
  });

  it('moves a planned start with the hatch it is for, asks for it on its day, and is done when one was started', () => {
    const row = deriveDemand(view(fed), 56).find(({ key, classKey }) => key === 'brood:k' && classKey === 'nauplii');
    const from = row?.mid.findIndex((ml) => ml > 0) ?? 0;
    const day = (offset: number) => new Date(Date.parse(`${TODAY}T00:00:00Z`) + offset * 86_400_000).toISOString().slice(0, 10);
    const planned = [{ id: 'p', food: 'moina' as const, day: day(1), takenAt: NOW, needKey: 'brood:k', needFrom: day(from - 2) }];
    const told = house({ ...fed, larder: { planned } });
    const vessel = deriveTide(view(told))
      .classes.find(({ key }) => key === 'nauplii')
      ?.vessels.find(({ id }) => id === 'p');
    expect(vessel).toMatchObject({ startDay: 3, movedDays: 2, state: 'planned' });
    const onDayOf = house({
      ...fed,
      larder: { planned: [{ ...planned[0], needKey: null, needFrom: null, day: TODAY }] as LarderFacts['planned'] },
    });
    const starts = (of: Told) =>
      round(of)
        .stops.flatMap(({ chores: list }) => list)
        .filter(({ text }) => text === 'Start moina');
    expect(starts(onDayOf)).toHaveLength(1);
    const begun = { ...onDayOf.larder, cultures: [jar('Moina 1', 'moina', '2026-03-10T08:30:00.000Z')] };
    expect(starts(house({ ...onDayOf, larder: begun }))).toEqual([]);
  });

  it('gives less where food was left over, and more where it was gone', () => {
    const looks = (sight: 'left' | 'gone') => ({ meals: [{ tankId: 'T1', at: '2026-03-09T08:00:00.000Z', sight }] });
    const amount = (larder: Partial<LarderFacts>) =>
      chores(house({ ...fed, larder }), 'T1').find(({ key }) => key === `feedYoung:one:${TODAY}`)?.amount?.value ?? 0;
    expect(amount(looks('left'))).toBeLessThan(amount({}));
    expect(amount(looks('gone'))).toBeGreaterThan(amount({}));
  });

  it('tells each brood’s ladder by its smallest tenth, each food with its size and days', () => {
    const read = view(fed).broods.find(({ brood: { id } }) => id === 'b');
    const ladder = read ? foodLadder(read, TODAY, 'Europe/Dublin') : null;
    expect(ladder?.rungs[0]).toMatchObject({ food: 'infusoria', state: 'now', sizeUm: [20, 150] });
    expect(ladder?.isMeasured).toBe(false);
    const days = ladder?.rungs.map(({ from }) => from) ?? [];
    expect(days).toEqual([...days].sort());
    expect(ladder && ladder.smallestMm < ladder.meanMm).toBe(true);
  });
});

describe('the tanks of the jot line', () => {
  it('count only attempts that have begun, those without a brood first', () => {
    const of = (attempts: SpawningAttempt[]) =>
      jotTanks(view(house({ attempts }))).find((found) => found.code === 'T1')?.attempts;
    expect(of([attempt('a', 'T1', 'lemon-tetra'), attempt('later', 'T1', 'lemon-tetra', { from: '2026-03-20' })])).toBe(1);
    expect(of([attempt('a', 'T1', 'lemon-tetra', { hasBrood: true }), attempt('b', 'T1', 'lemon-tetra')])).toBe(1);
    expect(of([attempt('a', 'T1', 'lemon-tetra'), attempt('b', 'T1', 'lemon-tetra')])).toBe(2);
    expect(of([attempt('a', 'T1', 'lemon-tetra', { to: '2026-03-09' })])).toBe(0);
  });
});

describe('the agendas', () => {
  it('declare each kind of chore once, under its name, with what it takes', () => {
    const kinds = AGENDAS.flatMap((agenda) => Object.entries(agenda.kinds));
    expect(kinds.map(([name]) => name).filter((name, i, all) => all.indexOf(name) !== i)).toEqual([]);
    for (const [name, kind] of kinds) {
      expect([name, kind.name]).toEqual([name, name]);
      expect([name, kind.seconds > 0, kind.words.length > 2]).toEqual([name, true, true]);
    }
    const names = new Set(kinds.map(([name]) => name));
    expect(kinds.flatMap(([, { covers }]) => covers).filter((covered) => !names.has(covered))).toEqual([]);
  });

  it('ask for one change of water where a brood has its own, and tick it in each tank for itself', () => {
    const recipe = { ...defaultRecipe('adhesivePlacer'), fungus: 'dye' as const, dyeMgPerL: 2, dyeStockPercent: 1 };
    const told = house({
      lots: [lot('here', 'T1', 'sixray-aspidoras', { broodId: 'b' }), lot('there', 'T2', 'sixray-aspidoras', { broodId: 'b' })],
      broods: [brood('b', 'sixray-aspidoras', { attemptId: 'a' })],
      attempts: [attempt('a', 'T1', 'sixray-aspidoras', { hasBrood: true, recipe })],
      regimes: [{ tankId: 'T1', regime: { changeFraction: 0.3, everyDays: 7, ceilingPpm: null, from: TODAY }, dueOn: TODAY }],
    });
    const keys = (code: string) => chores(told, code).map(({ key }) => key);
    expect(chores(told, 'T1').map(({ kind }) => kind)).not.toContain('waterChange');
    expect(chores(told, 'T1').find(({ kind }) => kind === 'eggChange')?.tick).toMatchObject({ kind: 'waterChange', id: 'T1' });
    const dye = keys('T1').find((key) => key.startsWith('dye'));
    expect(dye).toBeDefined();
    expect(keys('T1').filter((key) => keys('T2').includes(key))).toEqual([]);
    const ticked = {
      entryId: 'e',
      choreKey: dye ?? '',
      day: TODAY,
      status: 'done' as const,
      amount: 4,
      unit: 'ml',
      text: 'dye',
      tankId: 'T1',
      by: 'sitter',
    };
    const isDone = (code: string) =>
      chores(house({ ...told, outcomes: [ticked] }), code).find(({ kind }) => kind === 'dye')?.outcome?.status;
    expect([isDone('T1'), isDone('T2')]).toEqual(['done', undefined]);
  });

  it('say of a brood whose species contradicts itself that it has no dates, and go on with all others', () => {
    const own = SHIPPED_SPECIES.find(({ key }) => key === 'lemon-tetra');
    const told = house({
      lots: [lot('lost', 'T1', 'lemon-tetra', { broodId: 'b' }), lot('sound', 'T2', 'sixray-aspidoras', { broodId: 'c' })],
      broods: [brood('b', 'lemon-tetra'), brood('c', 'sixray-aspidoras')],
      saved: own ? [{ ...own, figures: { developmentZeroC: 30 } }] : [],
      attempts: [attempt('a', 'T2', 'lemon-tetra', { triggerOn: '2026-03-20' })],
    });
    expect(round(told).alarms.find(({ key }) => key === 'trouble:b')).toMatchObject({
      severity: 'now',
      title: 'T1: b has no dates.',
      subject: { kind: 'species', id: 'lemon-tetra' },
    });
    expect(round(told).stops.find(({ code }) => code === 'T1')?.notes[0]).toContain('contradict each other');
    expect(chores(told, 'T2').map(({ kind }) => kind)).toContain('pickWhite');
    expect(deriveHorizon(view(told)).some(({ label }) => label.includes('sixray aspidoras hatch'))).toBe(true);
  });
});

describe('a coming day', () => {
  it('is worked out as that day: older, further, and what stays until done is asked for once', () => {
    const swam = brood('b', 'lemon-tetra', {
      laid: exactly('2026-03-01T08:00:00.000Z'),
      hatched: exactly('2026-03-02T20:00:00.000Z'),
      freeSwimming: exactly('2026-03-06T08:00:00.000Z'),
    });
    const regime = {
      tankId: 'T1',
      dueOn: TODAY,
      regime: { changeFraction: 0.25, everyDays: 7, ceilingPpm: null, waterId: null },
    } as unknown as Told['regimes'][number];
    const told = house({
      lots: [lot('fry', 'T1', 'lemon-tetra', { broodId: 'b', unsexed: 80 })],
      broods: [swam],
      regimes: [regime],
    });
    const kinds = (day: string) => ahead(told, day).round.stops.flatMap((stop) => stop.chores.map(({ kind }) => kind));
    expect(round(told).stops[0]?.chores.map(({ kind }) => kind)).toContain('waterChange');
    expect(kinds('2026-03-12')).not.toContain('waterChange');
    expect(kinds('2026-03-12')).toContain('feedYoung');
    const age = (day: string) => ahead(told, day).then.broods[0]?.state.feedingDays ?? 0;
    expect(age('2026-03-12') - age(TODAY)).toBeCloseTo(2, 6);
  });

  it('takes as seen what should be over by then', () => {
    const told = house({
      lots: [lot('eggs', 'T1', 'lemon-tetra', { broodId: 'b' })],
      broods: [brood('b', 'lemon-tetra')],
      temperatures: { T1: { at: NOW, tempC: 26 } },
    });
    const stage = (day: string) => ahead(told, day).then.broods[0]?.state.stage;
    expect([stage(TODAY), stage('2026-03-14'), stage('2026-03-20')]).toEqual(['eggs', 'yolk', 'fry']);
  });
});

describe('what does not suit whoever lives there', () => {
  const two = [lot('tetras', 'T1', 'lemon-tetra'), lot('danios', 'T1', 'zebra-danio')];
  const told = (room: Partial<HouseFacts['room']>, lots = two, tanks = [tank('T1'), tank('T2')]) => {
    const facts = factsOf(house({ lots, tanks }));
    return readHouse({ ...facts, room: { ...facts.room, ...room } }, NOW);
  };
  const alarms = (from: ReturnType<typeof told>) => deriveRound(from, TODAY).alarms;

  it('is judged for every resident: temperature, and pH by more than the test may be off', () => {
    const at = (tempC: number) =>
      alarms(told({ temperatures: { T1: { at: NOW, tempC } } })).filter(({ key }) => key === 'temp:T1');
    expect(at(24)).toEqual([]);
    expect(at(21)[0]?.text).toContain('Lemon tetra');
    expect(at(21)[0]?.text).not.toContain('Zebra danio');
    const ph = (value: number, error: number) =>
      alarms(told({ ph: { T1: { value, error, at: NOW } } }))
        .map(({ text }) => text)
        .join();
    expect(ph(7.8, 0.1)).toContain('Lemon tetra want');
    expect(ph(7.8, 0.1)).not.toContain('Zebra danio want');
    expect(ph(7.3, 0.25)).toBe('');
  });

  it('counts one sump as one water', () => {
    const tanks = [tank('T1', { sump: 'S1' }), tank('T2', { sump: 'S1' })];
    const shared = told({ temperatures: { T2: { at: NOW, tempC: 15 } } }, two, tanks);
    expect(shared.room.temperatures.T1?.tempC).toBe(15);
    expect(alarms(shared).some(({ key }) => key === 'temp:T1')).toBe(true);
  });

  it('names illness, serves the tank last with tools of its own, and flags those that share its water', () => {
    const tanks = [tank('T1', { sump: 'S1' }), tank('T2', { sump: 'S1', leftCm: 50 })];
    const lots = [lot('tetras', 'T1', 'lemon-tetra'), lot('danios', 'T2', 'zebra-danio')];
    const ill = told({ illnesses: [{ tankId: 'T1', at: NOW, what: 'white spots' }] }, lots, tanks);
    const { stops } = deriveRound(ill, TODAY);
    expect(stops.map(({ code }) => code)).toEqual(['T2', 'T1']);
    expect(stops[1]).toMatchObject({ quarantine: true });
    expect(stops[1]?.notes.join()).toContain('its own net');
    expect(alarms(ill)[0]).toMatchObject({ severity: 'now', title: 'T1: white spots.' });
    expect(alarms(ill)[0]?.text).toContain('T2 shares its water: check it every day');
    const looks = (from: typeof ill, day = TODAY) =>
      deriveRound(from, day).stops.flatMap(({ code, chores }) =>
        chores.filter(({ kind }) => kind === 'lookOver').map(({ text }) => `${code} ${text}`),
      );
    expect(looks(ill)).toEqual(['T2 Check for illness: T1 shares this water']);
    expect(looks(ill, '2026-04-07')).toEqual(['T2 Check for illness: T1 shares this water']);
    expect(looks(ill, '2026-04-08')).toEqual([]);
    const old = told({ illnesses: [{ tankId: 'T1', at: '2026-01-10T08:00:00.000Z', what: 'white spots' }] }, lots, tanks);
    expect(alarms(old).filter(({ key }) => key.startsWith('illness'))).toEqual([]);
  });

  it('says of a planned tank that it will not be free, and which is', () => {
    const facts = factsOf(
      house({
        lots: [lot('danios', 'T1', 'zebra-danio')],
        attempts: [attempt('Dawn', 'T1', 'lemon-tetra', { from: '2026-03-20', setUpOn: '2026-03-20' })],
      }),
    );
    const planned = (more: Partial<HouseFacts['stock']> = {}) =>
      alarms(readHouse({ ...facts, stock: { ...facts.stock, ...more } }, NOW)).filter(({ key }) => key === 'planned:Dawn');
    expect(planned()).toMatchObject([
      { title: 'Dawn: T1 will not be free on Fri 20 Mar.', text: '10 zebra danio live in T1. T2 is free then.' },
    ]);
    expect(planned({ lots: [] })).toEqual([]);
    const apart = { lots: [], quarantines: { T1: { from: '2026-03-01', endsOn: '2026-03-29', daysLeft: 19 } } };
    expect(planned(apart)[0]?.text).toContain('in quarantine until Sun 29 Mar');
  });
});

describe('long work', () => {
  const walksOf = (longWalk: number | null, walks = ['07:30', '13:00', '19:00']) => {
    const told = house({
      regimes: [
        { tankId: 'T1', dueOn: TODAY, regime: { changeFraction: 0.5, everyDays: 3, ceilingPpm: 30, from: '2026-01-01' } },
      ],
      lots: [lot('a', 'T1', 'lemon-tetra', { unsexed: 10, lengthMm: 40 })],
    });
    const facts = factsOf(told);
    const of = readHouse({ ...facts, room: { ...facts.room, hours: { ...facts.room.hours, walks, longWalk } } }, NOW);
    return deriveRound(of, TODAY)
      .stops.flatMap(({ chores: list }) => list)
      .map(({ kind, walk }) => `${kind} ${walk + 1}`);
  };

  it('waits for the walk the house has time on, where there is such a walk; food does not', () => {
    expect(walksOf(2)).toEqual(['feedAdults 1', 'waterChange 3']);
    expect(walksOf(1)).toEqual(['feedAdults 1', 'waterChange 2']);
    expect(walksOf(null)).toEqual(['feedAdults 1', 'waterChange 1']);
    expect(walksOf(2, ['08:00'])).toEqual(['feedAdults 1', 'waterChange 1']);
  });
});

describe('a culture past its time', () => {
  const jar = (name: string, food: 'microworm' | 'brineShrimp', startedAt: string) => ({
    ...{ id: name, name, food, startedAt, ripeSeenAt: null, fedAt: null, harvestedAt: null, endedAt: null },
    ...{ tankId: null, ripeAt: null, litres: 1, kept: null, recipe: null },
  });
  const told = (...cultures: ReturnType<typeof jar>[]) => {
    const round = deriveRound(view(house({ larder: { cultures: cultures as never } })), TODAY);
    return {
      alarms: round.alarms.map(({ title, text }) => `${title} ${text}`),
      chores: round.stops
        .flatMap(({ chores: list }) => list)
        .filter(({ text }) => /Old/.test(text))
        .map(({ text }) => text),
    };
  };

  it('is emptied on the walk; an alarm only while it is the last of its kind', () => {
    const old = jar('Old', 'microworm', '2026-01-20T08:00:00.000Z');
    const alone = told(old);
    expect(alone.alarms).toEqual([expect.stringMatching(/^Old is finished\. .* Start a new one from it, then bin it\.$/)]);
    const followed = told(old, jar('New', 'microworm', '2026-03-01T08:00:00.000Z'));
    expect(followed).toEqual({ alarms: [], chores: ['Empty Old'] });
    // A hatch is set anew each day: what is left of one is binned.
    expect(told(jar('Old', 'brineShrimp', '2026-03-05T08:00:00.000Z'))).toEqual({
      alarms: [],
      chores: ['Discard what is left of Old'],
    });
  });
});
