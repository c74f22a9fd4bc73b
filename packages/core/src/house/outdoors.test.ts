import { foodStop, outdoorC, stockAgenda } from '../stock';
import { adultMeal } from '../larder';
import { deriveAlarms, deriveRound } from '../rounds';
import { addDays } from '../time';
import { house, lot, tank, TODAY, view } from './houseFixture';

/** Ranchu (bear 1 to 33 °C, wanted at 12 to 23) in a pond Y1 that was read so many days ago. */
const pond = (tempC: number | null, days = 0, speciesKey = 'ranchu-goldfish') =>
  view(
    house({
      tanks: [tank('Y1', { outdoor: true, litres: 500 })],
      lots: [lot('r', 'Y1', speciesKey, { unsexed: 8 })],
      temperatures: tempC === null ? {} : { Y1: { at: `${addDays(TODAY, -days)}T07:00:00.000Z`, tempC } },
    }),
  );
const titles = (...told: Parameters<typeof pond>) => deriveAlarms(pond(...told)).map(({ title }) => title);

describe('outdoors', () => {
  it.each<[tempC: number, title: string | null]>([
    [0.9, 'Y1 is too cold: 0.9 °C.'],
    [1, null],
    [5, null],
    [28, null],
    [33, null],
    [33.1, 'Y1 is too warm: 33.1 °C.'],
  ])('%d °C by hand: %s', (tempC, title) => {
    expect(titles(tempC)).toEqual(title === null ? [] : [title]);
  });

  it('alarms by what each species bears, and says what to do', () => {
    // Lemon tetra bear 18 °C.
    expect(titles(17.9, 0, 'lemon-tetra')).toEqual(['Y1 is too cold: 17.9 °C.']);
    expect(titles(18, 0, 'lemon-tetra')).toEqual([]);
    const text = (tempC: number) => deriveAlarms(pond(tempC))[0]?.text ?? '';
    expect(text(36)).toMatch(/bear 1 – 33 °C.*Don’t feed\. Shade it, run air/);
    expect(text(0.5)).toMatch(/keep a hole in the ice/);
  });

  it('a reading is for now for three days, then it is asked for; it neither alarms nor is silent in between', () => {
    expect(titles(36, 3)).toEqual(['Y1 is too warm: 36 °C.']);
    expect(titles(36, 4)).toEqual(['Y1: no temperature for 4 days.']);
    expect(titles(null)).toEqual([]);
  });

  it.each<[tempC: number, days: number, stop: 'cold' | 'heat' | null]>([
    [9.9, 0, 'cold'],
    [10, 0, null],
    [33, 0, null],
    [33.5, 0, 'heat'],
    [5, 7, 'cold'],
    // Read more than a week ago it stops nothing.
    [5, 8, null],
    [36, 8, null],
  ])('%d °C of %d days ago stops food by %s', (tempC, days, stop) => {
    const seen = pond(tempC, days);
    expect(foodStop(seen, 'Y1')?.by ?? null).toBe(stop);
    expect(adultMeal(seen, 'Y1', TODAY) === null).toBe(stop !== null);
    expect(outdoorC(seen, 'Y1')).toBe(days > 7 ? null : tempC);
  });

  it('says why nobody is fed, or how old the reading is', () => {
    const notes = (...told: Parameters<typeof pond>) => stockAgenda.notes?.(pond(...told), 'Y1') ?? [];
    expect(notes(5)).toEqual(['5 °C, too cold to feed; food would rot.']);
    expect(notes(36)).toEqual(['36 °C, too warm to feed; it takes the air they need.']);
    expect(notes(15)).toEqual([]);
    expect(notes(15, 16)).toEqual(['Last measured Sun 22 Feb, 16 days ago: 15 °C. Measure before you feed.']);
    // A tank in the room is no pond.
    const inside = view(
      house({ lots: [lot('r', 'T1', 'ranchu-goldfish')], temperatures: { T1: { at: `${TODAY}T07:00:00.000Z`, tempC: 5 } } }),
    );
    expect([outdoorC(inside, 'T1'), foodStop(inside, 'T1')]).toEqual([null, null]);
    expect(deriveRound(inside, TODAY).alarms[0]?.text).toContain('Check the heater');
  });
});
