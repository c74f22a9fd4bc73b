export { SumSheet, UseResult, type SumResult } from './SumSheet';
export { useSumFacts, valuesOf } from './useSumFacts';
export { SUMS } from './sums';
export type { Sum, SumFacts } from './sum';
