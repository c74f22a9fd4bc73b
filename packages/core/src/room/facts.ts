import type { SpeciesView } from '../species';
import type { Day, Instant } from '../time';
import type { QuarantineRisk } from './biosecurity/standingContacts';
import type { ProbeVerdict } from './readings/judgeProbe';
import type { Readiness } from './readiness/decideReadiness';
import type { Regime } from './water/regime';

/** A tank with its place in the room; tubs have no shelf below them and stand on level 1. */
export interface RoomTank {
  id: string;
  code: string;
  litres: number;
  rackCode: string;
  rackName: string;
  rackPosition: number;
  quarantine: boolean;
  outdoor: boolean;
  shelfLevel: number;
  leftCm: number;
}

/** The room as it is now: tanks, newest readings, what is due. Records are by tank id. */
export interface RoomFacts {
  tanks: readonly RoomTank[];
  /** Newest temperature. */
  temperatures: Readonly<Record<string, { at: Instant; tempC: number }>>;
  readiness: Readonly<Record<string, Readiness>>;
  /** Days of the last feeding of the filter and of the last ammonia or nitrite test, of tanks that cycle. */
  cycling: Readonly<Record<string, { lastFed: Day | null; lastTest: Day | null }>>;
  regimes: readonly { tankId: string; regime: Regime; dueOn: Day | null }[];
  lastChanges: Readonly<Record<string, Instant>>;
  nitrate: Readonly<Record<string, { ppm: number; at: Instant }>>;
  meters: readonly { id: string; name: string; dueOn: Day | null }[];
  probes: readonly { tankId: string; name: string; verdicts: readonly ProbeVerdict[] }[];
  /** Quarantine tanks that share water with others or drip on them. */
  risks: readonly QuarantineRisk[];
  /** Animals and cultures in each tank that holds any. */
  heads: Readonly<Record<string, number>>;
}

/** A room of which nothing was logged. */
export const QUIET_ROOM: RoomFacts = {
  tanks: [],
  temperatures: {},
  readiness: {},
  cycling: {},
  regimes: [],
  lastChanges: {},
  nitrate: {},
  meters: [],
  probes: [],
  risks: [],
  heads: {},
};

/** The room, with every tank to be looked up. */
export interface RoomView extends SpeciesView {
  room: RoomFacts;
  tanks: ReadonlyMap<string, RoomTank>;
}

/** Looks up what is known of the room. */
export const readRoom = (before: SpeciesView, room: RoomFacts): RoomView => ({
  ...before,
  room,
  tanks: new Map(room.tanks.map((tank) => [tank.id, tank])),
});

/** The code on a tank's glass; nothing for one that is not there. */
export const codeOf = (view: RoomView, tankId: string | null): string => view.tanks.get(tankId ?? '')?.code ?? '';

/** Codes of some tanks, each once. */
export const codesOf = (view: RoomView, tankIds: Iterable<string | null>): string =>
  [...new Set([...tankIds].map((tankId) => codeOf(view, tankId) || 'no tank'))].join(', ');
