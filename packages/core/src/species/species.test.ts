import fc from 'fast-check';
import { foodsOn } from './foods';
import { expectedAgeDays, expectedLengthMm } from './growth';
import { METHOD_TEMPLATES, resolveSpecies, SHIPPED_SPECIES } from './resolveSpecies';
import { FOOD_NAMES } from './foodNames';
import { METHODS, type Figures, type Range } from './profile';

const all = SHIPPED_SPECIES.map((profile) => resolveSpecies(profile));
const anySpecies = fc.constantFrom(...all);

describe('the shipped species', () => {
  it('are those of the shed, each named once, with initials of its own', () => {
    expect(all).toHaveLength(26);
    expect(new Set(all.map(({ key }) => key)).size).toBe(all.length);
    expect(new Set(all.map(({ initials }) => initials)).size).toBe(all.length);
    expect(new Set(all.map(({ method }) => method)).size).toBe(METHODS.length);
  });

  it.each(all.map((species) => [species.commonName, species] as const))(
    '%s: every figure is a sensible range',
    (_name, { figures, start }) => {
      for (const [key, value] of Object.entries(figures) as [keyof Figures, unknown][])
        if (Array.isArray(value) && value.length === 2 && typeof value[0] === 'number') {
          const [low, high] = value as unknown as Range;
          expect([key, low <= high, low >= 0]).toEqual([key, true, true]);
        }
      expect(figures.developmentZeroC).toBeLessThan(figures.eggTempC[0]);
      expect(figures.fryMm[1]).toBeLessThan(figures.saleMm[0]);
      expect(figures.saleMm[0]).toBeLessThanOrEqual(figures.adultMm[1]);
      expect(figures.ladder[0]?.fromMm).toBe(0);
      for (const [i, rung] of figures.ladder.entries()) {
        expect(FOOD_NAMES[rung.food]).toBeTruthy();
        if (i > 0) expect(rung.fromMm).toBeGreaterThanOrEqual(figures.ladder[i - 1]?.fromMm ?? 0);
      }
      if (start === 'born') expect(figures.interval?.days[0]).toBeGreaterThan(10);
      else
        expect(
          [figures.hatch, figures.freeSwimming].every((stage) => stage !== null && stage.atC > figures.developmentZeroC),
        ).toBe(true);
    },
  );

  it('name crayfish as a matter for local law', () => {
    for (const species of all.filter(({ method }) => method === 'crayfish')) expect(species.caution).toMatch(/licence|banned/);
  });
});

describe('a breeder’s own figures', () => {
  it('go before the species’, which go before the method’s, and say so', () => {
    const profile = SHIPPED_SPECIES.find(({ key }) => key === 'lemon-tetra');
    if (!profile) throw new Error('no lemon tetra');
    const own = resolveSpecies(profile, { clutch: [10, 20] });
    expect(own.figures.clutch).toEqual([10, 20]);
    expect(own.origins).toMatchObject({ clutch: 'own', hatch: 'species', survivalToSale: 'method' });
    expect(own.grades).toMatchObject({ clutch: 'recorded', hatch: 'recorded', survivalToSale: 'guess' });
    expect(own.figures.survivalToSale).toEqual(METHOD_TEMPLATES.eggScatterer.figures.survivalToSale);
  });
});

describe('growth', () => {
  it('only goes up, from the young’s length towards the adult’s, and its inverse agrees', () => {
    fc.assert(
      fc.property(anySpecies, fc.double({ min: 0, max: 600, noNaN: true }), ({ figures }, age) => {
        const length = expectedLengthMm(figures, age);
        expect(length).toBeLessThan(expectedLengthMm(figures, age + 10));
        expect(length).toBeGreaterThanOrEqual((figures.fryMm[0] + figures.fryMm[1]) / 2 - 1e-9);
        if (age < 400) expect(expectedAgeDays(figures, length)).toBeCloseTo(age, 3);
      }),
    );
  });

  it('reaches the sale length at the middle of the sale age', () => {
    for (const { figures } of all.filter((species) => species.figures.saleMm[1] < species.figures.adultMm[1])) {
      const middle = (range: Range) => (range[0] + range[1]) / 2;
      expect(expectedLengthMm(figures, middle(figures.saleDays)) / middle(figures.saleMm)).toBeCloseTo(1, 1);
    }
  });

  it('never reaches what is longer than the adults', () => {
    for (const { figures } of all) expect(expectedAgeDays(figures, figures.adultMm[1] * 2)).toBeNull();
  });
});

describe('the food ladder', () => {
  it('keeps the old food beside the new one for a week, and never gives nothing', () => {
    const tetra = all.find(({ key }) => key === 'lemon-tetra');
    if (!tetra) throw new Error('no lemon tetra');
    const on = (day: number) => foodsOn(tetra.figures, day);
    expect([on(0).main, on(5).main, on(12).main]).toEqual(['infusoria', 'vinegarEel', 'brineShrimp']);
    expect(on(5).beside.map(({ food }) => food)).toEqual(['infusoria']);
    expect(on(12).beside.map(({ food }) => food)).toEqual(['vinegarEel']);
    expect(on(60)).toMatchObject({ main: 'brineShrimp', beside: [{ food: 'crushedDry' }] });
  });

  it('gives the first food at once and never climbs down as they grow', () => {
    fc.assert(
      fc.property(anySpecies, fc.integer({ min: 0, max: 90 }), fc.integer({ min: 0, max: 20 }), ({ figures }, day, more) => {
        const rung = (at: number) => figures.ladder.findIndex(({ food }) => food === foodsOn(figures, at).main);
        expect(figures.ladder[rung(0)]?.fromMm).toBe(0);
        expect(rung(day + more)).toBeGreaterThanOrEqual(rung(day));
      }),
    );
  });
});
