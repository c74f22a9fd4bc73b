import { larderAgenda, pouredWords, pourList, type Culture } from '../larder';
import { addDays } from '../time';
import { attempt, grown, house, lot, NOW, tank, TODAY, view, type Told } from './houseFixture';

/** What is to be fed at T1 on a day, as text, amount and walk. */
function fed(told: Partial<Told>, day = TODAY): string[] {
  const seen = view(house(told));
  return (larderAgenda.chores?.(seen, day) ?? [])
    .filter(({ tankId, chore: { kind } }) => tankId === 'T1' && (kind === 'feedYoung' || kind === 'feedAdults'))
    .map(({ chore: { text, amountText, walk } }) => `${text}: ${amountText}, walk ${walk + 1}`);
}
/** Adults of a species in T1. */
const adults = (speciesKey: string, lengthMm: number, heads: number, more: Partial<Told> = {}): Partial<Told> => ({
  lots: [lot('a', 'T1', speciesKey, { males: heads / 2, females: heads / 2, unsexed: 0, lengthMm, bornOn: '2025-01-01' })],
  temperatures: { T1: { at: NOW, tempC: 24 } },
  ...more,
});
/** So many young of a measured length that swam so many days ago. */
const young = (speciesKey: string, heads: number, lengthMm: number, days = 20): Partial<Told> =>
  grown(speciesKey, days, { unsexed: heads, lengthMm });

describe('grown animals are fed', () => {
  it('what their method lives on: dry once a day, frozen twice, grazers a piece a week at night', () => {
    // 20 tetras of 40 mm: 20 x 1.15e-5 x 40^3 = 14.7 g; 0.75 % of it is 0.11 g, two pinches of 0.05 g.
    expect(fed(adults('lemon-tetra', 40, 20))).toEqual(['Feed pellets: 2 pinches, walk 1']);
    // Killifish take no dry food: live or frozen, morning and evening.
    const frozen = fed(adults('rachows-nothobranch', 45, 6));
    expect(frozen).toHaveLength(2);
    // 6 x 1.15e-5 x 45^3 = 6.3 g, 0.75 % is 0.05 g dry: 0.1 g wet a meal, a shaving.
    expect(frozen[0]).toBe('Feed frozen food: a shaving, walk 1');
    expect(frozen[1]).toBe('Feed frozen food: a shaving, walk 3');
    const week = Array.from({ length: 14 }, (_, i) => fed(adults('green-babaulti', 25, 20), addDays(TODAY, i)));
    expect(week.filter((rows) => rows.length > 0)).toEqual([['Feed wafers: 1 piece, walk 3'], ['Feed wafers: 1 piece, walk 3']]);
  });

  it('live or frozen while they are conditioned, never pellets', () => {
    const from = (conditioningFrom: string | null, hasBrood = false) =>
      fed(
        adults('lemon-tetra', 40, 20, {
          attempts: [attempt('S', 'T1', 'lemon-tetra', { conditioningFrom, hasBrood, parentLotIds: ['a'] })],
        }),
      );
    expect(from(null)).toEqual(['Feed pellets: 2 pinches, walk 1']);
    // 14.7 g, 1.75 % a day is 0.26 g dry; wet four times that, in two meals: 0.52 g, nearest to a quarter of a cube of 3 g.
    expect(from(TODAY)).toEqual([
      'Feed conditioning food, live or frozen: 0.25 cube, walk 1',
      'Feed conditioning food, live or frozen: 0.25 cube, walk 3',
    ]);
    expect(from(addDays(TODAY, 1))).toEqual(['Feed pellets: 2 pinches, walk 1']);
    expect(from(TODAY, true)).toEqual(['Feed pellets: 2 pinches, walk 1']);
  });

  it('not on the fasting day, but while they are conditioned', () => {
    // The tenth of March 2026 is a Tuesday.
    const hours = (fastOn: number | null) => ({ ...view(house({})).room.hours, fastOn });
    expect(fed(adults('lemon-tetra', 40, 20, { room: { hours: hours(2) } }))).toEqual([]);
    expect(fed(adults('lemon-tetra', 40, 20, { room: { hours: hours(3) } }))).toHaveLength(1);
    expect(fed(adults('lemon-tetra', 40, 20, { room: { hours: hours(2) } }), addDays(TODAY, 1))).toHaveLength(1);
  });

  it('outdoors by the water: nothing below 10 °C, weekly to 14, every other day to 18, then daily', () => {
    const days = (tempC: number) =>
      Array.from({ length: 14 }, (_, i) =>
        fed(
          {
            ...adults('ranchu-goldfish', 120, 4),
            tanks: [tank('T1', { outdoor: true, litres: 400 }), tank('T2')],
            temperatures: { T1: { at: NOW, tempC } },
          },
          addDays(TODAY, i),
        ),
      ).filter((rows) => rows.length > 0).length;
    expect([9.9, 10, 13.9, 14, 17.9, 18].map(days)).toEqual([0, 2, 2, 7, 7, 14]);
  });
});

describe('young are fed', () => {
  it('worms by the half smear: half a smear for a hundred, in the young’s own meals', () => {
    // Aspidoras of 3.6 mm live on microworm; four meals over three walks.
    expect(fed(young('sixray-aspidoras', 100, 3.6, 1))[0]).toMatch(/^Feed microworms: 2 × 0\.5 smear, walk 1$/);
    expect(fed(young('sixray-aspidoras', 400, 3.6, 1))[0]).toMatch(/^Feed microworms: 2 × 2 smears, walk 1$/);
  });

  it('wafers in pieces, once, at the last walk', () => {
    // 60 whiptails of 30 mm: 60 x 0.6e-5 x 27000 = 9.7 g, 4 % is 0.39 g: four pieces of 0.1 g.
    const rows = fed(young('red-lizard-whiptail', 60, 30, 200));
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatch(/^Feed wafers: 4 pieces, walk 3$/);
  });

  it('scuds no pellets at any length', () => {
    for (const mm of [3, 5, 8, 12]) expect(fed(young('hyalella', 200, mm, 30)).join()).not.toMatch(/pellet/i);
  });
});

describe('a tub of daphnia outdoors', () => {
  const tub = (more: Partial<Culture> = {}): Culture => ({
    id: 'd',
    name: 'Daphnia tub',
    food: 'daphnia',
    startedAt: '2026-01-20T08:00:00.000Z',
    ripeSeenAt: '2026-02-20T08:00:00.000Z',
    fedAt: '2026-03-01T08:00:00.000Z',
    harvestedAt: null,
    tankId: 'T1',
    vesselL: 195,
    ...more,
  });
  const chores = (tempC: number) => {
    const seen = view(
      house({
        tanks: [tank('T1', { outdoor: true, litres: 195 }), tank('T2')],
        temperatures: { T1: { at: NOW, tempC } },
        larder: { cultures: [tub()] },
      }),
    );
    return {
      kinds: (larderAgenda.chores?.(seen, TODAY) ?? []).map(({ chore: { kind } }) => kind),
      takeable: pourList(seen).vessels.map(({ mayTakeMl }) => mayTakeMl > 0),
    };
  };
  it('is told in litres where nobody would measure ml', () => {
    expect([0.4, 20, 999, 1000, 64_454].map(pouredWords)).toEqual([
      '0.4 ml',
      '20 ml',
      '999 ml',
      '1 L, through a net,',
      '64 L, through a net,',
    ]);
  });

  it('stands still below 8 °C: it is neither fed nor harvested', () => {
    expect(chores(5).kinds).not.toContain('feedCulture');
    expect(chores(7.9)).toMatchObject({ takeable: [] });
    expect(chores(8).kinds).toContain('feedCulture');
    expect(chores(8).takeable).toEqual([true]);
  });
});
