import { addDays } from '../../time';
import { decideReadiness, judgeCycling, READINESS_RULES, type CyclingReading, type TankEvent } from '../index';

const TODAY = '2026-03-31';
const day = (ago: number) => addDays(TODAY, -ago);
const event = (kind: TankEvent['kind'], ago: number): TankEvent => ({ kind, day: day(ago) });
const tests = (values: [ago: number, ammonia: number, nitrite: number][]): CyclingReading[] =>
  values.flatMap(([ago, ammonia, nitrite]) => [
    { day: day(ago), quantity: 'ammoniaPpm' as const, ppm: ammonia },
    { day: day(ago), quantity: 'nitritePpm' as const, ppm: nitrite },
  ]);
const fedEvery = (days: number, from: number) =>
  Array.from({ length: Math.floor(from / days) + 1 }, (_, i) => day(from - i * days));

describe('a filter that starts', () => {
  const judge = (readings: CyclingReading[], more: Partial<Parameters<typeof judgeCycling>[0]> = {}) =>
    judgeCycling({ readings, fedOn: fedEvery(2, 30), filledOn: day(30), zeroDays: 7, today: TODAY, ...more });

  it('is done once both show nothing for the days asked while it is fed', () => {
    expect(
      judge(
        tests([
          [20, 2, 0.5],
          [7, 0, 0],
          [3, 0, 0],
          [0, 0, 0.05],
        ]),
      ),
    ).toMatchObject({ done: true, zeroSince: day(7) });
    expect(
      judge(
        tests([
          [20, 2, 0.5],
          [6, 0, 0],
          [0, 0, 0],
        ]),
      ),
    ).toMatchObject({ done: false, zeroSince: day(6), expected: { from: addDays(TODAY, 1), basis: 'zeros' } });
  });

  it('is not done by one of the two, by a relapse, or by zeros without food', () => {
    expect(
      judge(
        tests([
          [9, 0, 0.3],
          [0, 0, 0.2],
        ]),
      ).done,
    ).toBe(false);
    expect(
      judge(
        tests([
          [9, 0, 0],
          [4, 0.2, 0],
          [0, 0, 0],
        ]),
      ),
    ).toMatchObject({ done: false, zeroSince: day(0) });
    const hungry = judge(
      tests([
        [9, 0, 0],
        [0, 0, 0],
      ]),
      { fedOn: [day(30), day(9)] },
    );
    expect(hungry.done).toBe(false);
    expect(hungry.missing.join(' ')).toContain('zeros without food prove nothing');
    expect(
      judge(
        tests([
          [9, 0, 0],
          [0, 0, 0],
        ]),
        { fedOn: [] },
      ).missing.join(' '),
    ).toContain('has not been fed');
  });

  it('is expected by the fall of its curve: halving every two days from 1.6 it shows nothing after ten', () => {
    const halving = tests([
      [8, 0, 1.6],
      [6, 0, 0.8],
      [4, 0, 0.4],
      [2, 0, 0.2],
      [0, 0, 0.1],
    ]);
    const { expected } = judge(halving);
    // 0.1 falls to 0.05 in two more days, and seven days of zeros follow.
    expect(expected).toEqual({ from: addDays(TODAY, 9), to: addDays(TODAY, 9), basis: 'curve' });
  });

  it('is expected as starts usually go while it rises, and says what was never measured', () => {
    const rising = judge(
      tests([
        [10, 0.5, 0],
        [5, 1, 0.2],
        [0, 2, 0.5],
      ]),
    );
    expect(rising.expected).toEqual({ from: addDays(TODAY, 7), to: addDays(day(30), 56), basis: 'usual' });
    expect(judge([]).missing[0]).toBe('Ammonia has not been measured since it was filled. Measure it.');
  });
});

describe('the readiness of a tank', () => {
  const decide = (events: TankEvent[], more: Partial<Parameters<typeof decideReadiness>[0]> = {}) =>
    decideReadiness({ events, readings: [], heads: 0, heaterW: 0, rules: READINESS_RULES, today: TODAY, ...more });

  it('goes through its states; each says what would make it ready', () => {
    const steps: [TankEvent[], string, boolean][] = [
      [[], 'ready', true],
      [[event('running', 90)], 'ready', true],
      [[event('setUp', 3)], 'settingUp', false],
      [[event('setUp', 3), event('filled', 2)], 'cycling', false],
      [[event('running', 90), event('emptied', 2)], 'empty', false],
      [[event('running', 90), event('emptied', 9), event('refilled', 6)], 'resting', false],
      [[event('running', 90), event('emptied', 9), event('refilled', 7)], 'ready', true],
      [[event('running', 90), event('disinfected', 2)], 'disinfected', false],
      [[event('running', 90), event('disinfected', 20), event('rinsed', 8)], 'ready', true],
    ];
    for (const [events, state, ready] of steps) {
      const found = decide(events);
      expect([events.at(-1)?.kind, found.state, found.ready]).toEqual([events.at(-1)?.kind, state, ready]);
      expect(found.hindrances.every(({ what, remedy }) => what.length > 5 && remedy.length > 5)).toBe(true);
      expect(found.ready).toBe(found.hindrances.length === 0);
    }
    expect(decide([event('refilled', 5)]).expected).toEqual({ from: addDays(TODAY, 2), to: addDays(TODAY, 2), basis: 'rest' });
  });

  it('is in use as soon as somebody lives there, and warns when it was not ready', () => {
    expect(decide([event('running', 90)], { heads: 3 })).toMatchObject({ state: 'inUse', ready: true, notes: [] });
    expect(decide([event('setUp', 9), event('filled', 8)], { heads: 3 }).notes[0]).toContain('isn’t ready');
  });

  it('believes a seeded filter after two days of zeros, and only readings since it was filled', () => {
    const events = [event('setUp', 12), event('filled', 10), event('fed', 9), event('fed', 6), event('fed', 3), event('fed', 1)];
    const zeros = tests([
      [2, 0, 0],
      [0, 0, 0],
    ]);
    expect(decide(events, { readings: zeros }).ready).toBe(false);
    expect(decide([...events, event('seeded', 8)], { readings: zeros })).toMatchObject({ ready: true, state: 'ready' });
    expect(
      decide(events, {
        readings: tests([
          [40, 0, 0],
          [30, 0, 0],
        ]),
      }).hindrances[0]?.what,
    ).toContain('not been measured');
  });

  it('waits for active soil, wants the heater tested, and knows when soil was laid', () => {
    const running = [
      event('setUp', 40),
      event('filled', 39),
      ...[38, 35, 32, 29, 26, 23, 20, 17, 14, 11, 8, 5, 2].map((ago) => event('fed', ago)),
    ];
    const readings = tests([
      [10, 0, 0],
      [1, 0, 0],
    ]);
    expect(decide(running, { readings }).ready).toBe(true);
    const young = decide([...running, event('soilLaid', 20)], { readings });
    expect(young).toMatchObject({
      ready: false,
      state: 'cycling',
      expected: { from: addDays(day(20), 42), to: addDays(day(20), 56) },
    });
    expect(young.hindrances[0]?.what).toBe('Active soil is 2 weeks old; it leaches and cycles for 6 to 8.');
    expect(decide([...running, event('soilLaid', 41)], { readings }).ready).toBe(false);
    expect(decide([...running, event('soilLaid', 42)], { readings }).ready).toBe(true);
    expect(decide(running, { readings, heaterW: 50 }).hindrances[0]?.what).toContain('heater was not tested');
    expect(decide([...running, event('heaterTested', 1)], { readings, heaterW: 50 }).ready).toBe(true);
    expect(decide([event('running', 500), event('soilLaid', 480)])).toMatchObject({ ready: true, soilLaidOn: day(480) });
  });
});
