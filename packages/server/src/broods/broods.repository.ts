import { Op } from 'sequelize';
import { houseTable, type Database, type HouseRow } from '../platform';

export interface BroodRow extends HouseRow {
  speciesKey: string;
  name: string;
  attemptId: string | null;
  laidFrom: string;
  laidTo: string;
}
export interface ObservationRow extends HouseRow {
  broodId: string;
  kind: 'eggsSeen' | 'hatched' | 'freeSwimming';
  fromAt: string;
  toAt: string;
}

export function createBroodsRepository(database: Database) {
  const broods = houseTable<BroodRow>(database, 'broods', {
    speciesKey: 'text',
    name: 'text',
    attemptId: 'id',
    laidFrom: 'instant',
    laidTo: 'instant',
  });
  const observations = houseTable<ObservationRow>(database, 'observations', {
    broodId: 'id',
    kind: 'text',
    fromAt: 'instant',
    toAt: 'instant',
  });
  return {
    broods,
    observations,
    byIds: (houseId: string, ids: readonly string[]) =>
      broods.find(houseId, { id: { [Op.in]: [...ids] } }, { order: [['laidFrom', 'DESC']] }),
    byAttempts: (houseId: string, attemptIds: readonly string[]) =>
      broods.find(houseId, { attemptId: { [Op.in]: [...attemptIds] } }),
    observationsOf: (houseId: string, broodIds: readonly string[]) =>
      observations.find(houseId, { broodId: { [Op.in]: [...broodIds] } }, { order: [['toAt', 'ASC']] }),
  };
}
