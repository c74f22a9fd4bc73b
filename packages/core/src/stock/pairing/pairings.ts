import { CalculationError } from '../../errors';
import { assign } from './assignment';

/** A pair and the inbreeding its young would have. */
export interface Pair {
  male: string;
  female: string;
  offspringInbreeding: number;
}

/** The chosen pairs, by male, then female. */
export interface Pairings {
  pairs: Pair[];
  total: number;
  meanInbreeding: number;
}

export interface KinshipInput {
  ids: readonly string[];
  matrix: readonly (readonly number[])[];
}

const SLACK = 1e-9;
const byCode = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);

function checkMatrix({ ids, matrix }: KinshipInput): void {
  const fail = (message: string) => new CalculationError('invalidMatrix', 'kinship.matrix', message);
  if (matrix.length !== ids.length || matrix.some((row) => row.length !== ids.length))
    throw fail('The table of kinship is not square.');
  for (const [i, row] of matrix.entries())
    for (const [j, value] of row.entries()) {
      if (!(value >= 0 && value <= 1)) throw fail('Kinship lies between 0 and 1.');
      if (Math.abs(value - (matrix[j]?.[i] ?? 0)) > SLACK) throw fail('The table of kinship is not symmetric.');
    }
}

/**
 * The set of exactly `wanted` pairs with the least mean inbreeding of the young: each female at most once, each male at most
 * `matingsPerMale` times. An exact optimum, not a greedy one. Source: docs/sources.md#pairings
 * @throws CalculationError `duplicateId`, `bothSexes`, `invalidMatrix`, `unknownId`, `unreachable`, in this order
 */
export function pairings({
  males,
  females,
  kinship,
  matingsPerMale,
  wanted,
}: {
  males: readonly string[];
  females: readonly string[];
  kinship: KinshipInput;
  matingsPerMale: number;
  wanted: number;
}): Pairings {
  for (const [field, ids] of [
    ['males', males],
    ['females', females],
    ['kinship.ids', kinship.ids],
  ] as const)
    if (new Set(ids).size < ids.length) throw new CalculationError('duplicateId', field, 'An animal is named twice.');
  const both = males.find((id) => females.includes(id));
  if (both !== undefined) throw new CalculationError('bothSexes', 'females', `"${both}" is among the males and the females.`);
  checkMatrix(kinship);
  const at = new Map(kinship.ids.map((id, i) => [id, i]));
  const unknown = [...males, ...females].find((id) => !at.has(id));
  if (unknown !== undefined) throw new CalculationError('unknownId', 'kinship.ids', `The kinship of "${unknown}" is not given.`);
  if (wanted > Math.min(females.length, males.length * matingsPerMale))
    throw new CalculationError('unreachable', 'wanted', 'There are not enough animals for so many pairs.');
  const [sires, dams] = [[...males].sort(byCode), [...females].sort(byCode)];
  const kin = (male: string, female: string) => kinship.matrix[at.get(male) ?? 0]?.[at.get(female) ?? 0] ?? 0;
  const chosen = assign(
    sires.map((male) => dams.map((female) => kin(male, female))),
    sires.map(() => matingsPerMale),
    wanted,
  );
  if (!chosen) throw new CalculationError('unreachable', 'wanted', 'There are not enough animals for so many pairs.');
  const pairs = chosen.edges.map(({ male, female }): Pair => {
    const [sire, dam] = [sires[male] ?? '', dams[female] ?? ''];
    return { male: sire, female: dam, offspringInbreeding: kin(sire, dam) };
  });
  return { pairs, total: chosen.total, meanInbreeding: chosen.total / wanted };
}
