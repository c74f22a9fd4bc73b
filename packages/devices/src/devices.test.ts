import { createSimulatedProbe } from './simulatedProbe';
import { advanceTank, changeWater, lossOf, type SimulatedTank } from './tankPhysics';

const HOUR_S = 3600;
const tank = (more: Partial<SimulatedTank> = {}): SimulatedTank => ({
  litres: 100,
  tempC: 22,
  targetC: 25,
  heaterW: 100,
  isHeating: false,
  lossWPerK: 4,
  tdsPpm: 150,
  ph: 7,
  ...more,
});

describe('a simulated tank', () => {
  it('warms as the balance of heater and loss has it: 100 L from 22 to 25 °C takes four hours', () => {
    // 418.6 kJ/K, ceiling 20 + 100/4 = 45 °C: 418600/4 x ln(23/20) = 14626 s.
    const target = tank({ targetC: 30 });
    expect(advanceTank(target, 14_626, 20).tempC).toBeCloseTo(25, 2);
  });

  it('cools towards the room without heating, and never past it', () => {
    const off = tank({ tempC: 26, heaterW: 0 });
    // e^(-4 x 36000 / 418600) of 7 degrees are left after ten hours.
    expect(advanceTank(off, 10 * HOUR_S, 19).tempC).toBeCloseTo(19 + 7 * Math.exp(-144_000 / 418_600), 6);
    expect(advanceTank(off, 1000 * HOUR_S, 19).tempC).toBeGreaterThanOrEqual(19);
  });

  it('is held by its thermostat, and in small steps or large ones is the same', () => {
    let small = tank();
    for (let i = 0; i < 24 * 60; i++) small = advanceTank(small, 60, 18);
    expect(small.tempC).toBeGreaterThan(24.5);
    expect(small.tempC).toBeLessThan(25.5);
    expect(advanceTank(tank(), 24 * HOUR_S, 18).tempC).toBeCloseTo(small.tempC, 6);
  });

  it('drops by the share that is changed', () => {
    expect(changeWater(tank({ tempC: 26 }), 25, 18).tempC).toBeCloseTo(24, 9);
    expect(changeWater(tank({ tempC: 26 }), 500, 18).tempC).toBe(18);
    expect(lossOf(100)).toBeGreaterThan(lossOf(20));
  });
});

describe('a simulated probe', () => {
  const START = Date.parse('2026-03-10T08:00:00Z');
  const probe = (fault: 'none' | 'stuck' | 'drifting' | 'silent' | 'heaterFailed') =>
    createSimulatedProbe({ id: 'p', token: 't', litres: 50, heaterW: 75, targetC: 25, fault, also: ['ph'] }, 7, START);
  const after = (one: ReturnType<typeof probe>, hours: number) =>
    Array.from({ length: hours * 6 }, (_, i) => one.read(START + (i + 1) * 600_000, 18)[0]?.value);

  it('moves about its target, and sends what else it measures', () => {
    const values = after(probe('none'), 6) as number[];
    expect(new Set(values).size).toBeGreaterThan(10);
    for (const value of values) expect(Math.abs(value - 25)).toBeLessThan(0.6);
    expect(
      probe('none')
        .read(START, 18)
        .map(({ quantity }) => quantity),
    ).toEqual(['tempC', 'ph']);
  });

  it('plays each fault: stuck, silent, drifting by degrees, cold when the heater failed; and recovers', () => {
    expect(new Set(after(probe('stuck'), 4)).size).toBe(1);
    expect(after(probe('silent'), 1)).toEqual([undefined, undefined, undefined, undefined, undefined, undefined]);
    expect(after(probe('drifting'), 10).at(-1)).toBeGreaterThan(26.5);
    const goesOn = createSimulatedProbe(
      { id: 'p', token: 't', litres: 50, heaterW: 75, targetC: 25, fault: 'drifting', startC: 26.6 },
      7,
      START,
    );
    expect(goesOn.read(START, 18)[0]?.value).toBeCloseTo(26.6, 1);
    const cold = probe('heaterFailed');
    expect(after(cold, 12).at(-1)).toBeLessThan(22);
    cold.setFault('none', START + 12 * 3_600_000, 18);
    expect(cold.read(START + 40 * 3_600_000, 18)[0]?.value).toBeGreaterThan(24);
  });
});
