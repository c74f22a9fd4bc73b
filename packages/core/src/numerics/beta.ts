const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
  -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];
const SMALLEST = 1e-300;
const STEPS = 500;

/** Logarithm of the gamma function for x above 0. Source: docs/sources.md#binomial (Lanczos, g = 7). */
export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.abs(Math.sin(Math.PI * x))) - logGamma(1 - x);
  const z = x - 1;
  const t = z + 7.5;
  const sum = LANCZOS.reduce((all, coefficient, i) => all + (i === 0 ? coefficient : coefficient / (z + i)), 0);
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

/** Continued fraction of the incomplete beta, by Lentz's method. */
function betaFraction(x: number, a: number, b: number): number {
  const away = (value: number) => (Math.abs(value) < SMALLEST ? SMALLEST : value);
  let c = 1;
  let d = 1 / away(1 - ((a + b) * x) / (a + 1));
  let h = d;
  for (let m = 1; m <= STEPS; m++) {
    for (const term of [
      (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)),
      (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1)),
    ]) {
      d = 1 / away(1 + term * d);
      c = away(1 + term / c);
      h *= d * c;
    }
    if (Math.abs(d * c - 1) < 1e-16) break;
  }
  return h;
}

/** Regularised incomplete beta I_x(a, b): chance that a Beta(a, b) lies at or below x. @param x - 0..1 @param a - above 0 @param b - above 0 */
export function regularisedBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log1p(-x));
  return x < (a + 1) / (a + b + 2) ? (front * betaFraction(x, a, b)) / a : 1 - (front * betaFraction(1 - x, b, a)) / b;
}

/** The x below which a Beta(a, b) lies with this chance, by bisection. @param share - 0..1 */
export function betaQuantile(share: number, a: number, b: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (regularisedBeta(middle, a, b) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The t at or below which Student's t lies with this chance. @param share - between 0 and 1 @param freedom - degrees of freedom, above 0 */
export function studentQuantile(share: number, freedom: number): number {
  if (share === 0.5) return 0;
  const tail = Math.min(share, 1 - share);
  const x = betaQuantile(2 * tail, freedom / 2, 0.5);
  const t = Math.sqrt((freedom * (1 - x)) / x);
  return share < 0.5 ? -t : t;
}
