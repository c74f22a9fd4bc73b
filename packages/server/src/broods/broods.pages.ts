import {
  broodLedger,
  computeStream,
  describeBrood,
  describeCarrier,
  fallBacks,
  keepingOf,
  larvalTable,
  mixtures,
  recentEggLosses,
  rollingBatch,
  stageSpans,
  undescribedBrood,
  type BroodMovement,
  type BroodRecord,
  type CountedLot,
} from '@freshet/core/broods';
import { tryCompute } from '@freshet/core/errors';
import { foodSpans, type Figures, type Food, type ResolvedSpecies } from '@freshet/core/species';
import { totalHeads } from '@freshet/core/stock';
import type { TemperatureReading } from '@freshet/core/spawning';
import { middleOf, plusDays } from '@freshet/core/time';
import { DomainError, groupBy, type Clock, type Who } from '../platform';
import type { RoomService } from '../room';
import type { SpawningService } from '../spawning';
import type { HeadCountRow, LotRow, MovementRow, StockService } from '../stock';
import { peatReply } from './broods.mapper';
import type { BroodsService } from './broods.service';

/** The day's food of a brood, as the larder (a later area) works it out. */
export type RationFor = (
  figures: Figures,
  food: Food,
  count: number,
  lengthMm: number,
  growsAlgae?: boolean,
) => { food: Food; mealsPerDay: number; perMeal: number; unit: string; why: string[] };

interface Deps {
  clock: Clock;
  room: RoomService;
  stock: StockService;
  spawning: SpawningService;
  broods: BroodsService;
  rationFor: RationFor;
}

/** All that is known of one brood. */
interface Known {
  record: BroodRecord;
  species: ResolvedSpecies;
  lots: LotRow[];
  movements: BroodMovement[];
  temperatures: readonly TemperatureReading[];
  codes: ReadonlyMap<string, string>;
  /** The newest count of any of its lots. */
  counted: { at: string; count: number; low: number; high: number; how: HeadCountRow['how'] } | null;
  /** The newest count of each lot. */
  counts: ReadonlyMap<string, CountedLot>;
}

const toMovement = (row: MovementRow): BroodMovement => ({
  fromLotId: row.fromLotId,
  toLotId: row.toLotId,
  males: row.males,
  females: row.females,
  unsexed: row.unsexed,
  cause: row.cause,
  at: { from: row.fromAt, to: row.toAt },
});

function toCard(
  { record, species, lots, movements, temperatures, codes, counted, counts }: Known,
  now: string,
  timeZone: string,
) {
  const described = tryCompute(() => describeBrood(record, species, temperatures, now, timeZone));
  const state = described.ok ? described.value : undescribedBrood(record, now, timeZone);
  const stages = stageSpans(record, species, state, now);
  const lotIds = lots.map((lot) => lot.id);
  const swimming = stages.find((span) => span.stage === 'fry')?.from ?? now;
  const ready = state.ready ? middleOf(state.ready) : plusDays(swimming, species.figures.saleDays[1]);
  const stream = computeStream(
    movements,
    lotIds,
    species.figures.survivalToSale,
    { laid: middleOf(record.laid), feed: swimming, ready },
    now,
    counts,
  );
  const began = movements
    .filter((movement) => movement.cause === 'birth')
    .reduce((sum, movement) => sum + totalHeads(movement), 0);
  return {
    state,
    card: {
      id: record.id,
      name: record.name,
      speciesKey: record.speciesKey,
      speciesName: species.commonName,
      attemptId: record.attemptId,
      laid: record.laid,
      stage: state.stage,
      carried: species.start === 'carried',
      alive: record.alive,
      began,
      ageDays: state.ageDays,
      feedingDays: state.feedingDays,
      lengthMm: state.lengthMm,
      smallestMm: state.smallestMm,
      aheadDays: state.aheadDays,
      measured: record.measured ?? null,
      counted,
      carrier: describeCarrier(record, species, state),
      food: state.food,
      next: state.next,
      trouble: described.ok ? null : `The figures of ${species.commonName} contradict each other. ${described.trouble}`,
      ready: state.ready,
      lots: lots
        .map((lot) => ({
          id: lot.id,
          tankId: lot.tankId,
          tankCode: codes.get(lot.tankId ?? '') ?? null,
          count: totalHeads(lot),
          males: lot.males,
          females: lot.females,
          unsexed: lot.unsexed,
        }))
        .sort((a, b) => b.count - a.count),
      stream,
      stages,
    },
  };
}

/** The broods as they are shown: cards for the list, one page for each. */
export function createBroodPages({ clock, room, stock, spawning, broods, rationFor }: Deps) {
  async function know(who: Who, broodIds: readonly string[]): Promise<Known[]> {
    if (broodIds.length === 0) return [];
    const lots = await stock.repository.ofBroods(who, broodIds);
    const [loaded, booked, tanks, counts] = await Promise.all([
      broods.load(who, broodIds, lots),
      stock.repository.movementsOf(
        who,
        lots.map((lot) => lot.id),
      ),
      room.repository.tanks.find(who),
      stock.repository.newestCounts(
        who,
        lots.map((lot) => lot.id),
      ),
    ]);
    const kinds = await broods.learnedSpecies(who, loaded.broods);
    // Whom sexing turns from one sex into another is nobody who comes or goes.
    const movements = booked.filter(({ cause }) => cause !== 'sexing');
    const broodOf = new Map(lots.map((lot) => [lot.id, lot.broodId ?? '']));
    const lotsBy = groupBy(lots, (lot) => lot.broodId ?? '');
    const movementsBy = groupBy(movements, (row) => broodOf.get(row.toLotId ?? '') ?? broodOf.get(row.fromLotId ?? '') ?? '');
    const codes = new Map(tanks.map((tank) => [tank.id, tank.code]));
    const countsBy = groupBy(counts, (row) => broodOf.get(row.lotId) ?? '');
    const countsByLot = new Map(
      counts.map((row) => [row.lotId, { at: row.at, count: row.counted, low: row.low, high: row.high }]),
    );
    const newest = (broodId: string) => {
      const [row] = [...(countsBy.get(broodId) ?? [])].sort((a, b) => (a.at < b.at ? 1 : -1));
      return row ? { at: row.at, count: row.counted, low: row.low, high: row.high, how: row.how } : null;
    };
    return loaded.broods.flatMap((record) => {
      const kind = kinds.get(record.speciesKey);
      if (!kind) return [];
      return [
        {
          record,
          species: kind,
          lots: lotsBy.get(record.id) ?? [],
          movements: (movementsBy.get(record.id) ?? []).map(toMovement),
          temperatures: loaded.temperatures[record.id] ?? [],
          codes,
          counted: newest(record.id),
          counts: countsByLot,
        },
      ];
    });
  }

  /** Whom of other broods its lots hold, by expectation. */
  async function mixedOf(who: Who, { record, lots, movements: booked }: Known) {
    const own = new Set(lots.map(({ id }) => id));
    if (!booked.some(({ cause }) => cause === 'merge')) return [];
    // What was taken back joined nobody.
    const movements = await broods.repository.standingMovements(who, [...own]);
    const joined = movements.filter(
      ({ cause, fromLotId, toLotId }) => cause === 'merge' && fromLotId && !own.has(fromLotId) && toLotId && own.has(toLotId),
    );
    if (joined.length === 0) return [];
    const from = await stock.repository.byIds(
      who,
      joined.flatMap(({ fromLotId }) => fromLotId ?? []),
    );
    const rows = await broods.repository.byIds(
      who,
      from.flatMap(({ broodId }) => broodId ?? []),
    );
    const nameOf = new Map(rows.map(({ id, name }) => [id, name]));
    const lotBy = new Map(from.map((lot) => [lot.id, lot]));
    const made = mixtures(movements, (lotId) => lotBy.get(lotId)?.id ?? record.id);
    return lots.flatMap(({ id }) =>
      [...(made.get(id) ?? [])].flatMap(([source, heads]) => {
        const lot = lotBy.get(source);
        if (!lot || heads < 0.5) return [];
        return [
          {
            lotId: id,
            broodId: lot.broodId,
            name: nameOf.get(lot.broodId ?? '') ?? lot.name ?? 'other stock',
            heads,
            since: joined.find(({ fromLotId }) => fromLotId === source)?.at.from ?? record.laid.from,
          },
        ];
      }),
    );
  }

  /** The salt of larvae, by the litres of their jar; null where others live beside them, who must not be salted. */
  async function larvaeOf(who: Who, { record, species, lots }: Known) {
    const tankId = lots.find((lot) => totalHeads(lot) > 0)?.tankId;
    if (!species.larvae || !record.freeSwimming || !tankId) return null;
    if ((await stock.repository.inTank(who, tankId)).some((lot) => lot.broodId === null && totalHeads(lot) > 0)) return null;
    const tank = (await room.repository.all(who)).tanks.find(({ id }) => id === tankId);
    return tank ? larvalTable(species.larvae, tank.litres, record.freeSwimming.to) : null;
  }

  /** A daily layer's batch: the first clutch and what was picked since. */
  async function batchOf(who: Who, { record, species, temperatures }: Known, standing: readonly BroodMovement[], now: string) {
    const rows = await broods.repository.picks.find(who, { broodId: record.id }, { order: [['toAt', 'ASC']] });
    const began = rows[0] ? { from: rows[0].wasFrom, to: rows[0].wasTo } : record.laid;
    const parents = record.attemptId ? await spawning.repository.parents.find(who, { attemptId: record.attemptId }) : [];
    const dams = await stock.repository.byIds(
      who,
      parents.flatMap(({ lotId, role }) => (role === 'dam' ? [lotId] : [])),
    );
    const females = dams.reduce((sum, lot) => sum + lot.females, 0);
    const births = standing.filter(({ cause }) => cause === 'birth').reduce((sum, one) => sum + totalHeads(one), 0);
    const first = births - rows.reduce((sum, { picked }) => sum + picked, 0);
    return rollingBatch(
      [{ at: began, picked: first }, ...rows.map(({ picked, fromAt, toAt }) => ({ at: { from: fromAt, to: toAt }, picked }))],
      females,
      species,
      temperatures,
      now,
      who.timeZone,
    );
  }

  return {
    /** Living broods, youngest first. */
    async cards(who: Who) {
      const living = await stock.repository.living(who);
      const ids = [...new Set(living.flatMap((lot) => (lot.broodId ? [lot.broodId] : [])))];
      return (await know(who, ids)).map((known) => toCard(known, clock.now(), who.timeZone).card);
    },

    /** One brood, living or not. */
    async page(who: Who, broodId: string) {
      const [known] = await know(who, [broodId]);
      if (!known) throw new DomainError('request/not-found', { detail: 'There’s no such brood.' });
      const { card, state } = toCard(known, clock.now(), who.timeZone);
      const { figures, start } = known.species;
      const feedFrom = card.stages.find((span) => span.stage === 'fry')?.from ?? null;
      const tankIds = known.lots.flatMap((lot) => (lot.tankId !== null && totalHeads(lot) > 0 ? [lot.tankId] : []));
      const equipped = await room.repository.equippedOf(who, tankIds);
      const algae = tankIds.length > 0 && tankIds.every((tankId) => equipped.get(tankId)?.growsAlgae);
      const parents = known.record.attemptId ? await spawning.parentLabels(who, known.record.attemptId) : [];
      const { now, timeZone } = { now: clock.now(), timeZone: who.timeZone };
      const waits = card.stage === 'eggs' && start === 'laid';
      const [attempt] = known.record.attemptId && waits ? await spawning.repository.byIds(who, [known.record.attemptId]) : [];
      const keeping = waits ? (known.record.keeping ?? (attempt ? keepingOf(attempt.recipe) : null)) : null;
      // What was taken back did not happen, and what was done about a loss answers it.
      const standing = waits
        ? await broods.repository.standingMovements(
            who,
            known.lots.map(({ id }) => id),
          )
        : [];
      const sinceChange = standing.filter(({ cause, at }) => cause === 'birth' || !keeping?.since || at.to > keeping.since);
      return {
        ...card,
        born: start === 'born',
        parents,
        mixed: await mixedOf(who, known),
        photos: await stock.repository.photosOf(
          who,
          known.lots.map(({ id }) => id),
        ),
        keeping: known.species.eggsRest ? null : keeping,
        fallBacks: keeping ? fallBacks(keeping, known.species, recentEggLosses(sinceChange, now)) : [],
        batch: waits && known.species.eggSite === 'mop' ? await batchOf(who, known, standing, now) : null,
        larvae: await larvaeOf(who, known),
        peat: waits && known.species.eggsRest ? peatReply(known, timeZone) : null,
        windows: state.windows,
        ledger: broodLedger(known.movements, new Set(known.lots.map((lot) => lot.id)), known.record, start === 'born'),
        foods: foodSpans(figures).map(({ food, fromDay, toDay }) => ({
          food,
          from: feedFrom ? plusDays(feedFrom, fromDay) : null,
          to: feedFrom ? plusDays(feedFrom, toDay) : null,
        })),
        ration:
          state.lengthMm === null || state.food === null || card.alive === 0
            ? null
            : rationFor(figures, state.food, card.alive, state.lengthMm, algae),
      };
    },
  };
}
export type BroodPages = ReturnType<typeof createBroodPages>;
