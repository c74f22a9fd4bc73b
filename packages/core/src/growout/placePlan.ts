import type { RoomTank } from '../room';
import { oneEatsOther } from '../species';
import { addDays, daysBetween, formatDay, type Day } from '../time';
import { formatNumber } from '../units';
import { assign } from './assign';
import { dayIn, growthOf, readyShares, shareOver } from './broodGrowth';
import type { GrowoutView } from './facts';
import {
  candidatesOf,
  costOf,
  isForSpawning,
  isOneWater,
  PLACE_WISHES,
  WALK,
  walkOf,
  type Candidate,
  type PlaceWish,
} from './candidates';
import { litresFor, part, piecesOf, type Piece } from './pieces';
import { tankFreeOn } from './tankFreeOn';

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
  /** How many tanks they want. */
  tanks: number;
  /** What they need, so that they are not tight. */
  litres: number;
  stay: number;
  tightOn: Day;
  fullOn: Day | null;
  toTankId: string | null;
  toCode: string | null;
  on: Day | null;
  /** Others live there already. */
  isShared: boolean;
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

/** A piece by its lengths, where these are not known as it will be. */
const sized = ({ ahead: { resident }, mm }: Piece) => ({
  species: resident.species,
  lengthMm: resident.lengthMm ?? mm,
  smallestMm: resident.smallestMm ?? mm,
  isYoung: resident.isYoung,
});

/** Pieces that must not share a tank: parentages apart, and none that is food to another. */
function foesOf(pieces: readonly Piece[], wishes: ReadonlySet<PlaceWish>): [string, string][] {
  return pieces.flatMap((one, i) =>
    pieces.slice(i + 1).flatMap((other): [string, string][] => {
      const [a, b] = [one.ahead.resident, other.ahead.resident];
      const kin = a.species.key === b.species.key && a.lot.broodId !== b.lot.broodId;
      return oneEatsOther(sized(one), sized(other)) || (kin && wishes.has('apart')) ? [[one.id, other.id]] : [];
    }),
  );
}

/** The tank a keeper fixed for a piece, or for its whole lot; null where none is. */
const lockedTo = ({ locked }: PlaceChoices, { id, ahead }: Piece): string | null =>
  locked[id] ?? locked[ahead.resident.lot.id] ?? null;

function solve(view: GrowoutView, pieces: readonly Piece[], candidates: readonly Candidate[], choices: PlaceChoices) {
  const wishes = new Set(choices.wishes);
  return assign({
    lots: pieces.map(({ id }) => ({ id, litres: 1 })),
    tanks: candidates.map(({ tank, litres }) => ({ id: tank.id, litres })),
    cost: pieces.map((piece) =>
      candidates.map((candidate) => {
        const lock = lockedTo(choices, piece);
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
  const when = by <= view.today ? 'now' : `by ${formatDay(by, view.today)}`;
  const { saleMm } = resident.species.figures;
  const half = growth ? dayIn(readyShares(growth, saleMm[0])[1]?.days.mid ?? null, view.today) : null;
  const soon = growth
    ? Math.floor(shareOver({ ...growth, ageDays: growth.ageDays + daysBetween(view.today, by) }, saleMm[0]) * resident.heads)
    : 0;
  const kin = candidates.find(
    (candidate) =>
      candidate.residents.some(({ resident: other }) => other.species.key === resident.species.key) &&
      costOf(view, piece, candidate, new Set()) !== null &&
      litresFor(piece, piece.heads, candidate.tank) <= candidate.litres,
  );
  const later = view.room.tanks
    .flatMap((tank) => {
      const on = tankFreeOn(view, tank.id);
      return on !== null &&
        on > view.today &&
        !isForSpawning(view, tank.id) &&
        litresFor(piece, piece.heads, tank) <= tank.litres &&
        !tank.quarantine
        ? [{ code: tank.code, on }]
        : [];
    })
    .sort((a, b) => (a.on < b.on ? -1 : 1))[0];
  return [
    soon >= piece.heads
      ? `Sell ${piece.heads} ${when}; that many are big enough then.`
      : soon > 0
        ? `Sell ${soon} ${when}, as many as are big enough${half ? `; half of all are from ${formatDay(half, view.today)}` : ''}.`
        : `Find someone to take ${piece.heads} fry ${when}, and raise fewer next time; they’re big enough to sell ${half ? `about ${formatDay(half, view.today)}` : 'much later'}.`,
    ...(kin
      ? [
          `Put them with the ${resident.species.commonName.toLowerCase()} in ${kin.tank.code}; then nobody can tell their parents.`,
        ]
      : []),
    ...(later
      ? [
          `Wait until ${later.code} is free about ${formatDay(later.on, view.today)}${later.on > by ? `, ${daysBetween(by, later.on)} days after theirs is full, and they’d stunt` : ''}.`,
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
  return [
    `${piece.heads} at ${formatNumber(piece.mm)} mm want ${formatNumber(need)} of the ${formatNumber(litres)} L ${residents.length > 0 ? 'left ' : ''}in ${tank.code}.`,
    steps === 0 ? 'On the same shelf.' : steps === WALK.shelf ? 'In the same rack.' : 'In another rack.',
    isOneWater(tank, piece.from)
      ? 'Same sump, same water. No need to drip.'
      : 'Different water. Compare and drip; see the transfer sheet.',
    ...(residents.length > 0
      ? [
          `Beside ${residents.map(({ resident: other }) => `${other.heads} ${other.species.commonName.toLowerCase()}`).join(', ')}.`,
        ]
      : []),
    ...(candidate.freeOn > view.today ? [`Free from ${formatDay(candidate.freeOn, view.today)}.`] : []),
    ...catchWords(piece, tank),
  ];
}

/** What stands in the tank, and whether they can be caught out of it again. */
function catchWords({ ahead, heads }: Piece, tank: RoomTank): string[] {
  const { furnishing } = tank;
  const { hangs } = ahead.resident.species;
  if (furnishing === 'rock') return [`Shells, dense rock or roots stand in ${tank.code}: they’ll be hard to catch again.`];
  if (hangs && furnishing !== 'liftOut')
    return [`A shelter for each: ${heads}. You can search pipes, but not dense rock or shells.`];
  return furnishing === null
    ? ['You haven’t noted what’s in it. Avoid shells and dense rock; you need to catch them again.']
    : [];
}

/** Parts of one lot for which there is no tank are told as one. */
function mergeUnplaced(places: readonly PlannedPlace[], offersOf: (place: PlannedPlace) => string[]): PlannedPlace[] {
  const rows: PlannedPlace[] = [];
  for (const place of places) {
    const before = place.toTankId === null ? rows.find((row) => row.lotId === place.lotId && row.toTankId === null) : undefined;
    if (!before) {
      rows.push({ ...place });
      continue;
    }
    before.heads += place.heads;
    before.tanks += 1;
    before.litres += place.litres;
    before.id = place.lotId;
    before.offers = offersOf(before);
  }
  return rows;
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
      tanks: 1,
      litres: litresFor(piece, piece.heads, candidate?.tank ?? piece.from),
      stay: Math.max(0, resident.heads - (heads.get(resident.lot.id) ?? 0)),
      tightOn: piece.tightOn,
      fullOn: piece.fullOn,
      toTankId: to,
      toCode: candidate?.tank.code ?? null,
      on: candidate ? onDay(view, piece, candidate) : null,
      isShared: (candidate?.residents.length ?? 0) > 0,
      isLocked: lockedTo(choices, piece) !== null,
      why: candidate ? whyOf(view, piece, candidate) : [],
      offers: candidate ? [] : offersFor(view, piece, candidates),
    };
  });
  const prices = choices.wishes.map((wish) => {
    const without = solve(view, pieces, candidates, { ...choices, wishes: choices.wishes.filter((one) => one !== wish) });
    return { wish, placed: found.unplaced - without.unplaced, cost: Math.max(0, found.cost - without.cost) };
  });
  const rows = mergeUnplaced(places, (place) => {
    const piece = wanted.find(({ id }) => id === place.lotId);
    return piece ? offersFor(view, { ...piece, heads: place.heads }, candidates) : place.offers;
  });
  rows.sort((a, b) => (a.tightOn < b.tightOn ? -1 : a.tightOn > b.tightOn ? 1 : a.name < b.name ? -1 : 1));
  const { cost, isExact, gap } = found;
  return { places: rows, unplaced: rows.filter(({ toTankId }) => toTankId === null).length, cost, isExact, gap, prices };
}
