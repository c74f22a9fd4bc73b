import fc from 'fast-check';
import { checkTemperature, compareWalk, dose, doseAfterChange, tankLoad, type WalkPlace } from './index';

const tank = fc.record({
  lengthCm: fc.double({ min: 10, max: 300, noNaN: true }),
  widthCm: fc.double({ min: 10, max: 150, noNaN: true }),
  heightCm: fc.double({ min: 10, max: 100, noNaN: true }),
  glassMm: fc.double({ min: 2, max: 15, noNaN: true }),
  substrateKg: fc.double({ min: 0, max: 100, noNaN: true }),
  fill: fc.double({ min: 0, max: 1, noNaN: true }),
});
const load = ({
  fill,
  ...sides
}: {
  fill: number;
  lengthCm: number;
  widthCm: number;
  heightCm: number;
  glassMm: number;
  substrateKg: number;
}) => tankLoad({ ...sides, waterHeightCm: (sides.heightCm - sides.glassMm / 10) * fill });

describe('the load of a tank', () => {
  it('is glass, water and substrate, and never more water than the box holds', () => {
    fc.assert(
      fc.property(tank, (shape) => {
        const found = load(shape);
        expect(found.totalKg).toBeCloseTo(found.glassKg + found.waterLitres + shape.substrateKg, 6);
        expect(found.waterLitres).toBeLessThanOrEqual(found.grossLitres + 1e-9);
        expect(found.grossLitres * 1000).toBeLessThan(shape.lengthCm * shape.widthCm * shape.heightCm);
        expect(found.kgPerM2 * found.footprintM2).toBeCloseTo(found.totalKg, 6);
      }),
    );
  });

  it('counts glass by its panes: outer box less inner box', () => {
    fc.assert(
      fc.property(tank, (shape) => {
        const found = load(shape);
        const outer = (shape.lengthCm * shape.widthCm * shape.heightCm) / 1000;
        expect(found.glassKg).toBeCloseTo((outer - found.grossLitres) * 2.5, 6);
      }),
    );
  });

  it('takes the usual glass for a height, the heavier at the step', () => {
    const glass = (heightCm: number) => tankLoad({ lengthCm: 60, widthCm: 40, heightCm, waterHeightCm: 10 }).glassMm;
    expect([40, 40.1, 50, 50.1, 60, 60.1].map(glass)).toEqual([6, 8, 8, 10, 10, 12]);
  });

  it('says how high the water may stand', () => {
    expect(() => tankLoad({ lengthCm: 60, widthCm: 30, heightCm: 30, waterHeightCm: 29.5, glassMm: 6 })).toThrow(
      'at most 29.4 cm inside',
    );
    expect(() => tankLoad({ lengthCm: 60, widthCm: 30, heightCm: 30, waterHeightCm: 29.4, glassMm: 6 })).not.toThrow();
  });
});

describe('a dose', () => {
  it('after a change of everything is the whole dose; after none, nothing', () => {
    const stock = { percentWv: 0.5 };
    expect(doseAfterChange({ tankLitres: 40, changeFraction: 1, targetMgPerL: 2, stock })).toEqual(
      dose({ tankLitres: 40, targetMgPerL: 2, stock }),
    );
    expect(doseAfterChange({ tankLitres: 40, changeFraction: 0, targetMgPerL: 2, stock })).toEqual({ mg: 0, ml: 0 });
  });

  it('holds the target through any number of changes', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 12 }), (changes) => {
        let mg = dose({ tankLitres: 50, targetMgPerL: 3, stock: { mgPerMl: 7 } }).mg;
        for (const changeFraction of changes)
          mg =
            mg * (1 - changeFraction) +
            doseAfterChange({ tankLitres: 50, changeFraction, targetMgPerL: 3, stock: { mgPerMl: 7 } }).mg;
        expect(mg / 50).toBeCloseTo(3, 9);
      }),
    );
  });
});

describe('the walk', () => {
  const place = fc.record<WalkPlace>({
    quarantine: fc.boolean(),
    rackPosition: fc.integer({ min: 1, max: 4 }),
    nursery: fc.boolean(),
    shelfLevel: fc.integer({ min: 1, max: 3 }),
    leftCm: fc.integer({ min: 0, max: 3 }),
    code: fc.constantFrom('A1', 'A2', 'B1'),
  });

  it('serves quarantine last, crosses the room once, and in a rack goes to nurseries first', () => {
    fc.assert(
      fc.property(fc.array(place, { maxLength: 40 }), (places) => {
        const walk = [...places].sort(compareWalk);
        const firstQuarantine = walk.findIndex((stop) => stop.quarantine);
        if (firstQuarantine >= 0) expect(walk.slice(firstQuarantine).every((stop) => stop.quarantine)).toBe(true);
        for (const clean of [walk.filter((stop) => !stop.quarantine)]) {
          const racks = clean.map((stop) => stop.rackPosition);
          expect(racks).toEqual([...racks].sort((a, b) => a - b));
          for (const rack of new Set(racks)) {
            const nurseries = clean.filter((stop) => stop.rackPosition === rack).map((stop) => stop.nursery);
            expect(nurseries).toEqual([...nurseries].sort((a, b) => Number(b) - Number(a)));
          }
        }
      }),
    );
  });
});

describe('a temperature', () => {
  it('is judged with half a degree of slack, since meters differ', () => {
    expect([21.4, 21.5, 26.5, 26.6].map((tempC) => checkTemperature(tempC, [22, 26]))).toEqual([
      'below',
      'within',
      'within',
      'above',
    ]);
  });
});
