import { withLearned, type BroodRecord } from '@freshet/core/broods';
import type { ResolvedSpecies } from '@freshet/core/species';
import type { TemperatureReading } from '@freshet/core/spawning';
import { nextGeneration, totalHeads } from '@freshet/core/stock';
import { exactly, formatInstantRange, houseDay, type TimeRange } from '@freshet/core/time';
import type { Applied, LogService, Scope, ToBody } from '../log';
import { DomainError, groupBy, type Clock, type Database, type Reading } from '../platform';
import type { RoomService } from '../room';
import type { SpawningService } from '../spawning';
import type { BroodDescent, LotRow, StockService } from '../stock';
import type { SpeciesService } from '../species';
import { createEggs } from './broods.eggs';
import { createPeat } from './broods.peat';
import { createFound } from './broods.found';
import { sumHeads as sum, toFacts } from './broods.mapper';
import { createJoin } from './broods.join';
import { createLearner } from './broods.learned';
import { refuseWhenSeenSince } from './broods.undoing';
import { createBroodMoves } from './broods.moves';
import { checkOrder } from './broods.order';
import { createPossible } from './broods.possible';
import { createTriage } from './broods.triage';
import { createTemperatures } from './broods.temperatures';
import { createBroodsRepository, type BroodRow, type ObservationRow } from './broods.repository';
import { v7 as newId } from 'uuid';

/** Without an earlier look a stage was reached within the last day. */
const LOOK_MS = 86_400_000;

/** What is logged of some broods, ready for core. */
export interface BroodFactsLoaded {
  broods: BroodRecord[];
  /** Temperatures each brood that does not feed yet has seen, tank by tank. */
  temperatures: Record<string, TemperatureReading[]>;
}

/** Broods: eggs seen, white eggs, hatch, free-swimming. */
export function createBroods(deps: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
  spawning: SpawningService;
}) {
  const { database, clock, log, room, stock, species, spawning } = deps;
  const repository = createBroodsRepository(database);
  const { broods, observations } = repository;
  /** A look for a stage: "not yet" says they are still what they were; "some" and "all" book it between the last look and now. */
  const seen =
    (kind: 'hatched' | 'freeSwimming'): ToBody<'observation'> =>
    async (scope, { id, at, answer, seen: said }) => {
      const { brood, facts } = await getBrood(scope, id);
      const about = { broodId: brood.id, counted: null };
      if (answer === 'notYet') return { ...about, kind: facts.hatched ? 'looked' : 'eggsSeen', at: exactly(at) };
      const before = [facts.laid.to, facts.hatched?.to, facts.eggsSeenAt, new Date(Date.parse(at) - LOOK_MS).toISOString()];
      const from =
        before
          .flatMap((one) => (one && one <= at ? [one] : []))
          .sort()
          .at(-1) ?? at;
      return { ...about, kind, at: said ?? { from, to: at } };
    };

  const mustBePossible = createPossible({ room });
  const applyFound = createFound({ stock, spawning, species, observations, applyClutch });
  createTriage({ log, stock, repository, getBrood, lotsOf });
  createEggs({ log, stock, repository, getBrood });
  createPeat({ log, room, stock, repository, getBrood });
  createJoin({ log, spawning, repository, getBrood });
  const temperaturesOf = createTemperatures({ clock, room, species, stock });
  const learned = createLearner({ room, species, repository });

  /** Species as the house's own broods have shown them. */
  async function learnedSpecies(at: Reading, waiting: readonly BroodRecord[]): Promise<ReadonlyMap<string, ResolvedSpecies>> {
    const [kinds, found] = await Promise.all([species.all(at), learned(at, waiting)]);
    return withLearned(kinds, found);
  }

  async function lotsOf(scope: Scope, broodId: string): Promise<LotRow[]> {
    const rows = await stock.repository.lots.find(scope, { broodId });
    return rows.filter((lot) => totalHeads(lot) > 0);
  }

  async function getBrood(scope: Scope, broodId: string): Promise<{ brood: BroodRow; facts: BroodRecord; lots: LotRow[] }> {
    const brood = await broods.get(scope, broodId);
    if (!brood) throw new DomainError('request/not-found', { detail: 'There’s no such brood.' });
    const [lots, seen] = [
      await lotsOf(scope, broodId),
      await observations.find(scope, { broodId }, { order: [['toAt', 'ASC']] }),
    ];
    return { brood, lots, facts: toFacts(brood, seen, lots) };
  }

  async function applyClutch(
    scope: Scope,
    body: { broodId: string; lotId: string; attemptId: string; laid: TimeRange; count: number; white: number },
  ): Promise<Applied> {
    const { entryId } = scope;
    const attempt = await spawning.getAttempt(scope, body.attemptId);
    const [facts] = await spawning.withFacts(scope, [attempt]);
    if (facts?.ended) throw new DomainError('spawning/ended', { detail: `${attempt.name} has ended. Start a new spawning.` });
    const kind = await species.get(scope, attempt.speciesKey);
    const before = await broods.find(scope, { attemptId: attempt.id }, { all: true });
    const name = before.length > 0 ? `${attempt.name}, clutch ${before.length + 1}` : attempt.name;
    await broods.insert(scope, {
      id: body.broodId,
      entryId,
      speciesKey: attempt.speciesKey,
      name: name.slice(0, 80),
      attemptId: attempt.id,
      laidFrom: body.laid.from,
      laidTo: body.laid.to,
    });
    const parents = await stock.repository.byIds(scope, facts?.parents.map(({ lotId }) => lotId) ?? []);
    const lines = [...new Set(parents.map(({ line }) => line))];
    await stock.createLot(scope, {
      id: body.lotId,
      speciesKey: attempt.speciesKey,
      // Young carry the line on only where both parents are of it.
      line: lines.length === 1 ? (lines[0] ?? null) : null,
      generation: parents.length > 0 ? nextGeneration(parents.map(({ generation }) => generation)) : null,
      origin: 'ownBrood',
      acquiredFrom: null,
      broodId: body.broodId,
      tankId: attempt.tankId,
      since: body.laid.from,
    });
    await stock.book(
      scope,
      { males: 0, females: 0, unsexed: body.count, fromLotId: null, toLotId: body.lotId, cause: 'birth' },
      body.laid,
      '#/count',
    );
    if (body.white > 0)
      await stock.book(
        scope,
        { males: 0, females: 0, unsexed: body.white, fromLotId: body.lotId, toLotId: null, cause: 'infertile' },
        exactly(body.laid.to),
        '#/white',
      );
    const tank = await room.getTank(scope, attempt.tankId);
    const what = kind.start === 'born' ? 'young born' : kind.start === 'carried' ? 'eggs carried' : 'eggs';
    return {
      text: `${tank.code}: ${body.count} ${what}${body.white > 0 ? `, ${body.white} white` : ''}, ${formatInstantRange(body.laid, houseDay(scope.now, scope.timeZone), scope.timeZone)}`,
      tankId: tank.id,
      subjectId: body.broodId,
      about: [attempt.id, body.lotId, ...parents.map(({ id }) => id)],
    };
  }

  async function applyObservation(
    scope: Scope,
    body: { broodId: string; kind: ObservationRow['kind']; at: TimeRange; counted: number | null },
  ): Promise<Applied> {
    const { entryId } = scope;
    const { brood, facts, lots } = await getBrood(scope, body.broodId);
    const kind = await species.get(scope, brood.speciesKey);
    if (body.kind === 'stripped' && !kind.strip)
      throw new DomainError('broods/out-of-order', {
        detail: 'Their mother does not hold them in her mouth.',
        pointer: '#/kind',
      });
    checkOrder(body.kind, body.at, facts, kind.start === 'born', scope, scope.now);
    for (const { tankId } of body.kind === 'hatched' ? lots : []) {
      const inside = tankId ? await room.getTank(scope, tankId) : null;
      if (inside?.kind === 'peatBag')
        throw new DomainError('broods/out-of-order', {
          detail: `They lie in bag ${inside.code}. Log the wetting first.`,
          pointer: '#/kind',
        });
    }
    if (body.kind === 'hatched' && !scope.override) await mustBePossible(scope, facts, body.at, kind, lots[0]?.tankId ?? null);
    await observations.insert(scope, {
      id: newId(),
      entryId,
      broodId: brood.id,
      kind: body.kind,
      fromAt: body.at.from,
      toAt: body.at.to,
    });
    if (body.counted !== null) {
      if (lots.length !== 1)
        throw new DomainError('broods/out-of-order', {
          detail: 'The brood is in more than one tank; count each tank for itself.',
          pointer: '#/counted',
        });
      await stock.applyCount(scope, lots[0]?.id ?? '', body.counted, body.at);
    }
    const tankId = lots[0]?.tankId ?? null;
    const words = {
      eggsSeen: 'still eggs',
      stripped: 'taken from her',
      wetted: 'wetted',
      looked: 'not swimming yet',
      hatched: kind.start === 'carried' ? 'young let go' : 'hatched',
      freeSwimming: 'free-swimming',
    }[body.kind];
    return {
      text: `${brood.name}: ${words}${body.counted === null ? '' : `, ${body.counted} counted`}`,
      tankId,
      subjectId: brood.id,
      about: lots.flatMap((lot) => [lot.id, lot.tankId]),
    };
  }

  const began = stock.ledgerUndoing({
    // What was found with no attempt open brought its attempt along, and when it swam.
    tables: [broods, observations, spawning.repository.attempts, spawning.repository.parents],
    before: refuseWhenSeenSince(log, repository),
  });
  log.declare({
    clutch: { when: (body) => body.laid, apply: applyClutch, undo: began },
    found: { when: (body) => body.laid ?? exactly(body.at), apply: applyFound, undo: began },
    observation: {
      apply: applyObservation,
      undo: stock.ledgerUndoing({ tables: [observations] }),
      ticks: {
        hatched: seen('hatched'),
        freeSwimming: seen('freeSwimming'),
        stripped: (_scope, { id, at }) => ({ broodId: id, kind: 'stripped', at: exactly(at), counted: null }),
      },
    },
  });
  log.declareTicks('move', createBroodMoves({ stock, spawning }));
  // Later areas tell the log what stands in the way of taking back an earlier area's entry.
  log.alsoUndone({
    attempt: {
      tables: [],
      async before(scope, { subjectId: attemptId }) {
        if ((await broods.find(scope, { attemptId }, { limit: 1 })).length > 0)
          throw new DomainError('log/later-entries', { detail: 'Eggs were logged for this spawning; undo that first.' });
      },
    },
  });

  return {
    repository,
    learned,
    learnedSpecies,
    getBrood,
    applyClutch,
    applyObservation,
    toFacts,

    /** Facts and temperatures of the broods with these lots (living or not); the number of queries does not depend on how many. */
    async load(at: Reading, broodIds: readonly string[], lotRows: readonly LotRow[]): Promise<BroodFactsLoaded> {
      const lotsBy = groupBy(
        lotRows.filter((lot) => lot.broodId !== null),
        (lot) => lot.broodId ?? '',
      );
      const lotIds = lotRows.filter((lot) => lot.broodId !== null).map(({ id }) => id);
      const [rows, seen, samples, keepings, bags] = await Promise.all([
        repository.byIds(at, broodIds),
        repository.observationsOf(at, broodIds),
        stock.repository.samplesOf(at, lotIds),
        repository.keepings.newestBy(at, 'broodId', broodIds),
        repository.peatBags.newestBy(at, 'broodId', broodIds),
      ]);
      const keepingBy = new Map(keepings.map((row) => [row.broodId, row]));
      const bagBy = new Map(bags.map((row) => [row.broodId, row]));
      const samplesBy = groupBy(samples, (row) => row.lotId);
      const seenBy = groupBy(seen, (row) => row.broodId);
      const facts = rows.map((row) => {
        const lots = lotsBy.get(row.id) ?? [];
        return toFacts(
          row,
          seenBy.get(row.id) ?? [],
          lots,
          lots.flatMap(({ id }) => samplesBy.get(id) ?? []),
          { keeping: keepingBy.get(row.id), bag: bagBy.get(row.id) },
        );
      });
      return { broods: facts, temperatures: await temperaturesOf(at, facts, lotsBy) };
    },

    /** Every brood of a house with the lots its parents were among. */
    async descent(at: Reading): Promise<BroodDescent[]> {
      const found = new Map<string, BroodDescent>();
      for (const { id, name, speciesKey, laidFrom, lotId, role } of await repository.withParents(at)) {
        const brood = found.get(id) ?? { id, name, speciesKey, laidAt: new Date(laidFrom).toISOString(), sires: [], dams: [] };
        found.set(id, brood);
        if (lotId && role) brood[role === 'sire' ? 'sires' : 'dams'].push(lotId);
      }
      return [...found.values()];
    },

    /** Broods of some attempts with how many live. */
    async byAttempt(
      at: Reading,
      attemptIds: readonly string[],
    ): Promise<ReadonlyMap<string, readonly { id: string; alive: number; laidTo: string }[]>> {
      const rows = await repository.byAttempts(at, attemptIds);
      const lots = await stock.repository.ofBroods(
        at,
        rows.map(({ id }) => id),
      );
      const lotsBy = groupBy(lots, (lot) => lot.broodId ?? '');
      return new Map(
        [...groupBy(rows, (row) => row.attemptId ?? '')].map(([id, own]) => [
          id,
          own.map((row) => ({ id: row.id, alive: sum(lotsBy.get(row.id) ?? []), laidTo: row.laidTo })),
        ]),
      );
    },
  };
}
export type BroodsService = ReturnType<typeof createBroods>;
