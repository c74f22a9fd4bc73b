import { readHouse } from '@freshet/core/house';
import { growthPicture, outlookOf } from '@freshet/core/growout';
import { attempt, clutch, furnish, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
const LAID = '2026-01-10T08:00:00.000Z';
let test: TestHouse;
let keeper: Client;
let sitter: Client;
let tanks: Record<string, string>;
let brood: { broodId: string; lotId: string };

beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});
beforeEach(async () => {
  test.setNow(NOW);
  ({ keeper, sitter } = await test.house());
  tanks = await furnish(keeper, ['A1', 'A2', 'A3', 'A4', 'A5']);
  // Born swimming: the brood grows from its first day.
  const parents = await stockUp(keeper, tank('A1'), 'humpback-limia', { males: 1, females: 2 }, '2026-01-01T08:00:00.000Z');
  const attemptId = await attempt(keeper, tank('A1'), 'humpback-limia', '2026-01-02', {
    sires: [parents],
    dams: [parents],
    to: '2026-01-12',
  });
  brood = await clutch(keeper, attemptId, { from: LAID, to: LAID }, 50);
});

const tank = (code: string) => tanks[code] ?? '';
type Sort = Parameters<typeof keeper.write<'sortYoung'>>[1];
const sort = (classes: { name: string; heads: number; to: string | null; mm?: number }[], more: Partial<Sort> = {}) =>
  sitter.call('sortYoung', {
    id: newId(),
    lotId: brood.lotId,
    at: test.now(),
    classes: classes.map(({ name, heads, to, mm }) => ({ lotId: newId(), name, heads, toTankId: to, lengthMm: mm ?? null })),
    rest: null,
    drained: null,
    override: { reason: 'bare tanks' },
    ...more,
  });
const lots = async () =>
  (await keeper.get('tankLife')).flatMap(({ code, lots: here }) =>
    here.flatMap(({ broodId, unsexed }) => (broodId ? [`${code} ${unsexed}`] : [])),
  );
const view = async () => readHouse(await keeper.get('house'), test.now());
const refused = (pointer: string, detail?: RegExp) => ({
  ok: false,
  body: { errors: [{ pointer, ...(detail ? { detail: expect.stringMatching(detail) as string } : {}) }] },
});
const undoLast = async () => {
  const [newest] = await keeper.get('entries', { query: {} });
  return keeper.call('undo', { id: newId(), entryId: newest?.id ?? '' });
};
const record = () => keeper.get('growoutRecord', { params: { speciesKey: 'humpback-limia' } });

describe('young sorted by size', () => {
  it('go into a tank a class, keep their brood and their lengths, and come back with an undo', async () => {
    const before = await lots();
    expect(before).toEqual(['A1 50']);
    expect(
      await sort([
        { name: 'large', heads: 18, to: tank('A2'), mm: 21 },
        { name: 'middle', heads: 20, to: tank('A3'), mm: 17 },
        { name: 'small', heads: 12, to: null, mm: 13 },
      ]),
    ).toMatchObject({ ok: true });
    expect((await lots()).sort()).toEqual(['A1 12', 'A2 18', 'A3 20']);
    expect((await keeper.get('brood', { params: { broodId: brood.broodId } })).alive).toBe(50);
    const residents = (await view()).stock.lots.filter(({ broodId }) => broodId === brood.broodId);
    expect(residents.map(({ lengthMm }) => lengthMm).sort()).toEqual([13, 17, 21]);
    expect((await record()).sortings).toMatchObject([
      { booked: 50, missing: 0, classes: [{ heads: 18 }, { heads: 20 }, { heads: 12 }] },
    ]);
    expect(await undoLast()).toMatchObject({ ok: true });
    expect(await lots()).toEqual(before);
    expect((await record()).sortings).toEqual([]);
    expect((await keeper.get('balance')).balanced).toBe(true);
  });

  it('must add up: the missing are said, and booked by what became of them', async () => {
    const halves = [
      { name: 'large', heads: 20, to: tank('A2') },
      { name: 'small', heads: 25, to: null },
    ];
    expect(await sort(halves)).toMatchObject(refused('#/classes', /45 counted, 50 in the log: 5 are missing/));
    expect(await sort([{ name: 'all', heads: 52, to: null }], { rest: 'eaten' })).toMatchObject(refused('#/rest'));
    expect(
      await sort(
        [
          { ...halves[0]!, heads: 0 },
          { ...halves[1]!, heads: 0 },
        ],
        { rest: 'eaten' },
      ),
    ).toMatchObject(refused('#/classes'));
    expect(await lots()).toEqual(['A1 50']);
    expect(await sort(halves, { rest: 'eaten' })).toMatchObject({ ok: true });
    expect((await lots()).sort()).toEqual(['A1 25', 'A2 20']);
    const page = await keeper.get('brood', { params: { broodId: brood.broodId } });
    expect(page.ledger.find(({ label }) => label === 'Lost since birth')?.count).toBe(-5);
    expect((await record()).flow).toMatchObject({ born: 50, lost: 5, breeders: 3 });
  });

  it('is refused where two stay, two go into one tank, there are too many classes, or a length is longer than any', async () => {
    const one = { name: 'a', heads: 10, to: null };
    expect(await sort([one, { ...one, name: 'b' }])).toMatchObject(refused('#/classes', /Only one class can stay/));
    expect(
      await sort([
        { ...one, to: tank('A2') },
        { ...one, to: tank('A2') },
      ]),
    ).toMatchObject(refused('#/classes', /mixed again/));
    const forty = Array.from({ length: 40 }, (_, i) => ({ name: `size ${i}`, heads: 1, to: tank('A2') }));
    expect(await sort(forty)).toMatchObject({
      ok: false,
      body: { errors: expect.arrayContaining([expect.objectContaining({ pointer: '#/classes' })]) as object[] },
    });
    expect(await sort([{ ...one, heads: 50, mm: 900 }])).toMatchObject(refused('#/classes/0/lengthMm', /At most 500 mm/));
    expect(await sort([{ ...one, heads: 50, mm: -3 }])).toMatchObject(refused('#/classes/0/lengthMm'));
    expect(await sort([{ ...one, heads: 50, mm: 140 }])).toMatchObject(refused('#/classes/0/lengthMm', /far longer than/));
    expect(await lots()).toEqual(['A1 50']);
  });

  it('of a drained pond keeps what the net brought, the waters and the next stocking', async () => {
    const drained = {
      fromC: 14,
      toC: 17,
      minutes: 40,
      hoseChecked: true,
      byCatch: 'dragonfly larvae',
      refilled: true,
      nextOn: '2026-05-20',
    };
    expect(
      await sort([{ name: 'all', heads: 30, to: tank('A2') }], { rest: 'unknown', drained: { ...drained, fromC: 80 } }),
    ).toMatchObject(refused('#/drained/fromC'));
    expect(await sort([{ name: 'all', heads: 30, to: tank('A2') }], { rest: 'unknown', drained })).toMatchObject({ ok: true });
    expect((await record()).sortings[0]).toMatchObject({ missing: 20, drained });
    expect((await keeper.get('tankLife')).find(({ code }) => code === 'A1')?.readiness.ready).toBe(false);
    expect(await lots()).toEqual(['A2 30']);
  });
});

describe('a plan of places', () => {
  const move = (more: object = {}) => ({
    moveId: newId(),
    lotId: brood.lotId,
    toTankId: tank('A2'),
    heads: 20,
    on: '2026-03-12',
    ...more,
  });
  const take = (...moves: object[]) => keeper.call('takePlaces', { id: newId(), at: test.now(), moves: moves as never });
  const chores = async (day: string) =>
    (await keeper.get('round', { query: { day } })).stops.flatMap((stop) =>
      stop.chores.filter(({ kind }) => kind === 'moveYoung').map((chore) => ({ ...chore, tankId: stop.tankId })),
    );

  it('becomes a chore on its day whose tick moves them, and then is no more', async () => {
    expect(await take(move())).toMatchObject({ ok: true });
    expect(await chores('2026-03-11')).toEqual([]);
    const [due] = await chores('2026-03-12');
    expect(due?.text).toBe('Move 20 humpback limia to A2');
    test.setNow('2026-03-12T08:00:00.000Z');
    const [today] = await chores('2026-03-12');
    if (!today) throw new Error('nothing is due');
    const ticked = await sitter.call('outcome', {
      id: newId(),
      choreKey: today.key,
      day: '2026-03-12',
      status: 'done',
      text: today.text,
      tankId: today.tankId,
      amount: 18,
      unit: 'heads',
      tick: today.tick,
      at: test.now(),
    });
    expect(ticked).toMatchObject({ ok: true });
    expect((await lots()).sort()).toEqual(['A1 32', 'A2 18']);
    expect((await view()).moves).toEqual([]);
    expect(await chores('2026-03-13')).toEqual([]);
  });

  it('is refused for a tank that is booked, more than there are, a day that is over, and by the sitter', async () => {
    await attempt(keeper, tank('A3'), 'humpback-limia', '2026-03-11', { name: 'Next', to: '2026-03-20' });
    expect(await take(move({ toTankId: tank('A3') }))).toMatchObject(
      refused('#/moves/0/toTankId', /A3 is booked for Next until/),
    );
    expect(await take(move(), move({ heads: 31, toTankId: tank('A4') }))).toMatchObject(
      refused('#/moves/1/heads', /Only 50 live in it/),
    );
    expect(await take(move({ on: '2026-03-09' }))).toMatchObject(refused('#/moves/0/on'));
    expect(await take(move({ toTankId: tank('A1') }))).toMatchObject(refused('#/moves/0/toTankId'));
    expect(await sitter.call('takePlaces', { id: newId(), at: test.now(), moves: [] })).toMatchObject({ ok: false, status: 403 });
    expect((await view()).moves).toEqual([]);
  });

  it('is what the house plans with: a tank that is promised is free no more', async () => {
    const freeOf = async () => (await keeper.get('tankLife')).find(({ code }) => code === 'A2')?.freeOn;
    expect(await freeOf()).toBe('2026-03-10');
    await take(move());
    expect(await freeOf()).toBeNull();
    await take();
    expect(await freeOf()).toBe('2026-03-10');
  });
});

describe('lengths of a brood', () => {
  it('of every week are points of its curve; a slow brood is told as slow, and the outlook goes by it', async () => {
    const measure = (at: string, mm: number) =>
      sitter.write('sampleLengths', {
        id: newId(),
        lotId: brood.lotId,
        at,
        method: 'ruler',
        lengthsMm: [mm - 1, mm, mm, mm + 1],
      });
    await measure('2026-02-05T08:00:00.000Z', 11);
    await measure('2026-02-20T08:00:00.000Z', 12);
    await measure('2026-03-09T08:00:00.000Z', 13);
    const picture = growthPicture(await view(), brood.broodId);
    expect(picture?.samples.map(({ meanMm }) => meanMm)).toEqual([11, 12, 13]);
    expect(picture?.slow?.daysBehind).toBeGreaterThan(10);
    expect(outlookOf(await view()).tanks.map(({ code }) => code)).toEqual(['A1']);
  });

  it('can be one that is typed beside the chore', async () => {
    const round = await keeper.get('round', { query: {} });
    const stop = round.stops.find(({ chores: all }) => all.some(({ kind }) => kind === 'measureYoung'));
    const chore = stop?.chores.find(({ kind }) => kind === 'measureYoung');
    if (!stop || !chore) throw new Error('nobody asks for a length');
    const tick = (amount: number) =>
      sitter.call('outcome', {
        id: newId(),
        choreKey: chore.key,
        day: round.day,
        status: 'done',
        text: chore.text,
        tankId: stop.tankId,
        amount,
        unit: 'mm',
        tick: chore.tick,
        at: test.now(),
      });
    expect(await tick(0)).toMatchObject({ ok: false });
    expect(await tick(18)).toMatchObject({ ok: true });
    expect((await keeper.get('brood', { params: { broodId: brood.broodId } })).measured).toMatchObject({ meanMm: 18, count: 1 });
  });
});

describe('young looked at for faults', () => {
  const select = (more: object = {}) =>
    keeper.call('selectYoung', {
      id: newId(),
      lotId: brood.lotId,
      at: test.now(),
      seen: 40,
      faults: { spine: 3, gillCover: 0, fins: 0, colour: 0, runt: 2, other: 0 },
      decisions: { keep: 6, sell: 30, retire: 1, giveAway: 0, end: 2 },
      note: null,
      ...more,
    });

  it('are kept by cross, and those that are ended leave the headcount until it is taken back', async () => {
    expect(await select()).toMatchObject({ ok: true });
    expect((await record()).selections).toMatchObject([
      { cross: expect.stringContaining('×') as string, seen: 40, faults: { spine: 3 } },
    ]);
    expect(await lots()).toEqual(['A1 48']);
    expect(await undoLast()).toMatchObject({ ok: true });
    expect([await lots(), (await record()).selections]).toEqual([['A1 50'], []]);
  });

  it('cannot be more than live there, nor more decided or at fault than were looked at', async () => {
    expect(await select({ seen: 60 })).toMatchObject(refused('#/seen', /Only 50 live in it/));
    expect(await select({ seen: 10 })).toMatchObject({ ok: false, body: { errors: [{ pointer: '#/decisions' }] } });
    expect(await select({ seen: 40, faults: { spine: 41 } })).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/faults' }] },
    });
    expect((await record()).selections).toEqual([]);
  });
});
