import { addSql, dropFromSql, type Migration } from './migration';

/** What stands in a tank, and the heat it was measured to lose. */
export const furnishing: Migration = {
  name: '2026-11-26-16-furnishing',
  up: [addSql('equipment', ['furnishing VARCHAR(12) NULL', 'loss_w_per_k DOUBLE NULL'])],
  down: [dropFromSql('equipment', ['furnishing', 'loss_w_per_k'])],
};
