import { CALCULATIONS, runCalculation } from '@freshet/contract/bench';
import { lookAt, putAt, toSumInput } from './sumInput';
import { SUMS } from './sums';

const UNITS = { temperature: 'degC', volume: 'L' } as const;
const sum = (name: string) => {
  const found = SUMS.find((candidate) => candidate.name === name);
  if (!found) throw new Error(name);
  return found;
};

describe('the bench', () => {
  it.each(SUMS.map((one) => [one.name, one] as const))(
    '%s: comes to a result with its starting values, every line of it',
    (name, one) => {
      const read = toSumInput(one, {}, UNITS);
      const answer = 'input' in read ? runCalculation(name, read.input) : read;
      expect(answer).toHaveProperty('output');
      for (const { path, absent } of one.outputs)
        expect([path, typeof lookAt('output' in answer ? answer.output : null, path)]).toEqual([
          path,
          absent ? 'object' : 'number',
        ]);
    },
  );

  it('has every sum of the catalogue but those that live where they are used', () => {
    const missing = CALCULATIONS.map(({ name }) => name).filter((name) => !SUMS.some((one) => one.name === name));
    expect(missing.sort()).toEqual([
      'broods.subsampleCount',
      'broods.survival',
      'economics.costPerFish',
      'economics.shelf',
      'evidence.compare',
      'evidence.factors',
      'evidence.rate',
      'evidence.screen',
      'growout.assign',
      'growth.crowdedOn',
      'growth.fit',
      'growth.readyOn',
      'larder.culture',
      'larder.plan',
      'rounds.jot',
      'sky.moon',
      'sky.sun',
      'spawning.learn',
      'spawning.stageTimes',
      'species.life',
      'stock.broodTest',
      'stock.cross',
      'stock.groupKinship',
      'stock.inbreeding',
      'stock.kinship',
      'stock.pairings',
      'stock.sexing',
    ]);
  });

  it('understands either unit in one field, and the house’s unit where none is typed', () => {
    const read = (tankLitres: string, units: Parameters<typeof toSumInput>[2] = UNITS) => {
      const found = toSumInput(sum('water.dose'), { tankLitres }, units);
      return 'input' in found ? found.input.tankLitres : found.message;
    };
    expect(read('20 gal')).toBeCloseTo(75.708, 2);
    expect(read('20', { temperature: 'degF', volume: 'galUS' })).toBeCloseTo(75.708, 2);
    expect(read('20')).toBe(20);
    expect(read('much')).toBe('"much" is not a number with a unit.');
    expect(read('20 stone')).toBe('"stone" is not a unit of volume.');
  });

  it('puts values into lists and finds them again', () => {
    const tree: Record<string, unknown> = {};
    putAt(tree, 'parts.1.litres', 5);
    putAt(tree, 'stock.percentWv', 0.5);
    expect(tree).toEqual({ parts: [undefined, { litres: 5 }], stock: { percentWv: 0.5 } });
    expect([lookAt(tree, 'parts.1.litres'), lookAt(tree, 'parts.0.litres'), lookAt(tree, 'nowhere.at.all')]).toEqual([
      5,
      undefined,
      undefined,
    ]);
  });
});
