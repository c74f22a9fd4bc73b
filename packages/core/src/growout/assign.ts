import { CalculationError } from '../errors';

interface Sized {
  id: string;
  litres: number;
}

const SLACK = 1e-9;
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
 * @throws CalculationError `duplicateId`, `unknownLot`, `shapeMismatch`
 */
export function assign({
  lots,
  tanks,
  cost,
  apart,
}: {
  lots: readonly Sized[];
  tanks: readonly Sized[];
  cost: readonly (readonly (number | null)[])[];
  apart?: readonly (readonly [string, string])[] | null | undefined;
}): { assignment: { lot: string; tank: string | null }[]; unplaced: number; cost: number } {
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
  const size = (i: number) => lots[i]?.litres ?? 0;
  const may = (i: number, t: number) => cost[i]?.[t] ?? null;
  const price = findPrices(lots, tanks, cost, dear);
  const order = lots.map((_, i) => i).sort((a, b) => size(b) - size(a));
  const room = tanks.map(({ litres }) => litres);
  const inTank = tanks.map(() => new Set<number>());
  const chosen = lots.map((): number | null => null);
  let best: { total: number; chosen: (number | null)[] } = { total: Infinity, chosen: [...chosen] };

  const fits = (i: number, t: number) =>
    size(i) <= (room[t] ?? 0) + SLACK && ![...(inTank[t] ?? [])].some((other) => foes[i]?.has(other));
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
        lowPriced = Math.min(lowPriced, value + size(i) * (price[t] ?? 0));
      }
      plain += low;
      priced += lowPriced;
    }
    return Math.max(plain, priced);
  }
  function place(k: number, total: number): void {
    if (total + least(k) >= best.total - SLACK) return;
    const i = order[k];
    if (i === undefined) {
      best = { total, chosen: [...chosen] };
      return;
    }
    const options = tanks
      .flatMap((_, t) => {
        const value = may(i, t);
        return value !== null && fits(i, t) ? [{ t, value, weighed: value + size(i) * (price[t] ?? 0) }] : [];
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
      room[t] = (room[t] ?? 0) - size(i);
      inTank[t]?.add(i);
      place(k + 1, total + value);
      inTank[t]?.delete(i);
      room[t] = (room[t] ?? 0) + size(i);
    }
    chosen[i] = null;
    place(k + 1, total + dear);
  }
  place(0, 0);
  const assignment = lots.map(({ id }, i) => {
    const t = best.chosen[i] ?? null;
    return { lot: id, tank: t === null ? null : (tanks[t]?.id ?? null) };
  });
  return {
    assignment,
    unplaced: assignment.filter(({ tank }) => tank === null).length,
    cost: best.chosen.reduce<number>((sum, t, i) => sum + (t === null ? 0 : (may(i, t) ?? 0)), 0),
  };
}

/** A price a litre of each tank, by which demand is held to what there is: steps along what is too full or too empty. */
function findPrices(
  lots: readonly Sized[],
  tanks: readonly Sized[],
  cost: readonly (readonly (number | null)[])[],
  dear: number,
): number[] {
  let price = tanks.map(() => 0);
  let [best, bestPrice] = [-Infinity, price];
  let pace = 1;
  for (let round = 0; round < PRICE_ROUNDS; round++) {
    const used = tanks.map(() => 0);
    let bound = -tanks.reduce((sum, { litres }, t) => sum + litres * (price[t] ?? 0), 0);
    lots.forEach(({ litres }, i) => {
      let [low, where] = [dear, -1];
      tanks.forEach((_, t) => {
        const value = cost[i]?.[t] ?? null;
        if (value === null || litres > (tanks[t]?.litres ?? 0) + SLACK) return;
        const priced = value + litres * (price[t] ?? 0);
        if (priced < low) [low, where] = [priced, t];
      });
      bound += low;
      if (where >= 0) used[where] = (used[where] ?? 0) + litres;
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
