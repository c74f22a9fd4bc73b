import { Op } from 'sequelize';
import type { Decision, Fault } from '@freshet/core/growout';
import { declareTable, houseTable, id, instant, json, nullable, text, whole, type Database, type Reading } from '../platform';

/** A move of a plan as it was taken. */
export interface MoveRow {
  moveId: string;
  lotId: string;
  broodId: string | null;
  toTankId: string;
  heads: number;
  on: string;
}
const PLACE_PLAN = declareTable('place_plans', { moves: json<MoveRow[]>(), at: instant() });

/** How a tank was drained. */
export interface DrainedRow {
  fromC: number | null;
  toC: number | null;
  minutes: number | null;
  hoseChecked: boolean;
  byCatch: string | null;
  refilled: boolean;
  nextOn: string | null;
}
const SORTING = declareTable('sortings', {
  lotId: id(),
  broodId: nullable(id()),
  speciesKey: text(),
  tankId: nullable(id()),
  booked: whole(),
  missing: whole(),
  /** With the lot each class became; those sorted long ago lack it. */
  classes: json<{ name: string; heads: number; lengthMm: number | null; lotId?: string }[]>(),
  drained: nullable(json<DrainedRow>()),
  at: instant(),
});
const SELECTION = declareTable('selections', {
  lotId: id(),
  broodId: nullable(id()),
  speciesKey: text(),
  seen: whole(),
  faults: json<Record<Fault, number>>(),
  decisions: json<Record<Decision, number>>(),
  note: nullable(text()),
  at: instant(),
});

/** What came and went of a species. */
export interface Passed {
  cause: string;
  heads: number;
}

export function createGrowoutRepository(database: Database) {
  const plans = houseTable(database, PLACE_PLAN);
  const sortings = houseTable(database, SORTING);
  return {
    plans,
    sortings,
    selections: houseTable(database, SELECTION),
    newestPlan: async (at: Reading) =>
      (
        await plans.find(
          at,
          {},
          {
            order: [
              ['at', 'DESC'],
              ['id', 'DESC'],
            ],
            limit: 1,
          },
        )
      )[0] ?? null,
    /** Sortings of broods, the oldest first. */
    sortingsOf: (at: Reading, broodIds: readonly string[]) =>
      broodIds.length === 0
        ? Promise.resolve([])
        : sortings.find(
            at,
            { broodId: { [Op.in]: [...broodIds] } },
            {
              order: [
                ['at', 'ASC'],
                ['id', 'ASC'],
              ],
            },
          ),
    /** Heads of a species that came from outside or went there, by cause; what was taken back is left out. */
    passedSince: async (at: Reading, speciesKey: string, since: string): Promise<Passed[]> =>
      (
        await database.select<{ cause: string; heads: string }>(
          at,
          `SELECT m.cause, SUM(m.males + m.females + m.unsexed) AS heads FROM movements m
             JOIN entries e ON e.house_id = m.house_id AND e.id = m.entry_id AND e.undone = 0
             JOIN lots l ON l.house_id = m.house_id AND l.id = COALESCE(m.from_lot_id, m.to_lot_id)
            WHERE m.house_id = :houseId AND m.live = 1 AND m.cause <> 'undo' AND m.from_at >= :since AND l.species_key = :speciesKey
              AND (m.from_lot_id IS NULL OR m.to_lot_id IS NULL)
            GROUP BY m.cause`,
          { speciesKey, since: new Date(since) },
        )
      ).map(({ cause, heads }) => ({ cause, heads: Number(heads) })),
  };
}
export type GrowoutRepository = ReturnType<typeof createGrowoutRepository>;
