import { totalHeads, type Heads } from '../stock';
import type { OrderLine, Reserved } from './facts';

/** A lot that orders may be filled from, less what is kept, barred or promised. */
export interface FreeLot extends Heads {
  lotId: string;
  broodId: string | null;
  speciesKey: string;
  tankId: string;
  /** The older go first. */
  ageDays: number;
  /** Share that is at least so long; null asks for the usual length of sale. */
  shareOver: (leastMm: number | null) => number;
}

type Wanted = Pick<OrderLine, 'lineId' | 'speciesKey' | 'sex' | 'leastMm' | 'heads' | 'broodId'>;

/** What a line is filled from, and how many are missing. */
export interface Filled {
  lineId: string;
  picks: Reserved[];
  short: number;
}

/** Heads of a lot that answer to a line: of the sex and the length asked for. */
function fitting(lot: FreeLot, { sex, leastMm }: Wanted): number {
  const of = sex === 'any' ? totalHeads(lot) : sex === 'male' ? lot.males : lot.females;
  return Math.floor(of * lot.shareOver(leastMm) + 1e-6);
}

/** So many out of a lot: those of no known sex first, then of the sex of which there are more. */
function take(lot: FreeLot, count: number, sex: Wanted['sex']): Heads {
  if (sex === 'male') return { males: count, females: 0, unsexed: 0 };
  if (sex === 'female') return { males: 0, females: count, unsexed: 0 };
  const unsexed = Math.min(lot.unsexed, count);
  let [males, females] = [0, 0];
  for (let left = count - unsexed; left > 0; left--)
    if (lot.males - males >= lot.females - females) males++;
    else females++;
  return { males, females, unsexed };
}

/**
 * Which lots an order is filled from: for each line one lot that has enough where there is one, of a tank that is opened anyway before
 * others, the oldest first; else the fullest lots until it is met. Lines that ask for a parentage go first, then those with fewest lots to
 * choose from. No head is taken twice; lots are not changed.
 * Source: docs/sources.md#filling
 */
export function fillLines(lines: readonly Wanted[], lots: readonly FreeLot[]): Filled[] {
  const bySpecies = new Map<string, FreeLot[]>();
  for (const lot of lots) {
    const own = { ...lot };
    const list = bySpecies.get(lot.speciesKey);
    if (list) list.push(own);
    else bySpecies.set(lot.speciesKey, [own]);
  }
  for (const list of bySpecies.values()) list.sort((a, b) => b.ageDays - a.ageDays || (a.lotId < b.lotId ? -1 : 1));
  const opened = new Set<string>();
  const filled = new Map<string, Filled>();
  const choices = (line: Wanted) => (bySpecies.get(line.speciesKey) ?? []).length;
  const turn = [...lines].sort(
    (a, b) =>
      Number(b.broodId !== null) - Number(a.broodId !== null) ||
      Number(b.sex !== 'any') - Number(a.sex !== 'any') ||
      (b.leastMm ?? 0) - (a.leastMm ?? 0) ||
      choices(a) - choices(b),
  );
  for (const line of turn) {
    const fit = (bySpecies.get(line.speciesKey) ?? [])
      .filter(({ broodId }) => line.broodId === null || broodId === line.broodId)
      .map((lot) => ({ lot, count: fitting(lot, line) }))
      .filter(({ count }) => count > 0);
    const enough = fit.filter(({ count }) => count >= line.heads);
    const first = enough.find(({ lot }) => opened.has(lot.tankId)) ?? enough[0];
    const order = first
      ? [first]
      : fit.sort((a, b) => Number(opened.has(b.lot.tankId)) - Number(opened.has(a.lot.tankId)) || b.count - a.count);
    let left = line.heads;
    const picks: Reserved[] = [];
    for (const { lot, count } of order) {
      if (left === 0) break;
      const heads = take(lot, Math.min(left, count), line.sex);
      picks.push({ lotId: lot.lotId, ...heads });
      lot.males -= heads.males;
      lot.females -= heads.females;
      lot.unsexed -= heads.unsexed;
      left -= totalHeads(heads);
      opened.add(lot.tankId);
    }
    filled.set(line.lineId, { lineId: line.lineId, picks, short: left });
  }
  return lines.flatMap(({ lineId }) => filled.get(lineId) ?? []);
}
