import type { HouseAttempt, HouseState, HouseTank } from '@freshet/core/rounds';
import type { ResolvedSpecies } from '@freshet/core/stock';
import { houseDay } from '@freshet/core/time';
import { groupBy, type Who } from '../platform';
import type { RoomService } from '../room';
import type { AttemptFacts } from '../spawning';
import type { LotRow } from '../stock';
import type { LoaderDeps } from './loaderDeps';
import { createRoomLoader } from './houseRoom.loader';
import type { createRoundsRepository } from './rounds.repository';

const DAY_MS = 86_400_000;
type Rooms = Awaited<ReturnType<RoomService['repository']['all']>>;

function toTanks({ racks, shelves, tanks }: Rooms, quarantined: ReadonlySet<string>): HouseTank[] {
  const rackById = new Map(racks.map((rack) => [rack.id, rack]));
  const shelfById = new Map(shelves.map((shelf) => [shelf.id, shelf]));
  return tanks.flatMap((tank) => {
    const shelf = shelfById.get(tank.shelfId);
    const rack = rackById.get(shelf?.rackId ?? '');
    if (!shelf || !rack) return [];
    const { id, code, litres, leftCm } = tank;
    return [
      {
        id,
        code,
        litres,
        leftCm,
        rackCode: rack.code,
        rackName: rack.name,
        rackPosition: rack.position,
        quarantine: quarantined.has(id),
        outdoor: rack.kind === 'yard',
        shelfLevel: shelf.level,
      },
    ];
  });
}

const toAttempt = (attempt: AttemptFacts, hasBrood: boolean): HouseAttempt => ({
  id: attempt.id,
  name: attempt.name,
  speciesKey: attempt.speciesKey,
  tankId: attempt.tankId,
  recipe: attempt.recipe,
  conditioningFrom: attempt.conditioningFrom,
  setUpOn: attempt.setUpOn,
  triggerOn: attempt.triggerOn,
  triggered: attempt.triggered ? { from: attempt.triggered.fromAt, to: attempt.triggered.toAt } : null,
  parentLotIds: attempt.parents.map((parent) => parent.lotId),
  hasBrood,
  from: attempt.fromDay,
  to: attempt.ended?.day ?? attempt.toDay,
});

/** Animals of an own brood that are all sexed and of breeding age live as breeders from then on, not as young of their brood. */
function isGrown(lot: LotRow, laidAt: string | undefined, species: ResolvedSpecies | undefined, now: string): boolean {
  if (!laidAt || !species || lot.unsexed > 0) return false;
  return Date.parse(now) - Date.parse(laidAt) >= species.figures.maturityDays[0] * DAY_MS;
}

/**
 * Reads everything a round is worked out from. The number of queries is fixed: it grows neither with tanks nor with broods.
 */
export function createLoader(deps: LoaderDeps, repository: ReturnType<typeof createRoundsRepository>) {
  const { clock, room, stock, broodstock, spawning, broods, larder } = deps;
  const loadRoom = createRoomLoader(deps);
  return async (who: Who): Promise<HouseState> => {
    const { houseId, timeZone } = who;
    const now = clock.now();
    const [rooms, living, latest, cultures, outcomes, placed, programmes] = await Promise.all([
      room.repository.all(houseId),
      stock.repository.living(houseId),
      room.repository.latestTemperatures(houseId),
      larder.running(houseId),
      repository.since(houseId, houseDay(now, timeZone)),
      stock.repository.lastPlaced(houseId),
      broodstock.programmes(who),
    ]);
    const broodIds = [...new Set(living.flatMap((lot) => (lot.broodId ? [lot.broodId] : [])))];
    const loaded = await broods.load(houseId, broodIds, living);
    const rows = await spawning.repository.openOr(
      houseId,
      loaded.broods.flatMap((brood) => (brood.attemptId ? [brood.attemptId] : [])),
    );
    const [kinds, facts, broodRows] = await Promise.all([
      broods.learnedSpecies(houseId, loaded.broods),
      spawning.withFacts(houseId, rows),
      broods.repository.byAttempts(
        houseId,
        rows.map((row) => row.id),
      ),
    ]);
    const { facts: roomFacts, quarantined } = await loadRoom(who, rooms, living, cultures, kinds);
    const laid = new Map(loaded.broods.map((brood) => [brood.id, brood.laid.to]));
    const broodsBy = groupBy(broodRows, (brood) => brood.attemptId ?? '');
    return {
      now,
      timeZone,
      species: kinds,
      tanks: toTanks(rooms, quarantined),
      room: roomFacts,
      lots: living.map((lot) => ({
        ...lot,
        broodId: isGrown(lot, laid.get(lot.broodId ?? ''), kinds.get(lot.speciesKey), now) ? null : lot.broodId,
        since: placed.get(lot.id) ?? lot.since,
      })),
      attempts: facts.map((attempt) => toAttempt(attempt, broodsBy.has(attempt.id))),
      programmes,
      broods: loaded.broods,
      cultures,
      temperatures: new Map(latest.map(({ tankId, value, at }) => [tankId, { at: new Date(at).toISOString(), tempC: value }])),
      broodTemperatures: loaded.temperatures,
      outcomes: outcomes.map(({ entryId, choreKey, day, status, amount, unit, text, tankId, byName }) => ({
        entryId,
        choreKey,
        day,
        status,
        amount,
        unit,
        text,
        tankId,
        by: byName,
      })),
    };
  };
}
