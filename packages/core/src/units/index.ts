export { convert, unitFamily, UNITS, type Unit, type UnitFamily } from './convert';
export { parseQuantity, type QuantityKind, type ParsedQuantity } from './parseQuantity';
export { roundToFigures, formatNumber, formatRange } from './formatNumber';
