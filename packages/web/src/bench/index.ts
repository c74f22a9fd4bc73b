export { SumPanel, UseResult, type SumResult } from './SumPanel';
export { SUMS } from './sums';
export type { Sum, SumFacts } from './sum';
