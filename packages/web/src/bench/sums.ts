import { UNITS } from '@freshet/core/units';
import { litres, may, plain, type Sum } from './sum';
import { STOCK_SUMS } from './stockSums';
import { WATER_SUMS } from './waterSums';

const DOSE =
  'Label and data sheet first; gloves; never mix; kills invertebrates; keep from children; never for fish meant as food. Antibiotics and prescription medicine are a vet’s business.';

const UNIT_NAMES = Object.keys(UNITS);

/** The sums of the bench. Starting values are those of Saltings Shed. */
export const SUMS: readonly Sum[] = [
  ...WATER_SUMS,
  ...STOCK_SUMS,
  {
    name: 'water.dose',
    prefill: { tankLitres: 'tank.litres' },
    group: 'Doses',
    inputs: [
      litres('tankLitres', 'Tank', '33'),
      plain('targetMgPerL', 'Target', '1', 'mg/L'),
      plain('stock.percentWv', 'Stock strength', '0.5', '% w/v'),
    ],
    outputs: [
      { path: 'ml', label: 'Stock solution', unit: 'ml' },
      { path: 'mg', label: 'Substance', unit: 'mg' },
    ],
    caution: DOSE,
  },
  {
    name: 'water.doseAfterChange',
    prefill: { tankLitres: 'tank.litres' },
    group: 'Doses',
    inputs: [
      litres('tankLitres', 'Tank', '33'),
      plain('changeFraction', 'Share changed, 0 to 1', '0.5'),
      plain('targetMgPerL', 'Target', '1', 'mg/L'),
      plain('stock.percentWv', 'Stock strength', '0.5', '% w/v'),
    ],
    outputs: [
      { path: 'ml', label: 'Stock solution', unit: 'ml' },
      { path: 'mg', label: 'Substance', unit: 'mg' },
    ],
    caution: DOSE,
  },
  {
    name: 'units.convert',
    group: 'Units',
    inputs: [
      plain('value', 'Value', '10'),
      { path: 'from', label: 'From', start: 'dGH', choices: UNIT_NAMES },
      { path: 'to', label: 'To', start: 'ppmCaCO3', choices: UNIT_NAMES },
      may(plain('factorPpmPerUScm', 'ppm per µS/cm, for conductivity', '')),
    ],
    outputs: [{ path: 'value', label: 'It is' }],
  },
  {
    name: 'room.tankLoad',
    group: 'Room',
    inputs: [
      { path: 'lengthCm', label: 'Length', start: '60', kind: 'length' },
      { path: 'widthCm', label: 'Width', start: '30', kind: 'length' },
      { path: 'heightCm', label: 'Height', start: '36', kind: 'length' },
      { path: 'waterHeightCm', label: 'Water', start: '28', kind: 'length' },
      may(plain('glassMm', 'Glass', '', 'mm')),
      may({ path: 'substrateKg', label: 'Substrate', start: '', kind: 'mass' }),
    ],
    outputs: [
      { path: 'waterLitres', label: 'Water', kind: 'volume' },
      { path: 'totalKg', label: 'Weight', unit: 'kg' },
      { path: 'kgPerM2', label: 'Load', unit: 'kg per m²' },
    ],
    caution: 'A full rack can be too much for a floor at home; ask someone qualified. Wall fixings alone are not enough.',
  },
  {
    name: 'larder.cystsFor',
    group: 'Live food',
    inputs: [
      plain('fry', 'Young', '150'),
      plain('naupliiPerFryPerMeal', 'Nauplii per young and meal', '40'),
      plain('mealsPerDay', 'Meals a day', '3'),
      plain('days', 'Days', '14'),
      plain('naupliiPerG', 'Nauplii per gram if all hatch', '250000'),
      plain('hatchFraction', 'Share that hatches, 0 to 1', '0.8'),
    ],
    outputs: [
      { path: 'gramsPerDay', label: 'Cysts a day', unit: 'g' },
      { path: 'gramsTotal', label: 'In all', unit: 'g' },
      { path: 'naupliiPerDay', label: 'Nauplii a day' },
    ],
  },
  {
    name: 'larder.hatch',
    group: 'Live food',
    inputs: [
      plain('cystsG', 'Cysts', '2', 'g'),
      plain('naupliiPerG', 'Nauplii per gram if all hatch', '250000'),
      plain('hatchFraction', 'Share that hatches, 0 to 1', '0.8'),
    ],
    outputs: [{ path: 'nauplii', label: 'Nauplii' }],
  },
];
