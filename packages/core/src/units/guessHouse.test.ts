import { guessHouse, HOUSE_CURRENCIES } from './guessHouse';

describe('what a place suggests', () => {
  it.each([
    ['en-US', 'degF galUS USD'],
    ['es-US', 'degF galUS USD'],
    ['es-PR', 'degF galUS USD'],
    ['en-GB', 'degC L GBP'],
    ['en-IE', 'degC L EUR'],
    ['fr-CA', 'degC L CAD'],
    ['de-CH', 'degC L CHF'],
    ['es-UY', 'degC L UYU'],
    ['en-ZA', 'degC L ZAR'],
    ['zh-Hant-TW', 'degC L TWD'],
    ['en_AU', 'degC L AUD'],
    // No region is no place.
    ['en', 'degC L EUR'],
    ['', 'degC L EUR'],
    ['de-XX', 'degC L EUR'],
  ])('%s: %s', (locale, said) => {
    const { temperature, volume, currency } = guessHouse(locale);
    expect(`${temperature} ${volume} ${currency}`).toBe(said);
  });

  it('is always money that can be chosen', () => {
    expect(HOUSE_CURRENCIES).toEqual([...HOUSE_CURRENCIES].sort());
    for (const locale of ['en-US', 'en-IE', 'sv-SE', 'es-PR']) expect(HOUSE_CURRENCIES).toContain(guessHouse(locale).currency);
    // Each can be written.
    for (const currency of HOUSE_CURRENCIES)
      expect(new Intl.NumberFormat('en', { style: 'currency', currency }).format(1)).toMatch(/1/);
  });
});
