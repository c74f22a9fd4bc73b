import fc from 'fast-check';
import * as v from 'valibot';
import { foodsOn } from './foods';
import { expectedAgeDays, expectedLengthMm } from './growth';
import { METHOD_TEMPLATES, resolveSpecies, SHIPPED_SPECIES } from './resolveSpecies';
import { FOOD_NAMES } from './foodNames';
import { METHODS } from './kinds';
import { OwnFiguresSchema, type Figures, type Range } from './figures';
import { MethodTemplateSchema, ShippedSpeciesSchema, type MethodTemplate } from './method';

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

describe('what ships is parsed', () => {
  const fish = SHIPPED_SPECIES[0];
  const method = METHOD_TEMPLATES.eggScatterer;
  /** Where parsing stops, and why. */
  const stops = (schema: v.GenericSchema, value: unknown) =>
    (v.safeParse(schema, value).issues ?? []).map((issue) => `${v.getDotPath(issue) ?? ''}: ${issue.message}`);
  it.each([
    ['a range turned round', { figures: { clutch: [9, 2] } }, 'figures.clutch: The lower end comes first.'],
    ['a figure nobody declared', { figures: { clutches: [2, 9] } }, 'figures.clutches: '],
    ['a food nobody has', { figures: { adultFoods: ['steak'] } }, 'figures.adultFoods.0: '],
    [
      'foods that climb down',
      { figures: { ladder: [3, 2].map((fromMm) => ({ food: 'moina', fromMm })) } },
      'figures.ladder: No food',
    ],
    ['a method there is not', { method: 'mailOrder' }, 'method: '],
    ['a word mistyped', { cuation: 'Bites.' }, 'cuation: '],
    ['initials of three letters', { initials: 'abc' }, 'initials: Two letters.'],
  ])('a species with %s is refused where it stands', (_name, change, told) => {
    expect(stops(ShippedSpeciesSchema, fish)).toEqual([]);
    const found = stops(ShippedSpeciesSchema, { ...fish, ...change });
    expect(found).toHaveLength(1);
    expect(found[0]?.startsWith(told)).toBe(true);
  });

  it.each([
    ['a month thirteen', { spawnsIn: [[3, 13]] }, 'spawnsIn.0.1: '],
    ['a share above one', { waterSteps: 1.5 }, 'waterSteps: '],
    ['two signs only', { conditionSigns: ['girth', 'soft'] }, 'conditionSigns: '],
    ['no way for its eggs', { eggWay: undefined }, 'eggWay: '],
    ['a figure left out', { figures: { ...method.figures, clutch: undefined } }, 'figures.clutch: '],
  ])('a method with %s is refused where it stands', (_name, change, told) => {
    expect(stops(MethodTemplateSchema, method)).toEqual([]);
    const found = stops(MethodTemplateSchema, { ...method, ...change });
    expect(found).toHaveLength(1);
    expect(found[0]?.startsWith(told)).toBe(true);
  });

  it('a figure from outside that nobody declared is dropped, not kept', () => {
    expect(v.parse(OwnFiguresSchema, { clutch: [1, 2], clutches: [2, 9] })).toEqual({ clutch: [1, 2] });
  });

  it('shrimp, crayfish and scuds are the invertebrates, and only ponds have months', () => {
    const those = (has: (method: MethodTemplate) => boolean) => METHODS.filter((key) => has(METHOD_TEMPLATES[key]));
    expect(those(({ invertebrate }) => invertebrate)).toEqual(['shrimpDirect', 'shrimpLarval', 'crayfish', 'broodingScud']);
    expect(those(({ spawnsIn }) => spawnsIn.length > 0)).toEqual(['pondGroup']);
    expect(those(({ carryAdvice }) => carryAdvice !== undefined)).toEqual(
      those(({ start, invertebrate }) => start === 'carried' || (invertebrate && start !== 'born')),
    );
    expect(those(({ baggedAlone }) => baggedAlone !== undefined)).toEqual(['bubbleNester', 'annualPeat', 'crayfish']);
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
