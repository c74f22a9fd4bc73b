import type { LifeStage } from '@freshet/core/broods';
import { compareWalk, type Readiness } from '@freshet/core/room';
import { tankCrowding, tankFreeOn, type ReadHouse } from '@freshet/core/rounds';
import { totalHeads } from '@freshet/core/stock';
import { groupBy } from '../platform';

const UNKNOWN = { state: 'ready' as const, since: null, ready: true, hindrances: [], notes: [], expected: null };
function toReadiness(found: Readiness | undefined) {
  if (!found) return UNKNOWN;
  const { state, since, ready, hindrances, notes, expected } = found;
  return { state, since, ready, hindrances, notes, expected };
}

/** What lives in every tank, in walking order. */
export function tankLife(house: ReadHouse) {
  const cultures = groupBy(house.state.cultures, (culture) => culture.tankId ?? '');
  return [...house.state.tanks]
    .sort((a, b) => compareWalk({ ...a, nursery: false }, { ...b, nursery: false }))
    .map((tank) => {
      const lots = house.lotsByTank.get(tank.id) ?? [];
      const broods = house.broodsByTank.get(tank.id) ?? [];
      const stageOf = (broodId: string | null): LifeStage | 'breeders' =>
        broods.find(({ brood }) => brood.id === broodId)?.state.stage ?? 'breeders';
      const grown = cultures.get(tank.id) ?? [];
      const temperature = house.state.temperatures.get(tank.id);
      return {
        tankId: tank.id,
        code: tank.code,
        litres: tank.litres,
        tempC: temperature ? { value: temperature.tempC, at: temperature.at } : null,
        stage:
          broods[0]?.state.stage ?? (lots.length > 0 ? ('breeders' as const) : grown.length > 0 ? ('culture' as const) : null),
        heads: lots.reduce((sum, lot) => sum + totalHeads(lot), 0),
        lots: lots.map((lot) => {
          const kind = house.state.species.get(lot.speciesKey);
          return {
            id: lot.id,
            speciesKey: lot.speciesKey,
            speciesName: kind?.commonName ?? lot.speciesKey,
            mark: kind?.mark ?? '?',
            males: lot.males,
            females: lot.females,
            unsexed: lot.unsexed,
            broodId: lot.broodId,
            since: lot.since ?? null,
            stage: stageOf(lot.broodId),
          };
        }),
        broods: broods.map(({ brood, state }) => ({ id: brood.id, name: brood.name, stage: state.stage })),
        attempts: (house.attemptsByTank.get(tank.id) ?? [])
          .filter((attempt) => attempt.to === null || attempt.to >= house.today)
          .map(({ id, name, from, to, hasBrood }) => ({
            id,
            name,
            from,
            to,
            hasBrood,
          })),
        cultures: grown.map(({ id, name }) => ({ id, name })),
        readiness: toReadiness(house.state.room.readiness.get(tank.id)),
        quarantine: house.state.room.quarantines.has(tank.id)
          ? { endsOn: house.state.room.quarantines.get(tank.id)?.endsOn ?? null }
          : null,
        nitrate: house.state.room.nitrate.get(tank.id) ?? null,
        lastChange: house.state.room.lastChanges.get(tank.id) ?? null,
        crowding: tankCrowding(house, tank.id),
        freeOn: tankFreeOn(house, tank.id),
      };
    });
}
