/** A tank as a body of water that is heated, cools to the room, and is changed. */
export interface SimulatedTank {
  litres: number;
  tempC: number;
  /** Thermostat; the heater goes on below it less the half band, off above it plus the half band. */
  targetC: number;
  heaterW: number;
  isHeating: boolean;
  /** Loss to the room, W per kelvin. */
  lossWPerK: number;
  tdsPpm: number;
  ph: number;
}

/** One litre by one kelvin, J. */
const JOULE_PER_LITRE_KELVIN = 4186;
const HALF_BAND_C = 0.25;
const LONGEST_STEP_S = 60;

/** Heat lost by an open glass tank of so many litres, W per kelvin: grows with its surface. */
export function lossOf(litres: number): number {
  return 0.42 * Math.pow(litres, 2 / 3);
}

/**
 * Moves a tank on in time: heater, loss to the room, and salts left behind by evaporation (half a percent a day, topped up with
 * what evaporated). Exact for a steady heater over each step of a minute at most.
 * @param seconds - ≥ 0
 * @param airC - the room
 * @param canHeat - false when the heater has failed
 */
export function advanceTank(tank: SimulatedTank, seconds: number, airC: number, canHeat = true): SimulatedTank {
  const next = { ...tank };
  const capacity = JOULE_PER_LITRE_KELVIN * tank.litres;
  for (let left = seconds; left > 0; left -= LONGEST_STEP_S) {
    const step = Math.min(LONGEST_STEP_S, left);
    if (next.tempC < next.targetC - HALF_BAND_C) next.isHeating = true;
    if (next.tempC > next.targetC + HALF_BAND_C) next.isHeating = false;
    const watts = canHeat && next.isHeating ? next.heaterW : 0;
    const ceiling = airC + watts / next.lossWPerK;
    next.tempC = ceiling + (next.tempC - ceiling) * Math.exp((-next.lossWPerK * step) / capacity);
    next.tdsPpm *= 1 + (0.002 * step) / 86_400;
  }
  return next;
}

/** Takes so many litres out and puts as many in, mixed at once. @param newTempC - of the new water */
export function changeWater(tank: SimulatedTank, litres: number, newTempC: number, newTdsPpm = 150): SimulatedTank {
  const share = Math.min(1, Math.max(0, litres / tank.litres));
  return {
    ...tank,
    tempC: tank.tempC * (1 - share) + newTempC * share,
    tdsPpm: tank.tdsPpm * (1 - share) + newTdsPpm * share,
  };
}
