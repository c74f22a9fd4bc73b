import { Op } from 'sequelize';
import type { EggPlan } from '@freshet/core/species';
import type { FungusSchool } from '@freshet/core/spawning';
import type { Cause } from '@freshet/core/stock';
import {
  houseTable,
  type Database,
  declareTable,
  type RowOf,
  text,
  id,
  nullable,
  instant,
  real,
  whole,
  day,
  type Reading,
} from '../platform';

const BROOD = declareTable('broods', {
  speciesKey: text(),
  name: text(),
  attemptId: nullable(id()),
  laidFrom: instant(),
  laidTo: instant(),
});
export type BroodRow = RowOf<typeof BROOD>;
const OBSERVATION = declareTable('observations', {
  broodId: id(),
  kind: text<'eggsSeen' | 'stripped' | 'wetted' | 'hatched' | 'freeSwimming' | 'looked'>(),
  fromAt: instant(),
  toAt: instant(),
});
export type ObservationRow = RowOf<typeof OBSERVATION>;

const JOIN = declareTable('brood_joins', {
  broodId: id(),
  attemptId: nullable(id()),
  fromAttemptId: nullable(id()),
  at: instant(),
});

const KEEPING = declareTable('egg_keepings', {
  broodId: id(),
  plan: text<EggPlan>(),
  fungus: text<FungusSchool>(),
  dyeMgPerL: nullable(real()),
  dyeStockPercent: nullable(real()),
  dailyChangeFraction: real(),
  container: nullable(text()),
  why: nullable(text()),
  at: instant(),
});
export type KeepingRow = RowOf<typeof KEEPING>;
const PICK = declareTable('egg_picks', {
  broodId: id(),
  picked: whole(),
  fromAt: instant(),
  toAt: instant(),
  wasFrom: instant(),
  wasTo: instant(),
});
const PEAT_BAG = declareTable('peat_bags', {
  broodId: id(),
  label: text(),
  place: nullable(text()),
  moisture: text<'damp' | 'wet' | 'dry'>(),
  wetOn: day(),
  at: instant(),
});
export type PeatBagRow = RowOf<typeof PEAT_BAG>;

export function createBroodsRepository(database: Database) {
  const broods = houseTable(database, BROOD);
  const observations = houseTable(database, OBSERVATION);
  const joins = houseTable(database, JOIN);
  const keepings = houseTable(database, KEEPING);
  const picks = houseTable(database, PICK);
  const peatBags = houseTable(database, PEAT_BAG);
  return {
    keepings,
    picks,
    peatBags,
    broods,
    observations,
    joins,
    byIds: (at: Reading, ids: readonly string[]) =>
      broods.find(at, { id: { [Op.in]: [...ids] } }, { order: [['laidFrom', 'DESC']] }),
    byAttempts: (at: Reading, attemptIds: readonly string[]) => broods.find(at, { attemptId: { [Op.in]: [...attemptIds] } }),
    /** Past broods of some species whose hatch was seen, newest first, each with the tank it was laid in. */
    hatchesOf: (at: Reading, speciesKeys: readonly string[]) =>
      database.select<{
        speciesKey: string;
        tankId: string;
        laidFrom: Date;
        laidTo: Date;
        hatchedFrom: Date;
        hatchedTo: Date;
      }>(
        at,
        `SELECT b.species_key speciesKey, MIN(p.tank_id) tankId, b.laid_from laidFrom, b.laid_to laidTo, o.from_at hatchedFrom, o.to_at hatchedTo
         FROM broods b
         JOIN observations o ON o.house_id = b.house_id AND o.brood_id = b.id AND o.kind = 'hatched' AND o.live = 1
         JOIN lots l ON l.house_id = b.house_id AND l.brood_id = b.id AND l.live = 1
         JOIN placements p ON p.house_id = b.house_id AND p.lot_id = l.id AND p.live = 1 AND p.at <= b.laid_from
         WHERE b.house_id = :houseId AND b.live = 1 AND b.species_key IN (:speciesKeys)
         GROUP BY b.id, o.id ORDER BY o.to_at DESC LIMIT 200`,
        { speciesKeys: [...speciesKeys] },
      ),
    /** Past broods of some species whose hatch and swimming were both seen, newest first, each with the tank it was laid in. */
    swimsOf: (at: Reading, speciesKeys: readonly string[]) =>
      database.select<{
        speciesKey: string;
        tankId: string;
        hatchedFrom: Date;
        hatchedTo: Date;
        swimFrom: Date;
        swimTo: Date;
      }>(
        at,
        `SELECT b.species_key speciesKey, MIN(p.tank_id) tankId, h.from_at hatchedFrom, h.to_at hatchedTo, s.from_at swimFrom, s.to_at swimTo
         FROM broods b
         JOIN observations h ON h.house_id = b.house_id AND h.brood_id = b.id AND h.kind = 'hatched' AND h.live = 1
         JOIN observations s ON s.house_id = b.house_id AND s.brood_id = b.id AND s.kind = 'freeSwimming' AND s.live = 1
         JOIN lots l ON l.house_id = b.house_id AND l.brood_id = b.id AND l.live = 1
         JOIN placements p ON p.house_id = b.house_id AND p.lot_id = l.id AND p.live = 1 AND p.at <= b.laid_from
         WHERE b.house_id = :houseId AND b.live = 1 AND b.species_key IN (:speciesKeys)
         GROUP BY b.id, h.id, s.id ORDER BY s.to_at DESC LIMIT 200`,
        { speciesKeys: [...speciesKeys] },
      ),
    /** Every brood with the lots of its attempt's parents. */
    withParents: (at: Reading) =>
      database.select<{
        id: string;
        name: string;
        speciesKey: string;
        laidFrom: Date;
        lotId: string | null;
        role: 'sire' | 'dam' | null;
      }>(
        at,
        `SELECT b.id, b.name, b.species_key speciesKey, b.laid_from laidFrom, p.lot_id lotId, p.role
         FROM broods b LEFT JOIN attempt_parents p ON p.house_id = b.house_id AND p.attempt_id = b.attempt_id AND p.live = 1
         WHERE b.house_id = :houseId AND b.live = 1 ORDER BY b.laid_from, b.id`,
      ),
    /** Of each of these broods: eggs or young counted, white ones picked, alive at the hatch and at swimming. */
    countsOf: async (at: Reading, broodIds: readonly string[]) =>
      broodIds.length === 0
        ? []
        : database.select<{
            broodId: string;
            eggs: number | null;
            white: number | null;
            hatched: number | null;
            swimming: number | null;
          }>(
            at,
            `SELECT b.id broodId, SUM(IF(t.cause = 'birth', t.heads, 0)) eggs, SUM(IF(t.cause = 'infertile', -t.heads, 0)) white,
               SUM(IF(h.at IS NOT NULL AND t.from_at <= h.at, t.heads, 0)) hatched, SUM(IF(s.at IS NOT NULL AND t.from_at <= s.at, t.heads, 0)) swimming
             FROM broods b
             JOIN lots l ON l.house_id = b.house_id AND l.brood_id = b.id AND l.live = 1
             JOIN (
               SELECT m.to_lot_id lot_id, m.cause, m.from_at, m.males + m.females + m.unsexed heads FROM movements m
               JOIN entries e ON e.id = m.entry_id AND e.undone = FALSE
               WHERE m.house_id = :houseId AND m.live = 1 AND m.from_lot_id IS NULL AND m.cause <> 'undo'
               UNION ALL
               SELECT m.from_lot_id, m.cause, m.from_at, -(m.males + m.females + m.unsexed) FROM movements m
               JOIN entries e ON e.id = m.entry_id AND e.undone = FALSE
               WHERE m.house_id = :houseId AND m.live = 1 AND m.to_lot_id IS NULL AND m.cause <> 'undo'
             ) t ON t.lot_id = l.id
             LEFT JOIN (SELECT brood_id, MAX(to_at) at FROM observations WHERE house_id = :houseId AND live = 1 AND kind = 'hatched' GROUP BY brood_id) h ON h.brood_id = b.id
             LEFT JOIN (SELECT brood_id, MAX(to_at) at FROM observations WHERE house_id = :houseId AND live = 1 AND kind = 'freeSwimming' GROUP BY brood_id) s ON s.brood_id = b.id
             WHERE b.house_id = :houseId AND b.live = 1 AND b.id IN (:broodIds)
             GROUP BY b.id`,
            { broodIds: [...broodIds] },
          ),
    /** The attempts that spawned last, one of each species. */
    newestSpawned: async (at: Reading) => {
      const rows = await database.select<{ attemptId: string }>(
        at,
        `SELECT attemptId FROM (SELECT b.attempt_id attemptId, ROW_NUMBER() OVER (PARTITION BY b.species_key ORDER BY b.laid_from DESC, b.id) place
           FROM broods b WHERE b.house_id = :houseId AND b.live = 1 AND b.attempt_id IS NOT NULL) ranked WHERE place = 1`,
      );
      return rows.map(({ attemptId }) => attemptId);
    },
    /** Newest broods of a species, dead or alive. */
    ofSpecies: (at: Reading, speciesKey: string, limit: number) =>
      broods.find(at, { speciesKey }, { order: [['laidFrom', 'DESC']], limit }),
    /** What stands of the movements of some lots: nothing that was taken back, and not the taking back. */
    standingMovements: async (at: Reading, lotIds: readonly string[]) => {
      if (lotIds.length === 0) return [];
      const columns =
        'm.from_lot_id fromLotId, m.to_lot_id toLotId, m.males, m.females, m.unsexed, m.cause, m.from_at fromAt, m.to_at toAt, m.id movementId';
      const rows = await database.select<{
        fromLotId: string | null;
        toLotId: string | null;
        males: number;
        females: number;
        unsexed: number;
        cause: Cause;
        fromAt: Date;
        toAt: Date;
        movementId: string;
      }>(
        at,
        `SELECT ${columns} FROM movements m JOIN entries e ON e.id = m.entry_id AND e.undone = FALSE
           WHERE m.house_id = :houseId AND m.live = 1 AND m.cause <> 'undo' AND m.to_lot_id IN (:lotIds)
         UNION ALL
         SELECT ${columns} FROM movements m JOIN entries e ON e.id = m.entry_id AND e.undone = FALSE
           WHERE m.house_id = :houseId AND m.live = 1 AND m.cause <> 'undo' AND m.from_lot_id IN (:lotIds)
             AND (m.to_lot_id IS NULL OR m.to_lot_id NOT IN (:lotIds))
         ORDER BY fromAt, movementId`,
        { lotIds: [...lotIds] },
      );
      const iso = (date: Date) => new Date(date).toISOString();
      return rows.map(({ fromAt, toAt, movementId: _id, ...row }) => ({ ...row, at: { from: iso(fromAt), to: iso(toAt) } }));
    },
    observationsOf: (at: Reading, broodIds: readonly string[]) =>
      observations.find(at, { broodId: { [Op.in]: [...broodIds] } }, { order: [['toAt', 'ASC']] }),
  };
}
export type BroodsRepository = ReturnType<typeof createBroodsRepository>;
