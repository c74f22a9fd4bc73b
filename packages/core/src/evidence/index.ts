export { rate, type Prior, type Rate, type Tally } from './rate';
export { compare } from './compare';
export { fisher, screen, type FactorTally, type Screened } from './screen';
export { factors, type FactorEffect, type Tried } from './factors';
