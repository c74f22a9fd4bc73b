import { dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

export const larder: Migration = {
  name: '2026-11-24-05-larder-and-rounds',
  up: [
    houseTableSql(
      'cultures',
      `food VARCHAR(16) NOT NULL, name VARCHAR(80) NOT NULL, tank_id ${ID} NULL, started_at DATETIME(3) NOT NULL, ended BOOLEAN NOT NULL DEFAULT FALSE, KEY cultures_running (house_id, live, ended)`,
    ),
    houseTableSql(
      'culture_events',
      `culture_id ${ID} NOT NULL, kind VARCHAR(12) NOT NULL, at DATETIME(3) NOT NULL, KEY culture_events_culture (house_id, culture_id, at)`,
    ),
    houseTableSql(
      'outcomes',
      `chore_key VARCHAR(200) CHARACTER SET ascii NOT NULL, day DATE NOT NULL, status VARCHAR(8) NOT NULL, text VARCHAR(200) NOT NULL, tank_id ${ID} NULL, amount DOUBLE NULL, unit VARCHAR(20) NULL, by_name VARCHAR(80) NOT NULL, UNIQUE KEY outcomes_chore (house_id, chore_key, live), KEY outcomes_day (house_id, day)`,
    ),
  ],
  down: dropSql('outcomes', 'culture_events', 'cultures'),
};
