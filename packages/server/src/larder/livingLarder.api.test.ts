import { CULTURE_FOODS, CULTURES } from '@freshet/core/larder';
import { furnish, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
const EARLY = '2026-02-20T08:00:00.000Z';
let test: TestHouse;
let keeper: Client;
let sitter: Client;

beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});
beforeEach(async () => {
  test.setNow(NOW);
  ({ keeper, sitter } = await test.house());
});

type Start = Parameters<typeof keeper.write<'addCulture'>>[1];
type Event = Parameters<typeof keeper.write<'cultureEvent'>>[1];
const start = async (food: Start['food'], startedAt = EARLY, more: Partial<Start> = {}) => {
  const cultureId = newId();
  await sitter.write('addCulture', { id: newId(), cultureId, food, name: null, tankId: null, startedAt, ...more });
  return cultureId;
};
const event = (cultureId: string, more: Partial<Event> & Pick<Event, 'kind'>) =>
  sitter.call('cultureEvent', { id: newId(), cultureId, at: test.now(), ...more });
const culture = async (cultureId: string) => (await keeper.get('cultures')).find(({ id }) => id === cultureId);
const undoLast = async (subjectId: string) => {
  const [newest] = await keeper.get('entries', { query: { subjectId } });
  return keeper.call('undo', { id: newId(), entryId: newest?.id ?? '' });
};
const at = (pointer: string) => ({ ok: false, body: { errors: [{ pointer }] } });

describe('a culture that is looked at', () => {
  it('teaches what it gives; more than it can spare wants a reason, more than it holds is refused, and undo forgets', async () => {
    const id = await start('microworm');
    expect((await culture(id))?.learned).toMatchObject({ looks: 0 });
    expect(await event(id, { kind: 'looked' })).toMatchObject(at('#/density'));
    expect(await event(id, { kind: 'looked', density: 7 })).toMatchObject(at('#/density'));
    expect(await event(id, { kind: 'looked', density: 2, signs: ['climbing'] })).toMatchObject({ ok: true });
    const seen = await culture(id);
    expect(seen?.learned?.looks).toBe(1);
    expect(seen?.density).toBe(2);
    expect(await event(id, { kind: 'harvested', ml: 500 })).toMatchObject({
      ok: false,
      body: { detail: 'Microworms 1 holds 24 ml when full.', errors: [{ pointer: '#/ml' }] },
    });
    expect(await event(id, { kind: 'harvested', ml: 20 })).toMatchObject({
      ok: false,
      body: { code: 'larder/too-much', overridable: true, errors: [{ pointer: '#/ml' }] },
    });
    expect(await event(id, { kind: 'harvested', ml: 20, override: { reason: 'it was emptied into a bucket' } })).toMatchObject({
      ok: true,
    });
    expect((await culture(id))?.harvests).toEqual([{ at: NOW, ml: 20 }]);
    expect(await undoLast(id)).toMatchObject({ ok: true });
    expect((await culture(id))?.harvests).toEqual([]);
    expect(await undoLast(id)).toMatchObject({ ok: false });
  });

  it('that smells foul is an alarm, and one that is 3 or denser counts as ripe', async () => {
    const id = await start('paramecium', '2026-03-07T08:00:00.000Z');
    expect((await culture(id))?.phase).toBe('ripening');
    await event(id, { kind: 'looked', density: 3, signs: ['haze'] });
    expect(await culture(id)).toMatchObject({ phase: 'ripe', ripeFrom: '2026-03-10' });
    await event(id, { kind: 'looked', density: 3, signs: ['foul'] });
    const { alarms } = await keeper.get('round');
    expect(alarms.map(({ title }) => title)).toContain('Paramecium 1 is failing.');
  });
});

describe('a family of cultures', () => {
  it('knows who was started from whom, ends with how it ended, and nothing is started from what is later or another food', async () => {
    const first = await start('microworm');
    const second = await start('microworm', '2026-03-01T08:00:00.000Z', { fromId: first });
    expect(
      await sitter.call('addCulture', {
        id: newId(),
        cultureId: newId(),
        food: 'grindal',
        name: null,
        tankId: null,
        startedAt: NOW,
        fromId: first,
      }),
    ).toMatchObject(at('#/fromId'));
    expect(
      await sitter.call('addCulture', {
        id: newId(),
        cultureId: newId(),
        food: 'microworm',
        name: null,
        tankId: null,
        startedAt: '2026-02-01T08:00:00.000Z',
        fromId: first,
      }),
    ).toMatchObject(at('#/startedAt'));
    expect(
      await sitter.call('addCulture', {
        id: newId(),
        cultureId: newId(),
        food: 'microworm',
        name: null,
        tankId: null,
        startedAt: '2026-03-11T08:00:00.000Z',
      }),
    ).toMatchObject({
      ok: false,
      status: 400,
    });
    await event(first, { kind: 'ended', ended: 'crashed' });
    const family = await keeper.get('cultureFamily', { params: { cultureId: second } });
    expect(family.map(({ name, ended }) => [name, ended])).toEqual([
      ['Microworms 1', 'crashed'],
      ['Microworms 2', null],
    ]);
    // The first cannot be taken back while another stands on it.
    const entries = await keeper.get('entries', { query: { aboutId: first } });
    await keeper.write('undo', { id: newId(), entryId: entries[0]?.id ?? '' });
    expect(await keeper.call('undo', { id: newId(), entryId: entries[1]?.id ?? '' })).toMatchObject({
      body: { code: 'log/later-entries' },
    });
  });

  it('goes on in the same vessel with fresh medium: its days begin anew', async () => {
    const id = await start('microworm');
    const before = (await culture(id))?.lastDay ?? '';
    await event(id, { kind: 'renewed' });
    expect((await culture(id))?.lastDay).toBe('2026-03-28');
    expect(before < '2026-03-28').toBe(true);
  });

  it('has kinds of the keeper’s own, with their own days', async () => {
    const kindId = newId();
    const kind = {
      name: 'Oat worms',
      standsFor: 'microworm',
      lastsDays: 40,
      feedEveryDays: 6,
      feed: 'porridge',
      sign: 'climbing',
      atC: 22,
      vesselL: 0.5,
    } as const;
    expect(await keeper.call('addCultureKind', { id: newId(), kindId, ...kind, ripeFrom: 9, ripeTo: 4 })).toMatchObject(
      at('#/ripeTo'),
    );
    await keeper.write('addCultureKind', { id: newId(), kindId, ...kind, ripeFrom: 4, ripeTo: 9 });
    const id = await start('microworm', NOW, { kindId });
    expect(await culture(id)).toMatchObject({
      name: 'Oat worms 1',
      kindName: 'Oat worms',
      ripeFrom: '2026-03-14',
      ripeBy: '2026-03-19',
    });
    expect(await keeper.get('cultureKinds')).toEqual([{ id: kindId, name: 'Oat worms', standsFor: 'microworm' }]);
  });
});

describe('every kind of culture', () => {
  it('is started, looked at, harvested, split, given fresh medium and lost, each told and taken back as a whole', async () => {
    for (const food of CULTURE_FOODS.filter((one) => !CULTURES[one].batch)) {
      const id = await start(food);
      const kind = CULTURES[food];
      expect([food, await event(id, { kind: 'looked', density: 4, signs: [kind.signs[0]] })]).toMatchObject([food, { ok: true }]);
      const may = (await culture(id))?.learned?.mayTakeMl ?? 0;
      expect([food, may > 0]).toEqual([food, true]);
      expect([food, await event(id, { kind: 'harvested', ml: may })]).toMatchObject([food, { ok: true }]);
      const child = await start(food, NOW, { fromId: id });
      for (const next of ['fed', 'renewed'] as const) expect([food, (await event(id, { kind: next })).ok]).toEqual([food, true]);
      expect([food, (await event(id, { kind: 'ended', ended: 'crashed' })).ok]).toEqual([food, true]);
      const family = await keeper.get('cultureFamily', { params: { cultureId: child } });
      expect([food, family.map(({ ended }) => ended)]).toEqual([food, ['crashed', null]]);
      await undoLast(id);
      expect([food, (await culture(id))?.harvests.length, (await culture(id))?.density]).toEqual([food, 1, 4]);
    }
  });
});

describe('a hatch', () => {
  const tin = async () => {
    const itemId = newId();
    await keeper.write('addShelfItem', {
      id: newId(),
      itemId,
      kind: 'cysts',
      name: 'Tin',
      food: null,
      openedOn: '2026-02-20',
      goodUntil: null,
      amount: 50,
      priceCents: null,
      at: EARLY,
    });
    return itemId;
  };
  const set = (tinId: string | null, cystsG = 1) => ({ cystsG, litres: 1, saltG: 25, lit: true, tinId });

  it('takes from the tin, is kept cold for two days, and is then discarded', async () => {
    const tinId = await tin();
    const id = await start('brineShrimp', '2026-03-08T20:00:00.000Z', { hatch: set(tinId) });
    expect((await keeper.get('shelf')).items[0]).toMatchObject({ left: 49, isInUse: true });
    await event(id, { kind: 'harvested', kept: 'cold' });
    expect(await culture(id)).toMatchObject({ kept: 'cold', phase: 'ripe' });
    test.setNow('2026-03-12T09:00:00.000Z');
    expect((await culture(id))?.phase).toBe('overdue');
    const { stops } = await keeper.get('round');
    const discard = stops.flatMap(({ chores }) => chores).find(({ kind }) => kind === 'discardHatch');
    expect(discard?.text).toBe('Discard what is left of Brine shrimp 1');
  });

  it('counted in drops teaches the tin; without a known drop it says so at its field', async () => {
    const tinId = await tin();
    const drops = { counts: [60, 64, 62], ml: 100, perMl: null };
    const first = await start('brineShrimp', '2026-03-08T20:00:00.000Z', { hatch: set(tinId) });
    expect(await event(first, { kind: 'counted', drops })).toMatchObject({
      ok: false,
      body: { code: 'larder/no-dose', errors: [{ pointer: '#/drops/perMl' }] },
    });
    const total = { id: newId(), dose: 'drop', food: null, of: 40, at: NOW } as const;
    expect(await keeper.call('measureDose', { ...total, total: 200 })).toMatchObject(at('#/total'));
    await keeper.write('measureDose', { ...total, id: newId(), total: 2 });
    expect(await event(first, { kind: 'counted', drops })).toMatchObject({ ok: true });
    // 62 a drop × 20 drops a ml × 100 ml = 124 000 of 250 000.
    const share = (await keeper.get('shelf')).items[0]?.hatchShare;
    expect(share?.hatches).toBe(1);
    expect(share?.share).toBeGreaterThan(0.5);
    expect(share?.share).toBeLessThan(0.8);
  });

  it('of three kilograms, or of what is not hatched, is refused at its field', async () => {
    const body = { id: newId(), cultureId: newId(), food: 'brineShrimp', name: null, tankId: null, startedAt: NOW } as const;
    expect(await sitter.call('addCulture', { ...body, hatch: set(null, 3000) })).toMatchObject(at('#/hatch/cystsG'));
    expect(await sitter.call('addCulture', { ...body, food: 'grindal', hatch: set(null) })).toMatchObject(at('#/hatch'));
    expect(await keeper.get('cultures')).toEqual([]);
  });
});

describe('the shelf', () => {
  it('weighs and uses, never more than there is, and takes back whole', async () => {
    const itemId = newId();
    const item = {
      id: newId(),
      itemId,
      kind: 'dry',
      name: 'Flakes',
      food: 'crushedDry',
      openedOn: null,
      goodUntil: null,
      amount: 100,
      priceCents: 900,
      at: EARLY,
    } as const;
    expect(await keeper.call('addShelfItem', { ...item, openedOn: '2026-03-12' })).toMatchObject(at('#/openedOn'));
    expect(await keeper.call('addShelfItem', { ...item, priceCents: -5 })).toMatchObject(at('#/priceCents'));
    await keeper.write('addShelfItem', item);
    const log = (kind: 'weighed' | 'used' | 'finished', amount: number | null) =>
      sitter.call('shelfEvent', { id: newId(), itemId, kind, amount, at: NOW });
    expect(await log('used', 130)).toMatchObject(at('#/amount'));
    expect(await log('weighed', 140)).toMatchObject(at('#/amount'));
    expect(await log('weighed', null)).toMatchObject(at('#/amount'));
    await log('weighed', 60);
    await log('used', 15);
    expect((await keeper.get('shelf')).items[0]?.left).toBe(45);
    await log('finished', null);
    expect((await keeper.get('shelf')).items).toEqual([]);
    await undoLast(itemId);
    expect((await keeper.get('shelf')).items[0]?.left).toBe(45);
  });
});

describe('a plan of starts', () => {
  it('becomes chores on its day, stands in place of the one before, and is dropped by an empty one', async () => {
    const taken = (day: string) => ({
      id: newId(),
      classKey: 'worms' as const,
      starts: [{ startId: newId(), food: 'microworm' as const, day, needKey: null, needFrom: null }],
      at: NOW,
    });
    const starts = async () =>
      (await keeper.get('round')).stops
        .flatMap(({ chores }) => chores)
        .filter(({ kind, text }) => kind === 'startCulture' && text === 'Start microworms');
    expect(await keeper.call('takePlan', taken('2026-03-01'))).toMatchObject(at('#/starts/0/day'));
    expect(await sitter.call('takePlan', taken('2026-03-10'))).toMatchObject({ ok: false, status: 403 });
    await keeper.write('takePlan', taken('2026-03-10'));
    expect(await starts()).toHaveLength(1);
    expect((await keeper.get('horizon')).items.some(({ label }) => label === 'start microworms')).toBe(true);
    test.setNow('2026-03-10T08:01:00.000Z');
    await keeper.write('takePlan', { ...taken('2026-03-20'), at: test.now() });
    expect(await starts()).toHaveLength(0);
    test.setNow('2026-03-10T08:02:00.000Z');
    await keeper.write('takePlan', { ...taken('2026-03-20'), starts: [], at: test.now() });
    expect((await keeper.get('larderTide')).classes).toEqual([]);
  });

  it('the tide counts in a spawning that is only thought of, and refuses a species there is not', async () => {
    const tide = await keeper.get('larderTide', { query: { speciesKey: 'lemon-tetra', day: '2026-03-20', eggs: '300' } });
    expect(tide.classes.map(({ key }) => key)).toContain('smallest');
    expect(tide.classes[0]?.rows[0]).toMatchObject({ key: 'whatIf', label: 'Lemon tetra, thought of' });
    expect(await keeper.get('larderTide').then(({ classes }) => classes)).toEqual([]);
    expect((await keeper.raw('GET', '/api/larder/tide?speciesKey=nobody')).status).toBe(400);
  });
});

describe('a pest', () => {
  it('is treated by half where shrimp live, asks for its water changes, and is gone', async () => {
    const tanks = await furnish(keeper, ['A1', 'A2']);
    await stockUp(keeper, tanks.A1 ?? '', 'green-babaulti', { unsexed: 12 }, EARLY);
    const sightingId = newId();
    expect(
      await sitter.call('seePest', {
        id: newId(),
        sightingId,
        pest: 'flatworm',
        tankId: null,
        cultureId: null,
        cameBy: null,
        at: NOW,
      }),
    ).toMatchObject(at('#/tankId'));
    await sitter.write('seePest', {
      id: newId(),
      sightingId,
      pest: 'flatworm',
      tankId: tanks.A1 ?? '',
      cultureId: null,
      cameBy: 'plants',
      at: NOW,
    });
    const treat = (more: object) =>
      keeper.call('pestEvent', {
        id: newId(),
        sightingId,
        kind: 'treated',
        treatment: 'dewormer',
        half: false,
        at: NOW,
        ...more,
      });
    expect(await treat({})).toMatchObject({
      ok: false,
      body: { code: 'larder/invertebrates', overridable: true, errors: [{ pointer: '#/half' }] },
    });
    expect(await treat({ treatment: 'scald' })).toMatchObject(at('#/treatment'));
    expect(await treat({ half: true })).toMatchObject({ ok: true });
    expect((await keeper.get('pests'))[0]?.changesOn).toEqual(['2026-03-11', '2026-03-13', '2026-03-17']);
    test.setNow('2026-03-11T08:00:00.000Z');
    const stop = (await keeper.get('round')).stops.find(({ code }) => code === 'A1');
    const change = stop?.chores.find(({ kind }) => kind === 'changeAfterTreatment');
    expect(change?.tick).toMatchObject({ kind: 'waterChange', id: tanks.A1 });
    await keeper.write('pestEvent', { id: newId(), sightingId, kind: 'gone', treatment: null, half: false, at: test.now() });
    expect(
      (await keeper.get('round')).stops.flatMap(({ chores }) => chores).some(({ kind }) => kind === 'changeAfterTreatment'),
    ).toBe(false);
  });
});
