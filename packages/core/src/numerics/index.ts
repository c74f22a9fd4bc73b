export { logGamma, betaQuantile, regularisedBeta, studentQuantile } from './beta';
export { binomialBetween } from './binomial';
export { regularisedGamma, normalBelow, normalQuantile } from './gamma';
export { leastSquares } from './leastSquares';
export { minCut } from './minCut';
