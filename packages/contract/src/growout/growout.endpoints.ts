import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { GrowoutRecord, SelectYoung, SortYoung, TakePlaces } from './growout.schema';

/** What is logged here: who may, and which addresses show it. */
export const growoutEntries = entries({
  places: { role: 'keeper', words: 'plan of places taken', touches: [] },
  sorting: {
    role: 'sitter',
    words: 'young sorted by size',
    touches: [...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.descent, ...TOUCHES.room],
  },
  selection: {
    role: 'keeper',
    words: 'young looked at for faults',
    touches: [...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.descent, ...TOUCHES.room],
  },
});

export const growoutEndpoints = {
  growoutRecord: endpoint({
    method: 'GET',
    path: '/api/growout/record/:speciesKey',
    summary: 'Sortings, selections and the flow of a species: who grows up, who is chosen, who left',
    role: 'viewer',
    reply: GrowoutRecord,
  }),
  takePlaces: growoutEntries.places({
    path: '/api/growout/places',
    summary: 'Take a plan of places over: its moves become chores, bookings and bars',
    body: TakePlaces,
  }),
  sortYoung: growoutEntries.sorting({
    path: '/api/growout/sortings',
    summary: 'Log young counted by class, each into its tank; or what a drained pond held',
    body: SortYoung,
  }),
  selectYoung: growoutEntries.selection({
    path: '/api/growout/selections',
    summary: 'Log young looked at: faults by kind and what becomes of them',
    body: SelectYoung,
  }),
};
