import { furnish } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
let test: TestHouse;
let keeper: Client;
let sitter: Client;
let viewer: Client;

beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});
beforeEach(async () => {
  test.setNow(NOW);
  ({ keeper, sitter, viewer } = await test.house());
});

const start = async (
  food: 'infusoria' | 'microworm' | 'brineShrimp',
  startedAt: string,
  more: { tankId?: string; name?: string } = {},
) => {
  const cultureId = newId();
  await sitter.write('addCulture', {
    id: newId(),
    cultureId,
    food,
    name: more.name ?? null,
    tankId: more.tankId ?? null,
    startedAt,
  });
  return cultureId;
};
const see = (cultureId: string, kind: 'fed' | 'ripe' | 'harvested' | 'ended', at = test.now()) =>
  sitter.call('cultureEvent', { id: newId(), cultureId, kind, at });
const culture = async (cultureId: string) => (await keeper.get('cultures')).find((found) => found.id === cultureId);

describe('a culture', () => {
  it('is numbered on by its food, or named', async () => {
    await start('infusoria', '2026-03-01T08:00:00Z');
    await start('infusoria', '2026-03-02T08:00:00Z');
    await start('microworm', '2026-03-02T08:00:00Z', { name: 'Oat jar' });
    expect((await keeper.get('cultures')).map(({ name }) => name).sort()).toEqual(['Infusoria 1', 'Infusoria 2', 'Oat jar']);
  });

  it('ripens with the days, and at once when it is seen ripe', async () => {
    const cultureId = await start('infusoria', '2026-03-08T08:00:00Z');
    expect(await culture(cultureId)).toMatchObject({ phase: 'ripening', ripeFrom: '2026-03-12', ripeBy: '2026-03-15' });
    test.setNow('2026-03-13T08:00:00.000Z');
    expect((await culture(cultureId))?.phase).toBe('maybeRipe');
    await see(cultureId, 'ripe');
    expect(await culture(cultureId)).toMatchObject({ phase: 'ripe', ripeFrom: '2026-03-13', lastDay: '2026-03-27', ripeness: 1 });
  });

  it('harvested counts as ripe; fed puts the next feeding off', async () => {
    const cultureId = await start('microworm', '2026-03-01T08:00:00Z');
    expect((await culture(cultureId))?.feedDue).toBe('2026-03-08');
    await see(cultureId, 'fed');
    await see(cultureId, 'harvested');
    expect(await culture(cultureId)).toMatchObject({ feedDue: '2026-03-17', phase: 'ripe', ripeFrom: '2026-03-10' });
  });

  it('emptied is gone, takes no more, and comes back when that is undone', async () => {
    const cultureId = await start('microworm', '2026-03-01T08:00:00Z');
    const id = newId();
    await sitter.write('cultureEvent', { id, cultureId, kind: 'ended', at: NOW });
    expect(await culture(cultureId)).toBeUndefined();
    expect(await see(cultureId, 'fed')).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'larder/ended', detail: 'Microworms 1 was emptied.' },
    });
    await sitter.write('undo', { id: newId(), entryId: id });
    expect((await culture(cultureId))?.name).toBe('Microworms 1');
  });

  it('cannot be fed before it was started, nor tomorrow', async () => {
    const cultureId = await start('microworm', '2026-03-05T08:00:00Z');
    expect(await see(cultureId, 'fed', '2026-03-04T08:00:00Z')).toMatchObject({
      ok: false,
      status: 400,
      body: { errors: [{ pointer: '#/at' }] },
    });
    expect(await see(cultureId, 'fed', '2026-03-11T08:00:00Z')).toMatchObject({ ok: false, status: 400 });
  });

  it('cannot be taken back once it was looked after', async () => {
    const cultureId = await start('microworm', '2026-03-05T08:00:00Z');
    const [begun] = await keeper.get('entries', { query: { aboutId: cultureId } });
    await see(cultureId, 'fed');
    expect(await sitter.call('undo', { id: newId(), entryId: begun?.id ?? '' })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries' },
    });
  });

  it('stands in a tank of the house and is shown there; in no other’s', async () => {
    const tanks = await furnish(keeper, ['C1']);
    await start('infusoria', NOW, { tankId: tanks.C1 ?? '' });
    expect((await keeper.get('tankLife')).find((life) => life.code === 'C1')).toMatchObject({
      stage: 'culture',
      cultures: [{ name: 'Infusoria 1' }],
    });
    const stranger = await test.house('Elsewhere');
    expect(
      await stranger.sitter.call('addCulture', {
        id: newId(),
        cultureId: newId(),
        food: 'infusoria',
        name: null,
        tankId: tanks.C1 ?? '',
        startedAt: NOW,
      }),
    ).toMatchObject({ ok: false, status: 404 });
  });

  it('is not for viewers to start', async () => {
    expect(
      await viewer.call('addCulture', {
        id: newId(),
        cultureId: newId(),
        food: 'infusoria',
        name: null,
        tankId: null,
        startedAt: NOW,
      }),
    ).toMatchObject({ ok: false, status: 403 });
    expect(await viewer.get('cultures')).toEqual([]);
  });
});

describe('a hatch of brine shrimp', () => {
  it('is one batch: used up when harvested', async () => {
    const cultureId = await start('brineShrimp', '2026-03-09T08:00:00Z');
    expect(await culture(cultureId)).toMatchObject({ phase: 'maybeRipe', feedDue: null });
    await see(cultureId, 'harvested');
    expect(await culture(cultureId)).toBeUndefined();
  });

  it('is past its time after a few days, and says so in the round', async () => {
    await start('brineShrimp', '2026-03-05T08:00:00Z');
    const { alarms, stops } = await keeper.get('round');
    expect(alarms).toEqual([]);
    expect(stops.flatMap(({ chores }) => chores).map(({ text, tick }) => `${text}: ${tick?.kind ?? ''}`)).toContain(
      'Discard what is left of Brine shrimp 1: cultureEnded',
    );
  });
});
