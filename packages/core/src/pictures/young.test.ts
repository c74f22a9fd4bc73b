import { countPicture } from './countPicture';
import { longestWay, patchesOf, shapeOf, solidity, withoutThin, type Shape } from './patches';
import { bodyLength } from './bodies';
import { drawScene } from './drawScene';
import { blur, plane, shrink, toPlanes } from './image';
import { withoutThinDark } from './ground';

/** A shape drawn with letters: anything but a dot belongs to it. */
function shape(...rows: string[]): Shape {
  const width = rows[0]!.length;
  const mask = Uint8Array.from(rows.join(''), (letter) => (letter === '.' ? 0 : 1));
  const [pixels] = patchesOf(mask, width, rows.length, 1);
  return shapeOf(pixels!, width);
}
/** A thick bar with a thin feeler before it. */
const barWith = (bar: number, feeler: number) => {
  const row = (thin: string) => `${thin.repeat(feeler)}${'#'.repeat(bar)}.`;
  return shape(row('.'), row('.'), row('.'), row('#'), row('.'), row('.'), row('.'));
};

describe('the form of what stands out', () => {
  it('finds the longest way through it, round a corner', () => {
    const corner = shape('#......', '#......', '#......', '#######');
    expect(longestWay(corner.mask, corner.width, corner.pixels[0]!).length).toBeCloseTo(2 + 1.4 + 5, 1);
  });

  it('takes a feeler off a body and leaves its length as it is', () => {
    const [bare, feeling] = [barWith(30, 0), barWith(30, 15)];
    expect(feeling.pixels.length - bare.pixels.length).toBe(15);
    expect(withoutThin(feeling, 2).pixels.length).toBeLessThanOrEqual(bare.pixels.length + 2);
    // The feeler is half as long as the body: counted in, the length would be a half too much.
    expect(Math.abs(bodyLength(feeling) / bodyLength(bare) - 1)).toBeLessThan(0.12);
  });

  it('keeps a tail that tapers', () => {
    const rows = [-4, -3, -2, -1, 0, 1, 2, 3, 4].map((y) =>
      Array.from({ length: 42 }, (_, x) => (x > 0 && x < 41 && Math.abs(y) <= 4 - x / 10 ? '#' : '.')).join(''),
    );
    const tapering = shape(...rows);
    expect(bodyLength(tapering)).toBeGreaterThan(0.9 * 40);
    expect(bodyLength(tapering)).toBeLessThanOrEqual(41);
  });

  it('tells a body by itself from two across one another by how much of their hull they fill', () => {
    const bar = shape('.'.repeat(20), ...Array.from({ length: 4 }, () => `.${'#'.repeat(18)}.`));
    const cross = shape(
      ...Array.from({ length: 17 }, (_, y) =>
        Array.from({ length: 17 }, (__, x) => (Math.abs(x - 8) < 2 || Math.abs(y - 8) < 2 ? '#' : '.')).join(''),
      ),
    );
    expect(solidity(bar)).toBeCloseTo(1, 5);
    expect(solidity(cross)).toBeLessThan(0.65);
  });
});

describe('planes of a picture', () => {
  const random = (seed: number) => () => ((seed = (seed * 16807) % 2147483647), seed / 2147483647);
  const noisy = (width: number, height: number) => {
    const next = random(5);
    const made = plane(width, height);
    made.values.forEach((_, at) => (made.values[at] = Math.round(255 * next())));
    return made;
  };
  const mean = (values: ArrayLike<number>) => Array.from(values).reduce((sum, value) => sum + value, 0) / values.length;

  it.each([0.9, 0.5, 0.31, 0.07])('made smaller to %s of the size, keep their mean', (scale) => {
    const source = noisy(230, 170);
    expect(mean(shrink(source, scale).values)).toBeCloseTo(mean(source.values), 1);
  });

  it('are blurred as a slow sum of squares says, edges repeated', () => {
    const source = noisy(23, 17);
    const soft = blur(source, 1);
    const at = (x: number, y: number) => source.values[Math.max(0, Math.min(16, y)) * 23 + Math.max(0, Math.min(22, x))]!;
    for (const [x, y] of [
      [0, 0],
      [22, 16],
      [11, 8],
      [0, 9],
    ] as const) {
      const around = [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx) => at(x + dx, y + dy)));
      expect(soft.values[y * 23 + x]).toBeCloseTo(mean(around), 3);
    }
    // Much of it, by running means: the mean stays.
    expect(mean(blur(noisy(200, 160), 6).values)).toBeCloseTo(mean(noisy(200, 160).values), 0);
  });

  it('lose lines thinner than seven pixels and keep what is thicker', () => {
    const paper = plane(60, 60);
    paper.values.fill(200);
    for (let y = 0; y < 60; y++)
      for (let x = 0; x < 60; x++) if (x === 20 || (x > 35 && x < 50 && y > 20)) paper.values[y * 60 + x] = 80;
    const { values } = withoutThinDark(paper);
    expect(values[30 * 60 + 20]).toBe(200);
    expect(values[40 * 60 + 42]).toBe(80);
    expect(Math.min(...values)).toBe(80);
  });

  it('are read alike from three channels and from four', () => {
    const { picture } = drawScene({
      seed: 3,
      width: 300,
      height: 220,
      subject: 'eggs',
      ground: 'plain',
      count: 8,
      size: 12,
      nuisance: 0.2,
    });
    const four = new Uint8ClampedArray((picture.data.length / 3) * 4);
    for (let at = 0; at < picture.data.length / 3; at++)
      for (let c = 0; c < 4; c++) four[at * 4 + c] = c < 3 ? picture.data[at * 3 + c]! : 255;
    const [three, rgba] = [toPlanes(picture, 150), toPlanes({ ...picture, data: four, channels: 4 }, 150)];
    expect(rgba).toEqual(three);
  });
});

describe('young that lie across one another, and crumbs among them', () => {
  const young = (seed: number, count: number, size: number) =>
    drawScene({ seed, width: 1000, height: 750, subject: 'shrimp', ground: 'sand', count, size, nuisance: 0.3 });

  it.each([1, 2, 3])('are counted within the band or nearly, scene %s', (seed) => {
    const { picture, truth } = young(40 + seed, 24, 60);
    const found = countPicture(picture, { kind: 'young' });
    expect(Math.abs(found.count - truth.count)).toBeLessThanOrEqual(Math.max(2, 0.15 * truth.count));
    expect(found.low95).toBeLessThan(truth.count);
    expect(found.high95).toBeGreaterThan(truth.count);
  });

  it('says less surely how many there are where they lie across one another', () => {
    const half = (count: number, size: number) => {
      const found = countPicture(young(50, count, size).picture, { kind: 'young' });
      return (found.high95 - found.low95) / 2 / found.count;
    };
    expect(half(40, 110)).toBeGreaterThan(half(40, 45));
  });
});
