export {
  exactly,
  spanOf,
  middleOf,
  plusDays,
  houseDay,
  startOfDay,
  addDays,
  daysBetween,
  dayNumber,
  localTime,
  instantOf,
  type Day,
  type Instant,
  type TimeRange,
} from './houseDay';
export {
  MONTHS,
  formatDay,
  formatDayRange,
  formatDate,
  formatDateRange,
  formatInstant,
  formatInstantRange,
  weekday,
  isWeekend,
} from './formatDay';
export { readDayText, readMomentText, type Towards } from './readDayText';
export { readWhen, type WhenContext, type WhenRead } from './readWhen';
export { everyDays, inARow, lapse, lexicon, sentence, timesADay } from './words';
