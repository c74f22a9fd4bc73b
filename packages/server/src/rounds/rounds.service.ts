import { v7 as newId } from 'uuid';
import type { EntryKindName } from '@freshet/contract/api';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { roundsEndpoints } from '@freshet/contract/rounds';
import type { HouseView } from '@freshet/core/house';
import { deriveHorizon, deriveRound, jotTanks, parseJot, type JotCommand } from '@freshet/core/rounds';
import { clutchCandidates } from '@freshet/core/spawning';
import { exactly } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import type { Ticks } from '../agenda';
import type { BroodsService } from '../broods';
import type { HouseService } from '../house';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, type Who } from '../platform';
import type { RoomService } from '../room';
import type { StockService } from '../stock';
import type { RoundsRepository } from './rounds.repository';

type Body<Name extends keyof typeof roundsEndpoints> = BodyOf<(typeof roundsEndpoints)[Name]>;
const alreadyTicked = ({ byName, status }: { byName: string; status: string }) =>
  new DomainError('rounds/already-ticked', { detail: `${byName} logged it as ${status} already.` });

/** The round, the Horizon, and the jot line; all worked out from the house as it stands. */
export function createRounds({
  log,
  ticks,
  house,
  room,
  stock,
  broods,
  repository,
}: {
  log: LogService;
  ticks: Ticks;
  house: HouseService;
  room: RoomService;
  stock: StockService;
  broods: BroodsService;
  repository: RoundsRepository;
}) {
  const { outcomes } = repository;
  // What a tick or a line logged besides is undone as its own kinds are: they are parts of the entry.
  log.register({ outcome: { tables: [outcomes] }, jot: { tables: [] } });

  async function applyOutcome(scope: Scope, body: Body<'outcome'>): Promise<Applied> {
    const before = await repository.ofChore(scope, body.choreKey);
    if (before) throw alreadyTicked(before);
    const tank = body.tankId ? await room.getTank(scope, body.tankId, '#/tankId') : null;
    const { choreKey, day, status, text, amount, unit, at } = body;
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
      body.tick && status === 'done' ? await ticks.apply(scope, body.tick, { amount, at, tankId: tank?.id ?? null, text }) : null;
    const howMuch = amount === null ? '' : ` ${formatNumber(amount, 3)} ${unit ?? ''}`.trimEnd();
    return {
      text: `${tank ? `${tank.code}: ` : ''}${text}${howMuch}, ${status}`,
      tankId: tank?.id ?? also?.tankId ?? null,
      subjectId: also?.subjectId ?? null,
      parts: also?.parts ?? [],
    };
  }

  /** What a jotted command logs, and as which kind of entry. */
  async function applyJot(
    scope: Scope,
    view: HouseView,
    tankId: string,
    command: JotCommand,
  ): Promise<{ part: EntryKindName; applied: Applied }> {
    switch (command.kind) {
      case 'temperature':
        return {
          part: 'reading',
          applied: await room.applyReading(scope, { tankId, quantity: 'tempC', value: command.tempC, at: command.at }),
        };
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
        return {
          part: 'observation',
          applied: await broods.applyObservation(scope, { ...command, counted: command.count }),
        };
      case 'count':
        return { part: 'count', applied: await stock.applyCount(scope, command.lotId, command.count, exactly(command.at)) };
      case 'lost':
        return {
          part: 'loss',
          applied: await stock.applyLoss(scope, { ...command, cause: 'unknown', at: exactly(command.at) }),
        };
    }
  }

  return {
    round: async (who: Who, day: string | undefined) => {
      const view = await house.view(who);
      return deriveRound(view, day ?? view.today);
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
      const tanks = jotTanks(view);
      const result = parseJot(body.line, { tanks, now: body.at, timeZone: who.timeZone, temperatureUnit: who.temperatureUnit });
      if (!result.ok) throw new DomainError('rounds/jot-unclear', { detail: result.problem.message, pointer: '#/line' });
      const { tank, commands } = result;
      return log.record(who, { kind: 'jot', asked: body, when: exactly(body.at) }, async (scope) => {
        const done: { part: EntryKindName; applied: Applied }[] = [];
        for (const command of commands) done.push(await applyJot(scope, view, tank.id, command));
        const other = done.find(({ applied }) => applied.subjectId && applied.subjectId !== tank.id);
        return {
          text: done.map(({ applied }) => applied.text).join('; '),
          tankId: tank.id,
          subjectId: other?.applied.subjectId ?? tank.id,
          parts: done.map(({ part }) => part),
        };
      });
    },
  };
}
export type RoundsService = ReturnType<typeof createRounds>;
