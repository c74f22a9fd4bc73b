export { READY_WEEKS, readyList, type ReadyList, type ReadyRow } from './readyList';
