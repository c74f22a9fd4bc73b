import { ageWords, originWords } from './stockColumns';

describe('what the stock table says', () => {
  it('of age: days, then months, then years', () => {
    expect([0, 89, 90, 460, 760].map(ageWords)).toEqual(['0 d', '89 d', '2 mo', '15 mo', '2 y 0 mo']);
    expect(ageWords(null)).toBe('');
  });

  it('of origin: what is known, never twice', () => {
    expect(originWords({ origin: 'imported', acquiredFrom: 'Thistlewick Aquatics' })).toBe('imported, Thistlewick Aquatics');
    expect(originWords({ origin: 'ownBrood', acquiredFrom: 'own brood' })).toBe('own brood');
    expect(originWords({ origin: 'wild', acquiredFrom: null })).toBe('wild');
  });
});
