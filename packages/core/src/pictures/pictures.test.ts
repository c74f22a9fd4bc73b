import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { CalculationError } from '../errors';
import { countPicture, type CountOptions, type PictureCount, type Scene, type SceneTruth } from './index';

/** A picture to draw, what is done to its bytes, and how it is counted. */
interface Asked {
  scene: Scene;
  options: CountOptions;
  spoil?: 'dark' | 'glare';
}
type Counted = { truth: SceneTruth; found: PictureCount };

const folder = mkdtempSync(join(tmpdir(), 'freshet-pictures-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Counts drawn pictures in a process of its own: the tests' sandbox makes tight loops many times slower. */
function countAll(asked: readonly Asked[]): Counted[] {
  const outfile = join(folder, 'pictures.mjs');
  buildSync({
    entryPoints: [join(__dirname, 'index.ts')],
    outfile,
    bundle: true,
    format: 'esm',
    platform: 'node',
    logLevel: 'error',
  });
  const program = `
    import { countPicture, drawScene } from ${JSON.stringify(outfile)};
    let text = '';
    for await (const chunk of process.stdin) text += chunk;
    const counted = JSON.parse(text).map(({ scene, options, spoil }) => {
      const { picture, truth } = drawScene(scene);
      const { width } = picture;
      if (spoil === 'dark') picture.data = picture.data.map((value) => value * 0.08);
      if (spoil === 'glare') picture.data = picture.data.map((value, i) => ((i / 3) % width < width * 0.2 ? 255 : value));
      return { truth, found: countPicture(picture, options) };
    });
    process.stdout.write(JSON.stringify(counted));`;
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', program], {
    input: JSON.stringify(asked),
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  if (run.status !== 0) throw new Error(run.stderr);
  return JSON.parse(run.stdout) as Counted[];
}

const scene = (more: Partial<Scene>): Scene => ({
  seed: 7,
  width: 720,
  height: 540,
  subject: 'eggs',
  ground: 'plain',
  count: 60,
  size: 12,
  whiteShare: 0.2,
  nuisance: 0.3,
  ...more,
});
const ask = (more: Partial<Scene>, options: Partial<CountOptions> = {}): Asked => ({
  scene: scene(more),
  options: { kind: (more.subject ?? 'eggs') === 'eggs' ? 'eggs' : 'young', ...options },
});

const KINDS = {
  // White ones on a pale ground are the hardest to see.
  'eggs on a tub’s floor': [ask({ count: 110 }), 0.07],
  'eggs in moss': [ask({ ground: 'strands', count: 40, seed: 3 }), 0.08],
  'eggs on a leaf': [ask({ ground: 'mottled', count: 70, seed: 5 }), 0.03],
  // Few: a single false one is a large error, and strands draw circles by chance.
  'few eggs in moss': [ask({ ground: 'strands', count: 10, size: 9, seed: 900, nuisance: 0.2 }), 0.15],
  'few eggs and bubbles on a leaf': [ask({ ground: 'mottled', count: 11, size: 14, seed: 900, nuisance: 0.4 }), 0.1],
  'small eggs, many': [ask({ count: 220, size: 7, seed: 11 }), 0.06],
  'fry in a tub': [ask({ subject: 'fry', count: 30, size: 50 }), 0.1],
  'shrimp on sand': [ask({ subject: 'shrimp', ground: 'sand', count: 18, size: 60, seed: 2 }), 0.12],
  'water fleas': [ask({ subject: 'fleas', count: 50, size: 16, seed: 4 }), 0.1],
} as const;
const busy = scene({ count: 60, nuisance: 0.9, seed: 12 });
const ASKED = {
  ...Object.fromEntries(Object.entries(KINDS).map(([name, [asked]]) => [name, asked])),
  someWhite: ask({ ground: 'mottled', count: 80, whiteShare: 0.25, seed: 9 }),
  noneWhite: ask({ ground: 'mottled', count: 50, whiteShare: 0, seed: 13 }),
  paper: ask(
    { subject: 'fish', ground: 'paper', count: 7, size: 130, nuisance: 0.15, seed: 21, width: 1100, height: 820 },
    { grid: { mm: 5 } },
  ),
  ...Object.fromEntries([16, 17, 18, 19, 20, 21, 22].map((seed) => [`crumbs ${seed}`, ask({ count: 0, nuisance: 0.6, seed })])),
  empty: ask({ count: 0, nuisance: 0, seed: 18 }),
  dark: { ...ask({ count: 40, nuisance: 0, seed: 6 }), spoil: 'dark' as const },
  glare: { ...ask({ count: 40, nuisance: 0, seed: 6 }), spoil: 'glare' as const },
  fine: ask({ count: 40, nuisance: 0, seed: 8 }),
  again: ask({ count: 40, nuisance: 0, seed: 8 }),
  noPaper: ask({ ground: 'sand', subject: 'fry', count: 12, size: 60, seed: 31 }),
  ...Object.fromEntries(
    [0.6, 1, 1.6, 3].map((sensitivity) => [
      `at ${sensitivity}`,
      { scene: busy, options: { kind: 'eggs' as const, sensitivity } },
    ]),
  ),
} as Record<string, Asked>;

describe('countPicture', () => {
  let counted: Record<string, Counted>;
  beforeAll(() => {
    const all = countAll(Object.values(ASKED));
    counted = Object.fromEntries(Object.keys(ASKED).map((name, i) => [name, all[i] as Counted]));
  }, 120_000);
  const of = (name: string): Counted => counted[name] as Counted;

  it.each(Object.entries(KINDS).map(([name, [, most]]) => [name, most] as const))('counts %s', (name, most) => {
    const { truth, found } = of(name);
    expect(truth.count).toBeGreaterThanOrEqual(10);
    expect(Math.abs(found.count / truth.count - 1)).toBeLessThanOrEqual(most);
    expect(found.low95).toBeLessThan(found.count);
    expect(found.high95).toBeGreaterThan(found.count);
  });

  it('holds the truth in its band, nearly always, with a band that says something', () => {
    const all = Object.keys(KINDS).map(of);
    const held = all.filter(({ truth, found }) => found.low95 <= truth.count && truth.count <= found.high95);
    expect(held.length).toBeGreaterThanOrEqual(all.length - 1);
    for (const { found } of all) expect((found.high95 - found.low95) / 2 / found.count).toBeLessThan(0.14);
  });

  it('tells white eggs from clear ones, and does not see any where there are none', () => {
    const some = of('someWhite');
    expect(Math.abs((some.found.white ?? 0) - some.truth.white)).toBeLessThanOrEqual(Math.max(2, 0.12 * some.truth.white));
    expect(of('noneWhite').found.white).toBeLessThanOrEqual(2);
    expect(of('fry in a tub').found.white).toBeNull();
  });

  it('reads the scale off printed paper and takes lengths by it', () => {
    const { truth, found } = of('paper');
    const mmPerPixel = 5 / (truth.gridPx ?? 1);
    expect(Math.abs((found.mmPerPixel ?? 0) / mmPerPixel - 1)).toBeLessThan(0.03);
    const measured = found.objects.flatMap(({ lengthMm, x, y }) => {
      const nearest = [...truth.objects].sort((a, b) => Math.hypot(a.x - x, a.y - y) - Math.hypot(b.x - x, b.y - y))[0];
      return lengthMm === null || !nearest ? [] : [{ found: lengthMm, true: nearest.length * mmPerPixel }];
    });
    expect(measured.length).toBeGreaterThanOrEqual(4);
    const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
    const ratio = sum(measured.map((one) => one.found)) / sum(measured.map((one) => one.true));
    expect(Math.abs(ratio - 1)).toBeLessThan(0.09);
    expect(of('noPaper').found).toMatchObject({ lengthsMm: null, mmPerPixel: null });
  });

  it('finds hardly anything among crumbs, hairs and bubbles, nothing on a bare ground, and says so', () => {
    const seen = [16, 17, 18, 19, 20, 21, 22].map((seed) => of(`crumbs ${seed}`).found.count).sort((a, b) => a - b);
    expect(seen[3]).toBeLessThanOrEqual(3);
    expect(seen[6]).toBeLessThanOrEqual(5);
    expect(of('empty').found).toMatchObject({ count: 0, white: 0 });
    expect(of('empty').found.faults).toContain('nothing');
  });

  it('says what is wrong with a poor picture, and nothing of a fine one', () => {
    expect(of('dark').found.faults).toContain('dark');
    expect(of('glare').found.faults).toContain('glare');
    expect(of('fine').found.faults).toEqual([]);
    expect(of('again').found).toEqual(of('fine').found);
  });

  it('takes more or less for one of them as the keeper’s corrections ask', () => {
    const counts = ['at 0.6', 'at 1', 'at 1.6', 'at 3'].map((name) => of(name).found.count);
    expect([...counts].sort((a, b) => a - b)).toEqual(counts);
    expect(counts[0]).toBeLessThan(counts[3] ?? 0);
  });

  it('refuses what is no whole picture', () => {
    const data = new Uint8Array(100);
    expect(() => countPicture({ width: 20, height: 20, data }, { kind: 'eggs' })).toThrow(CalculationError);
    expect(() => countPicture({ width: 200, height: 200, data }, { kind: 'eggs' })).toThrow('not whole');
    expect(() => countPicture({ width: 9000, height: 9000, data }, { kind: 'eggs' })).toThrow('48 megapixels');
  });
});
