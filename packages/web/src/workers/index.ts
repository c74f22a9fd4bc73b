export { kinshipWork, useWork } from './kinshipWork';
export { evidenceWork } from './evidenceWork';
