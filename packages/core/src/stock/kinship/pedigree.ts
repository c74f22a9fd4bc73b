import { CalculationError } from '../../errors';

/** An animal with the parents that are known for certain. */
export interface PedigreeRecord {
  id: string;
  sire?: string | null | undefined;
  dam?: string | null | undefined;
  /** May be a sire here and a dam there. */
  hermaphrodite?: boolean | null | undefined;
}

/** One animal that may be a parent, with how likely it is. */
export interface Candidate {
  id: string;
  /** Above 0; those of one side add up to at most 1, the rest being an unknown outsider. */
  probability: number;
}

/** An animal with candidate parents; animals of one brood have the very same parents, whoever they are. */
export interface GroupRecord {
  id: string;
  brood?: string | null | undefined;
  sires?: readonly Candidate[] | null | undefined;
  dams?: readonly Candidate[] | null | undefined;
  hermaphrodite?: boolean | null | undefined;
}

/** Animals numbered parents first, with the numbers of their parents. */
export interface OrderedPedigree {
  ids: string[];
  indexOf: Map<string, number>;
  /** Parents' numbers by side; -1 where unknown. */
  sire: Int32Array;
  dam: Int32Array;
}

interface Parents {
  id: string;
  sires: readonly string[];
  dams: readonly string[];
  hermaphrodite: boolean;
}

/** Numbers all animals, listed or only named, so that every parent comes before its young; depth first without recursion. */
function numberParentsFirst(records: readonly Parents[]): { ids: string[]; indexOf: Map<string, number> } {
  const byId = new Map<string, Parents>();
  for (const record of records) {
    if (byId.has(record.id)) throw new CalculationError('duplicateId', 'pedigree', `"${record.id}" is listed twice.`);
    byId.set(record.id, record);
  }
  for (const { id, sires, dams } of records)
    if (sires.includes(id) || dams.includes(id))
      throw new CalculationError('selfParent', 'pedigree', `"${id}" cannot be its own parent.`);
  const sires = new Set(records.flatMap((record) => record.sires));
  for (const { dams } of records)
    for (const id of dams)
      if (sires.has(id) && !byId.get(id)?.hermaphrodite)
        throw new CalculationError('bothSexes', 'pedigree', `"${id}" is a sire here and a dam there.`);
  const ids: string[] = [];
  const indexOf = new Map<string, number>();
  const open = new Set<string>();
  for (const { id: root } of records) {
    const stack = [root];
    while (stack.length > 0) {
      const id = stack.at(-1) ?? root;
      if (indexOf.has(id)) {
        stack.pop();
        continue;
      }
      const record = byId.get(id);
      const waiting = record ? [...record.sires, ...record.dams].filter((parent) => !indexOf.has(parent)) : [];
      if (waiting.length === 0) {
        indexOf.set(id, ids.length);
        ids.push(id);
        open.delete(id);
        stack.pop();
        continue;
      }
      if (open.has(id)) throw new CalculationError('pedigreeCycle', 'pedigree', `"${id}" would be its own ancestor.`);
      open.add(id);
      stack.push(...waiting);
    }
  }
  return { ids, indexOf };
}

/**
 * Numbers a pedigree, parents before young. A parent that is named but not listed is a founder.
 * @throws CalculationError in this order: `duplicateId`, `selfParent`, `bothSexes`, `pedigreeCycle`
 */
export function orderPedigree(pedigree: readonly PedigreeRecord[]): OrderedPedigree {
  const { ids, indexOf } = numberParentsFirst(
    pedigree.map(({ id, sire, dam, hermaphrodite }) => ({
      id,
      sires: sire == null ? [] : [sire],
      dams: dam == null ? [] : [dam],
      hermaphrodite: hermaphrodite === true,
    })),
  );
  const sireOf = new Int32Array(ids.length).fill(-1);
  const damOf = new Int32Array(ids.length).fill(-1);
  for (const { id, sire, dam } of pedigree) {
    const i = indexOf.get(id) ?? 0;
    if (sire != null) sireOf[i] = indexOf.get(sire) ?? -1;
    if (dam != null) damOf[i] = indexOf.get(dam) ?? -1;
  }
  return { ids, indexOf, sire: sireOf, dam: damOf };
}

/** Candidate parents as numbers and probabilities. */
export interface NumberedCandidates {
  index: number;
  probability: number;
}

/** A pedigree of candidates numbered parents first. */
export interface OrderedGroups {
  ids: string[];
  indexOf: Map<string, number>;
  sires: NumberedCandidates[][];
  dams: NumberedCandidates[][];
  /** Number of the brood, -1 without one. */
  brood: Int32Array;
}

const PROBABILITY_SLACK = 1e-9;

function checkCandidates(pedigree: readonly GroupRecord[]): void {
  const sides = pedigree.flatMap(({ id, sires, dams }) => [
    { id, side: sires ?? [] },
    { id, side: dams ?? [] },
  ]);
  for (const { id, side } of sides)
    if (new Set(side.map((one) => one.id)).size < side.length)
      throw new CalculationError('duplicateCandidate', 'pedigree', `A parent of "${id}" is named twice.`);
  for (const { id, side } of sides)
    if (side.reduce((sum, one) => sum + one.probability, 0) > 1 + PROBABILITY_SLACK)
      throw new CalculationError(
        'probabilitiesExceedOne',
        'pedigree',
        `The chances of the parents of "${id}" add up to more than 1.`,
      );
  const asText = (side: readonly Candidate[] | null | undefined) =>
    JSON.stringify(
      [...(side ?? [])].map((one) => [one.id, one.probability]).sort(([a], [b]) => (String(a) < String(b) ? -1 : 1)),
    );
  const broods = new Map<string, string>();
  for (const { id, brood, sires, dams } of pedigree) {
    if (brood == null) continue;
    const parents = asText(sires) + asText(dams);
    if ((broods.get(brood) ?? parents) !== parents)
      throw new CalculationError('broodMismatch', 'pedigree', `"${id}" has other parents than the rest of its brood.`);
    broods.set(brood, parents);
  }
}

/**
 * Numbers a pedigree of candidate parents, all candidates before their young.
 * @throws CalculationError in this order: `duplicateCandidate`, `probabilitiesExceedOne`, `broodMismatch`, `duplicateId`,
 *   `selfParent`, `bothSexes`, `pedigreeCycle`
 */
export function orderGroups(pedigree: readonly GroupRecord[]): OrderedGroups {
  checkCandidates(pedigree);
  const names = (side: readonly Candidate[] | null | undefined) => (side ?? []).map((one) => one.id);
  const { ids, indexOf } = numberParentsFirst(
    pedigree.map(({ id, sires, dams, hermaphrodite }) => ({
      id,
      sires: names(sires),
      dams: names(dams),
      hermaphrodite: hermaphrodite === true,
    })),
  );
  const numbered = (side: readonly Candidate[] | null | undefined): NumberedCandidates[] =>
    (side ?? []).map(({ id, probability }) => ({ index: indexOf.get(id) ?? 0, probability }));
  const sires: NumberedCandidates[][] = ids.map(() => []);
  const dams: NumberedCandidates[][] = ids.map(() => []);
  const brood = new Int32Array(ids.length).fill(-1);
  const broodNumbers = new Map<string, number>();
  for (const record of pedigree) {
    const i = indexOf.get(record.id) ?? 0;
    sires[i] = numbered(record.sires);
    dams[i] = numbered(record.dams);
    if (record.brood == null) continue;
    const number = broodNumbers.get(record.brood) ?? broodNumbers.size;
    broodNumbers.set(record.brood, number);
    brood[i] = number;
  }
  return { ids, indexOf, sires, dams, brood };
}

/** Numbers of the asked ids. @throws CalculationError `unknownId` - neither listed nor named as a parent */
export function findAsked(ids: readonly string[], indexOf: ReadonlyMap<string, number>): number[] {
  return ids.map((id) => {
    const index = indexOf.get(id);
    if (index === undefined) throw new CalculationError('unknownId', 'ids', `"${id}" is not in the pedigree.`);
    return index;
  });
}
