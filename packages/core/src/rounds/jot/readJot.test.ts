import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JotLog, JotReader } from './jotTypes';
import { jotLogs, readJot } from './readJot';

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
      case 'loss':
        return ['loss=' + String(log.count), log.cause, log.sex, log.group].filter(Boolean).join(' ');
      case 'sale':
        return ['sale=' + String(log.count), log.sex].filter(Boolean).join(' ');
      case 'eggs':
        return `eggs=${log.count}${log.white === null ? '' : `/${log.white}`}`;
      case 'stage':
        return `${log.stage}${log.count === null ? '' : `=${log.count}`}`;
      case 'move':
        return [`move=${log.count ?? 'all'}>${log.toTank}`, log.sex].filter(Boolean).join(' ');
      case 'feed':
      case 'harvest':
        return `${log.kind}=${log.food}`;
      case 'sign':
        return `sign=${log.text}`;
      default:
        return `${log.kind}=${log.count}`;
    }
  })();
  const when =
    log.from === NOW && log.to === NOW ? '' : log.from === log.to ? `@${day(log.from)}` : `@${day(log.from)}~${day(log.to)}`;
  return `${log.tank} ${value}${when}`;
}
const LINES = readFileSync(join(__dirname, 'jotLines.txt'), 'utf8')
  .split('\n')
  .filter((line) => line.includes(' => ') && !line.startsWith('#'))
  .map((line) => line.split(' => ') as [string, string]);

describe('a jotted line', () => {
  it('is tried in at least 200 forms, 40 of them to be refused', () => {
    expect(LINES.length).toBeGreaterThanOrEqual(200);
    expect(LINES.filter(([, want]) => want.startsWith('!')).length).toBeGreaterThanOrEqual(40);
  });

  it.each(LINES)('%s => %s', (line, want) => {
    const read = readJot(line, context);
    const got = read.ok ? read.logs.map(show).join(' + ') : `!${read.problem.error} ${read.problem.word}`;
    expect(got).toBe(want);
  });

  it('takes bare numbers in the unit of the house, and asks about one that fits only the other', () => {
    const american: JotReader = { ...context, units: { temperature: 'degF', volume: 'galUS' } };
    const { logs } = jotLogs({ ...american, line: 'A1.1 78' });
    expect(logs[0]?.kind === 'reading' && logs[0].value).toBeCloseTo(25.556, 2);
    const read = readJot('A1.1 25,5', american);
    expect(read.ok ? null : read.problem).toMatchObject({ error: 'outOfRange', word: '25,5' });
    expect(read.ok ? '' : read.problem.message).toContain('If you meant 25,5C');
    expect(read.ok ? '' : read.problem.message).toContain('32 to 113 °F');
  });

  it('names the nearest word and the nearest tank', () => {
    const message = (line: string) => {
      const read = readJot(line, context);
      return read.ok ? '' : read.problem.message;
    };
    expect(message('A1.1 hatchd 20')).toContain('Did you mean "hatched"?');
    expect(message('A1.1 swiming')).toContain('Did you mean "swimming"?');
    expect(message('A1.4 20')).toContain('Did you mean A1.');
    expect(message('A1.1 fed mikroworms')).toContain('microworms');
  });

  it('reads two codes that differ only by dots as two, and asks', () => {
    const tanks = [
      { code: 'A1.1', litres: 54, groups: 1 },
      { code: 'A11', litres: 54, groups: 1 },
    ];
    expect(jotLogs({ ...context, tanks, line: 'A11 25' }).logs[0]?.tank).toBe('A11');
    const read = readJot('a1-1 25', { ...context, tanks });
    expect(read.ok ? null : read.problem.error).toBe('ambiguous');
  });

  it('never throws anything else, whatever is typed, points inside the line, and logs nothing outside of its tanks', () => {
    const word = fc.constantFrom(
      ...[
        'A1.1',
        'a11',
        'B2.3',
        'A1.1-A1.3',
        'Z9',
        'eggs',
        'white',
        'lost',
        'count',
        '12',
        '25,5',
        '78F',
        '1,200',
        'since',
        '22:00',
      ],
      ...[
        'at',
        'hatched',
        'swimming',
        ',',
        ';',
        '🐟',
        '-',
        'yesterday',
        'last',
        'night',
        'male',
        'young',
        'change',
        '30%',
        'half',
        'L',
      ],
      ...['fed', 'bbs', 'moved', 'to', 'saw', 'no3', 'ph', 'fri', '3', 'Dec', 'ago', 'of', 'jumped'],
    );
    const codes = new Set(context.tanks.map(({ code }) => code));
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 60 }),
          fc.array(word, { maxLength: 10 }).map((words) => words.join(' ')),
        ),
        (line) => {
          const read = readJot(line, context);
          if (read.ok) {
            expect(read.logs.length).toBeGreaterThan(0);
            for (const log of read.logs) {
              expect(codes.has(log.tank)).toBe(true);
              expect(log.from <= log.to && log.to <= NOW).toBe(true);
            }
          } else {
            const { from, to, message } = read.problem;
            expect(0 <= from && from <= to && to <= line.length).toBe(true);
            expect(message.length).toBeGreaterThan(5);
          }
        },
      ),
      { numRuns: 1500 },
    );
  });
});
