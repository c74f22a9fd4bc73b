import { createHash } from 'node:crypto';
import * as v from 'valibot';
import { ENTRY_KINDS, schemaOf, type EntryBody, type EntryKindName } from '@freshet/contract/api';
import type { Tick } from '@freshet/core/agenda';
import { exactly, formatInstant, houseDay, spanOf, type TimeRange } from '@freshet/core/time';
import { atLeast, DomainError, isDuplicate, type Actor, type Clock, type Database, type Who } from '../platform';
import type { Applied, Asked, PartBody, Scope, TickCall, Written } from './declaration';
import { createRegister } from './register';
import { createLogRepository, type EntryRow } from './log.repository';

const FUTURE_MS = 15 * 60_000;
const PAST_DAYS = 400;
const DAY_MS = 86_400_000;
const TEXT_LENGTH = 500;

/** Keys in order, so that the same request has the same text; bytes by their hash. */
const inOrder = (_key: string, value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;
const hashOf = (value: string | Uint8Array): string => createHash('sha256').update(value).digest('hex');

/** What tells one request from another with the same id; a reason given later is the same request. */
function fingerprintOf({ override: _override, ...asked }: Asked): string {
  const plain = Object.fromEntries(
    Object.entries(asked).map(([key, value]: [string, unknown]) => [key, value instanceof Uint8Array ? hashOf(value) : value]),
  );
  return hashOf(JSON.stringify(plain, inOrder));
}

/** Several things that were done as one: told one after the other, about all of them. */
export function joined(done: readonly Applied[]): Applied {
  const [first] = done;
  return {
    text: done.map(({ text }) => text).join('; '),
    tankId: first?.tankId ?? null,
    subjectId: first?.subjectId ?? null,
    about: done.flatMap(({ tankId, subjectId, about = [] }) => [tankId, subjectId, ...about]),
    parts: [...new Set(done.flatMap(({ parts = [] }) => parts))],
  };
}

/** When a body says that it happened: its `at`, an instant or a range; null when it says nothing. */
function saidWhen(body: object): TimeRange | null {
  const at = (body as { at?: string | TimeRange }).at;
  if (at === undefined) return null;
  return spanOf(at);
}

/**
 * The log: every write of Freshet is one entry, made once by its id in one transaction, and can be undone by a later entry. It is the
 * one door for entries: whichever way one comes in, the house is locked, what its kind checks is checked, and its rows are written.
 * Which kinds there are stands in the contract; each area declares its own.
 */
export function createLog({ database, clock }: { database: Database; clock: Clock }) {
  const repository = createLogRepository(database);
  const register = createRegister();
  const { declarationOf, undoingsOf } = register;

  function checkWhen(when: TimeRange, scope: Pick<Scope, 'override' | 'now'>): void {
    if (Date.parse(when.to) > Date.parse(scope.now) + FUTURE_MS)
      throw new DomainError('request/invalid', {
        detail: 'That’s in the future. Log it once it has happened.',
        pointer: '#/at',
      });
    if (!scope.override && Date.parse(when.from) < Date.parse(scope.now) - PAST_DAYS * DAY_MS)
      throw new DomainError('log/implausible-date', {
        detail: `${when.from.slice(0, 10)} is more than a year ago. If it’s right, say why.`,
        pointer: '#/at',
      });
  }

  /** What an id was used for before, when it was; refused when something else is asked for under it. */
  async function replay(who: Who, kind: EntryKindName | 'undo', asked: Asked): Promise<Written | null> {
    const found = await repository.entries.get(who, asked.id);
    if (!found) return null;
    if (found.kind !== kind || (found.fingerprint !== null && found.fingerprint !== fingerprintOf(asked)))
      throw new DomainError('log/id-taken', { detail: `This id stands for another entry: ${found.text}.` });
    return { entryId: asked.id, replayed: true, subjectId: found.subjectId };
  }

  /**
   * Runs a write as one entry under its house's lock: writes of one house come one after the other, so what is checked is still so when
   * the rows are written, and a second writer sees what the first one did.
   */
  async function write(
    who: Who,
    kind: EntryKindName | 'undo',
    asked: Asked,
    work: (scope: Scope) => Promise<
      Pick<EntryRow, 'text' | 'tankId' | 'subjectId' | 'fromAt' | 'toAt' | 'reason' | 'undoes' | 'parts'> & {
        about: readonly string[];
      }
    >,
  ): Promise<Written> {
    const { tx: _tx, ...actor } = who;
    let afterwards: (() => Promise<void>)[] = [];
    try {
      const written = await database.writing(actor, async (writing) => {
        afterwards = [];
        const sequence = await repository.lock(writing);
        const at = { ...actor, ...writing };
        const before = await replay(at, kind, asked);
        if (before) return before;
        const now = clock.now();
        const { about, ...row } = await work({
          ...writing,
          entryId: asked.id,
          now,
          sequence,
          override: asked.override,
          afterwards,
        });
        const entry: EntryRow = {
          ...row,
          id: asked.id,
          entryId: asked.id,
          kind,
          text: row.text.slice(0, TEXT_LENGTH),
          byUser: who.userId,
          byName: who.name,
          undone: false,
          recordedAt: now,
          sequence,
          fingerprint: fingerprintOf(asked),
        };
        await repository.add(writing, entry, [...new Set([row.tankId, row.subjectId, ...about].flatMap((id) => id ?? []))]);
        return { entryId: asked.id, replayed: false, subjectId: row.subjectId };
      });
      for (const work of afterwards) await work();
      return written;
    } catch (error) {
      if (isDuplicate(error))
        throw new DomainError('log/id-taken', { detail: 'This id was used for something else.', cause: error });
      throw error;
    }
  }

  /** Whether somebody may take an entry back: only who may make all of it. */
  const mayUndo = (role: Actor['role'], { kind, parts }: EntryRow): boolean =>
    kind !== 'undo' && [kind, ...(parts ?? [])].every((one) => atLeast(role, ENTRY_KINDS[one].role));

  /** When an entry happened: as its kind reads it, else as its body says, else now. */
  const whenOf = <Kind extends EntryKindName>(kind: Kind, body: EntryBody<Kind>, now: string): TimeRange =>
    declarationOf(kind).when?.(body, now) ?? saidWhen(body) ?? exactly(now);

  /** Checks and applies one kind in a scope, as a whole entry or as a part of one. */
  async function perform<Kind extends EntryKindName>(scope: Scope, kind: Kind, body: EntryBody<Kind>): Promise<Applied> {
    if (!atLeast(scope.role, ENTRY_KINDS[kind].role))
      throw new DomainError('accounts/not-allowed', {
        detail: `This also logs "${ENTRY_KINDS[kind].words}", which needs the role ${ENTRY_KINDS[kind].role}; you are ${scope.role}.`,
      });
    const { check, apply, after } = declarationOf(kind);
    checkWhen(whenOf(kind, body, scope.now), scope);
    await check?.(scope, body);
    for (const also of register.checksOf(kind)) await also(scope as never, body as never);
    if (after) scope.afterwards.push(() => after({ ...scope, tx: null }, body));
    return apply(scope, body);
  }

  /**
   * Does one kind as a part of an entry that is being made: by a tick, by a jotted line. All that a form's entry of that kind must stand
   * is asked of it, too: who may, what it must look like, what its kind checks.
   * @param pointer - the field of the whole that a refusal stands at; none when it has none
   * @throws {DomainError} as the form would be answered
   */
  async function part<Kind extends EntryKindName>(
    scope: Scope,
    kind: Kind,
    asked: PartBody<Kind>,
    pointer?: string,
  ): Promise<Applied> {
    const at = pointer ? { pointer } : {};
    const parsed = v.safeParse(schemaOf(kind), { ...asked, id: scope.entryId });
    if (!parsed.success) throw new DomainError('request/invalid', { detail: parsed.issues[0].message, ...at });
    try {
      const applied = await perform(scope, kind, parsed.output as EntryBody<Kind>);
      return { ...applied, parts: [...(applied.parts ?? []), kind] };
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      throw new DomainError(error.code, { detail: error.detail, ...at, cause: error });
    }
  }

  return {
    repository,
    part,

    ...register,

    /**
     * Makes one entry: checked and done whole or not at all. A second call with the same id changes nothing.
     * @param body - as the contract's schema gives it; its id names the entry, its reason sets warnings aside
     */
    async enter<Kind extends EntryKindName>(who: Who, kind: Kind, body: EntryBody<Kind>): Promise<Written> {
      const { prepare } = declarationOf(kind);
      const asked = body as Asked;
      const prepared = (await prepare?.(body)) ?? body;
      return write(who, kind, asked, async (scope) => {
        const { from, to } = whenOf(kind, body, scope.now);
        const {
          text,
          tankId = null,
          subjectId = null,
          about = [],
          parts = [],
        } = await perform(scope, kind, prepared as EntryBody<Kind>);
        return {
          text,
          tankId,
          subjectId,
          about: about.flatMap((id) => id ?? []),
          fromAt: from,
          toAt: to,
          reason: asked.override?.reason ?? null,
          undoes: null,
          parts: parts.length > 0 ? [...new Set(parts)] : null,
        };
      });
    },

    /**
     * Logs what a tick stands for, as a part of the entry of the chore; null when there is nothing to log, as for an amount not known.
     * @throws {DomainError} rounds/unknown-tick, and whatever the kind it stands for refuses
     */
    async tick(scope: Scope, tick: Tick, call: Omit<TickCall, 'id' | 'what'>): Promise<Applied | null> {
      const found = register.tickOf(tick.kind);
      if (!found)
        throw new DomainError('rounds/unknown-tick', { detail: `Nothing is logged by "${tick.kind}".`, pointer: '#/tick/kind' });
      const made = await found.toBody(scope, { ...call, id: tick.id ?? '', what: tick.what ?? '' });
      const done: Applied[] = [];
      for (const body of made === null ? [] : Array.isArray(made) ? (made as PartBody<EntryKindName>[]) : [made])
        done.push(await part(scope, found.kind, body, call.amount === null ? undefined : '#/amount'));
      return done.length === 0 ? null : joined(done);
    },

    /**
     * Refuses an edit in place of what somebody else changed since the form was filled; both are shown.
     * @param version - the entry the form was filled from; undefined when nothing is to be compared
     * @param newest - the newest row now, read under the house's lock
     */
    async mustBeNewest(
      scope: Scope,
      version: string | null | undefined,
      newest: { entryId: string } | null | undefined,
      words: { theirs: string; yours: string },
    ): Promise<void> {
      if (version === undefined || scope.override || (newest?.entryId ?? null) === version) return;
      const entry = newest ? await repository.entries.get(scope, newest.entryId) : null;
      const by = entry
        ? `${entry.byName} changed it ${formatInstant(entry.recordedAt, houseDay(scope.now, scope.timeZone), scope.timeZone)}`
        : 'It was undone meanwhile';
      throw new DomainError('log/edited-since', {
        detail: `${by}: ${words.theirs}. Yours: ${words.yours}. If yours is to stand, say why.`,
      });
    },

    /** Which of these entries were written after one, by the server's order. */
    async laterThan(scope: Scope, entry: EntryRow, entryIds: readonly string[]): Promise<EntryRow[]> {
      const others = [...new Set(entryIds)].filter((id) => id !== entry.id);
      if (others.length === 0) return [];
      return (await repository.entries.find(scope, { id: others })).filter(({ sequence }) => sequence > entry.sequence);
    },
    /** What was written after an entry about what it is about first of all, and stands. */
    laterAbout: (scope: Scope, entry: EntryRow) => repository.laterAbout(scope, entry.subjectId ? [entry.subjectId] : [], entry),

    /** Takes an entry back, as long as nothing later builds on it; the entry stays in the log, marked. */
    async undo(who: Who, body: { id: string; entryId: string }): Promise<Written> {
      return write(who, 'undo', body, async (scope) => {
        const entry = await repository.entries.get(scope, body.entryId);
        if (!entry || entry.kind === 'undo')
          throw new DomainError('request/not-found', { detail: 'There’s no such entry to undo.' });
        if (entry.undone) throw new DomainError('log/later-entries', { detail: 'It’s already undone.' });
        if (!mayUndo(scope.role, entry))
          throw new DomainError('log/not-yours', { detail: `Only a keeper can undo "${entry.text}".` });
        const all = [...new Set([entry.kind, ...(entry.parts ?? [])])].flatMap(undoingsOf);
        for (const undoing of all) await undoing.before?.(scope, entry);
        for (const table of new Set(all.flatMap(({ tables }) => tables))) await table.undo(scope, entry.id);
        for (const undoing of all) await undoing.after?.(scope, entry);
        await repository.markUndone(scope, entry.id);
        return {
          text: `Undone: ${entry.text}`,
          tankId: entry.tankId,
          subjectId: entry.subjectId,
          about: await repository.subjectsOf(scope, entry.id),
          reason: null,
          undoes: entry.id,
          fromAt: scope.now,
          toAt: scope.now,
          parts: null,
        };
      });
    },

    /** A page of the log of a house, or of one thing in it, newest first. */
    async entries(who: Who, filter: { aboutId?: string | undefined; before?: string | undefined; limit?: number | undefined }) {
      const before = filter.before ? await repository.entries.get(who, filter.before) : null;
      const rows = await repository.newest(who, filter, filter.limit ?? 50, before);
      return rows.map((row) => ({
        id: row.id,
        kind: row.kind,
        text: row.text,
        tankId: row.tankId,
        from: row.fromAt,
        to: row.toAt,
        by: row.byName,
        reason: row.reason,
        undone: row.undone,
        parts: row.parts ?? [],
        canUndo: !row.undone && mayUndo(who.role, row),
        recordedAt: row.recordedAt,
      }));
    },
  };
}
export type LogService = ReturnType<typeof createLog>;
