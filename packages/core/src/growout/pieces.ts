import type { ReadBrood } from '../broods';
import type { RoomTank } from '../room';
import type { Day } from '../time';
import { growthOf, likelyDays } from './broodGrowth';
import { crowdingForecast, isGrower, loadIn, tankAhead, youngCarried, type Ahead } from './crowding';
import type { GrowoutView } from './facts';

/** The lower figure is a warning: so much over it is borne. */
const BEARABLE = 1.1;
/** A lot is parted at most so many times. */
const MOST_PIECES = 3;
/** So few over the lower figure are borne: it is a warning, not a bound. */
const LEAST_GO = 0.2;
/** Fewer than this share of a lot stay behind: all go. */
const LEAST_STAY = 0.15;
/** How far ahead places are planned. */
export const PLACE_DAYS = 56;

/** Young that want a place, from a tank that gets too small for them. */
export interface Piece {
  id: string;
  read: ReadBrood | null;
  ahead: Ahead;
  from: RoomTank;
  /** How many go now. */
  heads: number;
  /** Share of them that may live on the day that is planned for. */
  kept: number;
  tightOn: Day;
  fullOn: Day | null;
  /** Length on the day they are planned for, mm. */
  mm: number;
}

/** The day for which a lot's room is reckoned: the end of the plan, or earlier when half of it can be sold. */
export function lastDayOf({ resident }: Ahead): number {
  const growth = resident.brood ? growthOf(resident.brood) : null;
  const sale = growth ? likelyDays(growth, resident.species.figures.saleMm[0], 0.5) : null;
  return Math.min(PLACE_DAYS, Math.max(7, Math.ceil(sale ?? PLACE_DAYS)));
}

/** Young that have to leave a tank so that those who stay are not tight, the largest share first. */
export function piecesOf(view: GrowoutView, tank: RoomTank): Piece[] {
  const forecast = crowdingForecast(view, tank.id, PLACE_DAYS);
  if (!forecast?.tightOn) return [];
  const { tightOn, fullOn } = forecast;
  const planned = new Map<string, number>();
  for (const { lotId, heads } of view.moves) planned.set(lotId, (planned.get(lotId) ?? 0) + heads);
  const all = tankAhead(view, tank.id).map((ahead) => {
    const days = lastDayOf(ahead);
    const left = Math.max(0, 1 - (planned.get(ahead.resident.lot.id) ?? 0) / Math.max(1, ahead.resident.heads));
    return { ahead, days, left, share: ahead.shareIn(days, 'tight', tank) * left };
  });
  const shares = new Map(all.map(({ ahead, share }) => [ahead, share]));
  const here = all.map(({ ahead }) => ahead);
  let over = loadIn(here, 0, 'tight', tank, (ahead) => shares.get(ahead) ?? 0) - 1;
  const pieces: Piece[] = [];
  for (const { ahead, days, left, share } of all
    .filter(({ ahead: { resident } }) => isGrower(resident))
    .sort((a, b) => b.share - a.share)) {
    const mm = ahead.mmIn(days);
    const heads = Math.floor(ahead.headsIn(days) * left);
    if (over <= 0 || mm === null || heads === 0 || share <= 0) continue;
    const wanted = Math.min(heads, Math.ceil((over / share) * heads));
    if (wanted < heads * LEAST_GO) continue;
    const go = heads - wanted < heads * LEAST_STAY && all.length > 1 ? heads : wanted;
    over -= (go / heads) * share;
    pieces.push({
      id: ahead.resident.lot.id,
      read: ahead.resident.brood,
      ahead,
      from: tank,
      heads: Math.min(ahead.resident.heads, Math.round((go / heads) * left * ahead.resident.heads)),
      kept: Math.min(1, heads / Math.max(1, left * ahead.resident.heads)),
      tightOn,
      fullOn,
      mm,
    });
  }
  return pieces;
}

/** Litres of a tank that some young of a length need, so that they are not tight. */
export const litresFor = ({ ahead: { resident }, mm, kept }: Piece, heads: number, tank: RoomTank): number =>
  (heads * kept * tank.litres) / Math.max(1e-9, youngCarried(resident.species.figures, mm, tank, 'tight') * BEARABLE);

/** A lot that is too many for every tank is parted. */
export function part(piece: Piece, candidates: readonly { tank: RoomTank; litres: number }[]): Piece[] {
  const most = Math.max(0, ...candidates.map(({ tank, litres }) => (piece.heads * litres) / litresFor(piece, piece.heads, tank)));
  const parts = Math.min(MOST_PIECES, Math.max(1, Math.ceil(piece.heads / Math.max(1, Math.floor(most)))));
  const each = Math.ceil(piece.heads / parts);
  return Array.from({ length: parts }, (_, i) => ({
    ...piece,
    id: parts === 1 ? piece.id : `${piece.id}:${i + 1}`,
    heads: Math.min(each, piece.heads - i * each),
  })).filter(({ heads }) => heads > 0);
}
