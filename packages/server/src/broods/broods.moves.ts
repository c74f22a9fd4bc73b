import { totalHeads } from '@freshet/core/stock';
import { v7 as newId } from 'uuid';
import type { ToBody } from '../log';
import { DomainError } from '../platform';
import type { SpawningService } from '../spawning';
import type { StockService } from '../stock';

/** Moves that ticks stand for: parents into their tank, and whoever has to leave back home, eggs and larvae into their vessel. */
export function createBroodMoves({ stock, spawning }: { stock: StockService; spawning: SpawningService }) {
  /** Moves whoever has to leave a tank back to where they came from; `what` says who and of which species, "adults:lemon-tetra". */
  const goHome: ToBody<'move'> = async (scope, { id: tankId, what, at }) => {
    const [who = 'adults', speciesKey = ''] = what.split(':');
    const here = (await stock.repository.inTank(scope, tankId)).filter(
      (lot) => lot.speciesKey === speciesKey && (lot.broodId === null || lot.unsexed === 0),
    );
    const homes = await stock.repository.homes(
      scope,
      here.map(({ id }) => id),
    );
    const moves = here.flatMap((lot) => {
      const heads = {
        males: who === 'adults' || who === 'male' ? lot.males : 0,
        females: who === 'adults' || who === 'female' || who === 'mother' ? lot.females : 0,
        unsexed: who === 'adults' ? lot.unsexed : 0,
      };
      const toTankId = homes.get(lot.id);
      return totalHeads(heads) === 0 || !toTankId || toTankId === tankId
        ? []
        : [{ lotId: lot.id, newLotId: newId(), toTankId, heads, at }];
    });
    if (moves.length === 0)
      throw new DomainError('request/invalid', {
        detail: 'It isn’t known where they came from. Use Move on the tank.',
      });
    return moves;
  };

  /** Moves the parents of an attempt into its tank, whole lots. */
  const parentsIn: ToBody<'move'> = async (scope, { id: attemptId, at }) => {
    const attempt = await spawning.getAttempt(scope, attemptId);
    const [facts] = await spawning.withFacts(scope, [attempt]);
    const lots = await stock.repository.byIds(scope, [...new Set(facts?.parents.map(({ lotId }) => lotId) ?? [])]);
    return lots.flatMap(({ id: lotId, tankId, males, females, unsexed }) => {
      const heads = { males, females, unsexed };
      return tankId === attempt.tankId || totalHeads(heads) === 0
        ? []
        : [{ lotId, newLotId: newId(), toTankId: attempt.tankId, heads, at }];
    });
  };

  /** Moves a brood into the vessel it is for, from where others live too. */
  const boxed: ToBody<'move'> = async (scope, { id: broodId, what: toTankId, at }) =>
    (await stock.repository.lots.find(scope, { broodId })).flatMap((lot) => {
      const { id: lotId, tankId, males, females, unsexed } = lot;
      const heads = { males, females, unsexed };
      return tankId === toTankId || totalHeads(heads) === 0 ? [] : [{ lotId, newLotId: newId(), toTankId, heads, at }];
    });

  return { goHome, parentsIn, boxed };
}
