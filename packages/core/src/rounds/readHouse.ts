import { describeBrood, type BroodState } from '../broods';
import { describeCulture, type DescribedCulture } from '../larder';
import { totalHeads, type ResolvedSpecies } from '../stock';
import { houseDay, type Day } from '../time';
import type { HouseAttempt, HouseBrood, HouseLot, HouseState, HouseTank } from './houseState';

/** A brood with its species, its tanks and where it stands. */
export interface ReadBrood {
  brood: HouseBrood;
  species: ResolvedSpecies;
  state: BroodState;
  lots: HouseLot[];
  attempt: HouseAttempt | null;
}

/** A house's state with everything looked up once: no later step searches a list again. */
export interface ReadHouse {
  state: HouseState;
  today: Day;
  tanks: ReadonlyMap<string, HouseTank>;
  lotsByTank: ReadonlyMap<string, readonly HouseLot[]>;
  broods: readonly ReadBrood[];
  broodsByTank: ReadonlyMap<string, readonly ReadBrood[]>;
  attemptsByTank: ReadonlyMap<string, readonly HouseAttempt[]>;
  cultures: readonly DescribedCulture[];
}

function group<T>(items: Iterable<T>, keyOf: (item: T) => string | null): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    if (key === null) continue;
    const found = groups.get(key);
    if (found) found.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}

/** Looks up lots, broods and attempts by tank and works out where every brood stands. */
export function readHouse(state: HouseState): ReadHouse {
  const living = state.lots.filter((lot) => totalHeads(lot) > 0);
  const lotsByBrood = group(living, (lot) => lot.broodId);
  const attempts = new Map(state.attempts.map((attempt) => [attempt.id, attempt]));
  const broods: ReadBrood[] = [];
  for (const brood of state.broods) {
    const species = state.species.get(brood.speciesKey);
    const lots = lotsByBrood.get(brood.id) ?? [];
    if (!species || lots.length === 0) continue;
    const readings = state.broodTemperatures.get(brood.id) ?? [];
    broods.push({
      brood,
      species,
      lots,
      attempt: attempts.get(brood.attemptId ?? '') ?? null,
      state: describeBrood(brood, species, readings, state.now, state.timeZone),
    });
  }
  const broodsByTank = new Map<string, ReadBrood[]>();
  for (const read of broods)
    for (const tankId of new Set(read.lots.map((lot) => lot.tankId)))
      if (tankId) broodsByTank.set(tankId, [...(broodsByTank.get(tankId) ?? []), read]);
  return {
    state,
    today: houseDay(state.now, state.timeZone),
    tanks: new Map(state.tanks.map((tank) => [tank.id, tank])),
    lotsByTank: group(living, (lot) => lot.tankId),
    broods,
    broodsByTank,
    cultures: state.cultures.map((culture) => ({ culture, state: describeCulture(culture, state.now, state.timeZone) })),
    attemptsByTank: group(state.attempts, (attempt) => attempt.tankId),
  };
}
