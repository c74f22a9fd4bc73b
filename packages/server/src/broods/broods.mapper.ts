import { wettingDays, type BroodRecord, type LengthSample } from '@freshet/core/broods';
import type { ResolvedSpecies } from '@freshet/core/species';
import { summariseLengths, totalHeads, type Heads } from '@freshet/core/stock';
import type { LotRow, SampleRow } from '../stock';
import type { BroodRow, KeepingRow, ObservationRow, PeatBagRow } from './broods.repository';

/** Lots of a brood measured within a week of one another are one sample. */
const SAMPLED_TOGETHER_MS = 7 * 86_400_000;

/** Everybody in some lots. */
export const sumHeads = (lots: readonly Heads[]) => lots.reduce((total, lot) => total + totalHeads(lot), 0);

/** Samples as weeks: all lots measured within a week are one, of the newest of each lot in it. @param rows - in any order */
function toSamples(rows: readonly SampleRow[]): LengthSample[] {
  const left = [...rows].sort((a, b) => (a.at < b.at ? 1 : -1));
  const found: LengthSample[] = [];
  while (left[0]) {
    const { at } = left[0];
    const since = new Date(Date.parse(at) - SAMPLED_TOGETHER_MS).toISOString();
    const older = left.findIndex((row) => row.at < since);
    const week = left.splice(0, older < 0 ? left.length : older);
    const newest = [...new Map([...week].reverse().map((row) => [row.lotId, row])).values()];
    const { meanMm, smallestTenthMm, spread, count } = summariseLengths(newest.flatMap(({ lengths }) => lengths));
    found.unshift({ at, meanMm, smallestTenthMm, spread, count });
  }
  return found;
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

/** What has been logged of a brood. @param lots - all or the living ones @param rows - samples of their lengths */
export function toFacts(
  brood: BroodRow,
  seen: readonly ObservationRow[],
  lots: readonly LotRow[],
  rows: readonly SampleRow[] = [],
  eggs: { keeping?: KeepingRow | undefined; bag?: PeatBagRow | undefined } = {},
): BroodRecord {
  const last = (kind: ObservationRow['kind']) => {
    const row = seen.findLast((observation) => observation.kind === kind);
    return row ? { from: row.fromAt, to: row.toAt } : null;
  };
  const samples = toSamples(rows);
  return {
    id: brood.id,
    name: brood.name,
    speciesKey: brood.speciesKey,
    attemptId: brood.attemptId,
    laid: { from: brood.laidFrom, to: brood.laidTo },
    hatched: last('hatched'),
    freeSwimming: last('freeSwimming'),
    stripped: last('stripped'),
    wetted: last('wetted'),
    eggsSeenAt: last('eggsSeen')?.to ?? null,
    alive: sumHeads(lots),
    measured: samples.at(-1) ?? null,
    samples,
    keeping: eggs.keeping ? toKeeping(eggs.keeping) : null,
    peat: eggs.bag
      ? { label: eggs.bag.label, place: eggs.bag.place, moisture: eggs.bag.moisture, wetOn: eggs.bag.wetOn, at: eggs.bag.at }
      : null,
  };
}

/** What a brood's page tells of its peat: the bag, when it can be wetted, since when it is in water. */
export const peatReply = ({ record, species }: { record: BroodRecord; species: ResolvedSpecies }, timeZone: string) => ({
  label: record.peat?.label ?? null,
  place: record.peat?.place ?? null,
  moisture: record.peat?.moisture ?? null,
  wetOn: record.peat?.wetOn ?? null,
  wetted: record.wetted?.to ?? null,
  ...wettingDays(record, species, timeZone),
});
