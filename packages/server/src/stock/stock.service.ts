import type { BodyOf } from '@freshet/contract/endpoints';
import { NO_DETAILS, type stockEndpoints } from '@freshet/contract/stock';
import {
  addHeads,
  decideLoss,
  decideMove,
  EMPTY,
  subtractHeads,
  totalHeads,
  type Cause,
  type Heads,
  type Movement,
  causeWords,
} from '@freshet/core/stock';
import { exactly, spanOf, type TimeRange } from '@freshet/core/time';
import type { Applied, LogService, Scope, Undoing } from '../log';
import { DomainError, type Clock, type Database, type Reading } from '../platform';
import type { ReadinessService, RoomService } from '../room';
import { guardTanks } from './tankGuards';
import { createCounting } from './counting';
import { proveLedger } from './proveLedger';
import { createQuarantines, type IllnessesSince } from './quarantines';
import type { SpeciesService } from '../species';
import type { Details } from './lotDetails';
import { headWords } from './headWords';
import { createStockRepository, detailsOf, type LotRow } from './stock.repository';
import { v7 as newId } from 'uuid';

type Body<Name extends keyof typeof stockEndpoints> = BodyOf<(typeof stockEndpoints)[Name]>;
/** A lot to be made; what is said of it may be left out. */
type NewLot = Omit<LotRow, 'entryId' | keyof Heads | keyof Details> & Partial<Details>;
/** Where animals are to go. */
export interface Destination {
  lotId: string;
  toTankId: string;
}
const headsOf = ({ males, females, unsexed }: Heads): Heads => ({ males, females, unsexed });

/** Lots and the double-entry ledger of headcounts. */
export function createStock({
  database,
  clock,
  log,
  room,
  readiness,
  species,
  illnessesSince,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  readiness: ReadinessService;
  species: SpeciesService;
  illnessesSince: IllnessesSince;
}) {
  const repository = createStockRepository(database);
  const { lots, movements, placements } = repository;
  const quarantines = createQuarantines({ clock, room, readiness, repository, illnessesSince });

  async function getLot(at: Reading, lotId: string): Promise<LotRow> {
    const lot = await lots.get(at, lotId);
    if (!lot) throw new DomainError('request/not-found', { detail: 'There’s no such lot.' });
    return lot;
  }

  /** Books one movement and brings the cached headcounts of its lots along. */
  async function book(scope: Scope, movement: Movement, when: TimeRange, pointer = '#/heads'): Promise<void> {
    const { entryId } = scope;
    const change = async (lotId: string, sum: (have: Heads, by: Heads) => Heads) => {
      const lot = await getLot(scope, lotId);
      const heads = sum(headsOf(lot), movement);
      if (heads.males < 0 || heads.females < 0 || heads.unsexed < 0)
        throw new DomainError(movement.cause === 'undo' ? 'log/later-entries' : 'stock/too-many', {
          detail:
            movement.cause === 'undo'
              ? 'Some of these animals were moved or lost since; undo that first.'
              : `Only ${headWords(headsOf(lot))} are there.`,
          pointer,
        });
      await lots.update(scope, { id: lotId }, heads);
    };
    if (movement.fromLotId) await change(movement.fromLotId, subtractHeads);
    if (movement.toLotId) await change(movement.toLotId, addHeads);
    await movements.insert(scope, {
      id: newId(),
      entryId,
      fromAt: when.from,
      toAt: when.to,
      byUser: scope.userId,
      fromLotId: movement.fromLotId,
      toLotId: movement.toLotId,
      cause: movement.cause,
      ...headsOf(movement),
    });
  }

  /** Makes an empty lot in a tank; a movement fills it. */
  async function createLot(scope: Scope, lot: NewLot): Promise<void> {
    await lots.insert(scope, { ...NO_DETAILS, ...lot, ...EMPTY, entryId: scope.entryId });
    if (lot.tankId)
      await placements.insert(scope, { id: newId(), entryId: scope.entryId, lotId: lot.id, tankId: lot.tankId, at: lot.since });
  }

  /** Makes many lots at once, each with the animals that came with it. */
  async function addLots(scope: Scope, made: readonly { lot: NewLot; heads: Heads }[]): Promise<void> {
    const { entryId } = scope;
    await lots.insert(
      scope,
      made.map(({ lot, heads }) => ({ ...NO_DETAILS, ...lot, ...headsOf(heads), entryId })),
    );
    await placements.insert(
      scope,
      made.flatMap(({ lot: { id: lotId, tankId, since } }) =>
        tankId ? [{ id: newId(), entryId, lotId, tankId, at: since }] : [],
      ),
    );
    await movements.insert(
      scope,
      made
        .filter(({ heads }) => totalHeads(heads) > 0)
        .map(({ lot, heads }) => ({
          id: newId(),
          entryId,
          fromAt: lot.since,
          toAt: lot.since,
          byUser: scope.userId,
          fromLotId: null,
          toLotId: lot.id,
          cause: 'acquired' as const,
          ...headsOf(heads),
        })),
    );
  }

  /** Books back what an entry moved, once however many of its parts did; refused when those animals went on since. */
  async function bookBack(scope: Scope, entry: { id: string }): Promise<void> {
    if ((await movements.find(scope, { entryId: scope.entryId }, { limit: 1 })).length > 0) return;
    const made = await movements.find(scope, { entryId: entry.id });
    for (const row of made.reverse())
      await book(scope, { ...headsOf(row), fromLotId: row.toLotId, toLotId: row.fromLotId, cause: 'undo' }, exactly(scope.now));
  }
  /** Puts lots back into the tanks they were in before an entry moved them. */
  async function placeBack(scope: Scope, { id: entryId }: { id: string }): Promise<void> {
    const moved = await placements.find(scope, { entryId }, { all: true });
    const before = await placements.newestBy(
      scope,
      'lotId',
      moved.map(({ lotId }) => lotId),
    );
    for (const { lotId, tankId } of before) await lots.update(scope, { id: lotId }, { tankId });
  }
  /** How entries that move animals are taken back, with what else they wrote. */
  const ledgerUndoing = (also: Partial<Undoing> = {}): Undoing => ({
    tables: [placements, ...(also.tables ?? [])],
    async before(scope, entry) {
      await also.before?.(scope, entry);
      await bookBack(scope, entry);
    },
    ...(also.after ? { after: also.after } : {}),
  });

  async function applyMove(
    scope: Scope,
    body: Pick<Body<'move'>, 'lotId' | 'newLotId' | 'toTankId' | 'heads' | 'at'>,
  ): Promise<Applied> {
    const lot = await getLot(scope, body.lotId);
    const tank = await room.getTank(scope, body.toTankId);
    const from = lot.tankId ? await room.getTank(scope, lot.tankId) : null;
    const decision = decideMove(headsOf(lot), body.heads);
    if (!decision.ok) throw new DomainError('stock/too-many', { detail: decision.message, pointer: `#/heads/${decision.field}` });
    if (tank.id === lot.tankId)
      throw new DomainError('request/invalid', { detail: 'They are in that tank already.', pointer: '#/toTankId' });
    const { entryId } = scope;
    const text = `${headWords(body.heads)} from ${from?.code ?? 'nowhere'} to ${tank.code}`;
    if (totalHeads(body.heads) === totalHeads(lot)) {
      await placements.insert(scope, { id: newId(), entryId, lotId: lot.id, tankId: tank.id, at: body.at });
      await lots.update(scope, { id: lot.id }, { tankId: tank.id });
      return { text: `Moved ${text}`, tankId: lot.tankId, subjectId: lot.id, about: [tank.id, lot.broodId] };
    }
    await createLot(scope, {
      ...detailsOf(lot),
      name: null,
      isProven: false,
      id: body.newLotId,
      tankId: tank.id,
      since: body.at,
    });
    await book(scope, { ...body.heads, fromLotId: lot.id, toLotId: body.newLotId, cause: 'split' }, exactly(body.at));
    return {
      text: `Split off ${text}`,
      tankId: lot.tankId,
      subjectId: lot.id,
      about: [tank.id, body.newLotId, lot.broodId],
    };
  }

  async function applyLoss(
    scope: Scope,
    body: { lotId: string; heads: Heads; cause: Cause; at: TimeRange; note?: string | undefined },
  ): Promise<Applied> {
    const lot = await getLot(scope, body.lotId);
    const decision = decideMove(headsOf(lot), body.heads);
    if (!decision.ok) throw new DomainError('stock/too-many', { detail: decision.message, pointer: `#/heads/${decision.field}` });
    await book(scope, { ...headsOf(body.heads), fromLotId: lot.id, toLotId: null, cause: body.cause }, body.at);
    const tank = lot.tankId ? await room.getTank(scope, lot.tankId) : null;
    return {
      text: `${tank?.code ?? 'no tank'}: ${headWords(body.heads)} ${causeWords(body.cause)}${body.note ? `, ${body.note}` : ''}`,
      tankId: lot.tankId,
      subjectId: lot.broodId ?? lot.id,
      about: [lot.id],
    };
  }

  /** Spreads a plain number of losses over the lots of a tank or brood, largest first. */
  async function applyPlainLoss(
    scope: Scope,
    among: readonly LotRow[],
    count: number,
    cause: Cause,
    at: TimeRange,
  ): Promise<void> {
    const total = among.reduce((sum, lot) => sum + totalHeads(lot), 0);
    if (count > total)
      throw new DomainError('stock/too-many', { detail: `Only ${total} are booked, not ${count}.`, pointer: '#/count' });
    let left = count;
    for (const lot of [...among].sort((a, b) => totalHeads(b) - totalHeads(a))) {
      const share = Math.min(left, totalHeads(lot));
      if (share === 0) continue;
      const decision = decideLoss(headsOf(lot), share);
      if (!decision.ok) throw new DomainError('stock/too-many', { detail: decision.message, pointer: '#/count' });
      await book(scope, { ...decision.heads, fromLotId: lot.id, toLotId: null, cause }, at, '#/count');
      left -= share;
    }
  }

  const applyCount = createCounting({ room, repository, getLot, book });

  /** Throws when they would leave a quarantine that is not over; a reason sets that aside. */
  async function mustBeOut(scope: Scope, { lotId, toTankId }: Destination, pointer = '#/toTankId'): Promise<void> {
    if (scope.override) return;
    const { tankId } = await getLot(scope, lotId);
    if (tankId) await quarantines.mustHold(scope, tankId, toTankId, pointer);
  }
  /** Throws when a tank is not ready, or quarantine is not over; a reason sets that aside. */
  async function mustTake(scope: Scope, to: Destination, pointer = '#/toTankId'): Promise<void> {
    await room.mustHoldWater(scope, to.toTankId, pointer);
    if (scope.override) return;
    await readiness.mustBeReady(scope, to.toTankId, pointer);
    await mustBeOut(scope, to, pointer);
  }

  log.declare({
    lot: {
      check: async (scope, { tankId }) => {
        await room.mustHoldWater(scope, tankId, '#/tankId');
        if (!scope.override) await readiness.mustBeReady(scope, tankId, '#/tankId');
      },
      apply: async (scope, body) => {
        const kind = await species.get(scope, body.speciesKey);
        const tank = await room.getTank(scope, body.tankId);
        const { lotId, speciesKey, line, generation, origin, acquiredFrom, at } = body;
        await createLot(scope, {
          id: lotId,
          speciesKey,
          line,
          generation,
          origin,
          acquiredFrom,
          broodId: null,
          tankId: tank.id,
          since: at,
          name: body.name ?? null,
          bornOn: body.bornOn ?? null,
          permit: body.permit ?? null,
        });
        await book(scope, { ...body.heads, fromLotId: null, toLotId: lotId, cause: 'acquired' }, exactly(at));
        return { text: `${kind.commonName}: ${headWords(body.heads)} into ${tank.code}`, tankId: tank.id, subjectId: lotId };
      },
      undo: ledgerUndoing(),
    },
    move: {
      check: (scope, body) => mustTake(scope, body),
      apply: applyMove,
      undo: ledgerUndoing({ after: placeBack }),
    },
    loss: {
      apply: (scope, body) => applyLoss(scope, { ...body, at: spanOf(body.at) }),
      undo: ledgerUndoing(),
    },
    count: {
      apply: (scope, body) => applyCount(scope, body.lotId, body.counted, spanOf(body.at), body),
      undo: ledgerUndoing({ tables: [repository.headCounts] }),
    },
  });
  guardTanks({ log, room, repository });

  return {
    repository,
    book,
    createLot,
    placeBack,
    addLots,
    getLot,
    applyMove,
    mustTake,
    mustBeOut,
    applyLoss,
    applyPlainLoss,
    applyCount,
    quarantines,
    ledgerUndoing,

    balance: (at: Reading) => proveLedger(repository, at),
    clock,
  };
}
export type StockService = ReturnType<typeof createStock>;
