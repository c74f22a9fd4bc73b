import { showChance, showHeads, showPercent, showTemperature, showVolume } from './show';

const METRIC = { units: { temperature: 'degC', volume: 'L' } } as const;
const US = { units: { temperature: 'degF', volume: 'galUS' } } as const;

describe('what is shown', () => {
  it('is in the house’s units, to the figures it was measured with', () => {
    expect([showTemperature(25.56, METRIC), showTemperature(25.56, US)]).toEqual(['25.6 °C', '78 °F']);
    expect([showVolume(46.197, METRIC), showVolume(46.197, US)]).toEqual(['46 L', '12 gal']);
  });

  it('never says that something is certain when it is not', () => {
    expect([showChance(1), showChance(0.9995), showChance(0.31)]).toEqual(['100 %', 'over 99 %', '31 %']);
    expect(showPercent(0.095)).toBe('9.5 %');
  });

  it('says animals by sex, and nothing where there are none', () => {
    expect(showHeads({ males: 1, females: 3, unsexed: 0 })).toBe('1 male, 3 females');
    expect(showHeads({ males: 0, females: 0, unsexed: 24 })).toBe('24');
    expect(showHeads({ males: 2, females: 0, unsexed: 5 })).toBe('2 males, 5 unsexed');
    expect(showHeads({ males: 0, females: 0, unsexed: 0 })).toBe('none');
  });
});
