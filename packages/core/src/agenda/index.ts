export {
  chore,
  choreKinds,
  tick,
  type Asks,
  type Chore,
  type ChoreKind,
  type LoggedOutcome,
  type Moment,
  type Outcome,
  type Tick,
} from './chore';
export { ALARM_TOPICS, type Alarm, type AlarmTopic, type Subject } from './alarm';
export { alarmLines, type AlarmLine } from './alarmLines';
export { BAR_RANK, type Bar, type BarKind } from './bar';
export type { Agenda, Bench, PlacedChore } from './agenda';
export { groupBy } from './groupBy';
export { doseSum, doseWords } from './dose';
export { feedWords, foodOf, mealsOf, type Meal } from './meal';
