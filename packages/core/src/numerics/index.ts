export { logGamma, regularisedBeta, betaQuantile } from './beta';
export { binomialPmf, binomialAtLeast, binomialBetween } from './binomial';
export { regularisedGamma, normalBelow, normalQuantile } from './gamma';
