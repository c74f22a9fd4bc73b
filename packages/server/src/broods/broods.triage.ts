import { v7 as newId } from 'uuid';
import { totalHeads } from '@freshet/core/stock';
import type { BroodRecord } from '@freshet/core/broods';
import { exactly } from '@freshet/core/time';
import type { Applied, LogService, Scope } from '../log';
import { DomainError } from '../platform';
import type { LotRow, StockService } from '../stock';
import type { BroodRow, BroodsRepository } from './broods.repository';

/** What is taken out of a clutch, by why; the fields are named as they are sent. */
const TAKEN = [
  { field: 'white', cause: 'infertile', words: 'white' },
  { field: 'kickedOut', cause: 'kickedOut', words: 'kicked out' },
  { field: 'eaten', cause: 'eaten', words: 'eaten' },
] as const;

/** Eggs looked through: white, kicked out and eaten ones leave by their cause; a count of the sound ones brings the ledger to it. */
export function createTriage({
  log,
  stock,
  repository,
  getBrood,
  lotsOf,
}: {
  log: LogService;
  stock: StockService;
  repository: BroodsRepository;
  getBrood: (scope: Scope, broodId: string) => Promise<{ brood: BroodRow; facts: BroodRecord; lots: LotRow[] }>;
  /** The living lots of a brood. */
  lotsOf: (scope: Scope, broodId: string) => Promise<LotRow[]>;
}): void {
  const wait = (facts: BroodRecord, pointer: string) => {
    if (facts.hatched || facts.freeSwimming)
      throw new DomainError('broods/out-of-order', { detail: 'They have hatched; log a loss instead.', pointer });
  };
  /** Whoever looked through eggs saw that they are eggs still. */
  const seeEggs = (scope: Scope, broodId: string, at: string) =>
    repository.observations.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      broodId,
      kind: 'eggsSeen',
      fromAt: at,
      toAt: at,
    });

  async function applyWhite(scope: Scope, body: { broodId: string; count: number; at: string }): Promise<Applied> {
    const { brood, facts, lots } = await getBrood(scope, body.broodId);
    wait(facts, '#/count');
    await stock.applyPlainLoss(scope, lots, body.count, 'infertile', exactly(body.at));
    await seeEggs(scope, brood.id, body.at);
    return { text: `${brood.name}: ${body.count} white eggs picked`, tankId: lots[0]?.tankId ?? null, subjectId: brood.id };
  }

  log.declare({
    white: {
      apply: applyWhite,
      undo: stock.ledgerUndoing({ tables: [repository.observations] }),
      ticks: { white: (_scope, { id, amount, at }) => (amount ? { broodId: id, count: amount, at } : null) },
    },
    triage: {
      apply: async (scope, body) => {
        const { brood, facts, lots } = await getBrood(scope, body.broodId);
        wait(facts, '#/white');
        const alive = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
        const gone = TAKEN.reduce((sum, { field }) => sum + body[field], 0);
        if (gone + body.unsure > alive) {
          const worst = [...TAKEN].sort((a, b) => body[b.field] - body[a.field])[0];
          throw new DomainError('stock/too-many', {
            detail: `Only ${alive} eggs are booked, not ${gone + body.unsure}. If more were laid than that, log a count first.`,
            pointer: `#/${worst?.field ?? 'white'}`,
          });
        }
        const at = exactly(body.at);
        for (const { field, cause } of TAKEN)
          if (body[field] > 0) {
            const living = await lotsOf(scope, brood.id);
            await stock.applyPlainLoss(scope, living, body[field], cause, at);
          }
        if (body.fertile !== null && body.fertile !== undefined) {
          const living = await lotsOf(scope, brood.id);
          const [only] = living;
          if (living.length !== 1 || !only)
            throw new DomainError('request/invalid', {
              detail: 'They are in several tanks: count each there, and leave this empty.',
              pointer: '#/fertile',
            });
          await stock.applyCount(scope, only.id, body.fertile + body.unsure, at);
        }
        await seeEggs(scope, brood.id, body.at);
        const words = [
          ...TAKEN.flatMap(({ field, words }) => (body[field] > 0 ? [`${body[field]} ${words}`] : [])),
          ...(body.unsure > 0 ? [`${body.unsure} doubtful`] : []),
          ...(body.fertile != null ? [`${body.fertile} sound`] : []),
        ];
        return { text: `${brood.name}: ${words.join(', ')}`, tankId: lots[0]?.tankId ?? null, subjectId: brood.id };
      },
      undo: stock.ledgerUndoing({ tables: [repository.observations, stock.repository.headCounts] }),
    },
  });
}
