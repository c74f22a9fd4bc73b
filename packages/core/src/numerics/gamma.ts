import { logGamma } from './beta';

const STEPS = 1000;

/** Regularised lower incomplete gamma P(a, x), by series or continued fraction. @param a - above 0 @param x - 0 or more */
export function regularisedGamma(a: number, x: number): number {
  if (x <= 0) return 0;
  const front = Math.exp(a * Math.log(x) - x - logGamma(a));
  if (x < a + 1) {
    let term = 1 / a;
    let sum = term;
    for (let n = 1; n < STEPS && term > sum * 1e-17; n++) {
      term *= x / (a + n);
      sum += term;
    }
    return Math.min(1, front * sum);
  }
  let b = x + 1 - a;
  let c = 1e300;
  let d = 1 / b;
  let h = d;
  for (let n = 1; n < STEPS; n++) {
    const step = n * (a - n);
    b += 2;
    d = 1 / (step * d + b || 1e-300);
    c = b + step / c || 1e-300;
    h *= d * c;
    if (Math.abs(d * c - 1) < 1e-15) break;
  }
  return Math.max(0, 1 - front * h);
}

/** Chance that a standard normal lies at or below z. @param z - any number */
export function normalBelow(z: number): number {
  const half = regularisedGamma(0.5, (z * z) / 2) / 2;
  return z < 0 ? 0.5 - half : 0.5 + half;
}

/**
 * The z at or below which a standard normal lies with this chance: a rational start (Abramowitz & Stegun 26.2.23), then Newton's steps.
 * @param share - between 0 and 1
 */
export function normalQuantile(share: number): number {
  const tail = Math.max(1e-300, Math.min(share, 1 - share));
  const t = Math.sqrt(-2 * Math.log(tail));
  let z = t - (2.515517 + 0.802853 * t + 0.010328 * t * t) / (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t * t * t);
  // Of the lower tail, where the chance keeps all its figures.
  for (let i = 0; i < 4; i++) {
    const density = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
    if (density === 0) break;
    z += (normalBelow(-z) - tail) / density;
  }
  return share < 0.5 ? -z : z;
}
