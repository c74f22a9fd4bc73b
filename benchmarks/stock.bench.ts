import {
  groupKinshipTable,
  inbreedingOf,
  kinshipTable,
  orderGroups,
  orderPedigree,
  pairings,
  planPairings,
  type GroupRecord,
  type PedigreeRecord,
} from '../packages/core/src/stock';

// Kinship, inbreeding and pairings at the size of a large house; ratios are taken within one run.

const say = (line: string) => process.stdout.write(`${line}\n`);

function best(runs: number, work: () => unknown): number {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const started = performance.now();
    work();
    least = Math.min(least, performance.now() - started);
  }
  return least;
}

/** A seeded pedigree: some founders, then young of random earlier animals, males even and females odd. */
function makePedigree(n: number, founders: number): PedigreeRecord[] {
  let state = 12_345;
  const next = (below: number) => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 0;
    return state % below;
  };
  return Array.from({ length: n }, (_, i) => {
    if (i < founders) return { id: `n${i}` };
    // Parents from the last few hundred animals: generations overlap, as in a shed.
    const from = Math.max(0, i - 400);
    const sire = from + next(i - from);
    const dam = from + next(i - from);
    return { id: `n${i}`, sire: `n${sire - (sire % 2)}`, dam: `n${dam % 2 ? dam : Math.max(1, dam - 1)}` };
  });
}

/** The plainest loop that fills the same table: no ordering, no missing parents, nothing looked up. */
function plainLoop(sire: Int32Array, dam: Int32Array): Float64Array {
  const n = sire.length;
  const table = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    const s = sire[i]!;
    const d = dam[i]!;
    if (s >= 0)
      for (let j = 0; j < i; j++) {
        const value = 0.5 * (table[s * n + j]! + table[d * n + j]!);
        table[i * n + j] = value;
        table[j * n + i] = value;
      }
    table[i * n + i] = 0.5 * (1 + (s >= 0 ? table[s * n + d]! : 0));
  }
  return table;
}

const five = orderPedigree(makePedigree(5000, 60));
const plain = best(3, () => plainLoop(five.sire, five.dam));
const table = best(3, () => kinshipTable(five));
say(`kinship of 5,000 animals: ${Math.round(table)} ms, ${(table / plain).toFixed(2)} of a plain typed-array loop (bound 2)`);
const groups = orderGroups(
  makePedigree(5000, 60).map(({ id, sire, dam }): GroupRecord => ({
    id,
    sires: sire ? [{ id: sire, probability: 1 }] : [],
    dams: dam ? [{ id: dam, probability: 1 }] : [],
  })),
);
const group = best(2, () => groupKinshipTable(groups));
say(`the same with candidate parents: ${Math.round(group)} ms, ${(group / plain).toFixed(2)} of the plain loop (bound 2)`);

const many = makePedigree(50_000, 300);
const inbred = best(2, () => inbreedingOf(orderPedigree(many)));
say(`inbreeding of 50,000 animals, ordering included: ${Math.round(inbred)} ms (bound 2000)`);

const matrixIds = [...Array(60).keys()].flatMap((i) => [`m${i}`, `f${i}`]);
let seed = 7;
const random = () => (seed = (Math.imul(seed, 48_271) >>> 0) % 2_147_483_647) / 2_147_483_647;
const matrix = matrixIds.map(() => matrixIds.map(() => 0));
for (const [i, row] of matrix.entries())
  for (let j = 0; j <= i; j++) {
    // Eighths, so that many sets cost the same: the hard case.
    const value = Math.floor(random() * 4) / 8;
    row[j] = value;
    matrix[j]![i] = value;
  }
const kinship = { ids: matrixIds, matrix };
const males = matrixIds.filter((id) => id.startsWith('m'));
const females = matrixIds.filter((id) => id.startsWith('f'));
const optimum = best(3, () => pairings({ males, females, kinship, matingsPerMale: 1, wanted: 60 }));
say(`best of all sets of 60 pairs among 60 x 60: ${Math.round(optimum)} ms (bound 1000)`);
const candidate = (id: string) => ({ id, certainty: 1, isReady: true });
const plan = best(1, () =>
  planPairings({
    males: males.map(candidate),
    females: females.map(candidate),
    kinship,
    limits: { matingsPerMale: 1, wanted: 60, minCertainty: 0.9, onlyReady: true, apart: [], keep: [] },
  }),
);
say(`the same with alternatives and prices (64 optima): ${Math.round(plan)} ms`);
if (table > 2 * plain || group > 2 * plain || inbred > 2000 || optimum > 1000) process.exit(1);
