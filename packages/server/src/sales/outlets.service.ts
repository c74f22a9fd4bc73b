import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { salesEndpoints } from '@freshet/contract/sales';
import { OUTLET_WORDS, takingsMonths, type Payment, type Taking } from '@freshet/core/sales';
import { houseDay, startOfDay } from '@freshet/core/time';
import type { LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Who } from '../platform';
import type { SpeciesService } from '../species';
import type { SalesRepository } from './sales.repository';

type Body<Name extends keyof typeof salesEndpoints> = BodyOf<(typeof salesEndpoints)[Name]>;

const outletWords = (row: Pick<Body<'noteOutlet'>, 'name' | 'kind'> | null) =>
  row ? `${row.name}, ${OUTLET_WORDS[row.kind]}` : 'nothing';

/** Who fish go to. The log never says who: it is read by others than the keeper, and is kept when somebody is erased. */
export function createOutlets({
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
  const { outlets } = repository;

  /** The outlet as it stands; refused when there is none or it was erased. */
  async function mustHave(scope: Scope, outletId: string) {
    const outlet = await repository.outlet(scope, outletId);
    if (!outlet) throw new DomainError('request/invalid', { detail: 'There is no such outlet.', pointer: '#/outletId' });
    if (outlet.erased) throw new DomainError('request/invalid', { detail: 'This outlet was erased.', pointer: '#/outletId' });
    return outlet;
  }

  /** Keeps somebody new in the entry of another write. */
  async function add(scope: Scope, outletId: string, { kind, name }: Pick<Body<'noteOutlet'>, 'kind' | 'name'>, pays: Payment) {
    await mustBeNew(scope, outletId, name, '#/newOutlet/name');
    await outlets.insert(scope, {
      ...{ contact: null, leastMm: null, perWeek: null, feePercent: null, bagsMost: null, note: null },
      ...{ id: newId(), entryId: scope.entryId, outletId, kind, name, pays, dates: [], prices: [], erased: false, at: scope.now },
    });
  }

  /** Refuses a name that another outlet has. */
  async function mustBeNew(scope: Scope, outletId: string, name: string, pointer: string): Promise<void> {
    const same = (await repository.allOutlets(scope)).some(
      (other) => other.outletId !== outletId && !other.erased && other.name.toLowerCase() === name.toLowerCase(),
    );
    if (same) throw new DomainError('request/invalid', { detail: 'There is an outlet of that name already.', pointer });
  }

  log.declare({
    outlet: {
      apply: async (scope, body) => {
        const { id: _id, version, override: _override, ...row } = body;
        const before = await repository.outlet(scope, body.outletId);
        if (before?.erased)
          throw new DomainError('request/invalid', { detail: 'This outlet was erased.', pointer: '#/outletId' });
        await log.mustBeNewest(scope, version, before, { theirs: outletWords(before), yours: outletWords(body) });
        await mustBeNew(scope, body.outletId, body.name, '#/name');
        await outlets.insert(scope, { ...row, id: newId(), entryId: scope.entryId, erased: false, at: scope.now });
        return { text: `Outlet ${before ? 'changed' : 'noted'}: ${OUTLET_WORDS[body.kind]}`, subjectId: body.outletId };
      },
      undo: {
        tables: [outlets],
        async before(scope, entry) {
          const [row] = await outlets.find(scope, { entryId: entry.id });
          if (!row) return;
          if (row.erased) throw new DomainError('log/later-entries', { detail: 'This outlet was erased since.' });
          const others = await outlets.find(scope, { outletId: row.outletId }, { limit: 2 });
          const used =
            (await repository.sold.find(scope, { outletId: row.outletId }, { limit: 1 })).length > 0 ||
            (await repository.orders.find(scope, { outletId: row.outletId }, { limit: 1 })).length > 0;
          if (others.length === 1 && used)
            throw new DomainError('log/later-entries', {
              detail: 'Something was ordered or sold to it since; take that back first.',
            });
        },
      },
    },
    outletErased: {
      apply: async (scope, body) => {
        await mustHave(scope, body.outletId);
        const open = (await repository.openOrders(scope)).some(({ outletId }) => outletId === body.outletId);
        if (open)
          throw new DomainError('request/invalid', {
            detail: 'An order of theirs is still open: hand it over or cancel it first.',
            pointer: '#/outletId',
          });
        await repository.eraseOutlet(scope, body.outletId);
        return { text: 'An outlet was erased; what it took stays without a name', subjectId: body.outletId };
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
      const [rows, took, kinds] = await Promise.all([repository.allOutlets(who), repository.took(who), species.list(who)]);
      const names = new Map(kinds.map(({ key, commonName }) => [key, commonName]));
      const tookBy = groupBy(took, ({ outletId }) => outletId);
      return rows
        .map(({ outletId, entryId, id: _id, at: _at, ...row }) => {
          const own = tookBy.get(outletId) ?? [];
          return {
            ...row,
            outletId,
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
      for (const { outletId, speciesKey, at, heads, cents } of rows) {
        // Rows are in order of time: the month only ever goes on.
        while ((begins[i + 1] ?? Infinity) <= at.getTime()) i++;
        const month = months[i] ?? '';
        const key = `${outletId} ${speciesKey} ${month}`;
        const sum = sums.get(key) ?? {
          ...{ outletId, speciesKey, month, heads: 0, cents: 0 },
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
export type OutletsService = ReturnType<typeof createOutlets>;
