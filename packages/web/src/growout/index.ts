import { GrowthPage } from './growth/GrowthPage';
import { PlacesPage } from './places/PlacesPage';
import { RecordPage } from './record/RecordPage';
import { SortPage } from './sort/SortPage';
import { WeeksPage } from './weeks/WeeksPage';

/** The pages of grow-out, fetched together when one is opened. */
export const growoutPages = {
  places: () => PlacesPage,
  weeks: () => WeeksPage,
  growth: () => GrowthPage,
  sort: () => SortPage,
  record: () => RecordPage,
};
