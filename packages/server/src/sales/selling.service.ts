import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { salesEndpoints } from '@freshet/contract/sales';
import { barOf, labelCode, UNPAID, type SalesView } from '@freshet/core/sales';
import { totalHeads } from '@freshet/core/stock';
import { exactly } from '@freshet/core/time';
import type { LogService, Scope } from '../log';
import { DomainError, type Who } from '../platform';
import type { SpeciesService } from '../species';
import type { LotRow, StockService } from '../stock';
import { mustHaveReason, type OrdersService } from './orders.service';
import type { BuyersService } from './buyers.service';
import type { SalesRepository } from './sales.repository';

type Body<Name extends keyof typeof salesEndpoints> = BodyOf<(typeof salesEndpoints)[Name]>;
const invalid = (detail: string, pointer: string) => new DomainError('request/invalid', { detail, pointer });

/** Animals are handed over: they leave the ledger, with to whom, for how much, and under which code. */
export function createSelling({
  log,
  species,
  stock,
  buyers,
  orders,
  repository,
  viewOf,
}: {
  log: LogService;
  species: SpeciesService;
  stock: StockService;
  buyers: BuyersService;
  orders: OrdersService;
  repository: SalesRepository;
  /** The house as it is before this write. */
  viewOf: (at: Who) => Promise<SalesView>;
}): void {
  const { sold, complaints } = repository;

  async function applySale(scope: Scope, body: Body<'sell'>) {
    if (body.newBuyer) await buyers.add(scope, body.buyerId, body.newBuyer, body.pays);
    const buyer = await buyers.mustHave(scope, body.buyerId);
    const order = body.orderId === null ? null : await repository.standingOrder(scope, body.orderId);
    if (body.orderId !== null && !order) throw invalid('There’s no such order.', '#/orderId');
    if (order?.closed) throw invalid('This order is over already.', '#/orderId');
    if (order && order.buyerId !== body.buyerId) throw invalid('That order is for someone else.', '#/buyerId');
    const promised = await orders.promised(scope, body.orderId);
    const cause = UNPAID.includes(buyer.kind) ? 'gift' : 'sale';
    const told: string[] = [];
    const about: (string | null)[] = [buyer.buyerId, body.orderId];
    const kinds = new Map<string, number>();
    const parts: { lineId: string; lotId: string; heads: number }[] = [];
    let tankId: string | null = null;
    for (const [i, one] of body.lots.entries()) {
      const at = (field: string) => `#/lots/${i}/${field}`;
      const heads = totalHeads(one.heads);
      if (heads === 0) throw invalid('At least one.', at('heads'));
      if (cause === 'gift' && one.cents > 0) throw invalid('Nothing is asked for a gift.', at('cents'));
      const lot = await stock.getLot(scope, one.lotId);
      const others = promised.get(lot.id);
      if (others && totalHeads(lot) - heads < others.heads)
        throw invalid(
          `${others.heads} of these are promised (order ${others.numbers.join(', ')}): ${Math.max(0, totalHeads(lot) - others.heads)} can go.`,
          at('heads'),
        );
      if (order && one.lineId !== null) {
        const line = order.orderLines.find(({ lineId }) => lineId === one.lineId);
        if (!line || line.speciesKey !== lot.speciesKey) throw invalid('The order does not ask for these.', at('lineId'));
        const going = parts.filter(({ lineId }) => lineId === one.lineId).reduce((sum, part) => sum + part.heads, heads);
        if (line.collected + going > line.heads)
          throw invalid(`The order asks for ${line.heads - line.collected} of them.`, at('heads'));
        parts.push({ lineId: one.lineId, lotId: lot.id, heads });
      }
      try {
        await stock.applyLoss(scope, { lotId: lot.id, heads: one.heads, cause, at: exactly(body.at) });
      } catch (error) {
        if (!(error instanceof DomainError)) throw error;
        throw new DomainError(error.code, { detail: error.detail, pointer: at('heads'), cause: error });
      }
      await sold.insert(scope, {
        id: one.soldId,
        entryId: scope.entryId,
        saleId: body.saleId,
        orderId: body.orderId,
        lineId: one.lineId,
        buyerId: buyer.buyerId,
        pays: body.pays,
        lotId: lot.id,
        broodId: lot.broodId,
        speciesKey: lot.speciesKey,
        tankId: lot.tankId,
        ...one.heads,
        cents: one.cents,
        feeCents: Math.round((one.cents * heads * (buyer.feePercent ?? 0)) / 100),
        lengthMm: one.lengthMm,
        code: labelCode(one.lineId ?? body.saleId, lot.id),
        at: body.at,
      });
      tankId ??= lot.tankId;
      about.push(lot.id, lot.tankId, lot.broodId);
      kinds.set(lot.speciesKey, (kinds.get(lot.speciesKey) ?? 0) + heads);
    }
    for (const [key, heads] of kinds) told.push(`${heads} ${(await species.get(scope, key)).commonName.toLowerCase()}`);
    if (order) await orders.handedOver(scope, order, parts);
    return {
      text: `${told.join(', ')} ${cause === 'gift' ? 'given away' : 'sold'}${order ? ` (order ${order.number})` : ''}`,
      tankId,
      subjectId: body.lots.length === 1 ? (body.lots[0]?.lotId ?? null) : body.saleId,
      about,
    };
  }

  /** Refuses what may not go without a reason: kinds the law speaks against, animals of a tank under quarantine or treatment. */
  async function mustBeFree(scope: Scope, going: readonly LotRow[], reason: string | null, pointer: string): Promise<void> {
    if (reason !== null) return;
    const kinds = await Promise.all(
      [...new Set(going.map(({ speciesKey }) => speciesKey))].map((key) => species.get(scope, key)),
    );
    mustHaveReason(
      kinds.map(({ law }) => law),
      reason,
      pointer,
    );
    const view = await viewOf(scope);
    const [bar] = going.flatMap((lot) => barOf(view, lot) ?? []);
    if (bar) throw invalid(`They are in ${bar}, so they could carry it to others. Say why they can go anyway.`, pointer);
  }

  // A loss by sale or as a gift is a sale that nobody was asked about: what speaks against a sale speaks against it.
  log.alsoChecked('loss', async (scope, { lotId, heads, cause }) => {
    if (cause !== 'sale' && cause !== 'gift') return;
    const lot = await stock.getLot(scope, lotId);
    const promised = (await orders.promised(scope, null)).get(lot.id);
    const left = totalHeads(lot) - totalHeads(heads);
    if (promised && left < promised.heads)
      throw invalid(
        `${promised.heads} of these are promised (order ${promised.numbers.join(', ')}): ${Math.max(0, totalHeads(lot) - promised.heads)} can go.`,
        '#/heads',
      );
    await mustBeFree(scope, [lot], scope.override?.reason ?? null, '#/cause');
  });

  log.declare({
    sale: {
      async check(scope, body) {
        const going = await stock.repository.byIds(
          scope,
          body.lots.map(({ lotId }) => lotId),
        );
        await mustBeFree(scope, going, body.reason, '#/reason');
      },
      apply: applySale,
      undo: stock.ledgerUndoing({
        tables: [sold, repository.orders, repository.buyers],
        async before(scope, entry) {
          const rows = await sold.find(scope, { entryId: entry.id });
          if (
            (
              await repository.complaintsOf(
                scope,
                rows.map(({ id }) => id),
              )
            ).length > 0
          )
            throw new DomainError('log/later-entries', { detail: 'A complaint was logged of it since; undo that first.' });
          const [noted] = await repository.buyers.find(scope, { entryId: entry.id });
          if (noted) {
            const [went, asked] = await Promise.all([
              sold.find(scope, { buyerId: noted.buyerId }),
              repository.orders.find(scope, { buyerId: noted.buyerId }, { limit: 1 }),
            ]);
            if (asked.length > 0 || went.some(({ entryId }) => entryId !== entry.id))
              throw new DomainError('log/later-entries', { detail: 'Something else went to them since; undo that first.' });
          }
          const [changed] = await repository.orders.find(scope, { entryId: entry.id });
          const newest = changed ? await repository.standingOrder(scope, changed.orderId) : null;
          if (changed && newest && newest.id !== changed.id)
            throw new DomainError('log/later-entries', { detail: 'The order was changed since; undo that first.' });
        },
      }),
    },
    complaint: {
      apply: async (scope, body) => {
        const row = await sold.get(scope, body.soldId);
        if (!row) throw new DomainError('request/not-found', { detail: 'These weren’t handed over, or it was undone.' });
        if (body.heads > totalHeads(row)) throw invalid(`Only ${totalHeads(row)} went.`, '#/heads');
        if (body.at < row.at) throw invalid('That is before they were handed over.', '#/at');
        if ((body.settled === 'open' || body.settled === 'none') && body.cents > 0)
          throw invalid('What did you do about it? You gave money back.', '#/settled');
        const { id: _id, ...asked } = body;
        await complaints.insert(scope, { ...asked, id: newId(), entryId: scope.entryId });
        return {
          text: `Complaint of ${row.code}: ${body.what}`,
          tankId: row.tankId,
          subjectId: row.broodId ?? row.lotId,
          about: [row.lotId, row.buyerId],
        };
      },
      undo: { tables: [complaints] },
    },
  });
}
