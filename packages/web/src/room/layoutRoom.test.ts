import { layoutRoom, YARD_SCALE, type Rack, type Tank } from './layoutRoom';
import { testTank } from './testTank';

const tank = (code: string, leftCm: number, more: Partial<Tank> = {}): Tank => testTank(code, 's', leftCm, more);
const rack = (code: string, kind: Rack['kind'], shelves: Tank[][], sump: string | null = null): Rack => ({
  id: code,
  code,
  name: code,
  kind,
  position: 1,
  quarantine: false,
  tools: null,
  quarantineDays: 28,
  sump,
  shelves: shelves.map((tanks, i) => ({
    id: `${code}${i}`,
    level: i + 1,
    lengthCm: 200,
    depthCm: 60,
    heightCm: 50,
    loadLimitKg: null,
    loadKg: 0,
    tanks,
  })),
});

describe('the room as drawn', () => {
  it('stands every tank on its shelf, the first shelf on top, at its own size', () => {
    const [row] = layoutRoom(
      [rack('A', 'rack', [[tank('A1', 0), tank('A2', 61, { facing: 'short' })], [tank('A3', 10)]])],
      Infinity,
    );
    const drawn = new Map(row?.racks[0]?.tanks.map((one) => [one.tank.code, one]));
    expect(drawn.get('A1')).toMatchObject({ x: 0, width: 60, height: 36, water: 30 });
    expect(drawn.get('A2')).toMatchObject({ x: 61, width: 30 });
    const feet = (code: string) => (drawn.get(code)?.y ?? 0) + (drawn.get(code)?.height ?? 0);
    expect(feet('A3') - feet('A1')).toBe(50);
    expect(row?.height).toBe(100);
  });

  it('puts racks side by side on one floor, in a new row when the width is used up, the yard at half scale', () => {
    const racks = [
      rack('A', 'rack', [[tank('A1', 0)]]),
      rack('B', 'rack', [[tank('B1', 0)]]),
      rack('Y', 'yard', [[tank('Y1', 0, { lengthCm: 120, heightCm: 50 })]]),
    ];
    const rows = layoutRoom(racks, 450);
    expect(rows.map((row) => row.racks.map((one) => one.rack.code))).toEqual([['A', 'B'], ['Y']]);
    expect(rows[0]?.racks[1]?.x).toBeGreaterThan((rows[0]?.racks[0]?.x ?? 0) + 200);
    expect(rows[1]?.racks[0]?.tanks[0]?.width).toBe(120 * YARD_SCALE);
  });

  it('lifts a rack with a sump off the floor, and draws nothing for an empty room', () => {
    const [row] = layoutRoom([rack('A', 'rack', [[tank('A1', 0)]], 'S1')], Infinity);
    expect(row?.racks[0]?.shelves[0]?.y).toBeLessThan(0);
    expect(layoutRoom([], 100)).toEqual([]);
  });
});
