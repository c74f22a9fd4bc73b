import { countPicture } from '../packages/core/src/pictures';
import { drawnPixels, keptBackPixels, SCENES } from '../training/pixels';
import type { Drawn, SceneName } from '../training/scenes';

// Counting on drawn pictures: how far off by scene, how often the truth lies in the band, how long a large picture takes. "Own" ones are
// drawn as those the nets were trained on, with other seeds; those kept back are drawn by other means and nothing was chosen on them.

const say = (line: string) => process.stdout.write(`${line}\n`);
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
const sorted = (values: readonly number[]) => [...values].sort((a, b) => a - b);
const quantile = (values: readonly number[], share: number) =>
  sorted(values)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? 0;
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** How far off the count of one picture is, and whatever else is told of it; null where there is too little of it. */
interface Figures {
  count: number | null;
  isHeld: boolean;
  half: number;
  white: number | null;
  length: number | null;
  tenth: number | null;
}

/** So many there must be for a share to say something. */
const LEAST = { count: 10, white: 3, lengths: 5 };

function figuresOf({ width, height, data, truth }: Drawn): Figures {
  const found = countPicture({ width, height, data }, truth.options);
  const [own, theirs] = [found.lengthsMm ?? [], truth.lengthsMm ?? []];
  const hasLengths = own.length >= LEAST.lengths && theirs.length >= LEAST.lengths;
  return {
    count: truth.count < LEAST.count ? null : Math.abs(found.count / truth.count - 1),
    isHeld: found.low95 <= truth.count && truth.count <= found.high95,
    half: (found.high95 - found.low95) / 2 / Math.max(1, found.count),
    white: truth.white === null || truth.white < LEAST.white ? null : Math.abs((found.white ?? 0) / truth.white - 1),
    length: hasLengths ? Math.abs(mean(own) / mean(theirs) - 1) : null,
    tenth: hasLengths ? Math.abs(quantile(own, 0.1) / quantile(theirs, 0.1) - 1) : null,
  };
}

const known = (values: readonly (number | null)[]) => values.flatMap((value) => value ?? []);
function tell(name: string, some: readonly Figures[]): void {
  const off = known(some.map(({ count }) => count));
  const whites = known(some.map(({ white }) => white));
  const lengths = known(some.map(({ length }) => length));
  const tenths = known(some.map(({ tenth }) => tenth));
  say(
    [
      `${name}: off by ${percent(quantile(off, 0.5))} in the middle, ${percent(quantile(off, 0.9))} at the worst tenth`,
      `truth in the band ${some.filter(({ isHeld }) => isHeld).length} of ${some.length}, half a band ${percent(quantile(known(some.map(({ half }) => half)), 0.5))}`,
      ...(whites.length > 0 ? [`white ones off by ${percent(quantile(whites, 0.5))}, ${percent(quantile(whites, 0.9))}`] : []),
      ...(lengths.length > 0
        ? [
            `lengths off by ${percent(quantile(lengths, 0.5))} in the mean, ${percent(quantile(tenths, 0.5))} in the smallest tenth`,
          ]
        : []),
    ].join('; '),
  );
}

const [FIRST, EACH] = [9000, 8];
const DRAWN: Record<string, (scene: SceneName, seed: number) => Drawn | Promise<Drawn>> = {
  own: drawnPixels,
  'kept back': keptBackPixels,
};
for (const [set, draw] of Object.entries(DRAWN)) {
  const all: Figures[] = [];
  for (const scene of SCENES) {
    const some: Figures[] = [];
    for (let seed = FIRST; seed < FIRST + EACH; seed++) some.push(figuresOf(await draw(scene, seed)));
    tell(`${scene}, ${set}`, some);
    all.push(...some);
  }
  tell(`all scenes, ${set}`, all);
}

/** A picture made so many times as wide and as high. */
function enlarged({ width, height, data, truth }: Drawn, by: number): Drawn {
  const large = new Uint8Array(width * by * height * by * 3);
  for (let y = 0; y < height * by; y++)
    for (let x = 0; x < width * by; x++)
      for (let c = 0; c < 3; c++)
        large[(y * width * by + x) * 3 + c] = data[(Math.floor(y / by) * width + Math.floor(x / by)) * 3 + c]!;
  return { width: width * by, height: height * by, data: large, truth };
}
for (const scene of ['glass-eggs', 'fry-tub', 'grid-young'] as const) {
  const { width, height, data, truth } = enlarged(drawnPixels(scene, 9001), 3);
  const took = [1, 2, 3].map(() => {
    const before = performance.now();
    countPicture({ width, height, data }, truth.options);
    return performance.now() - before;
  });
  say(
    `${Math.round((width * height) / 1e6)} megapixels of ${scene}: ${Math.round(took[0]!)} ms the first time, ${Math.round(Math.min(...took))} ms at best of three (wanted 2000)`,
  );
}
