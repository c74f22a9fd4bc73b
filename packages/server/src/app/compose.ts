import { fryRation } from '@freshet/core/larder';
import { choreSeconds } from '@freshet/core/rounds';
import { DEMO_ACCOUNTS } from '@freshet/demo';
import { createAccounts } from '../accounts';
import {
  createBroodPages,
  createBroods,
  createBroodsFacts,
  createDrops,
  createEvidence,
  createRecord,
  type BroodsService,
} from '../broods';
import { createGrowout, createGrowoutRecord } from '../growout';
import { createHouse, type HouseService } from '../house';
import { createLarder } from '../larder';
import { createLog } from '../log';
import type { Clock, Database, Who } from '../platform';
import {
  createBiosecurity,
  type BiosecurityService,
  createCare,
  createHours,
  createProbes,
  createReadiness,
  createRoom,
  createRoomFacts,
  createWater,
  type RoomService,
  type WaterService,
} from '../room';
import { createSales } from '../sales';
import { createRounds, createRoundsRepository } from '../rounds';
import { createSpawning, createSpawningFacts } from '../spawning';
import { createSpecies } from '../species';
import { createLines, createStock, createStockFacts } from '../stock';
import { createTransfers } from '../transfers';

/** What the whole server is made with. */
export interface ComposeOptions {
  database: Database;
  clock: Clock;
  /** Signs the tokens of probes. */
  secret?: string;
  /** Passwords are hashed cheaply: for tests alone. */
  cheapPasswords?: boolean;
}

/** Every service, wired once, in the order of the work; what an earlier area needs of a later one is given to it here as a function. */
export function compose({ database, clock, secret = 'test', cheapPasswords = false }: ComposeOptions) {
  const base = { database, clock };
  const accounts = createAccounts({ ...base, demoAccounts: DEMO_ACCOUNTS, cheapPasswords });
  const log = createLog(base);
  const entered = { ...base, log };
  // The house is put together from all areas; what it needs of them is asked only when it is read.
  const viewOf = (at: Who) => house.view(at);

  const species = createSpecies(entered);
  const readiness = createReadiness({ ...entered, roomOf: () => room });
  const room: RoomService = createRoom({
    ...entered,
    onTank: readiness.onTank,
    meterOf: (scope, meterId) => water.mustHaveMeter(scope, meterId),
  });
  const water: WaterService = createWater({ ...entered, room, tellProbes: (who, change) => probes.tellChange(who, change) });
  const probes = createProbes({ clock, log, room, water, secret });
  const hours = createHours({ ...base, log });
  const stock = createStock({
    ...base,
    log,
    room,
    readiness,
    species,
    illnessesSince: (at, from) => biosecurity.repository.illnessesSince(at, from),
  });
  const lines = createLines({ ...base, log, room, hours, species, stock, descent: { broods: (at) => broods.descent(at) } });
  const biosecurity: BiosecurityService = createBiosecurity({ database, log, room, lotTrail: stock.quarantines.trail });
  const care = createCare({ database, log, room });
  const spawning = createSpawning({
    ...entered,
    room,
    hours,
    stock,
    species,
    inbreedingOf: (who, speciesKey, sires, dams) => lines.kinship.expectedInbreeding(who, speciesKey, sires, dams),
  });
  const broods: BroodsService = createBroods({ ...entered, room, stock, species, spawning });
  const broodPages = createBroodPages({ clock, room, stock, spawning, broods, rationFor: fryRation });
  const evidence = createEvidence({
    clock,
    room,
    water,
    care,
    hours,
    spawning,
    repository: broods.repository,
    conditionsSince: (at, since) => lines.broodstock.repository.conditionsSince(at, since),
  });
  const drops = createDrops({ clock, room, stock, species, repository: broods.repository });
  const record = createRecord({ clock, room, stock, species, spawning, broods, repository: broods.repository });
  const larder = createLarder({ ...entered, room, viewOf });
  const growout = createGrowout({ ...entered, room, stock, species, readiness, viewOf });
  const growoutRecord = createGrowoutRecord({ repository: growout.repository, stock, broods });
  const roundsRepository = createRoundsRepository(database);
  const sales = createSales({
    ...base,
    log,
    room,
    stock,
    species,
    broods,
    workSince: async (at, from) =>
      (await roundsRepository.since(at, from)).flatMap(({ tankId, status, day: on, choreKey }) =>
        tankId && status === 'done' ? [{ tankId, on, seconds: choreSeconds(choreKey) }] : [],
      ),
    viewOf,
  });
  const house: HouseService = createHouse({
    clock,
    log,
    room,
    probes,
    species,
    stock,
    broods,
    larder,
    growout,
    sales,
    slices: {
      room: createRoomFacts({ clock, room, readiness, water, probes, biosecurity, care, hours }),
      stock: createStockFacts({ clock, stock, broodstock: lines.broodstock, biosecurity }),
      spawning: createSpawningFacts({ spawning }),
      broods: createBroodsFacts({ broods }),
    },
    outcomesSince: roundsRepository.since,
  });
  const transfers = createTransfers({ clock, room, house });
  const rounds = createRounds({ log, house, room, sales, repository: roundsRepository });

  const missing = log.missing();
  if (missing.length > 0) throw new Error(`Nobody declared: ${missing.join(', ')}.`);
  return {
    ...base,
    accounts,
    log,
    species,
    room,
    readiness,
    water,
    probes,
    biosecurity,
    care,
    hours,
    stock,
    lines,
    spawning,
    broods,
    broodPages,
    evidence,
    record,
    drops,
    larder,
    growout,
    growoutRecord,
    sales,
    house,
    transfers,
    rounds,
  };
}
export type Services = ReturnType<typeof compose>;
