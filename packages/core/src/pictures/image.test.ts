import { plane, quantile, shrink, toPlanes, type Picture } from './image';
import { seeded } from './seeded';

const noisy = (width: number, height: number) => {
  const chance = seeded(5);
  const made = plane(width, height);
  made.values.forEach((_, at) => (made.values[at] = Math.round(255 * chance())));
  return made;
};
const mean = (values: ArrayLike<number>) => Array.from(values).reduce((sum, value) => sum + value, 0) / values.length;

describe('planes of a picture', () => {
  it.each([0.9, 0.5, 0.31, 0.07])('made smaller to %s of the size, keep their mean', (scale) => {
    const source = noisy(230, 170);
    expect(mean(shrink(source, scale).values)).toBeCloseTo(mean(source.values), 1);
  });

  it('made half as large, hold the mean of each four', () => {
    const source = noisy(20, 12);
    const small = shrink(source, 0.5);
    expect([small.width, small.height]).toEqual([10, 6]);
    for (const [x, y] of [
      [0, 0],
      [9, 5],
      [4, 3],
    ] as const) {
      const at = (dx: number, dy: number) => source.values[(2 * y + dy) * 20 + 2 * x + dx]!;
      expect(small.values[y * 10 + x]).toBeCloseTo((at(0, 0) + at(1, 0) + at(0, 1) + at(1, 1)) / 4, 3);
    }
  });

  it('are never made larger', () => {
    const source = noisy(30, 20);
    expect(shrink(source, 1.5)).toBe(source);
  });

  it('are read alike from three channels and from four', () => {
    const chance = seeded(8);
    const data = Uint8Array.from({ length: 300 * 220 * 3 }, () => 255 * chance());
    const picture: Picture = { width: 300, height: 220, data };
    const four = new Uint8ClampedArray((data.length / 3) * 4);
    for (let at = 0; at < data.length / 3; at++) for (let c = 0; c < 4; c++) four[at * 4 + c] = c < 3 ? data[at * 3 + c]! : 255;
    const [three, rgba] = [toPlanes(picture, 150), toPlanes({ ...picture, data: four, channels: 4 }, 150)];
    expect(three.planes[0].width).toBe(150);
    expect(rgba).toEqual(three);
  });

  it('say below which value a share of them lies', () => {
    const values = Float32Array.from({ length: 1001 }, (_, i) => 1000 - i);
    expect(quantile(values, 0)).toBe(0);
    expect(quantile(values, 0.5)).toBe(500);
    expect(quantile(values, 1)).toBe(1000);
  });
});
