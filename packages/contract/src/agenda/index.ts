export { AlarmSchema, BarSchema, ChoreSchema, MealSchema, SubjectSchema, TickSchema } from './agenda.schema';
