import { sourceValues } from '@freshet/core/room';
import { houseDay } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import type { SumFacts } from '../bench/sum';

const READ_DAYS = '60';
type Water = Reply<'waters'>[number];

/** The values of a source water that sums reckon with. */
export function valuesOf(water: Water, basis: 'newest' | 'season', today: string, timeZone: string) {
  return sourceValues(
    water.analyses.map(({ id: _id, at, ...values }) => ({ day: houseDay(at, timeZone), ...values })),
    basis,
    today,
  );
}

/**
 * What is known of a tank and of source waters, for sums to start from. Null asks for none.
 * @param waterIds - the first and second water of a sum
 */
export function useSumFacts(
  tankId: string | null,
  waterIds: readonly (string | null)[] = [],
  basis: 'newest' | 'season' = 'newest',
): SumFacts {
  const house = useHouse();
  const room = useGet(tankId ? 'room' : null);
  const life = useGet(tankId ? 'tankLife' : null);
  const readings = useGet(tankId ? 'readings' : null, { params: { tankId: tankId ?? '' }, query: { days: READ_DAYS } });
  const regime = useGet(tankId ? 'tankRegime' : null, { params: { tankId: tankId ?? '' } });
  const waters = useGet('waters');
  const facts: Record<string, number | null> = {};
  if (tankId) {
    const tank = room.data?.racks
      .flatMap((rack) => rack.shelves.flatMap((shelf) => shelf.tanks))
      .find((one) => one.id === tankId);
    for (const reading of readings.data ?? []) facts[`tank.${reading.quantity}`] = reading.value;
    facts['tank.litres'] = tank?.litres ?? null;
    facts['tank.heaterW'] = tank && tank.equipment.heaterW > 0 ? tank.equipment.heaterW : null;
    facts['tank.lossWPerK'] = tank?.equipment.lossWPerK ?? null;
    facts['tank.tempC'] = life.data?.find((one) => one.tankId === tankId)?.tempC?.value ?? null;
    facts['tank.ppmPerDay'] = regime.data?.production?.ppmPerDay ?? null;
  }
  for (const [i, waterId] of waterIds.entries()) {
    const water = waters.data?.find((candidate) => candidate.id === waterId);
    if (!water) continue;
    for (const [key, value] of Object.entries(valuesOf(water, basis, house.today, house.timeZone)))
      facts[`water.${i}.${key}`] = value;
  }
  return facts;
}
