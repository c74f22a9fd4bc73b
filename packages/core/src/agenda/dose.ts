import { formatNumber } from '../units';

const PLURALS: Readonly<Record<string, string>> = {
  smear: 'smears',
  drop: 'drops',
  spatula: 'spatulas',
  pinch: 'pinches',
  piece: 'pieces',
  'match-head': 'match-heads',
  cube: 'cubes',
};

/** An amount of food with its unit, "2 pinches", "8 ml". */
export const doseWords = (value: number, unit: string): string =>
  `${formatNumber(value)} ${value > 1 ? (PLURALS[unit] ?? unit) : unit}`;

/** Doses measured alike as one, without the dust of adding decimals: "0.3 ml". @param values - in the unit */
export const doseSum = (values: readonly number[], unit: string): string =>
  doseWords(Math.round(values.reduce((sum, value) => sum + value, 0) * 1000) / 1000, unit);
