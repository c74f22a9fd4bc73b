import { totalHeads } from '../stock';
import type { HouseAttempt } from './houseState';
import type { JotTank } from './jot/parseJot';
import type { ReadHouse } from './readHouse';

/** Open attempts of a tank that eggs seen now could belong to: those begun; those without a brood before those with one. */
export function clutchCandidates(attempts: readonly HouseAttempt[], today: string): HouseAttempt[] {
  const begun = attempts.filter((attempt) => attempt.from <= today && (attempt.to === null || attempt.to >= today));
  const waiting = begun.filter((attempt) => !attempt.hasBrood);
  return waiting.length > 0 ? waiting : begun;
}

/** The tanks as the jot line must know them. */
export function jotTanks(house: ReadHouse): JotTank[] {
  return house.state.tanks.map(({ id, code }) => ({
    id,
    code,
    lots: (house.lotsByTank.get(id) ?? [])
      .filter((lot) => totalHeads(lot) > 0)
      .map(({ id: lotId, males, females, unsexed, broodId }) => ({
        id: lotId,
        males,
        females,
        unsexed,
        young: broodId !== null,
      })),
    broods: (house.broodsByTank.get(id) ?? []).map(({ brood, state }) => ({ id: brood.id, stage: state.stage })),
    attempts: clutchCandidates(house.attemptsByTank.get(id) ?? [], house.today).length,
  }));
}
