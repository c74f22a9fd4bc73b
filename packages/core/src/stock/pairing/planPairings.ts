import { assign } from './assignment';
import type { KinshipInput, Pair, Pairings } from './pairings';

/** An animal that may be paired. */
export interface PairingCandidate {
  id: string;
  /** How sure its sex is, 0..1. */
  certainty: number;
  /** Fit to spawn by its condition, age and rest. */
  isReady: boolean;
}

/** What the keeper holds the plan to. */
export interface PairingLimits {
  matingsPerMale: number;
  wanted: number;
  /** Animals whose sex is less sure are left out, 0..1. */
  minCertainty: number;
  /** Only animals that are ready. */
  onlyReady: boolean;
  /** No pair is proposed whose young would be more inbred, 0..1; any by default. Pairs that are kept are the keeper's own. */
  maxInbreeding?: number | undefined;
  /** Pairs, male and female, that must not be. */
  apart: readonly (readonly [string, string])[];
  /** Pairs that must be. */
  keep: readonly (readonly [string, string])[];
}

/** What a limit costs: the mean inbreeding of the young without it; null when it makes no plan possible at all. */
export interface LimitPrice {
  limit: 'matingsPerMale' | 'minCertainty' | 'onlyReady' | 'maxInbreeding' | 'apart' | 'keep';
  /** The pair, where the limit is about one. */
  pair: readonly [string, string] | null;
  meanWithout: number;
  /** Mean with the limit less the mean without; null when there is no plan with it. */
  costs: number | null;
}

export interface PairingPlan {
  /** Null when so many pairs cannot be had under the limits. */
  best: Pairings | null;
  /** Most pairs that could be had. */
  mostPairs: number;
  /** The best set of as many as can be had, where so many cannot. */
  fewer: Pairings | null;
  /** Next best sets, each without one pair of the best. */
  alternatives: (Pairings & { without: Pair })[];
  prices: LimitPrice[];
  leftOut: { id: string; why: 'sex' | 'notReady' }[];
}

interface Problem {
  males: readonly PairingCandidate[];
  females: readonly PairingCandidate[];
  kinship: KinshipInput;
  limits: PairingLimits;
}

const ALTERNATIVES = 3;
const GAIN = 1e-9;
const byId = (a: PairingCandidate, b: PairingCandidate) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

const fits = ({ certainty, isReady }: PairingCandidate, { minCertainty, onlyReady }: PairingLimits): boolean =>
  certainty >= minCertainty - GAIN && (isReady || !onlyReady);

/** The best set under the limits; pairs that are kept take their animals' room before the rest is chosen. */
function solve({ males, females, kinship, limits }: Problem, wanted = limits.wanted): Pairings | null {
  const kept = limits.keep;
  const sires = males.filter((male) => fits(male, limits) || kept.some(([id]) => id === male.id)).sort(byId);
  const dams = females.filter((female) => fits(female, limits) || kept.some(([, id]) => id === female.id)).sort(byId);
  const at = new Map(kinship.ids.map((id, i) => [id, i]));
  const kin = (male: string, female: string) => kinship.matrix[at.get(male) ?? -1]?.[at.get(female) ?? -1] ?? 0;
  const room = sires.map(({ id }) => limits.matingsPerMale - kept.filter(([male]) => male === id).length);
  if (room.some((left) => left < 0) || new Set(kept.map(([, female]) => female)).size < kept.length || kept.length > wanted)
    return null;
  const most = (limits.maxInbreeding ?? 1) + GAIN;
  const costs = sires.map((male) =>
    dams.map((female) =>
      kept.some(([, id]) => id === female.id) ||
      limits.apart.some(([a, b]) => a === male.id && b === female.id) ||
      kin(male.id, female.id) > most
        ? null
        : kin(male.id, female.id),
    ),
  );
  const chosen = assign(costs, room, wanted - kept.length);
  if (!chosen) return null;
  const pairs = [
    ...kept.map(([male, female]): Pair => ({ male, female, offspringInbreeding: kin(male, female) })),
    ...chosen.edges.map(({ male, female }): Pair => {
      const [sire, dam] = [sires[male]?.id ?? '', dams[female]?.id ?? ''];
      return { male: sire, female: dam, offspringInbreeding: kin(sire, dam) };
    }),
  ].sort((a, b) => (a.male < b.male ? -1 : a.male > b.male ? 1 : a.female < b.female ? -1 : 1));
  const total = pairs.reduce((sum, pair) => sum + pair.offspringInbreeding, 0);
  return { pairs, total, meanInbreeding: total / wanted };
}

const sameSet = (a: readonly Pair[], b: readonly Pair[]): boolean =>
  a.length === b.length && a.every((pair, i) => pair.male === b[i]?.male && pair.female === b[i]?.female);

/** Every limit that could be dropped, with the problem as it would be without it. */
function* withoutLimits(problem: Problem): Generator<Pick<LimitPrice, 'limit' | 'pair'> & { problem: Problem }> {
  const { limits } = problem;
  const relaxed = (patch: Partial<PairingLimits>): Problem => ({ ...problem, limits: { ...limits, ...patch } });
  if (limits.minCertainty > 0) yield { limit: 'minCertainty', pair: null, problem: relaxed({ minCertainty: 0 }) };
  if (limits.onlyReady) yield { limit: 'onlyReady', pair: null, problem: relaxed({ onlyReady: false }) };
  if ((limits.maxInbreeding ?? 1) < 1) yield { limit: 'maxInbreeding', pair: null, problem: relaxed({ maxInbreeding: 1 }) };
  yield { limit: 'matingsPerMale', pair: null, problem: relaxed({ matingsPerMale: limits.matingsPerMale + 1 }) };
  for (const limit of ['apart', 'keep'] as const)
    for (const pair of limits[limit])
      yield { limit, pair, problem: relaxed({ [limit]: limits[limit].filter((other) => other !== pair) }) };
}

/**
 * Plans pairs or harems with the least mean inbreeding of the young under the keeper's limits; exact. With the next best sets, and
 * with the price of every limit: what the mean would be without it. Source: docs/sources.md#pairings
 * @param problem.kinship - of all candidates; what is not in it counts as unrelated
 */
export function planPairings(problem: Problem): PairingPlan {
  const { males, females, limits } = problem;
  const best = solve(problem);
  let mostPairs = 0;
  let fewer: Pairings | null = null;
  if (best) mostPairs = limits.wanted;
  else
    for (let wanted = limits.wanted - 1; wanted > 0 && !fewer; wanted--) {
      fewer = solve(problem, wanted);
      if (fewer) mostPairs = wanted;
    }
  const alternatives = (best?.pairs ?? [])
    .filter((pair) => !limits.keep.some(([male, female]) => male === pair.male && female === pair.female))
    .flatMap((without) => {
      const other = solve({ ...problem, limits: { ...limits, apart: [...limits.apart, [without.male, without.female]] } });
      return other ? [{ ...other, without }] : [];
    })
    .sort((a, b) => a.total - b.total)
    .filter(({ pairs }, i, all) => all.findIndex((other) => sameSet(other.pairs, pairs)) === i)
    .slice(0, ALTERNATIVES);
  const prices: LimitPrice[] = [];
  for (const { limit, pair, problem: relaxed } of withoutLimits(problem)) {
    const without = solve(relaxed);
    if (!without) continue;
    const costs = best ? best.meanInbreeding - without.meanInbreeding : null;
    if (costs === null || costs > GAIN) prices.push({ limit, pair, meanWithout: without.meanInbreeding, costs });
  }
  return {
    best,
    mostPairs,
    fewer,
    alternatives,
    prices,
    leftOut: [...males, ...females]
      .filter((one) => !fits(one, limits) && !limits.keep.some((pair) => pair.includes(one.id)))
      .map((one) => ({
        id: one.id,
        why: one.certainty >= limits.minCertainty - GAIN ? ('notReady' as const) : ('sex' as const),
      })),
  };
}
