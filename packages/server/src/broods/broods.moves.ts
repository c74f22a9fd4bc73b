import { totalHeads } from '@freshet/core/stock';
import { v7 as newId } from 'uuid';
import type { Applied, Scope } from '../log';
import { DomainError } from '../platform';
import type { SpawningService } from '../spawning';
import type { StockService } from '../stock';

/** Moves that a tick stands for: parents into their tank, and whoever has to leave back home. */
export function createBroodMoves({ stock, spawning }: { stock: StockService; spawning: SpawningService }) {
  /** Moves whoever has to leave a tank back to where they came from. @param what - who and of which species, "adults:lemon-tetra" */
  async function applyGoHome(scope: Scope, tankId: string, what: string, at: string): Promise<Applied | null> {
    const [who = 'adults', speciesKey = ''] = what.split(':');
    const here = (await stock.repository.inTank(scope, tankId)).filter(
      (lot) => lot.speciesKey === speciesKey && (lot.broodId === null || lot.unsexed === 0),
    );
    const homes = await stock.repository.homes(
      scope,
      here.map(({ id }) => id),
    );
    const moved: Applied[] = [];
    for (const lot of here) {
      const heads = {
        males: who === 'adults' || who === 'male' ? lot.males : 0,
        females: who === 'adults' || who === 'female' || who === 'mother' ? lot.females : 0,
        unsexed: who === 'adults' ? lot.unsexed : 0,
      };
      const home = homes.get(lot.id);
      if (totalHeads(heads) === 0 || !home || home === tankId) continue;
      moved.push(await stock.applyMove(scope, { lotId: lot.id, newLotId: newId(), toTankId: home, heads, at }));
    }
    const [first] = moved;
    if (!first)
      throw new DomainError('request/invalid', {
        detail: 'Nobody to move: where they came from is not known. Use Move on the tank.',
      });
    return { ...first, text: moved.map(({ text }) => text).join('; ') };
  }

  /** Moves the parents of an attempt into its tank, whole lots. */
  async function applyParentsIn(scope: Scope, attemptId: string, at: string): Promise<Applied | null> {
    const attempt = await spawning.getAttempt(scope, attemptId);
    const [facts] = await spawning.withFacts(scope, [attempt]);
    const lots = await stock.repository.byIds(scope, [...new Set(facts?.parents.map(({ lotId }) => lotId) ?? [])]);
    const moved: Applied[] = [];
    for (const { id: lotId, tankId, males, females, unsexed } of lots)
      if (tankId !== attempt.tankId && totalHeads({ males, females, unsexed }) > 0)
        moved.push(
          await stock.applyMove(scope, {
            lotId,
            newLotId: newId(),
            toTankId: attempt.tankId,
            heads: { males, females, unsexed },
            at,
          }),
        );
    const [first] = moved;
    return first ? { ...first, subjectId: attempt.id, text: moved.map(({ text }) => text).join('; ') } : null;
  }

  return { applyGoHome, applyParentsIn };
}
