import type { Cause } from './causes';

/** Animals by sex; whole numbers, none negative. Eggs count as unsexed. */
export interface Heads {
  males: number;
  females: number;
  unsexed: number;
}

/** One immutable row of the double-entry ledger; `null` on a side is the world outside. */
export interface Movement extends Heads {
  fromLotId: string | null;
  toLotId: string | null;
  cause: Cause;
}

export const EMPTY: Heads = { males: 0, females: 0, unsexed: 0 };
const SEXES = ['males', 'females', 'unsexed'] as const;

/** Whether both sexes may be among them: not all are sexed, or there are some of each. */
export const mayBeMixed = ({ males, females, unsexed }: Heads): boolean => unsexed > 0 || (males > 0 && females > 0);

/** Number of animals whatever their sex. */
export function totalHeads(heads: Heads): number {
  return heads.males + heads.females + heads.unsexed;
}

/** Sum of two headcounts. */
export function addHeads(a: Heads, b: Heads): Heads {
  return { males: a.males + b.males, females: a.females + b.females, unsexed: a.unsexed + b.unsexed };
}

/** Difference of two headcounts; may be negative, which callers must refuse. */
export function subtractHeads(a: Heads, b: Heads): Heads {
  return { males: a.males - b.males, females: a.females - b.females, unsexed: a.unsexed - b.unsexed };
}

/** Why a move or loss cannot be. */
export type MoveRefusal = { ok: false; reason: 'nothing' | 'tooMany' | 'notWhole'; field: keyof Heads; message: string };

function refusal(have: Heads, wanted: Heads): MoveRefusal | null {
  for (const sex of SEXES) {
    if (!Number.isInteger(wanted[sex]) || wanted[sex] < 0)
      return { ok: false, reason: 'notWhole', field: sex, message: 'A number of animals is whole and not negative.' };
    if (wanted[sex] > have[sex])
      return { ok: false, reason: 'tooMany', field: sex, message: `Only ${have[sex]} ${sex} are there, not ${wanted[sex]}.` };
  }
  if (totalHeads(wanted) === 0) return { ok: false, reason: 'nothing', field: 'unsexed', message: 'Say how many.' };
  return null;
}

/** Whether `wanted` can leave a lot that holds `have`. */
export function decideMove(have: Heads, wanted: Heads): { ok: true } | MoveRefusal {
  return refusal(have, wanted) ?? { ok: true };
}

/**
 * Spreads a loss given as a plain number over the sexes: unsexed first, since young are lost most; then the larger sex.
 * Mixed lots of sexed animals must say the sex.
 */
export function decideLoss(have: Heads, count: number): { ok: true; heads: Heads } | MoveRefusal {
  const total = totalHeads(have);
  if (!Number.isInteger(count) || count < 1)
    return { ok: false, reason: 'notWhole', field: 'unsexed', message: 'A number of animals is whole and above 0.' };
  if (count > total) return { ok: false, reason: 'tooMany', field: 'unsexed', message: `Only ${total} are there, not ${count}.` };
  if (count <= have.unsexed) return { ok: true, heads: { ...EMPTY, unsexed: count } };
  if (count === total) return { ok: true, heads: have };
  if (have.unsexed === 0 && have.males === 0) return { ok: true, heads: { ...EMPTY, females: count } };
  if (have.unsexed === 0 && have.females === 0) return { ok: true, heads: { ...EMPTY, males: count } };
  return {
    ok: false,
    reason: 'tooMany',
    field: 'unsexed',
    message: `Say of which sex: ${have.males} males, ${have.females} females and ${have.unsexed} unsexed are there.`,
  };
}

/**
 * The movement that makes a lot's unsexed count agree with what was counted; null when it already does.
 * Fewer than booked leave for an unknown reason; more than booked were missed before.
 */
export function decideCount(lotId: string, have: Heads, counted: number): { ok: true; movement: Movement | null } | MoveRefusal {
  if (!Number.isInteger(counted) || counted < 0)
    return { ok: false, reason: 'notWhole', field: 'unsexed', message: 'A count is a whole number, 0 or more.' };
  const sexed = have.males + have.females;
  if (counted < sexed)
    return {
      ok: false,
      reason: 'tooMany',
      field: 'unsexed',
      message: `${sexed} sexed animals are booked here; log their loss by sex first.`,
    };
  const difference = counted - totalHeads(have);
  if (difference === 0) return { ok: true, movement: null };
  const heads = { ...EMPTY, unsexed: Math.abs(difference) };
  return {
    ok: true,
    movement:
      difference < 0
        ? { ...heads, fromLotId: lotId, toLotId: null, cause: 'unknown' }
        : { ...heads, fromLotId: null, toLotId: lotId, cause: 'countCorrection' },
  };
}

/**
 * The movements that bring a lot's sexes to what was seen of them; none when they are so already. The number stays: what leaves as
 * one sex comes back as another.
 */
export function decideSexing(lotId: string, have: Heads, seen: Heads): { ok: true; movements: Movement[] } | MoveRefusal {
  for (const sex of SEXES)
    if (!Number.isInteger(seen[sex]) || seen[sex] < 0)
      return { ok: false, reason: 'notWhole', field: sex, message: 'A number of animals is whole and not negative.' };
  if (totalHeads(seen) !== totalHeads(have))
    return {
      ok: false,
      reason: 'tooMany',
      field: 'unsexed',
      message: `${totalHeads(have)} are booked here, not ${totalHeads(seen)}; log a count or a loss first.`,
    };
  const part = (sign: 1 | -1): Heads => ({
    males: Math.max(0, sign * (seen.males - have.males)),
    females: Math.max(0, sign * (seen.females - have.females)),
    unsexed: Math.max(0, sign * (seen.unsexed - have.unsexed)),
  });
  if (totalHeads(part(1)) === 0) return { ok: true, movements: [] };
  return {
    ok: true,
    movements: [
      { ...part(-1), fromLotId: lotId, toLotId: null, cause: 'sexing' },
      { ...part(1), fromLotId: null, toLotId: lotId, cause: 'sexing' },
    ],
  };
}

/** Books one movement into a table of headcounts by lot id. */
export function applyMovement(lots: Map<string, Heads>, movement: Movement): void {
  const { fromLotId, toLotId } = movement;
  if (fromLotId) lots.set(fromLotId, subtractHeads(lots.get(fromLotId) ?? EMPTY, movement));
  if (toLotId) lots.set(toLotId, addHeads(lots.get(toLotId) ?? EMPTY, movement));
}

/**
 * Proves the ledger: every lot's booked count from all movements, what came in from outside and what left.
 * `cameIn` always equals `left` plus the sum over lots.
 */
export function balanceLots(movements: Iterable<Movement>): { lots: Map<string, Heads>; cameIn: number; left: number } {
  const lots = new Map<string, Heads>();
  let [cameIn, left] = [0, 0];
  for (const movement of movements) {
    applyMovement(lots, movement);
    if (!movement.fromLotId) cameIn += totalHeads(movement);
    if (!movement.toLotId) left += totalHeads(movement);
  }
  return { lots, cameIn, left };
}
