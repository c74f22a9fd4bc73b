import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { salesEndpoints } from '@freshet/contract/sales';
import { UNPAID, type SalesView } from '@freshet/core/sales';
import { totalHeads } from '@freshet/core/stock';
import { formatDay, houseDay } from '@freshet/core/time';
import type { LogService, Scope } from '../log';
import { DomainError, type Reading, type Who } from '../platform';
import type { SpeciesService } from '../species';
import type { StockService } from '../stock';
import type { BuyersService } from './buyers.service';
import type { OrderLineRow, OrderRow, SalesRepository } from './sales.repository';

type Body<Name extends keyof typeof salesEndpoints> = BodyOf<(typeof salesEndpoints)[Name]>;
const invalid = (detail: string, pointer: string) => new DomainError('request/invalid', { detail, pointer });
const SEXES = ['males', 'females', 'unsexed'] as const;
/** Orders that are shown at most. */
const SHOWN = 300;

/** Refuses animals of kinds that the law speaks against until a reason is given. @param laws - of each kind; null where it says nothing */
export function mustHaveReason(laws: readonly (string | null)[], reason: string | null, pointer = '#/reason'): void {
  const law = reason === null ? laws.find((one) => one !== null) : null;
  if (law) throw invalid(`${law} Say why they can go anyway.`, pointer);
}

/** Orders: what is asked for by when, and which animals are set aside for it. */
export function createOrders({
  log,
  stock,
  buyers,
  repository,
  species,
  broodsOf,
}: {
  log: LogService;
  stock: StockService;
  buyers: BuyersService;
  repository: SalesRepository;
  species: SpeciesService;
  /** Broods by their ids. */
  broodsOf: (at: Reading, ids: readonly string[]) => Promise<{ id: string; speciesKey: string }[]>;
}) {
  const { orders } = repository;
  const oneBack = {
    tables: [orders],
    async before(scope: Scope, entry: { id: string }) {
      const [row] = await orders.find(scope, { entryId: entry.id });
      const newest = row ? await repository.standingOrder(scope, row.orderId) : null;
      if (row && newest && newest.id !== row.id)
        throw new DomainError('log/later-entries', { detail: 'The order was changed since; undo that first.' });
      if (row?.cancelled && row.closed) await mustFit(scope, row.orderId, row.orderLines);
    },
  };

  /** Refuses to promise what is promised already, or more than live. */
  async function mustFit(scope: Scope, orderId: string, lines: readonly OrderLineRow[]): Promise<void> {
    const wanted = new Map<string, { males: number; females: number; unsexed: number; pointer: string }>();
    for (const [i, { reserved }] of lines.entries())
      for (const part of reserved) {
        const sum = wanted.get(part.lotId) ?? { males: 0, females: 0, unsexed: 0, pointer: `#/lines/${i}/reserved` };
        for (const sex of SEXES) sum[sex] += part[sex];
        wanted.set(part.lotId, sum);
      }
    if (wanted.size === 0) return;
    const free = new Map(
      (await stock.repository.byIds(scope, [...wanted.keys()])).map(({ id, males, females, unsexed }) => [
        id,
        { males, females, unsexed },
      ]),
    );
    for (const other of await repository.openOrders(scope))
      if (other.orderId !== orderId)
        for (const { reserved } of other.orderLines)
          for (const part of reserved) {
            const lot = free.get(part.lotId);
            if (lot) for (const sex of SEXES) lot[sex] -= part[sex];
          }
    for (const [lotId, want] of wanted) {
      const there = free.get(lotId);
      const lacking = SEXES.find((sex) => want[sex] > (there?.[sex] ?? 0));
      if (!lacking) continue;
      const left = SEXES.reduce((sum, sex) => sum + Math.max(0, there?.[sex] ?? 0), 0);
      throw invalid(
        `Only ${left} of that lot aren’t promised to someone else${left >= totalHeads(want) ? ', and of another sex' : ''}.`,
        want.pointer,
      );
    }
  }

  type Kinds = Awaited<ReturnType<SpeciesService['all']>>;
  const inWords = (kinds: Kinds, lines: readonly { speciesKey: string; heads: number }[]) =>
    lines.map(({ speciesKey, heads }) => `${heads} ${kinds.get(speciesKey)?.commonName.toLowerCase() ?? speciesKey}`).join(', ');

  /** Refuses what cannot be ordered: animals that are not there or of another species, kinds the law speaks against. */
  async function mustBeSound(scope: Scope, { lines, reason }: Body<'order'>): Promise<void> {
    const kinds = await species.all(scope);
    const [lots, found] = [
      await stock.repository.byIds(
        scope,
        lines.flatMap(({ reserved }) => reserved.map(({ lotId }) => lotId)),
      ),
      await broodsOf(
        scope,
        lines.flatMap(({ broodId }) => broodId ?? []),
      ),
    ];
    for (const [i, line] of lines.entries()) {
      const at = (field: string) => `#/lines/${i}/${field}`;
      if (!kinds.get(line.speciesKey)) throw invalid('There’s no such species.', at('speciesKey'));
      const brood = line.broodId === null ? null : found.find(({ id }) => id === line.broodId);
      if (brood === undefined) throw invalid('That brood is gone.', at('broodId'));
      if (brood && brood.speciesKey !== line.speciesKey) throw invalid('That brood is of another species.', at('broodId'));
      for (const { lotId } of line.reserved) {
        const lot = lots.find(({ id }) => id === lotId);
        if (!lot || totalHeads(lot) === 0) throw invalid('These animals have moved on.', at('reserved'));
        if (lot.speciesKey !== line.speciesKey) throw invalid('These animals are of another species.', at('reserved'));
      }
    }
    if (new Set(lines.map(({ lineId }) => lineId)).size < lines.length) throw invalid('Two lines have one id.', '#/lines');
    mustHaveReason(
      lines.map(({ speciesKey }) => kinds.get(speciesKey)?.law ?? null),
      reason,
    );
  }

  log.declare({
    order: {
      check: mustBeSound,
      apply: async (scope, body) => {
        const { lines, dueOn, reason } = body;
        const [kinds, today] = [await species.all(scope), houseDay(scope.now, scope.timeZone)];
        const buyer = await buyers.mustHave(scope, body.buyerId);
        const before = await repository.standingOrder(scope, body.orderId);
        if (before?.closed)
          throw invalid(before.cancelled !== null ? 'This order was cancelled.' : 'This order was handed over.', '#/orderId');
        await log.mustBeNewest(scope, body.version, before, {
          theirs: before ? inWords(kinds, before.orderLines) : 'nothing',
          yours: inWords(kinds, lines),
        });
        if (dueOn < today && before?.dueOn !== dueOn) throw invalid('That day is over.', '#/dueOn');
        const orderLines = lines.map((line, i): OrderLineRow => {
          const collected = before?.orderLines.find(({ lineId }) => lineId === line.lineId)?.collected ?? 0;
          const aside = line.reserved.reduce((sum, part) => sum + totalHeads(part), 0);
          if (line.heads < collected) throw invalid(`${collected} of these were handed over.`, `#/lines/${i}/heads`);
          if (aside + collected > line.heads)
            throw invalid(`${aside} are set aside for ${line.heads - collected}.`, `#/lines/${i}/reserved`);
          if (UNPAID.includes(buyer.kind) && line.cents > 0) throw invalid('Nothing is asked for a gift.', `#/lines/${i}/cents`);
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
          buyerId: body.buyerId,
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
          text: `Order ${number}${before ? ' changed' : ''}: ${inWords(kinds, lines)} for ${formatDay(dueOn, today)}`,
          subjectId: body.orderId,
          about: [body.buyerId, ...lines.flatMap(({ reserved, broodId }) => [broodId, ...reserved.map(({ lotId }) => lotId)])],
        };
      },
      undo: oneBack,
    },
    orderCancelled: {
      apply: async (scope, body) => {
        const before = await repository.standingOrder(scope, body.orderId);
        if (!before) throw new DomainError('request/not-found', { detail: 'There’s no such order.' });
        if (before.closed) throw invalid('This order is over already.', '#/orderId');
        await orders.insert(scope, {
          ...before,
          id: newId(),
          entryId: scope.entryId,
          cancelled: body.why,
          closed: true,
          at: scope.now,
        });
        return { text: `Order ${before.number} cancelled: ${body.why}`, subjectId: body.orderId, about: [before.buyerId] };
      },
      undo: oneBack,
    },
  });
  return {
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
      const [rows, all] = await Promise.all([repository.standingOrders(who, SHOWN), repository.allBuyers(who)]);
      const buyerOf = new Map(all.map((buyer) => [buyer.buyerId, buyer]));
      return rows
        .map((row) => ({
          orderId: row.orderId,
          entryId: row.entryId,
          number: row.number,
          buyerId: row.buyerId,
          buyerName: buyerOf.get(row.buyerId)?.name ?? 'Erased',
          buyerKind: buyerOf.get(row.buyerId)?.kind ?? ('private' as const),
          pays: buyerOf.get(row.buyerId)?.pays ?? ('cash' as const),
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
  };
}
export type OrdersService = ReturnType<typeof createOrders>;
