import { Op, QueryTypes } from 'sequelize';
import type { Cause } from '@freshet/core/stock';
import { houseTable, type Database, type HouseRow, type Tx } from '../platform';

export interface LotRow extends HouseRow {
  speciesKey: string;
  line: string | null;
  generation: string | null;
  origin: 'wild' | 'imported' | 'local' | 'ownBrood';
  acquiredFrom: string | null;
  broodId: string | null;
  tankId: string | null;
  males: number;
  females: number;
  unsexed: number;
  since: string;
  name: string | null;
  grade: string | null;
  marks: string | null;
  permit: string | null;
  bornOn: string | null;
  isProven: boolean;
  isRetired: boolean;
}
export interface MovementRow extends HouseRow {
  fromLotId: string | null;
  toLotId: string | null;
  males: number;
  females: number;
  unsexed: number;
  cause: Cause;
  fromAt: string;
  toAt: string;
  byUser: string;
}
export interface PlacementRow extends HouseRow {
  lotId: string;
  tankId: string;
  at: string;
}
export interface SpeciesRow extends HouseRow {
  speciesKey: string;
  profile: Record<string, unknown>;
}

export function createStockRepository(database: Database) {
  const lots = houseTable<LotRow>(database, 'lots', {
    speciesKey: 'text',
    line: 'text',
    generation: 'text',
    origin: 'text',
    acquiredFrom: 'text',
    broodId: 'id',
    tankId: 'id',
    males: 'whole',
    females: 'whole',
    unsexed: 'whole',
    since: 'instant',
    name: 'text',
    grade: 'text',
    marks: 'text',
    permit: 'text',
    bornOn: 'day',
    isProven: 'flag',
    isRetired: 'flag',
  });
  const movements = houseTable<MovementRow>(database, 'movements', {
    fromLotId: 'id',
    toLotId: 'id',
    males: 'whole',
    females: 'whole',
    unsexed: 'whole',
    cause: 'text',
    fromAt: 'instant',
    toAt: 'instant',
    byUser: 'id',
  });
  const placements = houseTable<PlacementRow>(database, 'placements', { lotId: 'id', tankId: 'id', at: 'instant' });
  const species = houseTable<SpeciesRow>(database, 'species_profiles', { speciesKey: 'text', profile: 'json' });
  return {
    lots,
    movements,
    placements,
    species,
    living: (houseId: string) => lots.find(houseId, { [Op.and]: [database.sequelize.literal('heads > 0')] }),
    byIds: (houseId: string, ids: readonly string[]) => lots.find(houseId, { id: { [Op.in]: [...ids] } }),
    /** All lots of a species, living or not. */
    ofSpecies: (houseId: string, speciesKey: string) => lots.find(houseId, { speciesKey }),
    ofBroods: (houseId: string, broodIds: readonly string[]) => lots.find(houseId, { broodId: { [Op.in]: [...broodIds] } }),
    inTank: (houseId: string, tankId: string, tx: Tx) =>
      lots.find(houseId, { tankId, [Op.and]: [database.sequelize.literal('heads > 0')] }, { tx, lock: true }),
    movementsOf: (houseId: string, lotIds: readonly string[]) =>
      movements.find(
        houseId,
        { [Op.or]: [{ fromLotId: { [Op.in]: [...lotIds] } }, { toLotId: { [Op.in]: [...lotIds] } }] },
        {
          order: [
            ['fromAt', 'ASC'],
            ['id', 'ASC'],
          ],
          all: true,
        },
      ),
    placementsOf: (houseId: string, lotIds: readonly string[]) =>
      placements.find(houseId, { lotId: { [Op.in]: [...lotIds] } }, { order: [['at', 'ASC']] }),
    /** When every lot came into the tank it was last put in. */
    lastPlaced: async (houseId: string) => {
      const rows = await database.sequelize.query<{ lotId: string; at: Date }>(
        'SELECT lot_id lotId, MAX(at) at FROM placements WHERE house_id = :houseId AND live = 1 GROUP BY lot_id',
        { replacements: { houseId }, type: QueryTypes.SELECT },
      );
      return new Map(rows.map(({ lotId, at }) => [lotId, new Date(at).toISOString()]));
    },
    /** When animals last came into each of these tanks. */
    lastArrivals: async (houseId: string, tankIds: readonly string[]) => {
      if (tankIds.length === 0) return new Map<string, string>();
      const rows = await database.sequelize.query<{ tankId: string; at: Date }>(
        'SELECT tank_id tankId, MAX(at) at FROM placements WHERE house_id = :houseId AND live = 1 AND tank_id IN (:tankIds) GROUP BY tank_id',
        { replacements: { houseId, tankIds: [...tankIds] }, type: QueryTypes.SELECT },
      );
      return new Map(rows.map(({ tankId, at }) => [tankId, new Date(at).toISOString()]));
    },
    /** Animals that went out of some tanks into others since a time, whole lots and parts, with when the last came in before. */
    leftTanks: async (houseId: string, tankIds: readonly string[], since: string) => {
      if (tankIds.length === 0) return [];
      const rows = await database.sequelize.query<{
        lotId: string;
        fromTankId: string;
        toTankId: string;
        at: Date;
        arrivedAt: Date;
      }>(
        `SELECT went.lotId, went.fromTankId, went.toTankId, went.at, MAX(came.at) arrivedAt FROM (
           SELECT n.lot_id lotId, p.tank_id fromTankId, n.tank_id toTankId, n.at FROM placements p JOIN placements n ON n.house_id = :houseId AND n.lot_id = p.lot_id AND n.live = 1 AND n.at > p.at
             WHERE p.house_id = :houseId AND p.tank_id IN (:tankIds) AND p.live = 1 AND n.at >= :since AND n.tank_id NOT IN (:tankIds)
           UNION SELECT m.to_lot_id, p.tank_id, n.tank_id, m.from_at FROM placements p JOIN movements m ON m.house_id = :houseId AND m.from_lot_id = p.lot_id AND m.live = 1 AND m.from_at >= p.at
             JOIN placements n ON n.house_id = :houseId AND n.lot_id = m.to_lot_id AND n.live = 1 AND n.tank_id NOT IN (:tankIds)
             WHERE p.house_id = :houseId AND p.tank_id IN (:tankIds) AND p.live = 1 AND m.cause IN ('split', 'merge') AND m.from_at >= :since) went
         JOIN placements came ON came.house_id = :houseId AND came.tank_id = went.fromTankId AND came.live = 1 AND came.at < went.at
         GROUP BY went.lotId, went.fromTankId, went.toTankId, went.at`,
        { replacements: { houseId, tankIds: [...tankIds], since }, type: QueryTypes.SELECT },
      );
      const iso = (at: Date) => new Date(at).toISOString();
      return rows.map(({ at, arrivedAt, ...row }) => ({ ...row, at: iso(at), arrivedAt: iso(arrivedAt) }));
    },
    /** Where all lots were ever put, and which came out of which. */
    async trail(houseId: string) {
      const [placed, moved] = await Promise.all([
        placements.find(
          houseId,
          {},
          {
            order: [
              ['at', 'ASC'],
              ['id', 'ASC'],
            ],
          },
        ),
        movements.find(houseId, { cause: { [Op.in]: ['split', 'merge', 'sale', 'gift'] } }),
      ]);
      return { placements: placed, movements: moved };
    },
    /** Headcounts worked out from the movements alone, beside the cached ones. */
    balance: (houseId: string) =>
      database.sequelize.query<{
        id: string;
        males: number;
        females: number;
        unsexed: number;
        bookedMales: string;
        bookedFemales: string;
        bookedUnsexed: string;
      }>(
        `SELECT l.id, l.males, l.females, l.unsexed, COALESCE(SUM(m.males), 0) bookedMales, COALESCE(SUM(m.females), 0) bookedFemales, COALESCE(SUM(m.unsexed), 0) bookedUnsexed
         FROM lots l LEFT JOIN (
           SELECT to_lot_id lot_id, males, females, unsexed FROM movements WHERE house_id = :houseId AND to_lot_id IS NOT NULL
           UNION ALL SELECT from_lot_id, -males, -females, -unsexed FROM movements WHERE house_id = :houseId AND from_lot_id IS NOT NULL) m ON m.lot_id = l.id
         WHERE l.house_id = :houseId GROUP BY l.id`,
        { replacements: { houseId }, type: QueryTypes.SELECT },
      ),
    outside: async (houseId: string) =>
      (
        await database.sequelize.query<{ cameIn: string | null; gone: string | null }>(
          `SELECT SUM(IF(from_lot_id IS NULL, males + females + unsexed, 0)) cameIn, SUM(IF(to_lot_id IS NULL, males + females + unsexed, 0)) gone FROM movements WHERE house_id = :houseId AND cause <> 'sexing'`,
          { replacements: { houseId }, type: QueryTypes.SELECT },
        )
      )[0],
  };
}
export type StockRepository = ReturnType<typeof createStockRepository>;
