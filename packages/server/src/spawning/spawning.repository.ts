import { Op } from 'sequelize';
import type { Recipe } from '@freshet/core/spawning';
import { houseTable, type Database, type HouseRow } from '../platform';

export interface AttemptRow extends HouseRow {
  speciesKey: string;
  name: string;
  tankId: string;
  fromDay: string;
  toDay: string | null;
  conditioningFrom: string | null;
  setUpOn: string | null;
  triggerOn: string | null;
  recipe: Recipe;
  note: string | null;
}
export interface ParentRow extends HouseRow {
  attemptId: string;
  lotId: string;
  role: 'sire' | 'dam';
}
export interface AttemptEventRow extends HouseRow {
  attemptId: string;
  kind: 'triggered' | 'ended';
  fromAt: string;
  toAt: string;
  day: string | null;
  outcome: string | null;
  note: string | null;
}

export function createSpawningRepository(database: Database) {
  const attempts = houseTable<AttemptRow>(database, 'attempts', {
    speciesKey: 'text',
    name: 'text',
    tankId: 'id',
    fromDay: 'day',
    toDay: 'day',
    conditioningFrom: 'day',
    setUpOn: 'day',
    triggerOn: 'day',
    recipe: 'json',
    note: 'text',
  });
  const parents = houseTable<ParentRow>(database, 'attempt_parents', { attemptId: 'id', lotId: 'id', role: 'text' });
  const events = houseTable<AttemptEventRow>(database, 'attempt_events', {
    attemptId: 'id',
    kind: 'text',
    fromAt: 'instant',
    toAt: 'instant',
    day: 'day',
    outcome: 'text',
    note: 'text',
  });
  const ended = (houseId: string) =>
    database.sequelize.literal(
      `NOT EXISTS (SELECT 1 FROM attempt_events e WHERE e.house_id = ${database.sequelize.escape(houseId)} AND e.attempt_id = attempts.id AND e.kind = 'ended' AND e.live = 1)`,
    );
  return {
    attempts,
    parents,
    events,
    /** Attempts not ended, and those asked for by id. */
    openOr: (houseId: string, ids: readonly string[]) =>
      attempts.find(houseId, { [Op.or]: [ended(houseId), { id: { [Op.in]: [...ids] } }] }),
    parentsOf: (houseId: string, attemptIds: readonly string[]) =>
      parents.find(houseId, { attemptId: { [Op.in]: [...attemptIds] } }),
    eventsOf: (houseId: string, attemptIds: readonly string[]) =>
      events.find(houseId, { attemptId: { [Op.in]: [...attemptIds] } }, { order: [['toAt', 'ASC']] }),
  };
}
