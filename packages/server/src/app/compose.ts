import { fryRation } from '@freshet/core/larder';
import { createAccounts } from '../accounts';
import { createBroodPages, createBroods, type BroodsService } from '../broods';
import { createLarder } from '../larder';
import { createLog } from '../log';
import type { Clock, Database } from '../platform';
import { createBiosecurity, createProbes, createReadiness, createRoom, createWater, type RoomService } from '../room';
import { createRounds } from '../rounds';
import { createSpawning } from '../spawning';
import { createLines, createSpecies, createStock } from '../stock';
import { DEMO_ACCOUNTS } from '@freshet/demo';

/** Every service, wired once; later areas are given to earlier ones here, as plain functions. */
export function compose({ database, clock, secret = 'test' }: { database: Database; clock: Clock; secret?: string }) {
  const base = { database, clock };
  const accounts = createAccounts({ ...base, demoAccounts: DEMO_ACCOUNTS });
  const log = createLog(base);
  const readiness = createReadiness({ ...base, log, roomOf: () => room });
  const room: RoomService = createRoom({ ...base, log, onTank: readiness.onTank });
  const water = createWater({ ...base, log, room });
  const probes = createProbes({ clock, log, room, water, secret });
  const species = createSpecies({ ...base, log });
  const stock = createStock({ ...base, log, room, readiness, species });
  const lines = createLines({ ...base, log, room, species, stock, descent: { broods: (houseId) => broods.descent(houseId) } });
  const biosecurity = createBiosecurity({ database, log, room, lotTrail: stock.quarantines.trail });
  const spawning = createSpawning({ ...base, log, room, stock, species });
  const broods: BroodsService = createBroods({ ...base, log, room, stock, species, spawning });
  const broodPages = createBroodPages({ clock, room, stock, spawning, broods, rationFor: fryRation });
  const larder = createLarder({ ...base, log, room });
  const rounds = createRounds({
    ...base,
    log,
    room,
    readiness,
    water,
    probes,
    biosecurity,
    stock,
    broodstock: lines.broodstock,
    spawning,
    broods,
    larder,
  });
  return {
    ...base,
    accounts,
    log,
    room,
    readiness,
    water,
    probes,
    biosecurity,
    species,
    stock,
    lines,
    spawning,
    broods,
    broodPages,
    larder,
    rounds,
  };
}
export type Services = ReturnType<typeof compose>;
