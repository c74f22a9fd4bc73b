import { addSql, dropFromSql, type Migration } from './migration';

/** What grow-out writes down. */
export const growout: Migration = {
  name: '2026-11-26-14-growout',
  up: [addSql('house_hours', ['new_food_on INT NULL'])],
  down: [dropFromSql('house_hours', ['new_food_on'])],
};
