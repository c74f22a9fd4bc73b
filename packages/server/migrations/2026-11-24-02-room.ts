import { dropSql, houseTableSql, type Migration } from './migration';

export const room: Migration = {
  name: '2026-11-24-02-room',
  up: [
    houseTableSql(
      'racks',
      'code VARCHAR(8) NOT NULL, name VARCHAR(80) NOT NULL, kind VARCHAR(8) NOT NULL, position INT NOT NULL, quarantine BOOLEAN NOT NULL, sump VARCHAR(80) NULL, UNIQUE KEY racks_code (house_id, code, live)',
    ),
    houseTableSql(
      'shelves',
      'rack_id CHAR(36) CHARACTER SET ascii NOT NULL, level INT NOT NULL, length_cm DOUBLE NOT NULL, depth_cm DOUBLE NOT NULL, height_cm DOUBLE NOT NULL, load_limit_kg DOUBLE NULL, KEY shelves_rack (house_id, rack_id)',
    ),
    houseTableSql(
      'tanks',
      'shelf_id CHAR(36) CHARACTER SET ascii NOT NULL, code VARCHAR(8) NOT NULL, length_cm DOUBLE NOT NULL, width_cm DOUBLE NOT NULL, height_cm DOUBLE NOT NULL, water_height_cm DOUBLE NOT NULL, glass_mm DOUBLE NOT NULL, substrate_kg DOUBLE NOT NULL, facing VARCHAR(8) NOT NULL, left_cm DOUBLE NOT NULL, litres DOUBLE NOT NULL, total_kg DOUBLE NOT NULL, kg_per_m2 DOUBLE NOT NULL, UNIQUE KEY tanks_code (house_id, code, live), KEY tanks_shelf (house_id, shelf_id)',
    ),
    houseTableSql(
      'readings',
      'tank_id CHAR(36) CHARACTER SET ascii NOT NULL, quantity VARCHAR(12) CHARACTER SET ascii NOT NULL, value DOUBLE NOT NULL, at DATETIME(3) NOT NULL, KEY readings_series (house_id, quantity, live, tank_id, at, value)',
    ),
  ],
  down: dropSql('readings', 'tanks', 'shelves', 'racks'),
};
