import { Op } from 'sequelize';
import type { COUNT_WAYS, LENGTH_METHODS } from '@freshet/contract/stock';
import type { Cause } from '@freshet/core/stock';
import {
  houseTable,
  type Database,
  declareTable,
  type RowOf,
  text,
  nullable,
  id,
  whole,
  instant,
  day,
  flag,
  json,
  type Reading,
  OLDEST_FIRST,
} from '../platform';

const LOT = declareTable('lots', {
  speciesKey: text(),
  line: nullable(text()),
  generation: nullable(text()),
  origin: text<'wild' | 'imported' | 'local' | 'ownBrood'>(),
  acquiredFrom: nullable(text()),
  broodId: nullable(id()),
  tankId: nullable(id()),
  males: whole(),
  females: whole(),
  unsexed: whole(),
  since: instant(),
  name: nullable(text()),
  grade: nullable(text()),
  marks: nullable(text()),
  permit: nullable(text()),
  bornOn: nullable(day()),
  isProven: flag(),
  isRetired: flag(),
});
export type LotRow = RowOf<typeof LOT>;
/** What is known of a lot without its heads and its own id: what goes on to one that is split off. */
export const detailsOf = ({ id: _id, entryId: _entry, males: _m, females: _f, unsexed: _u, ...details }: LotRow) => details;
const MOVEMENT = declareTable('movements', {
  fromLotId: nullable(id()),
  toLotId: nullable(id()),
  males: whole(),
  females: whole(),
  unsexed: whole(),
  cause: text<Cause>(),
  fromAt: instant(),
  toAt: instant(),
  byUser: id(),
});
export type MovementRow = RowOf<typeof MOVEMENT>;
const PLACEMENT = declareTable('placements', {
  lotId: id(),
  tankId: id(),
  at: instant(),
});
export type PlacementRow = RowOf<typeof PLACEMENT>;

const HEAD_COUNT = declareTable('head_counts', {
  lotId: id(),
  counted: whole(),
  low: whole(),
  high: whole(),
  how: text<(typeof COUNT_WAYS)[number]>(),
  at: instant(),
});
export type HeadCountRow = RowOf<typeof HEAD_COUNT>;
const SIZE_SAMPLE = declareTable('size_samples', {
  lotId: id(),
  lengths: json<number[]>(),
  method: text<(typeof LENGTH_METHODS)[number]>(),
  at: instant(),
});

export type SampleRow = RowOf<typeof SIZE_SAMPLE>;

export function createStockRepository(database: Database) {
  const headCounts = houseTable(database, HEAD_COUNT);
  const sizeSamples = houseTable(database, SIZE_SAMPLE);
  const lots = houseTable(database, LOT);
  const movements = houseTable(database, MOVEMENT);
  const placements = houseTable(database, PLACEMENT);
  return {
    lots,
    movements,
    placements,
    sizeSamples,
    headCounts,
    /** The newest count of each of these lots. */
    newestCounts: (at: Reading, lotIds: readonly string[]) => headCounts.newestBy(at, 'lotId', lotIds),
    samplesOf: (at: Reading, lotIds: readonly string[]) =>
      sizeSamples.find(at, { lotId: { [Op.in]: [...lotIds] } }, OLDEST_FIRST),
    /** Photographs of some lots without their bytes, newest first. */
    photosOf: async (at: Reading, lotIds: readonly string[]) => {
      if (lotIds.length === 0) return [];
      const rows = await database.select<{ id: string; at: Date }>(
        at,
        'SELECT id, at FROM photos WHERE house_id = :houseId AND lot_id IN (:lotIds) AND live = 1 ORDER BY at DESC, id DESC LIMIT 60',
        { lotIds: [...lotIds] },
      );
      return rows.map(({ id, at: taken }) => ({ id, at: new Date(taken).toISOString() }));
    },
    samplesSince: (at: Reading, since: string) => sizeSamples.find(at, { at: { [Op.gte]: since } }, OLDEST_FIRST),
    /** The newest sample of lengths of each of these lots. */
    newestSamples: (at: Reading, lotIds: readonly string[]) => sizeSamples.newestBy(at, 'lotId', lotIds),
    living: (at: Reading) => lots.find(at, { [Op.and]: [database.sequelize.literal('heads > 0')] }),
    byIds: (at: Reading, ids: readonly string[]) => lots.find(at, { id: { [Op.in]: [...ids] } }),
    /** All lots of a species, living or not. */
    ofSpecies: (at: Reading, speciesKey: string) =>
      lots.find(
        at,
        { speciesKey },
        {
          order: [
            ['since', 'ASC'],
            ['id', 'ASC'],
          ],
        },
      ),
    ofBroods: (at: Reading, broodIds: readonly string[]) => lots.find(at, { broodId: { [Op.in]: [...broodIds] } }),
    inTank: (at: Reading, tankId: string) => lots.find(at, { tankId, [Op.and]: [database.sequelize.literal('heads > 0')] }),
    movementsOf: (at: Reading, lotIds: readonly string[]) =>
      movements.find(
        at,
        { [Op.or]: [{ fromLotId: { [Op.in]: [...lotIds] } }, { toLotId: { [Op.in]: [...lotIds] } }] },
        {
          order: [
            ['fromAt', 'ASC'],
            ['id', 'ASC'],
          ],
          all: true,
        },
      ),
    placementsOf: (at: Reading, lotIds: readonly string[]) =>
      placements.find(at, { lotId: { [Op.in]: [...lotIds] } }, OLDEST_FIRST),
    /** When each of these lots came into the tank it was last put in. */
    lastPlaced: async (at: Reading, lotIds: readonly string[]) =>
      new Map((await placements.newestBy(at, 'lotId', lotIds)).map((row) => [row.lotId, row.at])),
    /** The tank each of these lots was in before, or the one it was parted from; those that never moved are left out. */
    homes: async (at: Reading, lotIds: readonly string[]) => {
      if (lotIds.length === 0) return new Map<string, string>();
      const rows = await database.select<{ lotId: string; home: string | null }>(
        at,
        `SELECT l.id lotId, COALESCE(
           (SELECT p.tank_id FROM placements p WHERE p.house_id = :houseId AND p.lot_id = l.id AND p.live = 1 ORDER BY p.at DESC, p.id DESC LIMIT 1 OFFSET 1),
           (SELECT f.tank_id FROM movements m JOIN lots f ON f.id = m.from_lot_id WHERE m.house_id = :houseId AND m.to_lot_id = l.id AND m.cause = 'split' AND m.live = 1 ORDER BY m.from_at DESC LIMIT 1)) home
         FROM lots l WHERE l.house_id = :houseId AND l.id IN (:lotIds)`,
        { lotIds: [...lotIds] },
      );
      return new Map(rows.flatMap(({ lotId, home }) => (home ? [[lotId, home] as const] : [])));
    },
    /** When animals last came into each of these tanks. */
    lastArrivals: async (at: Reading, tankIds: readonly string[]) => {
      if (tankIds.length === 0) return new Map<string, string>();
      const rows = await database.select<{ tankId: string; at: Date }>(
        at,
        'SELECT tank_id tankId, MAX(at) at FROM placements WHERE house_id = :houseId AND live = 1 AND tank_id IN (:tankIds) GROUP BY tank_id',
        { tankIds: [...tankIds] },
      );
      return new Map(rows.map(({ tankId, at }) => [tankId, new Date(at).toISOString()]));
    },
    /** Animals that went out of some tanks into others since a time, whole lots and parts, with when the last came in before. */
    leftTanks: async (at: Reading, tankIds: readonly string[], since: string) => {
      if (tankIds.length === 0) return [];
      const rows = await database.select<{
        lotId: string;
        fromTankId: string;
        toTankId: string;
        at: Date;
        arrivedAt: Date;
      }>(
        at,
        `SELECT went.lotId, went.fromTankId, went.toTankId, went.at, MAX(came.at) arrivedAt FROM (
           SELECT n.lot_id lotId, p.tank_id fromTankId, n.tank_id toTankId, n.at FROM placements p JOIN placements n ON n.house_id = :houseId AND n.lot_id = p.lot_id AND n.live = 1 AND n.at > p.at
             WHERE p.house_id = :houseId AND p.tank_id IN (:tankIds) AND p.live = 1 AND n.at >= :since AND n.tank_id NOT IN (:tankIds)
           UNION SELECT m.to_lot_id, p.tank_id, n.tank_id, m.from_at FROM placements p JOIN movements m ON m.house_id = :houseId AND m.from_lot_id = p.lot_id AND m.live = 1 AND m.from_at >= p.at
             JOIN placements n ON n.house_id = :houseId AND n.lot_id = m.to_lot_id AND n.live = 1 AND n.tank_id NOT IN (:tankIds)
             WHERE p.house_id = :houseId AND p.tank_id IN (:tankIds) AND p.live = 1 AND m.cause IN ('split', 'merge') AND m.from_at >= :since) went
         JOIN placements came ON came.house_id = :houseId AND came.tank_id = went.fromTankId AND came.live = 1 AND came.at < went.at
         GROUP BY went.lotId, went.fromTankId, went.toTankId, went.at`,
        { tankIds: [...tankIds], since },
      );
      const iso = (at: Date) => new Date(at).toISOString();
      return rows.map(({ at, arrivedAt, ...row }) => ({ ...row, at: iso(at), arrivedAt: iso(arrivedAt) }));
    },
    /** Where lots that went anywhere since a time were put, and which came out of which; the place before that time too. */
    async trail(at: Reading, since: string) {
      const moved = await movements.find(at, {
        cause: { [Op.in]: ['split', 'merge', 'sale', 'gift'] },
        fromAt: { [Op.gte]: since },
      });
      const gone = await placements.find(at, { at: { [Op.gte]: since } });
      const lotIds = new Set([...gone.map(({ lotId }) => lotId), ...moved.flatMap((row) => [row.fromLotId, row.toLotId])]);
      lotIds.delete(null);
      const placed = await placements.find(
        at,
        { lotId: { [Op.in]: [...lotIds] } },
        {
          order: [
            ['at', 'ASC'],
            ['id', 'ASC'],
          ],
        },
      );
      return { placements: placed, movements: moved };
    },
    /** Headcounts worked out from the movements alone, beside the cached ones. */
    balance: (at: Reading) =>
      database.select<{
        id: string;
        males: number;
        females: number;
        unsexed: number;
        bookedMales: string;
        bookedFemales: string;
        bookedUnsexed: string;
      }>(
        at,
        `SELECT l.id, l.males, l.females, l.unsexed, COALESCE(SUM(m.males), 0) bookedMales, COALESCE(SUM(m.females), 0) bookedFemales, COALESCE(SUM(m.unsexed), 0) bookedUnsexed
         FROM lots l LEFT JOIN (
           SELECT to_lot_id lot_id, males, females, unsexed FROM movements WHERE house_id = :houseId AND to_lot_id IS NOT NULL
           UNION ALL SELECT from_lot_id, -males, -females, -unsexed FROM movements WHERE house_id = :houseId AND from_lot_id IS NOT NULL) m ON m.lot_id = l.id
         WHERE l.house_id = :houseId GROUP BY l.id`,
      ),
    outside: async (at: Reading) =>
      (
        await database.select<{ cameIn: string | null; gone: string | null }>(
          at,
          `SELECT SUM(IF(from_lot_id IS NULL, males + females + unsexed, 0)) cameIn, SUM(IF(to_lot_id IS NULL, males + females + unsexed, 0)) gone FROM movements WHERE house_id = :houseId AND cause <> 'sexing'`,
        )
      )[0],
  };
}
export type StockRepository = ReturnType<typeof createStockRepository>;
