import type { BodyOf } from '@freshet/contract/endpoints';
import type { spawningEndpoints } from '@freshet/contract/spawning';
import { decideBooking } from '@freshet/core/spawning';
import type { ResolvedSpecies } from '@freshet/core/stock';
import { formatDay, houseDay, type TimeRange } from '@freshet/core/time';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Database, type Who } from '../platform';
import type { RoomService } from '../room';
import type { LotRow, SpeciesService, StockService } from '../stock';
import { createSpawningRepository, type AttemptEventRow, type AttemptRow, type ParentRow } from './spawning.repository';
import { v7 as newId } from 'uuid';

type Body<Name extends keyof typeof spawningEndpoints> = BodyOf<(typeof spawningEndpoints)[Name]>;

/** An attempt with its parents and what became of it. */
export interface AttemptFacts extends AttemptRow {
  parents: ParentRow[];
  triggered: AttemptEventRow | null;
  ended: AttemptEventRow | null;
}

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
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
}) {
  const repository = createSpawningRepository(database);
  const { attempts, parents, events } = repository;
  log.onUndo({
    tables: [attempts, parents, events],
    async before({ who, tx }, entry) {
      if (entry.kind === 'attempt' && (await log.repository.later(who.houseId, entry, tx)).length > 0)
        throw new DomainError('log/later-entries', {
          detail: 'Something was logged for this attempt since; take that back first.',
        });
    },
  });

  async function withFacts(houseId: string, rows: AttemptRow[]): Promise<AttemptFacts[]> {
    const ids = rows.map((row) => row.id);
    const [parentRows, eventRows] = await Promise.all([repository.parentsOf(houseId, ids), repository.eventsOf(houseId, ids)]);
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

  async function getAttempt(who: Who, id: string, scope?: Scope): Promise<AttemptRow> {
    const row = await attempts.get(who.houseId, id, { tx: scope?.tx, lock: scope !== undefined });
    if (!row) throw new DomainError('request/not-found', { detail: 'There is no such attempt.' });
    return row;
  }

  async function applyTrigger(scope: Scope, body: { attemptId: string; at: TimeRange; what: string }): Promise<Applied> {
    const attempt = await getAttempt(scope.who, body.attemptId, scope);
    await events.insert(
      scope.who.houseId,
      {
        id: newId(),
        entryId: scope.entryId,
        attemptId: attempt.id,
        kind: 'triggered',
        fromAt: body.at.from,
        toAt: body.at.to,
        day: null,
        outcome: null,
        note: body.what,
      },
      scope.tx,
    );
    return { text: `${attempt.name}: trigger, ${body.what}`, tankId: attempt.tankId, subjectId: attempt.id };
  }

  return {
    repository,
    getAttempt,
    withFacts,
    applyTrigger,

    async attempts(who: Who, broodIdsBy: ReadonlyMap<string, string[]>) {
      const [rows, tankRows, kinds] = await Promise.all([
        attempts.find(
          who.houseId,
          {},
          {
            order: [
              ['fromDay', 'DESC'],
              ['id', 'DESC'],
            ],
          },
        ),
        room.repository.tanks.find(who.houseId),
        species.all(who.houseId),
      ]);
      const facts = await withFacts(who.houseId, rows);
      const parentIds = new Set(facts.flatMap((attempt) => attempt.parents.map(({ lotId }) => lotId)));
      const lotRows = await stock.repository.byIds(who.houseId, [...parentIds]);
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
        broodIds: broodIdsBy.get(attempt.id) ?? [],
      }));
    },

    /** The parents of one attempt by name. */
    async parentLabels(who: Who, attemptId: string) {
      const rows = await repository.parentsOf(who.houseId, [attemptId]);
      const [lotRows, kinds] = await Promise.all([
        stock.repository.byIds(
          who.houseId,
          rows.map((row) => row.lotId),
        ),
        species.all(who.houseId),
      ]);
      const lots = new Map(lotRows.map((lot) => [lot.id, lot]));
      return rows.map(({ lotId, role }) => ({ lotId, role, label: labelOf(lots.get(lotId), kinds) }));
    },

    addAttempt: (who: Who, body: Body<'addAttempt'>) =>
      log.record(
        who,
        { id: body.id, kind: 'attempt', when: { from: clock.now(), to: clock.now() }, override: body.override },
        async (scope) => {
          const { tx, entryId } = scope;
          await species.get(who, body.speciesKey);
          const tank = await room.getTank(who, body.tankId, scope);
          for (const lotId of [...body.sires, ...body.dams]) await stock.lockLot(scope, lotId);
          const open = await withFacts(who.houseId, await attempts.find(who.houseId, { tankId: tank.id }, { tx, lock: true }));
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
            const today = houseDay(scope.now, who.timeZone);
            const { clash } = decision;
            throw new DomainError('spawning/tank-booked', {
              detail: `${clash.name} holds ${tank.code} from ${formatDay(clash.from, today)}${clash.to ? ` to ${formatDay(clash.to, today)}` : ''}. Choose another tank or days, or say why both may.`,
              pointer: '#/tankId',
            });
          }
          const { attemptId, speciesKey, name, conditioningFrom, setUpOn, triggerOn, recipe, note } = body;
          await attempts.insert(
            who.houseId,
            {
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
            },
            tx,
          );
          const roles = [
            ...body.sires.map((lotId) => ({ lotId, role: 'sire' as const })),
            ...body.dams.map((lotId) => ({ lotId, role: 'dam' as const })),
          ];
          await parents.insert(
            who.houseId,
            roles.map((parent) => ({ ...parent, id: newId(), entryId, attemptId })),
            tx,
          );
          return { text: `Attempt begun: ${name} in ${tank.code}`, tankId: tank.id, subjectId: attemptId };
        },
      ),

    trigger: (who: Who, body: Body<'trigger'>) =>
      log.record(who, { id: body.id, kind: 'trigger', when: body.at, override: body.override }, (scope) =>
        applyTrigger(scope, body),
      ),

    endAttempt: (who: Who, body: Body<'endAttempt'>) =>
      log.record(who, { id: body.id, kind: 'attemptEnd', when: { from: clock.now(), to: clock.now() } }, async (scope) => {
        const attempt = await getAttempt(who, body.attemptId, scope);
        const [facts] = await withFacts(who.houseId, [attempt]);
        if (facts?.ended) throw new DomainError('spawning/ended', { detail: 'It has ended already.' });
        await events.insert(
          who.houseId,
          {
            id: newId(),
            entryId: scope.entryId,
            attemptId: attempt.id,
            kind: 'ended',
            fromAt: scope.now,
            toAt: scope.now,
            day: body.on,
            outcome: body.outcome,
            note: body.note,
          },
          scope.tx,
        );
        return { text: `Attempt ended: ${attempt.name}, ${body.outcome}`, tankId: attempt.tankId, subjectId: attempt.id };
      }),
  };
}
export type SpawningService = ReturnType<typeof createSpawning>;
