import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { salesEndpoints } from '@freshet/contract/sales';
import { BUYER_WORDS, takingsMonths, type Payment, type Taking } from '@freshet/core/sales';
import { houseDay, startOfDay } from '@freshet/core/time';
import type { LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Who } from '../platform';
import type { SpeciesService } from '../species';
import type { SalesRepository } from './sales.repository';

type Body<Name extends keyof typeof salesEndpoints> = BodyOf<(typeof salesEndpoints)[Name]>;

const buyerWords = (row: Pick<Body<'noteBuyer'>, 'name' | 'kind'> | null) =>
  row ? `${row.name}, ${BUYER_WORDS[row.kind]}` : 'nothing';

/** Who fish go to. The log never says who: it is read by others than the keeper, and is kept when somebody is erased. */
export function createBuyers({
  clock,
  log,
  species,
  repository,
}: {
  clock: Clock;
  log: LogService;
  species: SpeciesService;
  repository: SalesRepository;
}) {
  const { buyers } = repository;

  /** The buyer as it stands; refused when there is none or it was erased. */
  async function mustHave(scope: Scope, buyerId: string) {
    const buyer = await repository.buyer(scope, buyerId);
    if (!buyer) throw new DomainError('request/invalid', { detail: 'There’s no such buyer.', pointer: '#/buyerId' });
    if (buyer.erased) throw new DomainError('request/invalid', { detail: 'This buyer was erased.', pointer: '#/buyerId' });
    return buyer;
  }

  /** Keeps somebody new in the entry of another write. */
  async function add(scope: Scope, buyerId: string, { kind, name }: Pick<Body<'noteBuyer'>, 'kind' | 'name'>, pays: Payment) {
    await mustBeNew(scope, buyerId, name, '#/newBuyer/name');
    await buyers.insert(scope, {
      ...{ contact: null, leastMm: null, perWeek: null, feePercent: null, bagsMost: null, note: null },
      ...{ id: newId(), entryId: scope.entryId, buyerId, kind, name, pays, dates: [], prices: [], erased: false, at: scope.now },
    });
  }

  /** Refuses a name that another buyer has. */
  async function mustBeNew(scope: Scope, buyerId: string, name: string, pointer: string): Promise<void> {
    const same = (await repository.allBuyers(scope)).some(
      (other) => other.buyerId !== buyerId && !other.erased && other.name.toLowerCase() === name.toLowerCase(),
    );
    if (same) throw new DomainError('request/invalid', { detail: 'There’s already a buyer of that name.', pointer });
  }

  log.declare({
    buyer: {
      apply: async (scope, body) => {
        const { id: _id, version, override: _override, ...row } = body;
        const before = await repository.buyer(scope, body.buyerId);
        if (before?.erased) throw new DomainError('request/invalid', { detail: 'This buyer was erased.', pointer: '#/buyerId' });
        await log.mustBeNewest(scope, version, before, { theirs: buyerWords(before), yours: buyerWords(body) });
        await mustBeNew(scope, body.buyerId, body.name, '#/name');
        await buyers.insert(scope, { ...row, id: newId(), entryId: scope.entryId, erased: false, at: scope.now });
        return { text: `Buyer ${before ? 'changed' : 'added'}: ${BUYER_WORDS[body.kind]}`, subjectId: body.buyerId };
      },
      undo: {
        tables: [buyers],
        async before(scope, entry) {
          const [row] = await buyers.find(scope, { entryId: entry.id });
          if (!row) return;
          if (row.erased) throw new DomainError('log/later-entries', { detail: 'This buyer was erased since.' });
          const others = await buyers.find(scope, { buyerId: row.buyerId }, { limit: 2 });
          const used =
            (await repository.sold.find(scope, { buyerId: row.buyerId }, { limit: 1 })).length > 0 ||
            (await repository.orders.find(scope, { buyerId: row.buyerId }, { limit: 1 })).length > 0;
          if (others.length === 1 && used)
            throw new DomainError('log/later-entries', {
              detail: 'Something was ordered or sold to it since; undo that first.',
            });
        },
      },
    },
    buyerErased: {
      apply: async (scope, body) => {
        await mustHave(scope, body.buyerId);
        const open = (await repository.openOrders(scope)).some(({ buyerId }) => buyerId === body.buyerId);
        if (open)
          throw new DomainError('request/invalid', {
            detail: 'An order of theirs is still open: hand it over or cancel it first.',
            pointer: '#/buyerId',
          });
        await repository.eraseBuyer(scope, body.buyerId);
        return { text: 'A buyer was erased; what they bought stays without a name', subjectId: body.buyerId };
      },
      undo: {
        tables: [],
        before: () =>
          Promise.reject(new DomainError('log/later-entries', { detail: 'What was erased is gone and cannot be brought back.' })),
      },
    },
  });

  return {
    mustHave,
    add,

    async list(who: Who) {
      const [rows, took, kinds] = await Promise.all([repository.allBuyers(who), repository.took(who), species.list(who)]);
      const names = new Map(kinds.map(({ key, commonName }) => [key, commonName]));
      const tookBy = groupBy(took, ({ buyerId }) => buyerId);
      return rows
        .map(({ buyerId, entryId, id: _id, at: _at, ...row }) => {
          const own = tookBy.get(buyerId) ?? [];
          return {
            ...row,
            buyerId,
            entryId,
            heads: own.reduce((sum, { heads }) => sum + heads, 0),
            cents: own.reduce((sum, { cents }) => sum + cents, 0),
            creditCents: own.reduce((sum, { credit }) => sum + credit, 0),
            last:
              own
                .map(({ last }) => last)
                .sort()
                .at(-1) ?? null,
            took: own
              .map(({ speciesKey, heads, cents, last, lastCents }) => ({
                speciesKey,
                speciesName: names.get(speciesKey) ?? speciesKey,
                heads,
                cents,
                last,
                lastCents,
              }))
              .sort((a, b) => b.heads - a.heads),
          };
        })
        .sort((a, b) => Number(a.erased) - Number(b.erased) || b.heads - a.heads || (a.name < b.name ? -1 : 1));
    },

    /** What each took of each species, by month of the house's days. */
    async takings(who: Who): Promise<Taking[]> {
      const months = takingsMonths(houseDay(clock.now(), who.timeZone));
      const begins = months.map((month) => Date.parse(startOfDay(`${month}-01`, who.timeZone)));
      const [rows, kinds] = await Promise.all([
        repository.takenSince(who, new Date(begins[0] ?? 0).toISOString()),
        species.list(who),
      ]);
      const names = new Map(kinds.map(({ key, commonName }) => [key, commonName]));
      const sums = new Map<string, Taking>();
      let i = 0;
      for (const { buyerId, speciesKey, at, heads, cents } of rows) {
        // Rows are in order of time: the month only ever goes on.
        while ((begins[i + 1] ?? Infinity) <= at.getTime()) i++;
        const month = months[i] ?? '';
        const key = `${buyerId} ${speciesKey} ${month}`;
        const sum = sums.get(key) ?? {
          ...{ buyerId, speciesKey, month, heads: 0, cents: 0 },
          speciesName: names.get(speciesKey) ?? speciesKey,
        };
        sum.heads += heads;
        sum.cents += cents * heads;
        sums.set(key, sum);
      }
      return [...sums.values()];
    },
  };
}
export type BuyersService = ReturnType<typeof createBuyers>;
