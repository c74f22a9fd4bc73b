import {
  Body,
  Equator,
  Horizon,
  Illumination,
  MoonPhase,
  Observer,
  SearchAltitude,
  SearchHourAngle,
  SearchRiseSet,
} from 'astronomy-engine';
import { CalculationError } from '../errors';

/** Degrees; north and east are positive. */
export interface Place {
  latitude: number;
  longitude: number;
}

export const MOON_PHASES = [
  'newMoon',
  'waxingCrescent',
  'firstQuarter',
  'waxingGibbous',
  'fullMoon',
  'waningGibbous',
  'lastQuarter',
  'waningCrescent',
] as const;
export type MoonPhaseName = (typeof MOON_PHASES)[number];

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
const HALF_DAY = 0.5;
/** Refraction lifts what stands this far below the horizon, degrees. */
const REFRACTION = -0.566;
const CIVIL = -6;
const [FIRST, LAST] = [Date.UTC(1950, 0, 1), Date.UTC(2100, 0, 1)];
const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,3})?Z$/;
const DATE = /^\d{4}-\d{2}-\d{2}$/;

function readTime(text: string, form: RegExp, field: string): number {
  const ms = form.test(text) ? Date.parse(text) : Number.NaN;
  // Date.parse lets 31 February roll over into March.
  if (Number.isNaN(ms) || !new Date(ms).toISOString().startsWith(text.slice(0, 10)))
    throw new CalculationError(
      'invalidTime',
      field,
      `"${text}" is no time such as 2026-03-01${form === INSTANT ? 'T08:00:00Z' : ''}.`,
    );
  if (ms < FIRST || ms >= LAST) throw new CalculationError('outOfRange', field, 'Between 1950 and 2099.');
  return ms;
}

/**
 * The moon over a place: lit share and phase as seen from the middle of the earth, and whether it stands above the horizon.
 * Source: docs/sources.md#sky
 * @throws CalculationError `invalidTime`; `outOfRange` - outside 1950 to 2099
 */
export function moon({ at, latitude, longitude }: Place & { at: string }): {
  illuminatedFraction: number;
  phaseName: MoonPhaseName;
  aboveHorizon: boolean;
} {
  const time = new Date(readTime(at, INSTANT, 'at'));
  const observer = new Observer(latitude, longitude, 0);
  const { ra, dec } = Equator(Body.Moon, time, observer, true, true);
  return {
    illuminatedFraction: Illumination(Body.Moon, time).phase_fraction,
    phaseName: MOON_PHASES[Math.round(MoonPhase(time) / 45) % 8] ?? 'newMoon',
    aboveHorizon: Horizon(time, observer, ra, dec).altitude > REFRACTION,
  };
}

/** The sun's day at a place; a time is null when it does not come about that day. */
export interface SunDay {
  day: 'normal' | 'polarDay' | 'polarNight';
  civilDawn: string | null;
  sunrise: string | null;
  sunset: string | null;
  civilDusk: string | null;
}

/**
 * First light, sunrise, sunset and dusk around the sun's transit nearest to mean local noon of a date. Source: docs/sources.md#sky
 * @throws CalculationError `invalidTime`; `outOfRange` - outside 1950 to 2099
 */
export function sun({ date, latitude, longitude }: Place & { date: string }): SunDay {
  const noon = readTime(date, DATE, 'date') + 12 * HOUR_MS - (longitude / 15) * HOUR_MS;
  const observer = new Observer(latitude, longitude, 0);
  const culmination = SearchHourAngle(Body.Sun, observer, 0, new Date(noon - DAY_MS / 2), 1);
  const transit = culmination.time.date;
  const before = new Date(transit.getTime() - DAY_MS / 2);
  const iso = (found: { date: Date } | null) => found?.date.toISOString() ?? null;
  const sunrise = iso(SearchRiseSet(Body.Sun, observer, 1, before, HALF_DAY));
  const sunset = iso(SearchRiseSet(Body.Sun, observer, -1, transit, HALF_DAY));
  const isUp = culmination.hor.altitude > 0;
  return {
    day: sunrise || sunset ? 'normal' : isUp ? 'polarDay' : 'polarNight',
    civilDawn: iso(SearchAltitude(Body.Sun, observer, 1, before, HALF_DAY, CIVIL)),
    sunrise,
    sunset,
    civilDusk: iso(SearchAltitude(Body.Sun, observer, -1, transit, HALF_DAY, CIVIL)),
  };
}
