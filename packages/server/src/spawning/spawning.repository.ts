import { Op } from 'sequelize';
import type { Recipe } from '@freshet/core/spawning';
import {
  flag,
  houseTable,
  type Database,
  declareTable,
  type RowOf,
  text,
  id,
  day,
  nullable,
  json,
  instant,
  type Reading,
} from '../platform';

const ATTEMPT = declareTable('attempts', {
  speciesKey: text(),
  name: text(),
  tankId: id(),
  fromDay: day(),
  toDay: nullable(day()),
  conditioningFrom: nullable(day()),
  setUpOn: nullable(day()),
  triggerOn: nullable(day()),
  recipe: json<Recipe>(),
  note: nullable(text()),
  /** Ended: left out of what goes on. */
  closed: flag(),
});
export type AttemptRow = RowOf<typeof ATTEMPT>;
const PARENT = declareTable('attempt_parents', {
  attemptId: id(),
  lotId: id(),
  role: text<'sire' | 'dam'>(),
});
export type ParentRow = RowOf<typeof PARENT>;
const ATTEMPT_EVENT = declareTable('attempt_events', {
  attemptId: id(),
  kind: text<'triggered' | 'ended'>(),
  fromAt: instant(),
  toAt: instant(),
  day: nullable(day()),
  outcome: nullable(text()),
  note: nullable(text()),
});
export type AttemptEventRow = RowOf<typeof ATTEMPT_EVENT>;

export function createSpawningRepository(database: Database) {
  const attempts = houseTable(database, ATTEMPT);
  const parents = houseTable(database, PARENT);
  const events = houseTable(database, ATTEMPT_EVENT);
  return {
    attempts,
    parents,
    events,
    /** Attempts not ended, and those asked for by id. */
    openOr: (at: Reading, ids: readonly string[]) =>
      attempts.find(at, { [Op.or]: [{ closed: false }, { id: { [Op.in]: [...ids] } }] }),
    /** A page of attempts, newest first. @param before - the last of the page before */
    page: (at: Reading, speciesKey: string | undefined, before: AttemptRow | null, limit: number) =>
      attempts.find(
        at,
        {
          [Op.and]: [
            speciesKey ? { speciesKey } : {},
            before
              ? { [Op.or]: [{ fromDay: { [Op.lt]: before.fromDay } }, { fromDay: before.fromDay, id: { [Op.lt]: before.id } }] }
              : {},
          ],
        },
        {
          order: [
            ['fromDay', 'DESC'],
            ['id', 'DESC'],
          ],
          limit,
        },
      ),
    parentsOf: (at: Reading, attemptIds: readonly string[]) => parents.find(at, { attemptId: { [Op.in]: [...attemptIds] } }),
    eventsOf: (at: Reading, attemptIds: readonly string[]) =>
      events.find(at, { attemptId: { [Op.in]: [...attemptIds] } }, { order: [['toAt', 'ASC']] }),
  };
}
