import { v7 as newId } from 'uuid';
import type { EntryKindName } from '@freshet/contract/api';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { roundsEndpoints } from '@freshet/contract/rounds';
import type { HouseView } from '@freshet/core/house';
import { deriveHorizon, deriveRound, jotCultures, jotTanks, parseJot, type JotCommand } from '@freshet/core/rounds';
import { clutchCandidates } from '@freshet/core/spawning';
import { exactly } from '@freshet/core/time';
import { formatAmount } from '@freshet/core/units';
import type { Ticks } from '../agenda';
import type { BroodsService } from '../broods';
import type { HouseService } from '../house';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, type Who } from '../platform';
import type { LarderService } from '../larder';
import type { CareService, RoomService, WaterService } from '../room';
import type { StockService } from '../stock';
import type { RoundsRepository } from './rounds.repository';

type Body<Name extends keyof typeof roundsEndpoints> = BodyOf<(typeof roundsEndpoints)[Name]>;
const ANSWERS = { notYet: 'not yet', some: 'some', all: 'all' } as const;
const alreadyTicked = ({ byName, status }: { byName: string; status: string }) =>
  new DomainError('rounds/already-ticked', { detail: `${byName} logged it as ${status} already.` });

/** The round, the Horizon, and the jot line; all worked out from the house as it stands. */
export function createRounds({
  log,
  ticks,
  house,
  room,
  water,
  care,
  stock,
  broods,
  larder,
  repository,
}: {
  log: LogService;
  ticks: Ticks;
  house: HouseService;
  room: RoomService;
  water: WaterService;
  care: CareService;
  stock: StockService;
  broods: BroodsService;
  larder: LarderService;
  repository: RoundsRepository;
}) {
  const { outcomes } = repository;
  // What a tick or a line logged besides is undone as its own kinds are: they are parts of the entry.
  log.register({ outcome: { tables: [outcomes] }, jot: { tables: [] } });

  async function applyOutcome(scope: Scope, body: Body<'outcome'>): Promise<Applied> {
    const before = await repository.ofChore(scope, body.choreKey);
    if (before) throw alreadyTicked(before);
    const tank = body.tankId ? await room.getTank(scope, body.tankId, '#/tankId') : null;
    const { choreKey, day, status, amount, unit, at } = body;
    const answer = body.answer ?? null;
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
        ? await ticks.apply(scope, body.tick, {
            amount,
            unit,
            at,
            tankId: tank?.id ?? null,
            text: body.text,
            answer,
            seen: body.seen ?? null,
          })
        : null;
    return {
      text: `${tank ? `${tank.code}: ` : ''}${said}, ${status}`,
      tankId: tank?.id ?? also?.tankId ?? null,
      subjectId: also?.subjectId ?? null,
      parts: also?.parts ?? [],
    };
  }

  /** What a jotted command logs, and as which kind of entry. */
  async function applyJot(
    scope: Scope,
    view: HouseView,
    command: JotCommand,
  ): Promise<{ part: EntryKindName; applied: Applied }> {
    const { tankId } = command;
    switch (command.kind) {
      case 'reading':
        return { part: 'reading', applied: await room.applyReading(scope, command) };
      case 'change':
        return { part: 'change', applied: await water.applyChange(scope, { ...command, waterId: null, tempC: null }) };
      case 'eggs': {
        const [attempt] = clutchCandidates(view.attemptsByTank.get(tankId) ?? [], view.today);
        const { count, white, laid } = command;
        const clutch = { broodId: newId(), lotId: newId(), attemptId: attempt?.id ?? '', laid, count, white };
        return { part: 'clutch', applied: await broods.applyClutch(scope, clutch) };
      }
      case 'white':
        return { part: 'white', applied: await broods.applyWhite(scope, command) };
      case 'hatched':
      case 'freeSwimming':
        return { part: 'observation', applied: await broods.applyObservation(scope, { ...command, counted: command.count }) };
      case 'count':
        return { part: 'count', applied: await stock.applyCount(scope, command.lotId, command.count, command.at) };
      case 'lost':
        return { part: 'loss', applied: await stock.applyLoss(scope, command) };
      case 'move':
        return { part: 'move', applied: await stock.applyMove(scope, { ...command, newLotId: newId() }) };
      case 'harvest':
        return { part: 'cultureEvent', applied: await larder.applyEvent(scope, { ...command, kind: 'harvested' }) };
      case 'care':
        return {
          part: 'care',
          applied: await care.applyCare(scope, { ...command, what: command.text, amount: null, unit: null }),
        };
    }
  }

  return {
    round: async (who: Who, day: string | undefined) => {
      const { now, then } = await house.viewsOn(who, day);
      return deriveRound(then, day ?? now.today, then === now ? null : deriveRound(now, now.today));
    },
    horizon: async (who: Who) => {
      const view = await house.view(who);
      return { today: view.today, items: deriveHorizon(view) };
    },

    /** Ticks a chore; who comes second is told who was first. */
    async outcome(who: Who, body: Body<'outcome'>) {
      try {
        return await log.record(who, { kind: 'outcome', asked: body, when: exactly(body.at) }, (scope) =>
          applyOutcome(scope, body),
        );
      } catch (error) {
        const lost = error instanceof DomainError && error.code === 'log/id-taken';
        const first = lost ? await repository.ofChore(who, body.choreKey) : null;
        throw first ? alreadyTicked(first) : error;
      }
    },

    /** Reads a jotted line as of when it was typed, and logs all of it or nothing. */
    async jot(who: Who, body: Body<'jot'>) {
      const replayed = await log.replay(who, 'jot', body);
      if (replayed) return replayed;
      const view = await house.view(who);
      const result = parseJot(body.line, {
        tanks: jotTanks(view),
        cultures: jotCultures(view),
        now: body.at,
        timeZone: who.timeZone,
        units: { temperature: who.temperatureUnit, volume: who.volumeUnit },
      });
      if (!result.ok) throw new DomainError('rounds/jot-unclear', { detail: result.problem.message, pointer: '#/line' });
      const { tanks, commands } = result;
      for (const command of commands) if (command.kind === 'move') await stock.mustTake(who, command);
      return log.record(who, { kind: 'jot', asked: body, when: exactly(body.at) }, async (scope) => {
        const done: { part: EntryKindName; applied: Applied }[] = [];
        for (const command of commands) done.push(await applyJot(scope, view, command));
        const tankId = tanks[0]?.id ?? null;
        const other = done.find(({ applied }) => applied.subjectId && applied.subjectId !== tankId);
        return {
          text: done.map(({ applied }) => applied.text).join('; '),
          tankId,
          otherTankId: tanks[1]?.id ?? done.find(({ applied }) => applied.otherTankId)?.applied.otherTankId ?? null,
          subjectId: other?.applied.subjectId ?? tankId,
          parts: done.map(({ part }) => part),
        };
      });
    },
  };
}
export type RoundsService = ReturnType<typeof createRounds>;
