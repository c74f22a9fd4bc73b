import { readHouse, type HouseFacts } from './facts';
import type { BroodRecord } from '../broods';
import { NO_GROWOUT, type GrowoutFacts } from '../growout';
import { EMPTY_LARDER, type LarderFacts } from '../larder';
import { QUIET_ROOM, type RoomFacts, type RoomTank } from '../room';
import { NO_SALES, type SalesFacts } from '../sales';
import { defaultRecipe, type SpawningAttempt } from '../spawning';
import { SHIPPED_SPECIES } from '../species';
import { addDays, type TimeRange } from '../time';
import { NO_STOCK, totalHeads, type StockFacts, type StockLot, type StockProgramme } from '../stock';

/** The moment of the house that tests tell of. */
export const NOW = '2026-03-10T08:00:00.000Z';
/** Its day. */
export const TODAY = '2026-03-10';
/** A time that was seen to the minute. */
export const exactly = (at: string): TimeRange => ({ from: at, to: at });
/** A tank of 40 L. */
export const tank = (code: string, more: Partial<RoomTank> = {}): RoomTank => ({
  id: code,
  code,
  litres: 40,
  floorM2: 0.18,
  sump: null,
  growsAlgae: false,
  furnishing: null,
  heaterW: null,
  rackCode: 'A',
  rackName: 'A',
  rackPosition: 1,
  quarantine: false,
  outdoor: false,
  vessel: null,
  inTankId: null,
  shelfLevel: 1,
  leftCm: 0,
  ...more,
});
/** Ten of a species in a tank. */
export const lot = (id: string, tankId: string, speciesKey: string, more: Partial<StockLot> = {}): StockLot => ({
  id,
  tankId,
  speciesKey,
  broodId: null,
  males: 0,
  females: 0,
  unsexed: 10,
  name: null,
  since: '2026-01-01T08:00:00.000Z',
  bornOn: null,
  lengthMm: null,
  homeTankId: null,
  isProven: false,
  isRetired: false,
  ...more,
});
/** A brood laid this morning. */
export const brood = (id: string, speciesKey: string, more: Partial<BroodRecord> = {}): BroodRecord => ({
  id,
  name: id,
  speciesKey,
  attemptId: null,
  laid: { from: '2026-03-10T06:00:00.000Z', to: '2026-03-10T06:00:00.000Z' },
  hatched: null,
  freeSwimming: null,
  eggsSeenAt: null,
  alive: 50,
  ...more,
});
/** An attempt that goes on. */
export const attempt = (
  id: string,
  tankId: string,
  speciesKey: string,
  more: Partial<SpawningAttempt> = {},
): SpawningAttempt => ({
  id,
  name: id,
  speciesKey,
  tankId,
  recipe: defaultRecipe('eggScatterer'),
  conditioningFrom: null,
  setUpOn: null,
  triggerOn: null,
  triggered: null,
  parentLotIds: [],
  hasBrood: false,
  from: '2026-03-08',
  to: null,
  ...more,
});
/** A brood of a species, all in T1, that swam, or was born, so many days ago. */
export const grown = (
  speciesKey: string,
  days: number,
  more: Partial<StockLot> = {},
): Pick<Told, 'broods' | 'lots' | 'temperatures'> => {
  const ago = (more: number) => exactly(`${addDays(TODAY, -days - more)}T08:00:00.000Z`);
  const isBorn = SHIPPED_SPECIES.some(({ key, method }) => key === speciesKey && method === 'livebearer');
  const lot30 = lot('y', 'T1', speciesKey, { broodId: 'B', unsexed: 30, ...more });
  return {
    broods: [
      brood('B', speciesKey, {
        laid: ago(isBorn ? 0 : 5),
        hatched: isBorn ? null : ago(3),
        freeSwimming: ago(0),
        alive: totalHeads(lot30),
      }),
    ],
    lots: [lot30],
    temperatures: { T1: { at: NOW, tempC: 26 } },
  };
};
/** What a test says of a house; the rest is quiet. */
export interface Told {
  now: string;
  tanks: RoomTank[];
  lots: StockLot[];
  programmes: StockProgramme[];
  attempts: SpawningAttempt[];
  broods: BroodRecord[];
  temperatures: HouseFacts['room']['temperatures'];
  outcomes: HouseFacts['agenda']['outcomes'];
  saved: HouseFacts['species']['saved'];
  regimes: HouseFacts['room']['regimes'];
  larder: Partial<LarderFacts>;
  growout: GrowoutFacts;
  sales: Partial<SalesFacts>;
  room: Partial<RoomFacts>;
  stock: Partial<StockFacts>;
}
/** A quiet house with two tanks, and what a test says of it. */
export const house = (more: Partial<Told>): Told => ({
  now: NOW,
  tanks: [tank('T1'), tank('T2')],
  lots: [],
  programmes: [],
  attempts: [],
  broods: [],
  temperatures: {},
  outcomes: [],
  saved: [],
  regimes: [],
  larder: {},
  growout: NO_GROWOUT,
  sales: {},
  room: {},
  stock: {},
  ...more,
});
/** Its facts. */
export const factsOf = ({
  tanks,
  lots,
  programmes,
  attempts,
  broods,
  temperatures,
  outcomes,
  saved,
  regimes,
  larder,
  growout,
  sales,
  room,
  stock,
}: Told): HouseFacts => ({
  revision: 1,
  timeZone: 'Europe/Dublin',
  species: { saved },
  room: { ...QUIET_ROOM, tanks, temperatures, regimes, ...room },
  stock: { ...NO_STOCK, lots, programmes, ...stock },
  spawning: { attempts },
  broods: { broods, temperatures: {}, learned: [] },
  growout,
  sales: { ...NO_SALES, ...sales },
  larder: { ...EMPTY_LARDER, ...larder },
  agenda: { outcomes },
});
/** Its view. */
export const view = (told: Told) => readHouse(factsOf(told), told.now);
