import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodsEndpoints } from '@freshet/contract/broods';
import { withLearned, type BroodRecord } from '@freshet/core/broods';
import type { ResolvedSpecies } from '@freshet/core/species';
import type { TemperatureReading } from '@freshet/core/spawning';
import { nextGeneration, totalHeads, type Heads } from '@freshet/core/stock';
import { exactly, formatInstantRange, houseDay, type TimeRange } from '@freshet/core/time';
import type { TickHandler, Ticks } from '../agenda';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Database, type Reading, type Who } from '../platform';
import type { RoomService } from '../room';
import type { SpawningService } from '../spawning';
import type { BroodDescent, LotRow, StockService } from '../stock';
import type { SpeciesService } from '../species';
import { createLearner } from './broods.learned';
import { createTemperatures } from './broods.temperatures';
import { createBroodsRepository, type BroodRow, type ObservationRow } from './broods.repository';
import { v7 as newId } from 'uuid';

type Body<Name extends keyof typeof broodsEndpoints> = BodyOf<(typeof broodsEndpoints)[Name]>;
const sum = (lots: readonly Heads[]) => lots.reduce((total, lot) => total + totalHeads(lot), 0);

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
  ticks: Ticks;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
  spawning: SpawningService;
}) {
  const { database, clock, log, ticks, room, stock, species, spawning } = deps;
  const repository = createBroodsRepository(database);
  const { broods, observations } = repository;
  log.register({
    // Later areas tell the log what stands in the way of taking back an earlier area's entry.
    attempt: {
      tables: [],
      async before(scope, { subjectId: attemptId }) {
        if ((await broods.find(scope, { attemptId }, { limit: 1 })).length > 0)
          throw new DomainError('log/later-entries', { detail: 'Eggs were logged for this attempt; take that back first.' });
      },
    },
    clutch: stock.ledgerUndoing({
      tables: [broods],
      async before(scope, entry) {
        for (const brood of await broods.find(scope, { entryId: entry.id }))
          if ((await observations.find(scope, { broodId: brood.id }, { limit: 1 })).length > 0)
            throw new DomainError('log/later-entries', { detail: 'This brood was observed since; take that back first.' });
      },
    }),
    observation: stock.ledgerUndoing({ tables: [observations] }),
    white: stock.ledgerUndoing({ tables: [observations] }),
  });
  const seen =
    (kind: 'hatched' | 'freeSwimming'): TickHandler['apply'] =>
    (scope, { id, at }) =>
      applyObservation(scope, { broodId: id, kind, at: exactly(at), counted: null });
  ticks.register({
    hatched: { entry: 'observation', apply: seen('hatched') },
    freeSwimming: { entry: 'observation', apply: seen('freeSwimming') },
    white: {
      entry: 'white',
      apply: async (scope, { id, amount, at }) => (amount ? applyWhite(scope, { broodId: id, count: amount, at }) : null),
    },
  });

  function toFacts(brood: BroodRow, seen: readonly ObservationRow[], lots: readonly LotRow[]): BroodRecord {
    const last = (kind: ObservationRow['kind']) => {
      const row = seen.findLast((observation) => observation.kind === kind);
      return row ? { from: row.fromAt, to: row.toAt } : null;
    };
    return {
      id: brood.id,
      name: brood.name,
      speciesKey: brood.speciesKey,
      attemptId: brood.attemptId,
      laid: { from: brood.laidFrom, to: brood.laidTo },
      hatched: last('hatched'),
      freeSwimming: last('freeSwimming'),
      eggsSeenAt: last('eggsSeen')?.to ?? null,
      alive: sum(lots),
    };
  }

  const temperaturesOf = createTemperatures({ clock, room, species, stock });
  const learned = createLearner({ room, species, repository });

  /** Species as the house's own broods have shown them. */
  async function learnedSpecies(at: Reading, waiting: readonly BroodRecord[]): Promise<ReadonlyMap<string, ResolvedSpecies>> {
    const [kinds, found] = await Promise.all([species.all(at), learned(at, waiting)]);
    return withLearned(kinds, found);
  }

  async function lotsOf(scope: Scope, broodId: string): Promise<LotRow[]> {
    const rows = await stock.repository.lots.find(scope, { broodId }, { lock: true });
    return rows.filter((lot) => totalHeads(lot) > 0);
  }

  async function getBrood(scope: Scope, broodId: string): Promise<{ brood: BroodRow; facts: BroodRecord; lots: LotRow[] }> {
    const brood = await broods.get(scope, broodId, { lock: true });
    if (!brood) throw new DomainError('request/not-found', { detail: 'There is no such brood.' });
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
    if (facts?.ended) throw new DomainError('spawning/ended', { detail: `${attempt.name} has ended; begin a new attempt.` });
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
    };
  }

  /** Refuses what contradicts the log; says which entry it contradicts. */
  function checkOrder(
    kind: ObservationRow['kind'],
    at: TimeRange,
    facts: BroodRecord,
    born: boolean,
    who: Who,
    now: string,
  ): void {
    const show = (range: TimeRange) => formatInstantRange(range, houseDay(now, who.timeZone), who.timeZone);
    const refuse = (detail: string) => {
      throw new DomainError('broods/out-of-order', { detail, pointer: '#/at' });
    };
    if (born) refuse('These young were born free-swimming; there is nothing to hatch.');
    if (at.to < facts.laid.from) refuse(`They were laid ${show(facts.laid)}; this would be before.`);
    if (kind === 'eggsSeen' && (facts.hatched || facts.freeSwimming)) refuse('They have hatched already.');
    if (kind === 'hatched' && facts.hatched) refuse(`The hatch is logged for ${show(facts.hatched)}; take that back first.`);
    if (kind === 'hatched' && facts.freeSwimming) refuse('They swim already.');
    if (kind === 'freeSwimming' && facts.freeSwimming)
      refuse(`Free-swimming is logged for ${show(facts.freeSwimming)}; take that back first.`);
    if (kind === 'freeSwimming' && facts.hatched && at.to < facts.hatched.from)
      refuse(`They hatched ${show(facts.hatched)}; this would be before.`);
  }

  async function applyObservation(
    scope: Scope,
    body: { broodId: string; kind: ObservationRow['kind']; at: TimeRange; counted: number | null },
  ): Promise<Applied> {
    const { entryId } = scope;
    const { brood, facts, lots } = await getBrood(scope, body.broodId);
    const kind = await species.get(scope, brood.speciesKey);
    checkOrder(body.kind, body.at, facts, kind.start === 'born', scope, scope.now);
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
      hatched: kind.start === 'carried' ? 'young let go' : 'hatched',
      freeSwimming: 'free-swimming',
    }[body.kind];
    return {
      text: `${brood.name}: ${words}${body.counted === null ? '' : `, ${body.counted} counted`}`,
      tankId,
      subjectId: brood.id,
    };
  }

  async function applyWhite(scope: Scope, body: { broodId: string; count: number; at: string }): Promise<Applied> {
    const { brood, facts, lots } = await getBrood(scope, body.broodId);
    if (facts.hatched || facts.freeSwimming)
      throw new DomainError('broods/out-of-order', { detail: 'They have hatched; log a loss instead.', pointer: '#/count' });
    await stock.applyPlainLoss(scope, lots, body.count, 'infertile', exactly(body.at));
    await observations.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      broodId: brood.id,
      kind: 'eggsSeen',
      fromAt: body.at,
      toAt: body.at,
    });
    return { text: `${brood.name}: ${body.count} white eggs picked`, tankId: lots[0]?.tankId ?? null, subjectId: brood.id };
  }

  return {
    repository,
    learned,
    learnedSpecies,
    getBrood,
    applyClutch,
    applyObservation,
    applyWhite,
    toFacts,

    /** Facts and temperatures of the broods with these lots (living or not); the number of queries does not depend on how many. */
    async load(at: Reading, broodIds: readonly string[], lotRows: readonly LotRow[]): Promise<BroodFactsLoaded> {
      const lotsBy = groupBy(
        lotRows.filter((lot) => lot.broodId !== null),
        (lot) => lot.broodId ?? '',
      );
      const [rows, seen] = await Promise.all([repository.byIds(at, broodIds), repository.observationsOf(at, broodIds)]);
      const seenBy = groupBy(seen, (row) => row.broodId);
      const facts = rows.map((row) => toFacts(row, seenBy.get(row.id) ?? [], lotsBy.get(row.id) ?? []));
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

    /** Brood ids of some attempts. */
    async byAttempt(at: Reading, attemptIds: readonly string[]): Promise<ReadonlyMap<string, string[]>> {
      const rows = await repository.byAttempts(at, attemptIds);
      return new Map([...groupBy(rows, (row) => row.attemptId ?? '')].map(([id, own]) => [id, own.map((row) => row.id)]));
    },

    addClutch: (who: Who, body: Body<'addClutch'>) =>
      log.record(who, { kind: 'clutch', asked: body, when: body.laid }, (scope) => applyClutch(scope, body)),
    observe: (who: Who, body: Body<'observe'>) =>
      log.record(who, { kind: 'observation', asked: body, when: body.at }, (scope) => applyObservation(scope, body)),
    pickWhite: (who: Who, body: Body<'pickWhite'>) =>
      log.record(who, { kind: 'white', asked: body, when: exactly(body.at) }, (scope) => applyWhite(scope, body)),
  };
}
export type BroodsService = ReturnType<typeof createBroods>;
