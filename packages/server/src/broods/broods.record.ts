import { foldOutcome, type BroodOutcome } from '@freshet/core/broods';
import { middleOf } from '@freshet/core/time';
import { groupBy, type Clock, type Who } from '../platform';
import type { RoomService } from '../room';
import type { SpawningService } from '../spawning';
import type { SpeciesService } from '../species';
import type { StockService } from '../stock';
import type { BroodsRepository } from './broods.repository';
import type { BroodsService } from './broods.service';

const DAY_MS = 86_400_000;
/** Broods of a species that are looked at, the newest. */
const MOST = 500;
/** The first weeks, in which surroundings shift sex. */
const FIRST_DAYS = 30;

interface Deps {
  clock: Clock;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
  spawning: SpawningService;
  broods: BroodsService;
  repository: BroodsRepository;
}

const mean = (values: readonly number[]) =>
  values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;

/** How every brood of a species turned out in this house. The number of queries does not grow with the broods. */
export function createRecord({ clock, room, stock, species, spawning, broods, repository }: Deps) {
  return async (who: Who, speciesKey: string): Promise<BroodOutcome[]> => {
    const kind = await species.get(who, speciesKey);
    const rows = await repository.ofSpecies(who, speciesKey, MOST);
    if (rows.length === 0) return [];
    const broodIds = rows.map(({ id }) => id);
    const lots = await stock.repository.ofBroods(who, broodIds);
    const lotIds = lots.map(({ id }) => id);
    const attempts = await spawning.repository.byIds(who, [...new Set(rows.flatMap(({ attemptId }) => attemptId ?? []))]);
    const [observations, movements, placements, facts, tanks] = await Promise.all([
      repository.observationsOf(who, broodIds),
      repository.standingMovements(who, lotIds),
      stock.repository.placementsOf(who, lotIds),
      spawning.withFacts(who, attempts),
      room.repository.tanks.find(who),
    ]);
    const since = new Date(Math.min(...rows.map(({ laidFrom }) => Date.parse(laidFrom))) - DAY_MS).toISOString();
    const readings = groupBy(await room.repository.newestOf(who, ['tempC', 'ph'], since), (row) => row.tankId);
    const damIds = [...new Set(facts.flatMap(({ parents }) => parents.flatMap((one) => (one.role === 'dam' ? one.lotId : []))))];
    const dams = new Map((await stock.repository.byIds(who, damIds)).map((lot) => [lot.id, lot]));
    const bornOf = new Map(
      (
        await repository.byIds(
          who,
          [...dams.values()].flatMap(({ broodId }) => broodId ?? []),
        )
      ).map((row) => [row.id, middleOf({ from: row.laidFrom, to: row.laidTo }).slice(0, 10)]),
    );
    const keptBy = new Map((await repository.keepings.newestBy(who, 'broodId', broodIds)).map((kept) => [kept.broodId, kept]));
    const codes = new Map(tanks.map(({ id, code }) => [id, code]));
    const attemptBy = new Map(facts.map((attempt) => [attempt.id, attempt]));
    const lotsBy = groupBy(lots, (lot) => lot.broodId ?? '');
    const seenBy = groupBy(observations, (row) => row.broodId);
    const placedBy = groupBy(placements, (row) => row.lotId);
    const movedBy = new Map<string, (typeof movements)[number][]>();
    const broodOf = new Map(lots.map((lot) => [lot.id, lot.broodId ?? '']));
    for (const movement of movements)
      for (const broodId of new Set([broodOf.get(movement.toLotId ?? ''), broodOf.get(movement.fromLotId ?? '')]))
        if (broodId) {
          const own = movedBy.get(broodId);
          if (own) own.push(movement);
          else movedBy.set(broodId, [movement]);
        }
    return rows.map((row) => {
      const own = lotsBy.get(row.id) ?? [];
      const record = broods.toFacts(row, seenBy.get(row.id) ?? [], own);
      const outcome = foldOutcome(
        { ...record, isBorn: kind.start === 'born', saleDays: kind.figures.saleDays[0] },
        movedBy.get(row.id) ?? [],
        new Set(own.map(({ id }) => id)),
        clock.now(),
      );
      const attempt = attemptBy.get(row.attemptId ?? '');
      const first = own
        .flatMap(({ id }) => placedBy.get(id) ?? [])
        .sort((a, b) => (a.at < b.at ? -1 : 1))
        .at(0);
      const until = new Date(Date.parse(row.laidTo) + FIRST_DAYS * DAY_MS).toISOString();
      const measured = (quantity: 'tempC' | 'ph') =>
        mean(
          (readings.get(first?.tankId ?? '') ?? []).flatMap(({ at, value, quantity: of }) =>
            of === quantity && at >= row.laidFrom && at <= until ? [value] : [],
          ),
        );
      return {
        ...outcome,
        males: outcome.males + own.reduce((sum, lot) => sum + lot.males, 0),
        females: outcome.females + own.reduce((sum, lot) => sum + lot.females, 0),
        // Where it was changed on the way the newest way counts: it is what they hatched in.
        eggPlan: keptBy.get(row.id)?.plan ?? attempt?.recipe.eggPlan ?? null,
        container: keptBy.get(row.id)?.container ?? null,
        fungus: keptBy.get(row.id)?.fungus ?? attempt?.recipe.fungus ?? null,
        tankCode: codes.get(first?.tankId ?? '') ?? null,
        mothers: (attempt?.parents ?? [])
          .filter(({ role }) => role === 'dam')
          .flatMap(({ lotId }) => {
            const dam = dams.get(lotId);
            if (!dam) return [];
            return [
              {
                lotId,
                label: dam.name ?? kind.commonName,
                bornOn: dam.bornOn ?? bornOf.get(dam.broodId ?? '') ?? null,
                females: Math.max(1, dam.females),
              },
            ];
          }),
        tempC: measured('tempC'),
        ph: measured('ph'),
      };
    });
  };
}
export type BroodRecordReader = ReturnType<typeof createRecord>;
