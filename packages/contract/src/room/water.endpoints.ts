import * as v from 'valibot';
import { METHODS, QUANTITIES } from '@freshet/core/room';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Id, Instant, Name, Override, Version } from '../values';

export const WATER_KINDS = ['tap', 'rain', 'osmosis', 'aged', 'mixed'] as const;

const range = (what: string, unit: string, low: number, high: number) =>
  v.pipe(
    v.number(`Give the ${what}.`),
    v.minValue(low, `${what} is ${low} to ${high} ${unit}`.trim() + '.'),
    v.maxValue(high, `${what} is ${low} to ${high} ${unit}`.trim() + '.'),
  );

/** What one analysis of a source water found; what was not measured is null. */
const ANALYSIS = {
  tempC: v.nullable(range('Temperature', '°C', 0, 45)),
  ghDeg: v.nullable(range('GH', '°dGH', 0, 100)),
  khDeg: v.nullable(range('KH', '°dKH', 0, 60)),
  tdsPpm: v.nullable(range('TDS', 'ppm', 0, 5000)),
  ph: v.nullable(range('pH', '', 3, 11)),
  nitratePpm: v.nullable(range('Nitrate', 'mg/L', 0, 1000)),
};

export const NewWater = v.object({ id: Id, waterId: Id, name: Name, kind: v.picklist(WATER_KINDS) });
export const NewAnalysis = v.pipe(
  v.object({ id: Id, waterId: Id, at: Instant, ...ANALYSIS }),
  v.forward(
    v.check(
      ({ tempC, ghDeg, khDeg, tdsPpm, ph, nitratePpm }) =>
        [tempC, ghDeg, khDeg, tdsPpm, ph, nitratePpm].some((value) => value !== null),
      'Give at least one value.',
    ),
    ['ghDeg'],
  ),
);

export const NewChange = v.object({
  id: Id,
  tankId: Id,
  litres: v.pipe(v.number('Give the litres.'), v.gtValue(0, 'More than nothing.'), v.maxValue(1_000_000, 'That is too much.')),
  waterId: v.nullable(Id),
  /** Of the new water. */
  tempC: v.nullable(range('Temperature', '°C', 0, 45)),
  at: Instant,
  override: Override,
});

export const NewRegime = v.object({
  id: Id,
  tankId: Id,
  changeFraction: v.pipe(v.number('Give the share.'), v.gtValue(0, 'A share is above 0 %.'), v.maxValue(1, 'At most all of it.')),
  /** Null: as little as possible, when the readings ask for it. */
  everyDays: v.nullable(
    v.pipe(
      v.number('Give the days.'),
      v.integer('Whole days.'),
      v.minValue(1, 'At least every day.'),
      v.maxValue(365, 'At most a year.'),
    ),
  ),
  /** Ceiling for nitrate; null when none is held. */
  ceilingPpm: v.nullable(
    v.pipe(v.number('Give the ceiling.'), v.gtValue(0, 'Above 0 mg/L.'), v.maxValue(1000, 'At most 1000 mg/L.')),
  ),
  waterId: v.nullable(Id),
  version: Version,
  override: Override,
});

/** An instrument that is calibrated, or a test that is bought again. */
export const NewMeter = v.object({
  id: Id,
  meterId: Id,
  name: Name,
  quantity: v.picklist(QUANTITIES),
  method: v.picklist(METHODS),
  /** Days between two calibrations; null when it needs none. */
  everyDays: v.nullable(
    v.pipe(
      v.number('Give the days.'),
      v.integer('Whole days.'),
      v.minValue(1, 'At least a day.'),
      v.maxValue(730, 'At most two years.'),
    ),
  ),
});
export const NewCalibration = v.object({ id: Id, meterId: Id, at: Instant });

const value = v.nullable(v.number());
export const Water = v.object({
  id: v.string(),
  name: v.string(),
  kind: v.picklist(WATER_KINDS),
  analyses: v.array(
    v.object({
      id: v.string(),
      at: v.string(),
      tempC: value,
      ghDeg: value,
      khDeg: value,
      tdsPpm: value,
      ph: value,
      nitratePpm: value,
    }),
  ),
});
export const Meter = v.object({
  id: v.string(),
  name: v.string(),
  quantity: v.picklist(QUANTITIES),
  method: v.picklist(METHODS),
  everyDays: v.nullable(v.number()),
  calibratedAt: v.nullable(v.string()),
  dueOn: v.nullable(Day),
});

const DayPpm = v.object({ day: Day, ppm: v.number() });
/** How a tank's water is changed, and what that does to its nitrate. */
export const TankRegime = v.object({
  regime: v.nullable(
    v.object({
      changeFraction: v.number(),
      everyDays: v.nullable(v.number()),
      ceilingPpm: v.nullable(v.number()),
      waterId: v.nullable(v.string()),
      from: Day,
      /** Entry that set it. */
      version: v.string(),
    }),
  ),
  nextChange: v.nullable(Day),
  changes: v.array(
    v.object({
      id: v.string(),
      at: v.string(),
      litres: v.number(),
      fraction: v.number(),
      waterId: v.nullable(v.string()),
      tempC: v.nullable(v.number()),
    }),
  ),
  /** Fitted from readings and changes; null until two readings are there. */
  production: v.nullable(v.object({ ppmPerDay: v.number(), stretches: v.number() })),
  sourcePpm: v.number(),
  forecast: v.nullable(
    v.object({ curve: v.array(DayPpm), exceedsOn: v.nullable(Day), smallestFraction: v.nullable(v.number()) }),
  ),
});

/** What is logged here: who may, and which addresses show it. */
export const waterEntries = entries({
  water: { role: 'keeper', words: 'source water', touches: [...TOUCHES.waters] },
  analysis: { role: 'sitter', words: 'analysis of a water', touches: [...TOUCHES.waters, ...TOUCHES.tanks] },
  change: { role: 'sitter', words: 'water change', touches: [...TOUCHES.tanks, ...TOUCHES.probes] },
  regime: { role: 'keeper', words: 'change regime', touches: [...TOUCHES.tanks] },
  meter: { role: 'keeper', words: 'instrument', touches: [...TOUCHES.meters] },
  calibration: { role: 'sitter', words: 'calibration', touches: [...TOUCHES.meters, ...TOUCHES.tanks] },
});

export const waterEndpoints = {
  waters: endpoint({
    method: 'GET',
    path: '/api/waters',
    summary: 'Source waters with their history',
    role: 'viewer',
    reply: v.array(Water),
  }),
  addWater: waterEntries.water({
    path: '/api/waters',
    summary: 'Add a source water',
    body: NewWater,
  }),
  addAnalysis: waterEntries.analysis({
    path: '/api/analyses',
    summary: 'Log an analysis of a source water',
    body: NewAnalysis,
  }),
  logChange: waterEntries.change({
    path: '/api/changes',
    summary: 'Log a water change',
    body: NewChange,
  }),
  setRegime: waterEntries.regime({
    path: '/api/regimes',
    summary: 'Set how a tank’s water is changed',
    body: NewRegime,
  }),
  tankRegime: endpoint({
    method: 'GET',
    path: '/api/tanks/:tankId/regime',
    summary: 'Changes of one tank, its regime and what it does to nitrate',
    role: 'viewer',
    reply: TankRegime,
  }),
  meters: endpoint({
    method: 'GET',
    path: '/api/meters',
    summary: 'Instruments and their calibration',
    role: 'viewer',
    reply: v.array(Meter),
  }),
  addMeter: waterEntries.meter({
    path: '/api/meters',
    summary: 'Add an instrument',
    body: NewMeter,
  }),
  calibrate: waterEntries.calibration({
    path: '/api/calibrations',
    summary: 'Log a calibration',
    body: NewCalibration,
  }),
};
