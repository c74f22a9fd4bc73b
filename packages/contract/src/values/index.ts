export {
  Id,
  Instant,
  Day,
  TimeRange,
  Heads,
  Name,
  Code,
  Note,
  Override,
  Version,
  WholeCount,
  type OverrideInput,
} from './values';
