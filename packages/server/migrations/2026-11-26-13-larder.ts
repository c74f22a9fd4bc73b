import { addSql, dropFromSql, dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

/** Cultures followed closely, plans of starts, measures, meals, the shelf and pests. */
export const livingLarder: Migration = {
  name: '2026-11-26-13-larder',
  up: [
    addSql('cultures', [
      `kind_id ${ID} NULL`,
      'vessel_l DOUBLE NULL',
      'place VARCHAR(60) NULL',
      'temp_c DOUBLE NULL',
      `from_id ${ID} NULL`,
      'hatch LONGTEXT NULL',
      'KEY cultures_from (house_id, from_id)',
    ]),
    addSql('house_hours', ['fast_on INT NULL']),
    addSql('culture_events', ['details LONGTEXT NULL']),
    houseTableSql(
      'culture_kinds',
      ['name VARCHAR(80) NOT NULL', 'stands_for VARCHAR(16) NOT NULL', 'figures LONGTEXT NOT NULL'].join(', '),
    ),
    houseTableSql(
      'culture_plans',
      [
        'class_key VARCHAR(16) NOT NULL',
        'starts LONGTEXT NOT NULL',
        'at DATETIME(3) NOT NULL',
        'KEY culture_plans_class (house_id, live, class_key, at)',
      ].join(', '),
    ),
    houseTableSql(
      'dose_measures',
      [
        'dose VARCHAR(12) NOT NULL',
        'food VARCHAR(16) NULL',
        'amount DOUBLE NOT NULL',
        'of_many INT NOT NULL',
        'at DATETIME(3) NOT NULL',
        'KEY dose_measures_at (house_id, live, at)',
      ].join(', '),
    ),
    houseTableSql(
      'meal_looks',
      [
        `tank_id ${ID} NOT NULL`,
        'sight VARCHAR(8) NOT NULL',
        'at DATETIME(3) NOT NULL',
        'KEY meal_looks_at (house_id, live, at)',
      ].join(', '),
    ),
    houseTableSql(
      'shelf_items',
      [
        'kind VARCHAR(12) NOT NULL',
        'name VARCHAR(80) NOT NULL',
        'food VARCHAR(16) NULL',
        'opened_on DATE NULL',
        'good_until DATE NULL',
        'amount DOUBLE NOT NULL',
        'price_cents INT NULL',
        'at DATETIME(3) NOT NULL',
        'finished BOOLEAN NOT NULL DEFAULT FALSE',
        'KEY shelf_items_live (house_id, live, finished)',
      ].join(', '),
    ),
    houseTableSql(
      'shelf_events',
      [
        `item_id ${ID} NOT NULL`,
        'kind VARCHAR(10) NOT NULL',
        'amount DOUBLE NULL',
        'at DATETIME(3) NOT NULL',
        'KEY shelf_events_item (house_id, live, item_id, at)',
      ].join(', '),
    ),
    houseTableSql(
      'pests',
      [
        'pest VARCHAR(16) NOT NULL',
        `tank_id ${ID} NULL`,
        `culture_id ${ID} NULL`,
        'came_by VARCHAR(120) NULL',
        'at DATETIME(3) NOT NULL',
        'KEY pests_at (house_id, live, at)',
      ].join(', '),
    ),
    houseTableSql(
      'pest_events',
      [
        `sighting_id ${ID} NOT NULL`,
        'kind VARCHAR(8) NOT NULL',
        'treatment VARCHAR(20) NULL',
        'half BOOLEAN NOT NULL DEFAULT FALSE',
        'at DATETIME(3) NOT NULL',
        'KEY pest_events_sighting (house_id, live, sighting_id, at)',
      ].join(', '),
    ),
  ],
  down: [
    ...dropSql(
      'pest_events',
      'pests',
      'shelf_events',
      'shelf_items',
      'meal_looks',
      'dose_measures',
      'culture_plans',
      'culture_kinds',
    ),
    dropFromSql('house_hours', ['fast_on']),
    dropFromSql('culture_events', ['details']),
    dropFromSql('cultures', ['KEY cultures_from', 'kind_id', 'vessel_l', 'place', 'temp_c', 'from_id', 'hatch']),
  ],
};
