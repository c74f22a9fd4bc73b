import { QueryTypes } from 'sequelize';
import { API, schemaOf, type ApiName, type EntryKindName } from '@freshet/contract/api';
import type { AnyEndpoint, BodyOf } from '@freshet/contract/endpoints';
import { bodiesOf, entryWrites, furnishEverything, type Things } from '../testing/everything';
import { EMPTY, furnish, shopOf, stockUp } from '../testing/furnish';
import { newId, openTestHouse, type Answer, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
const DAY = '2026-03-10';
const TIMES = 4;
jest.setTimeout(120_000);
let test: TestHouse;
beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});

const send = (client: Client, name: ApiName, body: object) =>
  client.call(name, { id: newId(), ...body } as BodyOf<(typeof API)[typeof name]>) as Promise<Answer<{ replayed: boolean }>>;
const refusal = (answer: Answer<unknown>) => (answer.ok ? 'taken' : `${answer.body.code}: ${answer.body.detail ?? ''}`);
/** A chore of the round as a user ticks it. */
const tick = (kind: string, id: string, more: object = {}) => ({
  choreKey: `${kind}:${id}:${newId()}`,
  day: DAY,
  status: 'done',
  text: 'Something to do',
  tankId: null,
  amount: null,
  unit: null,
  at: NOW,
  tick: { kind, id, what: null },
  ...more,
});
const tankLog = async (keeper: Client, aboutId: string) =>
  (await keeper.get('entries', { query: { aboutId } })).map(({ text }) => text);

describe('two writers at once', () => {
  /** Writes that edit in place: their schema asks which entry the form was filled from. */
  const edits = entryWrites.filter((name) => {
    const { entry } = API[name] as AnyEndpoint;
    return 'version' in (schemaOf(entry as EntryKindName) as unknown as { entries: object }).entries;
  });

  it('are the edits of orders, equipment, hours, buyers, costs, regimes, species and lots', () => {
    expect([...edits].sort()).toEqual([
      'describeLot',
      'equip',
      'noteBuyer',
      'order',
      'saveSpecies',
      'setHours',
      'setRates',
      'setRegime',
    ]);
  });

  it.each(edits)('of %s from one form: one is taken, the other sees both sides', async (name) => {
    const { keeper } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    for (let i = 0; i < TIMES; i++) {
      // Each round begins from what stands: the newest entry of that kind about it, none at first.
      const aboutId = { order: things.orderId, noteBuyer: things.buyerId }[name as string];
      const entries = await keeper.get('entries', { query: aboutId ? { aboutId } : {} });
      const version = entries.find(({ kind, undone }) => kind === (API[name] as AnyEndpoint).entry && !undone)?.id ?? null;
      const body: object = { ...bodiesOf(things, NOW)[name], ...(name === 'order' ? { orderId: things.orderId } : {}) };
      const filled = name === 'noteBuyer' ? { ...body, buyerId: things.buyerId } : body;
      const begun = i === 0 && !aboutId ? null : version;
      const answers = await Promise.all([1, 2].map(() => send(keeper, name, { ...filled, version: begun })));
      expect([name, ...answers.map(({ status }) => status).sort()]).toEqual([name, 200, 409]);
      const clash = answers.find(({ ok }) => !ok);
      expect(refusal(clash as Answer<unknown>)).toMatch(
        /^log\/edited-since: keeper changed it .*Yours: .+If yours is to stand, say why/,
      );
    }
  });

  it('of one request: recorded once, the other is told so', async () => {
    const { keeper } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    const faults: string[] = [];
    for (const name of entryWrites) {
      const body = { ...bodiesOf(things, NOW)[name], id: newId() };
      const answers = await Promise.all([1, 2, 3].map(() => send(keeper, name, body)));
      const replayed = answers.map((answer) => (answer.ok ? answer.body.replayed : refusal(answer)));
      if ([...replayed].sort().join() !== 'false,true,true') faults.push(`${name}: ${replayed.join()}`);
      // What was done stands in the way of what comes after it.
      if (name !== 'eraseBuyer') await keeper.call('undo', { id: newId(), entryId: body.id });
    }
    expect(faults).toEqual([]);
  });

  it('a cancel and a change of one order: what was cancelled stays cancelled', async () => {
    const { keeper } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    for (let i = 0; i < TIMES; i++) {
      const orderId = newId();
      const order = { ...bodiesOf(things, NOW).order, orderId };
      const placed = newId();
      await send(keeper, 'order', { ...order, id: placed });
      const [cancelled, changed] = await Promise.all([
        send(keeper, 'cancelOrder', { orderId, why: 'they moved away' }),
        send(keeper, 'order', { ...order, note: 'rather on Saturday', version: placed }),
      ]);
      const [state] = (await keeper.get('orders')).filter((one) => one.orderId === orderId);
      expect(cancelled.ok).toBe(true);
      expect(state?.state).toBe('cancelled');
      if (!changed.ok) expect(refusal(changed)).toMatch(/cancelled/);
    }
  });

  it('and ten more wait for one that takes long: all are taken in the end, and who only reads is answered meanwhile', async () => {
    const { keeper } = await test.house();
    await furnish(keeper, ['A1']);
    const { sequelize, inTransaction } = test.database;
    let held = (): void => undefined;
    const isHeld = new Promise<void>((resolve) => {
      held = resolve;
    });
    // Longer than anybody is let wait for a connection.
    const long = inTransaction(async (transaction) => {
      await sequelize.query('SELECT revision FROM houses FOR UPDATE', { transaction, type: QueryTypes.SELECT });
      held();
      await new Promise((resolve) => setTimeout(resolve, 6000));
    });
    await isHeld;
    const waiting = Promise.all(
      Array.from({ length: 12 }, (_, i) => send(keeper, 'jot', { line: `A1 ${20 + i / 10}`, at: NOW })),
    );
    const asked = performance.now();
    await keeper.get('entries', { query: {} });
    expect(performance.now() - asked).toBeLessThan(3000);
    await long;
    expect((await waiting).map(refusal)).toEqual(Array.from({ length: 12 }, () => 'taken'));
  });

  it('of the last animals: they leave once', async () => {
    const { keeper } = await test.house();
    const { A1 = '', A2 = '', A3 = '' } = await furnish(keeper, ['A1', 'A2', 'A3']);
    const lotId = await stockUp(keeper, A1, 'lemon-tetra', { unsexed: 3 }, NOW);
    const all = { lotId, heads: { ...EMPTY, unsexed: 3 }, at: NOW };
    const answers = await Promise.all([
      send(keeper, 'lose', { ...all, cause: 'death' }),
      send(keeper, 'move', { ...all, newLotId: newId(), toTankId: A2 }),
      send(keeper, 'lose', { ...all, cause: 'sale' }),
      send(keeper, 'move', { ...all, newLotId: newId(), toTankId: A3 }),
    ]);
    expect((await keeper.get('balance')).balanced).toBe(true);
    const heads = (await keeper.get('lots')).reduce((sum, lot) => sum + lot.males + lot.females + lot.unsexed, 0);
    const gone = [answers[0], answers[2]].filter((answer) => answer?.ok).length;
    expect([heads, gone]).toEqual(gone === 1 ? [0, 1] : [3, 0]);
  });
});

/** What stands in the way of animals, by every door they can come through. */
describe('a rule does not depend on the door', () => {
  async function house(): Promise<{ keeper: Client; sitter: Client; tanks: Things; lotId: string }> {
    const { keeper, sitter } = await test.house();
    const tanks = await furnish(keeper, ['A1', 'A2', 'A3']);
    const lotId = await stockUp(keeper, tanks.A1 ?? '', 'lemon-tetra', { unsexed: 12 }, '2026-03-01T08:00:00.000Z');
    return { keeper, sitter, tanks, lotId };
  }
  const some = { heads: { ...EMPTY, unsexed: 4 }, at: NOW };

  it('a tank that was emptied takes nobody: not by a form, a tick, a line or a sorting, in the same words', async () => {
    const { keeper, tanks, lotId } = await house();
    await send(keeper, 'tankEvent', { tankId: tanks.A2, kind: 'emptied', at: NOW });
    const move = { lotId, newLotId: newId(), toTankId: tanks.A2, ...some };
    const byForm = refusal(await send(keeper, 'move', move));
    expect(byForm).toMatch(/^room\/not-ready: /);
    const moveId = newId();
    const planned = { moveId, lotId, fromTankId: tanks.A1, toTankId: tanks.A2, heads: 4, on: DAY };
    await send(keeper, 'takePlaces', { moves: [planned], at: NOW });
    const sorting = {
      lotId,
      at: NOW,
      classes: [{ lotId: newId(), name: 'large', heads: 4, toTankId: tanks.A2, lengthMm: null }],
      rest: 'wrongCount',
      drained: null,
    };
    const doors = {
      tick: refusal(await send(keeper, 'outcome', tick('moveYoung', moveId))),
      line: refusal(await send(keeper, 'jot', { line: 'A1 moved 4 to A2', at: NOW })),
      sorting: refusal(await send(keeper, 'sortYoung', sorting)),
    };
    expect(doors).toEqual({ tick: byForm, line: byForm, sorting: byForm });
    // With a reason each door opens.
    const override = { reason: 'only for an hour' };
    expect(refusal(await send(keeper, 'outcome', { ...tick('moveYoung', moveId), override }))).toBe('taken');
    expect(refusal(await send(keeper, 'jot', { line: 'A1 moved 4 to A2', at: NOW, override }))).toBe('taken');
    expect((await keeper.get('entries'))[0]).toMatchObject({ reason: 'only for an hour', parts: ['move'] });
  });

  it('animals home again from a spawning do not go into a tank that was emptied meanwhile', async () => {
    const { keeper, tanks, lotId } = await house();
    await send(keeper, 'move', { lotId, newLotId: newId(), toTankId: tanks.A3, heads: { ...EMPTY, unsexed: 12 }, at: NOW });
    await send(keeper, 'tankEvent', { tankId: tanks.A1, kind: 'emptied', at: NOW });
    const home = tick('goHome', tanks.A3 ?? '', { tick: { kind: 'goHome', id: tanks.A3, what: 'adults:lemon-tetra' } });
    expect(refusal(await send(keeper, 'outcome', home))).toMatch(/^room\/not-ready/);
    expect(refusal(await send(keeper, 'outcome', { ...home, override: { reason: 'it is full again' } }))).toBe('taken');
  });

  it('what is promised is not sold to somebody else by a loss or a line', async () => {
    const { keeper, lotId } = await house();
    const buyerId = newId();
    await send(keeper, 'noteBuyer', shopOf(buyerId, 'The Glass Heron'));
    const line = { lineId: newId(), speciesKey: 'lemon-tetra', sex: 'any', leastMm: null, heads: 10, cents: 200, broodId: null };
    await send(keeper, 'order', {
      orderId: newId(),
      buyerId,
      dueOn: '2026-03-14',
      lines: [{ ...line, reserved: [{ lotId, males: 0, females: 0, unsexed: 10 }] }],
      note: null,
      reason: null,
    });
    const sold = { soldId: newId(), lotId, lineId: null, heads: { ...EMPTY, unsexed: 4 }, cents: 200, lengthMm: null };
    const sale = { saleId: newId(), buyerId, orderId: null, at: NOW, pays: 'cash', lots: [sold], reason: null };
    const words = /10 of these are promised \(order 1\): 2 can go/;
    expect(refusal(await send(keeper, 'sell', sale))).toMatch(words);
    expect(refusal(await send(keeper, 'lose', { lotId, ...some, cause: 'sale' }))).toMatch(words);
    expect(refusal(await send(keeper, 'lose', { lotId, ...some, cause: 'gift' }))).toMatch(words);
    expect(refusal(await send(keeper, 'jot', { line: 'A1 sold 4', at: NOW }))).toMatch(words);
    // What died is no sale, whoever it was promised to.
    expect(refusal(await send(keeper, 'lose', { lotId, ...some, cause: 'death' }))).toBe('taken');
  });

  it('an impossible reading is asked about by form, tick and line', async () => {
    const { keeper, tanks } = await house();
    const reading = { tankId: tanks.A1, quantity: 'tempC', value: 3, at: NOW };
    const byForm = refusal(await send(keeper, 'addReading', reading));
    expect(byForm).toMatch(/^room\/implausible-reading/);
    const byTick = tick('temperature', tanks.A1 ?? '', { amount: 3, unit: '°C' });
    expect(refusal(await send(keeper, 'outcome', byTick))).toBe(byForm);
    expect(refusal(await send(keeper, 'jot', { line: 'A1 3', at: NOW }))).toBe(byForm);
    const answer = await send(keeper, 'outcome', byTick);
    expect(answer.ok || answer.body.errors).toEqual([{ pointer: '#/amount', detail: expect.any(String) as string }]);
    // Nothing of the chore stands: it was not done.
    expect((await tankLog(keeper, tanks.A1 ?? '')).filter((text) => text.includes('Something to do'))).toEqual([]);
  });

  it('a part that one may not write is refused with the whole', async () => {
    const { keeper, sitter } = await house();
    // No tick of today stands for what a keeper alone may: one that does, as a later area would declare it.
    test.services.log.declareTicks('species', {
      clutchOfTetras: () => ({
        key: 'lemon-tetra',
        commonName: 'Lemon tetra',
        scientificName: 'Hyphessobrycon pulchripinnis',
        method: 'eggScatterer' as const,
        initials: 'LT',
        figures: { clutch: [7, 9] as const },
        version: null,
      }),
    });
    const clutchOf = async () => (await keeper.get('species')).find(({ key }) => key === 'lemon-tetra')?.figures.clutch;
    const before = await keeper.get('entries');
    const usual = await clutchOf();
    const byTick = await send(sitter, 'outcome', tick('clutchOfTetras', 'any'));
    expect(byTick).toMatchObject({ ok: false, status: 403 });
    expect(await keeper.get('entries')).toEqual(before);
    expect(await clutchOf()).toEqual(usual);
    expect(await send(keeper, 'outcome', tick('clutchOfTetras', 'any'))).toMatchObject({ ok: true });
    expect(await clutchOf()).toEqual([7, 9]);
  });
});

describe('an entry is about all it touches', () => {
  it('a line over three tanks stands in the log of each, and so does its taking back', async () => {
    const { keeper } = await test.house();
    const tanks = await furnish(keeper, ['A1', 'A2', 'A3', 'A4']);
    const id = newId();
    await send(keeper, 'jot', { id, line: 'A1-A3 change 20%', at: NOW });
    for (const code of ['A1', 'A2', 'A3'])
      expect((await tankLog(keeper, tanks[code] ?? ''))[0]).toBe('A1: 10 L changed; A2: 10 L changed; A3: 10 L changed');
    expect((await tankLog(keeper, tanks.A4 ?? ''))[0]).toMatch(/added on shelf/);
    await keeper.write('undo', { id: newId(), entryId: id });
    for (const code of ['A1', 'A2', 'A3']) expect((await tankLog(keeper, tanks[code] ?? ''))[0]).toMatch(/^Undone/);
  });

  it('a move is of both tanks, of the lot and of what is split off', async () => {
    const { keeper } = await test.house();
    const { A1 = '', A2 = '' } = await furnish(keeper, ['A1', 'A2']);
    const lotId = await stockUp(keeper, A1, 'lemon-tetra', { unsexed: 6 }, NOW);
    const newLotId = newId();
    await send(keeper, 'move', { lotId, newLotId, toTankId: A2, heads: { ...EMPTY, unsexed: 2 }, at: NOW });
    for (const about of [A1, A2, lotId, newLotId]) expect((await tankLog(keeper, about))[0]).toMatch(/^Split off 2/);
  });

  it('a page of it begins where the page before ended', async () => {
    const { keeper } = await test.house();
    const { A1 = '', A2 = '' } = await furnish(keeper, ['A1', 'A2']);
    for (let i = 0; i < 5; i++) {
      const at = `2026-03-10T08:0${i + 1}:00.000Z`;
      await send(keeper, 'addReading', { tankId: A1, quantity: 'tempC', value: 20 + i, at });
      await send(keeper, 'addReading', { tankId: A2, quantity: 'tempC', value: 15, at });
    }
    const first = await keeper.get('entries', { query: { aboutId: A1, limit: '2' } });
    const next = await keeper.get('entries', { query: { aboutId: A1, limit: '2', before: first[1]?.id ?? '' } });
    expect([...first, ...next].map(({ text }) => text.replace(/.*Temperature /, ''))).toEqual([
      '24 °C',
      '23 °C',
      '22 °C',
      '21 °C',
    ]);
  });
});

describe('later is what the server wrote later', () => {
  it('an observation with an older id keeps its clutch from being taken back', async () => {
    const { keeper } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    const old = newId();
    const clutchId = newId();
    const [broodId, lotId] = [newId(), newId()];
    await send(keeper, 'addClutch', {
      id: clutchId,
      broodId,
      lotId,
      attemptId: things.attemptId,
      laid: { from: '2026-03-09T08:00:00.000Z', to: '2026-03-09T09:00:00.000Z' },
      count: 40,
      white: 0,
    });
    // A phone that was offline made its id before the clutch was logged.
    await send(keeper, 'observe', { id: old, broodId, kind: 'eggsSeen', at: { from: NOW, to: NOW }, counted: null });
    const undone = await keeper.call('undo', { id: newId(), entryId: clutchId });
    expect(refusal(undone)).toBe('log/later-entries: This brood was observed since; undo that first.');
    await keeper.write('undo', { id: newId(), entryId: old });
    expect((await keeper.call('undo', { id: newId(), entryId: clutchId })).ok).toBe(true);
  });
});
