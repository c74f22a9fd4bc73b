export { CALCULATIONS, runCalculation, type Calculation, type CalculationAnswer } from './catalogue';
