export { logEndpoints, Entry, Undo } from './log.endpoints';
export { Written } from './written';
export { entries, SNAPSHOT, TOUCHES, type EntryKind, type EntryKindLine } from './entries';
