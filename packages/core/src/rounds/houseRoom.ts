import type { ProbeVerdict, Quarantine, QuarantineRisk, Readiness, Regime } from '../room';
import type { Day, Instant } from '../time';

/** A lot that left quarantine before its time. */
export interface QuarantineBreach {
  lotId: string;
  fromTankId: string;
  toTankId: string;
  at: Instant;
  /** First day on which it might have left. */
  endsOn: Day;
}

/** What a day's round needs to know of water, readiness and biosecurity. Maps are by tank id. */
export interface HouseRoom {
  readiness: ReadonlyMap<string, Readiness>;
  /** Days of the last feeding of the filter and of the last ammonia or nitrite test, of tanks that cycle. */
  cycling: ReadonlyMap<string, { lastFed: Day | null; lastTest: Day | null }>;
  regimes: readonly { tankId: string; regime: Regime; dueOn: Day | null }[];
  lastChanges: ReadonlyMap<string, Instant>;
  nitrate: ReadonlyMap<string, { ppm: number; at: Instant }>;
  meters: readonly { id: string; name: string; dueOn: Day | null }[];
  probes: readonly { tankId: string; name: string; verdicts: readonly ProbeVerdict[] }[];
  /** Tanks in quarantine; null while nobody arrived there. */
  quarantines: ReadonlyMap<string, Quarantine | null>;
  risks: readonly QuarantineRisk[];
  breaches: readonly QuarantineBreach[];
}

/** A room of which nothing was logged. */
export const QUIET_ROOM: HouseRoom = {
  readiness: new Map(),
  cycling: new Map(),
  regimes: [],
  lastChanges: new Map(),
  nitrate: new Map(),
  meters: [],
  probes: [],
  quarantines: new Map(),
  risks: [],
  breaches: [],
};
