import type { Quantity } from './errorBand';

/** What a reading is called, and the unit it is told in. */
export const QUANTITY_TERMS: Readonly<Record<Quantity, { words: string; unit: string }>> = {
  tempC: { words: 'temperature', unit: '°C' },
  ph: { words: 'pH', unit: '' },
  ghDeg: { words: 'general hardness', unit: '°dGH' },
  khDeg: { words: 'carbonate hardness', unit: '°dKH' },
  tdsPpm: { words: 'dissolved solids', unit: 'ppm' },
  ammoniaPpm: { words: 'ammonia', unit: 'mg/L' },
  nitritePpm: { words: 'nitrite', unit: 'mg/L' },
  nitratePpm: { words: 'nitrate', unit: 'mg/L' },
  oxygenPpm: { words: 'oxygen', unit: 'mg/L' },
};
