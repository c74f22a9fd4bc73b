import { circlesOf, COS, DIRECTIONS, SIN, toFaint, toLevel, type Level } from './circles';
import { median, type Plane } from './image';
import { judgeCircles } from './judgeCircles';

/** A round thing that was found. Pixels of the picture that was looked at. */
export interface FoundEgg {
  x: number;
  y: number;
  r: number;
  isWhite: boolean;
  /** How sure, 0..1. */
  sure: number;
}

export interface EggSearch {
  planes: [Plane, Plane, Plane];
  /** Likely radii in pixels; null for any. */
  radii: readonly [number, number] | null;
  /** Told 0..1 how far it is. */
  onStep?: (share: number) => void;
}

/** The radius at which the best circles are drawn the strongest: shadows and halos draw circles too, but softer ones. */
function sharpestRadius(level: Level, r: number): number {
  const { width, height } = level.planes[0]!;
  const best = circlesOf(level, r, 1.2, 0.7)
    .sort((a, b) => b.votes - a.votes)
    .slice(0, 80);
  if (best.length === 0) return r;
  const radii: number[] = [];
  for (let d = r * 0.62; d <= r * 1.2; d += 0.3) radii.push(d);
  const strengths = radii.map((d) =>
    median(
      best.map(({ x, y }) => {
        let [sum, seen] = [0, 0];
        for (let i = 0; i < DIRECTIONS; i++) {
          const [px, py] = [Math.round(x + COS[i]! * d), Math.round(y + SIN[i]! * d)];
          if (px < 1 || py < 1 || px >= width - 1 || py >= height - 1) continue;
          const at = py * width + px;
          seen++;
          sum += level.edges.magnitude[at]! * Math.abs(level.edges.dx[at]! * COS[i]! + level.edges.dy[at]! * SIN[i]!);
        }
        return seen > 0 ? sum / seen : 0;
      }),
    ),
  );
  const top = Math.max(...strengths);
  // The outermost of the strong ones: rims and lights within an egg are drawn strongly too.
  for (let i = radii.length - 1; i >= 0; i--)
    if (strengths[i]! >= top * 0.8 && strengths[i]! >= (strengths[i + 1] ?? 0) && strengths[i]! >= (strengths[i - 1] ?? 0))
      return radii[i]!;
  return r;
}

const SCALES = [1, 0.707, 0.5, 0.354, 0.25, 0.177];
/** So few circles of a radius say little for it. */
const FEW = 1.4;
/** Radii in pixels of a level; smaller ones only at the full size. */
const [SMALLEST, FROM, TO] = [4.5, 8, 11.4];

/** Eggs in a picture. Radii are tried from small to large, each at a size of the picture at which it is some ten pixels. */
export function findEggs({ planes, radii, onStep }: EggSearch): FoundEgg[] {
  let best = { r: 0, score: 0 };
  const scores: { r: number; score: number }[] = [];
  const whole = { planes: [...planes], scale: 1 };
  const levels: Level[] = [];
  const nearest = (scale: number) => levels.filter((one) => one.scale >= scale).at(-1) ?? whole;
  for (const [i, scale] of SCALES.entries()) {
    onStep?.((0.8 * i) / SCALES.length);
    const largest = TO / scale;
    if (radii && (largest < radii[0] * 0.8 || (scale < 1 && FROM / scale > radii[1] * 1.25))) continue;
    const near = levels.at(-1) ?? whole;
    const level = toLevel(near.planes, near.scale, scale);
    levels.push(level);
    for (let r = scale === 1 ? SMALLEST : FROM; r < TO; r *= 1.17) {
      const found = circlesOf(level, r, 1.2, 0.7);
      // What a ground of strands draws by chance is drawn thinly: it gets few votes for a circle of its size.
      // One alone is glare, a lamp, a pot's rim.
      const score =
        found.reduce((sum, { drawn, full }) => sum + (drawn - 0.6) ** 3 * Math.max(0, Math.min(2.5, full) - 0.8), 0) *
        (r / scale) ** 1.2 *
        (1 - Math.exp(-((found.length / FEW) ** 2)));
      scores.push({ r: r / scale, score });
      if (score > best.score) best = { r: r / scale, score };
    }
  }
  if (best.score === 0) return [];
  // Circles a little smaller and larger are drawn as well: the middle of all that are, by how well.
  const around = scores.filter(({ r }) => r > best.r / 1.5 && r < best.r * 1.5);
  const weight = around.reduce((sum, { score }) => sum + score ** 2, 0);
  const radius = Math.exp(around.reduce((sum, { r, score }) => sum + score ** 2 * Math.log(r), 0) / weight);
  const coarse = Math.min(1, 11 / radius);
  const rough = toLevel(nearest(coarse).planes, nearest(coarse).scale, coarse);
  const sharpest = sharpestRadius(rough, radius * rough.scale) / rough.scale;
  const scale = Math.min(1, 10 / sharpest);
  const level = toLevel(nearest(scale).planes, nearest(scale).scale, scale);
  const r0 = sharpest * scale;
  const drawn = circlesOf(level, r0, 0.95, 0.42);
  const faint = circlesOf(toFaint(level), r0, 0.95, 0.45);
  return judgeCircles(level, r0, drawn, faint).map(({ x, y, ...rest }) => ({
    ...rest,
    x: (x + 0.5) / scale,
    y: (y + 0.5) / scale,
    r: sharpest,
  }));
}
