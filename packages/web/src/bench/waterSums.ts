import { fromWater, litres, may, plain, warm, type Sum, type SumInput } from './sum';
import { lookAt } from './sumInput';

const HEATER = 'Unplug a heater before the level falls below it; residual-current protection and drip loops on every lead.';
const waterOf = (
  part: number,
  name: string,
  values: [litres: string, tempC: string, gh: string, kh: string, tds: string, ph: string],
): SumInput[] => [
  litres(`parts.${part}.litres`, `${name}, amount`, values[0]),
  warm(`parts.${part}.tempC`, `${name}, temperature`, values[1]),
  plain(`parts.${part}.ghDeg`, `${name}, GH`, values[2], '°dGH'),
  plain(`parts.${part}.khDeg`, `${name}, KH`, values[3], '°dKH'),
  plain(`parts.${part}.tdsPpm`, `${name}, TDS`, values[4], 'ppm'),
  plain(`parts.${part}.ph`, `${name}, pH`, values[5]),
];

const ALL = ['tempC', 'ghDeg', 'khDeg', 'tdsPpm', 'ph'] as const;
const HARDNESS = ['ghDeg', 'khDeg', 'tdsPpm'] as const;
const TANK_WARMTH = { tankLitres: 'tank.litres', tankTempC: 'tank.tempC' };
const number = (tree: unknown, path: string) => {
  const value = lookAt(tree, path);
  return typeof value === 'number' ? value : Number.NaN;
};

/** Water, warmth and changes. */
export const WATER_SUMS: readonly Sum[] = [
  {
    name: 'water.blend',
    prefill: { ...fromWater('parts.0', 'water.0', ALL), ...fromWater('parts.1', 'water.1', ALL) },
    group: 'Water',
    inputs: [
      ...waterOf(0, 'First', ['40', '11', '14', '11', '340', '7.6']),
      ...waterOf(1, 'Second', ['60', '12', '0.5', '0.3', '14', '5.9']),
    ],
    outputs: [
      { path: 'litres', label: 'Together', kind: 'volume' },
      { path: 'tempC', label: 'Temperature', kind: 'temperature' },
      { path: 'ghDeg', label: 'GH', unit: '°dGH' },
      { path: 'khDeg', label: 'KH', unit: '°dKH' },
      { path: 'tdsPpm', label: 'TDS', unit: 'ppm' },
      { path: 'phClosed', label: 'pH at once' },
      { path: 'phAired', label: 'pH once aired' },
    ],
  },
  {
    name: 'water.shares',
    prefill: {
      ...fromWater('sources.0', 'water.0', HARDNESS),
      ...fromWater('sources.1', 'water.1', HARDNESS),
      'target.litres': 'tank.litres',
    },
    group: 'Water',
    fixed: { sources: [{ name: 'first' }, { name: 'second' }] },
    inputs: [
      plain('sources.0.ghDeg', 'First water, GH', '14', '°dGH'),
      plain('sources.0.khDeg', 'First water, KH', '11', '°dKH'),
      plain('sources.0.tdsPpm', 'First water, TDS', '340', 'ppm'),
      plain('sources.1.ghDeg', 'Second water, GH', '0.5', '°dGH'),
      plain('sources.1.khDeg', 'Second water, KH', '0.3', '°dKH'),
      plain('sources.1.tdsPpm', 'Second water, TDS', '14', 'ppm'),
      litres('target.litres', 'Wanted in all', '60'),
      { ...plain('target.ghDeg', 'Wanted GH', '5', '°dGH'), optional: true },
      may(plain('target.khDeg', 'Wanted KH', '', '°dKH')),
      may(plain('target.tdsPpm', 'Wanted TDS', '', 'ppm')),
    ],
    outputs: [
      { path: 'litres.0.litres', label: 'Of the first', kind: 'volume' },
      { path: 'litres.1.litres', label: 'Of the second', kind: 'volume' },
      { path: 'achieved.ghDeg', label: 'Then GH is', unit: '°dGH' },
      { path: 'achieved.khDeg', label: 'Then KH is', unit: '°dKH' },
      { path: 'achieved.tdsPpm', label: 'Then TDS is', unit: 'ppm' },
    ],
  },
  {
    name: 'water.freeAmmonia',
    prefill: { totalAmmoniaNPpm: 'tank.ammoniaPpm', tempC: 'tank.tempC', ph: 'tank.ph' },
    group: 'Water',
    inputs: [
      plain('totalAmmoniaNPpm', 'Total ammonia as nitrogen', '0.5', 'mg/L'),
      warm('tempC', 'Temperature', '25'),
      plain('ph', 'pH', '7.6'),
    ],
    outputs: [
      { path: 'freeAmmoniaNPpm', label: 'Free ammonia as nitrogen', unit: 'mg/L' },
      { path: 'fraction', label: 'Of the whole', percent: true },
    ],
  },
  {
    name: 'water.oxygenSaturation',
    prefill: { tempC: 'tank.tempC' },
    group: 'Water',
    inputs: [
      warm('tempC', 'Temperature', '25'),
      may(plain('altitudeM', 'Altitude', '', 'm')),
      may(plain('pressureHpa', 'or true air pressure', '', 'hPa')),
      may(plain('salinityPpt', 'Salinity', '', 'ppt')),
    ],
    outputs: [
      { path: 'mgPerL', label: 'Oxygen, at most', unit: 'mg/L' },
      { path: 'pressureHpa', label: 'Air pressure', unit: 'hPa' },
    ],
  },
  {
    name: 'water.co2FromPh',
    prefill: { khDeg: 'tank.khDeg', tempC: 'tank.tempC', ph: 'tank.ph' },
    group: 'Water',
    inputs: [plain('khDeg', 'KH', '4', '°dKH'), warm('tempC', 'Temperature', '25'), plain('ph', 'pH', '7')],
    outputs: [{ path: 'co2MgPerL', label: 'Carbon dioxide', unit: 'mg/L' }],
  },
  {
    name: 'water.phFromCarbonate',
    prefill: { khDeg: 'tank.khDeg', tempC: 'tank.tempC' },
    group: 'Water',
    inputs: [
      plain('khDeg', 'KH', '4', '°dKH'),
      warm('tempC', 'Temperature', '25'),
      plain('co2MgPerL', 'Carbon dioxide', '15', 'mg/L'),
    ],
    outputs: [{ path: 'ph', label: 'pH' }],
  },
  {
    name: 'water.dripAcclimation',
    prefill: { 'tank.tdsPpm': 'tank.tdsPpm' },
    group: 'Water',
    inputs: [
      litres('bagLitres', 'Water in the bag', '1'),
      litres('dripLitresPerHour', 'Dripped each hour', '1.5'),
      plain('bag.tdsPpm', 'Bag, TDS', '340', 'ppm'),
      plain('tank.tdsPpm', 'Tank, TDS', '120', 'ppm'),
      plain('tolerance.tdsPpm', 'Near enough', '40', 'ppm'),
    ],
    outputs: [
      { path: 'hours', label: 'Drip for', unit: 'hours' },
      { path: 'finalLitres', label: 'Until there are', kind: 'volume' },
    ],
    caution: 'Float the bag first until the temperatures are equal. Never pour the bag’s water into the tank.',
  },
  {
    name: 'water.changeToTemperature',
    prefill: { ...TANK_WARMTH, newTempC: 'water.0.tempC' },
    change: (input, output) => ({ litres: number(output, 'changeLitres'), tempC: number(input, 'newTempC') }),
    group: 'Warmth',
    inputs: [
      litres('tankLitres', 'Tank', '33'),
      warm('tankTempC', 'Tank now', '24'),
      warm('newTempC', 'New water', '14'),
      warm('targetTempC', 'Wanted', '20'),
    ],
    outputs: [
      { path: 'changeLitres', label: 'Change', kind: 'volume' },
      { path: 'fraction', label: 'Of the tank', percent: true },
    ],
    caution: HEATER,
  },
  {
    name: 'water.newWaterTemperature',
    prefill: TANK_WARMTH,
    change: (input, output) => ({ litres: number(input, 'changeLitres'), tempC: number(output, 'newTempC') }),
    group: 'Warmth',
    inputs: [
      litres('tankLitres', 'Tank', '33'),
      warm('tankTempC', 'Tank now', '24'),
      warm('targetTempC', 'Wanted', '21'),
      litres('changeLitres', 'To be changed', '12'),
    ],
    outputs: [
      { path: 'newTempC', label: 'New water at', kind: 'temperature' },
      { path: 'fraction', label: 'Of the tank', percent: true },
    ],
    caution: HEATER,
  },
  {
    name: 'water.rewarm',
    prefill: { litres: 'tank.litres', fromC: 'tank.tempC', heaterW: 'tank.heaterW', lossWPerK: 'tank.lossWPerK' },
    group: 'Warmth',
    inputs: [
      litres('litres', 'Tank', '33'),
      warm('fromC', 'From', '20'),
      warm('toC', 'To', '24'),
      plain('heaterW', 'Heater', '50', 'W'),
      warm('airC', 'Room', '18'),
      plain('lossWPerK', 'Heat loss', '2', 'W per °C'),
    ],
    outputs: [
      { path: 'hours', label: 'The heater needs', unit: 'hours' },
      { path: 'ceilingC', label: 'It gets no warmer than', kind: 'temperature' },
    ],
    caution: HEATER,
  },
  {
    name: 'water.lossFromCooling',
    prefill: { litres: 'tank.litres', startC: 'tank.tempC' },
    group: 'Warmth',
    inputs: [
      litres('litres', 'Tank', '33'),
      warm('startC', 'At first', '25'),
      warm('endC', 'Later', '22.5'),
      plain('hours', 'Hours between, heater off', '8', 'hours'),
      warm('airC', 'Room', '18'),
    ],
    outputs: [{ path: 'lossWPerK', label: 'Heat loss', unit: 'W per °C' }],
    caution: HEATER,
  },
  {
    name: 'water.dilution',
    prefill: { startPpm: 'tank.nitratePpm', sourcePpm: 'water.0.nitratePpm', productionPpmPerDay: 'tank.ppmPerDay' },
    group: 'Changes',
    inputs: [
      plain('startPpm', 'Now in the tank', '20', 'ppm'),
      plain('productionPpmPerDay', 'Comes each day', '1.5', 'ppm'),
      plain('sourcePpm', 'In the new water', '5', 'ppm'),
      plain('changeFraction', 'Share changed, 0 to 1', '0.3'),
      plain('everyDays', 'Every', '7', 'days'),
      plain('days', 'Looked at for', '28', 'days'),
    ],
    outputs: [
      { path: 'steadyPeakPpm', label: 'In the long run, before a change', unit: 'ppm' },
      { path: 'steadyTroughPpm', label: 'after a change', unit: 'ppm' },
    ],
  },
  {
    name: 'water.changeForLimit',
    prefill: { sourcePpm: 'water.0.nitratePpm', productionPpmPerDay: 'tank.ppmPerDay' },
    change: (_input, output, tankLitres) => ({ litres: number(output, 'changeFraction') * tankLitres, tempC: null }),
    group: 'Changes',
    inputs: [
      plain('productionPpmPerDay', 'Comes each day', '1.5', 'ppm'),
      plain('sourcePpm', 'In the new water', '5', 'ppm'),
      plain('everyDays', 'Every', '7', 'days'),
      plain('limitPpm', 'Never above', '30', 'ppm'),
    ],
    outputs: [{ path: 'changeFraction', label: 'Change', percent: true }],
  },
  {
    name: 'water.topOff',
    prefill: { litresFull: 'tank.litres', tdsPpm: 'tank.tdsPpm', topOffTdsPpm: 'water.0.tdsPpm' },
    group: 'Changes',
    inputs: [
      litres('litresFull', 'Tank when full', '60'),
      litres('evaporatedLitres', 'Evaporated', '5'),
      plain('tdsPpm', 'TDS when last full', '150', 'ppm'),
      plain('topOffTdsPpm', 'TDS of the water topped off', '14', 'ppm'),
    ],
    outputs: [
      { path: 'tdsBeforePpm', label: 'TDS now', unit: 'ppm' },
      { path: 'tdsAfterPpm', label: 'TDS after topping off', unit: 'ppm' },
    ],
  },
  {
    name: 'water.mineralSalts',
    prefill: { fromGhDeg: 'water.0.ghDeg' },
    group: 'Water',
    inputs: [
      litres('litres', 'Water to harden', '40'),
      plain('fromGhDeg', 'Its GH now', '0', '°dGH'),
      plain('toGhDeg', 'Wanted GH', '6', '°dGH'),
      plain('label.grams', 'Label: so many grams', '10', 'g'),
      litres('label.litres', 'Label: in so much water', '100'),
      plain('label.ghDeg', 'Label: lift GH by', '3', '°dGH'),
      may(plain('label.khDeg', 'Label: and KH by', '', '°dKH')),
      may(plain('label.tdsPpm', 'Label: and TDS by', '', 'ppm')),
    ],
    outputs: [
      { path: 'grams', label: 'Salt', unit: 'g' },
      { path: 'khRiseDeg', label: 'KH rises by', unit: '°dKH', absent: 'not on the label' },
      { path: 'tdsRisePpm', label: 'TDS rises by', unit: 'ppm', absent: 'not on the label' },
    ],
    caution: 'Weigh it by the product’s own label; dissolve it in a bucket first, never over animals.',
  },
];
