import { alarmLines } from '../agenda';
import type { ProbeVerdict } from '../room';
import { deriveAlarms } from '../rounds';
import { addDays } from '../time';
import { attempt, grown, house, lot, NOW, tank, TODAY, view, type Told } from './houseFixture';

const verdict = (fault: ProbeVerdict['fault'], value = 21): ProbeVerdict => ({ fault, value, by: 0, since: NOW });
const probe = (...verdicts: ProbeVerdict[]) => [{ name: 'Probe T1', tankId: 'T1', verdicts }];
const titles = (told: Partial<Told>) => deriveAlarms(view(house(told))).map(({ title }) => title);
const texts = (told: Partial<Told>) => deriveAlarms(view(house(told))).map(({ text }) => text);
const fish = [lot('a', 'T1', 'lemon-tetra', { unsexed: 10, lengthMm: 40 })];

describe('one cause is one alarm', () => {
  const cold = { lots: fish, temperatures: { T1: { at: NOW, tempC: 20 } } };
  const heads = { T1: 10 };

  it('cold water: by hand, else by the probe', () => {
    expect(titles(cold)).toEqual(['T1 is too cold: 20 °C.']);
    expect(titles({ ...cold, room: { heads, probes: probe(verdict('outOfRange')) } })).toEqual(['T1 is too cold: 20 °C.']);
    const warm = { lots: fish, temperatures: { T1: { at: NOW, tempC: 25 } } };
    expect(titles({ ...warm, room: { heads, probes: probe(verdict('outOfRange')) } })).toEqual(['T1: out of range.']);
    // Of an empty tank nothing is said; water that changes fast is a cause of its own.
    expect(titles({ ...warm, room: { heads: {}, probes: probe(verdict('outOfRange')) } })).toEqual([]);
    expect(titles({ ...cold, room: { heads, probes: probe(verdict('changingFast')) } })).toEqual([
      'T1 is too cold: 20 °C.',
      'T1: changes fast.',
    ]);
  });

  it('a probe that a thermometer contradicts is measured again first', () => {
    const warm = { lots: fish, temperatures: { T1: { at: NOW, tempC: 25 } } };
    expect(titles({ ...warm, room: { heads, probes: probe(verdict('drifting'), verdict('outOfRange')) } })).toEqual([
      'T1: probe and hand disagree.',
    ]);
  });

  it('a tank that is wanted twice: the first day first, both spawnings in a line', () => {
    const taken = [lot('danios', 'T1', 'zebra-danio')];
    const temperatures = { T1: { at: NOW, tempC: 24 } };
    const on = (id: string, day: string) => attempt(id, 'T1', 'lemon-tetra', { from: day, setUpOn: day });
    expect(titles({ lots: taken, temperatures, attempts: [on('Dusk', '2026-03-22'), on('Dawn', '2026-03-20')] })).toEqual([
      'T1 will not be free for Dawn (Fri 20 Mar) and Dusk (Sun 22 Mar).',
    ]);
    // In an empty tank they are only in each other's way.
    expect(titles({ attempts: [on('Dusk', '2026-03-22'), on('Dawn', '2026-03-20')] })).toEqual(['T1 is booked twice.']);
  });
});

const young = (heads: number, litres: number): Partial<Told> => ({
  ...grown('lemon-tetra', 40, { unsexed: heads }),
  tanks: [tank('T1', { litres }), tank('T2')],
});
const about = (told: Partial<Told>) =>
  deriveAlarms(view(house(told)))
    .filter(({ key }) => key === 'crowd:T1')
    .map(({ severity, title, text }) => `${severity}: ${title} ${text}`);

describe('a tank that fills up', () => {
  it('is told when it is full or filling, with how many to move; what only comes stands in the Horizon', () => {
    expect(about(young(10, 100))).toEqual([]);
    const [full] = about(young(200, 20));
    expect(full).toMatch(/^now: T1 is too full\. 200 lemon tetra in 20 L; \d+ is plenty at (about )?[\d.]+ mm\. /);
    const [, plenty, move] = /; (\d+) is plenty.*about (\d+) before/.exec(full ?? '') ?? [];
    // What is over, in two figures where it is a hundred and more.
    expect(Math.abs(200 - Number(plenty) - Number(move))).toBeLessThanOrEqual(5);
    expect(Number(move)).toBeGreaterThan(0);
    expect(about(young(200, 20)).join()).not.toMatch(/would fill it/);
  });

  it('says how many it holds, the middle of what is right, and how many are over, those of other kinds too', () => {
    // 22 L carry one to two a litre at 28 mm; of grown barbs of 52 mm (28/52)² of that, 6.5 to 13.
    const barbs = { ...grown('odessa-barb', 400, { unsexed: 33 }), tanks: [tank('T1', { litres: 22 }), tank('T2')] };
    expect(about(barbs)[0]).toMatch(/ 33 odessa barb in 22 L; 10 is plenty at about 52 mm\. Move or sell about 20 before/);
    const others = lot('o', 'T1', 'zebra-danio', { unsexed: 9, lengthMm: 35 });
    expect(about({ ...barbs, lots: [...barbs.lots, others] })[0]).toMatch(
      / 33 odessa barb and 9 others in 22 L; .* about 30 before/,
    );
  });

  it('is only warned of while there is room left, and never told to move fish that fit', () => {
    const filling = Array.from({ length: 60 }, (_, i) => about(young(10 + 4 * i, 20))[0] ?? '').find((line) =>
      line.startsWith('soon'),
    );
    const [, here, most] =
      /^soon: T1 is getting full\. (\d+) lemon tetra in 20 L; (\d+) at .* would fill it\. Find them/.exec(filling ?? '') ?? [];
    expect(Number(here)).toBeLessThan(Number(most));
  });

  it('waits in the Horizon while room is booked for them, until it is too full', () => {
    const counts = Array.from({ length: 60 }, (_, i) => 10 + 4 * i);
    const filling = counts.find((heads) => about(young(heads, 20))[0]?.startsWith('soon')) ?? 0;
    const booked = (heads: number) => {
      const move = { id: 'M', lotId: 'y', broodId: 'B', toTankId: 'T2', heads: 5, on: addDays(TODAY, 9), takenAt: NOW };
      return about({ ...young(heads, 20), growout: { moves: [move], held: {}, grades: {} } });
    };
    expect(about(young(filling, 20))).toHaveLength(1);
    expect(booked(filling)).toEqual([]);
    expect(booked(200)[0]).toMatch(/^now: T1 is too full\. .* 5 go to T2 on Thu 19 Mar, as planned\.$/);
  });
});

describe('alarms of one kind', () => {
  const lines = (told: Partial<Told>) =>
    alarmLines(deriveAlarms(view(house(told)))).map(({ title, parts }) => [title, ...parts.map(({ words }) => words)]);
  const of = (tankId: string, speciesKey: string, unsexed: number) => lot(tankId, tankId, speciesKey, { unsexed, lengthMm: 40 });

  it('are one line, each place with what is wrong there; cold is not warm', () => {
    const lots = [of('T1', 'lemon-tetra', 8), of('T2', 'lemon-tetra', 8), of('T3', 'lemon-tetra', 8)];
    const tanks = ['T1', 'T2', 'T3'].map((code) => tank(code, { litres: 100 }));
    const at = (...temps: number[]) => Object.fromEntries(temps.map((tempC, i) => [`T${i + 1}`, { at: NOW, tempC }]));
    expect(lines({ tanks, lots, temperatures: at(20, 21.5, 25) })).toEqual([
      ['2 tanks are too cold.', 'T1: 20 °C, lemon tetra want 23 – 27 °C', 'T2: 21.5 °C, lemon tetra want 23 – 27 °C'],
    ]);
    expect(lines({ tanks, lots, temperatures: at(20, 30, 25) })).toEqual([
      ['T1 is too cold: 20 °C.'],
      ['T2 is too warm: 30 °C.'],
    ]);
    expect(lines({ tanks, lots, temperatures: at(29.5, 30, 25) })[0]?.[0]).toBe('2 tanks are too warm.');
  });

  it('is full in one line, and filling in another', () => {
    const two = (first: number, second: number): Partial<Told> => {
      const young = grown('lemon-tetra', 40, { unsexed: first });
      const lots = [...young.lots, lot('z', 'T2', 'lemon-tetra', { broodId: 'B', unsexed: second })];
      const temperatures = { ...young.temperatures, T2: { at: NOW, tempC: 26 } };
      return { ...young, lots, temperatures, tanks: [tank('T1', { litres: 20 }), tank('T2', { litres: 20 })] };
    };
    const filling = Array.from({ length: 60 }, (_, i) => 10 + 4 * i).find((heads) =>
      about(young(heads, 20))[0]?.startsWith('soon'),
    );
    const [full] = lines(two(200, 190));
    expect(full).toEqual([
      '2 tanks are too full.',
      expect.stringMatching(/^T1: 200 lemon tetra, \d+ is plenty$/),
      expect.stringMatching(/^T2: 190 lemon tetra, \d+ is plenty$/),
    ]);
    expect(lines(two(200, filling ?? 0)).map(([title]) => title)).toEqual(['T1 is too full.', 'T2 is getting full.']);
  });
});

describe('what to do', () => {
  it('stands in each, in sentences of at most 22 words', () => {
    const said = texts({ lots: fish, temperatures: { T1: { at: NOW, tempC: 20 } } }).flatMap((text) => text.split(/(?<=[.!?]) /));
    for (const sentence of said) expect(sentence.split(' ').length).toBeLessThanOrEqual(22);
    expect(said.length).toBeGreaterThan(1);
  });
});
