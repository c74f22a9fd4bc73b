import { parseJot, type JotContext, type JotTank } from './parseJot';

const NOW = '2026-11-24T07:12:00.000Z';
const lot = (id: string, young: boolean, heads: Partial<{ males: number; females: number; unsexed: number }>) => ({
  id,
  young,
  label: id,
  males: 0,
  females: 0,
  unsexed: 0,
  ...heads,
});
const tank = (code: string, more: Partial<JotTank> = {}): JotTank => ({
  id: `id-${code}`,
  code,
  litres: 54,
  lots: [],
  broods: [],
  attempts: 0,
  ...more,
});
const brood = (id: string, stage: string, carried = false) => ({ id, stage, carried });
const TANKS: JotTank[] = [
  tank('A1.2', { lots: [lot('adults', false, { males: 2, females: 3 })] }),
  tank('B2.3', { lots: [lot('eggs', true, { unsexed: 110 })], broods: [brood('clutch', 'eggs')], attempts: 1 }),
  tank('B2.4', {
    lots: [lot('mothers', false, { females: 3 }), lot('fry', true, { unsexed: 40 })],
    broods: [brood('fry-brood', 'fry')],
  }),
  tank('B3', { lots: [lot('limia', false, { females: 2 })], attempts: 1 }),
  tank('B4', { lots: [lot('carrier', false, { females: 1 })], broods: [brood('held', 'eggs', true)] }),
  tank('C1', {
    lots: [lot('x', true, { unsexed: 5 }), lot('y', true, { unsexed: 5 })],
    broods: [brood('1', 'fry'), brood('2', 'fry')],
    attempts: 2,
  }),
  tank('EMPTY'),
];
const context: JotContext = {
  tanks: TANKS,
  cultures: [
    { id: 'old', name: 'Microworms 1', food: 'microworm', tankId: null },
    { id: 'here', name: 'Microworms 2', food: 'microworm', tankId: 'id-B2.4' },
  ],
  now: NOW,
  timeZone: 'Europe/Dublin',
  units: { temperature: 'degC', volume: 'L' },
};
const read = (line: string, more: Partial<JotContext> = {}) => parseJot(line, { ...context, ...more });
const commands = (line: string) => {
  const result = read(line);
  if (!result.ok) throw new Error(`${line}: ${result.problem.message}`);
  return result.commands;
};
const readsAs = (line: string, more: Partial<JotContext> = {}) => {
  const result = read(line, more);
  return result.ok ? result.readsAs : `! ${result.problem.message}`;
};

describe('a jotted line in a house', () => {
  it('goes to the brood, the group and the culture that are meant', () => {
    const at = { from: NOW, to: NOW };
    expect(commands('B2.3 hatched 90')).toEqual([{ kind: 'hatched', tankId: 'id-B2.3', broodId: 'clutch', count: 90, at }]);
    expect(commands('B2.3 eggs 120, 18 white')).toEqual([{ kind: 'eggs', tankId: 'id-B2.3', count: 120, white: 18, laid: at }]);
    expect(commands('B2.4 lost 2 young')).toMatchObject([{ lotId: 'fry', heads: { unsexed: 2 }, cause: 'unknown' }]);
    expect(commands('B2.4 lost 1 adult')).toMatchObject([{ lotId: 'mothers', heads: { females: 1 } }]);
    expect(commands('A1.2 1 male jumped')).toMatchObject([{ lotId: 'adults', heads: { males: 1 }, cause: 'jumped' }]);
    expect(commands('A1.2 sold 2 females')).toMatchObject([{ kind: 'lost', heads: { females: 2 }, cause: 'sale' }]);
    expect(commands('A1.2 moved all to EMPTY')).toMatchObject([
      { kind: 'move', lotId: 'adults', heads: { males: 2, females: 3, unsexed: 0 }, toTankId: 'id-EMPTY' },
    ]);
    expect(commands('A1.2 harvest microworms')).toMatchObject([{ kind: 'harvest', cultureId: 'old' }]);
    expect(commands('B2.4 harvest microworms')).toMatchObject([{ kind: 'harvest', cultureId: 'here' }]);
    expect(commands('A1.2 fed bbs, chasing')).toMatchObject([
      { kind: 'care', care: 'fed', text: 'brine shrimp' },
      { kind: 'care', care: 'sign', text: 'chasing' },
    ]);
  });

  it('turns a share of a tank into litres, and a span of time into its middle where one instant is booked', () => {
    expect(commands('A1.2 change 50%')).toMatchObject([{ kind: 'change', litres: 27, at: NOW }]);
    expect(commands('A1.2 25 yesterday')).toMatchObject([{ kind: 'reading', at: '2026-11-23T12:00:00.000Z' }]);
    expect(commands('A1.2 lost 1 male yesterday')).toMatchObject([
      { at: { from: '2026-11-23T00:00:00.000Z', to: '2026-11-24T00:00:00.000Z' } },
    ]);
  });

  it('takes released young to the brood that is carried, or as a birth of the open attempt', () => {
    expect(commands('B4 released 30')).toMatchObject([{ kind: 'freeSwimming', broodId: 'held', count: 30 }]);
    expect(commands('B3 born 12')).toMatchObject([{ kind: 'eggs', count: 12, white: 0 }]);
    expect(readsAs('B3 born')).toContain('How many young?');
  });

  it.each([
    ['B2.4 lost 2', 'mothers or fry: which is meant? Write "adults" or "young" behind the number.'],
    ['C1 lost 2', 'x or y: which is meant?'],
    ['A1.2 lost 1', 'Write "1 male" or "1 female".'],
    ['A1.2 lost 3 males', 'Only 2 males are booked in A1.2.'],
    ['B2.3 lost 111', 'Only 110 are booked in B2.3.'],
    ['EMPTY lost 1', 'Nobody is booked in EMPTY.'],
    ['B2.3 lost 1 female', 'No females are booked in B2.3.'],
    ['A1.2 hatched', 'No brood is in A1.2'],
    ['C1 hatched', 'C1 holds 2 broods'],
    ['A1.2 eggs 10', 'No spawning attempt is open in A1.2'],
    ['C1 eggs 10', '2 attempts are open in C1'],
    ['A1.2 harvest daphnia', 'No culture of daphnia is running.'],
    ['', 'Begin with a tank'],
  ])('is refused where it cannot be meant: %s', (line, message) => {
    expect(readsAs(line)).toContain(message);
  });

  it('is read back whole, with day and time, in the units of the house', () => {
    expect(readsAs('A1.2 25,5')).toBe('A1.2: temperature 25.5 °C · Tue 24 Nov 07:12');
    expect(readsAs('B2.4 lost 2 young, fungus, last night')).toBe(
      'B2.4: 2 of fry lost to fungus · Mon 23 Nov 18:00 – Tue 24 Nov 06:00',
    );
    expect(readsAs('A1.2, EMPTY change 20%')).toBe(
      'A1.2: 10.8 L of water changed · Tue 24 Nov 07:12 | EMPTY: 10.8 L of water changed · Tue 24 Nov 07:12',
    );
    const american: Partial<JotContext> = { units: { temperature: 'degF', volume: 'galUS' } };
    expect(readsAs('A1.2 78 change 5 gal', american)).toBe('A1.2: temperature 78 °F; 5 gal of water changed · Tue 24 Nov 07:12');
  });
});
