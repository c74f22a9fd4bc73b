import { v7 as newId } from 'uuid';
import { CULTURES, deriveLarder, HATCH_SALT_G_PER_L, type CultureFood, type LarderView } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { exactly } from '@freshet/core/time';
import type { LogService, Scope, TickCall, ToBody } from '../log';
import { DomainError, type Clock, type Database, type Who } from '../platform';
import type { RoomService } from '../room';
import { createCultures, type CultureEvent } from './larder.cultures';
import { createLarderFacts } from './larder.facts';
import { larderPages } from './larder.pages';
import { createLarderRepository, type EventKind } from './larder.repository';
import { createPests } from './larder.pests';
import { createShelf } from './larder.shelf';

/** Cultures and hatches of live food, the shelf, and what comes along uninvited. */
export function createLarder(deps: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  /** The house as it is before this write; put together from later areas too. */
  viewOf: (at: Who) => Promise<LarderView>;
}) {
  const { database, clock, log, room, viewOf } = deps;
  const repository = createLarderRepository(database);
  const { cultures, events, kinds } = repository;
  const shelf = createShelf({ log, room, repository });
  const pests = createPests({ log, room, repository, viewOf });
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
  const logged =
    (kind: EventKind, details: (call: TickCall) => Partial<CultureEvent> = () => ({})): ToBody<'cultureEvent'> =>
    (_scope, call) => ({ cultureId: call.id, kind, at: call.at, ...details(call) });
  const harvested = ({ amount, unit }: TickCall) => (amount && amount > 0 && unit === 'ml' ? { ml: amount } : {});
  const looked = ({ amount: density }: TickCall) => {
    if (density === null || !Number.isInteger(density) || density < 0 || density > 4)
      throw new DomainError('request/invalid', { detail: 'Density goes from 0, nothing, to 4, full.', pointer: '#/amount' });
    return { density };
  };
  const fresh = { name: null, tankId: null } as const;
  const split: ToBody<'culture'> = async (scope, { id: fromId, at }) => {
    const { food, kindId, vesselL, tempC } = await mustRun(scope, fromId);
    return { ...fresh, cultureId: newId(), food, startedAt: at, fromId, kindId, vesselL, tempC };
  };
  const started: ToBody<'culture'> = async (scope, { what, tankId, at, amount, unit }) => {
    if (!(what in CULTURES))
      throw new DomainError('rounds/unknown-tick', { detail: `"${what}" is no culture.`, pointer: '#/tick/what' });
    const food = what as CultureFood;
    const cystsG = CULTURES[food].batch && amount && unit === 'g' ? amount : null;
    const tin = cystsG ? await shelf.tinInUse(scope) : null;
    const hatch = cystsG ? { cystsG, litres: 1, saltG: HATCH_SALT_G_PER_L, lit: true, tinId: tin } : null;
    // Begun from what is already running, where something does.
    const parent = hatch
      ? null
      : (await cultures.find(scope, { food, ended: false }, { order: [['startedAt', 'ASC']], limit: 1 }))[0];
    const line = { hatch, fromId: parent?.id ?? null, kindId: parent?.kindId ?? null };
    return { ...fresh, ...line, cultureId: newId(), food, tankId, startedAt: at };
  };

  log.declare({
    culture: {
      when: (body) => exactly(body.startedAt),
      apply: applyStart,
      ticks: { cultureSplit: split, cultureStarted: started },
      undo: {
        tables: [cultures],
        async before(scope, entry) {
          const made = await cultures.find(scope, { entryId: entry.id });
          for (const { id: cultureId } of made) {
            if ((await events.find(scope, { cultureId }, { limit: 1 })).length > 0)
              throw new DomainError('log/later-entries', {
                detail: 'This culture was fed or looked at since; undo that first.',
              });
            if ((await cultures.find(scope, { fromId: cultureId }, { limit: 1 })).length > 0)
              throw new DomainError('log/later-entries', { detail: 'Another was started from it since; undo that first.' });
          }
        },
      },
    },
    cultureEvent: {
      apply: applyEvent,
      ticks: {
        cultureFed: logged('fed'),
        cultureHarvested: logged('harvested', harvested),
        cultureRipe: logged('ripe'),
        cultureLooked: logged('looked', looked),
        cultureEnded: logged('ended', () => ({ ended: 'thrown' })),
      },
      undo: { tables: [events, cultures], after: runAgain },
    },
    cultureKind: {
      apply: async (scope, body) => {
        const { kindId, name, standsFor, ripeFrom, ripeTo, lastsDays, feedEveryDays, feed, sign, atC, vesselL } = body;
        const figures = { ripeDays: [ripeFrom, ripeTo] as const, lastsDays, feedEveryDays, feed, sign, atC, vesselL };
        await kinds.insert(scope, { id: kindId, entryId: scope.entryId, name, standsFor, figures });
        return { text: `Kind of culture: ${name}, given as ${FOOD_NAMES[standsFor]}`, subjectId: kindId };
      },
      undo: {
        tables: [kinds],
        async before(scope, entry) {
          const [made] = await kinds.find(scope, { entryId: entry.id });
          if (made && (await cultures.find(scope, { kindId: made.id }, { limit: 1 })).length > 0)
            throw new DomainError('log/later-entries', { detail: `A culture of ${made.name} was started since.` });
        },
      },
    },
  });

  return {
    repository,
    running,
    facts: createLarderFacts({ clock, repository, running, shelf, pests }),
    shelf,
    pests,
    pages: larderPages({ clock, room, repository, shelf, pests }),

    /** Which culture to start when, for every first feed. */
    foodPlans: (view: LarderView) => deriveLarder(view),
  };
}
export type LarderService = ReturnType<typeof createLarder>;
