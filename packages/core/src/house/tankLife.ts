import { groupBy } from '../agenda';
import type { LifeStage } from '../broods';
import { crowdingForecast, PLACE_DAYS, tankCrowding, tankFreeOn } from '../growout';
import { soilNotes } from '../larder';
import { codeOf, compareWalk, vesselWords, type Readiness } from '../room';
import { clutchCandidates, holdsFrom } from '../spawning';
import { totalHeads } from '../stock';
import type { HouseView } from './facts';

const UNKNOWN = { state: 'ready' as const, since: null, ready: true, hindrances: [], notes: [], expected: null };
function toReadiness(found: Readiness | undefined, more: readonly string[]) {
  if (!found) return UNKNOWN;
  const { state, since, ready, hindrances, notes, expected } = found;
  return { state, since, ready, hindrances, notes: [...notes, ...more], expected };
}

/** What lives in every tank, in walking order: the one read model of a tank. */
export function tankLife(view: HouseView) {
  const cultures = groupBy(
    view.cultures.map(({ culture }) => culture),
    (culture) => culture.tankId,
  );
  return [...view.room.tanks]
    .sort((a, b) => compareWalk({ ...a, nursery: false }, { ...b, nursery: false }))
    .map((tank) => {
      const lots = view.lotsByTank.get(tank.id) ?? [];
      const broods = view.broodsByTank.get(tank.id) ?? [];
      const stageOf = (broodId: string | null): LifeStage | 'breeders' =>
        broods.find(({ brood }) => brood.id === broodId)?.state.stage ?? 'breeders';
      const grown = cultures.get(tank.id) ?? [];
      const forecast = crowdingForecast(view, tank.id, PLACE_DAYS);
      const temperature = view.room.temperatures[tank.id];
      return {
        tankId: tank.id,
        code: tank.code,
        /** What kind of vessel it is and where; null for a tank. */
        vessel: tank.vessel && {
          kind: tank.vessel,
          words: vesselWords(tank.vessel, { inTankId: tank.inTankId, place: tank.rackName }, (id) => codeOf(view, id)),
        },
        litres: tank.litres,
        tempC: temperature ? { value: temperature.tempC, at: temperature.at } : null,
        stage:
          broods[0]?.state.stage ?? (lots.length > 0 ? ('breeders' as const) : grown.length > 0 ? ('culture' as const) : null),
        heads: lots.reduce((sum, lot) => sum + totalHeads(lot), 0),
        lots: lots.map((lot) => {
          const kind = view.species.get(lot.speciesKey);
          return {
            id: lot.id,
            speciesKey: lot.speciesKey,
            speciesName: kind?.commonName ?? lot.speciesKey,
            initials: kind?.initials ?? '?',
            males: lot.males,
            females: lot.females,
            unsexed: lot.unsexed,
            broodId: lot.broodId,
            name: lot.name,
            since: lot.since,
            stage: stageOf(lot.broodId),
          };
        }),
        broods: broods.map(({ brood, species, state }) => ({
          id: brood.id,
          name: brood.name,
          stage: state.stage,
          carried: species.start === 'carried',
        })),
        attempts: holdsFrom(view.attemptsByTank.get(tank.id) ?? [], view.today).map(({ id, name, from, to, hasBrood }) => ({
          id,
          name,
          from,
          to,
          hasBrood,
        })),
        /** Open attempts to which eggs seen here could belong. */
        clutchAttempts: clutchCandidates(view.attemptsByTank.get(tank.id) ?? [], view.today).length,
        troubles: view.troubled
          .filter(({ lots: own }) => own.some((lot) => lot.tankId === tank.id))
          .map(({ trouble }) => trouble),
        cultures: grown.map(({ id, name }) => ({ id, name })),
        readiness: toReadiness(view.room.readiness[tank.id], soilNotes(view, tank.id)),
        quarantine: tank.id in view.stock.quarantines ? { endsOn: view.stock.quarantines[tank.id]?.endsOn ?? null } : null,
        nitrate: view.room.nitrate[tank.id] ?? null,
        lastFed: (view.room.care[tank.id] ?? []).findLast(({ kind }) => kind === 'fed') ?? null,
        lastChange: view.room.lastChanges[tank.id] ?? null,
        crowding: tankCrowding(view, tank.id),
        tightOn: forecast?.tightOn ?? null,
        fullOn: forecast?.fullOn ?? null,
        freeOn: tankFreeOn(view, tank.id),
      };
    });
}
