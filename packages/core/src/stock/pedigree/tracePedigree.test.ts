import fc from 'fast-check';
import { groupKinship } from '../kinship/groupKinship';
import { tracePedigree, type TracedBrood, type TracedLot, type TracedMovement } from './tracePedigree';
import type { Cause } from '../causes';

const lot = (id: string, broodId: string | null = null, more: Partial<TracedLot> = {}): TracedLot => ({
  id,
  broodId,
  sires: [],
  dams: [],
  ...more,
});
const move = (
  at: string,
  fromLotId: string | null,
  toLotId: string | null,
  heads: [number, number, number],
  cause: Cause = 'split',
): TracedMovement => ({
  at,
  fromLotId,
  toLotId,
  males: heads[0],
  females: heads[1],
  unsexed: heads[2],
  cause,
});
const sure = (lotId: string) => [{ lotId, probability: 1 }];
const brood = (id: string, at: string, sire: string, dam: string): TracedBrood => ({
  id,
  at,
  sires: sure(sire),
  dams: sure(dam),
});

/** Expected kinship of two animals of two lots, the first named of each. */
function between(traced: ReturnType<typeof tracePedigree>, a: string, b: string): number {
  const one = traced.animals.find(({ lotId }) => lotId === a)?.id ?? '';
  const other = traced.animals.find(({ lotId, id }) => lotId === b && id !== one)?.id ?? '';
  return groupKinship({ pedigree: traced.pedigree, ids: [one, other] }).matrix[0]?.[1] ?? -1;
}

describe('the pedigree out of the ledger', () => {
  const pair = [move('1', null, 'M', [1, 0, 0], 'acquired'), move('1', null, 'F', [0, 1, 0], 'acquired')];

  it('of a pair makes its brood full sibs, also after the brood was split', () => {
    const traced = tracePedigree({
      lots: [lot('M'), lot('F'), lot('Y', 'B'), lot('Z', 'B')],
      movements: [...pair, move('3', null, 'Y', [0, 0, 40], 'birth'), move('4', 'Y', 'Z', [0, 0, 15])],
      broods: [brood('B', '2', 'M', 'F')],
    });
    expect(between(traced, 'Y', 'Y')).toBe(0.25);
    expect(between(traced, 'Y', 'Z')).toBe(0.25);
    expect(between(traced, 'M', 'Z')).toBe(0.25);
  });

  it('of a harem shares the chance among its females: two broods are half sibs or a little more', () => {
    const traced = tracePedigree({
      lots: [lot('M'), lot('F'), lot('Y', 'B'), lot('Z', 'C')],
      movements: [
        move('1', null, 'M', [1, 0, 0], 'acquired'),
        move('1', null, 'F', [0, 4, 0], 'acquired'),
        move('3', null, 'Y', [0, 0, 9], 'birth'),
        move('3', null, 'Z', [0, 0, 9], 'birth'),
      ],
      broods: [brood('B', '2', 'M', 'F'), brood('C', '2', 'M', 'F')],
    });
    // One father: 1/8. The same mother with chance 1/4: another 1/8 of that.
    expect(between(traced, 'Y', 'Z')).toBeCloseTo(0.125 + 0.125 / 4, 12);
    expect(between(traced, 'Y', 'Y')).toBe(0.25);
  });

  it('gives lots without a chance of their own what the others leave, by their animals', () => {
    const traced = tracePedigree({
      lots: [lot('M'), lot('F'), lot('G'), lot('H'), lot('Y', 'B')],
      movements: [
        ...pair,
        move('1', null, 'G', [0, 3, 0], 'acquired'),
        move('1', null, 'H', [0, 1, 0], 'acquired'),
        move('3', null, 'Y', [0, 0, 9], 'birth'),
      ],
      broods: [
        {
          ...brood('B', '2', 'M', 'F'),
          dams: [
            { lotId: 'F', probability: 0.2 },
            { lotId: 'G', probability: null },
            { lotId: 'H', probability: null },
          ],
        },
      ],
    });
    expect(between(traced, 'F', 'Y')).toBeCloseTo(0.25 * 0.2, 12);
    expect(between(traced, 'G', 'Y')).toBeCloseTo(0.25 * 0.2, 12);
    expect(between(traced, 'H', 'Y')).toBeCloseTo(0.25 * 0.2, 12);
  });

  it('remembers a female taken out of her group as one of the possible mothers', () => {
    const traced = tracePedigree({
      lots: [lot('M'), lot('F'), lot('T'), lot('Y', 'B')],
      movements: [
        move('1', null, 'M', [1, 0, 0], 'acquired'),
        move('1', null, 'F', [0, 3, 0], 'acquired'),
        move('3', null, 'Y', [0, 0, 9], 'birth'),
        move('4', 'F', 'T', [0, 1, 0]),
      ],
      broods: [brood('B', '2', 'M', 'F')],
    });
    expect(between(traced, 'T', 'Y')).toBeCloseTo(0.25 / 3, 12);
    expect(between(traced, 'F', 'Y')).toBeCloseTo(0.25 / 3, 12);
  });

  it('follows young that were sexed and became parents themselves', () => {
    const traced = tracePedigree({
      lots: [lot('M'), lot('F'), lot('Y', 'B'), lot('Z', 'C')],
      movements: [
        ...pair,
        move('3', null, 'Y', [0, 0, 2], 'birth'),
        move('4', 'Y', null, [0, 0, 2], 'sexing'),
        move('4', null, 'Y', [1, 1, 0], 'sexing'),
        move('6', null, 'Z', [0, 0, 5], 'birth'),
      ],
      broods: [brood('B', '2', 'M', 'F'), brood('C', '5', 'Y', 'Y')],
    });
    const young = traced.animals.find(({ lotId }) => lotId === 'Z')?.id ?? '';
    expect(groupKinship({ pedigree: traced.pedigree, ids: [] }).inbreeding[young]).toBe(0.25);
  });

  it('counts a colony whose animals nobody sexed as parents on both sides', () => {
    const traced = tracePedigree({
      lots: [lot('G'), lot('Y', 'B')],
      movements: [move('1', null, 'G', [0, 0, 10], 'acquired'), move('3', null, 'Y', [0, 0, 9], 'birth')],
      broods: [brood('B', '2', 'G', 'G')],
    });
    // One in ten that both are the same animal: half its own kinship.
    expect(
      groupKinship({ pedigree: traced.pedigree, ids: [] }).inbreeding[
        traced.animals.find(({ lotId }) => lotId === 'Y')?.id ?? ''
      ],
    ).toBeCloseTo(0.05, 12);
  });

  it('takes parents the keeper noted, also ancestors that never lived here', () => {
    const noted = { sires: sure('S'), dams: sure('D') };
    const traced = tracePedigree({
      lots: [lot('S'), lot('D'), lot('A', null, noted), lot('B', null, noted)],
      movements: [move('1', null, 'A', [1, 0, 0], 'acquired'), move('1', null, 'B', [0, 1, 0], 'acquired')],
      broods: [],
    });
    expect(between(traced, 'A', 'B')).toBe(0.25);
  });

  it('is the same after an entry was taken back', () => {
    const movements = [...pair, move('3', null, 'Y', [0, 0, 40], 'birth')];
    const lots = [lot('M'), lot('F'), lot('Y', 'B'), lot('Z', 'B')];
    const broods = [brood('B', '2', 'M', 'F')];
    const undone = [...movements, move('4', 'Y', 'Z', [0, 0, 7]), move('5', 'Z', 'Y', [0, 0, 7], 'undo')];
    expect(between(tracePedigree({ lots, movements: undone, broods }), 'Y', 'M')).toBe(
      between(tracePedigree({ lots, movements, broods }), 'Y', 'M'),
    );
  });

  it('never puts an animal into two lots, nor more than the ledger says', () => {
    const steps = fc.array(
      fc.tuple(fc.constantFrom(null, 'a', 'b', 'c'), fc.constantFrom(null, 'a', 'b', 'c'), fc.integer({ min: 1, max: 5 })),
      { maxLength: 40 },
    );
    fc.assert(
      fc.property(steps, (moves) => {
        const have = new Map<string, number>();
        const movements: TracedMovement[] = [];
        for (const [i, [from, to, count]] of moves.entries()) {
          if (from === to || (from && (have.get(from) ?? 0) < count)) continue;
          if (from) have.set(from, (have.get(from) ?? 0) - count);
          if (to) have.set(to, (have.get(to) ?? 0) + count);
          movements.push(move(String(1000 + i), from, to, [0, count, 0], from ? 'split' : 'acquired'));
        }
        const broods = [...have.keys()].map((id, i) => brood(`B${i}`, '9', id, id));
        const { animals } = tracePedigree({ lots: ['a', 'b', 'c'].map((id) => lot(id)), movements, broods });
        expect(new Set(animals.map(({ id }) => id)).size).toBe(animals.length);
        for (const [id, count] of have) expect(animals.filter(({ lotId }) => lotId === id).length).toBe(Math.min(24, count));
      }),
    );
  });
});
