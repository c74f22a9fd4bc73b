import type { Migration } from './migration';

/** The walk a house has time on for water changes and other long work; houses that set their hours before keep doing it as they come by. */
export const longWalk: Migration = {
  name: '2026-12-01-19-long-walk',
  up: ['ALTER TABLE house_hours ADD COLUMN IF NOT EXISTS long_walk TINYINT NULL'],
  down: ['ALTER TABLE house_hours DROP COLUMN IF EXISTS long_walk'],
};
