import { dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

export const spawning: Migration = {
  name: '2026-11-24-04-spawning-and-broods',
  up: [
    houseTableSql(
      'attempts',
      `species_key VARCHAR(40) NOT NULL, name VARCHAR(80) NOT NULL, tank_id ${ID} NOT NULL, from_day DATE NOT NULL, to_day DATE NULL, conditioning_from DATE NULL, set_up_on DATE NULL, trigger_on DATE NULL, recipe LONGTEXT NOT NULL, note TEXT NULL, KEY attempts_tank (house_id, tank_id, from_day)`,
    ),
    houseTableSql(
      'attempt_parents',
      `attempt_id ${ID} NOT NULL, lot_id ${ID} NOT NULL, role VARCHAR(4) NOT NULL, KEY attempt_parents_attempt (house_id, attempt_id)`,
    ),
    houseTableSql(
      'attempt_events',
      `attempt_id ${ID} NOT NULL, kind VARCHAR(12) NOT NULL, from_at DATETIME(3) NOT NULL, to_at DATETIME(3) NOT NULL, day DATE NULL, outcome VARCHAR(12) NULL, note TEXT NULL, KEY attempt_events_attempt (house_id, attempt_id)`,
    ),
    houseTableSql(
      'broods',
      `species_key VARCHAR(40) NOT NULL, name VARCHAR(80) NOT NULL, attempt_id ${ID} NULL, laid_from DATETIME(3) NOT NULL, laid_to DATETIME(3) NOT NULL, KEY broods_attempt (house_id, attempt_id)`,
    ),
    houseTableSql(
      'observations',
      `brood_id ${ID} NOT NULL, kind VARCHAR(16) NOT NULL, from_at DATETIME(3) NOT NULL, to_at DATETIME(3) NOT NULL, KEY observations_brood (house_id, brood_id)`,
    ),
  ],
  down: dropSql('observations', 'broods', 'attempt_events', 'attempt_parents', 'attempts'),
};
