import type { growoutEndpoints } from '@freshet/contract/growout';
import type { Handlers, Who } from '../platform';
import type { createGrowoutRecord } from './growout.record';
import type { GrowoutService } from './growout.service';

type GrowoutRecordLoader = ReturnType<typeof createGrowoutRecord>;
type View = Parameters<GrowoutRecordLoader>[1];

/** @param viewOf - the house as it is now, which is put together from later areas too */
export const growoutHandlers = (
  growout: GrowoutService,
  record: GrowoutRecordLoader,
  viewOf: (who: Who) => Promise<View>,
): Handlers<typeof growoutEndpoints> => ({
  growoutRecord: async ({ who, params }) => record(who, await viewOf(who), params.speciesKey ?? ''),
});
