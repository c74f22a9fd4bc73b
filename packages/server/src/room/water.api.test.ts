import { furnish, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
let test: TestHouse;
let keeper: Client;
let sitter: Client;
let viewer: Client;
let tanks: Record<string, string>;

beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});
beforeEach(async () => {
  test.setNow(NOW);
  ({ keeper, sitter, viewer } = await test.house());
  tanks = await furnish(keeper, ['A1', 'A2', 'A3']);
});
const tank = (code: string) => tanks[code] ?? '';
const EMPTY = { tempC: null, ghDeg: null, khDeg: null, tdsPpm: null, ph: null, nitratePpm: null };

describe('source waters', () => {
  it('keep their history; a name is taken once, an empty analysis is refused, a used water stays', async () => {
    const waterId = newId();
    const added = await keeper.write('addWater', { id: newId(), waterId, name: 'Tap', kind: 'tap' });
    expect(await keeper.call('addWater', { id: newId(), waterId: newId(), name: 'Tap', kind: 'rain' })).toMatchObject({
      ok: false,
      status: 400,
      body: { errors: [{ pointer: '#/name', detail: 'Tap is there already.' }] },
    });
    for (const [at, ghDeg] of [
      ['2026-01-05T08:00:00Z', 14],
      ['2026-03-01T08:00:00Z', 12],
    ] as const)
      await sitter.write('addAnalysis', { id: newId(), waterId, at, ...EMPTY, ghDeg });
    expect((await viewer.get('waters'))[0]).toMatchObject({ name: 'Tap', analyses: [{ ghDeg: 14 }, { ghDeg: 12 }] });
    expect(await sitter.call('addAnalysis', { id: newId(), waterId, at: NOW, ...EMPTY })).toMatchObject({
      ok: false,
      status: 400,
    });
    expect(await keeper.call('undo', { id: newId(), entryId: added.entryId })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries' },
    });
  });
});

describe('a change regime', () => {
  it('makes its chore, which logs the change and is gone until the next', async () => {
    await stockUp(keeper, tank('A1'), 'kribensis', { males: 1 }, NOW);
    await keeper.write('setRegime', {
      id: newId(),
      tankId: tank('A1'),
      changeFraction: 0.25,
      everyDays: 7,
      ceilingPpm: 40,
      waterId: null,
    });
    const chore = async (day?: string) =>
      (await keeper.get('round', day ? { query: { day } } : {})).stops
        .find(({ code }) => code === 'A1')
        ?.chores.find(({ kind }) => kind === 'waterChange');
    const due = await chore();
    const litres = (await keeper.get('tankLife')).find(({ code }) => code === 'A1')?.litres ?? 0;
    expect(due?.amount?.value).toBeCloseTo(litres / 4, 0);
    expect(due?.caution).toContain('Unplug the heater');
    const body = {
      id: newId(),
      choreKey: due?.key ?? '',
      day: '2026-03-10',
      status: 'done' as const,
      text: 'Change water',
      tankId: tank('A1'),
      amount: 12,
      unit: 'L',
      tick: due?.tick ?? null,
      at: NOW,
    };
    await sitter.write('outcome', body);
    expect(await keeper.get('tankRegime', { params: { tankId: tank('A1') } })).toMatchObject({
      nextChange: '2026-03-17',
      changes: [{ litres: 12 }],
    });
    expect(await chore('2026-03-11')).toBeUndefined();
    expect(await chore('2026-03-17')).toBeDefined();
    await sitter.write('undo', { id: newId(), entryId: body.id });
    expect((await keeper.get('tankRegime', { params: { tankId: tank('A1') } })).nextChange).toBe('2026-03-10');
  });

  it('is forecast from readings and changes, and says when it does not hold its ceiling', async () => {
    const tankId = tank('A2');
    await keeper.write('setRegime', { id: newId(), tankId, changeFraction: 0.2, everyDays: 7, ceilingPpm: 30, waterId: null });
    const litres = (await keeper.get('tankLife')).find(({ code }) => code === 'A2')?.litres ?? 0;
    // Two a day: 10 on the 1st, 20 on the 6th; a fifth changed that evening; 24 on the 10th.
    for (const [day, value] of [
      ['01', 10],
      ['06', 20],
      ['10', 24],
    ] as const)
      await sitter.write('addReading', { id: newId(), tankId, quantity: 'nitratePpm', value, at: `2026-03-${day}T07:00:00Z` });
    await sitter.write('logChange', {
      id: newId(),
      tankId,
      litres: litres / 5,
      waterId: null,
      tempC: null,
      at: '2026-03-06T19:00:00Z',
    });
    const told = await keeper.get('tankRegime', { params: { tankId } });
    expect(told.production?.ppmPerDay).toBeCloseTo(2, 6);
    expect(told.nextChange).toBe('2026-03-13');
    // 24 + 2 x 3 = 30 on the 13th just holds; later peaks climb towards 70.
    expect(told.forecast?.exceedsOn).toBe('2026-03-17');
    expect(told.forecast?.smallestFraction).toBeCloseTo(14 / 30, 6);
  });

  it('refuses nonsense at its field and more water than the tank holds without a reason', async () => {
    const bad = await keeper.call('setRegime', {
      id: newId(),
      tankId: tank('A1'),
      changeFraction: 1.5,
      everyDays: 0,
      ceilingPpm: -1,
      waterId: null,
    });
    expect(bad).toMatchObject({ ok: false, status: 400 });
    expect(bad.ok ? [] : bad.body.errors?.map(({ pointer }) => pointer)).toEqual([
      '#/changeFraction',
      '#/everyDays',
      '#/ceilingPpm',
    ]);
    const change = { id: newId(), tankId: tank('A1'), litres: 400, waterId: null, tempC: null, at: NOW };
    expect(await sitter.call('logChange', change)).toMatchObject({
      ok: false,
      status: 409,
      body: { errors: [{ pointer: '#/litres' }] },
    });
    await sitter.write('logChange', { ...change, override: { reason: 'run through for an hour' } });
    expect(await sitter.write('logChange', { ...change, override: { reason: 'run through for an hour' } })).toMatchObject({
      replayed: true,
    });
    expect((await keeper.get('tankRegime', { params: { tankId: tank('A1') } })).changes).toMatchObject([{ fraction: 1 }]);
    expect(await viewer.call('logChange', { ...change, id: newId() })).toMatchObject({ ok: false, status: 403 });
  });
});

describe('readings', () => {
  it('carry the band of their instrument, and two that contradict one another are pointed out', async () => {
    const meterId = newId();
    await keeper.write('addMeter', { id: newId(), meterId, name: 'pH pen', quantity: 'ph', method: 'meter', everyDays: 30 });
    const read = (value: number, at: string, more: object) =>
      sitter.write('addReading', { id: newId(), tankId: tank('A1'), quantity: 'ph', value, at, ...more });
    await read(7.9, '2026-03-10T06:00:00Z', { method: 'strip' });
    await read(6.4, '2026-03-10T07:00:00Z', { method: 'meter', meterId });
    const readings = () => keeper.get('readings', { params: { tankId: tank('A1') } });
    const [strip, meter] = await readings();
    expect(strip).toMatchObject({ method: 'strip', band: 0.5, disagreesWith: null });
    expect(meter?.band).toBeCloseTo(0.3);
    expect(meter?.disagreesWith).toBe(strip?.id);
    const chores = async () => (await keeper.get('round')).stops.find(({ code }) => code === 'Bench')?.chores ?? [];
    const [due] = await chores();
    expect(due).toMatchObject({ kind: 'calibrate', text: 'Calibrate pH pen' });
    await sitter.write('calibrate', { id: newId(), meterId, at: '2026-03-10T06:30:00Z' });
    expect((await readings())[1]?.band).toBeCloseTo(0.1);
    expect(await chores()).toEqual([]);
    expect((await keeper.get('meters'))[0]).toMatchObject({ dueOn: '2026-04-09' });
  });
});

describe('exposure', () => {
  it('follows lots, water and drips in time, says who left, and asks backwards', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'odessa-barb', { unsexed: 9 }, '2026-02-20T08:00:00Z');
    const move = (toTankId: string, at: string) => ({
      id: newId(),
      lotId,
      newLotId: newId(),
      toTankId,
      heads: { males: 0, females: 0, unsexed: 3 },
      at,
    });
    const split = move(tank('A2'), '2026-03-05T08:00:00Z');
    await sitter.write('move', split);
    await sitter.write('logContact', {
      id: newId(),
      fromTankId: tank('A2'),
      toTankId: tank('A3'),
      kind: 'water',
      at: '2026-03-04T08:00:00Z',
    });
    const ask = (code: string, query: Record<string, string> = {}) =>
      viewer.get('exposure', { query: { tankId: tank(code), day: '2026-03-10', ...query } });
    const codes = (reply: Awaited<ReturnType<typeof ask>>) =>
      reply.tanks.map(({ tankId }) => Object.keys(tanks).find((code) => tanks[code] === tankId));
    // Water went on before the fish came.
    expect(codes(await ask('A1'))).toEqual(['A1', 'A2']);
    await sitter.write('logContact', {
      id: newId(),
      fromTankId: tank('A2'),
      toTankId: tank('A3'),
      kind: 'water',
      at: '2026-03-06T08:00:00Z',
    });
    const reply = await ask('A1');
    expect(codes(reply)).toEqual(['A1', 'A2', 'A3']);
    expect(reply.tanks[2]).toMatchObject({ since: '2026-03-06T08:00:00.000Z', path: [{ kind: 'lot' }, { kind: 'water' }] });
    expect(codes(await ask('A1', { kinds: 'water' }))).toEqual(['A1']);
    await sitter.write('lose', {
      id: newId(),
      lotId: split.newLotId,
      heads: { males: 0, females: 0, unsexed: 1 },
      cause: 'sale',
      at: '2026-03-07T08:00:00Z',
    });
    expect((await ask('A1')).left).toMatchObject([{ heads: 1, cause: 'sale', speciesKey: 'odessa-barb' }]);
    expect(codes(await ask('A3', { direction: 'sources', unseenDays: '10' })).sort()).toEqual(['A1', 'A2', 'A3']);
    expect(codes(await ask('A3', { direction: 'sources', unseenDays: '4' }))).toEqual(['A3', 'A2']);
    expect(
      await viewer.call('exposure', undefined, { query: { tankId: tank('A1'), day: '2026-03-10', kinds: 'rumour' } }),
    ).toMatchObject({ ok: false, status: 400 });
  });

  it('logs what was seen, which begins the days of a quarantine anew', async () => {
    const quarantine = await furnish(keeper, ['Q1'], { code: 'Q', quarantine: true });
    const tankId = quarantine.Q1 ?? '';
    await stockUp(keeper, tankId, 'odessa-barb', { unsexed: 8 }, '2026-03-01T08:00:00Z');
    await sitter.write('logIllness', { id: newId(), tankId, at: NOW, what: 'clamped fins' });
    expect((await keeper.get('tankLife')).find(({ code }) => code === 'Q1')?.quarantine).toEqual({ endsOn: '2026-04-07' });
    expect(await sitter.call('logIllness', { id: newId(), tankId, at: NOW, what: '' })).toMatchObject({ ok: false, status: 400 });
    expect(
      await sitter.call('logContact', { id: newId(), fromTankId: tankId, toTankId: tankId, kind: 'tools', at: NOW }),
    ).toMatchObject({ ok: false, body: { errors: [{ pointer: '#/toTankId' }] } });
  });
});
