import type { LengthSample } from '../broods';
import {
  crowdingForecast,
  growthPicture,
  nurseryWater,
  outlookOf,
  planPlaces,
  PLACE_WISHES,
  tankFreeOn,
  USUAL_CHOICES,
} from '../growout';
import { deriveHorizon, deriveRound } from '../rounds';
import { addDays } from '../time';
import { onDay } from './onDay';
import { attempt, brood, factsOf, house, lot, NOW, tank, TODAY, view, type Told } from './houseFixture';

const swam = (daysAgo: number) => {
  const at = `${addDays(TODAY, -daysAgo)}T08:00:00.000Z`;
  return { laid: { from: at, to: at }, hatched: { from: at, to: at }, freeSwimming: { from: at, to: at } };
};
const measured = (daysAgo: number, meanMm: number, spread = 0.12): LengthSample => ({
  at: `${addDays(TODAY, -daysAgo)}T08:00:00.000Z`,
  meanMm,
  smallestTenthMm: meanMm * 0.85,
  spread,
  count: 12,
});
const told = (samples: LengthSample[]) => ({ samples, measured: samples.at(-1) ?? null });
const tetras = (id: string, daysAgo: number, more = {}) => brood(id, 'lemon-tetra', { ...swam(daysAgo), ...more });
const young = (id: string, tankId: string, heads: number) => lot(id, tankId, 'lemon-tetra', { broodId: id, unsexed: heads });
/** Two hundred tetras that outgrow forty litres. */
const full: Partial<Told> = {
  tanks: [tank('T1'), tank('T2'), tank('T3', { rackCode: 'B' })],
  broods: [tetras('N', 45)],
  lots: [young('N', 'T1', 110)],
};
const places = (more: Partial<Told> = {}, choices = USUAL_CHOICES) => planPlaces(view(house({ ...full, ...more })), choices);

describe('the plan of places', () => {
  it('moves as many as are too many into the nearest tank with room, before theirs is tight, and asks for no more', () => {
    const { places: rows, unplaced, isExact } = places();
    expect(rows).toHaveLength(1);
    const [row] = rows;
    const tight = crowdingForecast(view(house(full)), 'T1', 56);
    expect([unplaced, isExact, row?.toCode, row?.tightOn]).toEqual([0, true, 'T2', tight?.tightOn]);
    expect((row?.heads ?? 0) + (row?.stay ?? 0)).toBe(110);
    expect((row?.on ?? '') <= (row?.tightOn ?? '') || row?.on === TODAY).toBe(true);
    // With those gone, neither tank is tight.
    const after = view(
      house({ ...full, lots: [young('N', 'T1', row?.stay ?? 0), { ...young('N', 'T2', row?.heads ?? 0), id: 'moved' }] }),
    );
    expect([crowdingForecast(after, 'T1', 33)?.tightOn, crowdingForecast(after, 'T2', 33)?.tightOn]).toEqual([null, null]);
  });

  it('holds parentages apart, and says what that costs', () => {
    const other = {
      tanks: [tank('T1'), tank('T2')],
      broods: [tetras('N', 45), tetras('O', 20)],
      lots: [young('N', 'T1', 70), young('O', 'T2', 12)],
    };
    const apart = places(other);
    expect([apart.unplaced, apart.prices.find(({ wish }) => wish === 'apart')?.placed]).toEqual([1, 1]);
    expect(apart.places[0]?.offers.join(' ')).toMatch(
      /Put them with the lemon tetra in T2; then nobody can tell their parents\./,
    );
    const mixed = places(other, { ...USUAL_CHOICES, wishes: PLACE_WISHES.filter((wish) => wish !== 'apart') });
    expect([mixed.unplaced, mixed.places[0]?.toCode]).toEqual([0, 'T2']);
  });

  it('never puts them before a mouth that takes them, into quarantine, outdoors or into water too cold', () => {
    const refused: Partial<Told>[] = [
      { lots: [young('N', 'T1', 120), lot('cichlid', 'T2', 'angelfish', { males: 1, females: 1, unsexed: 0 })] },
      { tanks: [tank('T1'), tank('T2', { quarantine: true })] },
      { tanks: [tank('T1'), tank('T2', { outdoor: true })] },
      { tanks: [tank('T1'), tank('T2')], temperatures: { T2: { at: NOW, tempC: 17 } } },
      { tanks: [tank('T1'), tank('T2')], attempts: [attempt('X', 'T2', 'lemon-tetra')] },
    ];
    for (const more of refused)
      expect(places({ tanks: [tank('T1'), tank('T2')], ...more }).places.map(({ toCode }) => toCode)).toEqual([null]);
    expect(places({ tanks: [tank('T1'), tank('T2')] }).places[0]?.toCode).toBe('T2');
  });

  it('keeps out of shells and dense rock where it can, for they must be caught again', () => {
    const tanks = [tank('T1'), tank('T2', { furnishing: 'rock' }), tank('T3', { leftCm: 200, furnishing: 'liftOut' })];
    expect(places({ tanks }).places[0]?.toCode).toBe('T3');
    const rock = places({ tanks: tanks.slice(0, 2) });
    expect([rock.places[0]?.toCode, rock.places[0]?.why.join(' ')]).toEqual([
      'T2',
      expect.stringContaining('hard to catch again'),
    ]);
    expect(rock.prices.find(({ wish }) => wish === 'catchable')?.cost).toBeGreaterThan(0);
  });

  it('respects what is fixed, even where another tank is nearer', () => {
    const fixed = places({}, { ...USUAL_CHOICES, locked: { N: 'T3' } });
    expect(fixed.places.map(({ toCode, isLocked }) => [toCode, isLocked])).toEqual([['T3', true]]);
  });

  it('taken, is chores on their day, a booking and a bar, until somebody is moved', () => {
    const on = addDays(TODAY, 3);
    const move = { id: 'm', lotId: 'N', broodId: 'N', toTankId: 'T2', heads: 60, on, takenAt: NOW };
    const taken = house({ ...full, growout: { moves: [move], held: {}, grades: {} } });
    const facts = factsOf(taken);
    const moveOn = (day: string) =>
      deriveRound(onDay(facts, view(taken), NOW, day), day).stops.flatMap(({ code, chores }) =>
        chores.filter(({ kind }) => kind === 'moveYoung').map(({ text, tick }) => [code, text, tick?.id]),
      );
    expect(moveOn(addDays(TODAY, 2))).toEqual([]);
    expect(moveOn(on)).toEqual([['T1', 'Move 60 lemon tetra to T2', 'm']]);
    expect(moveOn(addDays(TODAY, 6))).toHaveLength(1);
    expect(tankFreeOn(view(taken), 'T2')).toBeNull();
    expect(deriveHorizon(view(taken), 14).some(({ label }) => label === '60 into T2')).toBe(true);
    // A tank that is promised is not promised again, and what is promised is not asked for again.
    expect(planPlaces(view(taken)).places.filter(({ toCode }) => toCode === 'T2')).toEqual([]);
    const moved = { ...young('N', 'T2', 60), id: 'new', since: '2026-03-10T09:00:00.000Z' };
    const done = view(house({ ...full, lots: [young('N', 'T1', 60), moved], growout: { moves: [move], held: {}, grades: {} } }));
    expect(done.moves).toEqual([]);
  });
});

describe('a box or jar', () => {
  it('takes no young of the plan, empty or with some of the kind in it', () => {
    const vessel = { ...tank('T2', { litres: 200, floorM2: 1 }), vessel: 'tub' as const };
    const few = { ...young('N', 'T2', 5), id: 'few' };
    for (const lots of [[young('N', 'T1', 110)], [young('N', 'T1', 105), few]]) {
      const [t1] = house(full).tanks;
      const taken = (t2: ReturnType<typeof tank>) =>
        places({ tanks: t1 ? [t1, t2] : [], lots }).places.map(({ toCode }) => toCode);
      expect(taken({ ...vessel, vessel: null })).toContain('T2');
      expect(taken(vessel)).not.toContain('T2');
    }
  });
});

describe('a brood’s growth', () => {
  it('tells when colour can be judged where the method says so, as a guess, and who is a danger to whom', () => {
    const growing = (key: string) =>
      growthPicture(
        view(house({ broods: [brood('N', key, swam(40))], lots: [lot('n', 'T1', key, { broodId: 'N', unsexed: 20 })] })),
        'N',
      );
    const [shrimp, crayfish, fish] = [growing('green-babaulti'), growing('cajun-dwarf-crayfish'), growing('lemon-tetra')];
    expect(shrimp?.targets.find(({ target }) => target === 'colour')).toMatchObject({ isGuess: true });
    expect(fish?.targets.some(({ target }) => target === 'colour')).toBe(false);
    // One that moults is in danger from its sisters only where they are crayfish.
    expect([shrimp?.dangerRatio, crayfish?.dangerRatio, fish?.moultDays]).toEqual([3, 1.3, null]);
    expect(shrimp?.moultDays).toBeGreaterThan(0);
  });
});

describe('room to grow', () => {
  it('goes by the brood’s own growth: measured slower, its tank is tight later', () => {
    const tightOn = (samples: LengthSample[]) =>
      crowdingForecast(view(house({ ...full, broods: [tetras('N', 45, told(samples))] })), 'T1', 120)?.tightOn ?? '9999';
    const [usual, slow] = [tightOn([]), tightOn([measured(20, 5.5), measured(0, 7)])];
    expect(slow > usual).toBe(true);
  });

  it('is not taken by a pair that breeds beside a few young', () => {
    const few = {
      broods: [tetras('N', 45)],
      lots: [young('N', 'T1', 20), lot('pair', 'T1', 'lemon-tetra', { males: 12, females: 12, unsexed: 0 })],
    };
    expect(crowdingForecast(view(house({ ...full, ...few })), 'T1', 14)).toMatchObject({ tightOn: null, fullOn: null });
  });

  it('has water that goes by their food: twice as many make twice the nitrate, and want more changed', () => {
    const water = (heads: number) =>
      nurseryWater(
        view(house({ ...full, broods: [tetras('N', 60, told([measured(0, 16)]))], lots: [young('N', 'T1', heads)] })),
        'T1',
      );
    const [some, many] = [water(40), water(320)];
    expect((many?.nitratePerDay ?? 0) / (some?.nitratePerDay ?? 1)).toBeCloseTo(8, 0);
    for (const { nitratePerDay, change } of [some, many].flatMap((one) => one ?? [])) {
      const left = change ? (nitratePerDay * change.everyDays) / change.share : 0;
      expect(left).toBeLessThanOrEqual(25 + 1e-9);
      expect(change?.share ?? 0).toBeLessThanOrEqual(0.5);
    }
    expect(
      (many?.change?.everyDays ?? 0) < (some?.change?.everyDays ?? 0) || (many?.change?.share ?? 0) > (some?.change?.share ?? 0),
    ).toBe(true);
    expect(nurseryWater(view(house(full)), 'T3')).toBeNull();
  });

  it('names every tank with young, soonest first, and counts the tanks they will want week by week', () => {
    const { tanks, weeks, plan } = outlookOf(
      view(house({ ...full, broods: [tetras('N', 45), tetras('O', 5)], lots: [young('N', 'T1', 120), young('O', 'T2', 20)] })),
    );
    expect(tanks.map(({ code }) => code)).toEqual(['T1', 'T2']);
    expect(tanks[0]?.course).toHaveLength(9);
    const wanted = (week: number) => weeks[week]?.sizes.reduce((sum, { needed }) => sum + needed, 0) ?? 0;
    expect([weeks.length, wanted(7)]).toEqual([8, plan.places.filter(({ isShared }) => !isShared).length]);
    expect(wanted(0)).toBeLessThanOrEqual(wanted(7));
  });
});

describe('a brood’s growth as it is told', () => {
  const picture = (samples: LengthSample[], more: Partial<Told> = {}) =>
    growthPicture(view(house({ ...full, broods: [tetras('N', 45, told(samples))], ...more })), 'N');

  it('has its points, its sisters, and dates that come in the order of the lengths', () => {
    const of = picture([measured(0, 10)], {
      broods: [tetras('N', 45, told([measured(0, 10)])), tetras('O', 30)],
      lots: [young('N', 'T1', 120), young('O', 'T2', 5)],
    });
    expect(of?.samples).toMatchObject([{ ageDays: 45, meanMm: 10 }]);
    expect(of?.sisters.map(({ name }) => name)).toEqual(['O']);
    const half = of?.targets.map(({ shares }) => shares[1]?.mid ?? '9999') ?? [];
    expect(half).toEqual([...half].sort());
  });

  it('points slow growth out with what the records show beside it, and does not where nobody measured', () => {
    const slow = [measured(20, 4.5), measured(1, 6)];
    const hints = (more: Partial<Told> = {}) => picture(slow, more)?.slow?.hints.join(' ') ?? '';
    expect(picture([])?.slow).toBeNull();
    expect(picture([measured(0, 12)])?.slow).toBeNull();
    expect(hints()).toMatch(/Nothing else in your records/);
    expect(hints({ temperatures: { T1: { at: NOW, tempC: 21 } } })).toMatch(/21 °C; the middle of what they are kept at is 25/);
    expect(hints({ tanks: [tank('T1', { litres: 3 })] })).toMatch(/T1 is \d+ % full\. Crowding stunts fish/);
    expect(hints({ room: { nitrate: { T1: { ppm: 80, at: NOW } } } })).toMatch(/80 mg\/L nitrate in T1/);
  });
});

describe('young on a walk', () => {
  const kinds = (of: Partial<Told>) =>
    deriveRound(view(house({ ...full, ...of })), TODAY).stops.flatMap(({ chores }) => chores.map(({ kind }) => kind));
  it('are measured when they are big enough and nobody did for three weeks', () => {
    expect(kinds({ broods: [tetras('N', 60)] })).toContain('measureYoung');
    expect(kinds({ broods: [tetras('N', 60, told([measured(5, 12)]))] })).not.toContain('measureYoung');
    expect(kinds({ broods: [tetras('N', 60, told([measured(22, 9)]))] })).toContain('measureYoung');
    expect(kinds({ broods: [tetras('N', 8)] })).not.toContain('measureYoung');
  });
  it('are sorted where the largest could take the smallest, unless the recipe leaves all together', () => {
    const wide = [measured(1, 12, 0.45)];
    const of = attempt('A', 'T1', 'lemon-tetra', { hasBrood: true, to: '2026-02-01' });
    const grown = (growing: 'together' | 'bySize' | null) => ({
      broods: [tetras('N', 60, { ...told(wide), attemptId: 'A' })],
      attempts: [{ ...of, recipe: { ...of.recipe, growing } }],
    });
    expect(kinds(grown(null))).toContain('gradeYoung');
    expect(kinds(grown('together'))).not.toContain('gradeYoung');
    expect(kinds({ broods: [tetras('N', 60, told([measured(1, 12)]))] })).not.toContain('gradeYoung');
  });
});
