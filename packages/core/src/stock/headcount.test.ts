import fc from 'fast-check';
import {
  addHeads,
  applyMovement,
  balanceLots,
  decideCount,
  decideLoss,
  decideMove,
  decideSexing,
  EMPTY,
  subtractHeads,
  totalHeads,
  type Heads,
  type Movement,
} from './headcount';
import { nextGeneration } from './selection/nextGeneration';

const heads = (max: number) =>
  fc.record<Heads>({
    males: fc.integer({ min: 0, max }),
    females: fc.integer({ min: 0, max }),
    unsexed: fc.integer({ min: 0, max }),
  });

/** A random history in which nobody leaves who is not there, told step by step. */
const history = fc
  .array(fc.record({ from: fc.constantFrom(null, 'a', 'b', 'c'), to: fc.constantFrom(null, 'a', 'b', 'c'), heads: heads(9) }), {
    maxLength: 60,
  })
  .map((steps) => {
    const lots = new Map<string, Heads>();
    const movements: Movement[] = [];
    for (const step of steps) {
      if (step.from === step.to) continue;
      const have = step.from ? (lots.get(step.from) ?? EMPTY) : null;
      if (have && (have.males < step.heads.males || have.females < step.heads.females || have.unsexed < step.heads.unsexed))
        continue;
      const movement: Movement = {
        ...step.heads,
        fromLotId: step.from,
        toLotId: step.to,
        cause: step.from ? (step.to ? 'split' : 'death') : 'acquired',
      };
      movements.push(movement);
      applyMovement(lots, movement);
    }
    return { movements, lots };
  });

describe('the ledger', () => {
  it('always balances: what came in is what left and what lives', () => {
    fc.assert(
      fc.property(history, ({ movements }) => {
        const { lots, cameIn, left } = balanceLots(movements);
        const alive = [...lots.values()].reduce((sum, lot) => sum + totalHeads(lot), 0);
        expect(cameIn).toBe(left + alive);
        for (const lot of lots.values()) expect(Math.min(lot.males, lot.females, lot.unsexed)).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('comes to the same in any order of the same movements', () => {
    fc.assert(
      fc.property(history, ({ movements, lots }) => {
        const backwards = balanceLots([...movements].reverse()).lots;
        for (const [id, have] of lots) expect(backwards.get(id)).toEqual(have);
      }),
    );
  });

  it('is taken back by the mirrored movement', () => {
    fc.assert(
      fc.property(history, ({ movements, lots }) => {
        const mirrored = movements.map((movement): Movement => ({
          ...movement,
          fromLotId: movement.toLotId,
          toLotId: movement.fromLotId,
          cause: 'undo',
        }));
        for (const have of balanceLots([...movements, ...mirrored]).lots.values()) expect(have).toEqual(EMPTY);
        expect(lots.size).toBeLessThanOrEqual(3);
      }),
    );
  });
});

describe('who can leave', () => {
  it('is decided by sex: never more than are there', () => {
    fc.assert(
      fc.property(heads(10), heads(12), (have, wanted) => {
        const rest = subtractHeads(have, wanted);
        const possible = Math.min(rest.males, rest.females, rest.unsexed) >= 0 && totalHeads(wanted) > 0;
        expect(decideMove(have, wanted).ok).toBe(possible);
        if (possible) expect(addHeads(rest, wanted)).toEqual(have);
      }),
    );
  });

  it('of a plain number takes exactly that number, and asks for the sex where it matters', () => {
    fc.assert(
      fc.property(heads(10), fc.integer({ min: -2, max: 35 }), (have, count) => {
        const decision = decideLoss(have, count);
        if (decision.ok) {
          expect(totalHeads(decision.heads)).toBe(count);
          expect(decideMove(have, decision.heads).ok).toBe(true);
        } else
          expect(count < 1 || count > totalHeads(have) || (have.males + have.females > 0 && count > have.unsexed)).toBe(true);
      }),
    );
  });

  it('says which sex is missing, in words', () => {
    expect(decideMove({ males: 3, females: 1, unsexed: 0 }, { males: 1, females: 2, unsexed: 0 })).toEqual({
      ok: false,
      reason: 'tooMany',
      field: 'females',
      message: 'Only 1 females are there, not 2.',
    });
    expect(decideMove({ males: 3, females: 1, unsexed: 0 }, EMPTY)).toMatchObject({ ok: false, reason: 'nothing' });
    expect(decideMove({ males: 3, females: 1, unsexed: 0 }, { ...EMPTY, males: 0.5 })).toMatchObject({
      ok: false,
      reason: 'notWhole',
    });
  });
});

describe('a count', () => {
  it('brings the booked number to what was counted, by one movement', () => {
    fc.assert(
      fc.property(heads(20), fc.integer({ min: 0, max: 80 }), (have, counted) => {
        const decision = decideCount('lot', have, counted);
        if (!decision.ok) {
          expect(counted).toBeLessThan(have.males + have.females);
          return;
        }
        const lots = new Map([['lot', have]]);
        if (decision.movement) applyMovement(lots, decision.movement);
        expect(totalHeads(lots.get('lot') ?? EMPTY)).toBe(counted);
      }),
    );
  });

  it('books what is missing as gone for an unknown reason, and what is more as missed before', () => {
    expect(decideCount('lot', { ...EMPTY, unsexed: 80 }, 74)).toMatchObject({
      movement: { fromLotId: 'lot', toLotId: null, cause: 'unknown', unsexed: 6 },
    });
    expect(decideCount('lot', { ...EMPTY, unsexed: 80 }, 85)).toMatchObject({
      movement: { fromLotId: null, toLotId: 'lot', cause: 'countCorrection', unsexed: 5 },
    });
    expect(decideCount('lot', { ...EMPTY, unsexed: 80 }, 80)).toEqual({ ok: true, movement: null });
  });
});

describe('sexing', () => {
  it('brings the sexes to what was seen, and the number stays', () => {
    fc.assert(
      fc.property(heads(20), heads(20), (have, seen) => {
        const decision = decideSexing('lot', have, seen);
        expect(decision.ok).toBe(totalHeads(have) === totalHeads(seen));
        if (!decision.ok) return;
        const lots = new Map([['lot', have]]);
        for (const movement of decision.movements) applyMovement(lots, movement);
        expect(lots.get('lot')).toEqual(seen);
        const { cameIn, left } = balanceLots(decision.movements);
        expect(cameIn).toBe(left);
      }),
    );
    expect(decideSexing('lot', { ...EMPTY, unsexed: 3 }, { males: 1, females: 1, unsexed: 0 })).toMatchObject({
      ok: false,
      message: '3 are booked here, not 2; log a count or a loss first.',
    });
  });

  it('of a new generation counts on from the later parent', () => {
    expect(nextGeneration(['F2', 'F3'])).toBe('F4');
    expect(nextGeneration(['wild', null])).toBe('F1');
    expect(nextGeneration([])).toBe('F1');
  });
});
