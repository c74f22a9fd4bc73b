import { v7 as newId } from 'uuid';
import { MEAL_WORDS, SHELF_WORDS, shelfState, tinOf, USUAL_DOSE, type CountedHatch, type ShelfItem } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import type { LogService, Scope } from '../log';
import { DomainError, groupBy, OLDEST_FIRST, type Reading } from '../platform';
import type { RoomService } from '../room';
import type { Housed, LarderRepository } from './larder.repository';

/** Hatches that were counted, as far back as tins are told apart. */
const COUNTED = 60;

/** Tins, bags and bottles; measures that were weighed; what was seen after meals; plans that were taken. */
export function createShelf({ log, room, repository }: { log: LogService; room: RoomService; repository: LarderRepository }) {
  const { shelfItems, shelfEvents, doses, meals, plans, cultures, events } = repository;

  /** What stands on the shelf, with what was taken of each since it was last weighed. */
  async function items(at: Housed): Promise<ShelfItem[]> {
    const rows = await shelfItems.find(at, { finished: false }, OLDEST_FIRST);
    if (rows.length === 0) return [];
    const ids = rows.map(({ id }) => id);
    const [found, set] = await Promise.all([
      shelfEvents.find(at, { itemId: ids }, OLDEST_FIRST),
      rows.some(({ kind }) => kind === 'cysts') ? repository.hatchesSet(at) : [],
    ]);
    const byItem = groupBy(found, ({ itemId }) => itemId);
    return rows.map(({ id, kind, name, food, openedOn, goodUntil, amount, priceCents, at: since }) => {
      const own = byItem.get(id) ?? [];
      const weighed = own.findLast((event) => event.kind === 'weighed' && event.amount !== null);
      const from = weighed?.at ?? since;
      const taken = own
        .filter((event) => event.kind === 'used' && event.at >= from)
        .reduce((sum, event) => sum + (event.amount ?? 0), 0);
      const hatched = set
        .filter(({ hatch, startedAt }) => hatch?.tinId === id && startedAt >= from)
        .reduce((sum, { hatch }) => sum + (hatch?.cystsG ?? 0), 0);
      const opened = own.find((event) => event.kind === 'opened')?.at;
      return {
        id,
        kind,
        name,
        food,
        openedOn: openedOn ?? (opened ? houseDay(opened, at.timeZone) : null),
        goodUntil,
        amount,
        priceCents,
        weighed: weighed ? { at: weighed.at, left: weighed.amount ?? 0 } : null,
        usedSince: taken + hatched,
      };
    });
  }

  async function mustHave(scope: Scope, itemId: string, pointer: string) {
    const item = await shelfItems.get(scope, itemId);
    if (!item) throw new DomainError('request/not-found', { detail: 'That does not stand on the shelf.', pointer });
    return item;
  }

  log.declare({
    shelfItem: {
      apply: async (scope, body) => {
        const { itemId, kind, name, food, openedOn, goodUntil, amount, priceCents, at } = body;
        if (openedOn && openedOn > houseDay(scope.now, scope.timeZone))
          throw new DomainError('request/invalid', { detail: 'That day has not come yet.', pointer: '#/openedOn' });
        const { entryId } = scope;
        await shelfItems.insert(scope, {
          id: itemId,
          entryId,
          kind,
          name,
          food,
          openedOn,
          goodUntil,
          amount,
          priceCents,
          at,
          finished: false,
        });
        return { text: `${name}, ${formatNumber(amount)} ${SHELF_WORDS[kind].unit}, on the shelf`, subjectId: itemId };
      },
      undo: {
        tables: [shelfItems],
        async before(scope, entry) {
          const [item] = await shelfItems.find(scope, { entryId: entry.id });
          if (!item) return;
          const used = await shelfEvents.find(scope, { itemId: item.id }, { limit: 1 });
          const set = (await repository.hatchesSet(scope)).some(({ hatch }) => hatch?.tinId === item.id);
          if (used.length > 0 || set)
            throw new DomainError('log/later-entries', {
              detail: `${item.name} was used or weighed since; undo that first.`,
            });
        },
      },
    },
    shelfEvent: {
      apply: async (scope, body) => {
        const item = await mustHave(scope, body.itemId, '#/itemId');
        if (item.finished) throw new DomainError('larder/ended', { detail: `${item.name} is finished.` });
        const { unit } = SHELF_WORDS[item.kind];
        const { kind, amount, at } = body;
        const standing = (await items(scope)).find(({ id }) => id === item.id);
        if (kind === 'used' && standing && amount !== null) {
          const { left } = shelfState(standing, 0, houseDay(scope.now, scope.timeZone));
          if (amount > left + 1e-9)
            throw new DomainError('request/invalid', {
              detail: `Only ${formatNumber(left)} ${unit} of ${item.name} should be left. Weigh it first if there is more.`,
              pointer: '#/amount',
            });
        }
        if (kind === 'weighed' && amount !== null && amount > item.amount)
          throw new DomainError('request/invalid', {
            detail: `${item.name} came with ${formatNumber(item.amount)} ${unit}. Was the tin weighed with it?`,
            pointer: '#/amount',
          });
        await shelfEvents.insert(scope, { id: newId(), entryId: scope.entryId, itemId: item.id, kind, amount, at });
        if (kind === 'finished') await shelfItems.update(scope, { id: item.id }, { finished: true });
        const words = { weighed: 'weighed', used: 'used', opened: 'opened', finished: 'finished' }[kind];
        return {
          text: `${item.name} ${words}${amount === null ? '' : `: ${formatNumber(amount)} ${unit}${kind === 'weighed' ? ' left' : ''}`}`,
          subjectId: item.id,
        };
      },
      undo: {
        tables: [shelfEvents],
        async after(scope, { subjectId }) {
          if (!subjectId) return;
          const ends = await shelfEvents.find(scope, { itemId: subjectId, kind: 'finished' }, { limit: 1 });
          if (ends.length === 0) await shelfItems.update(scope, { id: subjectId }, { finished: false });
        },
      },
    },
    doseMeasured: {
      apply: async (scope, body) => {
        const { dose, food, total, of, at } = body;
        const usual = USUAL_DOSE[dose];
        const amount = total / of;
        if (amount > usual.amount * 20 || amount < usual.amount / 20)
          throw new DomainError('request/invalid', {
            detail: `That makes ${formatNumber(amount)} ${usual.unit} for one ${usual.words}; ${formatNumber(usual.amount)} is usual. Were all ${of} measured together, in ${usual.unit}?`,
            pointer: '#/total',
          });
        await doses.insert(scope, { id: newId(), entryId: scope.entryId, dose, food, amount, ofMany: of, at });
        return { text: `A ${usual.words}${food ? ` of ${FOOD_NAMES[food]}` : ''} is ${formatNumber(amount)} ${usual.unit}` };
      },
      undo: { tables: [doses] },
    },
    mealLook: {
      apply: async (scope, body) => {
        const tank = await room.getTank(scope, body.tankId);
        const { sight, at } = body;
        await meals.insert(scope, { id: newId(), entryId: scope.entryId, tankId: tank.id, sight, at });
        return { text: `${tank.code} after the meal: ${MEAL_WORDS[sight]}`, tankId: tank.id, subjectId: tank.id };
      },
      undo: { tables: [meals] },
    },
    culturePlan: {
      apply: async (scope, body) => {
        const today = houseDay(scope.now, scope.timeZone);
        body.starts.forEach(({ day }, i) => {
          if (day < today)
            throw new DomainError('request/invalid', { detail: 'That day is over.', pointer: `#/starts/${i}/day` });
        });
        const { classKey, starts, at } = body;
        await plans.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          classKey,
          starts: starts.map((start) => ({ ...start })),
          at,
        });
        return {
          text:
            starts.length === 0
              ? 'Plan of cultures dropped'
              : `Plan of ${starts.length === 1 ? 'one start' : `${starts.length} starts`} taken`,
        };
      },
      undo: { tables: [plans] },
    },
  });

  return {
    items,
    mustHave,
    /** The tin that a hatch is taken from: of cysts, opened last, not empty. */
    async tinInUse(scope: Scope): Promise<string | null> {
      const today = houseDay(scope.now, scope.timeZone);
      return tinOf(await items(scope), today)?.id ?? null;
    },
    /** Counted hatches, oldest first. */
    async countedHatches(at: Reading): Promise<CountedHatch[]> {
      const counted = await events.find(at, { kind: 'counted' }, { order: [['at', 'DESC']], limit: COUNTED });
      if (counted.length === 0) return [];
      const rows = await cultures.find(at, { id: counted.map(({ cultureId }) => cultureId) });
      const byId = new Map(rows.map((row) => [row.id, row]));
      return counted.reverse().flatMap(({ cultureId, details }) => {
        const hatch = byId.get(cultureId)?.hatch;
        return hatch && details?.nauplii != null ? [{ tinId: hatch.tinId, cystsG: hatch.cystsG, nauplii: details.nauplii }] : [];
      });
    },
  };
}
export type ShelfService = ReturnType<typeof createShelf>;
