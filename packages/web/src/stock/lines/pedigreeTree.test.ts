import { layoutPedigree, repeated } from './pedigreeTree';

const parents = (id: string, sire: string, dam: string) => ({
  id,
  sires: [{ id: sire, probability: 1 }],
  dams: [{ id: dam, probability: 1 }],
});
const inbred = [parents('x', 'a', 'b'), parents('a', 's', 'd'), parents('b', 's', 'd')];

describe('a drawn pedigree', () => {
  it('puts the sire above the dam, and everybody in the middle of his parents', () => {
    const { nodes, rows, depth } = layoutPedigree(inbred, 'x', () => true);
    const at = (way: string) => nodes.find((node) => node.way === way);
    expect([rows, depth]).toEqual([4, 2]);
    expect(['ss', 'sd', 'ds', 'dd'].map((way) => at(way)?.id)).toEqual(['s', 'd', 's', 'd']);
    expect([at('s')?.row, at('d')?.row, at('')?.row]).toEqual([0.5, 2.5, 1.5]);
    expect([...repeated(nodes)].sort()).toEqual(['d', 's']);
  });

  it('folds what is not open, and stays within eight generations', () => {
    expect(layoutPedigree(inbred, 'x', (way) => way !== 's').nodes.find(({ way }) => way === 's')).toMatchObject({
      isFolded: true,
    });
    const long = Array.from({ length: 20 }, (_, i) => parents(`n${i}`, `n${i + 1}`, `f${i}`));
    expect(layoutPedigree(long, 'n0', () => true).depth).toBe(8);
  });

  it('draws the likeliest of several parents, and says how many others there are', () => {
    const unsure = [
      {
        id: 'x',
        sires: [
          { id: 'a', probability: 0.3 },
          { id: 'b', probability: 0.7 },
        ],
        dams: [],
      },
    ];
    const { nodes } = layoutPedigree(unsure, 'x', () => true);
    expect(nodes.find(({ way }) => way === 's')).toMatchObject({ id: 'b', probability: 0.7, others: 1 });
    expect(nodes.find(({ way }) => way === 'd')).toMatchObject({ id: null });
  });
});
