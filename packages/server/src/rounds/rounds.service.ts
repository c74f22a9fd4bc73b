import { v7 as newId } from 'uuid';
import { ENTRY_KINDS, type EntryBody } from '@freshet/contract/api';
import { parseJot } from '@freshet/core/jot';
import { deriveHorizon, deriveRound, jotCultures, jotTanks } from '@freshet/core/rounds';
import { formatAmount } from '@freshet/core/units';
import type { HouseService } from '../house';
import { joined, type Applied, type LogService, type Scope } from '../log';
import { atLeast, DomainError, type Who } from '../platform';
import type { RoomService } from '../room';
import type { SalesService } from '../sales';
import { jotPart } from './jotParts';
import type { RoundsRepository } from './rounds.repository';

const ANSWERS = { notYet: 'not yet', some: 'some', all: 'all' } as const;
const alreadyTicked = ({ status }: { status: string }) =>
  new DomainError('rounds/already-ticked', { detail: status === 'done' ? 'Already ticked.' : 'Already skipped.' });

/** The round, the Horizon, and the jot line; all worked out from the house as it stands. */
export function createRounds({
  log,
  house,
  room,
  sales,
  repository,
}: {
  log: LogService;
  house: HouseService;
  room: RoomService;
  sales: Pick<SalesService, 'buyersNow'>;
  repository: RoundsRepository;
}) {
  const { outcomes } = repository;

  async function applyOutcome(scope: Scope, body: EntryBody<'outcome'>): Promise<Applied> {
    const tank = body.tankId ? await room.getTank(scope, body.tankId, '#/tankId') : null;
    const { choreKey, day, status, amount, unit, at, answer = null, seen = null } = body;
    const text = answer ? `${body.text}: ${ANSWERS[answer]}` : body.text;
    const said = `${text} ${formatAmount(amount, unit)}`.trimEnd();
    await outcomes.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      choreKey,
      day,
      status,
      text,
      tankId: tank?.id ?? null,
      amount,
      unit,
      byName: scope.name,
    });
    const also =
      body.tick && status === 'done'
        ? await log.tick(scope, body.tick, { amount, unit, at, tankId: tank?.id ?? null, text: body.text, answer, seen })
        : null;
    return {
      text: `${tank ? `${tank.code}: ` : ''}${said}, ${status}`,
      tankId: tank?.id ?? also?.tankId ?? null,
      subjectId: also?.subjectId ?? null,
      about: [also?.tankId, ...(also?.about ?? [])],
      parts: also?.parts ?? [],
    };
  }

  /** Ticks what is not ticked yet, all of it or nothing. */
  async function applyTicks(scope: Scope, body: EntryBody<'ticks'>): Promise<Applied> {
    const done: Applied[] = [];
    const tankIds = new Set<string>();
    for (const outcome of body.outcomes) {
      if (await repository.ofChore(scope, outcome.choreKey)) continue;
      done.push(await log.part(scope, 'outcome', outcome));
      if (outcome.tankId) tankIds.add(outcome.tankId);
    }
    if (done.length === 0) throw alreadyTicked({ status: 'done' });
    const all = joined(done);
    // Of one tank each chore is told; of a rack only how many, and where.
    if (done.length === 1 || tankIds.size === 1) return all;
    const tanks = await Promise.all([...tankIds].map((id) => room.getTank(scope, id, '#/outcomes')));
    return {
      ...all,
      text: `${done.length} chores ticked${tanks.length > 0 ? `: ${tanks.map(({ code }) => code).join(', ')}` : ''}`,
    };
  }

  /** Reads a jotted line as of when it was typed, and does all of it or nothing. */
  async function applyJot(scope: Scope, body: EntryBody<'jot'>): Promise<Applied> {
    const view = await house.view(scope);
    const result = parseJot(body.line, {
      tanks: jotTanks(view),
      cultures: jotCultures(view),
      buyers: atLeast(scope.role, ENTRY_KINDS.sale.role) ? await sales.buyersNow(scope) : [],
      now: body.at,
      timeZone: scope.timeZone,
      units: { temperature: scope.temperatureUnit, volume: scope.volumeUnit },
    });
    if (!result.ok) {
      const { ask, problem } = result;
      const detail = ask ? `${ask.question} ${ask.choices.map(({ label }) => label).join(', ')}` : problem.message;
      throw new DomainError('rounds/jot-unclear', { detail, pointer: '#/line' });
    }
    const done: Applied[] = [];
    for (const command of result.commands) {
      const { kind, body: asked } = jotPart(command, view);
      done.push(await log.part(scope, kind, asked, '#/line'));
    }
    const tankId = result.tanks[0]?.id ?? null;
    const other = done.find(({ subjectId }) => subjectId && subjectId !== tankId);
    const all = joined(done);
    return {
      ...all,
      tankId,
      subjectId: other?.subjectId ?? tankId,
      about: [...result.tanks.map(({ id }) => id), ...(all.about ?? [])],
    };
  }

  log.declare({
    outcome: {
      async check(scope, { choreKey }) {
        const before = await repository.ofChore(scope, choreKey);
        if (before) throw alreadyTicked(before);
      },
      apply: applyOutcome,
      // What a tick or a line logged besides is undone as its own kinds are: they are parts of the entry.
      undo: { tables: [outcomes] },
    },
    ticks: { apply: applyTicks, undo: { tables: [] } },
    jot: { apply: applyJot, undo: { tables: [] } },
  });

  return {
    round: (who: Who, day: string | undefined) =>
      house.derived(who, `round ${day ?? ''}`, (now, onDay) => {
        const then = day === undefined ? now : onDay(day);
        return deriveRound(then, day ?? now.today, then === now ? null : deriveRound(now, now.today));
      }),
    horizon: (who: Who) => house.derived(who, 'horizon', (view) => ({ today: view.today, items: deriveHorizon(view) })),
  };
}
export type RoundsService = ReturnType<typeof createRounds>;
