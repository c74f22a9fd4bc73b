import { QueryTypes } from 'sequelize';
import { addDays } from '@freshet/core/time';
import { usualLossWPerK } from '@freshet/core/room';
import { orderOutlooks, takingsBySpecies } from '@freshet/core/sales';
import { readHouse } from '@freshet/core/house';
import { attempt, clutch, furnish, shopOf, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
const TODAY = '2026-03-10';
const LAID = '2025-10-10T08:00:00.000Z';
let test: TestHouse;
let keeper: Client;
let sitter: Client;
let tanks: Record<string, string>;
let young: { broodId: string; lotId: string };
let shop: string;

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
  const parents = await stockUp(keeper, tank('A1'), 'humpback-limia', { males: 1, females: 2 }, '2025-10-01T08:00:00.000Z');
  const attemptId = await attempt(keeper, tank('A1'), 'humpback-limia', '2025-10-02', {
    sires: [parents],
    dams: [parents],
    to: '2025-10-12',
  });
  young = await clutch(keeper, attemptId, { from: LAID, to: LAID }, 40);
  await keeper.call('move', {
    id: newId(),
    lotId: young.lotId,
    newLotId: newId(),
    toTankId: tank('A2'),
    heads: { males: 0, females: 0, unsexed: 40 },
    at: test.now(),
    override: { reason: 'bare tanks' },
  });
  shop = newId();
  await keeper.write('noteBuyer', shopOf(shop, 'Thistlewick Aquatics'));
});

const tank = (code: string) => tanks[code] ?? '';
const unsexed = (count: number) => ({ males: 0, females: 0, unsexed: count });
type Order = Parameters<typeof keeper.write<'order'>>[1];
const orderOf = (orderId: string, heads: number, aside: number, more: Partial<Order> = {}): Order => ({
  id: newId(),
  orderId,
  buyerId: shop,
  dueOn: '2026-03-13',
  lines: [
    {
      lineId: newId(),
      speciesKey: 'humpback-limia',
      sex: 'any',
      leastMm: null,
      heads,
      cents: 250,
      broodId: null,
      reserved: aside > 0 ? [{ lotId: young.lotId, ...unsexed(aside) }] : [],
    },
  ],
  note: null,
  reason: null,
  ...more,
});
type Sale = Parameters<typeof keeper.write<'sell'>>[1];
const sale = (heads: number, more: Partial<Sale> = {}, cents = 300): Sale => ({
  id: newId(),
  saleId: newId(),
  buyerId: shop,
  orderId: null,
  at: test.now(),
  pays: 'cash',
  lots: [{ soldId: newId(), lotId: young.lotId, lineId: null, heads: unsexed(heads), cents, lengthMm: 26 }],
  reason: null,
  ...more,
});
const refused = (pointer: string, detail?: RegExp) => ({
  ok: false,
  body: { errors: [{ pointer, ...(detail ? { detail: expect.stringMatching(detail) as string } : {}) }] },
});
const alive = async () => (await keeper.get('brood', { params: { broodId: young.broodId } })).alive;
const view = async () => readHouse(await keeper.get('house'), test.now());
const undo = (entryId: string) => keeper.call('undo', { id: newId(), entryId });

describe('what buyers took', () => {
  it('is told by month and species, heads and what they brought, and what was taken back is not in it', async () => {
    await keeper.write('sell', sale(4, { at: '2026-01-31T23:30:00.000Z' }, 300));
    await keeper.write('sell', sale(6, { at: '2026-03-01T09:00:00.000Z' }, 250));
    const { entryId } = await keeper.write('sell', sale(5));
    await undo(entryId);
    const takings = await keeper.get('takings');
    expect(takings.map(({ month, heads, cents }) => [month, heads, cents])).toEqual([
      ['2026-01', 4, 1200],
      ['2026-03', 6, 1500],
    ]);
    const [line] = takingsBySpecies(takings, TODAY, 'EUR');
    expect(line?.months.filter(({ heads }) => heads > 0)).toEqual([
      { month: '2026-01', heads: 4, meanCents: 300 },
      { month: '2026-03', heads: 6, meanCents: 250 },
    ]);
    expect(line?.words).toBe('10 at €2.70 in the last six months, 0 in the six before');
    expect(await sitter.call('takings')).toMatchObject({ status: 403 });
  });
});

describe('animals handed over', () => {
  it('leave the ledger once, with price, cost and a code that leads back to their parents, and come back with an undo', async () => {
    const six = sale(6);
    expect(await keeper.call('sell', six)).toMatchObject({ ok: true });
    expect(await keeper.call('sell', six)).toMatchObject({ ok: true, body: { replayed: true } });
    expect(await alive()).toBe(34);
    const [row] = await keeper.get('sold');
    expect(row).toMatchObject({ heads: 6, cents: 300, buyerName: 'Thistlewick Aquatics', speciesName: 'Humpback limia' });
    // 40 of one tank since October, 5 cents a tank's day: a few cents for each of forty.
    expect(row?.costCents).toBeGreaterThan(0);
    expect(row?.costCents).toBeLessThan(300);
    const trail = await keeper.get('trail', { params: { code: row?.code.toLowerCase() ?? '' } });
    expect(trail).toMatchObject({ heads: 6, tank: { code: 'A2' }, livingSisters: [{ code: 'A2', heads: 34 }], sisters: [] });
    expect(trail.parents.map(({ as }) => as)).toEqual(['sire', 'dam']);
    const [took] = (await keeper.get('buyers'))[0]?.took ?? [];
    expect(took).toMatchObject({ heads: 6, cents: 1800 });
    expect(await undo(six.id)).toMatchObject({ ok: true });
    expect(await alive()).toBe(40);
    expect(await keeper.get('sold')).toEqual([]);
    expect((await keeper.get('balance')).balanced).toBe(true);
  });

  it('are refused at their field: more than there are, a negative price, for a gift, tomorrow, out of a sick tank without a reason', async () => {
    expect(await keeper.call('sell', sale(41))).toMatchObject(refused('#/lots/0/heads'));
    expect(await keeper.call('sell', sale(0))).toMatchObject(refused('#/lots/0/heads', /At least one/));
    expect(await keeper.call('sell', sale(2, {}, -5))).toMatchObject(refused('#/lots/0/cents', /cannot be negative/));
    const friend = newId();
    await keeper.write('noteBuyer', shopOf(friend, 'A neighbour', { kind: 'gift' }));
    expect(await keeper.call('sell', sale(2, { buyerId: friend }))).toMatchObject(refused('#/lots/0/cents', /gift/));
    expect(await keeper.call('sell', sale(2, { at: `${addDays(TODAY, 1)}T08:00:00.000Z` }))).toMatchObject(refused('#/at'));
    await keeper.write('logIllness', { id: newId(), tankId: tank('A2'), at: test.now(), what: 'white spots' });
    expect(await keeper.call('sell', sale(2))).toMatchObject(refused('#/reason', /illness was seen/));
    expect(await alive()).toBe(40);
    expect(await keeper.call('sell', sale(2, { reason: 'the buyer treats them' }))).toMatchObject({ ok: true });
    expect(await alive()).toBe(38);
  });

  it('to somebody new note who it is in the same entry, which stays while others went to them', async () => {
    const fresh = newId();
    const first = sale(2, { buyerId: fresh, newBuyer: { kind: 'private', name: 'Somebody new' } });
    expect(await keeper.call('sell', first)).toMatchObject({ ok: true });
    const second = sale(1, { buyerId: fresh });
    expect(await keeper.call('sell', second)).toMatchObject({ ok: true });
    expect(
      await keeper.call('sell', sale(1, { buyerId: newId(), newBuyer: { kind: 'shop', name: 'somebody NEW' } })),
    ).toMatchObject(refused('#/newBuyer/name', /already/));
    expect(await undo(first.id)).toMatchObject({
      ok: false,
      body: { detail: expect.stringMatching(/went to them since/) as string },
    });
    expect(await undo(second.id)).toMatchObject({ ok: true });
    expect(await undo(first.id)).toMatchObject({ ok: true });
    expect((await keeper.get('buyers')).map(({ name }) => name)).toEqual(['Thistlewick Aquatics']);
  });

  it('of a kind that needs a licence stop until a reason is given', async () => {
    const yabbies = await stockUp(keeper, tank('A3'), 'yabby', { males: 1, females: 1 }, '2026-01-01T08:00:00.000Z');
    const lots = [
      { soldId: newId(), lotId: yabbies, lineId: null, heads: { males: 1, females: 0, unsexed: 0 }, cents: 900, lengthMm: null },
    ];
    expect(await keeper.call('sell', sale(1, { lots }))).toMatchObject(refused('#/reason', /licence/));
    expect(await keeper.call('sell', sale(1, { lots, reason: 'licence seen' }))).toMatchObject({ ok: true });
  });
});

describe('an order', () => {
  it('sets fish aside that no other order gets, and is filled in parts', async () => {
    const [one, two] = [newId(), newId()];
    const first = orderOf(one, 30, 25);
    expect(await keeper.call('order', first)).toMatchObject({ ok: true });
    expect(await keeper.call('order', orderOf(two, 20, 20))).toMatchObject(refused('#/lines/0/reserved', /Only 15/));
    expect(await keeper.call('order', orderOf(two, 15, 15))).toMatchObject({ ok: true });
    // What is promised is not sold over the counter.
    expect(await keeper.call('sell', sale(1))).toMatchObject(refused('#/lots/0/heads', /promised \(order 1, 2\): 0 can go/));
    const lineId = first.lines[0]?.lineId ?? '';
    const part = { soldId: newId(), lotId: young.lotId, lineId, heads: unsexed(25), cents: 250, lengthMm: null };
    const handed = sale(25, { orderId: one, lots: [part] });
    expect(await keeper.call('sell', handed)).toMatchObject({ ok: true });
    expect((await keeper.get('orders')).map(({ number, state, lines }) => [number, state, lines[0]?.collected])).toEqual([
      [1, 'open', 25],
      [2, 'open', 0],
    ]);
    const six = sale(6, { orderId: one, lots: [{ ...part, soldId: newId(), heads: unsexed(6) }] });
    expect(await keeper.call('sell', six)).toMatchObject(refused('#/lots/0/heads'));
    expect(await undo(handed.id)).toMatchObject({ ok: true });
    const [again] = (await view()).sales.orders;
    expect(again?.lines[0]).toMatchObject({ collected: 0, reserved: [{ lotId: young.lotId, unsexed: 25 }] });
    expect(await alive()).toBe(40);
  });

  it('for yesterday, of nothing, or of a species nobody knows is refused and nothing is kept', async () => {
    expect(await keeper.call('order', orderOf(newId(), 5, 0, { dueOn: '2026-03-09' }))).toMatchObject(
      refused('#/dueOn', /day is over/),
    );
    expect(await keeper.call('order', orderOf(newId(), 0, 0))).toMatchObject(refused('#/lines/0/heads'));
    expect(await keeper.call('order', orderOf(newId(), 5, 6))).toMatchObject(
      refused('#/lines/0/reserved', /6 are set aside for 5/),
    );
    const strange = orderOf(newId(), 5, 0);
    strange.lines[0]!.speciesKey = 'no-such-fish';
    expect(await keeper.call('order', strange)).toMatchObject(refused('#/lines/0/speciesKey'));
    expect(await keeper.get('orders')).toEqual([]);
  });

  it('says at once that its fish died, fasts them the day before, and tells the sitter neither who nor for how much', async () => {
    await keeper.write('order', orderOf(newId(), 30, 30));
    await keeper.write('lose', { id: newId(), lotId: young.lotId, heads: unsexed(15), cause: 'death', at: test.now() });
    const told = (await view()).sales.orders;
    expect(told[0]).toMatchObject({ number: 1, buyerKind: 'shop' });
    expect(orderOutlooks(await view())[0]).toMatchObject({ state: 'trouble' });
    const round = await keeper.get('round');
    expect(round.alarms.find(({ key }) => key.startsWith('order:'))?.text).toMatch(/Only 25 are left in A2, and 30 are promised/);
    test.setNow('2026-03-12T08:00:00.000Z');
    const stop = (await keeper.get('round')).stops.find(({ code }) => code === 'A2');
    expect(stop?.chores.map(({ kind }) => kind)).toContain('fastBeforePacking');
    expect(stop?.chores.map(({ kind }) => kind)).not.toContain('feedYoung');
    expect(stop?.notes.join(' ')).toMatch(/30 humpback limia here are promised/);
    expect(await sitter.call('order', orderOf(newId(), 1, 0))).toMatchObject({ ok: false, status: 403 });
    const facts = JSON.stringify(await sitter.get('house'));
    expect(facts).not.toMatch(/Thistlewick|cents":250/);
    const log = JSON.stringify(await sitter.get('entries', { query: {} }));
    expect(log).not.toMatch(/Thistlewick/);
    for (const name of ['buyers', 'orders', 'sold'] as const)
      expect((await sitter.raw('GET', `/api/sales/${name}`)).status).toBe(403);
    expect((await sitter.raw('GET', '/api/sales/money')).status).toBe(403);
  });

  it('of two writers at once one gets the fish', async () => {
    const both = await Promise.all([
      keeper.call('order', orderOf(newId(), 30, 30)),
      keeper.call('order', orderOf(newId(), 30, 30)),
    ]);
    expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
    expect(new Set((await keeper.get('orders')).map(({ number }) => number)).size).toBe(1);
  });
});

describe('money', () => {
  it('tells by species what came in and what it cost, a fee among it, and a row is taken back, never changed', async () => {
    const auction = newId();
    await keeper.write('noteBuyer', shopOf(auction, 'Fishkeepers’ auction', { kind: 'auction', feePercent: 10 }));
    await keeper.write('setRates', {
      id: newId(),
      currency: 'EUR',
      kwhCents: 40,
      tankDayCents: 10,
      waterCentsPerM3: 0,
      roomC: 20,
    });
    await keeper.write('sell', sale(10, { buyerId: auction }, 200));
    const spent = { id: newId(), on: TODAY, kind: 'parents', cents: 1200, speciesKey: 'humpback-limia', note: null } as const;
    await keeper.write('noteMoney', spent);
    const { species, buyers, rows } = await keeper.get('money', { query: {} });
    const limia = species.find(({ key }) => key === 'humpback-limia');
    expect(limia).toMatchObject({ sold: 10, incomeCents: 2000, costs: { direct: 1400, heating: 0 } });
    // A year back from today: the parents in A1 since October, the young there and then in A2 today.
    expect(limia?.costs.tank).toBe(10 * (161 + 1));
    expect(buyers).toMatchObject([{ heads: 10, cents: 1800 }]);
    expect(rows).toMatchObject([{ words: 'breeders bought', cents: 1200, isIncome: false }]);
    await undo(spent.id);
    expect((await keeper.get('money', { query: {} })).rows).toEqual([]);
    // While nothing has a price, the money can still be chosen.
    const { keeper: newcomer } = await test.house();
    expect((await newcomer.get('rates')).currency).toBe('EUR');
    await newcomer.write('setRates', {
      id: newId(),
      currency: 'usd',
      kwhCents: 20,
      tankDayCents: 5,
      waterCentsPerM3: 0,
      roomC: 20,
    });
    expect((await newcomer.get('rates')).currency).toBe('USD');
    const note = { id: newId(), on: TODAY, kind: 'otherCost', cents: 300, speciesKey: null, note: null } as const;
    await newcomer.write('noteMoney', note);
    const pounds = {
      id: newId(),
      currency: 'GBP',
      kwhCents: 20,
      tankDayCents: 5,
      waterCentsPerM3: 0,
      roomC: 20,
      version: (await newcomer.get('rates')).entryId,
    };
    expect(await newcomer.call('setRates', pounds)).toMatchObject(refused('#/currency', /^1 note of money is in USD\./));
    const dollars = { id: newId(), currency: 'USD', kwhCents: 40, tankDayCents: 10, waterCentsPerM3: 0, roomC: 20 };
    expect(await keeper.call('setRates', dollars)).toMatchObject(
      refused('#/currency', /sales?.* in EUR\. Take back what has a price first \(Log\), or keep EUR\./),
    );
  });
});

describe('what heat costs', () => {
  it('goes by what the tank was measured to lose, else by its size, and is nothing where nothing is heated', async () => {
    const kwh = async () => (await keeper.get('money')).species.find(({ key }) => key === 'humpback-limia')?.heatingKwh ?? 0;
    const equipped = (lossWPerK: number | null) => ({
      ...{ id: newId(), tankId: tank('A2'), heaterW: 100, filter: null, hasLid: true, hasIntakeGuard: false },
      ...{ zeroDays: 7, restDays: 7, lossWPerK, override: { reason: 'measured anew' } },
    });
    expect(await kwh()).toBe(0);
    await keeper.write('equip', equipped(null));
    const bySize = await kwh();
    await keeper.write('equip', equipped(20));
    const { litres } = (await keeper.get('room')).racks
      .flatMap(({ shelves }) => shelves.flatMap((one) => one.tanks))
      .find(({ code }) => code === 'A2') ?? { litres: 0 };
    expect((await kwh()) / bySize).toBeCloseTo(20 / usualLossWPerK(litres), 6);
    expect(await keeper.call('equip', equipped(-3))).toMatchObject(refused('#/lossWPerK'));
  });
});

describe('a buyer', () => {
  it('is erased from every row there ever was, while what was bought stays', async () => {
    await keeper.write('noteBuyer', shopOf(shop, 'Thistlewick Aquatics', { contact: 'the quay, number 3' }));
    await keeper.write('sell', sale(4));
    expect(await keeper.call('eraseBuyer', { id: newId(), buyerId: shop })).toMatchObject({ ok: true });
    const [gone] = await keeper.get('buyers');
    expect(gone).toMatchObject({ name: 'Erased', contact: null, erased: true, heads: 4 });
    const rows = await test.database.sequelize.query(
      "SELECT id FROM buyers WHERE buyer_id = :shop AND name LIKE 'Thistlewick%'",
      {
        replacements: { shop },
        type: QueryTypes.SELECT,
      },
    );
    expect(rows).toEqual([]);
    expect(await keeper.call('noteBuyer', shopOf(shop, 'Thistlewick Aquatics'))).toMatchObject({ ok: false });
  });

  it('complains: it is kept with its label, and the sisters that went elsewhere are named', async () => {
    const other = newId();
    await keeper.write('noteBuyer', shopOf(other, 'The Glass Heron'));
    const [first, second] = [sale(5), sale(3, { buyerId: other })];
    await keeper.write('sell', first);
    await keeper.write('sell', second);
    const soldId = first.lots[0]?.soldId ?? '';
    const complaint = {
      id: newId(),
      soldId,
      heads: 2,
      what: 'arrived thin',
      settled: 'credit',
      cents: 600,
      at: test.now(),
    } as const;
    expect(await keeper.call('complain', { ...complaint, id: newId(), heads: 6 })).toMatchObject(refused('#/heads', /Only 5/));
    expect(await keeper.call('complain', { ...complaint, id: newId(), settled: 'open' })).toMatchObject(refused('#/settled'));
    expect(await keeper.call('complain', complaint)).toMatchObject({ ok: true });
    const code = (await keeper.get('sold')).find(({ heads }) => heads === 5)?.code ?? '';
    expect(await keeper.get('trail', { params: { code } })).toMatchObject({
      complaints: [{ heads: 2, what: 'arrived thin', settled: 'credit', cents: 600 }],
      sisters: [{ buyerName: 'The Glass Heron', heads: 3, complained: false }],
    });
    expect(await undo(first.id)).toMatchObject({ ok: false, body: { detail: expect.stringMatching(/complaint/) as string } });
  });
});
