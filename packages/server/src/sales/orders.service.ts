import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { salesEndpoints } from '@freshet/contract/sales';
import { UNPAID, type SalesView } from '@freshet/core/sales';
import { totalHeads } from '@freshet/core/stock';
import { exactly, formatDay } from '@freshet/core/time';
import type { LogService, Scope } from '../log';
import { DomainError, type Clock, type Who } from '../platform';
import type { LotRow, StockService } from '../stock';
import type { OutletsService } from './outlets.service';
import type { OrderLineRow, OrderRow, SalesRepository } from './sales.repository';

type Body<Name extends keyof typeof salesEndpoints> = BodyOf<(typeof salesEndpoints)[Name]>;
const invalid = (detail: string, pointer: string) => new DomainError('request/invalid', { detail, pointer });
const SEXES = ['males', 'females', 'unsexed'] as const;
/** Orders that are shown at most. */
const SHOWN = 300;

/** Refuses animals of kinds that the law speaks against until a reason is given. @param laws - of each kind; null where it says nothing */
export function mustHaveReason(laws: readonly (string | null)[], reason: string | null): void {
  const law = reason === null ? laws.find((one) => one !== null) : null;
  if (law) throw invalid(`${law} Say why they may go all the same.`, '#/reason');
}

/** Orders: what is asked for by when, and which animals are set aside for it. */
export function createOrders({
  clock,
  log,
  stock,
  outlets,
  repository,
}: {
  clock: Clock;
  log: LogService;
  stock: StockService;
  outlets: OutletsService;
  repository: SalesRepository;
}) {
  const { orders } = repository;
  const oneBack = {
    tables: [orders],
    async before(scope: Scope, entry: { id: string }) {
      const [row] = await orders.find(scope, { entryId: entry.id });
      const newest = row ? await repository.standingOrder(scope, row.orderId) : null;
      if (row && newest && newest.id !== row.id)
        throw new DomainError('log/later-entries', { detail: 'The order was changed since; take that back first.' });
      if (row?.cancelled && row.closed) await mustFit(scope, row.orderId, row.orderLines);
    },
  };
  log.register({ order: oneBack, orderCancelled: oneBack });

  /**
   * Locks lots, in one order so that two writes wait for one another and never in a circle. First of all in a write: what a transaction
   * read before it waited is older than what it waited for.
   */
  async function lockLots(scope: Scope, lotIds: readonly string[]): Promise<Map<string, LotRow>> {
    const locked = new Map<string, LotRow>();
    for (const lotId of [...new Set(lotIds)].sort()) locked.set(lotId, await stock.lockLot(scope, lotId));
    return locked;
  }

  /** Refuses to promise what is promised already, or more than live: all lots are locked first. */
  async function mustFit(scope: Scope, orderId: string, lines: readonly OrderLineRow[]): Promise<void> {
    const wanted = new Map<string, { males: number; females: number; unsexed: number; pointer: string }>();
    for (const [i, { reserved }] of lines.entries())
      for (const part of reserved) {
        const sum = wanted.get(part.lotId) ?? { males: 0, females: 0, unsexed: 0, pointer: `#/lines/${i}/reserved` };
        for (const sex of SEXES) sum[sex] += part[sex];
        wanted.set(part.lotId, sum);
      }
    if (wanted.size === 0) return;
    const locked = await lockLots(scope, [...wanted.keys()]);
    for (const other of await repository.openOrders(scope))
      if (other.orderId !== orderId)
        for (const { reserved } of other.orderLines)
          for (const part of reserved) {
            const lot = locked.get(part.lotId);
            if (lot) for (const sex of SEXES) lot[sex] -= part[sex];
          }
    for (const [lotId, want] of wanted) {
      const free = locked.get(lotId);
      const lacking = SEXES.find((sex) => want[sex] > (free?.[sex] ?? 0));
      if (!lacking) continue;
      const left = SEXES.reduce((sum, sex) => sum + Math.max(0, free?.[sex] ?? 0), 0);
      throw invalid(
        `Only ${left} of that lot are not promised to somebody else${left >= totalHeads(want) ? ', and of another sex' : ''}.`,
        want.pointer,
      );
    }
  }

  const inWords = (view: SalesView, lines: readonly { speciesKey: string; heads: number }[]) =>
    lines
      .map(({ speciesKey, heads }) => `${heads} ${view.species.get(speciesKey)?.commonName.toLowerCase() ?? speciesKey}`)
      .join(', ');

  return {
    lockLots,
    /** Of whom so many are promised in other orders, by lot. */
    async promised(scope: Scope, without: string | null): Promise<Map<string, { heads: number; numbers: number[] }>> {
      const found = new Map<string, { heads: number; numbers: number[] }>();
      for (const order of await repository.openOrders(scope))
        if (order.orderId !== without)
          for (const part of order.orderLines.flatMap(({ reserved }) => reserved)) {
            const own = found.get(part.lotId) ?? { heads: 0, numbers: [] };
            found.set(part.lotId, { heads: own.heads + totalHeads(part), numbers: [...own.numbers, order.number] });
          }
      return found;
    },
    /** The order goes on as it is after some of it was handed over. */
    async handedOver(scope: Scope, order: OrderRow, parts: readonly { lineId: string; lotId: string; heads: number }[]) {
      const orderLines = order.orderLines.map((line) => {
        const own = parts.filter(({ lineId }) => lineId === line.lineId);
        const went = own.reduce((sum, { heads }) => sum + heads, 0);
        return {
          ...line,
          collected: line.collected + went,
          reserved: line.reserved.filter(({ lotId }) => !own.some((part) => part.lotId === lotId)),
        };
      });
      const closed = orderLines.every(({ heads, collected }) => collected >= heads);
      await orders.insert(scope, {
        ...order,
        id: newId(),
        entryId: scope.entryId,
        orderLines: closed ? orderLines.map((line) => ({ ...line, reserved: [] })) : orderLines,
        closed,
        at: scope.now,
      });
    },

    async list(who: Who, view: SalesView) {
      const [rows, all] = await Promise.all([repository.standingOrders(who, SHOWN), repository.allOutlets(who)]);
      const outletOf = new Map(all.map((outlet) => [outlet.outletId, outlet]));
      return rows
        .map((row) => ({
          orderId: row.orderId,
          entryId: row.entryId,
          number: row.number,
          outletId: row.outletId,
          outletName: outletOf.get(row.outletId)?.name ?? 'Erased',
          outletKind: outletOf.get(row.outletId)?.kind ?? ('private' as const),
          pays: outletOf.get(row.outletId)?.pays ?? ('cash' as const),
          takenAt: row.takenAt,
          dueOn: row.dueOn,
          state: row.cancelled !== null ? ('cancelled' as const) : row.closed ? ('collected' as const) : ('open' as const),
          cancelled: row.cancelled,
          note: row.note,
          reason: row.reason,
          lines: row.orderLines.map((line) => ({
            ...line,
            reserved: [...line.reserved],
            speciesName: view.species.get(line.speciesKey)?.commonName ?? line.speciesKey,
          })),
        }))
        .sort((a, b) =>
          a.state === 'open' && b.state === 'open'
            ? a.dueOn < b.dueOn
              ? -1
              : 1
            : Number(b.state === 'open') - Number(a.state === 'open'),
        );
    },

    async order(who: Who, body: Body<'order'>, view: SalesView) {
      const replayed = await log.replay(who, 'order', body);
      if (replayed) return replayed;
      const { lines, dueOn, reason } = body;
      for (const [i, line] of lines.entries()) {
        const at = (field: string) => `#/lines/${i}/${field}`;
        if (!view.species.get(line.speciesKey)) throw invalid('There is no such species.', at('speciesKey'));
        const brood = line.broodId === null ? null : view.broods.find(({ brood: { id } }) => id === line.broodId);
        if (brood === undefined) throw invalid('That brood is no longer there.', at('broodId'));
        if (brood && brood.species.key !== line.speciesKey) throw invalid('That brood is of another species.', at('broodId'));
        for (const { lotId } of line.reserved) {
          const lot = view.stock.lots.find(({ id }) => id === lotId);
          if (!lot) throw invalid('These animals are no longer there.', at('reserved'));
          if (lot.speciesKey !== line.speciesKey) throw invalid('These animals are of another species.', at('reserved'));
        }
      }
      if (new Set(lines.map(({ lineId }) => lineId)).size < lines.length) throw invalid('Two lines have one id.', '#/lines');
      mustHaveReason(
        lines.map(({ speciesKey }) => view.species.get(speciesKey)?.law ?? null),
        reason,
      );
      return log.record(who, { kind: 'order', asked: body, when: exactly(clock.now()) }, async (scope) => {
        await lockLots(
          scope,
          lines.flatMap(({ reserved }) => reserved.map(({ lotId }) => lotId)),
        );
        const outlet = await outlets.mustHave(scope, body.outletId);
        const before = await repository.standingOrder(scope, body.orderId);
        if (before?.closed)
          throw invalid(before.cancelled !== null ? 'This order was cancelled.' : 'This order was handed over.', '#/orderId');
        await log.mustBeNewest(scope, body.version, before, {
          theirs: before ? inWords(view, before.orderLines) : 'nothing',
          yours: inWords(view, lines),
        });
        if (dueOn < view.today && before?.dueOn !== dueOn) throw invalid('That day is over.', '#/dueOn');
        const orderLines = lines.map((line, i): OrderLineRow => {
          const collected = before?.orderLines.find(({ lineId }) => lineId === line.lineId)?.collected ?? 0;
          const aside = line.reserved.reduce((sum, part) => sum + totalHeads(part), 0);
          if (line.heads < collected) throw invalid(`${collected} of these were handed over.`, `#/lines/${i}/heads`);
          if (aside + collected > line.heads)
            throw invalid(`${aside} are set aside for ${line.heads - collected}.`, `#/lines/${i}/reserved`);
          if (UNPAID.includes(outlet.kind) && line.cents > 0) throw invalid('Nothing is asked for a gift.', `#/lines/${i}/cents`);
          return { ...line, collected };
        });
        const gone = before?.orderLines.find(
          ({ lineId, collected }) => collected > 0 && !lines.some((line) => line.lineId === lineId),
        );
        if (gone) throw invalid('A line of which some were handed over stays.', '#/lines');
        await mustFit(scope, body.orderId, orderLines);
        const number = before?.number ?? (await repository.nextNumber(scope));
        await orders.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          orderId: body.orderId,
          number,
          outletId: body.outletId,
          dueOn,
          orderLines,
          note: body.note,
          reason,
          cancelled: null,
          closed: orderLines.every(({ heads, collected }) => collected >= heads),
          takenAt: before?.takenAt ?? scope.now,
          at: scope.now,
        });
        return {
          text: `Order ${number}${before ? ' changed' : ''}: ${inWords(view, lines)} for ${formatDay(dueOn, view.today)}`,
          subjectId: body.orderId,
        };
      });
    },

    cancel: (who: Who, body: Body<'cancelOrder'>) =>
      log.record(who, { kind: 'orderCancelled', asked: body, when: exactly(clock.now()) }, async (scope) => {
        const before = await repository.standingOrder(scope, body.orderId);
        if (!before) throw new DomainError('request/not-found', { detail: 'There is no such order.' });
        if (before.closed) throw invalid('This order is over already.', '#/orderId');
        await orders.insert(scope, {
          ...before,
          id: newId(),
          entryId: scope.entryId,
          cancelled: body.why,
          closed: true,
          at: scope.now,
        });
        return { text: `Order ${before.number} cancelled: ${body.why}`, subjectId: body.orderId };
      }),
  };
}
export type OrdersService = ReturnType<typeof createOrders>;
