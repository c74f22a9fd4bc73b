import { advanceTank, changeWater, lossOf, type SimulatedTank } from './tankPhysics';

/** Faults that can be switched on. */
export const FAULTS = ['none', 'stuck', 'drifting', 'silent', 'heaterFailed'] as const;
export type Fault = (typeof FAULTS)[number];

/** What a probe is given at start. */
export interface ProbeSetUp {
  id: string;
  token: string;
  litres: number;
  heaterW: number;
  targetC: number;
  /** Quantities it measures besides the temperature. */
  also?: ('ph' | 'tdsPpm' | 'oxygenPpm')[];
  fault?: Fault;
  /** What it showed last, so that a series goes on where it stood; the target by default. */
  startC?: number | undefined;
}
export interface Reading {
  at: string;
  quantity: string;
  value: number;
}

const NOISE_C = 0.03;
const DRIFT_C_PER_HOUR = 0.2;
const TAP_C = 11;

/** A small seeded source of noise between -1 and 1. */
function createNoise(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 2_147_483_648 - 1;
  };
}

/** A probe hanging in a simulated tank with a heater; time is handed in. */
export function createSimulatedProbe(setUp: ProbeSetUp, seed: number, startMs: number) {
  const noise = createNoise(seed);
  let tank: SimulatedTank = {
    litres: setUp.litres,
    tempC: setUp.fault === 'drifting' ? setUp.targetC : (setUp.startC ?? setUp.targetC),
    targetC: setUp.targetC,
    heaterW: setUp.heaterW,
    isHeating: false,
    lossWPerK: lossOf(setUp.litres),
    tdsPpm: 180,
    ph: 7,
  };
  let fault: Fault = setUp.fault ?? 'none';
  let [atMs, faultMs, last] = [startMs, startMs, setUp.startC ?? setUp.targetC];
  // A drifting probe was off already by what it showed.
  let driftedC = setUp.fault === 'drifting' ? last - setUp.targetC : 0;

  function advance(nowMs: number, airC: number): void {
    tank = advanceTank(tank, Math.max(0, (nowMs - atMs) / 1000), airC, fault !== 'heaterFailed');
    atMs = nowMs;
  }

  return {
    id: setUp.id,
    token: setUp.token,
    setFault(next: Fault, nowMs: number, airC: number): void {
      advance(nowMs, airC);
      [fault, faultMs, driftedC] = [next, nowMs, 0];
    },
    change(litres: number, tempC: number | null, nowMs: number, airC: number): void {
      advance(nowMs, airC);
      tank = changeWater(tank, litres, tempC ?? TAP_C);
    },
    /** What it sends now; nothing while it is silent. */
    read(nowMs: number, airC: number): Reading[] {
      advance(nowMs, airC);
      if (fault === 'silent') return [];
      const drift = fault === 'drifting' ? driftedC + (DRIFT_C_PER_HOUR * (nowMs - faultMs)) / 3_600_000 : 0;
      if (fault !== 'stuck') last = Math.round((tank.tempC + drift + noise() * NOISE_C) * 100) / 100;
      const at = new Date(nowMs).toISOString();
      const readings: Reading[] = [{ at, quantity: 'tempC', value: last }];
      for (const quantity of setUp.also ?? []) {
        const value =
          quantity === 'ph'
            ? tank.ph + noise() * 0.02
            : quantity === 'tdsPpm'
              ? tank.tdsPpm + noise()
              : 14.6 - 0.41 * tank.tempC + 0.008 * tank.tempC ** 2 - 0.5;
        readings.push({ at, quantity, value: Math.round(value * 100) / 100 });
      }
      return readings;
    },
    tank: () => tank,
  };
}
export type SimulatedProbe = ReturnType<typeof createSimulatedProbe>;
