import { CulturePage } from './cultures/CulturePage';
import { CulturesPage } from './cultures/CulturesPage';
import { LadderPage } from './ladder/LadderPage';
import { PestsPage } from './pests/PestsPage';
import { ShelfPage } from './shelf/ShelfPage';
import { TidePage } from './tide/TidePage';

export { LarderHead } from './LarderHead';
export { MealTaps } from './MealTaps';

/** The larder's pages, fetched together when one is opened. */
export const larderPages = {
  tide: () => TidePage,
  cultures: () => CulturesPage,
  culture: () => CulturePage,
  ladder: () => LadderPage,
  shelf: () => ShelfPage,
  pests: () => PestsPage,
};
