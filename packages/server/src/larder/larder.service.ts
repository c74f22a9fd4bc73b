import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { larderEndpoints } from '@freshet/contract/larder';
import { CULTURES, deriveLarder, describeCulture, type Culture, type CultureFood, type LarderView } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { exactly } from '@freshet/core/time';
import type { TickHandler, Ticks } from '../agenda';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Database, type Reading, type Who } from '../platform';
import type { RoomService } from '../room';
import { createLarderRepository, type CultureEventRow } from './larder.repository';

type Body<Name extends keyof typeof larderEndpoints> = BodyOf<(typeof larderEndpoints)[Name]>;
const EVENT_WORDS = { fed: 'fed', ripe: 'ripe', harvested: 'harvested', ended: 'emptied' } as const;

/** Cultures and hatches of live food. */
export function createLarder(deps: { database: Database; clock: Clock; log: LogService; ticks: Ticks; room: RoomService }) {
  const { database, clock, log, ticks, room } = deps;
  const repository = createLarderRepository(database);
  const { cultures, events } = repository;
  /** A culture that was ended by what is taken back runs again, unless something else ended it. */
  async function runAgain(scope: Scope, { subjectId }: { subjectId: string | null }): Promise<void> {
    const culture = subjectId ? await cultures.get(scope, subjectId) : null;
    if (!culture?.ended) return;
    const kinds = CULTURES[culture.food].batch ? ['ended', 'harvested'] : ['ended'];
    const ends = await events.find(scope, { cultureId: culture.id, kind: kinds }, { limit: 1 });
    if (ends.length === 0) await cultures.update(scope, { id: culture.id }, { ended: false });
  }
  log.register({
    culture: {
      tables: [cultures],
      async before(scope, entry) {
        const made = await cultures.find(scope, { entryId: entry.id });
        for (const { id: cultureId } of made)
          if ((await events.find(scope, { cultureId }, { limit: 1 })).length > 0)
            throw new DomainError('log/later-entries', {
              detail: 'This culture was fed or looked at since; take that back first.',
            });
      },
    },
    cultureEvent: { tables: [events], after: runAgain },
  });
  const logged =
    (kind: CultureEventRow['kind']): TickHandler['apply'] =>
    (scope, { id, at }) =>
      applyEvent(scope, { cultureId: id, kind, at });
  ticks.register({
    cultureFed: { entry: 'cultureEvent', apply: logged('fed') },
    cultureHarvested: { entry: 'cultureEvent', apply: logged('harvested') },
    cultureRipe: { entry: 'cultureEvent', apply: logged('ripe') },
    cultureStarted: {
      entry: 'culture',
      async apply(scope, { what, tankId, at }) {
        if (!(what in CULTURES))
          throw new DomainError('rounds/unknown-tick', { detail: `"${what}" is no culture.`, pointer: '#/tick/what' });
        const food = what as CultureFood;
        return applyStart(scope, { cultureId: newId(), food, name: null, tankId, startedAt: at });
      },
    },
  });

  /** "Infusoria 3": the food and the next number free. */
  async function nextName(scope: Scope, food: CultureFood): Promise<string> {
    const same = await cultures.find(scope, { food });
    const words = FOOD_NAMES[food];
    const numbers = same.map((culture) => Number(/ (\d+)$/.exec(culture.name)?.[1] ?? 0));
    return `${words.charAt(0).toUpperCase()}${words.slice(1)} ${Math.max(0, ...numbers) + 1}`;
  }

  async function applyStart(
    scope: Scope,
    body: { cultureId: string; food: CultureFood; name: string | null; tankId: string | null; startedAt: string },
  ): Promise<Applied> {
    const tank = body.tankId ? await room.getTank(scope, body.tankId) : null;
    const name = body.name ?? (await nextName(scope, body.food));
    const { cultureId, food, startedAt } = body;
    const row = { id: cultureId, entryId: scope.entryId, food, name, tankId: tank?.id ?? null, startedAt, ended: false };
    await cultures.insert(scope, row);
    return { text: `${name} started${tank ? ` in ${tank.code}` : ''}`, tankId: tank?.id ?? null, subjectId: cultureId };
  }

  async function applyEvent(
    scope: Scope,
    body: { cultureId: string; kind: CultureEventRow['kind']; at: string },
  ): Promise<Applied> {
    const { entryId } = scope;
    const culture = await cultures.get(scope, body.cultureId, { lock: true });
    if (!culture) throw new DomainError('request/not-found', { detail: 'There is no such culture.' });
    if (culture.ended) throw new DomainError('larder/ended', { detail: `${culture.name} was emptied.` });
    if (body.at < culture.startedAt)
      throw new DomainError('request/invalid', { detail: `${culture.name} was started later than that.`, pointer: '#/at' });
    await events.insert(scope, { id: newId(), entryId, cultureId: culture.id, kind: body.kind, at: body.at });
    const usedUp = body.kind === 'harvested' && CULTURES[culture.food].batch;
    if (body.kind === 'ended' || usedUp) await cultures.update(scope, { id: culture.id }, { ended: true });
    return { text: `${culture.name} ${EVENT_WORDS[body.kind]}`, tankId: culture.tankId, subjectId: culture.id };
  }

  /** Running cultures with what was last seen of each. */
  async function running(at: Reading): Promise<Culture[]> {
    const rows = await repository.running(at);
    const eventsBy = groupBy(
      await repository.eventsOf(
        at,
        rows.map((row) => row.id),
      ),
      (event) => event.cultureId,
    );
    return rows.map(({ id, name, food, startedAt, tankId }) => {
      const own = eventsBy.get(id) ?? [];
      const last = (kind: CultureEventRow['kind']) => own.findLast((event) => event.kind === kind)?.at ?? null;
      const ripeSeenAt = own.find((event) => event.kind === 'ripe' || event.kind === 'harvested')?.at ?? null;
      return { id, name, food, tankId, startedAt, ripeSeenAt, fedAt: last('fed'), harvestedAt: last('harvested') };
    });
  }

  return {
    repository,
    running,
    applyStart,
    applyEvent,

    /** Which culture to start when, for every first feed. */
    foodPlans: (view: LarderView) => deriveLarder(view),

    async cultures(who: Who) {
      const found = await running(who);
      return found.map((culture) => ({ ...culture, ...describeCulture(culture, clock.now(), who.timeZone) }));
    },

    addCulture: (who: Who, body: Body<'addCulture'>) =>
      log.record(who, { kind: 'culture', asked: body, when: exactly(body.startedAt) }, (scope) => applyStart(scope, body)),

    cultureEvent: (who: Who, body: Body<'cultureEvent'>) =>
      log.record(who, { kind: 'cultureEvent', asked: body, when: exactly(body.at) }, (scope) => applyEvent(scope, body)),
  };
}
export type LarderService = ReturnType<typeof createLarder>;
