import fc from 'fast-check';
import { parseJot, type JotContext, type JotTank } from './parseJot';

const NOW = '2026-11-24T07:12:00.000Z';
const lot = (id: string, young: boolean, heads: Partial<{ males: number; females: number; unsexed: number }>) => ({
  id,
  young,
  males: 0,
  females: 0,
  unsexed: 0,
  ...heads,
});
const tank = (code: string, more: Partial<JotTank> = {}): JotTank => ({
  id: `id-${code}`,
  code,
  lots: [],
  broods: [],
  attempts: 0,
  ...more,
});
const TANKS: JotTank[] = [
  tank('A1.2', { lots: [lot('adults', false, { males: 2, females: 3 })] }),
  tank('B2.3', { lots: [lot('eggs', true, { unsexed: 110 })], broods: [{ id: 'brood', stage: 'eggs' }], attempts: 1 }),
  tank('B2.4', {
    lots: [lot('mothers', false, { females: 3 }), lot('fry', true, { unsexed: 40 })],
    broods: [{ id: 'fry-brood', stage: 'fry' }],
  }),
  tank('C1', {
    lots: [lot('x', true, { unsexed: 5 }), lot('y', true, { unsexed: 5 })],
    broods: [
      { id: '1', stage: 'fry' },
      { id: '2', stage: 'fry' },
    ],
    attempts: 2,
  }),
  tank('EMPTY'),
];
const context: JotContext = { tanks: TANKS, now: NOW, timeZone: 'Europe/Dublin', temperatureUnit: 'degC' };
const read = (line: string, more: Partial<JotContext> = {}) => parseJot(line, { ...context, ...more });
const commands = (line: string, more: Partial<JotContext> = {}) => {
  const result = read(line, more);
  if (!result.ok) throw new Error(`${line}: ${result.problem.message}`);
  return result.commands;
};
const problem = (line: string) => {
  const result = read(line);
  if (result.ok) throw new Error(`${line} reads as ${result.readsAs}`);
  return { ...result.problem, word: line.slice(result.problem.from, result.problem.to) };
};

describe('a jotted line is read as', () => {
  it('a clutch with its white eggs and the span in which it was laid', () => {
    expect(commands('B2.3 eggs 120, 18 white, since 22:00')).toEqual([
      { kind: 'eggs', count: 120, white: 18, laid: { from: '2026-11-23T22:00:00.000Z', to: NOW } },
    ]);
    expect(commands('B2.3 120 eggs at 6:30')).toEqual([
      { kind: 'eggs', count: 120, white: 0, laid: { from: '2026-11-24T06:30:00.000Z', to: '2026-11-24T06:30:00.000Z' } },
    ]);
  });

  it.each([
    ['A1.2 25.5', 25.5],
    ['A1.2 78F', 25.556],
    ['a1.2 temp 24C', 24],
    ['A1.2 25.5 °C'.replace(' °C', '°C'), 25.5],
  ])('a temperature: %s', (line, tempC) => {
    const [command] = commands(line);
    expect(command?.kind === 'temperature' && command.tempC).toBeCloseTo(tempC, 2);
  });

  it('a bare number in the house’s unit', () => {
    const [command] = commands('A1.2 78', { temperatureUnit: 'degF' });
    expect(command?.kind === 'temperature' && command.tempC).toBeCloseTo(25.556, 2);
    expect(problem('A1.2 78').message).toContain('a tank is 0 to 45 °C');
  });

  it('what was seen of the brood, counted or not', () => {
    expect(commands('B2.3 hatched')).toEqual([{ kind: 'hatched', broodId: 'brood', count: null, at: { from: NOW, to: NOW } }]);
    expect(commands('B2.3 hatched 90 since 22:00')).toEqual([
      { kind: 'hatched', broodId: 'brood', count: 90, at: { from: '2026-11-23T22:00:00.000Z', to: NOW } },
    ]);
    expect(commands('B2.3 free swimming 81')).toEqual([
      { kind: 'freeSwimming', broodId: 'brood', count: 81, at: { from: NOW, to: NOW } },
    ]);
    expect(commands('B2.3 5 white')).toEqual([{ kind: 'white', broodId: 'brood', count: 5, at: NOW }]);
  });

  it('counts and losses of the only lot, or of the young beside adults', () => {
    expect(commands('B2.3 lost 2')).toEqual([
      { kind: 'lost', lotId: 'eggs', heads: { males: 0, females: 0, unsexed: 2 }, at: NOW },
    ]);
    expect(commands('B2.4 count 38')).toEqual([{ kind: 'count', lotId: 'fry', count: 38, at: NOW }]);
    const result = read('B2.4 lost 2');
    expect(result.ok && result.readsAs).toBe('B2.4: 2 lost of the young');
  });

  it('a loss by sex where the sex matters', () => {
    expect(problem('A1.2 lost 1')).toMatchObject({ word: 'lost' });
    expect(commands('A1.2 lost 1 male')).toEqual([
      { kind: 'lost', lotId: 'adults', heads: { males: 1, females: 0, unsexed: 0 }, at: NOW },
    ]);
    expect(commands('A1.2 lost 2 f')).toMatchObject([{ heads: { females: 2 } }]);
    expect(problem('A1.2 lost 3 males').message).toBe('Only 2 males are booked in A1.2.');
  });

  it('several things at once, in any order', () => {
    expect(commands('B2.3 24.5 lost 3 5 white').map((command) => command.kind)).toEqual(['temperature', 'lost', 'white']);
    expect(commands('B2.3 5 white, 24.5; lost 3').map((command) => command.kind)).toEqual(['white', 'temperature', 'lost']);
  });

  it('times of yesterday, when the clock has not been there today', () => {
    expect(commands('B2.3 eggs 10 at 23:00')).toMatchObject([{ laid: { from: '2026-11-23T23:00:00.000Z' } }]);
    expect(commands('B2.3 eggs 10 yesterday at 6:00')).toMatchObject([{ laid: { from: '2026-11-23T06:00:00.000Z' } }]);
  });
});

describe('a line that is not understood', () => {
  it.each([
    ['Z9 25', 'Z9', 'No tank is called'],
    ['A1.2 hello', 'hello', 'is not understood'],
    ['A1.2 eggs 10', 'eggs', 'No spawning attempt is open'],
    ['C1 eggs 10', 'eggs', '2 attempts are open'],
    ['C1 hatched', 'hatched', 'holds 2 broods'],
    ['C1 lost 1', 'lost', 'holds 2 groups'],
    ['EMPTY lost 1', 'lost', 'Nobody is booked'],
    ['A1.2 hatched', 'hatched', 'No brood is in'],
    ['B2.3 eggs', 'eggs', 'How many?'],
    ['B2.3 lost 111', 'lost', 'Only 110'],
    ['B2.3 eggs 10, 11 white', 'white', 'More white eggs'],
    ['B2.3 eggs 10 since noon', 'noon', 'a time is needed'],
    ['B2.3 eggs 10 at 25:00', '25:00', 'a time is needed'],
    ['B2.3 eggs 1000000', '1000000', 'is not a number of animals'],
    ['A1.2 900', '900', 'a tank is 0 to 45 °C'],
    ['A1.2 -5', '-5', 'a tank is 0 to 45 °C'],
    ['A1.2 temp', 'temp', 'a temperature is needed'],
  ])('%s: points at "%s"', (line, word, message) => {
    const found = problem(line);
    expect([found.word, found.message.includes(message)]).toEqual([word, true]);
  });

  it('begins with asking for a tank and says what can follow', () => {
    expect(problem('   ').message).toBe('Begin with a tank, such as A1.2.');
    expect(problem('B2.3').message).toContain('eggs 120');
  });

  it('never throws, whatever is typed, and always points inside the line', () => {
    const word = fc.constantFrom(
      'A1.2',
      'B2.3',
      'eggs',
      'white',
      'lost',
      'count',
      '12',
      '25.5',
      '78F',
      'since',
      '22:00',
      'at',
      'hatched',
      'swimming',
      ',',
      '🐟',
      '-',
      'yesterday',
      'male',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 60 }),
          fc.array(word, { maxLength: 9 }).map((words) => words.join(' ')),
        ),
        (line) => {
          const result = read(line);
          if (result.ok) expect(result.commands.length).toBeGreaterThan(0);
          else {
            expect(result.problem.from).toBeGreaterThanOrEqual(0);
            expect(result.problem.from).toBeLessThanOrEqual(result.problem.to);
            expect(result.problem.to).toBeLessThanOrEqual(line.length);
            expect(result.problem.message.length).toBeGreaterThan(5);
          }
        },
      ),
      { numRuns: 400 },
    );
  });
});
