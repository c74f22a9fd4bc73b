import { may, plain, type Sum } from './sum';

/** Sums about groups and lines of animals. Starting values: a pair out of a group, a brood counted by sex. */
export const STOCK_SUMS: readonly Sum[] = [
  {
    name: 'stock.groupSize',
    group: 'Breeding',
    inputs: [
      plain('males', 'Males wanted', '1'),
      plain('females', 'Females wanted', '1'),
      plain('maleShare', 'Share of males, 0 to 1', '0.5'),
      plain('confidence', 'How sure, 0 to 1', '0.95'),
    ],
    outputs: [{ path: 'count', label: 'Buy unsexed' }],
  },
  {
    name: 'stock.groupOdds',
    group: 'Breeding',
    inputs: [
      plain('count', 'Unsexed animals', '6'),
      plain('males', 'Males wanted', '2'),
      plain('females', 'Females wanted', '3'),
      plain('maleShare', 'Share of males, 0 to 1', '0.5'),
    ],
    outputs: [{ path: 'probability', label: 'Chance', percent: true }],
  },
  {
    name: 'stock.ratioInterval',
    group: 'Breeding',
    inputs: [plain('males', 'Males', '12'), plain('females', 'Females', '18')],
    outputs: [
      { path: 'maleShare', label: 'Share of males', percent: true },
      { path: 'low95', label: 'at least', percent: true },
      { path: 'high95', label: 'at most', percent: true },
      { path: 'pValue', label: 'Chance if males and females are equally common', percent: true },
    ],
  },
  {
    name: 'stock.atLeast',
    group: 'Breeding',
    inputs: [
      plain('probability', 'Share of the kind, 0 to 1', '0.25'),
      plain('wanted', 'How many do you want?', '3'),
      plain('confidence', 'How sure, 0 to 1', '0.95'),
    ],
    outputs: [{ path: 'count', label: 'Raise' }],
  },
  {
    name: 'stock.effectiveSize',
    group: 'Breeding',
    inputs: [
      plain('males', 'Breeding males', '1'),
      plain('females', 'Breeding females', '10'),
      may(plain('generations', 'Generations', '')),
    ],
    outputs: [
      { path: 'ne', label: 'Effective size' },
      { path: 'lossPerGeneration', label: 'Diversity lost each generation', percent: true },
      { path: 'inbreedingAfter', label: 'Inbreeding after them', percent: true },
    ],
  },
  {
    name: 'stock.selectionIntensity',
    group: 'Breeding',
    inputs: [plain('kept', 'Kept', '4'), plain('of', 'of', '30')],
    outputs: [
      { path: 'share', label: 'Share kept', percent: true },
      { path: 'intensity', label: 'Intensity', unit: 'standard deviations' },
    ],
  },
  {
    name: 'stock.conditionFactor',
    group: 'Breeding',
    inputs: [
      plain('lengthMm', 'Length', '42', 'mm'),
      plain('weightG', 'Weight', '1.2', 'g'),
      may(plain('usualK', 'Usual K', '')),
    ],
    outputs: [
      { path: 'k', label: 'K' },
      { path: 'relative', label: 'Against the usual', percent: true, absent: 'not given' },
    ],
  },
];
