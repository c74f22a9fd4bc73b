import type { broodsEndpoints } from '@freshet/contract/broods';
import type { Handlers } from '../platform';
import type { DropsReader } from './broods.drops';
import type { BroodRecordReader } from './broods.record';
import type { BroodPages } from './broods.pages';
import type { BroodsService } from './broods.service';

export const broodsHandlers = (
  broods: BroodsService,
  pages: BroodPages,
  { record, drops }: { record: BroodRecordReader; drops: DropsReader },
): Handlers<typeof broodsEndpoints> => ({
  broodRecord: ({ who, params }) => record(who, params.speciesKey ?? ''),
  drops: ({ who }) => drops(who),
  broods: ({ who }) => pages.cards(who),
  brood: ({ who, params }) => pages.page(who, params.broodId ?? ''),
});
