import { expose } from 'comlink';
import { diversity, findKinPaths, groupKinship, planPairings, traceThrowback } from '@freshet/core/stock';

/** Sums over whole pedigrees, away from the page so that it stays responsive. */
const KINSHIP = { diversity, findKinPaths, groupKinship, planPairings, traceThrowback };
export type KinshipWork = typeof KINSHIP;

expose(KINSHIP);
