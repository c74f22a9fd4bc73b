import { Op } from 'sequelize';
import type { LoggedOutcome } from '@freshet/core/agenda';
import { day, declareTable, houseTable, id, nullable, real, text, type Database, type Reading, type RowOf } from '../platform';

const OUTCOME = declareTable('outcomes', {
  choreKey: text(),
  day: day(),
  status: text<'done' | 'skipped'>(),
  text: text(),
  tankId: nullable(id()),
  amount: nullable(real()),
  unit: nullable(text()),
  byName: text(),
});
type OutcomeRow = RowOf<typeof OUTCOME>;

export function createRoundsRepository(database: Database) {
  const outcomes = houseTable(database, OUTCOME);
  return {
    outcomes,
    /** What was ticked on a day and later, as a house's facts tell it. */
    since: async (at: Reading, from: string): Promise<LoggedOutcome[]> =>
      (await outcomes.find(at, { day: { [Op.gte]: from } })).map(
        ({ entryId, choreKey, day: on, status, amount, unit, text: words, tankId, byName }) => ({
          entryId,
          choreKey,
          day: on,
          status,
          amount,
          unit,
          text: words,
          tankId,
          by: byName,
        }),
      ),
    ofChore: async (at: Reading, choreKey: string): Promise<OutcomeRow | null> =>
      (await outcomes.find(at, { choreKey }, { limit: 1 }))[0] ?? null,
  };
}
export type RoundsRepository = ReturnType<typeof createRoundsRepository>;
