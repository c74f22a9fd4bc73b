import { addDays, houseDay, type Day, type Instant } from '../../time';
import type { RoomView } from '../facts';

/** Illness is worth its own tools and the last place of the walk for so long after it was last seen. */
export const ILLNESS_DAYS = 28;

/** What tells whose water a tank or vessel shares. */
interface SharedWater {
  id: string;
  sump: string | null;
  /** The tank a vessel hangs in. */
  inTankId: string | null;
}
/** Whether two share water: by a sump, or since one hangs in the other or both hang in a third. */
const isShared = (one: SharedWater, other: SharedWater): boolean =>
  (one.sump !== null && one.sump === other.sump) ||
  one.inTankId === other.id ||
  other.inTankId === one.id ||
  (one.inTankId !== null && one.inTankId === other.inTankId);

/** What is known of who stands beside whom, and where illness was seen. Illnesses stand oldest first. */
export interface ExposureFacts {
  tanks: ReadonlyMap<string, SharedWater & { code: string }>;
  illnesses: readonly { tankId: string; at: Instant; what: string }[];
  timeZone: string;
  today: Day;
}

/** A house as far as illness goes. */
export const exposureFacts = ({ tanks, room, timeZone, today }: RoomView): ExposureFacts => ({
  tanks,
  illnesses: room.illnesses,
  timeZone,
  today,
});

/** Illness that was seen in a tank: what, on which day, and until when its animals are apart. */
export interface SeenIllness {
  what: string;
  on: Day;
  until: Day;
}

/** The newest illness of a tank while its days run; null where none does. */
export function illnessIn({ illnesses, timeZone, today }: ExposureFacts, tankId: string): SeenIllness | null {
  const seen = illnesses.findLast((one) => one.tankId === tankId);
  if (!seen) return null;
  const on = houseDay(seen.at, timeZone);
  const until = addDays(on, ILLNESS_DAYS);
  return until >= today ? { what: seen.what, on, until } : null;
}

/** Why animals of a tank may carry something: they are ill themselves, or share the water of those that are. */
export interface Exposure extends SeenIllness {
  /** The tank where it was seen; the tank itself when they are ill themselves. */
  tankId: string;
  code: string;
  isShared: boolean;
}

/** Whether animals of a tank are ill, or share their water with those that are: the one that lasts longest. Null where neither holds. */
export function exposureIn(facts: ExposureFacts, tankId: string): Exposure | null {
  const tank = facts.tanks.get(tankId);
  if (!tank) return null;
  const own = illnessIn(facts, tankId);
  if (own) return { ...own, tankId, code: tank.code, isShared: false };
  return [...facts.tanks.values()]
    .filter((other) => other.id !== tankId && isShared(tank, other))
    .flatMap(({ id, code }): Exposure[] => {
      const seen = illnessIn(facts, id);
      return seen ? [{ ...seen, tankId: id, code, isShared: true }] : [];
    })
    .reduce<Exposure | null>((worst, one) => (worst === null || one.until > worst.until ? one : worst), null);
}

/** Whether animals may go from one tank to another without a reason: those exposed only to where others are exposed to the same, or apart. */
export function mayMove(
  facts: ExposureFacts,
  fromTankId: string,
  to: { id: string; isQuarantine: boolean },
): { ok: true } | { ok: false; exposure: Exposure } {
  const exposure = exposureIn(facts, fromTankId);
  if (!exposure || to.isQuarantine || to.id === exposure.tankId) return { ok: true };
  const there = exposureIn(facts, to.id);
  return there?.tankId === exposure.tankId ? { ok: true } : { ok: false, exposure };
}
