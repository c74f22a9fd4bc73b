import type { Planes } from './net';

/** A place where a plane of a net's outputs is highest around. */
export interface Spot {
  /** Pixels of the picture that the net was shown. */
  x: number;
  y: number;
  /** Its place in the plane. */
  at: number;
  /** How sure, 0..1. */
  sure: number;
}

export const sigmoid = (z: number): number => 1 / (1 + Math.exp(-z));

/** The highest places of a plane of a net's outputs: no other of the eight around is higher. */
export function spotsOf({ width, height, values }: Planes, plane: number, least: number): Spot[] {
  const floor = Math.log(least / (1 - least));
  const from = plane * width * height;
  const spots: Spot[] = [];
  const value = (x: number, y: number) =>
    x < 0 || y < 0 || x >= width || y >= height ? -Infinity : values[from + y * width + x]!;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const here = values[from + y * width + x]!;
      if (here < floor) continue;
      let isTop = true;
      for (let dy = -1; dy <= 1 && isTop; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          if (dx === 0 && dy === 0) continue;
          const other = value(x + dx, y + dy);
          // Of two alike the first counts.
          if (dy < 0 || (dy === 0 && dx < 0) ? other >= here : other > here) {
            isTop = false;
            break;
          }
        }
      if (!isTop) continue;
      // Heat is highest a part of a pixel off: the middle of the three, weighed.
      const part = (before: number, after: number) =>
        Number.isFinite(before) && Number.isFinite(after)
          ? (sigmoid(after) - sigmoid(before)) / (2 * sigmoid(here) + sigmoid(after) + sigmoid(before))
          : 0;
      spots.push({
        x: 2 * (x + 0.5 + part(value(x - 1, y), value(x + 1, y))),
        y: 2 * (y + 0.5 + part(value(x, y - 1), value(x, y + 1))),
        at: y * width + x,
        sure: sigmoid(here),
      });
    }
  return spots.sort((a, b) => b.sure - a.sure);
}
