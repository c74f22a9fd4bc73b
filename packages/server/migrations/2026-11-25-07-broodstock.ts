import { dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';
const DETAILS = 'name VARCHAR(80) NULL, grade VARCHAR(20) NULL, marks TEXT NULL, permit TEXT NULL, born_on DATE NULL';

export const broodstock: Migration = {
  name: '2026-11-25-07-broodstock',
  up: [
    `ALTER TABLE lots ${DETAILS.split(', ')
      .map((column) => `ADD COLUMN IF NOT EXISTS ${column}`)
      .join(
        ', ',
      )}, ADD COLUMN IF NOT EXISTS is_proven BOOLEAN NOT NULL DEFAULT 0, ADD COLUMN IF NOT EXISTS is_retired BOOLEAN NOT NULL DEFAULT 0, ADD KEY IF NOT EXISTS lots_species (house_id, species_key)`,
    'ALTER TABLE equipment ADD COLUMN IF NOT EXISTS shelters INT NULL',
    houseTableSql(
      'lot_details',
      `lot_id ${ID} NOT NULL, line VARCHAR(80) NULL, generation VARCHAR(10) NULL, ${DETAILS}, is_proven BOOLEAN NOT NULL, is_retired BOOLEAN NOT NULL, at DATETIME(3) NOT NULL, KEY lot_details_lot (house_id, lot_id, at)`,
    ),
    houseTableSql(
      'parent_sets',
      `subject_id ${ID} NOT NULL, sires TEXT NOT NULL, dams TEXT NOT NULL, at DATETIME(3) NOT NULL, KEY parent_sets_subject (house_id, subject_id, at)`,
    ),
    houseTableSql(
      'assessments',
      `lot_id ${ID} NOT NULL, species_key VARCHAR(40) NOT NULL, length_mm DOUBLE NULL, answers TEXT NOT NULL, p_male DOUBLE NOT NULL, at DATETIME(3) NOT NULL, KEY assessments_lot (house_id, lot_id, at), KEY assessments_species (house_id, species_key)`,
    ),
    houseTableSql(
      'conditions',
      `lot_id ${ID} NOT NULL, score INT NOT NULL, signs TEXT NOT NULL, length_mm DOUBLE NULL, weight_g DOUBLE NULL, note TEXT NULL, at DATETIME(3) NOT NULL, KEY conditions_lot (house_id, lot_id, at)`,
    ),
    houseTableSql(
      'programmes',
      `lot_id ${ID} NOT NULL, from_day DATE NOT NULL, to_day DATE NOT NULL, foods VARCHAR(200) NOT NULL, meals_per_day INT NOT NULL, separated VARCHAR(8) CHARACTER SET ascii NOT NULL, water TEXT NULL, KEY programmes_lot (house_id, lot_id), KEY programmes_to (house_id, to_day)`,
    ),
    houseTableSql(
      'programme_ends',
      `programme_id ${ID} NOT NULL, at DATETIME(3) NOT NULL, UNIQUE KEY programme_ends_once (house_id, programme_id, live)`,
    ),
    houseTableSql(
      'genes',
      'species_key VARCHAR(40) NOT NULL, locus VARCHAR(80) NOT NULL, inheritance VARCHAR(10) CHARACTER SET ascii NOT NULL, dominance VARCHAR(10) CHARACTER SET ascii NOT NULL, alleles TEXT NOT NULL, delicate TEXT NULL, at DATETIME(3) NOT NULL, KEY genes_species (house_id, species_key, at)',
    ),
    houseTableSql(
      'genotypes',
      `lot_id ${ID} NOT NULL, locus VARCHAR(80) NOT NULL, genotype VARCHAR(30) NOT NULL, at DATETIME(3) NOT NULL, KEY genotypes_lot (house_id, lot_id, at)`,
    ),
    houseTableSql(
      'gradings',
      `lot_id ${ID} NOT NULL, criteria TEXT NOT NULL, animals MEDIUMTEXT NOT NULL, kept INT NOT NULL, at DATETIME(3) NOT NULL, KEY gradings_lot (house_id, lot_id)`,
    ),
    houseTableSql(
      'throwbacks',
      `lot_id ${ID} NOT NULL, what VARCHAR(80) NOT NULL, seen INT NOT NULL, of_count INT NOT NULL, at DATETIME(3) NOT NULL, KEY throwbacks_lot (house_id, lot_id)`,
    ),
    houseTableSql(
      'photos',
      `lot_id ${ID} NOT NULL, data MEDIUMTEXT NOT NULL, at DATETIME(3) NOT NULL, KEY photos_lot (house_id, lot_id)`,
    ),
  ],
  down: [
    ...dropSql(
      'photos',
      'throwbacks',
      'gradings',
      'genotypes',
      'genes',
      'programme_ends',
      'programmes',
      'conditions',
      'assessments',
      'parent_sets',
      'lot_details',
    ),
    'ALTER TABLE equipment DROP COLUMN IF EXISTS shelters',
    'ALTER TABLE lots DROP KEY IF EXISTS lots_species, DROP COLUMN IF EXISTS name, DROP COLUMN IF EXISTS grade, DROP COLUMN IF EXISTS marks, DROP COLUMN IF EXISTS permit, DROP COLUMN IF EXISTS born_on, DROP COLUMN IF EXISTS is_proven, DROP COLUMN IF EXISTS is_retired',
  ],
};
