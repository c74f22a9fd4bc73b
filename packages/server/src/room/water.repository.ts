import type { MeasuringMethod, Quantity } from '@freshet/core/room';
import { Op, QueryTypes } from 'sequelize';
import { houseTable, type Database, type HouseRow } from '../platform';

export interface WaterRow extends HouseRow {
  name: string;
  kind: 'tap' | 'rain' | 'osmosis' | 'aged' | 'mixed';
}
export interface AnalysisRow extends HouseRow {
  waterId: string;
  at: string;
  tempC: number | null;
  ghDeg: number | null;
  khDeg: number | null;
  tdsPpm: number | null;
  ph: number | null;
  nitratePpm: number | null;
}
export interface ChangeRow extends HouseRow {
  tankId: string;
  litres: number;
  fraction: number;
  waterId: string | null;
  tempC: number | null;
  at: string;
}
export interface RegimeRow extends HouseRow {
  tankId: string;
  changeFraction: number;
  everyDays: number | null;
  ceilingPpm: number | null;
  waterId: string | null;
  fromDay: string;
  at: string;
}
export interface MeterRow extends HouseRow {
  name: string;
  quantity: Quantity;
  method: MeasuringMethod;
  everyDays: number | null;
}
export interface CalibrationRow extends HouseRow {
  meterId: string;
  at: string;
}
const byTime = {
  order: [
    ['at', 'ASC'],
    ['id', 'ASC'],
  ] as [string, string][],
};

export function createWaterRepository(database: Database) {
  const waters = houseTable<WaterRow>(database, 'waters', { name: 'text', kind: 'text' });
  const analyses = houseTable<AnalysisRow>(database, 'analyses', {
    waterId: 'id',
    at: 'instant',
    tempC: 'real',
    ghDeg: 'real',
    khDeg: 'real',
    tdsPpm: 'real',
    ph: 'real',
    nitratePpm: 'real',
  });
  const changes = houseTable<ChangeRow>(database, 'changes', {
    tankId: 'id',
    litres: 'real',
    fraction: 'real',
    waterId: 'id',
    tempC: 'real',
    at: 'instant',
  });
  const regimes = houseTable<RegimeRow>(database, 'regimes', {
    tankId: 'id',
    changeFraction: 'real',
    everyDays: 'whole',
    ceilingPpm: 'real',
    waterId: 'id',
    fromDay: 'day',
    at: 'instant',
  });
  const meters = houseTable<MeterRow>(database, 'meters', { name: 'text', quantity: 'text', method: 'text', everyDays: 'whole' });
  const calibrations = houseTable<CalibrationRow>(database, 'calibrations', { meterId: 'id', at: 'instant' });
  return {
    waters,
    analyses,
    changes,
    regimes,
    meters,
    calibrations,
    allAnalyses: (houseId: string) => analyses.find(houseId, {}, byTime),
    changesOf: (houseId: string, tankId: string, since: string) =>
      changes.find(houseId, { tankId, at: { [Op.gte]: since } }, byTime),
    changesSince: (houseId: string, since: string) => changes.find(houseId, { at: { [Op.gte]: since } }, byTime),
    /** Day and time of the last change of every tank. */
    lastChanges: async (houseId: string) => {
      const rows = await database.sequelize.query<{ tankId: string; at: Date }>(
        'SELECT tank_id tankId, MAX(at) at FROM changes WHERE house_id = :houseId AND live = 1 GROUP BY tank_id',
        { replacements: { houseId }, type: QueryTypes.SELECT },
      );
      return new Map(rows.map(({ tankId, at }) => [tankId, new Date(at).toISOString()]));
    },
    /** The regime in force of every tank: the last one set. */
    regimesInForce: async (houseId: string) => new Map((await regimes.find(houseId, {}, byTime)).map((row) => [row.tankId, row])),
    allCalibrations: (houseId: string) => calibrations.find(houseId, {}, byTime),
  };
}
