import { v7 as newId } from 'uuid';
import { decideCount, totalHeads, type Movement } from '@freshet/core/stock';
import type { TimeRange } from '@freshet/core/time';
import type { Applied, Scope } from '../log';
import { DomainError } from '../platform';
import type { RoomService } from '../room';
import type { createStockRepository, HeadCountRow, LotRow } from './stock.repository';

interface Deps {
  room: RoomService;
  repository: ReturnType<typeof createStockRepository>;
  getLot: (scope: Scope, lotId: string) => Promise<LotRow>;
  book: (scope: Scope, movement: Movement, at: TimeRange, pointer?: string) => Promise<void>;
}

/** Brings a lot's ledger to a count, and keeps the count with the range it lies in where it was worked out. */
export function createCounting({ room, repository, getLot, book }: Deps) {
  return async (
    scope: Scope,
    lotId: string,
    counted: number,
    at: TimeRange,
    band: { low?: number | undefined; high?: number | undefined; how?: HeadCountRow['how'] | undefined } = {},
  ): Promise<Applied> => {
    const lot = await getLot(scope, lotId);
    const { males, females, unsexed } = lot;
    const decision = decideCount(lot.id, { males, females, unsexed }, counted);
    if (!decision.ok) throw new DomainError('stock/too-many', { detail: decision.message, pointer: '#/counted' });
    if (decision.movement) await book(scope, decision.movement, at, '#/counted');
    const { low = counted, high = counted, how = 'all' } = band;
    await repository.headCounts.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      lotId: lot.id,
      counted,
      low,
      high,
      how,
      at: at.to,
    });
    const tank = lot.tankId ? await room.getTank(scope, lot.tankId) : null;
    const before = totalHeads(lot);
    const range = low < high ? ` (${low} to ${high})` : '';
    return {
      text: `${tank?.code ?? 'no tank'}: counted ${counted}${range}${before === counted ? ', as booked' : `, ${before} were booked`}`,
      tankId: lot.tankId,
      subjectId: lot.broodId ?? lot.id,
      about: [lot.id],
    };
  };
}
