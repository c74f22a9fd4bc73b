import type { RoomTank } from '../room';
import { oneEatsOther, wouldSeize, smallestTenthMm, type ResolvedSpecies } from '../species';
import { JUDGED_QUANTITIES, JUDGED_WATER } from '../stock';
import { addDays, type Day } from '../time';
import { tankAhead, type Ahead } from './crowding';
import type { GrowoutView } from './facts';
import { lastDayOf, litresFor, PLACE_DAYS, type Piece } from './pieces';
import { tankFreeOn } from './tankFreeOn';

/** What a keeper may wish of a place besides room, and what going without it costs, in steps of walking. */
export const PLACE_WISHES = ['near', 'sameWater', 'apart', 'alone', 'suits', 'catchable'] as const;
export type PlaceWish = (typeof PLACE_WISHES)[number];
export const WISH_WORDS: Record<PlaceWish, string> = {
  near: 'near their tank',
  sameWater: 'same water',
  apart: 'keep families apart',
  alone: 'a tank to themselves',
  suits: 'suitable pH and hardness',
  catchable: 'easy to net fish out of',
};
const WISH_COST: Record<Exclude<PlaceWish, 'near' | 'apart'>, number> = { sameWater: 3, alone: 4, suits: 8, catchable: 5 };
/** Moving at all, and the walk: to another shelf, another rack, the yard. */
const MOVE_COST = 2;
export const WALK = { shelf: 1, rack: 3, yard: 6 } as const;
/** A tank far larger than they need is kept for others where it can be. */
const SPARE_COST = 0.4;
/** A tank with less than this free of it takes nobody more. */
const MOST_TAKEN = 0.9;

/** A tank that could take young, with what is free of it. */
export interface Candidate {
  tank: RoomTank;
  litres: number;
  freeOn: Day;
  residents: readonly Ahead[];
}

/** Whether an attempt that has no brood yet is planned for a tank or goes on in it. */
export const isForSpawning = (view: GrowoutView, tankId: string): boolean =>
  (view.attemptsByTank.get(tankId) ?? []).some(({ hasBrood }) => !hasBrood);

/** Whether two tanks hang on one sump: one water. */
export const isOneWater = (one: RoomTank, other: RoomTank): boolean => one.sump !== null && one.sump === other.sump;

/** Tanks that are free within the weeks planned, and tanks of young with room beside them. */
export function candidatesOf(view: GrowoutView, leaving: ReadonlyMap<string, number>): Candidate[] {
  return view.room.tanks.flatMap((tank): Candidate[] => {
    if (tank.litres <= 0 || tank.vessel !== null || view.cultures.some(({ culture }) => culture.tankId === tank.id)) return [];
    const freeOn = tankFreeOn(view, tank.id);
    const readiness = view.room.readiness[tank.id];
    const readyOn = readiness && !readiness.ready ? (readiness.expected?.to ?? null) : view.today;
    if (readyOn === null || readyOn > addDays(view.today, PLACE_DAYS)) return [];
    if (freeOn !== null && freeOn <= view.today)
      return [{ tank, litres: tank.litres, freeOn: readyOn > freeOn ? readyOn : freeOn, residents: [] }];
    const residents = tankAhead(view, tank.id);
    const isBooked = view.movesTo.has(tank.id) || isForSpawning(view, tank.id);
    if (isBooked || residents.length === 0 || residents.some(({ resident }) => !resident.isYoung || resident.lengthMm === null))
      return freeOn !== null && freeOn <= addDays(view.today, PLACE_DAYS) && !isBooked
        ? [{ tank, litres: tank.litres, freeOn, residents: [] }]
        : [];
    const taken = residents.reduce(
      (sum, one) => sum + one.shareIn(lastDayOf(one), 'tight', tank) * (1 - (leaving.get(one.resident.lot.id) ?? 0)),
      0,
    );
    return taken < MOST_TAKEN ? [{ tank, litres: (1 - taken) * tank.litres, freeOn: readyOn, residents }] : [];
  });
}

/** Steps from one tank to another. */
export const walkOf = (from: RoomTank, to: RoomTank): number =>
  from.outdoor !== to.outdoor
    ? WALK.yard
    : from.rackCode !== to.rackCode
      ? WALK.rack
      : from.shelfLevel !== to.shelfLevel
        ? WALK.shelf
        : 0;

/** Whether a measured value lies within a range; what nobody measured is no reason against. */
const suits = (value: number | undefined, [low, high]: readonly [number, number], slack: number) =>
  value === undefined || (value >= low - slack && value <= high + slack);

const overlap = (a: readonly [number, number], b: readonly [number, number]) => a[0] < b[1] && b[0] < a[1];

/**
 * Whether young can be caught out of a tank again: not from among shells and dense rock. Those that want a hiding place each are as badly off
 * where there is none. What nobody noted is no reason against.
 */
export const isCatchable = ({ furnishing }: RoomTank, { hangs }: Pick<ResolvedSpecies, 'hangs'>): boolean =>
  furnishing !== 'rock' && !(hangs && furnishing === 'open');

/** What a place costs a piece; null where it may not go. */
export function costOf(
  view: GrowoutView,
  piece: Piece,
  { tank, freeOn, residents, litres }: Candidate,
  wishes: ReadonlySet<PlaceWish>,
) {
  const { resident } = piece.ahead;
  const { figures } = resident.species;
  const temp = view.room.temperatures[tank.id]?.tempC;
  const last = piece.fullOn ?? addDays(view.today, PLACE_DAYS);
  if (tank.id === piece.from.id || freeOn > last) return null;
  if (tank.quarantine !== piece.from.quarantine || view.stock.quarantines[tank.id] || tank.outdoor !== piece.from.outdoor)
    return null;
  if (!suits(temp, figures.tempC, 1)) return null;
  const smallest = resident.smallestMm ?? smallestTenthMm(piece.mm);
  for (const { resident: other } of residents) {
    const mm = other.lengthMm ?? 0;
    if (!overlap(other.species.figures.ph, figures.ph) || !overlap(other.species.figures.ghDeg, figures.ghDeg)) return null;
    const here = { species: other.species, lengthMm: mm, smallestMm: other.smallestMm ?? mm, isYoung: other.isYoung };
    const coming = { species: resident.species, lengthMm: resident.lengthMm ?? piece.mm, smallestMm: smallest, isYoung: true };
    if (oneEatsOther(here, coming) || wouldSeize(here.species, coming.species) || wouldSeize(coming.species, here.species))
      return null;
    if (wishes.has('apart') && other.species.key === resident.species.key && other.lot.broodId !== resident.lot.broodId)
      return null;
  }
  const water = JUDGED_QUANTITIES.every((quantity) =>
    suits(view.room[quantity][tank.id]?.value, figures[quantity], JUDGED_WATER[quantity].give),
  );
  return (
    MOVE_COST +
    (wishes.has('near') ? walkOf(piece.from, tank) : 0) +
    (wishes.has('sameWater') && !isOneWater(tank, piece.from) ? WISH_COST.sameWater : 0) +
    (wishes.has('alone') && residents.length > 0 ? WISH_COST.alone : 0) +
    (wishes.has('suits') && !water ? WISH_COST.suits : 0) +
    (wishes.has('catchable') && !isCatchable(tank, resident.species) ? WISH_COST.catchable : 0) +
    SPARE_COST * Math.max(0, Math.log2(litres / litresFor(piece, piece.heads, tank)))
  );
}
