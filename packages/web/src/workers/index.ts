export { kinshipWork, useWork } from './kinshipWork';
export { tideWork } from './tideWork';
export { evidenceWork } from './evidenceWork';
export { awaitPicture, countInWorker, type RunningCount } from './picturesWork';
export { growoutWork } from './growoutWork';
export { useHouseWork } from './useHouseWork';
export { salesWork } from './salesWork';
export type { AskedLine } from './sales.worker';
