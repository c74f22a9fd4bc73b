import { accountEndpoints } from '../accounts';
import { broodsEndpoints } from '../broods';
import { larderEndpoints } from '../larder';
import { logEndpoints } from '../log';
import { roomEndpoints } from '../room';
import { roundsEndpoints } from '../rounds';
import { spawningEndpoints } from '../spawning';
import { speciesEndpoints, stockEndpoints } from '../stock';

/** The endpoint table. */
export const API = {
  ...accountEndpoints,
  ...logEndpoints,
  ...roomEndpoints,
  ...speciesEndpoints,
  ...stockEndpoints,
  ...spawningEndpoints,
  ...broodsEndpoints,
  ...larderEndpoints,
  ...roundsEndpoints,
};
export type ApiName = keyof typeof API;
