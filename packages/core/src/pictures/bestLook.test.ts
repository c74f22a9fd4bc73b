import { bestLook, type SeenBest } from './bestLook';

const SEEN: SeenBest = { looks: [288, 704], from: 5, to: 10, best: 7, least: 256, most: 1280 };
/** A picture 1600 wide with so many of a size: seen where they are drawn from 4 to 14 pixels, the surer the nearer to 7. */
function picture(size: number, many: number) {
  const scales: number[] = [];
  const look = (scale: number) => {
    scales.push(scale);
    const drawn = size * scale;
    const sure = Math.max(0, 0.95 - 0.5 * Math.abs(Math.log(drawn / 7)));
    return drawn < 4 || drawn > 14 ? [] : Array.from({ length: many }, () => ({ sure, size }));
  };
  return { look, scales };
}

describe('the best look', () => {
  it.each([
    ['as large as they are seen well at first: no third look', 16, 2],
    ['large', 38, 2],
    ['small', 9.5, 3],
  ])('finds all of them when they are %s', (_size, size, looks) => {
    const { look, scales } = picture(size, 30);
    const found = bestLook(1600, look, SEEN);
    expect(found).toHaveLength(30);
    expect(scales).toHaveLength(looks);
    // The last look was at least as sure as the first two.
    expect(found[0]!.sure).toBeGreaterThanOrEqual(
      Math.max(...SEEN.looks.flatMap((side) => look(side / 1600).map(({ sure }) => sure))) - 1e-9,
    );
  });

  it('never looks at a picture larger than it is, nor twice at one size', () => {
    const { look, scales } = picture(8, 5);
    expect(bestLook(240, look, SEEN)).toHaveLength(5);
    expect(scales).toEqual([1]);
  });

  it('is content with nothing', () => {
    const { look, scales } = picture(400, 3);
    expect(bestLook(1600, look, SEEN)).toEqual([]);
    expect(scales).toHaveLength(2);
  });
});
