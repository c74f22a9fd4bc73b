import { dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

export const stock: Migration = {
  name: '2026-11-24-03-stock',
  up: [
    houseTableSql(
      'species_profiles',
      'species_key VARCHAR(40) NOT NULL, profile LONGTEXT NOT NULL, KEY species_key (house_id, species_key)',
    ),
    houseTableSql(
      'lots',
      `species_key VARCHAR(40) NOT NULL, line VARCHAR(80) NULL, generation VARCHAR(10) NULL, origin VARCHAR(12) NOT NULL, acquired_from TEXT NULL, brood_id ${ID} NULL, tank_id ${ID} NULL, males INT NOT NULL, females INT NOT NULL, unsexed INT NOT NULL, heads INT AS (males + females + unsexed) STORED, since DATETIME(3) NOT NULL, KEY lots_living (house_id, live, heads), KEY lots_brood (house_id, brood_id), KEY lots_tank (house_id, tank_id)`,
    ),
    houseTableSql(
      'movements',
      `from_lot_id ${ID} NULL, to_lot_id ${ID} NULL, males INT NOT NULL, females INT NOT NULL, unsexed INT NOT NULL, cause VARCHAR(16) NOT NULL, from_at DATETIME(3) NOT NULL, to_at DATETIME(3) NOT NULL, by_user ${ID} NOT NULL, KEY movements_from (house_id, from_lot_id), KEY movements_to (house_id, to_lot_id)`,
    ),
    houseTableSql(
      'placements',
      `lot_id ${ID} NOT NULL, tank_id ${ID} NOT NULL, at DATETIME(3) NOT NULL, KEY placements_lot (house_id, lot_id, at)`,
    ),
  ],
  down: dropSql('placements', 'movements', 'lots', 'species_profiles'),
};
