import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JotAnimals, JotLog, JotReader } from '../jotTypes';
import { readLine } from './readLine';

const NOW = '2026-11-24T07:12:00.000Z';
const LITRES: Record<string, number> = { B1: 120, 'B2.3': 20, TUB: 200 };
const context: JotReader = {
  now: NOW,
  timeZone: 'Europe/Dublin',
  units: { temperature: 'degC', volume: 'L' },
  tanks: ['A1.1', 'A1.2', 'A1.3', 'A2', 'B1', 'B2.3', 'C10', 'E0', 'TUB'].map((code) => ({
    code,
    litres: LITRES[code] ?? 54,
    groups: code === 'A2' ? 2 : code === 'E0' ? 0 : 1,
  })),
};
const rounded = (value: number) => String(Math.round(value * 100) / 100);
const day = (instant: string) => instant.replace('2026-11-', '').slice(0, 8);

/** A log as the table writes it. */
function show(log: JotLog): string {
  const value = (() => {
    switch (log.kind) {
      case 'reading':
        return `${log.what}=${rounded(log.value)}`;
      case 'change':
        return `change=${'litres' in log ? `${rounded(log.litres)}L` : `${rounded(log.fraction * 100)}%`}`;
      case 'topUp':
        return `topUp=${rounded(log.litres)}L`;
      case 'loss':
        return ['loss=' + String(log.count), log.cause, log.sex].filter(Boolean).join(' ');
      case 'sale':
        return [
          'sale=' + String(log.count),
          log.sex,
          log.outlet && `to ${log.outlet}`,
          log.cents !== undefined && `for ${log.cents}`,
          log.centsEach !== undefined && `each ${log.centsEach}`,
        ]
          .filter(Boolean)
          .join(' ');
      case 'eggs':
        return `eggs${log.count === null ? '' : `=${log.count}`}${log.white === null ? '' : `/${log.white}`}`;
      case 'stage':
        return `${log.stage}${log.count === null ? '' : `=${log.count}`}`;
      case 'birth':
      case 'carrying':
        return `${log.kind}${log.count === null ? '' : `=${log.count}`}`;
      case 'move':
        return [`move=${log.count ?? 'all'}>${log.toTank}`, log.sex].filter(Boolean).join(' ');
      case 'feed':
        return `feed=${log.food}${log.ate ? ` ate ${log.ate}` : ''}`;
      case 'harvest':
        return `harvest=${log.food}`;
      case 'culture':
        return `culture=${log.action} ${log.culture ?? log.food}`;
      case 'equipment':
        return `${log.what}=${log.state}`;
      case 'tankEvent':
        return log.event;
      case 'sexed':
        return `sexed=${log.males}m${log.females}f`;
      case 'lengths':
        return `lengths=${log.mm.join('/')}`;
      case 'condition':
        return `condition=${log.score}`;
      case 'sign':
        return `sign=${log.text}`;
      case 'note':
        return `note=${log.text}`;
      default:
        return `${log.kind}=${log.count}`;
    }
  })();
  const group = 'group' in log && log.group ? ` [${log.group}]` : '';
  const when =
    log.from === NOW && log.to === NOW ? '' : log.from === log.to ? `@${day(log.from)}` : `@${day(log.from)}~${day(log.to)}`;
  return `${log.tank ?? '-'} ${value}${group}${when}`;
}
/** A line as the tables write what comes of it. */
function outcome(line: string, reader: JotReader): string {
  const read = readLine(line, reader);
  if (read.kind === 'error') return `!${read.problem.error} ${read.problem.word}`;
  if (read.kind === 'ask') return `?${read.ask.word}: ${read.ask.choices.map(({ label }) => label).join(' | ')}`;
  return read.logs.map(show).join(' + ');
}
const table = (file: string) =>
  readFileSync(join(__dirname, '..', file), 'utf8')
    .split('\n')
    .filter((line) => line.includes(' => ') && !line.startsWith('#'))
    .map((line) => line.split(' => ') as [string, string]);

const animals = (
  name: string,
  species: string,
  stage: JotAnimals['stage'],
  heads: number,
  males: number | null = null,
): JotAnimals => ({
  ...{ name, species, stage, heads, males },
  females: males === null ? null : heads - males,
});
const HOUSE: JotReader = {
  now: NOW,
  timeZone: 'Europe/Dublin',
  units: { temperature: 'degC', volume: 'L' },
  outlets: ['The Glass Heron', 'Thistlewick Aquatics', 'Quayside Exchange'],
  cultures: [
    { name: 'Microworms 1', food: 'microworm' },
    { name: 'Infusoria 3', food: 'infusoria' },
  ],
  tanks: (
    [
      ['A1.1', [animals('Lemon tetra', 'Lemon tetra', 'adult', 20, 8)]],
      ['A1.2', [animals('Zebra danio', 'Zebra danio', 'adult', 14)]],
      ['A1.3', [animals('Lemon tetra 20', 'Lemon tetra', 'fry', 43)]],
      ['A2.5', [animals('Angelfish 9', 'Angelfish', 'growing', 92), animals('Pair', 'Angelfish', 'adult', 2, 1)]],
      ['B1.2', [animals('Odessa barb', 'Odessa barb', 'adult', 6, 3), animals('Lemon tetra 18', 'Lemon tetra', 'growing', 20)]],
      [
        'B2.3',
        [animals('Aspidoras 21', 'Sixray aspidoras', 'eggs', 120), animals('Sixray aspidoras', 'Sixray aspidoras', 'adult', 8)],
      ],
      ['B2.4', [animals('Forktails 7', 'Forktail blue-eye', 'eggs', 20)]],
      ['C2.1', [animals('Lambchop 4', 'Lambchop rasbora', 'eggs', 60)]],
      ['C1.2', [animals('Paradise fish', 'Paradise fish', 'adult', 2, 1)]],
      ['Q1', [animals('Green babaulti', 'Green babaulti', 'adult', 30)]],
      ['Q3', []],
      ['O1.1', [animals('Humpback limia', 'Humpback limia', 'adult', 15, 5)]],
      ['D1', [animals('Amano shrimp', 'Amano shrimp', 'adult', 12)]],
      ['P1', [animals('Kribensis', 'Kribensis', 'adult', 7), animals('Kribensis', 'Kribensis', 'adult', 12)]],
      ['Y1', [animals('Ranchu goldfish', 'Ranchu goldfish', 'growing', 40)]],
    ] as [string, JotAnimals[]][]
  ).map(([code, groups]) => ({ code, litres: 54, groups })),
};

describe('a jotted line in a house whose animals are known', () => {
  it.each(table('houseLines.txt'))('%s => %s', (line, want) => {
    expect(outcome(line, HOUSE)).toBe(want);
  });
});

describe('a line of a house in °F and gallons', () => {
  const american: JotReader = { ...HOUSE, units: { temperature: 'degF', volume: 'galUS' } };
  it.each([
    ['A1.1 76', 'A1.1 temperature=24.44'],
    ['A1.1 76.5, ph 7', 'A1.1 temperature=24.72 + A1.1 ph=7'],
    ['A1.1 24C', 'A1.1 temperature=24'],
    ['A1.1 78 F', 'A1.1 temperature=25.56'],
    ['A1.1 changed 5 gal', 'A1.1 change=18.93L'],
    ['A1.1 wc 20', '?20: 20 % | 20 gal'],
    ['A1.1 3m 5f', 'A1.1 sexed=3m5f'],
    ['A1.1 25', '!outOfRange 25'],
    ['A1.1 heater was off, 68,5 now', 'A1.1 heater=off + A1.1 temperature=20.28'],
    ['C2.1 hatched, about 60', 'C2.1 hatched=60'],
    ['A1.1 lost 2, 75', '?75: 75 °F | 75 counted'],
  ])('%s => %s', (line, want) => {
    expect(outcome(line, american)).toBe(want);
  });
});

describe('a jotted line', () => {
  it.each(table('jotLines.txt'))('%s => %s', (line, want) => {
    expect(outcome(line, context)).toBe(want);
  });
});
