import { ReadyPage } from './ReadyPage';

/** The pages of sales, fetched together when one is opened. */
export const salesPages = { ready: () => ReadyPage };
