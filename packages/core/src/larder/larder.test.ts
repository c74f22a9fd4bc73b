import fc from 'fast-check';
import { resolveSpecies, SHIPPED_SPECIES } from '../species';
import { addDays } from '../time';
import {
  CULTURES,
  cystsFor,
  describeCulture,
  fryRation,
  hatch,
  adultRation,
  planFirstFood,
  type Culture,
  type CultureFood,
} from './index';

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
      expect(kind.lastsDays).toBeGreaterThan(1);
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
    expect(nearest.text).toContain('infusoria 3 is the nearest');
  });

  it('wants a second one out of step, and is safe with two', () => {
    expect(plan('paramecium', '2026-03-20', '2026-03-22', [culture('paramecium', 8)])).toMatchObject({
      status: 'single',
      backUpBy: '2026-03-16',
    });
    expect(plan('paramecium', '2026-03-20', '2026-03-22', [culture('paramecium', 8), culture('paramecium', 2)])).toMatchObject({
      status: 'safe',
      startBy: null,
    });
  });

  it('does not count on a culture that will be spent by then, nor on one of another food', () => {
    expect(plan('infusoria', '2026-03-20', '2026-03-22', [culture('infusoria', 17), culture('infusoria', 18)]).status).toBe(
      'start',
    );
    expect(plan('infusoria', '2026-03-20', '2026-03-22', [culture('paramecium', 8), culture('paramecium', 9)]).status).toBe(
      'start',
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
  it('of brine shrimp and the cysts for it agree with each other', () => {
    const ration = fryRation(figures('kribensis'), 60, 6);
    expect(ration).toMatchObject({ food: 'brineShrimp', mealsPerDay: 3, unit: 'ml' });
    const nauplii = hatch({ cystsG: ration.cystsGPerDay ?? 0, naupliiPerG: 250_000, hatchFraction: 0.8 }).nauplii;
    // 60 young × 27 nauplii × 3 meals; grams are rounded to hundredths.
    expect(nauplii).toBeGreaterThan(60 * 27 * 3 * 0.8);
    expect(ration.perMeal).toBeCloseTo((60 * 27) / 1000, 0);
    expect(
      cystsFor({ fry: 60, naupliiPerFryPerMeal: 27, mealsPerDay: 3, naupliiPerG: 250_000, hatchFraction: 0.8 }).naupliiPerDay,
    ).toBe(4860);
  });

  it('grows with their number, is never nothing, and explains itself', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('lemon-tetra', 'kribensis', 'sixray-aspidoras', 'green-babaulti'),
        fc.integer({ min: 1, max: 300 }),
        fc.double({ min: 2, max: 30, noNaN: true }),
        (key, count, mm) => {
          const grams = (ration: ReturnType<typeof fryRation>) => ration.perMeal * (ration.unit === 'pinch' ? 0.05 : 1);
          const [few, many] = [fryRation(figures(key), count, mm), fryRation(figures(key), count * 3, mm)];
          expect(few.perMeal).toBeGreaterThan(0);
          expect(grams(many)).toBeGreaterThanOrEqual(grams(few) * 0.99);
          expect(few.why.length).toBeGreaterThan(1);
        },
      ),
    );
  });

  it('of dry food is weighed where nobody would pinch it', () => {
    expect(adultRation(figures('yabby'), 12, false).unit).toBe('g');
    expect(adultRation(figures('lemon-tetra'), 9, false).unit).toBe('pinch');
  });

  it('is doubled while they are conditioned', () => {
    const [plain, conditioned] = [adultRation(figures('angelfish'), 20, false), adultRation(figures('angelfish'), 20, true)];
    expect(conditioned.perMeal * conditioned.mealsPerDay).toBeCloseTo(2 * plain.perMeal * plain.mealsPerDay, 0);
  });
});
