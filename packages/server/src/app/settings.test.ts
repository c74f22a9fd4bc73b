import { readSettings } from './settings';

const GOOD = { FRESHET_DATABASE_URL: 'mariadb://a:b@127.0.0.1:3306/freshet', FRESHET_SECRET: 'x'.repeat(32) };
const refused = (more: Record<string, string | undefined>) => {
  try {
    // What is not set is not there at all.
    const given = Object.entries({ ...GOOD, ...more }).filter(([, text]) => text !== undefined);
    readSettings(Object.fromEntries(given));
    return null;
  } catch (error) {
    return (error as Error).message;
  }
};

describe('the settings of a server', () => {
  it('have defaults where one can be meant', () => {
    expect(readSettings(GOOD)).toMatchObject({ port: 4173, now: null, demo: true, logLevel: 'warn' });
    expect(readSettings({ ...GOOD, FRESHET_PORT: '0', FRESHET_DEMO: 'no', FRESHET_NOW: '2026-11-24T07:12:00Z' })).toMatchObject({
      port: 0,
      demo: false,
      now: '2026-11-24T07:12:00Z',
    });
  });

  it.each([
    [{ FRESHET_DATABASE_URL: undefined }, /^FRESHET_DATABASE_URL: give mariadb:/],
    [{ FRESHET_DATABASE_URL: 'http://a/b' }, /^FRESHET_DATABASE_URL/],
    [{ FRESHET_PORT: 'abc' }, /^FRESHET_PORT: give a number/],
    [{ FRESHET_PORT: '65536' }, /^FRESHET_PORT/],
    [{ FRESHET_NOW: 'garbage' }, /^FRESHET_NOW: give a time such as/],
    [{ FRESHET_NOW: '2026-13-45T00:00Z' }, /^FRESHET_NOW/],
    // Never a known default: whoever knows it is everybody.
    [{ FRESHET_SECRET: undefined }, /^FRESHET_SECRET is not set/],
    [{ FRESHET_SECRET: 'x'.repeat(31) }, /^FRESHET_SECRET is too short/],
    [{ FRESHET_LOG: 'loud' }, /^FRESHET_LOG/],
    [{ FRESHET_MQTT_URL: 'garbage' }, /^FRESHET_MQTT_URL/],
  ])('are refused by one sentence: %j', (more, words) => {
    expect(refused(more)).toMatch(words);
  });
});
