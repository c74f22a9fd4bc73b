import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodsEndpoints } from '@freshet/contract/broods';
import type { BroodRecord } from '@freshet/core/broods';
import { FUNGUS_WORDS } from '@freshet/core/spawning';
import { EGG_PLAN_WORDS } from '@freshet/core/species';
import { EMPTY, totalHeads } from '@freshet/core/stock';
import { exactly, type TimeRange } from '@freshet/core/time';
import type { Applied, LogService, Scope } from '../log';
import { DomainError } from '../platform';
import { detailsOf, type LotRow, type StockService } from '../stock';
import type { BroodRow, BroodsRepository } from './broods.repository';
import { mustWait, nextName } from './broods.peat';
import { refuseWhenSeenSince } from './broods.undoing';

type Body<Name extends 'keepEggs' | 'pickEggs'> = BodyOf<(typeof broodsEndpoints)[Name]>;

/** Eggs on their way: kept another way, added to day by day. */
export function createEggs({
  log,
  stock,
  repository,
  getBrood,
}: {
  log: LogService;
  stock: StockService;
  repository: BroodsRepository;
  getBrood: (scope: Scope, broodId: string) => Promise<{ brood: BroodRow; facts: BroodRecord; lots: LotRow[] }>;
}): void {
  const { broods, keepings, picks } = repository;

  async function applyPick(scope: Scope, body: Omit<Body<'pickEggs'>, 'id'>): Promise<Applied> {
    const { brood, facts, lots } = await getBrood(scope, body.broodId);
    const { entryId } = scope;
    const { picked, at, next } = body;
    const like = lots[0] ?? (await stock.repository.lots.find(scope, { broodId: brood.id }, { limit: 1 }))[0];
    if (!like) throw new DomainError('request/not-found', { detail: 'The batch has no lot.' });
    if (next) {
      await broods.insert(scope, {
        id: next.broodId,
        entryId,
        speciesKey: brood.speciesKey,
        name: nextName(brood.name),
        attemptId: brood.attemptId,
        laidFrom: at.from,
        laidTo: at.to,
      });
      await stock.createLot(scope, { ...detailsOf(like), id: next.lotId, broodId: next.broodId, since: at.from });
    } else {
      mustWait(facts, '#/picked');
      if (at.to < facts.laid.from)
        throw new DomainError('broods/out-of-order', {
          detail: 'The batch began after that day: log them as a clutch of their own.',
          pointer: '#/at',
        });
      const was = { from: brood.laidFrom, to: brood.laidTo };
      const laid = spanOf([was, at]);
      await picks.insert(scope, {
        id: newId(),
        entryId,
        broodId: brood.id,
        picked,
        fromAt: at.from,
        toAt: at.to,
        wasFrom: was.from,
        wasTo: was.to,
      });
      await broods.update(scope, { id: brood.id }, { laidFrom: laid.from, laidTo: laid.to });
    }
    await stock.book(
      scope,
      { ...EMPTY, unsexed: picked, fromLotId: null, toLotId: next?.lotId ?? like.id, cause: 'birth' },
      at,
      '#/picked',
    );
    return {
      text: `${next ? nextName(brood.name) : brood.name}: ${picked} eggs picked`,
      tankId: like.tankId,
      subjectId: next?.broodId ?? brood.id,
      about: [brood.id, next?.lotId ?? like.id],
    };
  }

  log.declare({
    eggKeeping: {
      apply: async (scope, body) => {
        const { brood, facts, lots } = await getBrood(scope, body.broodId);
        mustWait(facts, '#/plan');
        const { toTankId, id: _id, override: _override, ...kept } = body;
        await keepings.insert(scope, { ...kept, id: newId(), entryId: scope.entryId });
        let moved = 0;
        if (toTankId)
          for (const lot of lots.filter((one) => one.tankId !== toTankId)) {
            const { males, females, unsexed } = lot;
            const heads = { males, females, unsexed };
            // Eggs and their box begin in fresh water: they foul nothing yet. Out of a quarantine they do not go.
            await stock.mustBeOut(scope, { lotId: lot.id, toTankId });
            await stock.applyMove(scope, { lotId: lot.id, newLotId: newId(), toTankId, heads, at: body.at });
            moved += totalHeads(lot);
          }
        const words = [EGG_PLAN_WORDS[body.plan].toLowerCase(), FUNGUS_WORDS[body.fungus].toLowerCase()].join('; ');
        return {
          text: `${brood.name}: ${words}${moved > 0 ? `, ${moved} eggs moved` : ''}`,
          tankId: lots[0]?.tankId ?? null,
          subjectId: brood.id,
          about: [toTankId, ...lots.map(({ id }) => id)],
        };
      },
      undo: stock.ledgerUndoing({ tables: [keepings], after: stock.placeBack }),
    },
    eggPick: {
      apply: applyPick,
      ticks: {
        picked: (_scope, { id, amount, at }) => (amount ? { broodId: id, picked: amount, at: exactly(at), next: null } : null),
      },
      undo: stock.ledgerUndoing({
        tables: [picks, broods],
        before: refuseWhenSeenSince(log, repository),
        // What stands of the pickings says over which days the batch was laid.
        async after(scope, entry) {
          const broodId = entry.subjectId;
          if (!broodId) return;
          const [standing, [first]] = [
            await picks.find(scope, { broodId }),
            await picks.find(scope, { broodId }, { ...OLDEST_FIRST_BY_ROW, limit: 1, all: true }),
          ];
          if (!first) return;
          const laid = spanOf([
            { from: first.wasFrom, to: first.wasTo },
            ...standing.map(({ fromAt, toAt }) => ({ from: fromAt, to: toAt })),
          ]);
          await broods.update(scope, { id: broodId }, { laidFrom: laid.from, laidTo: laid.to });
        },
      }),
    },
  });
}

/** The first of all pickings, taken back or not. */
const OLDEST_FIRST_BY_ROW = { order: [['id', 'ASC']] } satisfies { order: [string, string][] };

const spanOf = (ranges: readonly TimeRange[]): TimeRange => ({
  from: ranges.reduce((least, { from }) => (from < least ? from : least), ranges[0]?.from ?? ''),
  to: ranges.reduce((most, { to }) => (to > most ? to : most), ranges[0]?.to ?? ''),
});
