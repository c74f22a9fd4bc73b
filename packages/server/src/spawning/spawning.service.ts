import { checkRecipe, completeRecipe, decideBooking, defaultRecipe } from '@freshet/core/spawning';
import type { Method } from '@freshet/core/species';
import { formatDay, houseDay } from '@freshet/core/time';
import type { LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Database, type Reading, type Who } from '../platform';
import type { HoursService, RoomService } from '../room';
import type { StockService } from '../stock';
import type { SpeciesService } from '../species';
import { createAttemptEvents } from './spawning.events';
import { createRecipes } from './spawning.recipes';
import { createReplies, labelOf, type BroodsBy } from './spawning.replies';
import { createSpawningRepository, type AttemptFacts, type AttemptRow, type DatedDetails } from './spawning.repository';
import { v7 as newId } from 'uuid';

/** Attempts of one page. */
const PAGE = 60;

/** Spawning attempts: recipe, parents, trigger, end. */
export function createSpawning({
  database,
  clock,
  log,
  room,
  hours,
  stock,
  species,
  inbreedingOf,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  hours: HoursService;
  stock: StockService;
  species: SpeciesService;
  /** Expected inbreeding of the young of these lots, 0..1; null when no parent of one side is known. */
  inbreedingOf: (who: Who, speciesKey: string, sires: readonly string[], dams: readonly string[]) => Promise<number | null>;
}) {
  const repository = createSpawningRepository(database);
  const { attempts, parents } = repository;

  async function withFacts(at: Reading, rows: AttemptRow[]): Promise<AttemptFacts[]> {
    const ids = rows.map((row) => row.id);
    const [parentRows, eventRows] = await Promise.all([repository.parentsOf(at, ids), repository.eventsOf(at, ids)]);
    const [parentsBy, eventsBy] = [groupBy(parentRows, (row) => row.attemptId), groupBy(eventRows, (row) => row.attemptId)];
    return rows.map((row) => {
      const own = eventsBy.get(row.id) ?? [];
      const moved = own.findLast((event) => event.kind === 'dated')?.details as DatedDetails | undefined;
      const { fromDay: from, toDay: to, conditioningFrom, setUpOn, triggerOn } = row;
      return {
        ...row,
        recipe: completeRecipe(row.recipe),
        ...(moved ?? { from, to, conditioningFrom, setUpOn, triggerOn }),
        events: own,
        parents: parentsBy.get(row.id) ?? [],
        triggered: own.findLast((event) => event.kind === 'triggered') ?? null,
        ended: own.findLast((event) => event.kind === 'ended') ?? null,
      };
    });
  }

  async function getAttempt(at: Reading, id: string): Promise<AttemptRow> {
    const row = await attempts.get(at, id);
    if (!row) throw new DomainError('request/not-found', { detail: 'There’s no such spawning.' });
    return row;
  }

  createAttemptEvents({ log, repository, getAttempt, factsOf: withFacts });
  const recipes = createRecipes({ log, species, repository });

  const toReplies = createReplies({ clock, room, stock, species, factsOf: withFacts });

  log.declare({
    attempt: {
      apply: async (scope, body) => {
        const { entryId } = scope;
        const kind = await species.get(scope, body.speciesKey);
        const tank = await room.mustBeTank(scope, body.tankId, '#/tankId');
        for (const lotId of [...body.sires, ...body.dams]) await stock.getLot(scope, lotId);
        const open = await withFacts(scope, await attempts.find(scope, { tankId: tank.id }));
        const decision = decideBooking(
          { id: body.attemptId, name: body.name, tankId: tank.id, from: body.from, to: body.to },
          open.map((other) => ({
            id: other.id,
            name: other.name,
            tankId: other.tankId,
            from: other.from,
            to: other.ended?.day ?? other.to,
          })),
        );
        if (!decision.ok && !body.override) {
          const today = houseDay(scope.now, scope.timeZone);
          const { clash } = decision;
          throw new DomainError('spawning/tank-booked', {
            detail: `${clash.name} holds ${tank.code} from ${formatDay(clash.from, today)}${clash.to ? ` to ${formatDay(clash.to, today)}` : ''}. Choose another tank or days, or say why both may.`,
            pointer: '#/tankId',
          });
        }
        const { attemptId, speciesKey, name, conditioningFrom, setUpOn, triggerOn, recipe, recipeRef, tags, note } = body;
        const [problem] = checkRecipe(recipe, kind.start).filter(({ field }) => field !== 'cover');
        if (problem) throw new DomainError('request/invalid', { detail: problem.message, pointer: `#/recipe/${problem.field}` });
        // She may carry already, or store sperm: only laid eggs want him beside her.
        const isAlone = body.dams.length === 0 ? body.sires.length > 0 : body.sires.length === 0 && kind.start === 'laid';
        if (isAlone && !body.override)
          throw new DomainError('spawning/one-sex', {
            detail:
              body.sires.length === 0
                ? 'Females alone lay no eggs that hatch: choose the males too, or say why.'
                : 'Males alone lay no eggs: choose the females too, or say why.',
            pointer: body.sires.length === 0 ? '#/sires' : '#/dams',
          });
        await attempts.insert(scope, {
          id: attemptId,
          entryId,
          speciesKey,
          name,
          tankId: tank.id,
          fromDay: body.from,
          toDay: body.to,
          conditioningFrom,
          setUpOn,
          triggerOn,
          recipe,
          recipeRef,
          tags,
          note,
          closed: false,
        });
        const roles = [
          ...body.sires.map((lotId) => ({ lotId, role: 'sire' as const })),
          ...body.dams.map((lotId) => ({ lotId, role: 'dam' as const })),
        ];
        await parents.insert(
          scope,
          roles.map((parent) => ({ ...parent, id: newId(), entryId, attemptId })),
        );
        return {
          text: `Spawning begun: ${name} in ${tank.code}`,
          tankId: tank.id,
          subjectId: attemptId,
          about: [...body.sires, ...body.dams],
        };
      },
      undo: {
        tables: [attempts, parents],
        async before(scope, entry) {
          if ((await log.laterAbout(scope, entry)).length > 0)
            throw new DomainError('log/later-entries', {
              detail: 'Something was logged for this spawning since; undo that first.',
            });
        },
      },
    },
  });

  return {
    repository,
    getAttempt,
    withFacts,

    /** A page of attempts, newest first. @param broodsBy - broods of attempts, as later areas know them */
    async attempts(
      who: Who,
      query: { speciesKey?: string | undefined; before?: string | undefined; limit?: number | undefined },
      broodsBy: BroodsBy,
    ) {
      const limit = query.limit ?? PAGE;
      const before = query.before ? await getAttempt(who, query.before) : null;
      const rows = await repository.page(who, query.speciesKey, before, limit + 1);
      const shown = rows.slice(0, limit);
      return {
        attempts: await toReplies(who, shown, broodsBy),
        next: rows.length > limit ? (shown.at(-1)?.id ?? null) : null,
      };
    },

    async attempt(who: Who, attemptId: string, broodsBy: BroodsBy) {
      const [found] = await toReplies(who, [await getAttempt(who, attemptId)], broodsBy);
      if (!found) throw new DomainError('request/not-found', { detail: 'There’s no such spawning.' });
      const side = (role: 'sire' | 'dam') => found.parents.filter((parent) => parent.role === role).map(({ lotId }) => lotId);
      const [firstLight, inbreeding] = await Promise.all([
        room.isOutdoor(who, found.tankId).then((outdoor) => hours.firstLight(who, outdoor)),
        inbreedingOf(who, found.speciesKey, side('sire'), side('dam')),
      ]);
      return { ...found, firstLight, inbreeding };
    },

    /** The parents of one attempt by name. */
    async parentLabels(who: Who, attemptId: string) {
      const rows = await repository.parentsOf(who, [attemptId]);
      const [lotRows, kinds] = await Promise.all([
        stock.repository.byIds(
          who,
          rows.map((row) => row.lotId),
        ),
        species.all(who),
      ]);
      const lots = new Map(lotRows.map((lot) => [lot.id, lot]));
      return rows.map(({ lotId, role }) => ({ lotId, role, label: labelOf(lots.get(lotId), kinds) }));
    },

    /** Notes the attempt of eggs or young that were found without one. */
    async applyFound(
      scope: Scope,
      body: {
        attemptId: string;
        speciesKey: string;
        name: string;
        tankId: string;
        method: Method;
        on: string;
        sires: readonly string[];
        dams: readonly string[];
      },
    ): Promise<void> {
      const { attemptId, speciesKey, name, tankId, method, on } = body;
      await room.getTank(scope, tankId, '#/tankId');
      await attempts.insert(scope, {
        id: attemptId,
        entryId: scope.entryId,
        speciesKey,
        name,
        tankId,
        fromDay: on,
        toDay: null,
        conditioningFrom: null,
        setUpOn: null,
        triggerOn: null,
        recipe: defaultRecipe(method),
        recipeRef: null,
        tags: null,
        note: null,
        closed: false,
      });
      await parents.insert(
        scope,
        [
          ...body.sires.map((lotId) => ({ lotId, role: 'sire' as const })),
          ...body.dams.map((lotId) => ({ lotId, role: 'dam' as const })),
        ].map((parent) => ({ ...parent, id: newId(), entryId: scope.entryId, attemptId })),
      );
    },

    recipes,
  };
}
export type SpawningService = ReturnType<typeof createSpawning>;
