import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { roundsEndpoints } from '@freshet/contract/rounds';
import {
  clutchCandidates,
  deriveHorizon,
  deriveLarder,
  deriveRound,
  jotTanks,
  parseJot,
  readHouse,
  type JotCommand,
  type ReadHouse,
} from '@freshet/core/rounds';
import { exactly } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, type Database, type Who } from '../platform';
import { createLoader } from './houseState.loader';
import type { LoaderDeps } from './loaderDeps';
import { createRoundsRepository } from './rounds.repository';
import { compareForTransfer } from './transfer';
import { wantedByTank } from './houseRoom.loader';
import { tankLife } from './tankLife';

type Body<Name extends keyof typeof roundsEndpoints> = BodyOf<(typeof roundsEndpoints)[Name]>;

/** The round, the Horizon, and the jot line; all worked out from the house as it stands. */
export function createRounds(deps: LoaderDeps & { database: Database; log: LogService }) {
  const { log, room, readiness, water, stock, spawning, broods, larder, database } = deps;
  const repository = createRoundsRepository(database);
  const { outcomes } = repository;
  log.onUndo({ tables: [outcomes] });
  const load = createLoader(deps, repository);
  const read = async (who: Who): Promise<ReadHouse> => readHouse(await load(who));

  /** Logs what a ticked chore stands for besides itself. */
  async function applyChoreLog(scope: Scope, body: Body<'outcome'>): Promise<Applied | null> {
    const { log: what, at, amount } = body;
    if (!what || body.status !== 'done') return null;
    switch (what.kind) {
      case 'hatched':
      case 'freeSwimming':
        return broods.applyObservation(scope, { broodId: what.broodId, kind: what.kind, at: exactly(at), counted: null });
      case 'white':
        return amount ? broods.applyWhite(scope, { broodId: what.broodId, count: amount, at }) : null;
      case 'temperature':
        return amount === null ? null : room.applyReading(scope, { tankId: what.tankId, quantity: 'tempC', value: amount, at });
      case 'cultureFed':
        return larder.applyEvent(scope, { cultureId: what.cultureId, kind: 'fed', at });
      case 'cultureHarvested':
        return larder.applyEvent(scope, { cultureId: what.cultureId, kind: 'harvested', at });
      case 'cultureRipe':
        return larder.applyEvent(scope, { cultureId: what.cultureId, kind: 'ripe', at });
      case 'cultureStarted':
        return larder.applyStart(scope, { cultureId: newId(), food: what.food, name: null, tankId: body.tankId, startedAt: at });
      case 'waterChange':
        return amount ? water.applyChange(scope, { tankId: what.tankId, litres: amount, waterId: null, tempC: null, at }) : null;
      case 'filterFed':
        return readiness.applyEvent(scope, { tankId: what.tankId, kind: 'fed', at });
      case 'calibrated':
        return water.applyCalibration(scope, { meterId: what.meterId, at });
      case 'triggered':
        return spawning.applyTrigger(scope, { attemptId: what.attemptId, at: exactly(at), what: body.text });
    }
  }

  async function applyOutcome(scope: Scope, body: Body<'outcome'>): Promise<Applied> {
    const { who, tx, entryId } = scope;
    const before = await repository.ofChore(who.houseId, body.choreKey, tx);
    if (before) throw new DomainError('rounds/already-ticked', { detail: `${before.byName} logged it as ${before.status}.` });
    const tank = body.tankId ? await room.getTank(who, body.tankId, scope) : null;
    const { choreKey, day, status, text, amount, unit } = body;
    const row = { id: newId(), entryId, choreKey, day, status, text, tankId: tank?.id ?? null, amount, unit, byName: who.name };
    await outcomes.insert(who.houseId, row, tx);
    const also = await applyChoreLog(scope, body);
    const howMuch = amount === null ? '' : ` ${formatNumber(amount, 3)} ${unit ?? ''}`.trimEnd();
    const line = `${tank ? `${tank.code}: ` : ''}${text}${howMuch}, ${status}`;
    return { text: line, tankId: tank?.id ?? also?.tankId ?? null, subjectId: also?.subjectId ?? null };
  }

  async function applyJot(scope: Scope, house: ReadHouse, tankId: string, command: JotCommand): Promise<Applied> {
    switch (command.kind) {
      case 'temperature':
        return room.applyReading(scope, { tankId, quantity: 'tempC', value: command.tempC, at: command.at });
      case 'eggs': {
        const [attempt] = clutchCandidates(house.attemptsByTank.get(tankId) ?? [], house.today);
        const { count, white, laid } = command;
        return broods.applyClutch(scope, { broodId: newId(), lotId: newId(), attemptId: attempt?.id ?? '', laid, count, white });
      }
      case 'white':
        return broods.applyWhite(scope, command);
      case 'hatched':
      case 'freeSwimming':
        return broods.applyObservation(scope, { ...command, counted: command.count });
      case 'count':
        return stock.applyCount(scope, command.lotId, command.count, exactly(command.at));
      case 'lost':
        return stock.applyLoss(scope, { ...command, cause: 'unknown', at: exactly(command.at) });
    }
  }

  return {
    load,
    round: async (who: Who, day: string | undefined) => {
      const house = await read(who);
      return deriveRound(house, day ?? house.today);
    },
    horizon: async (who: Who) => {
      const house = await read(who);
      return { today: house.today, items: deriveHorizon(house) };
    },
    transfer: async (who: Who, query: Parameters<typeof compareForTransfer>[3]) =>
      compareForTransfer(deps, who, await read(who), query),
    /** Range of temperature wanted in each tank. */
    wanted: async (who: Who) => {
      const house = await load(who);
      return wantedByTank(house.lots, house.species);
    },
    foodPlans: async (who: Who) => deriveLarder(await read(who)),
    tankLife: async (who: Who) => {
      const house = await read(who);
      const jots = new Map(jotTanks(house).map((tank) => [tank.id, tank.attempts]));
      return tankLife(house).map((life) => ({ ...life, clutchAttempts: jots.get(life.tankId) ?? 0 }));
    },

    outcome: (who: Who, body: Body<'outcome'>) =>
      log.record(who, { id: body.id, kind: 'outcome', when: exactly(body.at) }, (scope) => applyOutcome(scope, body)),

    /** Reads a jotted line as of when it was typed, and logs all of it or nothing. */
    async jot(who: Who, body: Body<'jot'>) {
      const house = await read(who);
      const tanks = jotTanks(house);
      const result = parseJot(body.line, { tanks, now: body.at, timeZone: who.timeZone, temperatureUnit: who.temperatureUnit });
      const replayed = await log.replay(who, body.id, 'jot');
      if (replayed) return replayed;
      if (!result.ok) throw new DomainError('rounds/jot-unclear', { detail: result.problem.message, pointer: '#/line' });
      const { tank, commands } = result;
      return log.record(who, { id: body.id, kind: 'jot', when: exactly(body.at) }, async (scope) => {
        const applied: Applied[] = [];
        for (const command of commands) applied.push(await applyJot(scope, house, tank.id, command));
        const subjectId = applied.find((one) => one.subjectId && one.subjectId !== tank.id)?.subjectId ?? tank.id;
        return { text: applied.map((one) => one.text).join('; '), tankId: tank.id, subjectId };
      });
    },
  };
}
export type RoundsService = ReturnType<typeof createRounds>;
