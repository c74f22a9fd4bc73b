/** What a house is asked at its beginning, as its place suggests. */
export interface HouseGuess {
  temperature: 'degC' | 'degF';
  volume: 'L' | 'galUS';
  /** ISO 4217. */
  currency: string;
}

/** Money that is paid with in a region, ISO 3166 to ISO 4217; the regions of the euro and those not named pay in euros. */
const CURRENCIES: Readonly<Record<string, string>> = {
  AR: 'ARS',
  AU: 'AUD',
  BG: 'BGN',
  BR: 'BRL',
  CA: 'CAD',
  CH: 'CHF',
  CL: 'CLP',
  CN: 'CNY',
  CO: 'COP',
  CZ: 'CZK',
  DK: 'DKK',
  GB: 'GBP',
  GU: 'USD',
  HK: 'HKD',
  HU: 'HUF',
  ID: 'IDR',
  IL: 'ILS',
  IN: 'INR',
  IS: 'ISK',
  JP: 'JPY',
  KR: 'KRW',
  LI: 'CHF',
  LK: 'LKR',
  MX: 'MXN',
  MY: 'MYR',
  NO: 'NOK',
  NZ: 'NZD',
  PE: 'PEN',
  PH: 'PHP',
  PL: 'PLN',
  PR: 'USD',
  PW: 'USD',
  RO: 'RON',
  RS: 'RSD',
  SE: 'SEK',
  SG: 'SGD',
  TH: 'THB',
  TR: 'TRY',
  TW: 'TWD',
  UA: 'UAH',
  US: 'USD',
  UY: 'UYU',
  VI: 'USD',
  VN: 'VND',
  ZA: 'ZAR',
};
/** Regions that read temperatures in Fahrenheit, and those that measure in US gallons. */
const FAHRENHEIT = new Set(['US', 'BS', 'BZ', 'KY', 'LR', 'PW', 'PR', 'GU', 'VI']);
const GALLONS = new Set(['US', 'PR', 'GU', 'VI', 'LR']);

/**
 * Units and money as the place suggests; only a first choice, all of it can be changed.
 * @param locale - as a browser tells it, such as en-US; without a region the house is metric and pays in euros
 */
export function guessHouse(locale: string): HouseGuess {
  const region = /[-_]([A-Z]{2})\b/.exec(locale)?.[1] ?? '';
  return {
    temperature: FAHRENHEIT.has(region) ? 'degF' : 'degC',
    volume: GALLONS.has(region) ? 'galUS' : 'L',
    currency: CURRENCIES[region] ?? 'EUR',
  };
}

/** Money a house can be kept in, the usual ones. */
export const HOUSE_CURRENCIES: readonly string[] = [...new Set(['EUR', ...Object.values(CURRENCIES)])].sort();
