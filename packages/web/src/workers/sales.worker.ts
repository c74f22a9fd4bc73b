import { expose } from 'comlink';
import { readHouse, type HouseFacts } from '@freshet/core/house';
import { readyList, type ReadyList } from '@freshet/core/sales';

/** What can go, worked out away from the page. */
const SALES = { ready: (facts: HouseFacts, now: string): ReadyList => readyList(readHouse(facts, now)) };
export type SalesWork = typeof SALES;

expose(SALES);
