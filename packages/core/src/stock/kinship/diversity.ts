import { founderShares } from './founderShares';
import { orderGroups, type GroupRecord } from './pedigree';
import { groupKinshipTable } from './groupKinship';
import { effectiveSize } from './effectiveSize';

/** So many founders, the largest first, are tried for who helped most. */
const MOST_HELPERS = 24;

/** One founder's part in the animals that live now. */
export interface FounderShare {
  id: string;
  /** Share of the living animals' genes, 0..1. */
  share: number;
}

/** How much of its founders' diversity a line still holds. */
export interface Diversity {
  /** Mean kinship of each living animal with all of them, itself included; the lowest are genetically precious. */
  meanKinship: { id: string; meanKinship: number; inbreeding: number }[];
  /** Mean of all: what random mating would give as inbreeding. */
  groupMeanKinship: number;
  /** 1 - mean kinship. */
  geneDiversity: number;
  founders: FounderShare[];
  /** Founders that, having given alike, would have left the same. */
  founderEquivalents: number;
  /** The founder whose line helps most, and what the others would hold without him and his; null where he is in everybody. */
  rescuer: { id: string; without: number } | null;
  /** Founders that, having lost nothing, would have left the same diversity. */
  founderGenomes: number;
}

/**
 * Diversity that the living animals of a line hold. Source: docs/sources.md#diversity
 * @param living - ids of the animals that live and can breed; at least one
 */
export function diversity(pedigree: readonly GroupRecord[], living: readonly string[]): Diversity {
  const ordered = orderGroups(pedigree);
  const { table, inbreeding } = groupKinshipTable(ordered);
  const n = ordered.ids.length;
  const at = living.flatMap((id) => ordered.indexOf.get(id) ?? []);
  const means = at.map((i) => at.reduce((sum, j) => sum + (table[i * n + j] ?? 0), 0) / at.length);
  const groupMeanKinship = means.reduce((sum, mean) => sum + mean, 0) / Math.max(1, at.length);
  const { founders, shares } = founderShares(ordered);
  const parts = founders
    .map((founder, k) => ({
      id: ordered.ids[founder] ?? '',
      share: at.reduce((sum, i) => sum + (shares[i]?.[k] ?? 0), 0) / Math.max(1, at.length),
    }))
    .filter(({ share }) => share > 0)
    .sort((a, b) => b.share - a.share);
  const squares = parts.reduce((sum, { share }) => sum + share * share, 0);
  // What is left among those without a founder's genes: the founder without whom least is left has helped most.
  let rescuer: Diversity['rescuer'] = null;
  const helpers = parts.slice(0, MOST_HELPERS);
  for (const { id } of helpers) {
    const k = founders.findIndex((founder) => ordered.ids[founder] === id);
    const others = at.filter((i) => (shares[i]?.[k] ?? 0) === 0);
    if (others.length === 0 || others.length === at.length) continue;
    const kin = others.reduce((sum, i) => sum + others.reduce((all, j) => all + (table[i * n + j] ?? 0), 0), 0);
    const without = 1 - kin / others.length ** 2;
    if (without < 1 - groupMeanKinship && without < (rescuer?.without ?? 1)) rescuer = { id, without };
  }
  return {
    rescuer,
    meanKinship: at
      .map((i, k) => ({ id: ordered.ids[i] ?? '', meanKinship: means[k] ?? 0, inbreeding: inbreeding[i] ?? 0 }))
      .sort((a, b) => a.meanKinship - b.meanKinship),
    groupMeanKinship,
    geneDiversity: 1 - groupMeanKinship,
    founders: parts,
    founderEquivalents: squares > 0 ? 1 / squares : 0,
    founderGenomes: groupMeanKinship > 0 ? 1 / (2 * groupMeanKinship) : 0,
  };
}

/** Young as inbred as those of half brother and half sister, in the mean, want new blood. */
export const NEW_BLOOD_AT = 0.125;
const LONGEST_DAYS = 3650;

/** Diversity left after each generation to come, first that of now. */
export interface Projection {
  ne: number;
  geneDiversity: number[];
}

/**
 * What becomes of the diversity under the present plan: each generation keeps 1 - 1 / (2 Ne).
 * @param now - gene diversity of the living, 0..1
 * @param males - males that breed, 1 or more @param females - the same
 */
export function projectDiversity(now: number, males: number, females: number, generations: number): Projection {
  const { ne, lossPerGeneration } = effectiveSize({ males, females });
  return { ne, geneDiversity: Array.from({ length: generations + 1 }, (_, t) => now * (1 - lossPerGeneration) ** t) };
}

/**
 * Gene diversity once one unrelated, non-inbred animal has joined a group: its kinship with everybody is 0, with itself one half.
 * @param groupMeanKinship - of the group before @param size - animals in it before
 */
export function withNewAnimal(groupMeanKinship: number, size: number): number {
  return 1 - (size * size * groupMeanKinship + 0.5) / (size + 1) ** 2;
}

/**
 * By when new blood is wanted: the generation in which the mean inbreeding of the young passes a limit under the present plan, as days
 * from now; 0 when it has, null when it does not within a lifetime of keeping. Each generation adds 1 / (2 Ne) of what is left.
 * @param meanKinship - of the breeders, 0..1: the inbreeding of the next young in the mean
 * @param generationDays - from one generation's birth to the next
 */
export function newBloodIn(meanKinship: number, ne: number, generationDays: number, limit = NEW_BLOOD_AT): number | null {
  if (meanKinship >= limit) return 0;
  const loss = 1 / (2 * Math.max(0.5, ne));
  const generations = Math.log((1 - limit) / (1 - meanKinship)) / Math.log(1 - Math.min(0.999, loss));
  const days = Math.ceil(generations) * generationDays;
  return days > LONGEST_DAYS ? null : days;
}
