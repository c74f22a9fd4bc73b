import { Op, QueryTypes } from 'sequelize';
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
    /** Past broods of some species whose hatch was seen, newest first, each with the tank it was laid in. */
    hatchesOf: (houseId: string, speciesKeys: readonly string[]) =>
      database.sequelize.query<{
        speciesKey: string;
        tankId: string;
        laidFrom: Date;
        laidTo: Date;
        hatchedFrom: Date;
        hatchedTo: Date;
      }>(
        `SELECT b.species_key speciesKey, MIN(p.tank_id) tankId, b.laid_from laidFrom, b.laid_to laidTo, o.from_at hatchedFrom, o.to_at hatchedTo
         FROM broods b
         JOIN observations o ON o.house_id = b.house_id AND o.brood_id = b.id AND o.kind = 'hatched' AND o.live = 1
         JOIN lots l ON l.house_id = b.house_id AND l.brood_id = b.id AND l.live = 1
         JOIN placements p ON p.house_id = b.house_id AND p.lot_id = l.id AND p.live = 1 AND p.at <= b.laid_from
         WHERE b.house_id = :houseId AND b.live = 1 AND b.species_key IN (:speciesKeys)
         GROUP BY b.id, o.id ORDER BY o.to_at DESC LIMIT 200`,
        { replacements: { houseId, speciesKeys: [...speciesKeys] }, type: QueryTypes.SELECT },
      ),
    /** Every brood with the lots of its attempt's parents. */
    withParents: (houseId: string) =>
      database.sequelize.query<{
        id: string;
        name: string;
        speciesKey: string;
        laidFrom: Date;
        lotId: string | null;
        role: 'sire' | 'dam' | null;
      }>(
        `SELECT b.id, b.name, b.species_key speciesKey, b.laid_from laidFrom, p.lot_id lotId, p.role
         FROM broods b LEFT JOIN attempt_parents p ON p.house_id = b.house_id AND p.attempt_id = b.attempt_id AND p.live = 1
         WHERE b.house_id = :houseId AND b.live = 1 ORDER BY b.laid_from, b.id`,
        { replacements: { houseId }, type: QueryTypes.SELECT },
      ),
    observationsOf: (houseId: string, broodIds: readonly string[]) =>
      observations.find(houseId, { broodId: { [Op.in]: [...broodIds] } }, { order: [['toAt', 'ASC']] }),
  };
}
