import type { MeasuringMethod, Quantity } from '@freshet/core/room';
import { Op } from 'sequelize';
import {
  houseTable,
  type Database,
  declareTable,
  type RowOf,
  text,
  id,
  instant,
  real,
  nullable,
  whole,
  day,
  type Reading,
  OLDEST_FIRST,
} from '../platform';

const WATER = declareTable('waters', {
  name: text(),
  kind: text<'tap' | 'rain' | 'osmosis' | 'aged' | 'mixed'>(),
});
const ANALYSIS = declareTable('analyses', {
  waterId: id(),
  at: instant(),
  tempC: nullable(real()),
  ghDeg: nullable(real()),
  khDeg: nullable(real()),
  tdsPpm: nullable(real()),
  ph: nullable(real()),
  nitratePpm: nullable(real()),
});
const CHANGE = declareTable('changes', {
  tankId: id(),
  litres: real(),
  fraction: real(),
  waterId: nullable(id()),
  tempC: nullable(real()),
  at: instant(),
});
const REGIME = declareTable('regimes', {
  tankId: id(),
  changeFraction: real(),
  everyDays: nullable(whole()),
  ceilingPpm: nullable(real()),
  waterId: nullable(id()),
  fromDay: day(),
  at: instant(),
});
export type RegimeRow = RowOf<typeof REGIME>;
const METER = declareTable('meters', {
  name: text(),
  quantity: text<Quantity>(),
  method: text<MeasuringMethod>(),
  everyDays: nullable(whole()),
});
export type MeterRow = RowOf<typeof METER>;
const CALIBRATION = declareTable('calibrations', {
  meterId: id(),
  at: instant(),
});
export type CalibrationRow = RowOf<typeof CALIBRATION>;
export function createWaterRepository(database: Database) {
  const waters = houseTable(database, WATER);
  const analyses = houseTable(database, ANALYSIS);
  const changes = houseTable(database, CHANGE);
  const regimes = houseTable(database, REGIME);
  const meters = houseTable(database, METER);
  const calibrations = houseTable(database, CALIBRATION);
  return {
    waters,
    analyses,
    changes,
    regimes,
    meters,
    calibrations,
    allAnalyses: (at: Reading) => analyses.find(at, {}, OLDEST_FIRST),
    changesOf: (at: Reading, tankId: string, since: string) =>
      changes.find(at, { tankId, at: { [Op.gte]: since } }, OLDEST_FIRST),
    changesSince: (at: Reading, since: string) => changes.find(at, { at: { [Op.gte]: since } }, OLDEST_FIRST),
    /** When each of these tanks was last changed. */
    lastChanges: async (at: Reading, tankIds: readonly string[]) =>
      new Map((await changes.newestBy(at, 'tankId', tankIds)).map((row) => [row.tankId, row.at])),
    /** The regime in force of each of these tanks: the last one set. */
    regimesInForce: async (at: Reading, tankIds: readonly string[]) =>
      new Map((await regimes.newestBy(at, 'tankId', tankIds)).map((row) => [row.tankId, row])),
    lastCalibrations: async (at: Reading, meterIds: readonly string[]) =>
      new Map((await calibrations.newestBy(at, 'meterId', meterIds)).map((row) => [row.meterId, row.at])),
    allCalibrations: (at: Reading) => calibrations.find(at, {}, OLDEST_FIRST),
  };
}
