/** What a keeper can say of a piece of equipment. */
export type EquipmentPart = 'heater' | 'filter' | 'light' | 'air';
export type EquipmentState = 'on' | 'off' | 'failed' | 'cleaned';
/** What is done to a tank itself. */
export type JotTankEvent = 'rinsed' | 'disinfected' | 'filled' | 'emptied';
/** What is done to a culture, or becomes of it. */
export type CultureAction = 'started' | 'fed' | 'split' | 'ripe' | 'harvested' | 'crashed' | 'ended';
/** How much of a meal was eaten. */
export type Ate = 'all' | 'some' | 'left';

/** What of a tank's water a line can log; °C, pH, degrees of hardness, ppm. */
export const JOT_READINGS = {
  temperature: { words: ['temp', 'temperature', 't', 'tmp'], low: 0, high: 45 },
  ph: { words: ['ph'], low: 3, high: 11 },
  gh: { words: ['gh'], low: 0, high: 100 },
  kh: { words: ['kh'], low: 0, high: 60 },
  tds: { words: ['tds'], low: 0, high: 50_000 },
  nitrate: { words: ['nitrate', 'nitrates', 'no3'], low: 0, high: 1000 },
  nitrite: { words: ['nitrite', 'nitrites', 'no2'], low: 0, high: 100 },
  ammonia: { words: ['ammonia', 'ammonium', 'nh3', 'nh4', 'tan'], low: 0, high: 100 },
  oxygen: { words: ['oxygen', 'o2'], low: 0, high: 30 },
} as const;
export type JotReading = keyof typeof JOT_READINGS;
