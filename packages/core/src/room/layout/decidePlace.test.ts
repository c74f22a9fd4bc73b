import fc from 'fast-check';
import { decidePlace, endOfShelf, footprint, type StandingTank } from '../index';

const tank = (code: string, leftCm: number, more: Partial<StandingTank> = {}): StandingTank => ({
  id: code,
  code,
  lengthCm: 60,
  widthCm: 30,
  heightCm: 36,
  facing: 'long',
  leftCm,
  totalKg: 70,
  ...more,
});
const SHELF = { lengthCm: 200, depthCm: 45, heightCm: 50, loadLimitKg: 150 };

describe('the place of a tank', () => {
  it('is refused with the figure that stands in the way', () => {
    const refused = (one: StandingTank, others: StandingTank[] = []) => {
      const decision = decidePlace(one, SHELF, others);
      return decision.ok ? null : [decision.field, decision.hard, decision.message];
    };
    expect(refused(tank('A', 0))).toBeNull();
    expect(refused(tank('A', 140))).toBeNull();
    expect(refused(tank('A', 141))).toEqual(['lengthCm', false, 'It would reach to 201 cm; the shelf is 200 cm long.']);
    expect(refused(tank('A', 0, { facing: 'short' }))).toEqual(['widthCm', false, 'It is 60 cm deep; the shelf is 45 cm.']);
    expect(refused(tank('A', 0, { heightCm: 55 }))).toEqual([
      'heightCm',
      false,
      'It is 55 cm high; there are 50 cm above the shelf.',
    ]);
    expect(refused(tank('A', 0), [tank('B', 59)])).toEqual(['leftCm', true, 'B stands there already.']);
    expect(refused(tank('A', 0), [tank('B', 60)])).toBeNull();
    expect(refused(tank('A', 0), [tank('B', 60), tank('C', 120)])).toEqual([
      'waterHeightCm',
      false,
      'The shelf would carry 210 kg; its limit is 150 kg.',
    ]);
    expect(refused(tank('A', -1))?.[1]).toBe(true);
  });

  it('behind the last never clashes, and no two accepted tanks overlap', () => {
    const side = fc.integer({ min: 10, max: 90 });
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            lengthCm: side,
            widthCm: side,
            facing: fc.constantFrom('long' as const, 'short' as const),
            leftCm: fc.integer({ min: 0, max: 150 }),
          }),
          { maxLength: 12 },
        ),
        (wishes) => {
          const shelf = { ...SHELF, depthCm: 100, loadLimitKg: null };
          const standing: StandingTank[] = [];
          for (const [i, wish] of wishes.entries()) {
            const one = tank(`T${i}`, wish.leftCm, wish);
            if (decidePlace(one, shelf, standing).ok) standing.push(one);
          }
          const spans = standing
            .map((one) => [one.leftCm, one.leftCm + footprint(one).frontCm] as const)
            .sort((a, b) => a[0] - b[0]);
          for (const [i, [left]] of spans.entries())
            if (i > 0) expect(left).toBeGreaterThanOrEqual((spans[i - 1]?.[1] ?? 0) - 1e-6);
          const decision = decidePlace(tank('last', endOfShelf(standing)), shelf, standing);
          expect(decision.ok || !decision.hard).toBe(true);
        },
      ),
    );
  });
});
