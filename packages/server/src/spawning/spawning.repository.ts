import { Op } from 'sequelize';
import type { Recipe } from '@freshet/core/spawning';
import type { Method } from '@freshet/core/species';
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
  whole,
  type Reading,
} from '../platform';

/** What was done for a trigger, in figures. */
export interface TriggerDetails {
  change: { litres: number; waterId: string | null; tempC: number | null } | null;
  stepC: number | null;
  pressure: 'falling' | 'steady' | 'rising' | null;
}
/** Days an attempt was moved to. */
export interface DatedDetails {
  conditioningFrom: string | null;
  from: string;
  setUpOn: string | null;
  triggerOn: string | null;
  to: string | null;
}

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
  recipeRef: nullable(text()),
  tags: nullable(json<string[]>()),
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
  kind: text<'triggered' | 'ended' | 'settling' | 'dated'>(),
  fromAt: instant(),
  toAt: instant(),
  day: nullable(day()),
  outcome: nullable(text()),
  note: nullable(text()),
  /** In figures: what was changed for a trigger, to which days an attempt was moved. */
  details: nullable(json<TriggerDetails | DatedDetails>()),
});
export type AttemptEventRow = RowOf<typeof ATTEMPT_EVENT>;

const RECIPE = declareTable('recipes', {
  recipeId: id(),
  version: whole(),
  speciesKey: nullable(text()),
  method: text<Method>(),
  name: text(),
  basedOn: nullable(text()),
  recipe: json<Recipe>(),
  note: nullable(text()),
  at: instant(),
});

/** An attempt with its parents, its days as they were last moved, and what became of it. */
export interface AttemptFacts extends AttemptRow {
  from: string;
  to: string | null;
  events: AttemptEventRow[];
  parents: ParentRow[];
  triggered: AttemptEventRow | null;
  ended: AttemptEventRow | null;
}

export function createSpawningRepository(database: Database) {
  const attempts = houseTable(database, ATTEMPT);
  const parents = houseTable(database, PARENT);
  const events = houseTable(database, ATTEMPT_EVENT);
  const recipes = houseTable(database, RECIPE);
  return {
    attempts,
    parents,
    events,
    recipes,
    byIds: (at: Reading, ids: readonly string[]) =>
      attempts.find(
        at,
        { id: { [Op.in]: [...ids] } },
        {
          order: [
            ['fromDay', 'DESC'],
            ['id', 'DESC'],
          ],
        },
      ),
    /** All attempts, of one species or of every, newest first. */
    all: (at: Reading, speciesKey: string | undefined, limit: number) =>
      attempts.find(at, speciesKey ? { speciesKey } : {}, {
        order: [
          ['fromDay', 'DESC'],
          ['id', 'DESC'],
        ],
        limit,
      }),
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
export type SpawningRepository = ReturnType<typeof createSpawningRepository>;
