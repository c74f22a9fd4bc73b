export { growoutEndpoints, growoutEntries } from './growout.endpoints';
export { Drained, GrowoutRecord, REST, SelectYoung, SortYoung, TakePlaces } from './growout.schema';
