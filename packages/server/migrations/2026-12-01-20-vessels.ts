import { addSql, dropFromSql, dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

/** Vessels stand among the tanks: what is known of a tank's contents, readings and care is known of a vessel's in the same way. */
export const vessels: Migration = {
  name: '2026-12-01-20-vessels',
  up: [
    `ALTER TABLE tanks MODIFY COLUMN shelf_id ${ID} NULL`,
    addSql('tanks', [
      "kind VARCHAR(12) CHARACTER SET ascii NOT NULL DEFAULT 'tank'",
      `in_tank_id ${ID} NULL`,
      'place VARCHAR(60) NULL',
      'put_away BOOLEAN NOT NULL DEFAULT FALSE',
    ]),
    houseTableSql(
      'vessel_moves',
      `vessel_id ${ID} NOT NULL, from_in_tank_id ${ID} NULL, from_place VARCHAR(60) NULL, from_code VARCHAR(8) NOT NULL, at DATETIME(3) NOT NULL, KEY vessel_moves_vessel (house_id, vessel_id, at)`,
    ),
  ],
  down: [
    ...dropSql('vessel_moves'),
    "DELETE FROM tanks WHERE kind <> 'tank'",
    dropFromSql('tanks', ['kind', 'in_tank_id', 'place', 'put_away']),
    `ALTER TABLE tanks MODIFY COLUMN shelf_id ${ID} NOT NULL`,
  ],
};
