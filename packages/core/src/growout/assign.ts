import { CalculationError } from '../errors';

interface Sized {
  id: string;
  litres: number;
}

const SLACK = 1e-9;

/** Where each lot goes. */
export interface Assigned {
  assignment: { lot: string; tank: string | null }[];
  unplaced: number;
  cost: number;
  /** Nothing better is possible; else the search was ended. */
  isExact: boolean;
  /** By how much the best could be better at most, as a share of the cost with what is left over weighed in; 0 when exact. */
  gap: number;
}
/** Rounds in which the price of a litre in each tank is found. */
const PRICE_ROUNDS = 120;

const mustBeUnique = (ids: readonly string[], field: string) => {
  if (new Set(ids).size < ids.length) throw new CalculationError('duplicateId', field, 'Each id once.');
};

/**
 * Which lot goes where: the fewest without a tank, and of those the least cost, by branch and bound. What stays open is bounded from
 * below with a price on every litre of a tank. Source: docs/sources.md#assign
 * @param input.cost - a row a lot, an entry a tank; null where it may not go
 * @param input.apart - pairs that never share a tank
 * @param input.needs - litres of each lot in each tank, where that is not the same in all
 * @param input.mostSteps - after so many the best found so far is given, and how far the best could be below it; none by default
 * @throws CalculationError `duplicateId`, `unknownLot`, `shapeMismatch`
 */
export function assign({
  lots,
  tanks,
  cost,
  apart,
  needs,
  mostSteps = Infinity,
}: {
  lots: readonly Sized[];
  tanks: readonly Sized[];
  cost: readonly (readonly (number | null)[])[];
  apart?: readonly (readonly [string, string])[] | null | undefined;
  needs?: readonly (readonly number[])[] | undefined;
  mostSteps?: number | undefined;
}): Assigned {
  mustBeUnique(
    lots.map(({ id }) => id),
    'lots',
  );
  mustBeUnique(
    tanks.map(({ id }) => id),
    'tanks',
  );
  const at = new Map(lots.map(({ id }, i) => [id, i]));
  const foes = lots.map(() => new Set<number>());
  for (const [one, other] of apart ?? []) {
    const [a, b] = [at.get(one), at.get(other)];
    if (a === undefined || b === undefined)
      throw new CalculationError('unknownLot', 'apart', `There is no lot "${a === undefined ? one : other}".`);
    foes[a]?.add(b);
    foes[b]?.add(a);
  }
  if (cost.length !== lots.length || cost.some((row) => row.length !== tanks.length))
    throw new CalculationError('shapeMismatch', 'cost', 'A row for each lot, an entry for each tank.');
  // Leaving one out costs more than any way of placing all of them.
  const dear = 1 + cost.reduce((sum, row) => sum + Math.max(0, ...row.map((value) => value ?? 0)), 0);
  const size = (i: number, t: number) => needs?.[i]?.[t] ?? lots[i]?.litres ?? 0;
  const smallest = (i: number) => (needs ? Math.min(...tanks.map((_, t) => size(i, t))) : (lots[i]?.litres ?? 0));
  const may = (i: number, t: number) => cost[i]?.[t] ?? null;
  const price = findPrices(lots, tanks, cost, dear, size);
  const order = lots.map((_, i) => i).sort((a, b) => smallest(b) - smallest(a));
  const room = tanks.map(({ litres }) => litres);
  const inTank = tanks.map(() => new Set<number>());
  const chosen = lots.map((): number | null => null);
  let best: { total: number; chosen: (number | null)[] } = { total: Infinity, chosen: [...chosen] };

  const fits = (i: number, t: number) =>
    size(i, t) <= (room[t] ?? 0) + SLACK && ![...(inTank[t] ?? [])].some((other) => foes[i]?.has(other));
  /** At least so much for what is still open: two bounds, the better counts. */
  function least(from: number): number {
    let [plain, priced] = [0, -room.reduce((sum, litres, t) => sum + litres * (price[t] ?? 0), 0)];
    for (let k = from; k < order.length; k++) {
      const i = order[k] ?? 0;
      let [low, lowPriced] = [dear, dear];
      for (let t = 0; t < tanks.length; t++) {
        const value = may(i, t);
        if (value === null || !fits(i, t)) continue;
        low = Math.min(low, value);
        lowPriced = Math.min(lowPriced, value + size(i, t) * (price[t] ?? 0));
      }
      plain += low;
      priced += lowPriced;
    }
    return Math.max(plain, priced);
  }
  let steps = 0;
  function place(k: number, total: number): void {
    if (steps++ > mostSteps || total + least(k) >= best.total - SLACK) return;
    const i = order[k];
    if (i === undefined) {
      best = { total, chosen: [...chosen] };
      return;
    }
    const options = tanks
      .flatMap((_, t) => {
        const value = may(i, t);
        return value !== null && fits(i, t) ? [{ t, value, weighed: value + size(i, t) * (price[t] ?? 0) }] : [];
      })
      .sort((a, b) => a.weighed - b.weighed);
    const tried = new Set<string>();
    for (const { t, value } of options) {
      // Two empty tanks that are alike for all that is open need not both be tried.
      const same =
        inTank[t]?.size === 0
          ? `${room[t]}:${order
              .slice(k)
              .map((j) => may(j, t))
              .join(',')}`
          : null;
      if (same !== null && tried.has(same)) continue;
      if (same !== null) tried.add(same);
      chosen[i] = t;
      room[t] = (room[t] ?? 0) - size(i, t);
      inTank[t]?.add(i);
      place(k + 1, total + value);
      inTank[t]?.delete(i);
      room[t] = (room[t] ?? 0) + size(i, t);
    }
    chosen[i] = null;
    place(k + 1, total + dear);
  }
  const bound = least(0);
  place(0, 0);
  const isExact = steps <= mostSteps;
  const assignment = lots.map(({ id }, i) => {
    const t = best.chosen[i] ?? null;
    return { lot: id, tank: t === null ? null : (tanks[t]?.id ?? null) };
  });
  return {
    assignment,
    unplaced: assignment.filter(({ tank }) => tank === null).length,
    cost: best.chosen.reduce<number>((sum, t, i) => sum + (t === null ? 0 : (may(i, t) ?? 0)), 0),
    isExact,
    gap: isExact || best.total <= 0 ? 0 : Math.max(0, (best.total - bound) / best.total),
  };
}

/** A price a litre of each tank, by which demand is held to what there is: steps along what is too full or too empty. */
function findPrices(
  lots: readonly Sized[],
  tanks: readonly Sized[],
  cost: readonly (readonly (number | null)[])[],
  dear: number,
  size: (i: number, t: number) => number,
): number[] {
  let price = tanks.map(() => 0);
  let [best, bestPrice] = [-Infinity, price];
  let pace = 1;
  for (let round = 0; round < PRICE_ROUNDS; round++) {
    const used = tanks.map(() => 0);
    let bound = -tanks.reduce((sum, { litres }, t) => sum + litres * (price[t] ?? 0), 0);
    lots.forEach((_lot, i) => {
      let [low, where] = [dear, -1];
      tanks.forEach((_, t) => {
        const value = cost[i]?.[t] ?? null;
        if (value === null || size(i, t) > (tanks[t]?.litres ?? 0) + SLACK) return;
        const priced = value + size(i, t) * (price[t] ?? 0);
        if (priced < low) [low, where] = [priced, t];
      });
      bound += low;
      if (where >= 0) used[where] = (used[where] ?? 0) + size(i, where);
    });
    if (bound > best) [best, bestPrice] = [bound, price];
    else pace *= 0.9;
    const over = tanks.map(({ litres }, t) => (used[t] ?? 0) - litres);
    const length = over.reduce((sum, value, t) => sum + (value > 0 || (price[t] ?? 0) > 0 ? value * value : 0), 0);
    if (length === 0) break;
    const step = (pace * (dear / Math.max(1, lots.length))) / Math.sqrt(length) / 4;
    price = price.map((value, t) => Math.max(0, value + step * (over[t] ?? 0)));
  }
  return bestPrice;
}
