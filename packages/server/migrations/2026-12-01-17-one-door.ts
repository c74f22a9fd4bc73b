import { addSql, dropFromSql, dropSql, tableSql, type Migration } from './migration';

/**
 * Entries of a house are numbered in the order they were written, and are about any number of things. What stands was numbered by when
 * it was recorded; its tanks and its subject become the first of what it is about.
 */
export const oneDoor: Migration = {
  name: '2026-12-01-17-one-door',
  up: [
    addSql('entries', ['sequence BIGINT UNSIGNED NOT NULL DEFAULT 0', 'KEY entries_sequence (house_id, sequence)']),
    `UPDATE entries e JOIN (
       SELECT id, ROW_NUMBER() OVER (PARTITION BY house_id ORDER BY recorded_at, id) n FROM entries
     ) numbered ON numbered.id = e.id SET e.sequence = numbered.n`,
    `UPDATE houses h JOIN (SELECT house_id, MAX(sequence) n FROM entries GROUP BY house_id) last ON last.house_id = h.id
     SET h.revision = GREATEST(h.revision, last.n)`,
    tableSql(
      'entry_subjects',
      `house_id CHAR(36) CHARACTER SET ascii NOT NULL,
       subject_id CHAR(36) CHARACTER SET ascii NOT NULL,
       entry_id CHAR(36) CHARACTER SET ascii NOT NULL,
       to_at DATETIME(3) NOT NULL,
       PRIMARY KEY (house_id, subject_id, entry_id),
       KEY entry_subjects_page (house_id, subject_id, to_at, entry_id)`,
    ),
    `INSERT IGNORE INTO entry_subjects (house_id, subject_id, entry_id, to_at)
     SELECT house_id, tank_id, id, to_at FROM entries WHERE tank_id IS NOT NULL
     UNION SELECT house_id, other_tank_id, id, to_at FROM entries WHERE other_tank_id IS NOT NULL
     UNION SELECT house_id, subject_id, id, to_at FROM entries WHERE subject_id IS NOT NULL`,
    dropFromSql('entries', ['KEY entries_other_tank', 'KEY entries_tank', 'KEY entries_subject', 'other_tank_id']),
  ],
  down: [
    addSql('entries', [
      'other_tank_id CHAR(36) CHARACTER SET ascii NULL',
      'KEY entries_tank (house_id, tank_id, to_at)',
      'KEY entries_other_tank (house_id, other_tank_id, to_at)',
      'KEY entries_subject (house_id, subject_id, to_at)',
    ]),
    ...dropSql('entry_subjects'),
    dropFromSql('entries', ['KEY entries_sequence', 'sequence']),
  ],
};
