import { addSql, dropFromSql, dropSql, houseTableSql, type Migration } from './migration';

/** What a keeper knows of an own tank or species: cooled at night on purpose, algae to graze, marks of sex, lengths, and which attempt a brood is of. */
export const keepersOwn: Migration = {
  name: '2026-11-26-11-keepers-own',
  up: [
    addSql('equipment', ['night_drop_c DOUBLE NOT NULL DEFAULT 0', 'grows_algae TINYINT NOT NULL DEFAULT 0']),
    houseTableSql(
      'own_marks',
      [
        'species_key VARCHAR(40) NOT NULL',
        'name VARCHAR(80) NOT NULL',
        'look TEXT NOT NULL',
        'from_mm DOUBLE NOT NULL',
        'p_if_male DOUBLE NOT NULL',
        'p_if_female DOUBLE NOT NULL',
        'at DATETIME(3) NOT NULL',
        'KEY own_marks_species (house_id, live, species_key)',
      ].join(', '),
    ),
    houseTableSql(
      'head_counts',
      [
        'lot_id CHAR(36) CHARACTER SET ascii NOT NULL',
        'counted INT NOT NULL',
        'low INT NOT NULL',
        'high INT NOT NULL',
        'how VARCHAR(16) NOT NULL',
        'at DATETIME(3) NOT NULL',
        'KEY head_counts_lot (house_id, live, lot_id, at)',
      ].join(', '),
    ),
    houseTableSql(
      'brood_joins',
      [
        'brood_id CHAR(36) CHARACTER SET ascii NOT NULL',
        'attempt_id CHAR(36) CHARACTER SET ascii NULL',
        'from_attempt_id CHAR(36) CHARACTER SET ascii NULL',
        'at DATETIME(3) NOT NULL',
        'KEY brood_joins_brood (house_id, live, brood_id, at)',
      ].join(', '),
    ),
    houseTableSql(
      'size_samples',
      [
        'lot_id CHAR(36) CHARACTER SET ascii NOT NULL',
        'lengths LONGTEXT NOT NULL',
        'method VARCHAR(16) NOT NULL',
        'at DATETIME(3) NOT NULL',
        'KEY size_samples_lot (house_id, live, lot_id, at)',
      ].join(', '),
    ),
  ],
  down: [
    ...dropSql('head_counts', 'brood_joins', 'size_samples', 'own_marks'),
    dropFromSql('equipment', ['night_drop_c', 'grows_algae']),
  ],
};
