import { rate, type Rate } from '../evidence';
import { FAULTS, type Decision, type Fault } from './keys';

/** Young of a brood that were looked at on a day. */
export interface Selection {
  broodId: string;
  speciesKey: string;
  /** Whose young, by the parents' names. */
  cross: string;
  seen: number;
  faults: Readonly<Partial<Record<Fault, number>>>;
  decisions: Readonly<Partial<Record<Decision, number>>>;
}

/** How often a fault came in the young of one cross. */
export interface FaultRate {
  cross: string;
  fault: Fault;
  count: number;
  seen: number;
  rate: Rate;
}

/** Faults by cross, each with its share and range, the most frequent first; those nobody saw in a cross are left out. */
export function faultRates(selections: readonly Selection[]): FaultRate[] {
  const crosses = new Map<string, { seen: number; counts: Map<Fault, number> }>();
  for (const { cross, seen, faults } of selections) {
    const sum = crosses.get(cross) ?? { seen: 0, counts: new Map<Fault, number>() };
    sum.seen += seen;
    for (const fault of FAULTS) sum.counts.set(fault, (sum.counts.get(fault) ?? 0) + (faults[fault] ?? 0));
    crosses.set(cross, sum);
  }
  return [...crosses]
    .flatMap(([cross, { seen, counts }]) =>
      [...counts].flatMap(([fault, count]) =>
        count === 0 ? [] : [{ cross, fault, count, seen, rate: rate({ successes: count, trials: seen }) }],
      ),
    )
    .sort((a, b) => b.rate.mean - a.rate.mean);
}
