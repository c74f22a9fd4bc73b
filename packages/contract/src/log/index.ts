export { logEndpoints, Entry, Written, Undo, EVERYTHING } from './log.endpoints';
