import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as v from 'valibot';
import { FiguresSchema, SHIPPED_SPECIES, METHOD_TEMPLATES, resolveSpecies } from '@freshet/core/species';
import type { AnyEndpoint } from '../endpoints';
import { NewClutch } from '../broods';
import { NewHouse, SignIn } from '../accounts';
import { Written } from '../log';
import { PROBLEMS } from '../problems';
import { NewReading, NewTank, READING_LIMITS } from '../room';
import { NewJot, NewOutcome } from '../rounds';
import { SpeciesFile } from '../species';
import { Code, Day, Id, Instant, Name, TimeRange } from '../values';
import { API } from './api';

const lines = Object.entries(API) as [string, AnyEndpoint][];
const ID = '01a2104b-fd81-73d7-868a-64dfbd870dd1';
const messages = (schema: v.GenericSchema, value: unknown) => {
  const result = v.safeParse(schema, value);
  return result.success ? [] : result.issues.map((issue) => [v.getDotPath(issue), issue.message]);
};
const passes = (schema: v.GenericSchema, value: unknown) => v.safeParse(schema, value).success;

/** What no entry of the log changes: who is signed in, where a phone finds the house, and photographs, which stay as they were taken. */
const FIXED = new Set(['/api/session', '/api/photos/:photoId', '/api/reach']);

describe('the endpoint table', () => {
  it('has each address once, under its area’s word', () => {
    const addresses = lines.map(([, line]) => `${line.method} ${line.path.replace(/:[A-Za-z]+/g, ':')}`);
    expect(new Set(addresses).size).toBe(addresses.length);
    expect(lines.every(([, line]) => line.path.startsWith('/api/'))).toBe(true);
  });

  it('lets nobody write who may only look, and says what every write changes', () => {
    for (const [name, line] of lines.filter(([, { method }]) => method !== 'GET')) {
      expect([name, line.role !== 'viewer', line.touches.length > 0]).toEqual([name, true, true]);
      expect([name, line.touches.every((prefix) => prefix.startsWith('/api'))]).toEqual([name, true]);
    }
    for (const [name, line] of lines.filter(([, { method }]) => method === 'GET'))
      expect([name, line.body, line.touches.length]).toEqual([name, undefined, 0]);
  });

  it('takes an id with every entry that is logged, so that a retry records once', () => {
    for (const [name, line] of lines) {
      if ((line.reply as unknown) !== Written) continue;
      const missing = messages(line.body as v.GenericSchema, {}).map(([path]) => path);
      expect([name, missing.includes('id')]).toEqual([name, true]);
    }
  });

  it('reaches with what a write touches every address that shows it', () => {
    const read = lines.filter(([, { method, path }]) => method === 'GET' && !FIXED.has(path)).map(([, { path }]) => path);
    const { touches } = API.undo;
    expect(read.filter((path) => !touches.some((prefix) => path.startsWith(prefix)))).toEqual([]);
  });
});

describe('the problem register', () => {
  it('is used: every code is raised somewhere on the server or stands for a general answer', () => {
    const root = join(__dirname, '../../../server/src');
    const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
      (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !file.startsWith('testing'),
    );
    const text = files.map((file) => readFileSync(join(root, file), 'utf8')).join('\n');
    expect(Object.keys(PROBLEMS).filter((code) => !text.includes(`'${code}'`))).toEqual([]);
  });

  it('answers with statuses that say whose fault it is', () => {
    for (const [code, problem] of Object.entries(PROBLEMS)) {
      expect(problem.status).toBeGreaterThanOrEqual(400);
      if ('overridable' in problem) expect([code, problem.status]).toEqual([code, 409]);
    }
  });
});

describe('values', () => {
  it.each([
    [Id, ID, ['', 'x', ID.toUpperCase(), `${ID}0`]],
    [
      Instant,
      '2026-03-01T08:00:00Z',
      ['2026-03-01', '2026-03-01T08:00:00+01:00', '2026-02-30T08:00:00Z', '2026-03-01T25:00:00Z', 'now'],
    ],
    [Day, '2028-02-29', ['2027-02-29', '2026-13-01', '1 March', '2026-3-1']],
    [Code, 'A1.2', ['', 'A 1', 'far-too-long-a-code', '.A', '<b>']],
    [Name, 'North wall', ['', '   ', 'x'.repeat(81)]],
  ] as [v.GenericSchema, string, string[]][])('%# take what is right and nothing else', (schema, right, wrong) => {
    expect(passes(schema, right)).toBe(true);
    expect(wrong.filter((value) => passes(schema, value))).toEqual([]);
  });

  it('want a range in order', () => {
    const [early, late] = ['2026-03-01T08:00:00Z', '2026-03-02T08:00:00Z'];
    expect(passes(TimeRange, { from: early, to: late })).toBe(true);
    expect(passes(TimeRange, { from: early, to: early })).toBe(true);
    expect(messages(TimeRange, { from: late, to: early })).toEqual([[null, 'The first time must not be after the second.']]);
  });
});

describe('bodies', () => {
  it('of a reading are held to what its meter can show, in its own words', () => {
    for (const [quantity, { min, max }] of Object.entries(READING_LIMITS)) {
      const reading = (value: number) => ({ id: ID, tankId: ID, quantity, value, at: '2026-03-01T08:00:00Z' });
      expect([min, max].every((value) => passes(NewReading, reading(value)))).toBe(true);
      expect([min - 0.01, max + 0.01].some((value) => passes(NewReading, reading(value)))).toBe(false);
    }
    expect(messages(NewReading, { id: ID, tankId: ID, quantity: 'ph', value: 14, at: '2026-03-01T08:00:00Z' })).toEqual([
      ['value', 'pH lies between 3 and 11.'],
    ]);
  });

  it('of a tank name the side that is wrong', () => {
    const tank = {
      id: ID,
      shelfId: ID,
      code: 'A1',
      lengthCm: 60,
      widthCm: 30,
      heightCm: 36,
      waterHeightCm: 30,
      glassMm: null,
      substrateKg: 0,
      facing: 'long',
      leftCm: null,
    };
    expect(passes(NewTank, tank)).toBe(true);
    expect(messages(NewTank, { ...tank, widthCm: 0 })).toEqual([['widthCm', 'The width is at least 1 cm.']]);
    expect(messages(NewTank, { ...tank, glassMm: 1 })).toEqual([['glassMm', 'Glass is 2 to 50 mm thick.']]);
    expect(messages(NewTank, { ...tank, override: { reason: 'x' } })).toEqual([['override.reason', 'Say why in a few words.']]);
  });

  it('of a clutch allow every white egg, and not one more', () => {
    const clutch = (count: number, white: number) => ({
      id: ID,
      broodId: ID,
      lotId: ID,
      attemptId: ID,
      laid: { from: '2026-03-01T08:00:00Z', to: '2026-03-01T09:00:00Z' },
      count,
      white,
    });
    expect(passes(NewClutch, clutch(10, 10))).toBe(true);
    expect(messages(NewClutch, clutch(10, 11))).toEqual([['white', 'No more white eggs than eggs.']]);
    expect(messages(NewClutch, clutch(0, 0))).toEqual([['count', 'At least one.']]);
  });

  it('of an outcome and a jot are bounded', () => {
    const outcome = {
      id: ID,
      choreKey: 'feed:x:2026-03-01',
      day: '2026-03-01',
      status: 'done',
      text: 'Feed',
      tankId: null,
      amount: 2,
      unit: 'ml',
      tick: null,
      at: '2026-03-01T08:00:00Z',
    };
    expect(passes(NewOutcome, outcome)).toBe(true);
    expect(messages(NewOutcome, { ...outcome, amount: -1 })).toEqual([['amount', 'An amount cannot be negative.']]);
    expect(passes(NewOutcome, { ...outcome, tick: { kind: '../hatched', id: null, what: null } })).toBe(false);
    expect(passes(NewJot, { id: ID, line: '   ', at: '2026-03-01T08:00:00Z' })).toBe(false);
  });

  it('of accounts fold the name and want a real time zone and a long password', () => {
    expect(v.parse(SignIn, { login: '  Keeper ', password: 'x' }).login).toBe('keeper');
    const house = {
      name: 'Shed',
      timeZone: 'Europe/Dublin',
      login: 'keeper',
      password: 'ten letters',
      units: { temperature: 'degC', volume: 'L' },
    };
    expect(passes(NewHouse, house)).toBe(true);
    expect(messages(NewHouse, { ...house, timeZone: 'Nowhere/Deep', password: 'short' }).map(([path]) => path)).toEqual([
      'timeZone',
      'password',
    ]);
  });
});

describe('species as files', () => {
  it('hold every shipped species, whole, and read it back unchanged', () => {
    for (const profile of SHIPPED_SPECIES) {
      const { figures } = resolveSpecies(profile);
      const file = { format: 'freshet-species-1', ...profile, figures };
      const read = v.safeParse(SpeciesFile, JSON.parse(JSON.stringify(file)));
      expect([profile.key, read.success && read.output]).toEqual([profile.key, file]);
    }
  });

  it('have templates whose every figure passes the schema', () => {
    for (const template of Object.values(METHOD_TEMPLATES)) expect(messages(FiguresSchema, template.figures)).toEqual([]);
  });

  it('refuse a ladder that does not climb and a figure upside down', () => {
    const figures = METHOD_TEMPLATES.eggScatterer.figures;
    expect(
      messages(FiguresSchema, {
        ...figures,
        ladder: [
          { food: 'infusoria', fromMm: 0 },
          { food: 'brineShrimp', fromMm: 4 },
          { food: 'vinegarEel', fromMm: 3 },
        ],
      }),
    ).toEqual([['ladder', 'No food starts at a smaller length than the one before.']]);
    expect(messages(FiguresSchema, { ...figures, clutch: [9, 2] })).toEqual([['clutch', 'The lower end comes first.']]);
    expect(passes(FiguresSchema, { ...figures, hatch: null })).toBe(true);
  });
});
