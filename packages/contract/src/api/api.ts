import { accountEndpoints } from '../accounts';
import { broodsEndpoints } from '../broods';
import { larderEndpoints } from '../larder';
import { logEndpoints } from '../log';
import { biosecurityEndpoints, probeEndpoints, roomEndpoints, waterEndpoints } from '../room';
import { roundsEndpoints } from '../rounds';
import { spawningEndpoints } from '../spawning';
import { broodstockEndpoints, kinshipEndpoints, speciesEndpoints, stockEndpoints } from '../stock';

/** The endpoint table. */
export const API = {
  ...accountEndpoints,
  ...logEndpoints,
  ...roomEndpoints,
  ...waterEndpoints,
  ...probeEndpoints,
  ...biosecurityEndpoints,
  ...speciesEndpoints,
  ...stockEndpoints,
  ...broodstockEndpoints,
  ...kinshipEndpoints,
  ...spawningEndpoints,
  ...broodsEndpoints,
  ...larderEndpoints,
  ...roundsEndpoints,
};
export type ApiName = keyof typeof API;
