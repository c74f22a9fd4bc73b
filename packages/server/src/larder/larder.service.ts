import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { larderEndpoints } from '@freshet/contract/larder';
import { CULTURES, describeCulture, type Culture, type CultureFood } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/stock';
import { exactly } from '@freshet/core/time';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Database, type Who } from '../platform';
import type { RoomService } from '../room';
import { createLarderRepository, type CultureEventRow } from './larder.repository';

type Body<Name extends keyof typeof larderEndpoints> = BodyOf<(typeof larderEndpoints)[Name]>;
const EVENT_WORDS = { fed: 'fed', ripe: 'ripe', harvested: 'harvested', ended: 'emptied' } as const;

/** Cultures and hatches of live food. */
export function createLarder(deps: { database: Database; clock: Clock; log: LogService; room: RoomService }) {
  const { database, clock, log, room } = deps;
  const repository = createLarderRepository(database);
  const { cultures, events } = repository;
  log.onUndo({
    tables: [cultures, events],
    async before({ who, tx }, entry) {
      if (entry.kind !== 'culture') return;
      const since = await events.find(who.houseId, { cultureId: entry.subjectId }, { tx, limit: 1 });
      if (since.length > 0)
        throw new DomainError('log/later-entries', { detail: 'This culture was fed or looked at since; take that back first.' });
    },
    async after({ who, tx }, entry) {
      if (entry.kind !== 'cultureEvent' && entry.kind !== 'outcome') return;
      const culture = entry.subjectId ? await cultures.get(who.houseId, entry.subjectId, { tx }) : null;
      if (!culture?.ended) return;
      const kinds = CULTURES[culture.food].batch ? ['ended', 'harvested'] : ['ended'];
      const ends = await events.find(who.houseId, { cultureId: culture.id, kind: kinds }, { tx, limit: 1 });
      if (ends.length === 0) await cultures.update(who.houseId, { id: entry.subjectId }, { ended: false }, tx);
    },
  });

  /** "Infusoria 3": the food and the next number free. */
  async function nextName(scope: Scope, food: CultureFood): Promise<string> {
    const same = await cultures.find(scope.who.houseId, { food }, { tx: scope.tx });
    const words = FOOD_NAMES[food];
    const numbers = same.map((culture) => Number(/ (\d+)$/.exec(culture.name)?.[1] ?? 0));
    return `${words.charAt(0).toUpperCase()}${words.slice(1)} ${Math.max(0, ...numbers) + 1}`;
  }

  async function applyStart(
    scope: Scope,
    body: { cultureId: string; food: CultureFood; name: string | null; tankId: string | null; startedAt: string },
  ): Promise<Applied> {
    const tank = body.tankId ? await room.getTank(scope.who, body.tankId, scope) : null;
    const name = body.name ?? (await nextName(scope, body.food));
    const { cultureId, food, startedAt } = body;
    const row = { id: cultureId, entryId: scope.entryId, food, name, tankId: tank?.id ?? null, startedAt, ended: false };
    await cultures.insert(scope.who.houseId, row, scope.tx);
    return { text: `${name} started${tank ? ` in ${tank.code}` : ''}`, tankId: tank?.id ?? null, subjectId: cultureId };
  }

  async function applyEvent(
    scope: Scope,
    body: { cultureId: string; kind: CultureEventRow['kind']; at: string },
  ): Promise<Applied> {
    const { who, tx, entryId } = scope;
    const culture = await cultures.get(who.houseId, body.cultureId, { tx, lock: true });
    if (!culture) throw new DomainError('request/not-found', { detail: 'There is no such culture.' });
    if (culture.ended) throw new DomainError('larder/ended', { detail: `${culture.name} was emptied.` });
    if (body.at < culture.startedAt)
      throw new DomainError('request/invalid', { detail: `${culture.name} was started later than that.`, pointer: '#/at' });
    await events.insert(who.houseId, { id: newId(), entryId, cultureId: culture.id, kind: body.kind, at: body.at }, tx);
    const usedUp = body.kind === 'harvested' && CULTURES[culture.food].batch;
    if (body.kind === 'ended' || usedUp) await cultures.update(who.houseId, { id: culture.id }, { ended: true }, tx);
    return { text: `${culture.name} ${EVENT_WORDS[body.kind]}`, tankId: culture.tankId, subjectId: culture.id };
  }

  /** Running cultures with what was last seen of each. */
  async function running(houseId: string): Promise<Culture[]> {
    const rows = await repository.running(houseId);
    const eventsBy = groupBy(
      await repository.eventsOf(
        houseId,
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

    async cultures(who: Who) {
      const found = await running(who.houseId);
      return found.map((culture) => ({ ...culture, ...describeCulture(culture, clock.now(), who.timeZone) }));
    },

    addCulture: (who: Who, body: Body<'addCulture'>) =>
      log.record(who, { id: body.id, kind: 'culture', when: exactly(body.startedAt), override: body.override }, (scope) =>
        applyStart(scope, body),
      ),

    cultureEvent: (who: Who, body: Body<'cultureEvent'>) =>
      log.record(who, { id: body.id, kind: 'cultureEvent', when: exactly(body.at), override: body.override }, (scope) =>
        applyEvent(scope, body),
      ),
  };
}
export type LarderService = ReturnType<typeof createLarder>;
