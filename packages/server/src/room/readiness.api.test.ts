import { attempt, furnish, measure, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
let test: TestHouse;
let keeper: Client;
let sitter: Client;
let tanks: Record<string, string>;

beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});
beforeEach(async () => {
  test.setNow(NOW);
  ({ keeper, sitter } = await test.house());
  tanks = await furnish(keeper, ['A1', 'A2']);
});

const tank = (code: string) => tanks[code] ?? '';
const life = async (code: string) => (await keeper.get('tankLife')).find((one) => one.code === code);
const tell = (
  code: string,
  kind: 'filled' | 'fed' | 'emptied' | 'refilled' | 'disinfected' | 'quarantineBegan' | 'heaterTested',
  at = test.now(),
) => sitter.write('tankEvent', { id: newId(), tankId: tank(code), kind, at });
const read = (code: string, quantity: 'ammoniaPpm' | 'nitritePpm' | 'ph', value: number, at: string, more: object = {}) =>
  sitter.write('addReading', { id: newId(), tankId: tank(code), quantity, value, at, ...more });
const newTank = (code: string, more: object = {}) => ({
  id: newId(),
  shelfId: tanks['shelf A'] ?? '',
  code,
  lengthCm: 60,
  widthCm: 30,
  heightCm: 36,
  waterHeightCm: 30,
  glassMm: 6,
  substrateKg: 0,
  facing: 'short' as const,
  leftCm: null,
  ...more,
});

describe('a tank that is set up', () => {
  it('is followed from its first day until its readings show nothing, and asks for what it needs on the round', async () => {
    const body = newTank('A3', { state: 'setUp' });
    await keeper.write('addTank', body);
    tanks.A3 = body.id;
    expect((await life('A3'))?.readiness).toMatchObject({ state: 'settingUp', ready: false });
    await tell('A3', 'filled');
    const chores = async () => (await keeper.get('round')).stops.find(({ code }) => code === 'A3')?.chores ?? [];
    expect((await chores()).map(({ kind }) => kind)).toEqual(['feedFilter', 'testWater']);
    const [feed] = await chores();
    await sitter.write('outcome', {
      id: newId(),
      choreKey: feed?.key ?? '',
      day: '2026-03-10',
      status: 'done',
      text: feed?.text ?? '',
      tankId: body.id,
      amount: null,
      unit: null,
      tick: feed?.tick ?? null,
      at: NOW,
    });
    for (const [day, ammonia, nitrite] of [
      [14, 2, 0.4],
      [20, 0, 1],
      [24, 0, 0],
      [28, 0, 0],
    ] as const) {
      const at = `2026-03-${day}T08:00:00.000Z`;
      test.setNow(at);
      await tell('A3', 'fed');
      await read('A3', 'ammoniaPpm', ammonia, at);
      await read('A3', 'nitritePpm', nitrite, at);
    }
    expect((await life('A3'))?.readiness).toMatchObject({ state: 'cycling', expected: { basis: 'zeros', from: '2026-03-31' } });
    test.setNow('2026-03-31T08:00:00.000Z');
    await tell('A3', 'fed');
    await read('A3', 'ammoniaPpm', 0, test.now());
    await read('A3', 'nitritePpm', 0, test.now());
    expect((await life('A3'))?.readiness).toMatchObject({ state: 'ready', ready: true, hindrances: [] });
  });

  it('takes stock only with a reason, which is kept; undoing what was logged brings its state back', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'kribensis', { males: 1, females: 2 }, NOW);
    await tell('A2', 'emptied');
    const refilled = await tell('A2', 'refilled');
    const move = {
      id: newId(),
      lotId,
      newLotId: newId(),
      toTankId: tank('A2'),
      heads: { males: 1, females: 2, unsexed: 0 },
      at: test.now(),
    };
    expect(await sitter.call('move', move)).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'room/not-ready', overridable: true, errors: [{ pointer: '#/toTankId' }] },
    });
    expect(
      await keeper.call('addLot', {
        id: newId(),
        lotId: newId(),
        speciesKey: 'kribensis',
        line: null,
        generation: null,
        origin: 'local',
        acquiredFrom: null,
        tankId: tank('A2'),
        heads: { males: 1, females: 0, unsexed: 0 },
        at: NOW,
      }),
    ).toMatchObject({ ok: false, body: { code: 'room/not-ready' } });
    await sitter.write('move', { ...move, override: { reason: 'their tank leaks' } });
    expect((await keeper.get('entries'))[0]).toMatchObject({ kind: 'move', reason: 'their tank leaks' });
    expect(await life('A2')).toMatchObject({ readiness: { state: 'inUse' } });
    await keeper.write('undo', { id: newId(), entryId: move.id });
    await sitter.write('undo', { id: newId(), entryId: refilled.entryId });
    expect((await life('A2'))?.readiness.state).toBe('empty');
  });
});

describe('a quarantine', () => {
  it('says its end, breaks only with a reason, and is told when it was broken', async () => {
    const quarantine = await furnish(keeper, ['Q1'], { code: 'Q', quarantine: true });
    const lotId = await stockUp(keeper, quarantine.Q1 ?? '', 'odessa-barb', { unsexed: 8 }, '2026-03-01T08:00:00Z');
    expect((await life('Q1'))?.quarantine).toEqual({ endsOn: '2026-03-29' });
    const move = {
      id: newId(),
      lotId,
      newLotId: newId(),
      toTankId: tank('A1'),
      heads: { males: 0, females: 0, unsexed: 2 },
      at: NOW,
    };
    expect(await sitter.call('move', move)).toMatchObject({ ok: false, status: 409, body: { code: 'room/quarantine' } });
    await sitter.write('move', { ...move, override: { reason: 'they were chased' } });
    const alarms = (await keeper.get('round')).alarms.map(({ title }) => title);
    expect(alarms).toContain('A1: moved out of quarantine early.');
    test.setNow('2026-03-29T08:00:00.000Z');
    await sitter.write('move', { ...move, id: newId(), newLotId: newId(), toTankId: tank('A2'), at: test.now() });
  });

  it('by the keeper’s word above healthy stock is warned of with whom it reaches, and orders the round', async () => {
    const shelfId = newId();
    await keeper.write('addShelf', {
      id: shelfId,
      rackId: tanks['rack A'] ?? '',
      lengthCm: 400,
      depthCm: 62,
      heightCm: 50,
      loadLimitKg: null,
    });
    const low = newTank('L1', { shelfId });
    await keeper.write('addTank', low);
    await stockUp(keeper, tank('A1'), 'kribensis', { males: 1 }, NOW);
    await stockUp(keeper, low.id, 'kribensis', { males: 1 }, NOW);
    await tell('A1', 'quarantineBegan');
    const round = await keeper.get('round');
    expect(round.alarms.find(({ title }) => title === 'A1: quarantine drips on others.')?.text).toContain('L1');
    expect(round.stops.map(({ code }) => code)).toEqual(['L1', 'A1']);
  });
});

describe('a tank moved', () => {
  const moveTank = (code: string, leftCm: number | null, more: object = {}) => ({
    id: newId(),
    tankId: tank(code),
    shelfId: tanks['shelf A'] ?? '',
    facing: 'short' as const,
    leftCm,
    ...more,
  });
  const placed = async (code: string) =>
    (await keeper.get('room')).racks
      .flatMap(({ shelves }) => shelves.flatMap((shelf) => shelf.tanks))
      .find((one) => one.code === code);

  it('stands where it was put; a clash is refused with the figure, a full shelf with a way out', async () => {
    await keeper.write('moveTank', moveTank('A1', 200));
    expect(await placed('A1')).toMatchObject({ leftCm: 200 });
    expect(await keeper.call('moveTank', moveTank('A1', 40))).toMatchObject({
      ok: false,
      body: { code: 'room/place-taken', detail: 'A2 stands there already.' },
    });
    expect(await keeper.call('moveTank', moveTank('A1', 390))).toMatchObject({
      ok: false,
      body: { code: 'room/does-not-fit', overridable: true, detail: 'It would reach to 420 cm; the shelf is 400 cm long.' },
    });
    await keeper.write('moveTank', moveTank('A1', 390, { override: { reason: 'a board juts out' } }));
    expect(await placed('A1')).toMatchObject({ leftCm: 390 });
    expect(await sitter.call('moveTank', moveTank('A1', 10))).toMatchObject({ ok: false, status: 403 });
  });

  it('goes back by undo, from the end of its moves, unless another stands there now', async () => {
    const before = await placed('A1');
    const first = await keeper.write('moveTank', moveTank('A1', 200));
    const second = await keeper.write('moveTank', moveTank('A1', 300));
    expect(await keeper.call('undo', { id: newId(), entryId: first.entryId })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries' },
    });
    await keeper.write('undo', { id: newId(), entryId: second.entryId });
    expect(await placed('A1')).toMatchObject({ leftCm: 200 });
    await keeper.write('moveTank', moveTank('A2', before?.leftCm ?? 0));
    expect(await keeper.call('undo', { id: newId(), entryId: first.entryId })).toMatchObject({
      ok: false,
      body: { detail: 'A2 stands there already. Move that first.' },
    });
  });
});

describe('a transfer', () => {
  it('puts two waters side by side, works out float and drip, and says what speaks against it', async () => {
    const [krib, barb] = [
      await stockUp(keeper, tank('A1'), 'kribensis', { males: 1, females: 1 }, NOW),
      await stockUp(keeper, tank('A2'), 'odessa-barb', { unsexed: 4 }, NOW),
    ];
    await measure(sitter, tank('A1'), 25, NOW);
    await measure(sitter, tank('A2'), 21, NOW);
    for (const [code, value] of [
      ['A1', 340],
      ['A2', 100],
    ] as const)
      await sitter.write('addReading', { id: newId(), tankId: tank(code), quantity: 'tdsPpm', value, method: 'meter', at: NOW });
    const query = { lotId: krib, toTankId: tank('A2'), bagLitres: '2', dripLitresPerHour: '3' };
    const plan = await sitter.get('transfer', { query });
    expect(plan.rows.find(({ quantity }) => quantity === 'tdsPpm')).toEqual({
      quantity: 'tdsPpm',
      source: 340,
      target: 100,
      differs: true,
    });
    // A difference of 240 ppm shrinks to 40 in six times the water: 12 L, 10 of them dripped.
    expect(plan.drip).toMatchObject({ finalLitres: 12, limitedBy: 'tdsPpm' });
    expect(plan.drip?.hours).toBeCloseTo(10 / 3, 6);
    expect(plan.floatMinutes).toBeCloseTo(19 * Math.cbrt(2) * Math.log(8), 6);
    expect(plan.warnings.map(({ kind }) => kind)).toContain('temperature');
    expect(
      (await sitter.get('transfer', { query: { lotId: barb, toTankId: tank('A1') } })).warnings.map(({ kind }) => kind),
    ).not.toContain('quarantine');
    expect(await sitter.call('transfer', undefined, { query: { ...query, bagLitres: '0' } })).toMatchObject({
      ok: false,
      status: 400,
    });
  });

  it('warns of eggs that would be eaten and of parentage that would be lost', async () => {
    const adults = await stockUp(keeper, tank('A1'), 'sixray-aspidoras', { males: 2, females: 2 }, '2026-03-01T08:00:00Z');
    const attemptId = await attempt(keeper, tank('A2'), 'sixray-aspidoras', '2026-03-08', { sires: [adults], dams: [adults] });
    await sitter.write('addClutch', {
      id: newId(),
      broodId: newId(),
      lotId: newId(),
      attemptId,
      laid: { from: NOW, to: NOW },
      count: 50,
      white: 0,
    });
    const { warnings } = await sitter.get('transfer', { query: { lotId: adults, toTankId: tank('A2') } });
    expect(warnings.find(({ kind }) => kind === 'eats')?.text).toContain('would eat the eggs');
    expect(warnings.some(({ kind }) => kind === 'parentage')).toBe(true);
  });
});
