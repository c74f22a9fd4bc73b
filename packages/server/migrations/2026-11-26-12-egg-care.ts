import { dropSql, houseTableSql, type Migration } from './migration';

/** How a clutch's eggs are kept since that was changed, what daily layers add to a batch, and where peat with eggs lies. */
export const eggCare: Migration = {
  name: '2026-11-26-12-egg-care',
  up: [
    houseTableSql(
      'egg_keepings',
      [
        'brood_id CHAR(36) CHARACTER SET ascii NOT NULL',
        'plan VARCHAR(20) NOT NULL',
        'fungus VARCHAR(12) NOT NULL',
        'dye_mg_per_l DOUBLE NULL',
        'dye_stock_percent DOUBLE NULL',
        'daily_change_fraction DOUBLE NOT NULL',
        'container VARCHAR(60) NULL',
        'why VARCHAR(160) NULL',
        'at DATETIME(3) NOT NULL',
        'KEY egg_keepings_brood (house_id, live, brood_id, at)',
      ].join(', '),
    ),
    houseTableSql(
      'egg_picks',
      [
        'brood_id CHAR(36) CHARACTER SET ascii NOT NULL',
        'picked INT NOT NULL',
        'from_at DATETIME(3) NOT NULL',
        'to_at DATETIME(3) NOT NULL',
        'was_from DATETIME(3) NOT NULL',
        'was_to DATETIME(3) NOT NULL',
        'KEY egg_picks_brood (house_id, live, brood_id, to_at)',
      ].join(', '),
    ),
    houseTableSql(
      'peat_bags',
      [
        'brood_id CHAR(36) CHARACTER SET ascii NOT NULL',
        'label VARCHAR(40) NOT NULL',
        'place VARCHAR(60) NULL',
        'moisture VARCHAR(12) NOT NULL',
        'wet_on DATE NOT NULL',
        'at DATETIME(3) NOT NULL',
        'KEY peat_bags_brood (house_id, live, brood_id, at)',
      ].join(', '),
    ),
  ],
  down: dropSql('egg_keepings', 'egg_picks', 'peat_bags'),
};
