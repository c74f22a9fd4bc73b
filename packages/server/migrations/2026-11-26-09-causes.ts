import { dropSql, houseTableSql, type Migration } from './migration';

const ID = 'CHAR(36) CHARACTER SET ascii';

/** A loss has the cause its keeper names: eaten, jumped, fungus and the others; what was given, done or seen at a tank is logged. */
export const causes: Migration = {
  name: '2026-11-26-09-causes',
  up: [
    `UPDATE movements SET cause = 'eaten' WHERE cause = 'predation'`,
    houseTableSql(
      'care',
      [
        `tank_id ${ID} NOT NULL`,
        'kind VARCHAR(16) NOT NULL',
        'what TEXT NOT NULL',
        'amount DOUBLE NULL',
        'unit VARCHAR(12) NULL',
        'at DATETIME(3) NOT NULL',
        'KEY care_tank (house_id, tank_id, at)',
      ].join(',\n  '),
    ),
  ],
  down: [
    ...dropSql('care'),
    `UPDATE movements SET cause = 'predation' WHERE cause = 'eaten'`,
    `UPDATE movements SET cause = 'death'
     WHERE cause IN ('fungus', 'kickedOut', 'jumped', 'deformed', 'moult', 'fought', 'heat', 'cold', 'drained')`,
  ],
};
