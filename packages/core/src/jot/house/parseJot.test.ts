import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JotContext, JotLot, JotTank } from './jotHouseTypes';
import { jotHouse, parseJot } from './parseJot';

const NOW = '2026-11-24T07:12:00.000Z';
const lot = (
  id: string,
  stage: JotLot['stage'],
  heads: Partial<{ males: number; females: number; unsexed: number }>,
): JotLot => ({
  ...{ id, stage, label: id, males: 0, females: 0, unsexed: 0, speciesKey: 'lemon-tetra', speciesName: 'Lemon tetra' },
  broodId: null,
  ...heads,
});
const young = (id: string, broodId: string, stage: JotLot['stage'], unsexed: number) => ({
  ...lot(id, stage, { unsexed }),
  broodId,
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
  tank('A1.2', { lots: [lot('adults', 'adult', { males: 2, females: 3 })] }),
  tank('B2.3', { lots: [young('eggs', 'clutch', 'eggs', 110)], broods: [brood('clutch', 'eggs')], attempts: 1 }),
  tank('B2.4', {
    lots: [lot('mothers', 'adult', { females: 3 }), young('fry', 'fry-brood', 'fry', 40)],
    broods: [brood('fry-brood', 'fry')],
  }),
  tank('B3', { lots: [lot('limia', 'adult', { females: 2 })], attempts: 1 }),
  tank('B4', { lots: [lot('carrier', 'adult', { females: 1 })], broods: [brood('held', 'eggs', true)] }),
  tank('C1', {
    lots: [young('Tetra 7', '1', 'fry', 5), young('Tetra 8', '2', 'fry', 5)],
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
const commands = (line: string, more: Partial<JotContext> = {}) => {
  const result = read(line, more);
  if (!result.ok) throw new Error(`${line}: ${result.ask?.question ?? result.problem?.message ?? ''}`);
  return result.commands;
};
const readsAs = (line: string, more: Partial<JotContext> = {}) => {
  const result = read(line, more);
  if (result.ok) return result.readsAs;
  return result.ask
    ? `? ${result.ask.question} ${result.ask.choices.map(({ label }) => label).join(', ')}`
    : `! ${result.problem.message}`;
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
    expect(commands('C1 Tetra 8 hatched')).toMatchObject([{ kind: 'hatched', broodId: '2' }]);
    expect(commands('C1 hatched 4 Tetra 7')).toMatchObject([{ kind: 'hatched', broodId: '1', count: 4 }]);
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
    expect(commands('B3 released 12')).toMatchObject([{ kind: 'eggs', count: 12, white: 0 }]);
    // A brood beside its mothers is not what they let go.
    expect(commands('B2.4 released 5')).toMatchObject([{ kind: 'found', speciesKey: 'lemon-tetra', count: 5 }]);
    // No number is invented where none was said.
    expect(commands('B3 born')).toMatchObject([{ kind: 'care', care: 'sign', text: 'young born, not counted' }]);
  });

  it.each([
    ['B2.4 lost 2', '? Which ones? mothers, fry'],
    ['C1 lost 2', '? Which ones? Tetra 7, Tetra 8'],
    ['A1.2 lost 1', '? Males or females? males, females'],
    ['A1.2 lost 3 males', '! Only 2 males are there.'],
    ['B2.3 lost 111', '! Only 110 are there.'],
    ['EMPTY lost 1', '! There are no animals in EMPTY.'],
    ['C1 hatched', '? Which brood? Tetra 7, Tetra 8'],
    ['C1 eggs 10', '! 2 spawnings are open in C1.'],
    ['A1.2 harvest daphnia', '! You have no daphnia running.'],
    ['harvested daphnia', '! You have no daphnia running.'],
    ['', '! Start with a tank'],
  ])('asks or says what stands in the way: %s', (line, message) => {
    expect(readsAs(line)).toContain(message);
  });

  it('keeps what nothing can take as a note of the tank, beside what was understood', () => {
    expect(readsAs('A1.2 hatched')).toContain('A1.2: note: hatched');
    expect(commands('A1.2 24, weird smell')).toMatchObject([
      { kind: 'reading', value: 24 },
      { kind: 'care', care: 'note', text: 'weird smell' },
    ]);
    expect(commands('A1.2 sold 2 females to the neighbour for 12 euro')).toMatchObject([
      { kind: 'lost', cause: 'sale', heads: { females: 2 } },
      { kind: 'care', care: 'note', text: expect.stringContaining('neighbour') as string },
    ]);
  });

  it('books a sale to a known buyer at the price that was said; without either it is a loss with a note', () => {
    const buyers = [
      { id: 'heron', name: 'The Glass Heron', pays: 'credit' as const },
      { id: 'quay', name: 'Quayside Exchange', pays: 'cash' as const },
    ];
    const sold = (line: string) => commands(line, { buyers });
    expect(sold('A1.2 sold 2 females to the Glass Heron for 12 euro')).toEqual([
      expect.objectContaining({
        kind: 'sold',
        heads: { males: 0, females: 2, unsexed: 0 },
        buyerId: 'heron',
        cents: 600,
        pays: 'credit',
      }),
    ]);
    expect(sold('A1.2 sold 2 females to Quayside at 2.50 each')).toMatchObject([{ kind: 'sold', buyerId: 'quay', cents: 250 }]);
    // No price said: it is not made up.
    expect(sold('A1.2 sold 2 females to Quayside')).toMatchObject([
      { kind: 'lost', cause: 'sale' },
      { kind: 'care', care: 'note' },
    ]);
    expect(sold('A1.2 sold 2 females for 5 euro')).toMatchObject([
      { kind: 'lost', cause: 'sale' },
      { kind: 'care', care: 'note' },
    ]);
    // Nobody of that name is known to who may not sell.
    const plain = commands('A1.2 sold 2 females to the Glass Heron for 12 euro').map(({ kind }) => kind);
    expect(plain).toContain('lost');
    expect(plain).not.toContain('sold');
    expect(readsAs('A1.2 sold 2 females to Quayside at 2.50 each', { buyers })).toMatch(
      /^A1\.2: 2 female.* sold to Quayside Exchange at 2\.50 each/,
    );
  });

  it('finds a clutch nobody expected its species, and asks whose it is where two can be', () => {
    expect(commands('A1.2 eggs 10')).toMatchObject([{ kind: 'found', speciesKey: 'lemon-tetra', count: 10 }]);
    // Young of another kind laid nothing.
    const beside = tank('D2', {
      lots: [
        lot('a', 'adult', { females: 1 }),
        lot('a2', 'adult', { females: 1 }),
        { ...lot('z', 'fry', { unsexed: 9 }), speciesKey: 'zebra-danio', speciesName: 'Zebra danio' },
      ],
    });
    const laid = read('D2 eggs 10', { tanks: [...TANKS, beside] });
    expect(laid.ok && laid.commands).toMatchObject([{ kind: 'found', speciesKey: 'lemon-tetra' }]);
    const two = tank('D1', {
      lots: [
        lot('a', 'adult', { females: 1 }),
        { ...lot('b', 'adult', { females: 1 }), speciesKey: 'zebra-danio', speciesName: 'Zebra danio' },
      ],
    });
    expect(readsAs('D1 eggs 10', { tanks: [...TANKS, two] })).toBe('? Whose? Lemon tetra, Zebra danio');
    const chosen = read('D1 eggs 10 Zebra danio', { tanks: [...TANKS, two] });
    expect(chosen.ok && chosen.commands).toMatchObject([{ kind: 'found', speciesKey: 'zebra-danio' }]);
  });

  it('logs sexes, lengths, condition, tanks and cultures as their forms do', () => {
    expect(commands('B2.4 fry lengths 8 9 10')).toMatchObject([{ kind: 'lengths', lotId: 'fry', mm: [8, 9, 10] }]);
    expect(commands('A1.2 3m 2f')).toMatchObject([
      { kind: 'sexed', lotId: 'adults', heads: { males: 3, females: 2, unsexed: 0 } },
    ]);
    expect(commands('A1.2 condition 4')).toMatchObject([{ kind: 'condition', lotId: 'adults', score: 4 }]);
    expect(commands('EMPTY rinsed')).toMatchObject([{ kind: 'tankEvent', event: 'rinsed', tankId: 'id-EMPTY' }]);
    expect(commands('microworms 1 crashed')).toMatchObject([
      { kind: 'culture', action: 'crashed', cultureId: 'old', tankId: null },
    ]);
    expect(commands('split microworms 2')).toMatchObject([{ kind: 'cultureStart', food: 'microworm', fromId: 'here' }]);
    expect(commands('started infusoria')).toMatchObject([{ kind: 'cultureStart', food: 'infusoria', fromId: null }]);
    expect(readsAs('A1.2 4m 2f')).toContain('Only 5 are there.');
  });

  it('asks with lines that then read without a question', () => {
    for (const line of ['B2.4 lost 2', 'A1.2 lost 1', 'A1.2 change 20', 'A1.2 30%', 'C1 hatched', 'A1.2 lost 1 male, 24']) {
      const asked = read(line);
      if (asked.ok || !asked.ask) throw new Error(`${line} asks nothing`);
      for (const choice of asked.ask.choices) {
        expect([choice.line, read(choice.line).ok]).toEqual([choice.line, true]);
        expect([choice.line, commands(choice.line).map(({ kind }) => kind)]).not.toEqual([choice.line, ['care']]);
      }
    }
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

describe('slips of the fingers', () => {
  const LINES = readFileSync(join(__dirname, '..', 'houseLines.txt'), 'utf8')
    .split('\n')
    .filter((line) => line.includes(' => ') && !line.startsWith('#'))
    .map((line) => (line.split(' => ')[0] ?? '').replace(/^(?:A|B|C|O|D|Q|Y)\d(?:\.\d)?\b/, 'B2.4'));
  const against = jotHouse(TANKS);
  /** What is logged but notes and signs, which keep the keeper's own words. */
  const logged = (line: string) => {
    const result = parseJot(line, context, against);
    return result.ok ? result.commands.filter(({ kind }) => kind !== 'care').map((one) => JSON.stringify(one)) : [];
  };

  it('never turn a number or an animal of a line into another one', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LINES.filter((line) => logged(line).length > 0)),
        fc.nat(),
        fc.nat(),
        fc.constantFrom('drop', 'double', 'swap'),
        (line, which, where, how) => {
          const words = [...line.matchAll(/[a-z]{5,}/g)];
          const word = words[which % Math.max(1, words.length)];
          if (!word) return;
          const k = 1 + (where % (word[0].length - 2));
          const [head, tail] = [line.slice(0, word.index), line.slice(word.index + word[0].length)];
          const w = word[0];
          const slip = {
            drop: w.slice(0, k) + w.slice(k + 1),
            double: w.slice(0, k) + w.charAt(k) + w.slice(k),
            swap: w.slice(0, k) + w.charAt(k + 1) + w.charAt(k) + w.slice(k + 2),
          }[how];
          const clean = logged(line);
          const numbers = (one: string) =>
            one.match(/"(?:count|value|litres|males|females|unsexed|lotId|toTankId)":(?!null)[^,}]+/g)?.join() ?? '';
          for (const one of logged(head + slip + tail)
            .map(numbers)
            .filter(Boolean))
            expect(clean.map(numbers)).toContain(one);
        },
      ),
      { seed: 26, numRuns: 1500 },
    );
  });

  it('are read in a few milliseconds, also in a house of two hundred tanks', () => {
    const many = Array.from({ length: 200 }, (_, i) =>
      tank(`K${Math.floor(i / 20)}.${i % 20}`, { lots: [lot(`group ${i}`, 'adult', { females: 5 })] }),
    );
    const big = { ...context, tanks: [...TANKS, ...many] };
    const house = jotHouse(big.tanks);
    const started = performance.now();
    for (const line of LINES) parseJot(line, big, house);
    expect((performance.now() - started) / LINES.length).toBeLessThan(15);
  });
});
