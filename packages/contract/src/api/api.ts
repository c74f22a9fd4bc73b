import type * as v from 'valibot';
import { accountEndpoints } from '../accounts';
import { broodsEndpoints, broodsEntries } from '../broods';
import type { AnyEndpoint, BodyOf } from '../endpoints';
import { growoutEndpoints, growoutEntries } from '../growout';
import { houseEndpoints } from '../house';
import { larderEndpoints, larderEntries } from '../larder';
import { logEndpoints } from '../log';
import {
  biosecurityEndpoints,
  biosecurityEntries,
  careEndpoints,
  careEntries,
  hoursEndpoints,
  hoursEntries,
  probeEndpoints,
  probeEntries,
  roomEndpoints,
  vesselEndpoints,
  roomEntries,
  vesselEntries,
  waterEndpoints,
  waterEntries,
} from '../room';
import { roundsEndpoints, roundsEntries } from '../rounds';
import { salesEndpoints, salesEntries } from '../sales';
import { spawningEndpoints, spawningEntries } from '../spawning';
import { speciesEndpoints, speciesEntries } from '../species';
import { broodstockEndpoints, broodstockEntries, kinshipEndpoints, kinshipEntries, stockEndpoints, stockEntries } from '../stock';
import { transfersEndpoints } from '../transfers';

/** The endpoints of every area, in the order of the work; the first ones are of no area. */
export const AREAS = {
  accounts: accountEndpoints,
  log: logEndpoints,
  house: houseEndpoints,
  species: speciesEndpoints,
  room: {
    ...roomEndpoints,
    ...vesselEndpoints,
    ...waterEndpoints,
    ...probeEndpoints,
    ...biosecurityEndpoints,
    ...careEndpoints,
    ...hoursEndpoints,
  },
  stock: { ...stockEndpoints, ...broodstockEndpoints, ...kinshipEndpoints },
  spawning: spawningEndpoints,
  broods: broodsEndpoints,
  larder: larderEndpoints,
  growout: growoutEndpoints,
  sales: salesEndpoints,
  transfers: transfersEndpoints,
  rounds: roundsEndpoints,
};

/** The endpoint table. */
export const API = {
  ...AREAS.accounts,
  ...AREAS.log,
  ...AREAS.house,
  ...AREAS.species,
  ...AREAS.room,
  ...AREAS.stock,
  ...AREAS.spawning,
  ...AREAS.broods,
  ...AREAS.larder,
  ...AREAS.growout,
  ...AREAS.sales,
  ...AREAS.transfers,
  ...AREAS.rounds,
};
export type ApiName = keyof typeof API;

/** Every kind of entry the log knows. */
export const ENTRY_KINDS = {
  ...speciesEntries,
  ...roomEntries,
  ...vesselEntries,
  ...waterEntries,
  ...probeEntries,
  ...biosecurityEntries,
  ...careEntries,
  ...hoursEntries,
  ...stockEntries,
  ...broodstockEntries,
  ...kinshipEntries,
  ...spawningEntries,
  ...broodsEntries,
  ...larderEntries,
  ...growoutEntries,
  ...salesEntries,
  ...roundsEntries,
};
export type EntryKindName = keyof typeof ENTRY_KINDS;

type Lines = typeof API;
/** What is asked for to make an entry of a kind; a photograph comes with its bytes. */
export type EntryBody<Kind extends EntryKindName> = {
  [Name in ApiName]: Lines[Name] extends { entry: Kind }
    ? BodyOf<Lines[Name]> & (Lines[Name] extends { sends: 'image' } ? { image: Uint8Array } : unknown)
    : never;
}[ApiName];

let schemas: Map<string, v.GenericSchema> | null = null;
/** @throws {Error} when two endpoints make entries of one kind */
function readSchemas(): Map<string, v.GenericSchema> {
  const found = new Map<string, v.GenericSchema>();
  for (const { entry, body } of Object.values(API) as AnyEndpoint[]) {
    if (!entry || !body) continue;
    if (found.has(entry)) throw new Error(`Two endpoints make entries of the kind "${entry}".`);
    found.set(entry, body);
  }
  return found;
}
/**
 * The schema of what makes an entry of a kind.
 * @throws {Error} when no endpoint makes one
 */
export function schemaOf(kind: EntryKindName): v.GenericSchema {
  const schema = (schemas ??= readSchemas()).get(kind);
  if (!schema) throw new Error(`No endpoint makes entries of the kind "${kind}".`);
  return schema;
}
