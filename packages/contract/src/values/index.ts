export { Id, Instant, Day, TimeRange, Heads, Name, Code, Note, Override, WholeCount, type OverrideInput } from './values';
