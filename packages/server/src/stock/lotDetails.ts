import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodstockEndpoints } from '@freshet/contract/stock';
import type { Scope } from '../log';
import type { BroodstockRepository } from './broodstock.repository';
import type { createStockRepository, LotRow } from './stock.repository';
import { v7 as newId } from 'uuid';

export type Details = BodyOf<(typeof broodstockEndpoints)['describeLot']>['details'];

export const detailsOf = ({ name, line, generation, grade, marks, permit, bornOn, isProven, isRetired }: Details): Details => ({
  name,
  line,
  generation,
  grade,
  marks,
  permit,
  bornOn,
  isProven,
  isRetired,
});

/**
 * What is said of lots: each saying is a row, the newest wins and stands on the lot itself, so that lists need no second look.
 * A lot's first saying is the one it was made with.
 */
export function createLotDetails(repository: BroodstockRepository, lots: ReturnType<typeof createStockRepository>['lots']) {
  async function say({ who, tx, entryId, now }: Scope, lot: LotRow, said: Details): Promise<void> {
    const known = await repository.details.find(who.houseId, { lotId: lot.id }, { tx, limit: 1 });
    if (known.length === 0)
      await repository.details.insert(
        who.houseId,
        { id: newId(), entryId: lot.entryId, lotId: lot.id, at: lot.since, ...detailsOf(lot) },
        tx,
      );
    await repository.details.insert(who.houseId, { id: newId(), entryId, lotId: lot.id, at: now, ...said }, tx);
    await lots.update(who.houseId, { id: lot.id }, said, tx);
  }

  /** After an undo: the newest saying that still stands goes onto the lot. */
  async function restore({ who, tx }: Scope, lotId: string): Promise<void> {
    const last = (
      await repository.details.find(
        who.houseId,
        { lotId },
        {
          tx,
          order: [
            ['at', 'DESC'],
            ['id', 'DESC'],
          ],
          limit: 1,
        },
      )
    )[0];
    if (last) await lots.update(who.houseId, { id: lotId }, detailsOf(last), tx);
  }
  return { say, restore };
}
