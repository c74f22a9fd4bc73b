import fc from 'fast-check';
import { resolveSpecies, SHIPPED_SPECIES } from '../species';
import { addDays } from '../time';
import {
  adultRation,
  cultureDays,
  CULTURES,
  cystsFor,
  describeCulture,
  fryRation,
  proteinShare,
  hatch,
  planFirstFood,
  usualYield,
  type Eaters,
  type Ration,
  type Culture,
  type CultureFood,
} from './index';
import { NOTHING_KNOWN } from './rations';

const ZONE = 'Europe/Dublin';
const TODAY = '2026-03-10';
const NOW = `${TODAY}T08:00:00.000Z`;
const daysAgo = (days: number) => `${addDays(TODAY, -days)}T08:00:00.000Z`;
const culture = (food: CultureFood, startedDaysAgo: number, more: Partial<Culture> = {}): Culture => ({
  id: `${food}${startedDaysAgo}`,
  name: `${food} ${startedDaysAgo}`,
  food,
  startedAt: daysAgo(startedDaysAgo),
  ripeSeenAt: null,
  fedAt: null,
  harvestedAt: null,
  tankId: null,
  ...more,
});
const figures = (key: string) => {
  const profile = SHIPPED_SPECIES.find((candidate) => candidate.key === key);
  if (!profile) throw new Error(key);
  return resolveSpecies(profile).figures;
};
const plan = (food: Parameters<typeof planFirstFood>[0]['food'], from: string, to: string, cultures: Culture[]) =>
  planFirstFood(
    { label: 'Aspidoras in B2.3', food, from, to },
    cultures.map((one) => ({ culture: one, state: describeCulture(one, NOW, ZONE) })),
    TODAY,
  );

describe('a culture', () => {
  it('ripens, is ripe, and goes past its time, in that order', () => {
    const phases = Array.from({ length: 40 }, (_, days) => describeCulture(culture('infusoria', days), NOW, ZONE).phase);
    expect([...new Set(phases)]).toEqual(['ripening', 'maybeRipe', 'ripe', 'overdue']);
    expect(phases.slice(0, 4)).toEqual(['ripening', 'ripening', 'ripening', 'ripening']);
    expect(phases[4]).toBe('maybeRipe');
    expect(phases[7]).toBe('ripe');
    expect(phases[22]).toBe('overdue');
  });

  it('seen ripe is ripe from that day, whatever the book says', () => {
    const early = describeCulture(culture('paramecium', 3, { ripeSeenAt: daysAgo(1) }), NOW, ZONE);
    expect(early).toMatchObject({
      phase: 'ripe',
      ripeFrom: '2026-03-09',
      ripeBy: '2026-03-09',
      ripeness: 1,
      lastDay: '2026-03-30',
    });
  });

  it('is due for feeding counted from the last feeding', () => {
    expect(describeCulture(culture('microworm', 20, { fedAt: daysAgo(5) }), NOW, ZONE).feedDue).toBe('2026-03-12');
    expect(describeCulture(culture('microworm', 20), NOW, ZONE).feedDue).toBe('2026-02-25');
    expect(describeCulture(culture('brineShrimp', 1), NOW, ZONE).feedDue).toBeNull();
  });

  it('has figures that make sense for every food that is grown', () => {
    for (const kind of Object.values(CULTURES)) {
      expect(kind.ripeDays[0]).toBeLessThanOrEqual(kind.ripeDays[1]);
      expect(kind.lastsDays).toBeGreaterThanOrEqual(1);
      expect(kind.batch || usualYield(kind, kind.vesselL, null) > 0).toBe(true);
      expect(kind.doublingDays[0]).toBeLessThanOrEqual(kind.doublingDays[1]);
      expect(kind.signs).toContain('foul');
      expect(kind.sign.length).toBeGreaterThan(5);
      expect(kind.feedEveryDays > 0).toBe(kind.feed !== '');
    }
  });
});

describe('the plan for a first food', () => {
  it('is counted back from the first day they may swim by the longest ripening time', () => {
    const found = plan('infusoria', '2026-03-20', '2026-03-22', []);
    expect(found).toMatchObject({ status: 'start', startBy: '2026-03-13', backUpBy: '2026-03-16' });
    expect(found.text).toContain('by Fri 13 Mar');
  });

  it('is late when the longest ripening time no longer fits, and names the nearest culture', () => {
    expect(plan('infusoria', '2026-03-15', '2026-03-17', []).status).toBe('late');
    const nearest = plan('infusoria', '2026-03-12', '2026-03-14', [culture('infusoria', 3)]);
    expect(nearest).toMatchObject({ status: 'late', startBy: TODAY, cultureIds: ['infusoria3'] });
    expect(nearest.text).toContain('but infusoria 3 is ripe');
  });

  it('wants a second one out of step, and is safe with two', () => {
    expect(plan('paramecium', '2026-03-20', '2026-03-22', [culture('paramecium', 8)])).toMatchObject({
      status: 'single',
      backUpBy: '2026-03-13',
    });
    expect(plan('paramecium', '2026-03-20', '2026-03-22', [culture('paramecium', 8), culture('paramecium', 5)])).toMatchObject({
      status: 'safe',
      startBy: null,
    });
  });

  it('does not count on a culture that will be spent by then, nor on one of another size; one of the same size stands in', () => {
    expect(plan('infusoria', '2026-03-20', '2026-03-22', [culture('infusoria', 17), culture('infusoria', 18)]).status).toBe(
      'start',
    );
    expect(plan('infusoria', '2026-03-20', '2026-03-22', [culture('microworm', 8), culture('microworm', 9)]).status).toBe(
      'start',
    );
    expect(plan('infusoria', '2026-03-20', '2026-03-22', [culture('paramecium', 8), culture('paramecium', 9)]).status).toBe(
      'safe',
    );
  });

  it('of a food from the shelf needs nothing', () => {
    expect(plan('finePowder', '2026-03-12', '2026-03-12', [])).toMatchObject({ status: 'shelf', startBy: null });
  });

  it('is never worse for one more culture of the food', () => {
    const rank = { late: 0, start: 1, single: 2, safe: 3, shelf: 4 };
    fc.assert(
      fc.property(fc.array(fc.nat(30), { maxLength: 4 }), fc.nat(30), fc.integer({ min: 0, max: 25 }), (ages, extra, ahead) => {
        const need = ['infusoria', addDays(TODAY, ahead), addDays(TODAY, ahead + 2)] as const;
        const before = plan(
          ...need,
          ages.map((age) => culture('infusoria', age)),
        );
        const after = plan(
          ...need,
          [...ages, extra].map((age) => culture('infusoria', age)),
        );
        expect(rank[after.status]).toBeGreaterThanOrEqual(rank[before.status]);
      }),
    );
  });

  it('promises in time exactly what a culture started on its last day keeps', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<CultureFood>('infusoria', 'paramecium', 'microworm', 'rotifer'),
        fc.integer({ min: 8, max: 25 }),
        (food, ahead) => {
          const from = addDays(TODAY, ahead);
          const found = plan(food, from, addDays(from, 2), []);
          if (found.status !== 'start' || !found.startBy) return;
          const started: Culture = { ...culture(food, 0), startedAt: `${found.startBy}T08:00:00.000Z` };
          expect(describeCulture(started, NOW, ZONE).ripeBy <= from).toBe(true);
        },
      ),
    );
  });
});

describe('a ration', () => {
  const grown = (key: string, heads: number): Eaters => {
    const { adultMm, ...rest } = figures(key);
    return { figures: { adultMm, ...rest }, heads, lengthMm: (adultMm[0] + adultMm[1]) / 2, isYoung: false };
  };

  it('of brine shrimp and the cysts for it agree with each other', () => {
    const ration = fryRation(figures('kribensis'), 'brineShrimp', 60, 6);
    // 40 nauplii a meal at 4 mm, by the square of the length 90 at 6 mm, in four meals.
    expect(ration).toMatchObject({ food: 'brineShrimp', mealsPerDay: 4, unit: 'ml', perMeal: 5.5 });
    const { nauplii } = hatch({ cystsG: ration.cystsGPerDay ?? 0, naupliiPerG: 250_000, hatchFraction: 0.8 });
    expect(Math.abs(nauplii / (60 * 90 * 4) - 1)).toBeLessThan(0.1);
    expect(
      cystsFor({ fry: 60, naupliiPerFryPerMeal: 90, mealsPerDay: 4, naupliiPerG: 250_000, hatchFraction: 0.8 }).naupliiPerDay,
    ).toBe(21_600);
    // A tetra of the same length takes less than a third of that.
    expect(fryRation(figures('lemon-tetra'), 'brineShrimp', 60, 6).cystsGPerDay).toBeLessThan(0.04);
  });

  it('grows with their number, is never nothing, and explains itself', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('lemon-tetra', 'kribensis', 'sixray-aspidoras', 'green-babaulti'),
        fc.constantFrom('infusoria', 'microworm', 'brineShrimp', 'crushedDry'),
        fc.integer({ min: 1, max: 300 }),
        fc.double({ min: 2, max: 30, noNaN: true }),
        (key, food, count, mm) => {
          const size: Partial<Record<Ration['unit'], number>> = { pinch: 0.05, trace: 0.01 };
          const amount = (ration: Ration) => ration.perMeal * (size[ration.unit] ?? 1);
          const [few, many] = [fryRation(figures(key), food, count, mm), fryRation(figures(key), food, count * 3, mm)];
          expect(few.perMeal).toBeGreaterThan(0);
          expect(amount(many)).toBeGreaterThanOrEqual(amount(few) * 0.99);
          expect(few.why.length).toBeGreaterThan(1);
        },
      ),
    );
  });

  it('of grown animals is half to one per cent of their weight, by the form of each kind, all of a tank together', () => {
    const tetras = adultRation([grown('lemon-tetra', 10)], false, null);
    // Ten tetras of 41.5 mm weigh 8.2 g.
    expect(tetras?.dryGPerDay).toBeCloseTo(8.2 * 0.0075, 2);
    const whiptails = adultRation([grown('red-lizard-whiptail', 4)], false, null);
    const both = adultRation([grown('lemon-tetra', 10), grown('red-lizard-whiptail', 4)], false, null);
    expect(both?.dryGPerDay).toBeCloseTo((tetras?.dryGPerDay ?? 0) + (whiptails?.dryGPerDay ?? 0), 6);
    // A whiptail of 105 mm is slender: 7 g, where a cichlid of its length would weigh three times that.
    expect(whiptails?.dryGPerDay).toBeCloseTo(4 * 6e-6 * 105 ** 3 * 0.0075, 3);
    expect(adultRation([grown('yabby', 12)], false, null)?.unit).toBe('g');
    expect(adultRation([grown('lemon-tetra', 1)], false, null)?.unit).toBe('trace');
    const heads = { ...NOTHING_KNOWN, doses: [{ dose: 'matchHead' as const, food: null, amount: 0.004, of: 20 }] };
    expect(adultRation([grown('lemon-tetra', 1)], false, null, heads)).toMatchObject({ unit: 'match-head', perMeal: 2 });
    const own = { ...NOTHING_KNOWN, doses: [{ dose: 'smear' as const, food: null, amount: 0.2, of: 10 }] };
    const smears = (known = NOTHING_KNOWN) => fryRation(figures('kribensis'), 'microworm', 200, 5, false, known).perMeal;
    expect(smears(own)).toBe(smears() / 2);
    const frozen = { ...grown('angelfish', 12), figures: { ...figures('angelfish'), adultFoods: ['frozen' as const] } };
    expect(adultRation([frozen], false, null)).toMatchObject({ unit: 'cube' });
  });

  it('is doubled and more while they are conditioned, and larger for young that came in', () => {
    const [plain, rich] = [false, true].map((conditioning) => adultRation([grown('angelfish', 20)], conditioning, null));
    expect((rich?.dryGPerDay ?? 0) / (plain?.dryGPerDay ?? 1)).toBeCloseTo(1.75 / 0.75, 2);
    const young = { ...grown('angelfish', 20), lengthMm: 30, isYoung: true };
    expect(adultRation([young], false, null)?.dryGPerDay).toBeCloseTo(20 * 2.5e-5 * 27_000 * 0.04, 3);
  });

  it('of grazers is one solid food a week for all, whatever their number, and a trace for their young', () => {
    expect(adultRation([grown('green-babaulti', 300)], false, null)).toMatchObject({ everyDays: 7, unit: 'piece', perMeal: 1 });
    expect(fryRation(figures('green-babaulti'), 'biofilm', 200, 3)).toMatchObject({ everyDays: 2, unit: 'trace' });
    const grazed = fryRation(figures('green-babaulti'), 'biofilm', 200, 3, true);
    expect([grazed.everyDays, grazed.unit, grazed.why[0]]).toEqual([7, 'piece', expect.stringContaining('No powder')]);
    expect(fryRation(figures('lemon-tetra'), 'brineShrimp', 60, 6, true)).toEqual(
      fryRation(figures('lemon-tetra'), 'brineShrimp', 60, 6),
    );
  });

  it('outdoors follows the water: weekly when cold, daily from 18 °C', () => {
    const every = (tempC: number) => adultRation([grown('ranchu-goldfish', 6)], false, tempC)?.everyDays;
    expect([every(11), every(15), every(18), every(22)]).toEqual([7, 2, 1, 1]);
  });
});

describe('a culture in its own place', () => {
  it('ripens slower where it is colder: brine shrimp in 24 to 30 hours at 28 °C, 36 to 48 at 22 °C', () => {
    const hours = (tempC: number) => cultureDays('brineShrimp', tempC).ripe.map((days) => Math.round(days * 24));
    expect(hours(28)).toEqual([24, 30]);
    const [low = 0, high = 0] = hours(22);
    expect([low >= 34 && low <= 42, high >= 44 && high <= 52]).toEqual([true, true]);
    expect(cultureDays('infusoria', 17).ripe[1]).toBeGreaterThan(cultureDays('infusoria', 24).ripe[1]);
  });
});

describe('protein of dry food', () => {
  it('falls as they grow', () => {
    const lemon = figures('lemon-tetra');
    const low = (mm: number) => proteinShare(lemon, mm)[0];
    expect([low(5), low(20), low(40)]).toEqual([0.45, 0.4, 0.32]);
    expect(fryRation(lemon, 'crushedDry', 50, 8).why.join(' ')).toContain('45 to 55 % protein');
  });
});
