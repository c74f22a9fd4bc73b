import { CalculationError } from '../../errors';

/** What a change regime does to a substance, day by day and in the long run. Source: docs/sources.md#dilution @param input.changeFraction - 0..1 */
export function dilution(input: {
  startPpm: number;
  productionPpmPerDay: number;
  sourcePpm: number;
  changeFraction: number;
  everyDays: number;
  days: number;
}): { dailyPpm: number[]; steadyPeakPpm: number | null; steadyTroughPpm: number | null } {
  const { startPpm, productionPpmPerDay, sourcePpm, changeFraction, everyDays, days } = input;
  const dailyPpm: number[] = [];
  let ppm = startPpm;
  for (let day = 1; day <= days; day++) {
    ppm += productionPpmPerDay;
    if (day % everyDays === 0) ppm = ppm * (1 - changeFraction) + sourcePpm * changeFraction;
    dailyPpm.push(ppm);
  }
  if (changeFraction === 0) return { dailyPpm, steadyPeakPpm: null, steadyTroughPpm: null };
  const steadyPeakPpm = sourcePpm + (productionPpmPerDay * everyDays) / changeFraction;
  return { dailyPpm, steadyPeakPpm, steadyTroughPpm: steadyPeakPpm - productionPpmPerDay * everyDays };
}

/** The share to change so that the peak stays at a limit. Source: docs/sources.md#dilution @throws {CalculationError} unreachable */
export function changeForLimit(input: { productionPpmPerDay: number; sourcePpm: number; everyDays: number; limitPpm: number }): {
  changeFraction: number;
} {
  const { productionPpmPerDay, sourcePpm, everyDays, limitPpm } = input;
  const room = limitPpm - sourcePpm;
  const changeFraction = (productionPpmPerDay * everyDays) / room;
  if (!(room > 0) || changeFraction > 1 + 1e-9)
    throw new CalculationError(
      'unreachable',
      'limitPpm',
      room > 0 ? 'Even changing all of it is not enough; change more often.' : 'The new water holds as much already.',
    );
  return { changeFraction: Math.min(1, changeFraction) };
}

/** What evaporation and topping off do to dissolved solids. Source: docs/sources.md#top-off @throws {CalculationError} outOfRange */
export function topOff(input: { litresFull: number; evaporatedLitres: number; tdsPpm: number; topOffTdsPpm: number }): {
  tdsBeforePpm: number;
  tdsAfterPpm: number;
} {
  const { litresFull, evaporatedLitres, tdsPpm, topOffTdsPpm } = input;
  if (evaporatedLitres >= litresFull)
    throw new CalculationError('outOfRange', 'evaporatedLitres', 'Less evaporates than the tank holds.');
  return {
    tdsBeforePpm: (tdsPpm * litresFull) / (litresFull - evaporatedLitres),
    tdsAfterPpm: (tdsPpm * litresFull + topOffTdsPpm * evaporatedLitres) / litresFull,
  };
}

const CONSERVED = ['tempC', 'ghDeg', 'khDeg', 'tdsPpm'] as const;
type Conserved = (typeof CONSERVED)[number];
type Values = Partial<Record<Conserved | 'ph', number | null | undefined>>;

/**
 * How long to drip until a bag's water is like the tank's; nothing is poured away. pH does not mix linearly and cannot decide.
 * Source: docs/sources.md#drip @throws {CalculationError} notConservative, missingValue
 */
export function dripAcclimation(input: {
  bagLitres: number;
  dripLitresPerHour: number;
  bag: Values;
  tank: Values;
  tolerance: Values;
}): { hours: number; finalLitres: number; limitedBy: Conserved | null } {
  const { bagLitres, dripLitresPerHour, bag, tank, tolerance } = input;
  if (tolerance.ph != null)
    throw new CalculationError('notConservative', 'tolerance', 'pH does not mix linearly; use hardness or TDS.');
  let [finalLitres, limitedBy]: [number, Conserved | null] = [bagLitres, null];
  for (const field of CONSERVED) {
    const allowed = tolerance[field];
    if (allowed == null) continue;
    const [from, to] = [bag[field], tank[field]];
    if (from == null || to == null)
      throw new CalculationError(
        'missingValue',
        from == null ? 'bag' : 'tank',
        `${field} is wanted, so it must be known in bag and tank.`,
      );
    const litres = (bagLitres * Math.abs(from - to)) / allowed;
    if (litres > finalLitres) [finalLitres, limitedBy] = [litres, field];
  }
  return { hours: (finalLitres - bagLitres) / dripLitresPerHour, finalLitres, limitedBy };
}
