import type { SpeciesView } from '../species';
import type { Day, Instant } from '../time';
import { USUAL_HOURS, type HouseHours } from './hours';
import type { CareKind } from './care';
import type { Furnishing } from './furnishing';
import type { QuarantineRisk } from './biosecurity/standingContacts';
import type { ProbeVerdict } from './readings/judgeProbe';
import type { Readiness } from './readiness/decideReadiness';
import type { Regime } from './water/regime';
import type { VesselKind } from './vesselKinds';
import { VESSEL_RULES } from './vessels';

/**
 * A tank with its place in the room; tubs have no shelf below them and stand on level 1. A vessel is one too, in a tank or at a place of its
 * own: it shares readings, contents and care with tanks, and holds no place among the residents of the tank it hangs in.
 */
export interface RoomTank {
  id: string;
  code: string;
  litres: number;
  /** Inner floor area. */
  floorM2: number;
  rackCode: string;
  rackName: string;
  rackPosition: number;
  quarantine: boolean;
  outdoor: boolean;
  shelfLevel: number;
  leftCm: number;
  /** Tanks of one sump share one water; null where a tank has its own. */
  sump: string | null;
  /** Algae grow in it for those that graze. */
  growsAlgae: boolean;
  /** What’s in it; null where nobody noted it. */
  furnishing: Furnishing | null;
  /** Watts of its heater, 0 for none; null where nobody said. */
  heaterW: number | null;
  /** What kind of vessel it is; null for a tank. */
  vessel: VesselKind | null;
  /** The tank a vessel hangs in; null for tanks and for vessels that stand elsewhere. */
  inTankId: string | null;
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
  /** Newest total ammonia, mg/L. */
  ammonia: Readonly<Record<string, { ppm: number; at: Instant }>>;
  /** Newest pH and hardness, with how far off they may be. */
  ph: Readonly<Record<string, { value: number; error: number; at: Instant }>>;
  ghDeg: Readonly<Record<string, { value: number; error: number; at: Instant }>>;
  meters: readonly { id: string; name: string; dueOn: Day | null }[];
  probes: readonly { tankId: string; name: string; verdicts: readonly ProbeVerdict[] }[];
  /** Illness seen in the last weeks, oldest first. */
  illnesses: readonly { tankId: string; at: Instant; what: string }[];
  /** Quarantine tanks that share water with others or drip on them. */
  risks: readonly QuarantineRisk[];
  /** What was given, done or seen in the last days, oldest first. */
  care: Readonly<Record<string, readonly { kind: CareKind; what: string; at: Instant }[]>>;
  hours: HouseHours;
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
  ammonia: {},
  ph: {},
  ghDeg: {},
  meters: [],
  probes: [],
  illnesses: [],
  risks: [],
  care: {},
  hours: USUAL_HOURS,
  heads: {},
};

/** The room, with every tank to be looked up. */
export interface RoomView extends SpeciesView {
  room: RoomFacts;
  tanks: ReadonlyMap<string, RoomTank>;
}

/** A vessel that hangs in a tank is as warm as that tank, and where the water runs through it has its water; else only until it has its own. */
function fromHosts<Value extends { at: Instant }>(
  tanks: readonly RoomTank[],
  values: Readonly<Record<string, Value>>,
  isWarmth: boolean,
): Readonly<Record<string, Value>> {
  const shared: Record<string, Value> = { ...values };
  let changed = false;
  for (const { id, vessel, inTankId } of tanks) {
    const host = values[inTankId ?? ''];
    if (!vessel || !host) continue;
    const own = values[id];
    const isOne = isWarmth || VESSEL_RULES[vessel].sharesWater;
    if (own && (!isOne || own.at >= host.at)) continue;
    shared[id] = host;
    changed = true;
  }
  return changed ? shared : values;
}

/** The newest value of every tank, shared by the tanks of one sump: one sump is one water. */
function sharedBySump<Value extends { at: Instant }>(
  tanks: readonly RoomTank[],
  values: Readonly<Record<string, Value>>,
): Readonly<Record<string, Value>> {
  const newest = new Map<string, Value>();
  for (const { id, sump } of tanks) {
    const value = values[id];
    const known = sump === null ? undefined : newest.get(sump);
    if (sump !== null && value && (!known || known.at < value.at)) newest.set(sump, value);
  }
  if (newest.size === 0) return values;
  const shared: Record<string, Value> = { ...values };
  for (const { id, sump } of tanks) {
    const value = sump === null ? undefined : newest.get(sump);
    if (value) shared[id] = value;
  }
  return shared;
}

/** What is said before the water of a tank falls: nothing where no heater hangs. */
export const heaterCaution = ({ heaterW, outdoor, vessel }: Pick<RoomTank, 'heaterW' | 'outdoor' | 'vessel'>): string | null =>
  heaterW === 0 || (heaterW === null && (outdoor || vessel !== null))
    ? null
    : 'Unplug the heater before the level falls below it.';

/** Looks up what is known of the room. */
export function readRoom(before: SpeciesView, room: RoomFacts): RoomView {
  const shared = <Value extends { at: Instant }>(values: Readonly<Record<string, Value>>, isWarmth = false) =>
    fromHosts(room.tanks, sharedBySump(room.tanks, values), isWarmth);
  return {
    ...before,
    room: {
      ...room,
      temperatures: shared(room.temperatures, true),
      nitrate: shared(room.nitrate),
      ammonia: shared(room.ammonia),
      ph: shared(room.ph),
      ghDeg: shared(room.ghDeg),
    },
    tanks: new Map(room.tanks.map((tank) => [tank.id, tank])),
  };
}

/** The tank whose thermometer tells how warm a tank or vessel is: the one it hangs in. */
export const warmthTankId = ({ id, inTankId }: Pick<RoomTank, 'id' | 'inTankId'>): string => inTankId ?? id;

/** Whether a working probe measures a tank's water, in the tank or in another of its sump. */
export function isProbed(view: RoomView, ofTankId: string): boolean {
  const own = view.tanks.get(ofTankId);
  const tankId = own ? warmthTankId(own) : ofTankId;
  const sump = view.tanks.get(tankId)?.sump ?? null;
  return view.room.probes.some(
    (probe) =>
      (probe.tankId === tankId || (sump !== null && view.tanks.get(probe.tankId)?.sump === sump)) &&
      !probe.verdicts.some(({ fault }) => fault === 'silent' || fault === 'stuck') &&
      view.room.temperatures[probe.tankId] !== undefined,
  );
}

/** The code on a tank's glass; nothing for one that is not there. */
export const codeOf = (view: RoomView, tankId: string | null): string => view.tanks.get(tankId ?? '')?.code ?? '';

/** Codes of some tanks, each once. */
export const codesOf = (view: RoomView, tankIds: Iterable<string | null>): string =>
  [...new Set([...tankIds].map((tankId) => codeOf(view, tankId) || 'no tank'))].join(', ');
