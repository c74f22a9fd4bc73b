import fc from 'fast-check';
import { diversity, newBloodIn, projectDiversity, withNewAnimal } from './diversity';
import { findKinPaths } from './ancestry';
import { groupKinship } from './groupKinship';
import { inbreeding, inbreedingOf } from './inbreeding';
import { kinship, kinshipTable } from './kinship';
import { orderPedigree, type GroupRecord, type PedigreeRecord } from './pedigree';
import { traceThrowback } from './throwback';
import { byAncestors } from './inbreeding';

/** A random pedigree: even numbers are males, odd ones females, parents always earlier; listed in any order. */
const pedigrees = fc
  .array(fc.tuple(fc.nat(), fc.nat(), fc.boolean(), fc.boolean()), { minLength: 3, maxLength: 24 })
  .chain((rows) => {
    const records = rows.map(([s, d, hasSire, hasDam], i): PedigreeRecord => {
      const sires = [...Array(i).keys()].filter((k) => k % 2 === 0);
      const dams = [...Array(i).keys()].filter((k) => k % 2 === 1);
      const sire = sires[s % Math.max(1, sires.length)];
      const dam = dams[d % Math.max(1, dams.length)];
      return {
        id: `n${i}`,
        sire: hasSire && sire !== undefined ? `n${sire}` : null,
        dam: hasDam && dam !== undefined ? `n${dam}` : null,
      };
    });
    return fc.shuffledSubarray(records, { minLength: records.length, maxLength: records.length });
  });

/** Kinship by its definition, from above, without a table. */
function slowKinship(pedigree: readonly PedigreeRecord[]) {
  const { ids, indexOf } = orderPedigree(pedigree);
  const byId = new Map(pedigree.map((record) => [record.id, record]));
  const f = (a: string | null | undefined, b: string | null | undefined): number => {
    if (a == null || b == null) return 0;
    if (a === b) return (1 + f(byId.get(a)?.sire, byId.get(a)?.dam)) / 2;
    const [young, old] = (indexOf.get(a) ?? 0) > (indexOf.get(b) ?? 0) ? [a, b] : [b, a];
    return (f(byId.get(young)?.sire, old) + f(byId.get(young)?.dam, old)) / 2;
  };
  return ids.map((a) => ids.map((b) => f(a, b)));
}

describe('kinship', () => {
  it('agrees with its definition, whatever the order of the list', () => {
    fc.assert(
      fc.property(pedigrees, (pedigree) => {
        const { ids } = orderPedigree(pedigree);
        const { matrix } = kinship({ pedigree, ids });
        for (const [i, row] of slowKinship(pedigree).entries())
          for (const [j, value] of row.entries()) expect(matrix[i]?.[j]).toBeCloseTo(value, 12);
      }),
    );
  });

  it('gives the inbreeding that the way for large pedigrees gives, and the diagonal fits it', () => {
    fc.assert(
      fc.property(pedigrees, (pedigree) => {
        const ordered = orderPedigree(pedigree);
        const n = ordered.ids.length;
        const table = kinshipTable(ordered);
        const fast = inbreedingOf(ordered);
        const other = byAncestors(ordered);
        for (let i = 0; i < n; i++) {
          expect(table[i * n + i]).toBeCloseTo((1 + (fast[i] ?? 0)) / 2, 12);
          expect(other[i]).toBeCloseTo(fast[i] ?? -1, 12);
        }
      }),
    );
  });

  it('works out asked animals of a pedigree too large for a table as it does of a small one', () => {
    // A long line of brothers and sisters, so large that rows are worked out one by one.
    const pedigree: PedigreeRecord[] = [{ id: 'm0' }, { id: 'f0' }];
    for (let i = 1; i <= 3100; i++)
      for (const sex of ['m', 'f'])
        pedigree.push({ id: `${sex}${i}`, sire: `m${i - 1}`, dam: i % 7 === 0 ? `x${i}` : `f${i - 1}` });
    const ids = ['m3', 'f3', 'm2'];
    const small = kinship({ pedigree, ids });
    const large = kinship({ pedigree, ids: [...ids, 'm3100'] });
    for (const i of [0, 1, 2]) for (const j of [0, 1, 2]) expect(large.matrix[i]?.[j]).toBeCloseTo(small.matrix[i]?.[j] ?? -1, 9);
    expect(large.matrix[3]?.[0]).toBeGreaterThan(0);
  });

  it('says through whom two animals are related: the paths add up to the kinship', () => {
    fc.assert(
      fc.property(pedigrees, (records) => {
        const pedigree = records.map(({ id, sire, dam }): GroupRecord => ({
          id,
          sires: sire ? [{ id: sire, probability: 1 }] : [],
          dams: dam ? [{ id: dam, probability: 1 }] : [],
        }));
        const { inbreeding: f } = inbreeding({ pedigree: records });
        const [a, b] = [records[0]?.id ?? '', records[1]?.id ?? ''];
        const sum = findKinPaths(pedigree, a, b, f).reduce((all, { contribution }) => all + contribution, 0);
        expect(sum).toBeCloseTo(kinship({ pedigree: records, ids: [a, b] }).matrix[0]?.[1] ?? -1, 9);
      }),
      { numRuns: 60 },
    );
  });
});

describe('kinship with uncertain parents', () => {
  const uncertain: GroupRecord[] = [
    {
      id: 'a',
      sires: [
        { id: 'm1', probability: 0.6 },
        { id: 'm2', probability: 0.4 },
      ],
      dams: [{ id: 'f', probability: 1 }],
      brood: 'B',
    },
    {
      id: 'b',
      sires: [
        { id: 'm1', probability: 0.6 },
        { id: 'm2', probability: 0.4 },
      ],
      dams: [{ id: 'f', probability: 1 }],
      brood: 'B',
    },
    {
      id: 'x',
      sires: [{ id: 'a', probability: 1 }],
      dams: [
        { id: 'b', probability: 0.5 },
        { id: 'g', probability: 0.25 },
      ],
    },
  ];

  it('is the mean over everybody who the parents may be', () => {
    // Each draw of the brood's sire and of the dam of x, by hand.
    const draws = [
      { sire: 'm1', dam: 'b', chance: 0.3 },
      { sire: 'm1', dam: 'g', chance: 0.15 },
      { sire: 'm1', dam: null, chance: 0.15 },
      { sire: 'm2', dam: 'b', chance: 0.2 },
      { sire: 'm2', dam: 'g', chance: 0.1 },
      { sire: 'm2', dam: null, chance: 0.1 },
    ];
    const ids = ['a', 'b', 'x', 'm1', 'm2', 'f', 'g'];
    const got = groupKinship({ pedigree: uncertain, ids });
    for (const [i, one] of ids.entries())
      for (const [j, other] of ids.entries()) {
        const mean = draws.reduce((sum, { sire, dam, chance }) => {
          const pedigree = [
            { id: 'a', sire, dam: 'f' },
            { id: 'b', sire, dam: 'f' },
            { id: 'x', sire: 'a', dam },
            ...['m1', 'm2', 'f', 'g'].map((id) => ({ id })),
          ];
          return sum + chance * (kinship({ pedigree, ids: [one, other] }).matrix[0]?.[1] ?? 0);
        }, 0);
        expect([one, other, got.matrix[i]?.[j]?.toFixed(10)]).toEqual([one, other, mean.toFixed(10)]);
      }
  });

  it('holds the living by founder; shares add up to one where no outsider came in', () => {
    const { founders, meanKinship, groupMeanKinship } = diversity(uncertain.slice(0, 2), ['a', 'b']);
    expect(founders).toEqual([
      { id: 'f', share: 0.5 },
      { id: 'm1', share: 0.3 },
      { id: 'm2', share: 0.2 },
    ]);
    expect(meanKinship.map(({ meanKinship: mean }) => mean)).toEqual([0.375, 0.375]);
    expect(groupMeanKinship).toBe(0.375);
  });

  it('names the founder without whom least would be left', () => {
    const pair = (id: string, sire: string, dam: string): GroupRecord => ({
      id,
      sires: [{ id: sire, probability: 1 }],
      dams: [{ id: dam, probability: 1 }],
    });
    // Two full sibs, and the young of one of them with a stranger.
    const line = [pair('a', 'm', 'f'), pair('b', 'm', 'f'), pair('x', 'stranger', 'b')];
    expect(diversity(line, ['a', 'b', 'x']).rescuer).toEqual({ id: 'stranger', without: 1 - 0.375 });
    expect(diversity(line, ['a', 'b']).rescuer).toBeNull();
  });
});

describe('worked by hand', () => {
  const pair = (id: string, sire: string, dam: string): GroupRecord => ({
    id,
    sires: [{ id: sire, probability: 1 }],
    dams: [{ id: dam, probability: 1 }],
  });
  /** Half sibs by one sire. */
  const halfSibs = [pair('a', 'A', 'B'), pair('b', 'A', 'C')];

  it('two half sibs and a stranger: kinship 1/8 and 1/2, shares by descent, what each founder means', () => {
    const { meanKinship, ...held } = diversity([...halfSibs, { id: 'D', sires: [], dams: [] }], ['a', 'b', 'D']);
    expect(meanKinship.map(({ id, meanKinship: mean }) => [id, mean.toFixed(6)])).toEqual([
      ['D', '0.166667'],
      ['a', '0.208333'],
      ['b', '0.208333'],
    ]);
    expect(Object.fromEntries(held.founders.map(({ id, share }) => [id, share.toFixed(6)]))).toEqual({
      A: '0.333333',
      D: '0.333333',
      B: '0.166667',
      C: '0.166667',
    });
    expect(held.groupMeanKinship).toBeCloseTo(1.75 / 9, 12);
    expect(held.geneDiversity).toBeCloseTo(1 - 1.75 / 9, 12);
    expect(held.founderEquivalents).toBeCloseTo(3.6, 12);
    expect(held.founderGenomes).toBeCloseTo(9 / 3.5, 12);
    expect(held.rescuer).toEqual({ id: 'A', without: 0.5 });
  });

  it('two half sibs alone; a founder who left nobody counts for nothing, and nobody holds nothing', () => {
    const line = [...halfSibs, pair('gone', 'E', 'F')];
    const { founders, founderEquivalents, founderGenomes, rescuer } = diversity(line, ['a', 'b']);
    expect(founders.map(({ id, share }) => [id, share])).toEqual([
      ['A', 0.5],
      ['B', 0.25],
      ['C', 0.25],
    ]);
    expect([founderEquivalents, founderGenomes]).toEqual([1 / 0.375, 1.6]);
    // Without B the other half sib is left: one animal, half its diversity.
    expect(rescuer).toEqual({ id: 'B', without: 0.5 });
    expect(diversity(line, [])).toMatchObject({ founders: [], founderEquivalents: 0, founderGenomes: 0, rescuer: null });
  });

  it('a throwback of full sibs: 1/16 for one copy of either founder, 1/8 for one of each', () => {
    const found = traceThrowback([pair('s', 'A', 'B'), pair('d', 'A', 'B')], {
      sires: [{ id: 's', probability: 1 }],
      dams: [{ id: 'd', probability: 1 }],
    });
    const [one, two] = [0.05 / 16, 0.05 ** 2 / 8];
    const shares = found.map(({ founders, probability }) => [[...founders].sort().join('+'), probability.toFixed(9)] as const);
    expect(Object.fromEntries(shares)).toEqual({
      A: (one / (2 * one + two)).toFixed(9),
      B: (one / (2 * one + two)).toFixed(9),
      'A+B': (two / (2 * one + two)).toFixed(9),
    });
  });

  it('a throwback weighs who is nearer, whatever the order, and how likely each sire is', () => {
    // B is a grandparent on one side and a great-grandparent on the other; A stands once nearer.
    const line = [pair('e', 'X', 'B'), pair('s', 'A', 'B'), pair('d', 'A', 'e')];
    const parents = { sires: [{ id: 's', probability: 1 }], dams: [{ id: 'd', probability: 1 }] };
    const found = traceThrowback(line, parents);
    const of = (founders: string) => found.find((one) => one.founders.join('+') === founders)?.probability ?? 0;
    expect(found.map(({ probability }) => probability)).toEqual(
      found.map(({ probability }) => probability).sort((p, q) => q - p),
    );
    expect(found[0]?.founders).toEqual(['A']);
    expect(of('A') / of('B')).toBeCloseTo(2, 9);
    const either = traceThrowback(line, {
      ...parents,
      sires: [
        { id: 's', probability: 0.5 },
        { id: 'Y', probability: 0.5 },
      ],
    });
    const withY = either.filter(({ founders }) => founders.includes('Y')).length;
    expect(withY).toBeGreaterThan(0);
    const nearer = either.find(({ founders }) => founders.join() === 'A')?.probability ?? 0;
    expect(nearer).toBeLessThan(of('A'));
  });
});

describe('diversity to come', () => {
  it('is lost faster the fewer males breed, and one newcomer brings some back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 20 }),
        fc.double({ min: 0.05, max: 0.9, noNaN: true }),
        (males, females, mean) => {
          const plan = projectDiversity(1 - mean, males, females, 6);
          const more = projectDiversity(1 - mean, males + 1, females, 6);
          expect(plan.geneDiversity[0]).toBe(1 - mean);
          for (let t = 1; t <= 6; t++) {
            expect(plan.geneDiversity[t]).toBeLessThan(plan.geneDiversity[t - 1] ?? 0);
            expect(more.geneDiversity[t]).toBeGreaterThan(plan.geneDiversity[t] ?? 1);
          }
          // Worked out as a group of n alike and one stranger.
          const n = males + females;
          expect(withNewAnimal(mean, n)).toBeCloseTo(1 - (n * n * mean + 0.5) / (n + 1) ** 2, 12);
          if (mean > 0.5) expect(withNewAnimal(mean, n)).toBeGreaterThan(1 - mean);
        },
      ),
    );
  });
});

describe('a throwback', () => {
  const pair = (id: string, sire: string, dam: string): GroupRecord => ({
    id,
    sires: [{ id: sire, probability: 1 }],
    dams: [{ id: dam, probability: 1 }],
  });

  it('of a half brother and a half sister points at the parent they share', () => {
    const pedigree = [pair('son', 'shared', 'd1'), pair('daughter', 'shared', 'd2')];
    const [first] = traceThrowback(pedigree, {
      sires: [{ id: 'son', probability: 1 }],
      dams: [{ id: 'daughter', probability: 1 }],
    });
    expect(first?.founders).toEqual(['shared']);
    expect(first?.probability).toBeGreaterThan(0.5);
  });

  it('of two unrelated parents points at both', () => {
    expect(traceThrowback([], { sires: [{ id: 'm', probability: 1 }], dams: [{ id: 'f', probability: 1 }] })).toEqual([
      { founders: ['f', 'm'], probability: 1 },
    ]);
    expect(traceThrowback([], { sires: [], dams: [] })).toEqual([]);
  });
});

describe('the date for new blood', () => {
  it('is now for a line past its limit, sooner for fewer breeders, and worked by hand', () => {
    expect(newBloodIn(0.125, 10, 200)).toBe(0);
    // Ne 4 loses an eighth a generation: from nothing to 0.125 in exactly one.
    expect(newBloodIn(0, 4, 200)).toBe(200);
    // Ne 10 loses a twentieth: three generations (0.143) pass an eighth, two (0.098) do not.
    expect(newBloodIn(0, 10, 200)).toBe(600);
    expect(newBloodIn(0, 500, 200)).toBeNull();
  });
});
