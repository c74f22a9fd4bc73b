export { kinshipWork, useWork } from './kinshipWork';
export { evidenceWork } from './evidenceWork';
export { countInWorker, type RunningCount } from './picturesWork';
