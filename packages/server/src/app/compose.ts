import { fryRation } from '@freshet/core/larder';
import { createAccounts } from '../accounts';
import { createBroodPages, createBroods } from '../broods';
import { createLarder } from '../larder';
import { createLog } from '../log';
import type { Clock, Database } from '../platform';
import { createRoom } from '../room';
import { createRounds } from '../rounds';
import { createSpawning } from '../spawning';
import { createSpecies, createStock } from '../stock';
import { DEMO_ACCOUNTS } from '@freshet/demo';

/** Every service, wired once; later areas are given to earlier ones here, as plain functions. */
export function compose({ database, clock }: { database: Database; clock: Clock }) {
  const base = { database, clock };
  const accounts = createAccounts({ ...base, demoAccounts: DEMO_ACCOUNTS });
  const log = createLog(base);
  const room = createRoom({ ...base, log });
  const species = createSpecies({ ...base, log });
  const stock = createStock({ ...base, log, room, species });
  const spawning = createSpawning({ ...base, log, room, stock, species });
  const broods = createBroods({ ...base, log, room, stock, species, spawning });
  const broodPages = createBroodPages({ clock, room, stock, spawning, broods, rationFor: fryRation });
  const larder = createLarder({ ...base, log, room });
  const rounds = createRounds({ ...base, log, room, stock, spawning, broods, larder });
  return { ...base, accounts, log, room, species, stock, spawning, broods, broodPages, larder, rounds };
}
export type Services = ReturnType<typeof compose>;
