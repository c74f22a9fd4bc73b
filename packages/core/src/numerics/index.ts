export { logGamma, betaQuantile, regularisedBeta, studentQuantile } from './beta';
export { binomialBetween } from './binomial';
export { regularisedGamma, normalBelow, normalQuantile } from './gamma';
