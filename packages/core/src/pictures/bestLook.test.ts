import { bestLook, usualSize, type SeenBest } from './bestLook';

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

  it('is that of a few animals surely seen, not that of many crumbs half seen', () => {
    const [animal, crumb] = [
      { sure: 0.95, size: 60 },
      { sure: 0.55, size: 14 },
    ];
    const found = bestLook(1600, (scale) => (scale < 0.3 ? Array(6).fill(animal) : Array(40).fill(crumb)), {
      ...SEEN,
      from: 4,
      to: 80,
    });
    expect(found).toHaveLength(6);
  });

  it('is not given up for a last one that says less', () => {
    const look = (scale: number) => (scale === 704 / 1600 ? Array(8).fill({ sure: 0.9, size: 6 }) : []);
    expect(bestLook(1600, look, SEEN)).toHaveLength(8);
  });
});

describe('the usual size', () => {
  const some = (many: number, sure: number, size: number) => Array.from({ length: many }, () => ({ sure, size }));

  it('is that of those surely seen', () => {
    expect(usualSize([...some(5, 0.9, 50), ...some(30, 0.5, 10)])).toBe(50);
    expect(usualSize([...some(3, 0.8, 20), ...some(3, 0.8, 30), ...some(3, 0.8, 70)])).toBe(30);
  });
  it('is nothing where nothing was', () => {
    expect(usualSize([])).toBe(0);
    expect(usualSize(some(9, 0.3, 20))).toBe(0);
  });
});
