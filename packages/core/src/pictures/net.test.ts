import { spawnSync } from 'node:child_process';
import { calibrated } from './calibrate';
import { runNet, runNetTwice, shownTo, type Kept } from './net';
import { seeded } from './seeded';
import { spotsOf } from './spots';
import { pairUp, type HeadSighting, type Sighting } from './spotYoung';
import { whiteFrom } from './whiteEggs';
import eggNet from './weights/eggs.json';
import youngNet from './weights/young.json';

/** Rows of a plane. */
type Rows = number[][];
const get = (rows: Rows, x: number, y: number) => rows[y]?.[x] ?? 0;

/** The same net, written as slowly and plainly as can be: one sum for each place. */
class Plain {
  private at = 0;
  constructor(private readonly kept: Kept) {}
  private take(count: number): number[] {
    this.at += count;
    return this.kept.weights.slice(this.at - count, this.at).map((value) => value / this.kept.parts);
  }
  private nine(rows: Rows, weights: number[], x: number, y: number, at: number): number {
    let sum = 0;
    for (let j = 0; j < 3; j++) for (let i = 0; i < 3; i++) sum += weights[at + 3 * j + i]! * get(rows, x + i - 1, y + j - 1);
    return sum;
  }
  private make(planes: Rows[], outputs: number, step: number, of: (o: number, x: number, y: number) => number): Rows[] {
    const [height, width] = [planes[0]!.length / step, planes[0]![0]!.length / step];
    return Array.from({ length: outputs }, (_, o) =>
      Array.from({ length: height }, (__, y) => Array.from({ length: width }, (___, x) => of(o, step * x, step * y))),
    );
  }
  first(planes: Rows[], outputs: number): Rows[] {
    const [weights, bias] = [this.take(outputs * planes.length * 9), this.take(outputs)];
    return this.make(planes, outputs, 2, (o, x, y) =>
      Math.max(
        0,
        planes.reduce((sum, rows, c) => sum + this.nine(rows, weights, x, y, 9 * (o * planes.length + c)), bias[o]!),
      ),
    );
  }
  mix(planes: Rows[], outputs: number): Rows[] {
    const [shares, bias] = [this.take(outputs * planes.length), this.take(outputs)];
    return this.make(planes, outputs, 1, (o, x, y) =>
      planes.reduce((sum, rows, c) => sum + shares[o * planes.length + c]! * rows[y]![x]!, bias[o]!),
    );
  }
  block(planes: Rows[], outputs: number, step = 1): Rows[] {
    const [weights, bias] = [this.take(planes.length * 9), this.take(planes.length)];
    const each = this.make(planes, planes.length, step, (c, x, y) => this.nine(planes[c]!, weights, x, y, 9 * c) + bias[c]!);
    return this.mix(each, outputs).map((rows) => rows.map((row) => row.map((value) => Math.max(0, value))));
  }
  join(seen: Rows[], small: Rows[]): Rows[] {
    return seen.map((rows, c) => rows.map((row, y) => row.map((value, x) => Math.max(0, value + small[c]![y >> 1]![x >> 1]!))));
  }
  run(planes: Rows[], outputs: number): Rows[] {
    const [a, b, c, d] = this.kept.channels as [number, number, number, number];
    const one = this.block(this.first(planes, a), a);
    const two = this.block(this.block(this.block(one, b, 2), b), b);
    const three = this.block(this.block(this.block(two, c, 2), c), c);
    const four = this.block(this.block(this.block(this.block(three, d, 2), d), d), d);
    const up3 = this.block(this.join(three, this.mix(four, c)), c);
    const up2 = this.block(this.join(two, this.mix(up3, b)), b);
    const up1 = this.block(this.block(this.join(one, this.mix(up2, a)), a), a);
    return this.mix(up1, outputs);
  }
}

describe('the net', () => {
  it.each([
    ['eggs', eggNet, 3],
    ['young', youngNet, 6],
  ] as const)('of %s tells the same as plain sums, with the weights that ship', (_kind, kept, outputs) => {
    // One after the other, in the same memory: rows that end within four or eight floats, and between.
    for (const [width, height] of [
      [80, 16],
      [16, 48],
      [48, 32],
    ] as const)
      expectAlike(kept, outputs, width, height);
  });

  function expectAlike(kept: Kept, outputs: number, width: number, height: number): void {
    const chance = seeded(width);
    const values = Float32Array.from({ length: 3 * width * height }, () => 4 * chance() - 2);
    const told = runNet({ channels: 3, width, height, values }, kept, outputs);
    const rows = [0, 1, 2].map((c) =>
      Array.from({ length: height }, (_, y) => [...values.subarray((c * height + y) * width, (c * height + y + 1) * width)]),
    );
    const plain = new Plain(kept).run(rows, outputs);
    expect([told.channels, told.width, told.height]).toEqual([outputs, width / 2, height / 2]);
    const all = plain.flat(2);
    const off = all.map((value, i) => Math.abs(value - told.values[i]!));
    expect(Math.max(...off)).toBeLessThan(0.001 * Math.max(...all.map(Math.abs)));
    // It says something: not all places alike.
    expect(new Set(plain[0]!.flat().map((value) => value.toFixed(2))).size).toBeGreaterThan(20);
  }

  it('tells of a mirror image what it tells of the picture, mirrored', () => {
    const [width, height, outputs, turned] = [64, 32, 6, 4];
    const chance = seeded(8);
    const values = Float32Array.from({ length: 3 * width * height }, () => 4 * chance() - 2);
    const across = (some: Float32Array, long: number) => some.map((_, i) => some[i - (i % long) + (long - 1 - (i % long))]!);
    const told = runNetTwice({ channels: 3, width, height, values }, youngNet, outputs, turned).values;
    const mirror = runNetTwice({ channels: 3, width, height, values: across(values, width) }, youngNet, outputs, turned).values;
    const back = across(mirror, width / 2);
    const plane = (width * height) / 4;
    const off = told.map((value, i) => Math.abs(value - (Math.floor(i / plane) === turned ? -1 : 1) * back[i]!));
    expect(Math.max(...off)).toBeLessThan(1e-4);
    expect(Math.max(...told.map(Math.abs))).toBeGreaterThan(0.5);
  });

  it('runs the sums that its source says', () => {
    const check = spawnSync(process.execPath, ['scripts/kernels.mjs', '--check'], { encoding: 'utf8' });
    expect(check.stderr).toBe('');
    expect(check.status).toBe(0);
  }, 60_000);

  it('is shown a picture alike in dim light and in bright, its sides filled up to sixteens', () => {
    const chance = seeded(9);
    const values = Float32Array.from({ length: 400 * 250 }, (_, i) => 100 + (((i % 400) >> 4) % 2) * 60 + 10 * chance());
    const planes = (by: number) => [0, 1, 2].map(() => ({ width: 400, height: 250, values: values.map((value) => value * by) }));
    const [dim, bright] = [shownTo(planes(0.7)), shownTo(planes(1.4))];
    expect([dim.width, dim.height]).toEqual([400, 256]);
    const off = dim.values.reduce((most, value, i) => Math.max(most, Math.abs(value - bright.values[i]!)), 0);
    expect(off).toBeLessThan(0.01);
    expect(Math.abs(dim.values.reduce((sum, value) => sum + value, 0) / dim.values.length)).toBeLessThan(0.02);
  });
});

describe('places where heat is highest', () => {
  const heat = (rows: Rows) => ({
    channels: 1,
    width: rows[0]!.length,
    height: rows.length,
    values: Float32Array.from(rows.flat(), (share) => Math.log(share / (1 - share))),
  });
  const cold = (width: number, height: number) =>
    Array.from({ length: height }, () => Array.from({ length: width }, () => 0.001));

  it('are found once each, the surest first, also at the border and where two places are alike', () => {
    const rows = cold(12, 8);
    rows[2]![3] = 0.9;
    rows[2]![4] = 0.9;
    rows[6]![9] = 0.95;
    rows[0]![11] = 0.5;
    rows[5]![1] = 0.05;
    const spots = spotsOf(heat(rows), 0, 0.08);
    expect(spots.map(({ sure }) => Number(sure.toFixed(2)))).toEqual([0.95, 0.9, 0.5]);
    expect(spots[1]!.at).toBe(2 * 12 + 3);
  });

  it('lie a part of a pixel towards the warmer side', () => {
    const rows = cold(9, 9);
    rows[4]![4] = 0.9;
    rows[4]![5] = 0.6;
    rows[4]![3] = 0.2;
    const [spot] = spotsOf(heat(rows), 0, 0.3);
    expect(spot!.x).toBeGreaterThan(2 * 4.5);
    expect(spot!.x).toBeLessThan(2 * 5);
    expect(spot!.y).toBeCloseTo(2 * 4.5, 5);
  });
});

describe('heads and middles', () => {
  const seen = (x: number, y: number, sure = 0.9, size = 40): Sighting => ({ x, y, sure, size });
  /** A head half a length from its middle, at an angle. */
  const head = (x: number, y: number, angle: number, sure = 0.9, size = 40): HeadSighting => ({
    ...seen(x, y, sure, size),
    wayX: 0.45 * size * Math.cos(angle),
    wayY: 0.45 * size * Math.sin(angle),
  });

  it('of two across one another are two, though their middles lie together', () => {
    const found = pairUp([head(100, 100, 0), head(101, 100, 1.2, 0.8)], [seen(100, 101)]);
    expect(found).toHaveLength(2);
    expect(found.filter(({ isWhole }) => isWhole)).toHaveLength(1);
    // What is seen by its head alone is less sure.
    expect(found[1]!.sure).toBeLessThan(0.8);
  });

  it('of one whose tail passes for a head are one, as are two middles of one', () => {
    expect(pairUp([head(100, 100, 0.3), head(104, 101, 0.2 + Math.PI, 0.6)], [seen(100, 101)])).toHaveLength(1);
    expect(pairUp([head(100, 100, 0.3)], [seen(100, 101), seen(106, 102, 0.5)])).toHaveLength(1);
    // Behind one another along one line they are two.
    expect(pairUp([head(100, 100, 0), head(130, 100, 0)], [seen(100, 100)])).toHaveLength(2);
  });

  it('belong together when near, and each middle to one head only', () => {
    const found = pairUp([head(50, 50, 0), head(200, 50, 0)], [seen(52, 50, 0.7, 44), seen(199, 51), seen(300, 300, 0.6)]);
    expect(found.map(({ isWhole }) => isWhole)).toEqual([true, true, false]);
    expect(found[0]).toMatchObject({ x: 52, y: 50 });
    expect(found[0]!.size).toBeCloseTo(Math.sqrt(40 * 44), 5);
    expect(found[0]!.sure).toBeCloseTo(1 - 0.1 * 0.3, 5);
  });

  it('never make more of one than were seen, nor lose one that lies by itself', () => {
    const chance = seeded(3);
    const some = <T>(most: number, one: () => T) => Array.from({ length: Math.floor(chance() * most) }, one);
    const place = () => [chance() * 200, chance() * 200] as const;
    for (let run = 0; run < 200; run++) {
      const heads = some(12, () => head(...place(), 6.28 * chance(), chance(), 20 + 40 * chance()));
      const middles = some(12, () => seen(...place(), chance(), 20 + 40 * chance()));
      const found = pairUp(heads, middles);
      const whole = found.filter(({ isWhole }) => isWhole).length;
      expect(found.length).toBeLessThanOrEqual(heads.length + middles.length - whole);
      expect(whole).toBeLessThanOrEqual(Math.min(heads.length, middles.length));
      for (const { sure } of found) expect(sure >= 0 && sure <= 1).toBe(true);
      for (const one of [...heads, ...middles])
        expect(
          found.some((other) => Math.hypot(other.x - one.x, other.y - one.y) < 0.28 * Math.max(other.size, one.size, 60)),
        ).toBe(true);
    }
  });
});

describe('white eggs', () => {
  const chance = seeded(11);
  const about = (middle: number, many: number) => Array.from({ length: many }, () => middle + 2 * (chance() + chance() - 1));
  const whiteOf = (some: readonly number[]) => some.filter((value) => value > whiteFrom(some)).length;

  it.each([
    ['in usual light', 6, -10],
    ['in light that makes all of them look clear', -2.3, -12.5],
    ['in light that makes all of them paler', 7, -1],
  ])('are parted from clear ones %s', (_light, white, clear) => {
    expect(whiteOf([...about(white, 12), ...about(clear, 90)])).toBe(12);
    expect(whiteOf([...about(white, 90), ...about(clear, 12)])).toBe(90);
  });

  it('are none, or all, where there is but one kind', () => {
    expect(whiteOf(about(-9, 60))).toBe(0);
    expect(whiteOf([...about(-7, 30), ...about(-14, 30)])).toBe(0);
    expect(whiteOf(about(6, 60))).toBe(60);
    expect(whiteOf([5])).toBe(1);
    expect(whiteOf([])).toBe(0);
  });
});

describe('how likely what was seen is one', () => {
  const seen = (sure: number, size = 40, isWhole = true) => ({ sure, size, isWhole });
  const odds = { heat: 3, isHalf: 1, oddSize: -5, few: -1, base: 0 };
  const many = Array.from({ length: 9 }, (_, i) => seen(0.9, 36 + i));

  it('rises with its heat, and falls where its size is not that of the others', () => {
    const of = (...more: ReturnType<typeof seen>[]) =>
      calibrated([...many, ...more], odds)
        .slice(many.length)
        .map(({ sure }) => sure);
    const [cool, warm, small, large, little] = of(seen(0.4), seen(0.7), seen(0.7, 12), seen(0.7, 130), seen(0.7, 30));
    expect(cool).toBeLessThan(warm!);
    expect(small).toBeLessThan(0.6 * warm!);
    expect(large).toBeLessThan(0.6 * warm!);
    // A brood's own spread costs nothing.
    expect(little).toBeCloseTo(warm!, 10);
  });

  it('is as it was told where nothing is usual yet', () => {
    const [one] = calibrated([seen(0.3, 12)], { heat: 1, isHalf: 0, oddSize: -5, few: 0, base: 0 });
    expect(one!.sure).toBeCloseTo(0.3, 10);
  });

  it('falls where fewer than a handful were seen', () => {
    const sureOf = (count: number) =>
      calibrated(
        Array.from({ length: count }, () => seen(0.7)),
        odds,
      )[0]!.sure;
    expect(sureOf(1)).toBeLessThan(sureOf(3));
    expect(sureOf(3)).toBeLessThan(sureOf(7));
    expect(sureOf(7)).toBeCloseTo(sureOf(50), 10);
  });
});
