import { broodChores, type EggKeeping, type ReadBrood } from '../broods';
import { crowdingForecast, tankFreeOn } from '../growout';
import { deriveHorizon, deriveRound } from '../rounds';
import { VESSEL_KINDS, vesselFault, type VesselKind, type VesselPlace } from '../room';
import { addDays } from '../time';
import { attempt, brood, exactly, house, lot, NOW, tank, TODAY, view, type Told } from './houseFixture';

const at = (day: string, time = '08:00') => `${day}T${time}:00.000Z`;
const inTank: VesselPlace = { inTankId: 'T1', place: null };
const apart: VesselPlace = { inTankId: null, place: 'sill' };
/** A vessel that hangs in T1. */
const hung = (code: string, vessel: VesselKind, litres: number) => tank(code, { vessel, litres, inTankId: 'T1' });
/** A vessel at a place of its own. */
const lone = (code: string, vessel: VesselKind, litres: number) =>
  tank(code, { vessel, litres, rackCode: '', rackName: 'linen shelf', rackPosition: 700 });

/** What is asked of the first brood in a tank, as kind and amount. */
function asked(told: Partial<Told>, code: string, day = TODAY): string[] {
  const seen = view(house(told));
  const stop = seen.tanks.get(code);
  return stop
    ? broodChores(seen.broods[0] as ReadBrood, stop, seen, day).map(({ kind, amountText }) => `${kind} ${amountText}`.trim())
    : [];
}

describe('a vessel', () => {
  it.each<[VesselKind, number, VesselPlace, string | null]>([
    ['eggBox', 2, inTank, null],
    ['eggBox', 2, apart, null],
    ['eggBox', 0.1, inTank, null],
    ['eggBox', 0.09, inTank, 'litres'],
    ['eggBox', 20, inTank, null],
    ['eggBox', 20.1, inTank, 'litres'],
    ['eggBox', Number.NaN, inTank, 'litres'],
    ['tumbler', 1, inTank, null],
    ['tumbler', 1, apart, 'inTankId'],
    ['tumbler', 1, { inTankId: null, place: null }, 'inTankId'],
    ['peatBag', 0.5, apart, null],
    ['peatBag', 0.5, inTank, 'inTankId'],
    ['peatBag', 0.5, { inTankId: null, place: null }, 'place'],
    ['peatBag', 0.5, { inTankId: 'T1', place: 'drawer' }, 'place'],
    ['larvalJar', 10, apart, null],
    ['bowl', 5, inTank, 'inTankId'],
  ])('%s of %d L at %j is wrong at %s', (kind, litres, place, field) => {
    expect(vesselFault(kind, litres, place)?.field ?? null).toBe(field);
  });

  it('of every kind can be somewhere', () => {
    for (const kind of VESSEL_KINDS) expect([inTank, apart].some((one) => vesselFault(kind, 1, one) === null)).toBe(true);
  });

  it('is as warm as its tank; its water is that tank’s where it runs through, else its own', () => {
    const ph = (value: number, when: string) => ({ value, error: 0.2, at: when });
    const told = (more: Partial<Told>) =>
      view(house({ tanks: [tank('T1'), hung('E', 'eggBox', 2), hung('U', 'tumbler', 1), lone('J', 'larvalJar', 10)], ...more }))
        .room;
    const early = at('2026-03-08');
    const warm = told({ temperatures: { T1: { at: NOW, tempC: 26 } } });
    expect([warm.temperatures.E?.tempC, warm.temperatures.U?.tempC, warm.temperatures.J?.tempC]).toEqual([26, 26, undefined]);
    // Read in the box itself later than in the tank: that is newer.
    const own = told({ temperatures: { T1: { at: early, tempC: 26 }, E: { at: NOW, tempC: 24 } } });
    expect(own.temperatures.E?.tempC).toBe(24);
    const older = told({ temperatures: { T1: { at: NOW, tempC: 26 }, E: { at: early, tempC: 24 } } });
    expect(older.temperatures.E?.tempC).toBe(26);
    const water = told({ room: { ph: { T1: ph(7, NOW), E: ph(6, early), U: ph(6, early) } } });
    expect([water.ph.E?.value, water.ph.U?.value]).toEqual([6, 7]);
    expect(told({ room: { ph: { T1: ph(7, NOW) } } }).ph.E?.value).toBe(7);
  });

  it('is nobody’s next tank', () => {
    const seen = view(house({ tanks: [tank('T1'), hung('E', 'eggBox', 2)] }));
    expect([tankFreeOn(seen, 'T1'), tankFreeOn(seen, 'E')]).toEqual([TODAY, null]);
  });
});

const keeping = (more: Partial<EggKeeping> = {}): EggKeeping => ({
  plan: 'pullEggs',
  fungus: 'dye',
  dyeMgPerL: 2,
  dyeStockPercent: 1,
  dailyChangeFraction: 0.5,
  container: null,
  since: null,
  why: null,
  ...more,
});
/** Angelfish in T1 of 40 L, their eggs of yesterday in one of the tanks. */
const eggs = (where: string, kept: Partial<EggKeeping> = {}, more: Partial<Told> = {}): Partial<Told> => ({
  tanks: [tank('T1'), tank('T2'), hung('E', 'eggBox', 2), hung('U', 'tumbler', 1)],
  broods: [brood('B', 'angelfish', { laid: exactly(at('2026-03-09')), keeping: keeping(kept) })],
  lots: [lot('pair', 'T1', 'angelfish', { males: 1, females: 1, unsexed: 0 }), lot('e', where, 'angelfish', { broodId: 'B' })],
  temperatures: { T1: { at: NOW, tempC: 27 } },
  ...more,
});

describe('eggs that are to lie apart', () => {
  it('are taken out of the adults’ tank first, with no care for its water; then cared for by the box’s litres', () => {
    // 40 L of the pair are not half changed, dyed or picked for a clutch that is not boxed; nor do the adults leave.
    expect(asked(eggs('T1'), 'T1')).toEqual(expect.arrayContaining(['boxEggs E']));
    expect(asked(eggs('T1'), 'T1').map((row) => row.split(' ')[0])).not.toEqual(
      expect.arrayContaining([expect.stringMatching(/^(eggChange|dye|pickWhite|leave)$/)]),
    );
    // Two litres: a cup a day; dye for the cup, 2 mg/L of a 1 % stock.
    expect(asked(eggs('E'), 'E')).toEqual(expect.arrayContaining(['pickWhite all', 'eggChange 0.25 L', 'dye 0.05 ml']));
    expect(asked(eggs('E'), 'E').some((row) => row.startsWith('boxEggs'))).toBe(false);
    // The tank's water runs through a tumbler: it is neither changed nor dyed.
    expect(asked(eggs('U', { plan: 'tumbler' }), 'U').some((row) => /^(eggChange|dye)/.test(row))).toBe(false);
    expect(asked(eggs('U', { plan: 'tumbler' }), 'U')).toContain('pickWhite all');
    // Blue-eyes of a mop leave at the hatch; while their eggs are to be taken out they stay.
    const mop = (hatched: string | null) =>
      asked(
        {
          broods: [
            brood('B', 'forktail-blue-eye', {
              laid: exactly(at('2026-02-26')),
              hatched: hatched === null ? null : exactly(hatched),
              keeping: keeping(),
            }),
          ],
          lots: [
            lot('pair', 'T1', 'forktail-blue-eye', { males: 1, females: 1, unsexed: 0 }),
            lot('e', 'T1', 'forktail-blue-eye', { broodId: 'B' }),
          ],
          temperatures: { T1: { at: NOW, tempC: 25 } },
        },
        'T1',
      ).map((row) => row.split(' ')[0]);
    expect(mop(null)).toContain('boxEggs');
    expect(mop(null)).not.toContain('leave');
    expect(mop(at('2026-03-09'))).toContain('leave');
    expect(mop(at('2026-03-09'))).not.toContain('boxEggs');
    // Scatterers leave after spawning; where the eggs are taken from them, they stay.
    const scattered = (plan: EggKeeping['plan']) =>
      asked(
        {
          broods: [brood('B', 'lemon-tetra', { laid: exactly(at('2026-03-09')), keeping: keeping({ plan }) })],
          lots: [
            lot('pair', 'T1', 'lemon-tetra', { males: 1, females: 1, unsexed: 0 }),
            lot('e', 'T1', 'lemon-tetra', { broodId: 'B' }),
          ],
        },
        'T1',
      ).map((row) => row.split(' ')[0]);
    expect([scattered('removeParents').includes('leave'), scattered('pullEggs').includes('leave')]).toEqual([true, false]);
    // A tank without adults is a box, too.
    expect(asked(eggs('T2'), 'T2')).toEqual(expect.arrayContaining(['eggChange 20 L']));
    // Left to their parents nothing is taken out.
    expect(asked(eggs('T1', { plan: 'leaveWithParents' }), 'T1').some((row) => row.startsWith('boxEggs'))).toBe(false);
  });

  it('name the one free vessel of the kind in the tick; with none or several it is asked', () => {
    const ticks = (told: Partial<Told>) =>
      deriveRound(view(house(told)), TODAY)
        .stops.flatMap(({ chores }) => chores)
        .filter(({ kind }) => kind === 'boxEggs')
        .map(({ tick, amountText }) => [tick?.what ?? null, amountText]);
    expect(ticks(eggs('T1'))).toEqual([['E', 'E']]);
    expect(ticks(eggs('T1', { plan: 'tumbler' }))).toEqual([['U', 'U']]);
    const two = [tank('T1'), hung('E', 'eggBox', 2), hung('E2', 'eggBox', 2)];
    expect(ticks(eggs('T1', {}, { tanks: two }))).toEqual([[null, 'E or E2']]);
    expect(ticks(eggs('T1', {}, { tanks: [tank('T1')] }))).toEqual([[null, 'none is free: set one up']]);
    const taken = eggs('T1', {}, { tanks: [tank('T1'), hung('E', 'eggBox', 2)] });
    const others = [...(taken.lots ?? []), lot('x', 'E', 'angelfish', { broodId: 'X' })];
    expect(ticks({ ...taken, lots: others })).toEqual([[null, 'none is free: set one up']]);
  });

  it('in a box that hangs where shrimp live are not dyed without a word', () => {
    const caution = (speciesKey: string) => {
      const told = eggs('E');
      const seen = view(house({ ...told, lots: [...(told.lots ?? []), lot('s', 'T1', speciesKey)] }));
      const stop = seen.tanks.get('E');
      return stop && broodChores(seen.broods[0] as ReadBrood, stop, seen, TODAY).find(({ kind }) => kind === 'dye')?.caution;
    };
    expect(caution('green-babaulti')).toMatch(/^Shrimp or crayfish live here/);
    expect(caution('lemon-tetra')).not.toMatch(/^Shrimp/);
  });
});

describe('peat', () => {
  /** Sixty eggs laid a hundred days ago, in bag N3 since. */
  const bag = (wetOn: string | null, wetted: string | null = null): Partial<Told> => ({
    tanks: [tank('T1'), lone('N3', 'peatBag', 0.5)],
    broods: [
      brood('B', 'rachows-nothobranch', {
        laid: exactly(at('2025-11-30')),
        peat: wetOn === null ? null : { label: 'N3', place: 'linen shelf', moisture: 'damp', wetOn, at: at('2025-12-01') },
        wetted: wetted === null ? null : exactly(wetted),
        keeping: keeping(),
      }),
    ],
    lots: [lot('e', wetted === null ? 'N3' : 'T1', 'rachows-nothobranch', { broodId: 'B', unsexed: 60 })],
  });
  const read = (told: Partial<Told>) => view(house(told));
  const windows = (told: Partial<Told>) =>
    (read(told).broods[0]?.state.windows ?? []).map(({ stage, earliest, latest }) =>
      [stage, earliest?.slice(0, 10), latest?.slice(0, 10)].join(' '),
    );

  it('sleeps: no windows, no alarms, no crowding, no food, until a day for its wetting is set, or that day is past', () => {
    for (const told of [bag(null), bag('2026-03-09')]) {
      const seen = read(told);
      expect(windows(told)).toEqual([]);
      expect(deriveRound(seen, TODAY).alarms).toEqual([]);
      expect(crowdingForecast(seen, 'N3', 400)).toBeNull();
      expect(deriveHorizon(seen, 60).filter(({ label }) => /first feed|hatch/.test(label))).toEqual([]);
    }
    // Set for the 20th they hatch on the 20th to the 22nd; set for today, from today on.
    expect(windows(bag(TODAY))[0]).toBe('hatch 2026-03-10 2026-03-12');
    expect(windows(bag('2026-03-20'))[0]).toBe('hatch 2026-03-20 2026-03-22');
    expect(crowdingForecast(read(bag('2026-03-20')), 'N3', 400)).toBeNull();
  });

  it('is collected weekly where the adults are together, from the last look or clutch on, until the spawning ends', () => {
    const due = (attemptFrom: string, more: Partial<Told> = {}, day = TODAY, to: string | null = null) =>
      deriveRound(
        view(
          house({
            lots: [lot('p', 'T1', 'rachows-nothobranch', { males: 1, females: 2, unsexed: 0 })],
            attempts: [attempt('A', 'T1', 'rachows-nothobranch', { from: attemptFrom, to, parentLotIds: ['p'] })],
            ...more,
          }),
        ),
        day,
      )
        .stops.flatMap(({ chores }) => chores)
        .filter(({ kind }) => kind === 'collectPeat')
        .map(({ amountText, overdue }) => [amountText, overdue]);
    expect(due('2026-03-04')).toEqual([]);
    expect(due('2026-03-03')).toEqual([['last Tue 3 Mar', false]]);
    expect(due('2026-03-02')).toEqual([['last Mon 2 Mar', true]]);
    expect(due('2026-02-01', {}, TODAY, '2026-03-09')).toEqual([]);
    expect(due('2026-02-01', { lots: [lot('p', 'T2', 'rachows-nothobranch')] })).toEqual([]);
    const looked = (day: string, what = 'peat for eggs'): Partial<Told> => ({
      room: { care: { T1: [{ kind: 'looked', what, at: at(day, '07:00') }] } },
    });
    expect(due('2026-02-01', looked('2026-03-04'))).toEqual([]);
    expect(due('2026-02-01', looked('2026-03-03'))).toEqual([['last Tue 3 Mar', false]]);
    expect(due('2026-02-01', looked('2026-03-08', 'young males'))).toEqual([['last Sun 1 Feb', true]]);
    const clutch: Partial<Told> = {
      broods: [brood('B', 'rachows-nothobranch', { attemptId: 'A', laid: exactly(at('2026-03-06')) })],
    };
    const lots = [lot('p', 'T1', 'rachows-nothobranch'), lot('e', 'N3', 'rachows-nothobranch', { broodId: 'B' })];
    expect(due('2026-02-01', { ...clutch, lots, tanks: [tank('T1'), lone('N3', 'peatBag', 0.5)] })).toEqual([]);
  });

  it('is wetted, and hatches within two days; what lies still is said then', () => {
    const wetted = bag('2026-03-09', at('2026-03-09', '18:00'));
    expect(windows(wetted)[0]).toBe('hatch 2026-03-09 2026-03-11');
    expect(asked(wetted, 'T1').map((row) => row.split(' ')[0])).toEqual(['sighting', 'takeTemperature']);
    expect(asked(bag('2026-03-09'), 'N3').map((row) => row.split(' ')[0])).toEqual(['wetPeat']);
    const late = bag('2026-03-01', at('2026-03-01', '18:00'));
    expect(deriveRound(read(late), TODAY).alarms.map(({ text }) => text)).toContainEqual(
      expect.stringContaining('what lies still can go back into damp peat'),
    );
  });
});

describe('larvae', () => {
  /** Amano shrimp in T1 whose larvae were let go so many days ago, and are in one of the tanks. */
  const larvae = (where: string, days: number | null, tanks = [tank('T1'), lone('J', 'larvalJar', 10)]): Partial<Told> => ({
    tanks,
    broods: [
      brood('B', 'amano-shrimp', {
        laid: exactly(addDays(TODAY, -30) + 'T08:00:00.000Z'),
        freeSwimming: days === null ? null : exactly(addDays(TODAY, -days) + 'T06:00:00.000Z'),
      }),
    ],
    lots: [
      lot('mothers', 'T1', 'amano-shrimp', { females: 12, unsexed: 0 }),
      lot('l', where, 'amano-shrimp', { broodId: 'B', unsexed: 300 }),
    ],
    temperatures: { T1: { at: NOW, tempC: 25 } },
  });

  it('are never salted where others live: they go to a jar first, and the salt is by its litres', () => {
    const own = (told: Partial<Told>, code: string, day = TODAY) =>
      asked(told, code, day).filter((row) => row.startsWith('larva'));
    expect(own(larvae('T1', 0), 'T1')).toEqual(['larvaeOut J']);
    expect(own(larvae('T1', 0, [tank('T1')]), 'T1')).toEqual(['larvaeOut none is free: set one up']);
    // 17 to 35 g/L: 26; in ten litres 260 g, in four steps of 65 g within a day, three of them by midnight.
    expect(own(larvae('J', 0), 'J')).toEqual(['larvalSalt 195 g', 'larvalFood pale green']);
    expect(own(larvae('J', 0), 'J', addDays(TODAY, 1))).toEqual(['larvalSalt 65 g', 'larvalFood pale green']);
  });

  it('have their jar made ready days before the first may be let go', () => {
    const told = larvae('T1', null);
    const release = view(house(told)).broods[0]?.state.windows.find(({ stage }) => stage === 'hatch')?.earliest ?? '';
    const from = release.slice(0, 10);
    const jar = (day: string) => asked(told, 'T1', day).filter((row) => row.startsWith('larvalJar'));
    expect(jar(addDays(from, -7))).toEqual([]);
    expect(jar(addDays(from, -6))).toEqual(['larvalJar J']);
    expect(jar(from)).toEqual(['larvalJar J']);
    // Past her day she may let go any hour: the jar is asked for still.
    expect(jar(addDays(release.slice(0, 10) || from, 25))).toEqual(['larvalJar J']);
  });
});
