import { accounts } from './2026-11-24-01-accounts';
import { room } from './2026-11-24-02-room';
import { stock } from './2026-11-24-03-stock';
import { spawning } from './2026-11-24-04-spawning-and-broods';
import { larder } from './2026-11-24-05-larder-and-rounds';
import { water } from './2026-11-25-06-water-and-readiness';
import { broodstock } from './2026-11-25-07-broodstock';
import { entriesAndRevision } from './2026-11-25-08-entries-and-revision';
import { causes } from './2026-11-26-09-causes';
import { hoursAndRecipes } from './2026-11-26-10-hours-and-recipes';
import { keepersOwn } from './2026-11-26-11-keepers-own';
import { eggCare } from './2026-11-26-12-egg-care';
import { livingLarder } from './2026-11-26-13-larder';
import { growout } from './2026-11-26-14-growout';
import { sales } from './2026-11-26-15-sales';
import { furnishing } from './2026-11-26-16-furnishing';
import { oneDoor } from './2026-12-01-17-one-door';
import { buyers } from './2026-12-01-18-buyers';
import { longWalk } from './2026-12-01-19-long-walk';
import { vessels } from './2026-12-01-20-vessels';
import type { Migration } from './migration';

/** In the order they run. */
export const MIGRATIONS: readonly Migration[] = [
  accounts,
  room,
  stock,
  spawning,
  larder,
  water,
  broodstock,
  entriesAndRevision,
  causes,
  hoursAndRecipes,
  keepersOwn,
  eggCare,
  livingLarder,
  growout,
  sales,
  furnishing,
  oneDoor,
  buyers,
  longWalk,
  vessels,
];
