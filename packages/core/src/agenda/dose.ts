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
