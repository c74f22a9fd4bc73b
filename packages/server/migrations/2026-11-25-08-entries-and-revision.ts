import { addSql, dropFromSql, type Migration } from './migration';

/** Entries tell their parts and what was asked for; a house counts its entries; photographs are bytes; ended attempts say so. */
export const entriesAndRevision: Migration = {
  name: '2026-11-25-08-entries-and-revision',
  up: [
    // A demonstration is filled in many writes: one that was interrupted says so, and is filled anew.
    addSql('houses', ['revision BIGINT UNSIGNED NOT NULL DEFAULT 0', 'filled BOOLEAN NOT NULL DEFAULT TRUE']),
    addSql('entries', [
      'parts LONGTEXT NULL',
      'fingerprint CHAR(64) CHARACTER SET ascii NULL',
      'KEY entries_page (house_id, live, to_at, id)',
    ]),
    `UPDATE entries SET kind = 'observation' WHERE kind IN ('eggsSeen', 'hatched', 'freeSwimming')`,
    addSql('attempts', [
      'closed BOOLEAN NOT NULL DEFAULT FALSE',
      'KEY attempts_open (house_id, live, closed)',
      'KEY attempts_page (house_id, live, from_day, id)',
    ]),
    `UPDATE attempts a SET closed = TRUE WHERE EXISTS (
       SELECT 1 FROM attempt_events e WHERE e.house_id = a.house_id AND e.attempt_id = a.id AND e.kind = 'ended' AND e.live = 1)`,
    addSql('photos', ['image MEDIUMBLOB NULL']),
    `UPDATE photos SET image = FROM_BASE64(SUBSTRING_INDEX(data, ',', -1)) WHERE image IS NULL`,
    dropFromSql('photos', ['data']),
    addSql('placements', ['KEY placements_time (house_id, at)', 'KEY placements_tank (house_id, tank_id, at)']),
    addSql('movements', ['KEY movements_time (house_id, from_at)', 'KEY movements_entry_kind (house_id, entry_id)']),
    addSql('regimes', ['KEY regimes_newest (house_id, tank_id, live, at)']),
    addSql('changes', ['KEY changes_newest (house_id, tank_id, live, at)', 'KEY changes_time (house_id, live, at)']),
    addSql('readings', ['KEY readings_time (house_id, quantity, live, at)']),
    // What stands for a species on a small tank is its initials; a mark is what tells animals apart.
    `UPDATE species_profiles SET profile = JSON_REMOVE(JSON_SET(profile, '$.initials', JSON_VALUE(profile, '$.mark')), '$.mark')
     WHERE JSON_EXISTS(profile, '$.mark')`,
  ],
  down: [
    `UPDATE species_profiles SET profile = JSON_REMOVE(JSON_SET(profile, '$.mark', JSON_VALUE(profile, '$.initials')), '$.initials')
     WHERE JSON_EXISTS(profile, '$.initials')`,
    dropFromSql('readings', ['KEY readings_time']),
    dropFromSql('changes', ['KEY changes_newest', 'KEY changes_time']),
    dropFromSql('regimes', ['KEY regimes_newest']),
    dropFromSql('movements', ['KEY movements_time', 'KEY movements_entry_kind']),
    dropFromSql('placements', ['KEY placements_time', 'KEY placements_tank']),
    addSql('photos', ['data MEDIUMTEXT NULL']),
    `UPDATE photos SET data = CONCAT('data:image/jpeg;base64,', REPLACE(TO_BASE64(image), '\n', ''))`,
    dropFromSql('photos', ['image']),
    dropFromSql('attempts', ['KEY attempts_open', 'KEY attempts_page', 'closed']),
    dropFromSql('entries', ['KEY entries_page', 'parts', 'fingerprint']),
    dropFromSql('houses', ['filled', 'revision']),
  ],
};
