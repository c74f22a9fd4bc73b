import type { BroodRecord } from '@freshet/core/broods';
import { summariseLengths, totalHeads, type Heads } from '@freshet/core/stock';
import type { LotRow, SampleRow } from '../stock';
import type { BroodRow, KeepingRow, ObservationRow, PeatBagRow } from './broods.repository';

/** Lots of a brood measured within a week of one another are one sample. */
const SAMPLED_TOGETHER_MS = 7 * 86_400_000;

/** Everybody in some lots. */
export const sumHeads = (lots: readonly Heads[]) => lots.reduce((total, lot) => total + totalHeads(lot), 0);

/** One sample of all lots measured within a week of the newest. */
function toMeasured(samples: readonly SampleRow[]): NonNullable<BroodRecord['measured']> | null {
  const newest = samples.reduce((last, { at }) => (at > last ? at : last), '');
  const since = newest && new Date(Date.parse(newest) - SAMPLED_TOGETHER_MS).toISOString();
  const lengths = samples.filter(({ at }) => at >= since).flatMap((sample) => sample.lengths);
  if (lengths.length === 0) return null;
  const { meanMm, smallestTenthMm, count } = summariseLengths(lengths);
  return { at: newest, meanMm, smallestTenthMm, count };
}

const toKeeping = ({ plan, fungus, dyeMgPerL, dyeStockPercent, dailyChangeFraction, container, why, at }: KeepingRow) => ({
  plan,
  fungus,
  dyeMgPerL,
  dyeStockPercent,
  dailyChangeFraction,
  container,
  why,
  since: at,
});

/** What has been logged of a brood. @param lots - all or the living ones @param samples - the newest of each lot */
export function toFacts(
  brood: BroodRow,
  seen: readonly ObservationRow[],
  lots: readonly LotRow[],
  samples: readonly SampleRow[] = [],
  eggs: { keeping?: KeepingRow | undefined; bag?: PeatBagRow | undefined } = {},
): BroodRecord {
  const last = (kind: ObservationRow['kind']) => {
    const row = seen.findLast((observation) => observation.kind === kind);
    return row ? { from: row.fromAt, to: row.toAt } : null;
  };
  return {
    id: brood.id,
    name: brood.name,
    speciesKey: brood.speciesKey,
    attemptId: brood.attemptId,
    laid: { from: brood.laidFrom, to: brood.laidTo },
    hatched: last('hatched'),
    freeSwimming: last('freeSwimming'),
    eggsSeenAt: last('eggsSeen')?.to ?? null,
    alive: sumHeads(lots),
    measured: toMeasured(samples),
    keeping: eggs.keeping ? toKeeping(eggs.keeping) : null,
    peat: eggs.bag
      ? { label: eggs.bag.label, place: eggs.bag.place, moisture: eggs.bag.moisture, wetOn: eggs.bag.wetOn, at: eggs.bag.at }
      : null,
  };
}
