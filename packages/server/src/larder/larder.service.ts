import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { larderEndpoints } from '@freshet/contract/larder';
import { CULTURES, deriveLarder, HATCH_SALT_G_PER_L, type CultureFood, type LarderView } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { exactly } from '@freshet/core/time';
import type { TickCall, TickHandler, Ticks } from '../agenda';
import type { LogService, Scope } from '../log';
import { DomainError, type Clock, type Database, type Who } from '../platform';
import type { RoomService } from '../room';
import { createCultures, type CultureEvent } from './larder.cultures';
import { createLarderFacts } from './larder.facts';
import { larderPages } from './larder.pages';
import { createLarderRepository, type EventKind } from './larder.repository';
import { createPests } from './larder.pests';
import { createShelf } from './larder.shelf';

type Body<Name extends keyof typeof larderEndpoints> = BodyOf<(typeof larderEndpoints)[Name]>;

/** Cultures and hatches of live food, the shelf, and what comes along uninvited. */
export function createLarder(deps: { database: Database; clock: Clock; log: LogService; ticks: Ticks; room: RoomService }) {
  const { database, clock, log, ticks, room } = deps;
  const repository = createLarderRepository(database);
  const { cultures, events, kinds } = repository;
  const shelf = createShelf({ log, room, repository });
  const pests = createPests({ log, room, repository });
  const { mustRun, applyStart, applyEvent, running } = createCultures({ room, repository, shelf });

  /** A culture that was ended by what is taken back runs again, unless something else ended it. */
  async function runAgain(scope: Scope, { subjectId }: { subjectId: string | null }): Promise<void> {
    const culture = subjectId ? await cultures.get(scope, subjectId) : null;
    if (!culture?.ended) return;
    const found = await events.find(scope, { cultureId: culture.id, kind: ['ended', 'harvested'] });
    const isBatch = CULTURES[culture.food].batch;
    if (!found.some((event) => event.kind === 'ended' || (isBatch && !event.details?.kept)))
      await cultures.update(scope, { id: culture.id }, { ended: false });
  }
  log.register({
    culture: {
      tables: [cultures],
      async before(scope, entry) {
        const made = await cultures.find(scope, { entryId: entry.id });
        for (const { id: cultureId } of made) {
          if ((await events.find(scope, { cultureId }, { limit: 1 })).length > 0)
            throw new DomainError('log/later-entries', {
              detail: 'This culture was fed or looked at since; take that back first.',
            });
          if ((await cultures.find(scope, { fromId: cultureId }, { limit: 1 })).length > 0)
            throw new DomainError('log/later-entries', { detail: 'Another was started from it since; take that back first.' });
        }
      },
    },
    cultureEvent: { tables: [events, cultures], after: runAgain },
    cultureKind: {
      tables: [kinds],
      async before(scope, entry) {
        const [made] = await kinds.find(scope, { entryId: entry.id });
        if (made && (await cultures.find(scope, { kindId: made.id }, { limit: 1 })).length > 0)
          throw new DomainError('log/later-entries', { detail: `A culture of ${made.name} was started since.` });
      },
    },
  });
  const logged =
    (kind: EventKind, details: (call: TickCall) => Partial<CultureEvent> = () => ({})): TickHandler['apply'] =>
    (scope, call) =>
      applyEvent(scope, { cultureId: call.id, kind, at: call.at, ...details(call) });
  ticks.register({
    cultureFed: { entry: 'cultureEvent', apply: logged('fed') },
    cultureHarvested: {
      entry: 'cultureEvent',
      apply: logged('harvested', ({ amount, unit }) => (amount && amount > 0 && unit === 'ml' ? { ml: amount } : {})),
    },
    cultureRipe: { entry: 'cultureEvent', apply: logged('ripe') },
    cultureLooked: {
      entry: 'cultureEvent',
      apply: (scope, call) => {
        const density = call.amount;
        if (density === null || !Number.isInteger(density) || density < 0 || density > 4)
          throw new DomainError('request/invalid', { detail: 'Density goes from 0, nothing, to 4, full.', pointer: '#/amount' });
        return logged('looked', () => ({ density }))(scope, call);
      },
    },
    cultureEnded: { entry: 'cultureEvent', apply: logged('ended', () => ({ ended: 'thrown' })) },
    cultureSplit: {
      entry: 'culture',
      async apply(scope, { id: fromId, at }) {
        const from = await mustRun(scope, fromId);
        const { food, kindId, vesselL, tempC } = from;
        return applyStart(scope, {
          cultureId: newId(),
          food,
          name: null,
          tankId: null,
          startedAt: at,
          fromId,
          kindId,
          vesselL,
          tempC,
        });
      },
    },
    cultureStarted: {
      entry: 'culture',
      async apply(scope, { what, tankId, at, amount, unit }) {
        if (!(what in CULTURES))
          throw new DomainError('rounds/unknown-tick', { detail: `"${what}" is no culture.`, pointer: '#/tick/what' });
        const food = what as CultureFood;
        const cystsG = CULTURES[food].batch && amount && unit === 'g' ? amount : null;
        const tin = cystsG ? await shelf.tinInUse(scope) : null;
        const hatch = cystsG ? { cystsG, litres: 1, saltG: HATCH_SALT_G_PER_L, lit: true, tinId: tin } : null;
        // Begun from what runs already, where something does.
        const parent = hatch
          ? null
          : (await cultures.find(scope, { food, ended: false }, { order: [['startedAt', 'ASC']], limit: 1 }))[0];
        const line = { hatch, fromId: parent?.id ?? null, kindId: parent?.kindId ?? null };
        return applyStart(scope, { ...line, cultureId: newId(), food, name: null, tankId, startedAt: at });
      },
    },
  });

  return {
    repository,
    running,
    applyEvent,
    facts: createLarderFacts({ clock, repository, running, shelf, pests }),
    shelf,
    pests,
    pages: larderPages({ clock, room, repository, shelf, pests }),

    /** Which culture to start when, for every first feed. */
    foodPlans: (view: LarderView) => deriveLarder(view),

    addCulture: (who: Who, body: Body<'addCulture'>) =>
      log.record(who, { kind: 'culture', asked: body, when: exactly(body.startedAt) }, (scope) => applyStart(scope, body)),

    cultureEvent: (who: Who, body: Body<'cultureEvent'>) =>
      log.record(who, { kind: 'cultureEvent', asked: body, when: exactly(body.at) }, (scope) => applyEvent(scope, body)),

    addCultureKind: (who: Who, body: Body<'addCultureKind'>) =>
      log.record(who, { kind: 'cultureKind', asked: body, when: exactly(clock.now()) }, async (scope) => {
        const { kindId, name, standsFor, ripeFrom, ripeTo, lastsDays, feedEveryDays, feed, sign, atC, vesselL } = body;
        const figures = { ripeDays: [ripeFrom, ripeTo] as const, lastsDays, feedEveryDays, feed, sign, atC, vesselL };
        await kinds.insert(scope, { id: kindId, entryId: scope.entryId, name, standsFor, figures });
        return { text: `Kind of culture: ${name}, given as ${FOOD_NAMES[standsFor]}`, subjectId: kindId };
      }),
  };
}
export type LarderService = ReturnType<typeof createLarder>;
