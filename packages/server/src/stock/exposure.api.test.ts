import { furnish, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T09:00:00.000Z';
let test: TestHouse;
let keeper: Client;
let tanks: Record<string, string>;
let danios: string;

beforeAll(async () => {
  test = await openTestHouse(NOW);
  ({ keeper } = await test.house());
  tanks = { ...(await furnish(keeper, ['A1', 'A2', 'A3'])), ...(await furnish(keeper, ['Q1'], { code: 'Q', quarantine: true })) };
  danios = await stockUp(keeper, tanks.A1 ?? '', 'zebra-danio', { males: 4, females: 6 }, '2026-03-01T09:00:00.000Z');
  await keeper.write('logIllness', { id: newId(), tankId: tanks.A1 ?? '', at: NOW, what: 'white spots' });
}, 60_000);
afterAll(() => test.close());

const move = (toTankId: string | undefined, more: object = {}) => ({
  id: newId(),
  lotId: danios,
  toTankId: toTankId ?? '',
  heads: { males: 1, females: 1, unsexed: 0 },
  newLotId: newId(),
  at: NOW,
  ...more,
});
const WORDS = /A1: white spots, seen Tue 10 Mar. Until Tue 7 Apr don’t move fish from there to healthy ones/;

describe('out of a tank where illness was seen', () => {
  it('nobody is moved to healthy ones by the form, but to quarantine or with a reason', async () => {
    expect(await keeper.call('move', move(tanks.A2))).toMatchObject({
      ok: false,
      body: {
        code: 'room/exposed',
        overridable: true,
        errors: [{ pointer: '#/toTankId', detail: expect.stringMatching(WORDS) as string }],
      },
    });
    expect(await keeper.call('move', move(tanks.Q1))).toMatchObject({ ok: true });
    expect(await keeper.call('move', move(tanks.A2, { override: { reason: 'A2 is ill as well' } }))).toMatchObject({ ok: true });
  });

  it('nor by a jotted line, which says the same', async () => {
    const said = await keeper.call('jot', { id: newId(), line: '2 male danios A1 -> A3', at: NOW });
    expect(JSON.stringify(said.body)).toMatch(WORDS);
    expect((await keeper.get('balance')).balanced).toBe(true);
  });

  it('until the 28 days are over', async () => {
    test.setNow('2026-04-07T09:00:00.000Z');
    expect(await keeper.call('move', move(tanks.A3, { at: test.now() }))).toMatchObject({ ok: false });
    test.setNow('2026-04-08T09:00:00.000Z');
    expect(await keeper.call('move', move(tanks.A3, { at: test.now() }))).toMatchObject({ ok: true });
  });
});
