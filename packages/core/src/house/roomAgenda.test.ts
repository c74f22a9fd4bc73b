import { roomAgenda, type RoomFacts } from '../room';
import { addDays } from '../time';
import { house, tank, TODAY, view, type Told } from './houseFixture';

/** A regime of half the water every three days, due on a day. */
const half = (dueOn: string | null): Partial<Told> => ({
  regimes: [
    {
      tankId: 'T1',
      dueOn,
      regime: { changeFraction: 0.5, everyDays: 3, ceilingPpm: 30, from: '2026-01-01' },
    },
  ],
});
const changes = (told: Partial<Told>, day = TODAY) =>
  (roomAgenda.chores?.(view(house(told)), day) ?? [])
    .filter(({ chore }) => chore.kind === 'waterChange')
    .map(({ chore }) => chore);

describe('a change of water by its regime', () => {
  it('is asked for from its day on, late from the second day after', () => {
    const late = (dueOn: string, day = TODAY) => changes(half(dueOn), day).map(({ overdue }) => overdue);
    expect(late(addDays(TODAY, 1))).toEqual([]);
    expect(late(TODAY)).toEqual([false]);
    expect(late(addDays(TODAY, -1))).toEqual([false]);
    expect(late(addDays(TODAY, -2))).toEqual([true]);
    expect(changes(half(null))).toEqual([]);
    expect(changes(half(TODAY))[0]).toMatchObject({ amount: { value: 20, unit: 'L' }, amountText: '20 L' });
  });

  it.each<[Parameters<typeof tank>[1], boolean]>([
    [{}, true],
    [{ heaterW: 50 }, true],
    [{ heaterW: 0 }, false],
    [{ outdoor: true }, false],
    [{ outdoor: true, heaterW: 100 }, true],
    [{ vessel: 'tub' }, false],
  ])('warns of the heater where one may hang: %j %s', (more, warns) => {
    const [change] = changes({ ...half(TODAY), tanks: [tank('T1', more)] });
    expect(change?.caution).toBe(warns ? 'Unplug the heater before the level falls below it.' : null);
  });

  it('says what it is of a water that tanks share', () => {
    const tanks = [tank('T1', { litres: 40, sump: 'S1' }), tank('T2', { litres: 160, sump: 'S1' }), tank('T3', { litres: 500 })];
    expect(changes({ ...half(TODAY), tanks })[0]?.why[1]).toBe('S1 is one water of 200 L: this changes 10 % of it.');
    expect(changes({ ...half(TODAY), tanks: [tank('T1')] })[0]?.why.join()).not.toContain('one water');
  });
});

describe('nitrate above the limit', () => {
  const nitrate = (dueOn: string | null, ppm: number, more: Partial<RoomFacts> = {}) => {
    const told = { ...half(dueOn), room: { nitrate: { T1: { at: `${addDays(TODAY, -2)}T08:00:00.000Z`, ppm } }, ...more } };
    return {
      alarms: (roomAgenda.alarms?.(view(house(told))) ?? []).map(({ title }) => title),
      why: changes(told)[0]?.why.find((words) => words.startsWith('Nitrate')) ?? null,
    };
  };

  it('is an alarm until a change is due, then the why of that change', () => {
    expect(nitrate(addDays(TODAY, 1), 34)).toEqual({ alarms: ['T1: nitrate is too high.'], why: null });
    expect(nitrate(null, 34).alarms).toHaveLength(1);
    expect(nitrate(TODAY, 34)).toEqual({
      alarms: [],
      why: 'Nitrate was 34 mg/L on Sun 8 Mar; the limit here is 30. Change more if it stays so.',
    });
  });

  it('is nothing at the limit, or once water was changed since', () => {
    expect(nitrate(TODAY, 30)).toEqual({ alarms: [], why: null });
    expect(nitrate(addDays(TODAY, 1), 30).alarms).toEqual([]);
    const changed = { lastChanges: { T1: `${addDays(TODAY, -1)}T08:00:00.000Z` } };
    expect(nitrate(TODAY, 34, changed)).toEqual({ alarms: [], why: null });
    expect(nitrate(addDays(TODAY, 1), 34, changed).alarms).toEqual([]);
  });
});
