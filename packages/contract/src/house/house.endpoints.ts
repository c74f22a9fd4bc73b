import * as v from 'valibot';
import { LIFE_STAGES } from '@freshet/core/broods';
import type { HouseFacts } from '@freshet/core/house';
import { TANK_STATES, VESSEL_KINDS } from '@freshet/core/room';
import { endpoint } from '../endpoints';
import { Day } from '../values';

/** What lives in a tank now. */
export const TankLife = v.object({
  tankId: v.string(),
  code: v.string(),
  /** What kind of vessel it is and where, in words; null for a tank. */
  vessel: v.nullable(v.object({ kind: v.picklist(VESSEL_KINDS), words: v.string() })),
  litres: v.number(),
  tempC: v.nullable(v.object({ value: v.number(), at: v.string() })),
  stage: v.nullable(v.picklist([...LIFE_STAGES, 'breeders', 'culture'])),
  heads: v.number(),
  lots: v.array(
    v.object({
      id: v.string(),
      speciesKey: v.string(),
      speciesName: v.string(),
      initials: v.string(),
      name: v.nullable(v.string()),
      males: v.number(),
      females: v.number(),
      unsexed: v.number(),
      broodId: v.nullable(v.string()),
      /** When it came into this tank. */
      since: v.string(),
      stage: v.picklist([...LIFE_STAGES, 'breeders']),
    }),
  ),
  broods: v.array(v.object({ id: v.string(), name: v.string(), stage: v.picklist(LIFE_STAGES), carried: v.boolean() })),
  attempts: v.array(
    v.object({ id: v.string(), name: v.string(), from: v.string(), to: v.nullable(v.string()), hasBrood: v.boolean() }),
  ),
  /** What cannot be worked out here, in sentences. */
  troubles: v.array(v.string()),
  cultures: v.array(v.object({ id: v.string(), name: v.string() })),
  /** Open attempts to which eggs seen here could belong. */
  clutchAttempts: v.number(),
  readiness: v.object({
    state: v.picklist(TANK_STATES),
    since: v.nullable(Day),
    ready: v.boolean(),
    hindrances: v.array(v.object({ what: v.string(), remedy: v.string() })),
    notes: v.array(v.string()),
    expected: v.nullable(v.object({ from: Day, to: Day, basis: v.picklist(['zeros', 'curve', 'usual', 'rest']) })),
  }),
  /** Null when it is not in quarantine; `endsOn` is null while nobody arrived. */
  quarantine: v.nullable(v.object({ endsOn: v.nullable(Day) })),
  nitrate: v.nullable(v.object({ ppm: v.number(), at: v.string() })),
  /** Within the last days. */
  lastFed: v.nullable(v.object({ what: v.string(), at: v.string() })),
  lastChange: v.nullable(v.string()),
  /** Share of what it can hold that its broods take up, 1 is full; null when no brood feeds there. */
  crowding: v.nullable(v.number()),
  /** When its young make it tight and full, within eight weeks; null while there is room. */
  tightOn: v.nullable(Day),
  fullOn: v.nullable(Day),
  /** When it is next free; null when nothing says. */
  freeOn: v.nullable(Day),
});

/** A slice of the house: plain JSON, read by core. */
const slice = <Name extends keyof HouseFacts>() =>
  v.custom<HouseFacts[Name]>((value) => typeof value === 'object' && value !== null, 'This is no slice of a house.');

/** The house as it is now, without its history: what a device needs to work away from the server. */
export const HouseReply = v.object({
  revision: v.number(),
  timeZone: v.string(),
  species: slice<'species'>(),
  room: slice<'room'>(),
  stock: slice<'stock'>(),
  spawning: slice<'spawning'>(),
  broods: slice<'broods'>(),
  larder: slice<'larder'>(),
  growout: slice<'growout'>(),
  sales: slice<'sales'>(),
  agenda: slice<'agenda'>(),
}) satisfies v.GenericSchema<unknown, HouseFacts>;

/** Where a phone finds the house. */
export const ReachReply = v.object({
  /** The address to give to others and to print; null while only this machine reaches it. */
  address: v.nullable(v.string()),
  /** Further addresses of the same house. */
  others: v.array(v.string()),
  /** Whether there is a certificate of the house’s own to trust. */
  hasCertificate: v.boolean(),
});

export const houseEndpoints = {
  reach: endpoint({
    method: 'GET',
    path: '/api/reach',
    summary: 'Where a phone finds the house',
    role: 'viewer',
    reply: ReachReply,
  }),
  house: endpoint({
    method: 'GET',
    path: '/api/house',
    summary: 'The house as it is now, one slice an area; round, Horizon and tanks are worked out from it',
    role: 'viewer',
    reply: HouseReply,
  }),
  tankLife: endpoint({
    method: 'GET',
    path: '/api/house/tanks',
    summary: 'What lives in every tank',
    role: 'viewer',
    reply: v.array(TankLife),
  }),
};
