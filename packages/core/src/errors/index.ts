export { CalculationError, type CalculationCode } from './CalculationError';
