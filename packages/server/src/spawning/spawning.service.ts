import type { BodyOf } from '@freshet/contract/endpoints';
import type { spawningEndpoints } from '@freshet/contract/spawning';
import { decideBooking, defaultRecipe } from '@freshet/core/spawning';
import type { Method, ResolvedSpecies } from '@freshet/core/species';
import { exactly, formatDay, houseDay, type TimeRange } from '@freshet/core/time';
import type { Ticks } from '../agenda';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Database, type Reading, type Who } from '../platform';
import type { RoomService } from '../room';
import type { LotRow, StockService } from '../stock';
import type { SpeciesService } from '../species';
import { createSpawningRepository, type AttemptEventRow, type AttemptRow, type ParentRow } from './spawning.repository';
import { v7 as newId } from 'uuid';

type Body<Name extends keyof typeof spawningEndpoints> = BodyOf<(typeof spawningEndpoints)[Name]>;

/** An attempt with its parents and what became of it. */
export interface AttemptFacts extends AttemptRow {
  parents: ParentRow[];
  triggered: AttemptEventRow | null;
  ended: AttemptEventRow | null;
}

/** Brood ids of some attempts, as a later area knows them. */
export type BroodIdsBy = (at: Reading, attemptIds: readonly string[]) => Promise<ReadonlyMap<string, string[]>>;
/** Attempts of one page. */
const PAGE = 60;

/** How a parent lot is called: species, line, generation. */
function labelOf(lot: LotRow | undefined, kinds: ReadonlyMap<string, ResolvedSpecies>): string {
  if (!lot) return 'gone';
  return [lot.name ?? kinds.get(lot.speciesKey)?.commonName ?? lot.speciesKey, lot.line && `line ${lot.line}`, lot.generation]
    .filter(Boolean)
    .join(', ');
}

/** Spawning attempts: recipe, parents, trigger, end. */
export function createSpawning({
  database,
  clock,
  log,
  room,
  stock,
  species,
  ticks,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
  ticks: Ticks;
}) {
  const repository = createSpawningRepository(database);
  const { attempts, parents, events } = repository;
  log.register({
    attempt: {
      tables: [attempts, parents],
      async before(scope, entry) {
        if ((await log.repository.later(scope, entry)).length > 0)
          throw new DomainError('log/later-entries', {
            detail: 'Something was logged for this attempt since; take that back first.',
          });
      },
    },
    trigger: { tables: [events] },
    attemptEnd: {
      tables: [events],
      after: async (scope, { subjectId }) => {
        await attempts.update(scope, { id: subjectId }, { closed: false });
      },
    },
  });
  ticks.register({
    triggered: {
      entry: 'trigger',
      apply: (scope, { id, at, text }) => applyTrigger(scope, { attemptId: id, at: exactly(at), what: text }),
    },
  });

  async function withFacts(at: Reading, rows: AttemptRow[]): Promise<AttemptFacts[]> {
    const ids = rows.map((row) => row.id);
    const [parentRows, eventRows] = await Promise.all([repository.parentsOf(at, ids), repository.eventsOf(at, ids)]);
    const [parentsBy, eventsBy] = [groupBy(parentRows, (row) => row.attemptId), groupBy(eventRows, (row) => row.attemptId)];
    return rows.map((row) => {
      const own = eventsBy.get(row.id) ?? [];
      return {
        ...row,
        parents: parentsBy.get(row.id) ?? [],
        triggered: own.findLast((event) => event.kind === 'triggered') ?? null,
        ended: own.findLast((event) => event.kind === 'ended') ?? null,
      };
    });
  }

  async function getAttempt(at: Reading, id: string): Promise<AttemptRow> {
    const row = await attempts.get(at, id, { lock: true });
    if (!row) throw new DomainError('request/not-found', { detail: 'There is no such attempt.' });
    return row;
  }

  async function applyTrigger(scope: Scope, body: { attemptId: string; at: TimeRange; what: string }): Promise<Applied> {
    const attempt = await getAttempt(scope, body.attemptId);
    await events.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      attemptId: attempt.id,
      kind: 'triggered',
      fromAt: body.at.from,
      toAt: body.at.to,
      day: null,
      outcome: null,
      note: body.what,
    });
    return { text: `${attempt.name}: trigger, ${body.what}`, tankId: attempt.tankId, subjectId: attempt.id };
  }

  /** Attempts as they are shown. */
  async function toReplies(who: Who, rows: AttemptRow[], broodIdsBy: BroodIdsBy) {
    const [facts, tankRows, kinds, broodIds] = await Promise.all([
      withFacts(who, rows),
      room.repository.tanks.find(who),
      species.all(who),
      broodIdsBy(
        who,
        rows.map(({ id }) => id),
      ),
    ]);
    const parentIds = new Set(facts.flatMap((attempt) => attempt.parents.map(({ lotId }) => lotId)));
    const lotRows = await stock.repository.byIds(who, [...parentIds]);
    const codes = new Map(tankRows.map((tank) => [tank.id, tank.code]));
    const lots = new Map(lotRows.map((lot) => [lot.id, lot]));
    return facts.map((attempt) => ({
      id: attempt.id,
      name: attempt.name,
      speciesKey: attempt.speciesKey,
      tankId: attempt.tankId,
      tankCode: codes.get(attempt.tankId) ?? '',
      from: attempt.fromDay,
      to: attempt.ended?.day ?? attempt.toDay,
      conditioningFrom: attempt.conditioningFrom,
      setUpOn: attempt.setUpOn,
      triggerOn: attempt.triggerOn,
      triggered: attempt.triggered ? { from: attempt.triggered.fromAt, to: attempt.triggered.toAt } : null,
      triggerNote: attempt.triggered?.note ?? null,
      recipe: attempt.recipe,
      parents: attempt.parents.map(({ lotId, role }) => ({ lotId, role, label: labelOf(lots.get(lotId), kinds) })),
      outcome: attempt.ended?.outcome ?? null,
      note: attempt.ended?.note ?? attempt.note,
      broodIds: broodIds.get(attempt.id) ?? [],
    }));
  }

  return {
    repository,
    getAttempt,
    withFacts,
    applyTrigger,

    /** A page of attempts, newest first. @param broodIdsBy - broods of attempts, as later areas know them */
    async attempts(
      who: Who,
      query: { speciesKey?: string | undefined; before?: string | undefined; limit?: number | undefined },
      broodIdsBy: BroodIdsBy,
    ) {
      const limit = query.limit ?? PAGE;
      const before = query.before ? await getAttempt(who, query.before) : null;
      const rows = await repository.page(who, query.speciesKey, before, limit + 1);
      const shown = rows.slice(0, limit);
      return {
        attempts: await toReplies(who, shown, broodIdsBy),
        next: rows.length > limit ? (shown.at(-1)?.id ?? null) : null,
      };
    },

    async attempt(who: Who, attemptId: string, broodIdsBy: BroodIdsBy) {
      const [found] = await toReplies(who, [await getAttempt(who, attemptId)], broodIdsBy);
      if (!found) throw new DomainError('request/not-found', { detail: 'There is no such attempt.' });
      return found;
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

    addAttempt: (who: Who, body: Body<'addAttempt'>) =>
      log.record(who, { kind: 'attempt', asked: body, when: { from: clock.now(), to: clock.now() } }, async (scope) => {
        const { entryId } = scope;
        await species.get(scope, body.speciesKey);
        const tank = await room.getTank(scope, body.tankId);
        for (const lotId of [...body.sires, ...body.dams]) await stock.lockLot(scope, lotId);
        const open = await withFacts(scope, await attempts.find(scope, { tankId: tank.id }, { lock: true }));
        const decision = decideBooking(
          { id: body.attemptId, name: body.name, tankId: tank.id, from: body.from, to: body.to },
          open.map((other) => ({
            id: other.id,
            name: other.name,
            tankId: other.tankId,
            from: other.fromDay,
            to: other.ended?.day ?? other.toDay,
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
        const { attemptId, speciesKey, name, conditioningFrom, setUpOn, triggerOn, recipe, note } = body;
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
        return { text: `Attempt begun: ${name} in ${tank.code}`, tankId: tank.id, subjectId: attemptId };
      }),

    trigger: (who: Who, body: Body<'trigger'>) =>
      log.record(who, { kind: 'trigger', asked: body, when: body.at }, (scope) => applyTrigger(scope, body)),

    endAttempt: (who: Who, body: Body<'endAttempt'>) =>
      log.record(who, { kind: 'attemptEnd', asked: body, when: { from: clock.now(), to: clock.now() } }, async (scope) => {
        const attempt = await getAttempt(scope, body.attemptId);
        const [facts] = await withFacts(scope, [attempt]);
        if (facts?.ended) throw new DomainError('spawning/ended', { detail: 'It has ended already.' });
        await events.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          attemptId: attempt.id,
          kind: 'ended',
          fromAt: scope.now,
          toAt: scope.now,
          day: body.on,
          outcome: body.outcome,
          note: body.note,
        });
        await attempts.update(scope, { id: attempt.id }, { closed: true });
        return { text: `Attempt ended: ${attempt.name}, ${body.outcome}`, tankId: attempt.tankId, subjectId: attempt.id };
      }),
  };
}
export type SpawningService = ReturnType<typeof createSpawning>;
