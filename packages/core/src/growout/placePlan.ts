import type { RoomTank } from '../room';
import { canSwallow, smallestTenthMm } from '../species';
import { addDays, daysBetween, formatDay, type Day } from '../time';
import { formatNumber } from '../units';
import { assign } from './assign';
import { dayIn, growthOf, readyShares } from './broodGrowth';
import { tankAhead, type Ahead } from './crowding';
import type { GrowoutView } from './facts';
import { lastDayOf, litresFor, part, PLACE_DAYS, piecesOf, type Piece } from './pieces';
import { tankFreeOn } from './tankFreeOn';

/** What a keeper may wish of a place besides room, and what going without it costs, in steps of walking. */
export const PLACE_WISHES = ['near', 'sameWater', 'apart', 'alone', 'suits'] as const;
export type PlaceWish = (typeof PLACE_WISHES)[number];
export const WISH_WORDS: Record<PlaceWish, string> = {
  near: 'near their tank',
  sameWater: 'same water',
  apart: 'parentages apart',
  alone: 'a tank of their own',
  suits: 'pH and hardness that suit',
};
const WISH_COST: Record<Exclude<PlaceWish, 'near' | 'apart'>, number> = { sameWater: 3, alone: 4, suits: 8 };
/** Moving at all, and the walk: to another shelf, another rack, the yard. */
const MOVE_COST = 2;
const WALK = { shelf: 1, rack: 3, yard: 6 } as const;
/** A tank far larger than they need is kept for others where it can be. */
const SPARE_COST = 0.4;
/** Days before a tank is tight on which they go. */
const AHEAD_DAYS = 2;
/** Work that the search may do, lots times tanks times steps. */
const SEARCH = 60_000_000;
const MOST_STEPS = 60_000;

/** One row of the plan. */
export interface PlannedPlace {
  id: string;
  lotId: string;
  broodId: string | null;
  name: string;
  speciesName: string;
  fromTankId: string;
  fromCode: string;
  heads: number;
  /** What they need, so that they are not tight. */
  litres: number;
  stay: number;
  tightOn: Day;
  fullOn: Day | null;
  toTankId: string | null;
  toCode: string | null;
  on: Day | null;
  isLocked: boolean;
  why: string[];
  /** What can be done where there is no tank. */
  offers: string[];
}

/** Where all young go in the next weeks. */
export interface PlacePlan {
  places: PlannedPlace[];
  unplaced: number;
  /** Steps of walking and wishes not met, summed. */
  cost: number;
  isExact: boolean;
  gap: number;
  /** What each wish that is held costs: what would be gained without it. */
  prices: { wish: PlaceWish; placed: number; cost: number }[];
}

/** What the keeper has settled: wishes that hold, and places that are fixed. */
export interface PlaceChoices {
  wishes: readonly PlaceWish[];
  /** Lot to tank. */
  locked: Readonly<Record<string, string>>;
}
export const USUAL_CHOICES: PlaceChoices = { wishes: PLACE_WISHES, locked: {} };

/** A tank that could take young, with what is free of it. */
interface Candidate {
  tank: RoomTank;
  litres: number;
  freeOn: Day;
  residents: readonly Ahead[];
}

/** Tanks that are free within the weeks planned, and tanks of young with room beside them. */
function candidatesOf(view: GrowoutView, leaving: ReadonlyMap<string, number>): Candidate[] {
  return view.room.tanks.flatMap((tank): Candidate[] => {
    if (tank.litres <= 0 || view.cultures.some(({ culture }) => culture.tankId === tank.id)) return [];
    const freeOn = tankFreeOn(view, tank.id);
    const readiness = view.room.readiness[tank.id];
    const readyOn = readiness && !readiness.ready ? (readiness.expected?.to ?? null) : view.today;
    if (readyOn === null || readyOn > addDays(view.today, PLACE_DAYS)) return [];
    if (freeOn !== null && freeOn <= view.today)
      return [{ tank, litres: tank.litres, freeOn: readyOn > freeOn ? readyOn : freeOn, residents: [] }];
    const residents = tankAhead(view, tank.id);
    const isBooked = view.movesTo.has(tank.id) || (view.attemptsByTank.get(tank.id) ?? []).some(({ hasBrood }) => !hasBrood);
    if (isBooked || residents.length === 0 || residents.some(({ resident }) => !resident.isYoung || resident.lengthMm === null))
      return freeOn !== null && freeOn <= addDays(view.today, PLACE_DAYS) && !isBooked
        ? [{ tank, litres: tank.litres, freeOn, residents: [] }]
        : [];
    const taken = residents.reduce(
      (sum, one) => sum + one.shareIn(lastDayOf(one), 'tight', tank) * (1 - (leaving.get(one.resident.lot.id) ?? 0)),
      0,
    );
    return taken < 0.9 ? [{ tank, litres: (1 - taken) * tank.litres, freeOn: readyOn, residents }] : [];
  });
}

const walkOf = (from: RoomTank, to: RoomTank): number =>
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

/** What a place costs a piece; null where it may not go. */
function costOf(view: GrowoutView, piece: Piece, { tank, freeOn, residents, litres }: Candidate, wishes: ReadonlySet<PlaceWish>) {
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
    if (canSwallow(mm, smallest) || canSwallow(piece.mm, other.smallestMm ?? mm)) return null;
    if (wishes.has('apart') && other.species.key === resident.species.key && other.lot.broodId !== resident.lot.broodId)
      return null;
  }
  const water = suits(view.room.ph[tank.id]?.value, figures.ph, 0.3) && suits(view.room.ghDeg[tank.id]?.value, figures.ghDeg, 1);
  const sameWater = tank.sump !== null && tank.sump === piece.from.sump;
  return (
    MOVE_COST +
    (wishes.has('near') ? walkOf(piece.from, tank) : 0) +
    (wishes.has('sameWater') && !sameWater ? WISH_COST.sameWater : 0) +
    (wishes.has('alone') && residents.length > 0 ? WISH_COST.alone : 0) +
    (wishes.has('suits') && !water ? WISH_COST.suits : 0) +
    SPARE_COST * Math.max(0, Math.log2(litres / litresFor(piece, piece.heads, tank)))
  );
}

/** Pieces that must not share a tank: parentages apart, and none that is food to another. */
function foesOf(pieces: readonly Piece[], wishes: ReadonlySet<PlaceWish>): [string, string][] {
  return pieces.flatMap((one, i) =>
    pieces.slice(i + 1).flatMap((other): [string, string][] => {
      const [a, b] = [one.ahead.resident, other.ahead.resident];
      const kin = a.species.key === b.species.key && a.lot.broodId !== b.lot.broodId;
      const eats = canSwallow(one.mm, b.smallestMm ?? other.mm) || canSwallow(other.mm, a.smallestMm ?? one.mm);
      return eats || (kin && wishes.has('apart')) ? [[one.id, other.id]] : [];
    }),
  );
}

function solve(view: GrowoutView, pieces: readonly Piece[], candidates: readonly Candidate[], choices: PlaceChoices) {
  const wishes = new Set(choices.wishes);
  const lockedTo = (piece: Piece) => choices.locked[piece.id] ?? choices.locked[piece.ahead.resident.lot.id] ?? null;
  return assign({
    lots: pieces.map(({ id }) => ({ id, litres: 1 })),
    tanks: candidates.map(({ tank, litres }) => ({ id: tank.id, litres })),
    cost: pieces.map((piece) =>
      candidates.map((candidate) => {
        const lock = lockedTo(piece);
        return lock !== null && lock !== candidate.tank.id ? null : costOf(view, piece, candidate, wishes);
      }),
    ),
    apart: foesOf(pieces, wishes),
    needs: pieces.map((piece) => candidates.map(({ tank }) => litresFor(piece, piece.heads, tank))),
    mostSteps: Math.min(MOST_STEPS, SEARCH / Math.max(1, pieces.length * candidates.length)),
  });
}

/** What a keeper can do with young for whom there is no tank. */
function offersFor(view: GrowoutView, piece: Piece, candidates: readonly Candidate[]): string[] {
  const { resident } = piece.ahead;
  const by = piece.fullOn ?? piece.tightOn;
  const growth = piece.read ? growthOf(piece.read) : null;
  const half = growth ? dayIn(readyShares(growth, resident.species.figures.saleMm[0])[1]?.days.mid ?? null, view.today) : null;
  const kin = candidates.find(
    (candidate) =>
      candidate.residents.some(({ resident: other }) => other.species.key === resident.species.key) &&
      costOf(view, piece, candidate, new Set()) !== null &&
      litresFor(piece, piece.heads, candidate.tank) <= candidate.litres,
  );
  const later = view.room.tanks
    .flatMap((tank) => {
      const on = tankFreeOn(view, tank.id);
      return on !== null && on > view.today && litresFor(piece, piece.heads, tank) <= tank.litres && !tank.quarantine
        ? [{ code: tank.code, on }]
        : [];
    })
    .sort((a, b) => (a.on < b.on ? -1 : 1))[0];
  return [
    half !== null && half <= by
      ? `Sell ${piece.heads} by ${formatDay(by, view.today)}: half of them are of sale size from ${formatDay(half, view.today)}.`
      : `Let ${piece.heads} go young by ${formatDay(by, view.today)}: they are not of sale size before${half ? ` ${formatDay(half, view.today)}` : ' the tank is full'}.`,
    ...(kin
      ? [
          `Put them with the ${resident.species.commonName.toLowerCase()} in ${kin.tank.code}: nobody can tell their parentage then.`,
        ]
      : []),
    ...(later
      ? [
          `Wait until ${later.code} is free about ${formatDay(later.on, view.today)}${later.on > by ? `, ${daysBetween(by, later.on)} days after theirs is full: they would stunt` : ''}.`,
        ]
      : []),
  ];
}

const onDay = (view: GrowoutView, { tightOn }: Piece, { freeOn }: Candidate): Day => {
  const wanted = addDays(tightOn, -AHEAD_DAYS);
  return [view.today, freeOn, wanted].sort().at(-1) ?? view.today;
};

function whyOf(view: GrowoutView, piece: Piece, candidate: Candidate): string[] {
  const { tank, residents, litres } = candidate;
  const need = litresFor(piece, piece.heads, tank);
  const steps = walkOf(piece.from, tank);
  const { resident } = piece.ahead;
  return [
    `${piece.heads} at ${formatNumber(piece.mm)} mm want ${formatNumber(need)} of the ${formatNumber(litres)} L ${residents.length > 0 ? 'left ' : ''}in ${tank.code}.`,
    steps === 0 ? 'On the same shelf.' : steps === WALK.shelf ? 'In the same rack.' : 'In another rack.',
    tank.sump !== null && tank.sump === piece.from.sump
      ? 'The same sump: one water, nothing to drip.'
      : 'Another water: compare and drip on the transfer sheet.',
    ...(residents.length > 0
      ? [
          `Beside ${residents.map(({ resident: other }) => `${other.heads} ${other.species.commonName.toLowerCase()}`).join(', ')}.`,
        ]
      : []),
    ...(candidate.freeOn > view.today ? [`Free from ${formatDay(candidate.freeOn, view.today)}.`] : []),
    ...(resident.species.start === 'carried' && resident.species.figures.limitedBy === 'floor'
      ? [`A shelter for each: ${piece.heads}. Pipes can be searched; dense rock and shells cannot.`]
      : ['No shells or dense rock in it: they must be caught again.']),
  ];
}

/**
 * Where all young of the next weeks go: whoever makes a tank tight is given a place with room at the size they will have, reached with the
 * least walking and moving that the wishes allow. Source: docs/sources.md#places
 */
export function planPlaces(view: GrowoutView, choices: PlaceChoices = USUAL_CHOICES): PlacePlan {
  const wanted = view.room.tanks.flatMap((tank) => piecesOf(view, tank));
  const leaving = new Map(wanted.map(({ id, heads, ahead }) => [id, heads / Math.max(1, ahead.resident.heads)]));
  const candidates = candidatesOf(view, leaving);
  const pieces = wanted.flatMap((piece) => part(piece, candidates));
  const found = solve(view, pieces, candidates, choices);
  const heads = new Map<string, number>();
  for (const piece of pieces) heads.set(piece.ahead.resident.lot.id, (heads.get(piece.ahead.resident.lot.id) ?? 0) + piece.heads);
  const places = pieces.map((piece): PlannedPlace => {
    const { resident } = piece.ahead;
    const to = found.assignment.find(({ lot }) => lot === piece.id)?.tank ?? null;
    const candidate = candidates.find(({ tank }) => tank.id === to);
    return {
      id: piece.id,
      lotId: resident.lot.id,
      broodId: resident.lot.broodId,
      name: piece.read?.brood.name ?? resident.species.commonName,
      speciesName: resident.species.commonName,
      fromTankId: piece.from.id,
      fromCode: piece.from.code,
      heads: piece.heads,
      litres: litresFor(piece, piece.heads, candidate?.tank ?? piece.from),
      stay: Math.max(0, resident.heads - (heads.get(resident.lot.id) ?? 0)),
      tightOn: piece.tightOn,
      fullOn: piece.fullOn,
      toTankId: to,
      toCode: candidate?.tank.code ?? null,
      on: candidate ? onDay(view, piece, candidate) : null,
      isLocked: (choices.locked[piece.id] ?? choices.locked[resident.lot.id]) !== undefined,
      why: candidate ? whyOf(view, piece, candidate) : [],
      offers: candidate ? [] : offersFor(view, piece, candidates),
    };
  });
  const prices = choices.wishes.map((wish) => {
    const without = solve(view, pieces, candidates, { ...choices, wishes: choices.wishes.filter((one) => one !== wish) });
    return { wish, placed: found.unplaced - without.unplaced, cost: Math.max(0, found.cost - without.cost) };
  });
  places.sort((a, b) => (a.tightOn < b.tightOn ? -1 : a.tightOn > b.tightOn ? 1 : a.name < b.name ? -1 : 1));
  const { unplaced, cost, isExact, gap } = found;
  return { places, unplaced, cost, isExact, gap, prices };
}
