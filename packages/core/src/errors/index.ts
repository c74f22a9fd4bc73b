export { CalculationError, type CalculationCode } from './CalculationError';
export { tryCompute, type Computed } from './tryCompute';
