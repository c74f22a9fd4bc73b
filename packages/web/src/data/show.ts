import { convert, formatNumber } from '@freshet/core/units';
import type { House } from './house';

/** How the house's unit of temperature is written. */
export const temperatureSign = ({ temperature }: House['units']): string => (temperature === 'degF' ? '°F' : '°C');

/** A temperature in the house's unit, "24.5 °C". */
export function showTemperature(tempC: number, { units }: Pick<House, 'units'>): string {
  const { value } = convert({ value: tempC, from: 'degC', to: units.temperature });
  return `${formatNumber(value, 3)} ${temperatureSign(units)}`;
}

/** A volume in the house's unit, "31 L". */
export function showVolume(litres: number, { units }: Pick<House, 'units'>): string {
  const { value } = convert({ value: Math.max(0, litres), from: 'L', to: units.volume });
  return `${formatNumber(value)} ${units.volume === 'galUS' ? 'gal' : 'L'}`;
}

/** "2 males, 3 females", "24" */
export function showHeads(heads: { males: number; females: number; unsexed: number }): string {
  const parts = [
    heads.males > 0 && `${heads.males} ${heads.males === 1 ? 'male' : 'males'}`,
    heads.females > 0 && `${heads.females} ${heads.females === 1 ? 'female' : 'females'}`,
    heads.unsexed > 0 && `${heads.unsexed} ${heads.males + heads.females > 0 ? 'unsexed' : ''}`.trim(),
  ].filter(Boolean);
  return parts.join(', ') || 'none';
}

/** A share as a percentage, "38 %". */
export const showPercent = (share: number): string => `${formatNumber(share * 100)} %`;

/** A chance as a percentage; never said to be certain when it is not. */
export const showChance = (chance: number): string => (chance > 0.99 && chance < 1 ? 'over 99 %' : showPercent(chance));
