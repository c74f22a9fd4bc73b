import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { growoutEndpoints } from '@freshet/contract/growout';
import { decideSorting, DECISION_WORDS, DECISIONS, type GrowoutFacts, type GrowoutView } from '@freshet/core/growout';
import { codeOf } from '@freshet/core/room';
import { holdsFrom } from '@freshet/core/spawning';
import { totalHeads } from '@freshet/core/stock';
import { exactly, formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import type { Applied, LogService, Scope, ToBody } from '../log';
import { DomainError, type Database, type Reading, type Who } from '../platform';
import type { ReadinessService, RoomService } from '../room';
import type { SpeciesService } from '../species';
import { LONGEST_OVER_ADULT, type LotRow, type StockService } from '../stock';
import { createGrowoutRepository } from './growout.repository';

type Body<Name extends keyof typeof growoutEndpoints> = BodyOf<(typeof growoutEndpoints)[Name]>;
const invalid = (detail: string, pointer: string) => new DomainError('request/invalid', { detail, pointer });

interface Deps {
  database: Database;
  log: LogService;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
  readiness: ReadinessService;
  /** The house as it is before this write; put together from later areas too. */
  viewOf: (at: Who) => Promise<GrowoutView>;
}

/** Where young go on, how they are sorted, and what is wrong with how many. */
export function createGrowout({ database, log, room, stock, species, readiness, viewOf }: Deps) {
  const repository = createGrowoutRepository(database);
  const { plans, sortings, selections } = repository;
  /** A move of the plan is made: as many as are left of those planned. */
  const placed: ToBody<'move'> = async (scope, { id: moveId, amount, at }) => {
    const plan = await repository.newestPlan(scope);
    const move = plan?.moves.find((one) => one.moveId === moveId);
    if (!move) throw invalid('This move is of a plan that was dropped.', '#/tick/id');
    const lot = await stock.getLot(scope, move.lotId);
    const wanted = Math.min(totalHeads(lot), Math.max(1, Math.round(amount ?? move.heads)));
    return { lotId: lot.id, newLotId: newId(), toTankId: move.toTankId, heads: takeHeads(lot, wanted), at };
  };

  /** Throws when a length is one that its species never comes to. */
  async function mustBePlausible(scope: Scope, lot: LotRow, mm: number, pointer: string): Promise<void> {
    const { figures, commonName } = await species.get(scope, lot.speciesKey);
    if (mm > figures.adultMm[1] * LONGEST_OVER_ADULT)
      throw invalid(`${formatNumber(mm, 3)} mm is far longer than ${commonName} grow. Was it millimetres?`, pointer);
  }

  /** One usual length of a lot. */
  const keepLength = (scope: Scope, lotId: string, mm: number, at: string) =>
    stock.repository.sizeSamples.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      lotId,
      lengths: [mm],
      method: 'ruler',
      at,
    });

  async function applySorting(scope: Scope, body: Body<'sortYoung'>): Promise<Applied> {
    const lot = await stock.getLot(scope, body.lotId);
    const booked = totalHeads(lot);
    const classes = body.classes.filter(({ heads }) => heads > 0);
    const decision = decideSorting(booked, classes, body.rest);
    if (!decision.ok) throw invalid(decision.message, `#/${decision.field}`);
    if (lot.unsexed < booked && (classes.length > 1 || decision.missing !== 0))
      throw invalid('Some of them are sexed: sort them with Move, by sex.', '#/classes');
    for (const [i, { lengthMm }] of body.classes.entries())
      if (lengthMm !== null) await mustBePlausible(scope, lot, lengthMm, `#/classes/${i}/lengthMm`);
    const { missing } = decision;
    const { rest } = body;
    if (missing !== 0 && (missing < 0 || rest === 'wrongCount'))
      await stock.applyCount(scope, lot.id, booked - missing, exactly(body.at));
    else if (missing > 0 && rest !== null && rest !== 'wrongCount')
      await stock.applyLoss(scope, {
        lotId: lot.id,
        heads: { males: 0, females: 0, unsexed: missing },
        cause: rest,
        at: exactly(body.at),
      });
    const told: string[] = [];
    const lotOf = new Map<string, string>();
    // Whoever stays is left over: all others go out first.
    for (const one of [...classes].sort((a, b) => Number(a.toTankId === null) - Number(b.toTankId === null))) {
      const left = await stock.getLot(scope, lot.id);
      const isAll = one.heads === totalHeads(left);
      const tank = one.toTankId ? await room.getTank(scope, one.toTankId) : null;
      if (one.toTankId && one.toTankId !== left.tankId)
        await stock.applyMove(scope, {
          lotId: lot.id,
          newLotId: one.lotId,
          toTankId: one.toTankId,
          heads: isAll ? left : takeHeads(left, one.heads),
          at: body.at,
        });
      const stays = isAll || !one.toTankId || one.toTankId === left.tankId;
      lotOf.set(one.lotId, stays ? lot.id : one.lotId);
      if (one.lengthMm !== null) await keepLength(scope, stays ? lot.id : one.lotId, one.lengthMm, body.at);
      told.push(`${one.heads} ${one.name}${tank ? ` into ${tank.code}` : ''}`);
    }
    await sortings.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      lotId: lot.id,
      broodId: lot.broodId,
      speciesKey: lot.speciesKey,
      tankId: lot.tankId,
      booked,
      missing,
      classes: classes.map(({ name, heads, lengthMm, lotId }) => ({ name, heads, lengthMm, lotId: lotOf.get(lotId) ?? lotId })),
      drained: body.drained,
      at: body.at,
    });
    const from = lot.tankId ? await room.getTank(scope, lot.tankId) : null;
    // What was done to the tank itself: emptied, and filled again it rests.
    if (from && body.drained)
      for (const kind of body.drained.refilled ? (['emptied', 'refilled'] as const) : (['emptied'] as const))
        await readiness.applyEvent(scope, { tankId: from.id, kind, at: body.at });
    return {
      text: `${from?.code ?? 'no tank'} ${body.drained ? 'drained' : 'sorted'}: ${told.join(', ')}${missing > 0 ? `; ${missing} missing` : ''}`,
      tankId: lot.tankId,
      subjectId: lot.broodId ?? lot.id,
      about: [lot.id, ...lotOf.values(), ...classes.map(({ toTankId }) => toTankId)],
    };
  }

  /** Refuses a plan whose moves cannot be made: animals that are not there, tanks that are taken. */
  async function mustBeMovable(scope: Scope, body: Body<'takePlaces'>): Promise<void> {
    const view = await viewOf(scope);
    const wanted = new Map<string, number>();
    body.moves.forEach((move, i) => {
      const at = (field: string) => `#/moves/${i}/${field}`;
      const lot = view.stock.lots.find(({ id }) => id === move.lotId);
      if (!lot) throw invalid('These animals have moved on.', at('lotId'));
      const sum = (wanted.get(lot.id) ?? 0) + move.heads;
      wanted.set(lot.id, sum);
      if (sum > totalHeads(lot)) throw invalid(`Only ${totalHeads(lot)} live in it.`, at('heads'));
      if (!view.tanks.has(move.toTankId)) throw invalid('There’s no such tank.', at('toTankId'));
      if (move.toTankId === lot.tankId) throw invalid('They are in that tank already.', at('toTankId'));
      if (move.on < view.today) throw invalid('That day is over.', at('on'));
      const [booking] = holdsFrom(view.attemptsByTank.get(move.toTankId) ?? [], move.on);
      if (booking)
        throw invalid(
          `${codeOf(view, move.toTankId)} is booked for ${booking.name}${booking.to ? ` until ${formatDay(booking.to, view.today)}` : ''}.`,
          at('toTankId'),
        );
    });
  }

  log.declare({
    selection: {
      apply: async (scope, body) => {
        const lot = await stock.getLot(scope, body.lotId);
        if (body.seen > totalHeads(lot)) throw invalid(`Only ${totalHeads(lot)} live in it: count again first.`, '#/seen');
        const { seen, faults, decisions, note, at } = body;
        if (decisions.end > 0)
          await stock.applyLoss(scope, { lotId: lot.id, heads: takeHeads(lot, decisions.end), cause: 'cull', at: exactly(at) });
        await selections.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          lotId: lot.id,
          broodId: lot.broodId,
          speciesKey: lot.speciesKey,
          seen,
          faults,
          decisions,
          note,
          at,
        });
        const told = DECISIONS.flatMap((one) => (decisions[one] > 0 ? [`${decisions[one]} ${DECISION_WORDS[one]}`] : []));
        const tank = lot.tankId ? await room.getTank(scope, lot.tankId) : null;
        return {
          text: `${tank?.code ?? 'no tank'}: ${seen} looked at${told.length > 0 ? `, ${told.join(', ')}` : ''}`,
          tankId: lot.tankId,
          subjectId: lot.broodId ?? lot.id,
          about: [lot.id],
        };
      },
      undo: stock.ledgerUndoing({ tables: [selections] }),
    },
    places: {
      check: mustBeMovable,
      apply: async (scope, body) => {
        const lots = await stock.repository.byIds(scope, [...new Set(body.moves.map(({ lotId }) => lotId))]);
        const broodOf = new Map(lots.map((lot) => [lot.id, lot.broodId]));
        await plans.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          moves: body.moves.map((move) => ({ ...move, broodId: broodOf.get(move.lotId) ?? null })),
          at: body.at,
        });
        const heads = body.moves.reduce((sum, move) => sum + move.heads, 0);
        return {
          text:
            body.moves.length === 0
              ? 'Plan of places dropped'
              : `Plan of places taken: ${heads} young in ${body.moves.length === 1 ? 'one move' : `${body.moves.length} moves`}`,
          about: body.moves.flatMap(({ lotId, toTankId }) => [lotId, toTankId, broodOf.get(lotId)]),
        };
      },
      undo: { tables: [plans] },
    },
    sorting: {
      async check(scope, body) {
        const lot = await stock.getLot(scope, body.lotId);
        for (const [i, { toTankId, heads }] of body.classes.entries())
          if (toTankId && heads > 0 && toTankId !== lot.tankId)
            await stock.mustTake(scope, { lotId: lot.id, toTankId }, `#/classes/${i}/toTankId`);
      },
      apply: applySorting,
      undo: stock.ledgerUndoing({
        tables: [sortings, stock.repository.sizeSamples, stock.repository.headCounts, readiness.repository.tankEvents],
        after: stock.placeBack,
      }),
    },
  });
  log.declareTicks('move', { moveYoung: placed });
  log.declareTicks('lengths', {
    measureYoung: (_scope, { id, amount, at }) =>
      amount === null ? null : { lotId: id, lengthsMm: [amount], method: 'ruler' as const, at },
  });

  return {
    repository,

    /** The moves of the plan that was taken, who is held back, and who was sorted into which class. @param broodIds - of those that live */
    async facts(at: Reading, broodIds: readonly string[]): Promise<GrowoutFacts> {
      const [plan, selected, sorted] = await Promise.all([
        repository.newestPlan(at),
        selections.newestBy(at, 'broodId', broodIds),
        repository.sortingsOf(at, broodIds),
      ]);
      return {
        grades: Object.fromEntries(
          sorted.flatMap(({ classes }) => classes.flatMap(({ lotId, name }) => (lotId ? [[lotId, name] as const] : []))),
        ),
        held: Object.fromEntries(
          selected.flatMap(({ broodId, decisions }) => (broodId ? [[broodId, decisions.keep] as const] : [])),
        ),
        moves: (plan?.moves ?? []).map(({ moveId, ...move }) => ({ ...move, id: moveId, takenAt: plan?.at ?? '' })),
      };
    },
  };
}
export type GrowoutService = ReturnType<typeof createGrowout>;

/** So many of a lot: those of no known sex first, then females and males. */
function takeHeads({ males, females, unsexed }: Pick<LotRow, 'males' | 'females' | 'unsexed'>, count: number) {
  const ofUnsexed = Math.min(unsexed, count);
  const ofFemales = Math.min(females, count - ofUnsexed);
  return { unsexed: ofUnsexed, females: ofFemales, males: Math.min(males, count - ofUnsexed - ofFemales) };
}
