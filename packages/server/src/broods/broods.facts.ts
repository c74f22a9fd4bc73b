import type { BroodsFacts } from '@freshet/core/broods';
import type { Reading } from '../platform';
import type { LotRow } from '../stock';
import type { BroodsService } from './broods.service';

/** Broods as they are now. @param living - lots with somebody alive in them */
export const createBroodsFacts =
  ({ broods }: { broods: BroodsService }) =>
  async (at: Reading, living: readonly LotRow[]): Promise<BroodsFacts> => {
    const ids = [...new Set(living.flatMap((lot) => (lot.broodId ? [lot.broodId] : [])))];
    const { broods: records, temperatures } = await broods.load(at, ids, living);
    return { broods: records, temperatures, learned: await broods.learned(at, records) };
  };
