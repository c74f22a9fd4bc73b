import { addSql, dropFromSql, dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

/** Plans of places, young sorted by size and looked at for faults, ponds drained. */
export const growout: Migration = {
  name: '2026-11-26-14-growout',
  up: [
    addSql('house_hours', ['new_food_on INT NULL']),
    houseTableSql(
      'place_plans',
      ['moves LONGTEXT NOT NULL', 'at DATETIME(3) NOT NULL', 'KEY place_plans_at (house_id, live, at)'].join(', '),
    ),
    houseTableSql(
      'sortings',
      [
        `lot_id ${ID} NOT NULL`,
        `brood_id ${ID} NULL`,
        'species_key VARCHAR(60) NOT NULL',
        `tank_id ${ID} NULL`,
        'booked INT NOT NULL',
        'missing INT NOT NULL',
        'classes LONGTEXT NOT NULL',
        'drained LONGTEXT NULL',
        'at DATETIME(3) NOT NULL',
        'KEY sortings_species (house_id, live, species_key, at)',
      ].join(', '),
    ),
    houseTableSql(
      'selections',
      [
        `lot_id ${ID} NOT NULL`,
        `brood_id ${ID} NULL`,
        'species_key VARCHAR(60) NOT NULL',
        'seen INT NOT NULL',
        'faults LONGTEXT NOT NULL',
        'decisions LONGTEXT NOT NULL',
        'note VARCHAR(200) NULL',
        'at DATETIME(3) NOT NULL',
        'KEY selections_species (house_id, live, species_key, at)',
        'KEY selections_brood (house_id, live, brood_id, at)',
      ].join(', '),
    ),
  ],
  down: [...dropSql('place_plans', 'sortings', 'selections'), dropFromSql('house_hours', ['new_food_on'])],
};
