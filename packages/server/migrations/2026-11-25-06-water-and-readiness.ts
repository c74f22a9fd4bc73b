import { dropSql, houseTableSql, tableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

export const water: Migration = {
  name: '2026-11-25-06-water-and-readiness',
  up: [
    'ALTER TABLE racks ADD COLUMN IF NOT EXISTS tools VARCHAR(80) NULL, ADD COLUMN IF NOT EXISTS quarantine_days INT NULL',
    'ALTER TABLE readings ADD COLUMN IF NOT EXISTS method VARCHAR(8) CHARACTER SET ascii NULL, ADD COLUMN IF NOT EXISTS meter_id CHAR(36) CHARACTER SET ascii NULL',
    houseTableSql(
      'tank_moves',
      `tank_id ${ID} NOT NULL, from_shelf_id ${ID} NOT NULL, from_left_cm DOUBLE NOT NULL, from_facing VARCHAR(8) NOT NULL, shelf_id ${ID} NOT NULL, left_cm DOUBLE NOT NULL, facing VARCHAR(8) NOT NULL, at DATETIME(3) NOT NULL, KEY tank_moves_tank (house_id, tank_id, at)`,
    ),
    houseTableSql(
      'equipment',
      `tank_id ${ID} NOT NULL, heater_w DOUBLE NOT NULL, filter VARCHAR(80) NULL, has_lid BOOLEAN NOT NULL, has_intake_guard BOOLEAN NOT NULL, zero_days INT NOT NULL, rest_days INT NOT NULL, at DATETIME(3) NOT NULL, KEY equipment_tank (house_id, tank_id, at)`,
    ),
    houseTableSql(
      'tank_events',
      `tank_id ${ID} NOT NULL, kind VARCHAR(16) CHARACTER SET ascii NOT NULL, at DATETIME(3) NOT NULL, note TEXT NULL, KEY tank_events_tank (house_id, tank_id, at)`,
    ),
    houseTableSql(
      'waters',
      'name VARCHAR(80) NOT NULL, kind VARCHAR(8) CHARACTER SET ascii NOT NULL, UNIQUE KEY waters_name (house_id, name, live)',
    ),
    houseTableSql(
      'analyses',
      `water_id ${ID} NOT NULL, at DATETIME(3) NOT NULL, temp_c DOUBLE NULL, gh_deg DOUBLE NULL, kh_deg DOUBLE NULL, tds_ppm DOUBLE NULL, ph DOUBLE NULL, nitrate_ppm DOUBLE NULL, KEY analyses_water (house_id, water_id, at)`,
    ),
    houseTableSql(
      'changes',
      `tank_id ${ID} NOT NULL, litres DOUBLE NOT NULL, fraction DOUBLE NOT NULL, water_id ${ID} NULL, temp_c DOUBLE NULL, at DATETIME(3) NOT NULL, KEY changes_tank (house_id, live, tank_id, at)`,
    ),
    houseTableSql(
      'regimes',
      `tank_id ${ID} NOT NULL, change_fraction DOUBLE NOT NULL, every_days INT NULL, ceiling_ppm DOUBLE NULL, water_id ${ID} NULL, from_day DATE NOT NULL, at DATETIME(3) NOT NULL, KEY regimes_tank (house_id, tank_id, at)`,
    ),
    houseTableSql(
      'meters',
      'name VARCHAR(80) NOT NULL, quantity VARCHAR(12) CHARACTER SET ascii NOT NULL, method VARCHAR(8) CHARACTER SET ascii NOT NULL, every_days INT NULL, UNIQUE KEY meters_name (house_id, name, live)',
    ),
    houseTableSql(
      'calibrations',
      `meter_id ${ID} NOT NULL, at DATETIME(3) NOT NULL, KEY calibrations_meter (house_id, meter_id, at)`,
    ),
    houseTableSql(
      'illnesses',
      `tank_id ${ID} NOT NULL, at DATETIME(3) NOT NULL, what TEXT NOT NULL, KEY illnesses_tank (house_id, tank_id, at)`,
    ),
    houseTableSql(
      'contacts',
      `from_tank_id ${ID} NOT NULL, to_tank_id ${ID} NOT NULL, kind VARCHAR(8) CHARACTER SET ascii NOT NULL, at DATETIME(3) NOT NULL, KEY contacts_time (house_id, at)`,
    ),
    houseTableSql(
      'probes',
      `name VARCHAR(80) NOT NULL, tank_id ${ID} NOT NULL, UNIQUE KEY probes_name (house_id, name, live), KEY probes_tank (house_id, tank_id)`,
    ),
    // What probes send: no entry of the log each, recorded once by tank, quantity and time, small enough for years.
    tableSql(
      'samples',
      'house_id BINARY(16) NOT NULL, tank_id BINARY(16) NOT NULL, quantity TINYINT UNSIGNED NOT NULL, at_ms BIGINT NOT NULL, value DOUBLE NOT NULL, PRIMARY KEY (house_id, tank_id, quantity, at_ms)',
    ),
  ],
  down: [
    ...dropSql(
      'samples',
      'probes',
      'contacts',
      'illnesses',
      'calibrations',
      'meters',
      'regimes',
      'changes',
      'analyses',
      'waters',
      'tank_events',
      'equipment',
      'tank_moves',
    ),
    'ALTER TABLE readings DROP COLUMN IF EXISTS method, DROP COLUMN IF EXISTS meter_id',
    'ALTER TABLE racks DROP COLUMN IF EXISTS tools, DROP COLUMN IF EXISTS quarantine_days',
  ],
};
