import { expose } from 'comlink';
import { planTide } from '@freshet/core/larder';

/** When to start cultures, planned away from the page so that a dragged start never stutters. */
const TIDE = { planTide };
export type TideWork = typeof TIDE;

expose(TIDE);
