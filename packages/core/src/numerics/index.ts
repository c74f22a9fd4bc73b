export { logGamma, betaQuantile } from './beta';
export { binomialBetween } from './binomial';
export { regularisedGamma, normalQuantile } from './gamma';
