import { attempt, clutch, furnish, measure, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
const LAID = { from: '2026-03-09T22:00:00Z', to: '2026-03-10T06:00:00Z' };
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
  tanks = await furnish(keeper, ['A1', 'A2', 'A3']);
});

const tank = (code: string) => tanks[code] ?? '';
const page = (broodId: string) => keeper.get('brood', { params: { broodId } });
const round = async (day: string) => (await keeper.get('round', { query: { day } })).stops.flatMap(({ chores }) => chores);
async function eggs(speciesKey: string, count: number, laid = LAID) {
  const lotId = await stockUp(keeper, tank('A1'), speciesKey, { males: 2, females: 3 }, '2026-03-01T08:00:00Z');
  const attemptId = await attempt(keeper, tank('A1'), speciesKey, '2026-03-08', { sires: [lotId], dams: [lotId] });
  await measure(sitter, tank('A1'), 25, '2026-03-09T08:00:00Z');
  return { attemptId, ...(await clutch(sitter, attemptId, laid, count)) };
}
const keeping = (broodId: string, more: object) => ({
  id: newId(),
  broodId,
  at: NOW,
  plan: 'tumbler' as const,
  fungus: 'flow' as const,
  dyeMgPerL: null,
  dyeStockPercent: null,
  dailyChangeFraction: 0.3,
  container: 'air tumbler',
  why: '4 kicked out',
  toTankId: null,
  ...more,
});

describe('eggs kept another way', () => {
  it('move with it; chores follow, the trouble is answered, and all goes back when taken back', async () => {
    const { broodId } = await eggs('red-lizard-whiptail', 60);
    await sitter.write('triage', { id: newId(), broodId, at: NOW, white: 8, kickedOut: 4, eaten: 0, unsure: 0 });
    expect((await page(broodId)).fallBacks.map(({ trouble }) => trouble)).toContain('fungus');
    const change = keeping(broodId, { fungus: 'dye', dyeMgPerL: 1, dyeStockPercent: 0.5, toTankId: tank('A2') });
    test.setNow('2026-03-10T08:05:00.000Z');
    await sitter.write('keepEggs', { ...change, at: '2026-03-10T08:05:00.000Z' });
    const now = await page(broodId);
    expect(now.keeping).toMatchObject({ plan: 'tumbler', fungus: 'dye', container: 'air tumbler', why: '4 kicked out' });
    expect(now.lots.filter(({ count }) => count > 0).map(({ tankCode }) => tankCode)).toEqual(['A2']);
    expect(now.fallBacks).toEqual([]);
    const chores = await round('2026-03-10');
    // 54 L of 60 x 30 x 30 cm less the glass, at 1 mg/L from a stock of 5 mg/ml: some 10 ml, each litre dosed once on the first day.
    const dye = chores.filter(({ kind }) => kind === 'dye');
    expect(dye.map(({ text }) => text.split(',')[0]).sort()).toEqual(['Add dye for the new water', 'First dose of dye']);
    const ml = dye.map(({ amount }) => amount?.value ?? 0);
    const [first = 0, second = 0] = ml.sort((a, b) => b - a);
    expect(first + second).toBeGreaterThan(9.5);
    expect(first + second).toBeLessThan(11);
    expect(second / (first + second)).toBeCloseTo(0.3, 2);
    expect(chores.some(({ text }) => text.startsWith('Set the tumbler'))).toBe(true);
    await keeper.write('undo', { id: newId(), entryId: change.id });
    const before = await page(broodId);
    expect(before.keeping).toMatchObject({ plan: 'pullEggs', fungus: 'leaves', since: null });
    expect(before.lots.filter(({ count }) => count > 0).map(({ tankCode }) => tankCode)).toEqual(['A1']);
    expect(await keeper.get('balance')).toMatchObject({ balanced: true });
  });

  it('need the strength of a dye, and eggs', async () => {
    const { broodId } = await eggs('red-lizard-whiptail', 60);
    expect(await sitter.call('keepEggs', keeping(broodId, { fungus: 'dye' }))).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/dyeMgPerL' }, { pointer: '#/dyeStockPercent' }] },
    });
    test.setNow('2026-03-20T08:00:00.000Z');
    const at = { from: '2026-03-19T08:00:00Z', to: '2026-03-19T08:00:00Z' };
    await sitter.write('observe', { id: newId(), broodId, kind: 'hatched', at, counted: null });
    expect(await sitter.call('keepEggs', keeping(broodId, { at: '2026-03-20T07:00:00Z' }))).toMatchObject({
      ok: false,
      body: { code: 'broods/out-of-order', errors: [{ pointer: '#/plan' }] },
    });
  });
});

describe('a daily layer', () => {
  const pick = (broodId: string, picked: number, at: string, next: { broodId: string; lotId: string } | null = null) => ({
    id: newId(),
    broodId,
    picked,
    at: { from: at, to: at },
    next,
  });

  it('adds to its batch day by day, each with its own hatch; the next batch is a brood of its own', async () => {
    const { broodId, attemptId } = await eggs('forktail-blue-eye', 8);
    test.setNow('2026-03-13T08:00:00.000Z');
    const second = pick(broodId, 6, '2026-03-11T07:00:00Z');
    await sitter.write('pickEggs', second);
    await sitter.write('pickEggs', pick(broodId, 5, '2026-03-13T07:00:00Z'));
    const now = await page(broodId);
    expect(now).toMatchObject({ alive: 19, laid: { from: new Date(LAID.from).toISOString(), to: '2026-03-13T07:00:00.000Z' } });
    expect(now.batch).toMatchObject({ eggs: 19, picks: [{ picked: 8 }, { picked: 6 }, { picked: 5 }] });
    const hatches = now.batch?.picks.map(({ hatch }) => hatch?.from ?? '') ?? [];
    expect(hatches).toEqual([...hatches].sort());
    const next = { broodId: newId(), lotId: newId() };
    const begun = pick(broodId, 4, '2026-03-13T07:30:00Z', next);
    await sitter.write('pickEggs', begun);
    expect(await page(next.broodId)).toMatchObject({ alive: 4, attemptId, name: 'First try b' });
    // What began the next batch stays while that one was looked at since.
    test.setNow('2026-03-23T08:00:00.000Z');
    const hatched = {
      id: newId(),
      broodId: next.broodId,
      kind: 'hatched',
      at: { from: '2026-03-23T07:00:00Z', to: '2026-03-23T07:00:00Z' },
      counted: 3,
    } as const;
    await sitter.write('observe', hatched);
    expect(await keeper.call('undo', { id: newId(), entryId: begun.id })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries' },
    });
    await keeper.write('undo', { id: newId(), entryId: hatched.id });
    test.setNow('2026-03-13T08:00:00.000Z');
    // The one in the middle taken back: the others stay, and so does the last day.
    await keeper.write('undo', { id: newId(), entryId: second.id });
    expect(await page(broodId)).toMatchObject({ alive: 13, laid: { to: '2026-03-13T07:00:00.000Z' } });
    expect(await keeper.get('balance')).toMatchObject({ balanced: true });
  });

  it('is asked for each day, and a tick with a number joins the batch', async () => {
    const { broodId } = await eggs('forktail-blue-eye', 8);
    const due = (await round('2026-03-10')).find(({ kind }) => kind === 'pickEggs');
    expect(due?.text).toContain('A1');
    await sitter.write('outcome', {
      id: newId(),
      choreKey: due?.key ?? '',
      day: '2026-03-10',
      status: 'done',
      text: due?.text ?? '',
      tankId: tank('A1'),
      amount: 7,
      unit: 'eggs',
      tick: due?.tick ?? null,
      at: NOW,
    });
    expect((await page(broodId)).alive).toBe(15);
  });

  it('refuses eggs laid before the batch began', async () => {
    const { broodId } = await eggs('forktail-blue-eye', 8);
    expect(await sitter.call('pickEggs', pick(broodId, 3, '2026-03-05T07:00:00Z'))).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/at' }] },
    });
  });
});

describe('eggs in peat', () => {
  const bagged = async (label: string, heads = 60) => {
    const { broodId } = await eggs('rachows-nothobranch', heads);
    const bag = {
      id: newId(),
      broodId,
      vesselId: newId(),
      at: NOW,
      label,
      place: 'linen shelf',
      moisture: 'damp' as const,
      wetOn: '2026-08-10',
    };
    return { broodId, bag };
  };
  const vessels = async () => (await keeper.get('room')).vessels.map(({ code, place }) => `${code}, ${place ?? ''}`);

  it('lie in a bag of their own, not in the adults’ tank, and nothing is expected of them', async () => {
    const { broodId, bag } = await bagged('N3');
    expect((await round('2026-03-10')).some(({ kind }) => kind === 'bagPeat')).toBe(true);
    expect(await sitter.call('bagPeat', { ...bag, wetOn: '2026-03-01' })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/wetOn' }] },
    });
    expect(await sitter.call('bagPeat', { ...bag, label: 'A1' })).toMatchObject({
      ok: false,
      body: { code: 'room/code-taken', errors: [{ pointer: '#/label' }] },
    });
    expect(await sitter.call('bagPeat', { ...bag, place: ' ' })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/place' }] },
    });
    expect(await vessels()).not.toContain('N3, linen shelf');
    await sitter.write('bagPeat', bag);
    expect(await page(broodId)).toMatchObject({
      peat: { label: 'N3', wetOn: '2026-08-10', from: '2026-08-07', wetted: null },
      lots: [{ tankCode: 'N3', count: 60 }],
    });
    expect(await vessels()).toContain('N3, linen shelf');
    // Labelled anew and laid elsewhere it is the same bag.
    const changed = { ...bag, id: newId(), vesselId: newId(), label: 'N4', place: 'drawer' };
    await sitter.write('bagPeat', changed);
    expect(await vessels()).toEqual(expect.arrayContaining(['N4, drawer']));
    expect(await vessels()).not.toContain('N3, linen shelf');
    expect(await keeper.call('putVesselAway', { id: newId(), vesselId: bag.vesselId })).toMatchObject({
      ok: false,
      body: { detail: '60 are still in it. Move them out first, or log what became of them.' },
    });
    const fish = await stockUp(keeper, tank('A2'), 'lemon-tetra', { males: 2 }, NOW);
    expect(
      await keeper.call('move', {
        id: newId(),
        lotId: fish,
        newLotId: newId(),
        toTankId: bag.vesselId,
        heads: { males: 1, females: 0, unsexed: 0 },
        at: NOW,
      }),
    ).toMatchObject({ ok: false, body: { errors: [{ pointer: '#/toTankId' }] } });
    await keeper.write('undo', { id: newId(), entryId: changed.id });
    expect(await vessels()).toContain('N3, linen shelf');
    await keeper.write('undo', { id: newId(), entryId: bag.id });
    expect(await vessels()).not.toContain('N3, linen shelf');
    expect((await page(broodId)).lots).toMatchObject([{ tankCode: 'A1', count: 60 }]);
  });

  it('are wetted, then looked through: who hatched stays, the rest goes back into a bag', async () => {
    const { broodId, bag } = await bagged('N5');
    await sitter.write('bagPeat', bag);
    test.setNow('2026-08-10T08:00:00.000Z');
    const wet = (await round('2026-08-10')).find(({ kind }) => kind === 'wetPeat');
    expect(wet?.text).toBe('Wet N5, linen shelf');
    const again = {
      broodId: newId(),
      lotId: newId(),
      vesselId: newId(),
      label: 'N5b',
      place: 'linen shelf',
      wetOn: '2026-09-07',
    };
    const hatch = { id: newId(), broodId, at: '2026-08-11T07:00:00Z', hatched: 22, again };
    const wetting = { id: newId(), broodId, at: '2026-08-10T07:00:00Z', toTankId: tank('A3') };
    expect(await sitter.call('hatchPeat', { ...hatch, at: wetting.at })).toMatchObject({
      ok: false,
      body: { detail: 'They are still in peat. Log the wetting first.' },
    });
    expect(await sitter.call('wetPeat', { ...wetting, toTankId: bag.vesselId })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/toTankId' }] },
    });
    await sitter.write('wetPeat', wetting);
    expect(await page(broodId)).toMatchObject({ alive: 60, stage: 'eggs', lots: [{ tankCode: 'A3', count: 60 }] });
    // The bag is empty and gone, and its eggs hatch within two days now.
    expect(await vessels()).not.toContain('N5, linen shelf');
    const { windows } = await page(broodId);
    expect(windows[0]).toMatchObject({ stage: 'hatch', status: 'predicted' });
    expect(windows[0]?.latest?.slice(0, 10)).toBe('2026-08-12');
    expect(await sitter.call('wetPeat', { ...wetting, id: newId() })).toMatchObject({ ok: false });
    test.setNow('2026-08-11T08:00:00.000Z');
    expect(await sitter.call('hatchPeat', { ...hatch, hatched: 61 })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/hatched' }] },
    });
    expect(await sitter.call('hatchPeat', { ...hatch, again: { ...again, label: 'A1' } })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/again/label' }] },
    });
    await sitter.write('hatchPeat', hatch);
    expect(await page(broodId)).toMatchObject({ alive: 22, stage: 'yolk', lots: [{ tankCode: 'A3', count: 22 }] });
    expect(await page(again.broodId)).toMatchObject({
      alive: 38,
      stage: 'eggs',
      lots: [{ tankCode: 'N5b', count: 38 }],
      peat: { label: 'N5b', place: 'linen shelf', wetOn: '2026-09-07', wetted: null },
    });
    test.setNow('2026-08-12T08:00:00.000Z');
    const swam = {
      id: newId(),
      broodId,
      kind: 'freeSwimming',
      at: { from: '2026-08-12T07:00:00Z', to: '2026-08-12T07:00:00Z' },
      counted: null,
    } as const;
    await sitter.write('observe', swam);
    expect(await keeper.call('undo', { id: newId(), entryId: hatch.id })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries' },
    });
    await keeper.write('undo', { id: newId(), entryId: swam.id });
    expect(await keeper.call('undo', { id: newId(), entryId: wetting.id })).toMatchObject({ ok: false });
    await keeper.write('undo', { id: newId(), entryId: hatch.id });
    expect(await page(broodId)).toMatchObject({ alive: 60, stage: 'eggs' });
    expect(await vessels()).not.toContain('N5b, linen shelf');
    await keeper.write('undo', { id: newId(), entryId: wetting.id });
    expect((await page(broodId)).lots).toMatchObject([{ tankCode: 'N5', count: 60 }]);
    expect(await vessels()).toContain('N5, linen shelf');
    expect(await keeper.get('balance')).toMatchObject({ balanced: true });
  });
});

describe('shrimp larvae', () => {
  it('are salted in dated steps by the litres they swim in', async () => {
    const { broodId } = await eggs('amano-shrimp', 300);
    test.setNow('2026-04-12T08:00:00.000Z');
    const at = { from: '2026-04-12T06:00:00Z', to: '2026-04-12T06:00:00Z' };
    await sitter.write('observe', { id: newId(), broodId, kind: 'freeSwimming', at, counted: null });
    // Beside their mothers no salt is worked out; in a jar it is.
    expect((await page(broodId)).larvae).toBeNull();
    expect((await round('2026-04-12')).some(({ kind }) => kind === 'larvalSalt')).toBe(false);
    const jar = {
      id: newId(),
      vesselId: newId(),
      kind: 'larvalJar' as const,
      code: 'J1',
      litres: 10,
      inTankId: null,
      place: 'sill',
    };
    await sitter.write('addVessel', jar);
    const due = (await round('2026-04-12')).find(({ kind }) => kind === 'larvaeOut');
    expect(due?.tick).toEqual({ kind: 'boxed', id: broodId, what: jar.vesselId });
    await sitter.write('outcome', {
      id: newId(),
      choreKey: due?.key ?? '',
      day: '2026-04-12',
      status: 'done',
      text: due?.text ?? '',
      tankId: tank('A1'),
      amount: null,
      unit: null,
      tick: due?.tick ?? null,
      at: '2026-04-12T08:00:00.000Z',
    });
    const { larvae } = await page(broodId);
    expect(larvae?.up.map(({ at: when }) => when)).toEqual([
      '2026-04-12T06:00:00.000Z',
      '2026-04-12T14:00:00.000Z',
      '2026-04-12T22:00:00.000Z',
      '2026-04-13T06:00:00.000Z',
    ]);
    expect(larvae?.up.reduce((sum, { addG }) => sum + addG, 0)).toBeCloseTo(26 * (larvae?.litres ?? 0), 3);
    const salt = (await round('2026-04-12')).find(({ kind }) => kind === 'larvalSalt');
    expect(salt?.text).toContain('in 3 steps');
    expect((await round('2026-05-15')).some(({ kind }) => kind === 'settled')).toBe(true);
  });
});

describe('livebearers', () => {
  it('are due by the interval since the last drop and the warmth; cover is asked for before', async () => {
    const first = { from: '2026-02-01T08:00:00Z', to: '2026-02-01T08:00:00Z' };
    const lotId = await stockUp(keeper, tank('A1'), 'humpback-limia', { males: 1, females: 2 }, '2026-01-01T08:00:00Z');
    expect(await keeper.get('drops')).toMatchObject([{ lotId, last: null, drops: 0, ownDays: null, males: 1 }]);
    const attemptId = await attempt(keeper, tank('A1'), 'humpback-limia', '2026-01-20', { sires: [lotId], dams: [lotId] });
    await measure(sitter, tank('A1'), 26, '2026-02-01T09:00:00Z');
    await clutch(sitter, attemptId, first, 24);
    const [drop] = await keeper.get('drops');
    // 28 to 42 days at 26 °C after 1 February.
    expect(drop).toMatchObject({ last: { count: 24 }, drops: 1 });
    expect(drop?.next?.earliest?.slice(0, 10)).toBe('2026-03-01');
    expect(drop?.next?.latest?.slice(0, 10)).toBe('2026-03-15');
    expect((await round('2026-03-10')).find(({ kind }) => kind === 'birthDue')?.text).toContain('add cover');
    test.setNow('2026-03-11T08:00:00.000Z');
    await clutch(sitter, attemptId, { from: '2026-03-10T07:00:00Z', to: '2026-03-10T07:00:00Z' }, 19);
    expect(await keeper.get('drops')).toMatchObject([{ last: { count: 19 }, drops: 2 }]);
    expect((await keeper.get('drops'))[0]?.ownDays).toBeCloseTo(37, 0);
    expect((await round('2026-03-11')).some(({ kind }) => kind === 'birthDue')).toBe(false);
  });
});

describe('two broods put together', () => {
  it('are told by expectation: who joined, of which brood, and less of each as they die', async () => {
    const one = await eggs('lemon-tetra', 30);
    const other = await clutch(sitter, one.attemptId, { from: '2026-03-10T06:00:00Z', to: '2026-03-10T06:30:00Z' }, 10);
    const merge = {
      id: newId(),
      fromLotId: other.lotId,
      intoLotId: one.lotId,
      at: NOW,
      override: { reason: 'no tank is left' },
    };
    await keeper.write('mergeLots', merge);
    await sitter.write('lose', {
      id: newId(),
      lotId: one.lotId,
      heads: { males: 0, females: 0, unsexed: 20 },
      cause: 'unknown',
      at: NOW,
    });
    expect((await page(one.broodId)).mixed).toMatchObject([{ lotId: one.lotId, broodId: other.broodId, heads: 5 }]);
  });
});
