export {
  exactly,
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
  formatDay,
  formatDayRange,
  formatDate,
  formatDateRange,
  formatInstant,
  formatInstantRange,
  weekday,
  isWeekend,
} from './formatDay';
export { everyDays, sentence, timesADay } from './words';
