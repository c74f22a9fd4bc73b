import { addSql, dropFromSql, dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

/** Walks, lamps and place of a house; recipes in versions; what was done and seen at an attempt, in figures. */
export const hoursAndRecipes: Migration = {
  name: '2026-11-26-10-hours-and-recipes',
  up: [
    houseTableSql(
      'house_hours',
      [
        'walks LONGTEXT NOT NULL',
        'lamp_on CHAR(5) NULL',
        'lamp_off CHAR(5) NULL',
        'latitude DOUBLE NULL',
        'longitude DOUBLE NULL',
        'at DATETIME(3) NOT NULL',
        'KEY house_hours_newest (house_id, live, at)',
      ].join(', '),
    ),
    houseTableSql(
      'recipes',
      [
        `recipe_id ${ID} NOT NULL`,
        'version INT NOT NULL',
        'species_key VARCHAR(40) NULL',
        'method VARCHAR(32) NOT NULL',
        'name VARCHAR(80) NOT NULL',
        'based_on VARCHAR(80) NULL',
        'recipe LONGTEXT NOT NULL',
        'note TEXT NULL',
        'at DATETIME(3) NOT NULL',
        'UNIQUE KEY recipes_version (house_id, recipe_id, version, live)',
      ].join(', '),
    ),
    addSql('attempts', ['recipe_ref VARCHAR(80) NULL', 'tags LONGTEXT NULL']),
    addSql('attempt_events', ['details LONGTEXT NULL']),
  ],
  down: [
    dropFromSql('attempt_events', ['details']),
    dropFromSql('attempts', ['recipe_ref', 'tags']),
    ...dropSql('recipes', 'house_hours'),
  ],
};
