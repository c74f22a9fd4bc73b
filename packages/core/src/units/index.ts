export { guessHouse, HOUSE_CURRENCIES, type HouseGuess } from './guessHouse';
export { convert, unitFamily, UNITS, type Unit, type UnitFamily } from './convert';
export { parseQuantity, VOLUME_SPELLINGS, type QuantityKind, type ParsedQuantity } from './parseQuantity';
export { allInUnits, inUnits, type HouseUnits } from './inUnits';
export { roundToFigures, formatAmount, formatNumber, formatRange } from './formatNumber';
