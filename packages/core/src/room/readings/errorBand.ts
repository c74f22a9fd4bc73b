/** What is measured in a tank; units are those of the names. */
export const QUANTITIES = [
  'tempC',
  'ph',
  'ghDeg',
  'khDeg',
  'tdsPpm',
  'ammoniaPpm',
  'nitritePpm',
  'nitratePpm',
  'oxygenPpm',
] as const;
export type Quantity = (typeof QUANTITIES)[number];

/** How it is measured. */
export const METHODS = ['strip', 'drops', 'meter', 'probe'] as const;
export type MeasuringMethod = (typeof METHODS)[number];

/** Half width of the band: `least` in the quantity's unit, or a share of the value when that is more. */
interface Band {
  least: number;
  share?: number;
}

const BANDS: Record<Quantity, Record<MeasuringMethod, Band>> = {
  tempC: { strip: { least: 1 }, drops: { least: 0.5 }, meter: { least: 0.2 }, probe: { least: 0.5 } },
  ph: { strip: { least: 0.5 }, drops: { least: 0.25 }, meter: { least: 0.1 }, probe: { least: 0.1 } },
  ghDeg: { strip: { least: 3 }, drops: { least: 1 }, meter: { least: 1 }, probe: { least: 1 } },
  khDeg: { strip: { least: 2 }, drops: { least: 0.5 }, meter: { least: 0.5 }, probe: { least: 0.5 } },
  tdsPpm: {
    strip: { least: 50, share: 0.3 },
    drops: { least: 20, share: 0.1 },
    meter: { least: 5, share: 0.03 },
    probe: { least: 5, share: 0.05 },
  },
  ammoniaPpm: {
    strip: { least: 0.25, share: 0.4 },
    drops: { least: 0.1, share: 0.2 },
    meter: { least: 0.05, share: 0.1 },
    probe: { least: 0.1, share: 0.2 },
  },
  nitritePpm: {
    strip: { least: 0.25, share: 0.4 },
    drops: { least: 0.05, share: 0.2 },
    meter: { least: 0.03, share: 0.1 },
    probe: { least: 0.1, share: 0.2 },
  },
  nitratePpm: {
    strip: { least: 10, share: 0.4 },
    drops: { least: 5, share: 0.2 },
    meter: { least: 2, share: 0.1 },
    probe: { least: 3, share: 0.15 },
  },
  oxygenPpm: {
    strip: { least: 2 },
    drops: { least: 0.5, share: 0.1 },
    meter: { least: 0.3, share: 0.03 },
    probe: { least: 0.5, share: 0.05 },
  },
};
const GREATEST_WIDENING = 3;

/**
 * Half width of the band in which the true value usually lies, in the quantity's unit. A meter or probe past its calibration
 * widens in proportion, at most threefold; one that was never calibrated counts as threefold.
 * Source: docs/sources.md#error-bands
 * @param calibration - days since the last calibration and days between two; null when the instrument needs none or is not followed
 */
export function errorBand(
  quantity: Quantity,
  method: MeasuringMethod,
  value: number,
  calibration: { daysSince: number | null; everyDays: number } | null = null,
): number {
  const { least, share = 0 } = BANDS[quantity][method];
  const half = Math.max(least, Math.abs(value) * share);
  if (!calibration || method === 'strip' || method === 'drops') return half;
  const { daysSince, everyDays } = calibration;
  const widening = daysSince === null ? GREATEST_WIDENING : Math.max(1, daysSince / Math.max(1, everyDays));
  return half * Math.min(GREATEST_WIDENING, widening);
}
