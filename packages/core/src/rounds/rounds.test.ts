import fc from 'fast-check';
import type { BroodRecord } from '../broods';
import { readHouse, type HouseFacts } from '../house';
import { deriveLarder } from '../larder';
import { crowdedOn, tankCrowding, tankFreeOn, youngPerLitre } from '../growout';
import { daysBetween, houseDay } from '../time';
import { QUIET_ROOM, type RoomTank } from '../room';
import { defaultRecipe, type SpawningAttempt } from '../spawning';
import { SHIPPED_SPECIES } from '../species';
import { NO_STOCK, type StockLot, type StockProgramme } from '../stock';
import { AGENDAS, deriveHorizon, deriveRound, jotTanks, packLanes } from './index';

const NOW = '2026-03-10T08:00:00.000Z';
const TODAY = '2026-03-10';
const tank = (code: string, more: Partial<RoomTank> = {}): RoomTank => ({
  id: code,
  code,
  litres: 40,
  rackCode: 'A',
  rackName: 'A',
  rackPosition: 1,
  quarantine: false,
  outdoor: false,
  shelfLevel: 1,
  leftCm: 0,
  ...more,
});
const lot = (id: string, tankId: string, speciesKey: string, more: Partial<StockLot> = {}): StockLot => ({
  id,
  tankId,
  speciesKey,
  broodId: null,
  males: 0,
  females: 0,
  unsexed: 10,
  name: null,
  since: '2026-01-01T08:00:00.000Z',
  isProven: false,
  ...more,
});
const brood = (id: string, speciesKey: string, more: Partial<BroodRecord> = {}): BroodRecord => ({
  id,
  name: id,
  speciesKey,
  attemptId: null,
  laid: { from: '2026-03-10T06:00:00.000Z', to: '2026-03-10T06:00:00.000Z' },
  hatched: null,
  freeSwimming: null,
  eggsSeenAt: null,
  alive: 50,
  ...more,
});
const attempt = (id: string, tankId: string, speciesKey: string, more: Partial<SpawningAttempt> = {}): SpawningAttempt => ({
  id,
  name: id,
  speciesKey,
  tankId,
  recipe: defaultRecipe('eggScatterer'),
  conditioningFrom: null,
  setUpOn: null,
  triggerOn: null,
  triggered: null,
  parentLotIds: [],
  hasBrood: false,
  from: '2026-03-08',
  to: null,
  ...more,
});
/** What a test says of a house; the rest is quiet. */
interface Told {
  now: string;
  tanks: RoomTank[];
  lots: StockLot[];
  programmes: StockProgramme[];
  attempts: SpawningAttempt[];
  broods: BroodRecord[];
  temperatures: HouseFacts['room']['temperatures'];
  outcomes: HouseFacts['agenda']['outcomes'];
  saved: HouseFacts['species']['saved'];
  regimes: HouseFacts['room']['regimes'];
}
const house = (more: Partial<Told>): Told => ({
  now: NOW,
  tanks: [tank('T1'), tank('T2')],
  lots: [],
  programmes: [],
  attempts: [],
  broods: [],
  temperatures: {},
  outcomes: [],
  saved: [],
  regimes: [],
  ...more,
});
const factsOf = ({ tanks, lots, programmes, attempts, broods, temperatures, outcomes, saved, regimes }: Told): HouseFacts => ({
  revision: 1,
  timeZone: 'Europe/Dublin',
  species: { saved },
  room: { ...QUIET_ROOM, tanks, temperatures, regimes },
  stock: { ...NO_STOCK, lots, programmes },
  spawning: { attempts },
  broods: { broods, temperatures: {}, learned: [] },
  larder: { cultures: [] },
  agenda: { outcomes },
});
const view = (told: Told) => readHouse(factsOf(told), told.now);
const round = (told: Told, day = TODAY) => deriveRound(view(told), day);
const chores = (state: Told, code: string, day = TODAY) =>
  round(state, day).stops.find((stop) => stop.code === code)?.chores ?? [];
const exactly = (at: string) => ({ from: at, to: at });

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
    expect(kinds(state())).toEqual(['condition', 'score']);
    expect(kinds(state(), '2026-03-23')).toContain('condition');
    expect(kinds(state({ to: '2026-03-12' }), '2026-03-13')).toEqual(['feedAdults']);
    expect(kinds(state({ from: '2026-03-11' }))).toEqual(['feedAdults']);
    expect(chores(state(), 'T1')[0]).toMatchObject({ text: 'Conditioning food: grindal worms', amountText: '3 × a day' });
    expect(chores(state(), 'T1')[0]?.why).toEqual(
      expect.arrayContaining(['Sexes apart, by a divider.', 'a third changed twice a week']),
    );
  });

  it('asks for a score each week, and not before', () => {
    expect(kinds(state({ lastScored: '2026-03-04' }))).toEqual(['condition']);
    expect(kinds(state({ lastScored: '2026-03-03' }))).toEqual(['condition', 'score']);
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
      tankFreeOn(readHouse({ ...facts, larder: { cultures: [{ ...culture, tankId }] } }, NOW), 'T1');
    expect([withCulture('T1'), withCulture('T2')]).toEqual([null, TODAY]);
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
    const crowdedFor = (count: number, days = 400) => crowdedOn(read, count, 40, TODAY, days);
    expect(crowdedFor(full * 1.01)?.day).toBe(TODAY);
    const later = crowdedFor(full * 0.6);
    expect(later && later.day > TODAY && youngPerLitre(read.species.figures, later.lengthMm) * 40 < full * 0.6).toBe(true);
    const ahead = daysBetween(TODAY, later?.day ?? TODAY);
    expect([crowdedFor(full * 0.6, ahead)?.day, crowdedFor(full * 0.6, ahead - 1)]).toEqual([later?.day, null]);
    expect(crowdedOn({ ...read, state: { ...read.state, feedingDays: null } }, 9e9, 40, TODAY, 400)).toBeNull();
  });
});

describe('quarantine', () => {
  it('asks for a last look on the first day it may end, and on no other', () => {
    const facts = factsOf(house({ lots: [lot('pair', 'T1', 'lemon-tetra', { males: 1, females: 1, unsexed: 0 })] }));
    const quarantines = { T1: { from: '2026-02-10', endsOn: TODAY, daysLeft: 0 } };
    const apart = readHouse({ ...facts, stock: { ...facts.stock, quarantines } }, NOW);
    const looks = (day: string) =>
      deriveRound(apart, day).stops.flatMap((stop) => stop.chores.filter(({ kind }) => kind === 'quarantineEnd'));
    expect(looks(TODAY)).toMatchObject([{ text: 'Look each over before quarantine ends', way: 'watch' }]);
    expect([looks('2026-03-09'), looks('2026-03-11')]).toEqual([[], []]);
  });
});

describe('chores', () => {
  it('ask to take the adults out while they are with eggs they would eat, late after a day', () => {
    const state = (now: string) =>
      house({
        now,
        lots: [
          lot('adults', 'T1', 'lemon-tetra', { males: 3, females: 4, unsexed: 0 }),
          lot('eggs', 'T1', 'lemon-tetra', { broodId: 'b', unsexed: 50 }),
        ],
        broods: [brood('b', 'lemon-tetra', { attemptId: 'a' })],
        attempts: [attempt('a', 'T1', 'lemon-tetra', { hasBrood: true, parentLotIds: ['adults'] })],
      });
    expect(chores(state(NOW), 'T1').find((chore) => chore.kind === 'removeAdults')).toMatchObject({
      amountText: '7 fish',
      overdue: false,
    });
    expect(
      chores(state('2026-03-11T08:00:00.000Z'), 'T1', '2026-03-11').find((chore) => chore.kind === 'removeAdults')?.overdue,
    ).toBe(true);
    const without = house({ ...state(NOW), lots: state(NOW).lots.slice(1) });
    expect(chores(without, 'T1').some((chore) => chore.kind === 'removeAdults')).toBe(false);
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

  it('of peat eggs are a look once a week and no water', () => {
    const at = (age: number) =>
      chores(
        house({
          lots: [lot('eggs', 'T1', 'rachows-nothobranch', { broodId: 'b' })],
          broods: [
            brood('b', 'rachows-nothobranch', { laid: exactly(new Date(Date.parse(NOW) - age * 86_400_000).toISOString()) }),
          ],
        }),
        'T1',
      ).map((chore) => chore.kind);
    expect(at(7)).toEqual(['peatCheck']);
    expect(at(8)).toEqual([]);
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
    expect(chores(house({ lots, broods: [young] }), 'T1').map((chore) => chore.text)).toEqual(['Brine shrimp', 'Pellets']);
    const pond = house({
      tanks: [tank('Y1', { outdoor: true })],
      lots: [lot('fish', 'Y1', 'ranchu-goldfish')],
      temperatures: { Y1: { at: NOW, tempC: 6.5 } },
    });
    expect(round(pond).stops[0]).toMatchObject({ chores: [], notes: ['6.5 °C: no food, it would rot.'] });
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
    expect(of(200)).toMatchObject({ severity: 'now', title: 'T1 is crowded.' });
    expect(of(5)).toBeUndefined();
    const soon = Array.from({ length: 80 }, (_, i) => of(20 + i)).find((alarm) => alarm?.severity === 'soon');
    expect(soon?.title).toMatch(/^T1 crowds on /);
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
    expect(plan).toMatchObject({ attemptId: 'a', food: 'infusoria', status: 'start', label: 'Lemon tetra, to spawn in T1' });
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
