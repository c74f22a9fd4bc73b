import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { CALCULATIONS } from '@freshet/contract/bench';

const ROOT = join(__dirname, '..');
const calc = (args: string[], input = '') => {
  const done = spawnSync(process.execPath, ['scripts/calc.mjs', ...args], {
    cwd: ROOT,
    input,
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  return { code: done.status, out: done.stdout, lines: done.stdout.trim().split('\n') };
};

describe('npm run calc', () => {
  it('prints one result as JSON', () => {
    const { code, out } = calc(['water.dose', '{"tankLitres": 54, "targetMgPerL": 0.5, "stock": {"percentWv": 1}}']);
    expect([code, JSON.parse(out)]).toEqual([0, { mg: 27, ml: 2.7 }]);
  });

  it.each([
    [
      'a value out of range',
      ['water.dose', '{"tankLitres": -4, "targetMgPerL": 0.5, "stock": {"percentWv": 1}}'],
      { error: 'outOfRange', field: 'tankLitres' },
    ],
    [
      'a number as text',
      ['larder.hatch', '{"cystsG": "2", "naupliiPerG": 250000, "hatchFraction": 0.8}'],
      { error: 'invalidInput', field: 'cystsG' },
    ],
    ['what is no JSON', ['larder.hatch', '{"cystsG":'], { error: 'invalidInput', field: null }],
    ['no input', ['larder.hatch'], { error: 'invalidInput' }],
    ['an unknown name', ['water.wine', '{}'], { error: 'unknownCalculation' }],
    ['a question about an unknown name', ['--explain', 'water.wine'], { error: 'unknownCalculation' }],
  ])('refuses %s with a code, a field and exit code 2', (_what, args, wanted) => {
    const { code, out } = calc(args);
    expect(code).toBe(2);
    expect(JSON.parse(out)).toMatchObject(wanted);
    expect(JSON.parse(out)).toHaveProperty('message');
  });

  it('lists and explains what it knows', () => {
    const { lines } = calc(['--list']);
    expect(lines.map((line) => line.split('\t')[0])).toEqual(CALCULATIONS.map(({ name }) => name));
    expect(calc(['--explain', 'spawning.stageTimes']).out).toContain('Source: docs/sources.md#stage-times');
  });

  it('answers a batch line by line, in order, thousands in one process, and goes on after a bad line', () => {
    const good = (grams: number) =>
      JSON.stringify({ name: 'larder.hatch', input: { cystsG: grams, naupliiPerG: 1000, hatchFraction: 1 } });
    const requests = [
      ...Array.from({ length: 3000 }, (_, i) => good(i)),
      'nonsense',
      '{"name":"water.wine","input":{}}',
      'null',
      good(7),
    ];
    const { code, lines } = calc(['--batch'], `${requests.join('\n')}\n\n`);
    const answers = lines.map((line) => JSON.parse(line) as { output?: { nauplii: number }; error?: string });
    expect(code).toBe(0);
    expect(answers).toHaveLength(3004);
    expect(answers.slice(0, 3000).every((answer, i) => answer.output?.nauplii === i * 1000)).toBe(true);
    expect(answers.slice(3000).map((answer) => answer.error ?? answer.output?.nauplii)).toEqual([
      'invalidInput',
      'unknownCalculation',
      'invalidInput',
      7000,
    ]);
  });
});
