import { seeded } from '../pictures/seeded';
import { takingsBySpecies, takingsMonths, type Taking } from './takings';

const TODAY = '2026-11-24';
const taking = (month: string, heads: number, cents: number, speciesKey = 'lemon-tetra', buyerId = 'shop'): Taking => ({
  buyerId,
  speciesKey,
  speciesName: speciesKey === 'lemon-tetra' ? 'Lemon tetra' : 'Green babaulti',
  month,
  heads,
  cents,
});

describe('what buyers took', () => {
  it('is told of the two years up to this month, also over the turn of a year', () => {
    const months = takingsMonths(TODAY);
    expect([months.length, months[0], months[22], months[23]]).toEqual([24, '2024-12', '2026-10', '2026-11']);
    expect(takingsMonths('2026-01-01').slice(-3)).toEqual(['2025-11', '2025-12', '2026-01']);
  });

  it('gives the mean of what was paid for one, gifts left out of the price and not of the number', () => {
    const [tetras] = takingsBySpecies(
      [taking('2026-11', 10, 4000), taking('2026-11', 30, 9000), taking('2026-11', 5, 0)],
      TODAY,
      'EUR',
    );
    expect(tetras).toMatchObject({ heads: 45 });
    expect(tetras?.months.at(-1)).toEqual({ month: '2026-11', heads: 45, meanCents: 13000 / 40 });
    const [given] = takingsBySpecies([taking('2026-11', 5, 0)], TODAY, 'EUR');
    expect(given?.months.at(-1)).toEqual({ month: '2026-11', heads: 5, meanCents: null });
    expect(given?.words).toBe('5 in the last six months, 0 in the six before');
  });

  it('sets the last six months beside the six before, each with its price', () => {
    const [tetras] = takingsBySpecies(
      [taking('2026-06', 4, 2000), taking('2026-05', 10, 3000), taking('2025-11', 90, 90)],
      TODAY,
      'EUR',
    );
    expect(tetras?.words).toMatch(/^4 at \D*5\.00\D* in the last six months, 10 at \D*3\.00\D* in the six before$/);
  });

  it('draws a year at least, begins with the first month in which anything went, and forgets what is older than two years', () => {
    const of = (month: string) => takingsBySpecies([taking(month, 1, 100)], TODAY, 'EUR');
    expect(of('2026-10')[0]?.months).toHaveLength(12);
    expect(of('2025-06')[0]?.months[0]?.month).toBe('2025-06');
    expect(of('2024-12')[0]?.months).toHaveLength(24);
    expect(of('2024-11')).toEqual([]);
  });

  it('adds up whatever was sold, in whatever order, and puts first what went most', () => {
    const chance = seeded(7);
    const months = takingsMonths(TODAY);
    for (let run = 0; run < 60; run++) {
      const some = Array.from({ length: 1 + Math.floor(chance() * 40) }, () => {
        const heads = 1 + Math.floor(chance() * 50);
        const each = chance() < 0.2 ? 0 : 50 + Math.floor(chance() * 900);
        const key = chance() < 0.5 ? 'lemon-tetra' : 'green-babaulti';
        return taking(months[Math.floor(chance() * 24)]!, heads, heads * each, key, chance() < 0.5 ? 'shop' : 'fair');
      });
      const told = takingsBySpecies(some, TODAY, 'EUR');
      expect(told.reduce((sum, { heads }) => sum + heads, 0)).toBe(some.reduce((sum, { heads }) => sum + heads, 0));
      expect([...told].sort((a, b) => b.heads - a.heads)).toEqual(told);
      for (const { heads, months: drawn, speciesKey } of told) {
        expect(drawn.reduce((sum, month) => sum + month.heads, 0)).toBe(heads);
        const prices = some.flatMap((one) => (one.speciesKey === speciesKey && one.cents > 0 ? one.cents / one.heads : []));
        for (const { meanCents } of drawn)
          if (meanCents !== null) {
            expect(meanCents).toBeGreaterThanOrEqual(Math.min(...prices) - 1e-9);
            expect(meanCents).toBeLessThanOrEqual(Math.max(...prices) + 1e-9);
          }
      }
      expect(takingsBySpecies([...some].reverse(), TODAY, 'EUR')).toEqual(told);
    }
  });
});
