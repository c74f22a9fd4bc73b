export { AlarmSchema, BarSchema, ChoreSchema, SubjectSchema, TickSchema } from './agenda.schema';
