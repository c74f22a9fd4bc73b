import { completeRecipe } from '@freshet/core/spawning';
import { attempt, clutch, furnish, measure, stockUp } from '../testing/furnish';
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
  tanks = await furnish(keeper, ['A1', 'A2', 'A3']);
});

const tank = (code: string) => tanks[code] ?? '';
const round = (day?: string) => keeper.get('round', day ? { query: { day } } : {});
const stop = async (code: string, day?: string) => (await round(day)).stops.find((candidate) => candidate.code === code);
const chore = async (code: string, kind: string, day?: string) =>
  (await stop(code, day))?.chores.find((candidate) => candidate.kind === kind);

type ChoreTick = NonNullable<Awaited<ReturnType<typeof chore>>>['tick'];
const outcome = (
  key: string,
  more: {
    status?: 'done' | 'skipped';
    amount?: number | null;
    unit?: string | null;
    tick?: ChoreTick;
    tankId?: string | null;
  } = {},
) => ({
  id: newId(),
  choreKey: key,
  day: '2026-03-10',
  status: 'done' as const,
  text: 'Chore',
  tankId: tank('A1'),
  amount: null,
  unit: null,
  tick: null,
  at: test.now(),
  ...more,
});

/** Takes two pairs of adults to A2. */
const away = (lotId: string) =>
  keeper.write('move', {
    id: newId(),
    lotId,
    newLotId: newId(),
    toTankId: tank('A2'),
    heads: { males: 2, females: 2, unsexed: 0 },
    at: test.now(),
  });

async function eggsIn(code: string, speciesKey = 'sixray-aspidoras', count = 100) {
  const lotId = await stockUp(keeper, tank(code), speciesKey, { males: 2, females: 2 }, '2026-03-01T08:00:00Z');
  const attemptId = await attempt(keeper, tank(code), speciesKey, '2026-03-08', {
    sires: [lotId],
    dams: [lotId],
    name: `Try in ${code}`,
  });
  return {
    attemptId,
    parents: lotId,
    ...(await clutch(sitter, attemptId, { from: '2026-03-10T06:00:00Z', to: '2026-03-10T07:00:00Z' }, count)),
  };
}

describe('the round', () => {
  it('is empty in an empty house and never stored: it follows the stock at once', async () => {
    expect(await round()).toMatchObject({ stops: [], total: 0, done: 0 });
    await stockUp(keeper, tank('A2'), 'kribensis', { males: 1, females: 2 }, NOW);
    const fed = await chore('A2', 'feedAdults');
    expect(fed).toMatchObject({ way: 'do', text: 'Feed pellets' });
    expect(fed?.amountText).toMatch(/pinch|g$/);
  });

  it('asks for white eggs, a water change and dye in amounts of this tank', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'sixray-aspidoras', { males: 2, females: 2 }, '2026-03-01T08:00:00Z');
    const attemptId = newId();
    await keeper.write('addAttempt', {
      id: newId(),
      attemptId,
      speciesKey: 'sixray-aspidoras',
      name: 'Dyed',
      tankId: tank('A1'),
      sires: [lotId],
      dams: [lotId],
      from: '2026-03-08',
      to: null,
      conditioningFrom: null,
      setUpOn: null,
      triggerOn: null,
      recipe: completeRecipe({
        eggPlan: 'pullEggs',
        fungus: 'dye',
        trigger: 'coolChange',
        dailyChangeFraction: 0.5,
        dyeMgPerL: 2,
        dyeStockPercent: 1,
      }),
      recipeRef: null,
      tags: [],
      note: null,
    });
    await clutch(sitter, attemptId, { from: '2026-03-10T06:00:00Z', to: '2026-03-10T07:00:00Z' }, 60);
    // Beside the adults nothing is changed or dyed: the eggs are taken out, or they are.
    expect(await chore('A1', 'eggChange')).toBeUndefined();
    expect(await chore('A1', 'boxEggs')).toMatchObject({ amountText: 'none is free: set one up', tick: null });
    await away(lotId);
    const life = (await keeper.get('tankLife')).find((candidate) => candidate.code === 'A1');
    const litres = life?.litres ?? 0;
    expect((await chore('A1', 'eggChange'))?.amount?.value).toBeCloseTo(litres / 2, 0);
    // Half the litres × 2 mg/L ÷ 10 mg/ml.
    expect((await chore('A1', 'dye'))?.amount?.value).toBeCloseTo((litres / 2) * 0.2, 1);
    expect((await chore('A1', 'dye'))?.caution).toContain('gloves');
    expect(await chore('A1', 'pickWhite')).toBeDefined();
  });

  it('walks nurseries before adults and quarantine last', async () => {
    const quarantine = await furnish(keeper, ['Q1'], { code: 'Q', quarantine: true });
    await stockUp(keeper, tank('A1'), 'kribensis', { males: 1 }, NOW);
    await eggsIn('A3');
    await stockUp(keeper, quarantine.Q1 ?? '', 'odessa-barb', { unsexed: 8 }, NOW);
    const codes = (await round()).stops.map((candidate) => candidate.code).filter((code) => code !== 'Larder');
    expect(codes).toEqual(['A3', 'A1', 'Q1']);
    expect((await stop('Q1'))?.notes[0]).toContain('its own net');
  });

  it('shows tomorrow and the day after as they look today', async () => {
    await eggsIn('A1');
    await measure(sitter, tank('A1'), 24, '2026-03-10T07:00:00Z');
    const hatch = (await keeper.get('horizon')).items.find((item) => item.kind === 'eggs');
    expect(hatch?.predicted).toBe(true);
    const looks = await chore('A1', 'sighting', hatch?.from);
    expect(looks).toMatchObject({ way: 'watch', tick: { kind: 'hatched' } });
    expect(await chore('A1', 'sighting')).toBeUndefined();
    expect((await round(hatch?.from)).alarms).toEqual([]);
  });

  it('takes no more queries for forty tanks than for three', async () => {
    await eggsIn('A1');
    const queriesOf = async (work: () => Promise<unknown>) => {
      const before = test.sqlCount();
      await work();
      return test.sqlCount() - before;
    };
    /** Of a round after something was logged: the house is read anew. */
    const count = async () => {
      await measure(sitter, tank('A1'), 24, '2026-03-10T07:00:00Z');
      return queriesOf(round);
    };
    const few = await count();
    const more = await furnish(keeper, Array.from({ length: 37 }, (_, i) => `B${i}`).slice(0, 12), { code: 'B' });
    for (const [i, code] of Object.keys(more)
      .filter((key) => /^B\d/.test(key))
      .entries()) {
      const lotId = await stockUp(keeper, more[code] ?? '', 'kribensis', { males: 1, females: 1 }, NOW);
      const attemptId = await attempt(keeper, more[code] ?? '', 'kribensis', '2026-03-09', {
        sires: [lotId],
        dams: [lotId],
        name: `Try ${i}`,
      });
      await clutch(sitter, attemptId, { from: '2026-03-10T06:00:00Z', to: '2026-03-10T07:00:00Z' }, 50);
    }
    expect((await round()).stops.length).toBeGreaterThan(12);
    expect(await count()).toBe(few);
    // Who signs in and which revision it is; the house itself is not read again, by whichever page asks.
    for (const work of [round, () => keeper.get('horizon'), () => keeper.get('tankLife'), () => keeper.get('foodPlans')])
      expect(await queriesOf(work)).toBeLessThanOrEqual(4);
  });
});

describe('an outcome', () => {
  it('ticks a chore, is shown with who did it, and can be undone', async () => {
    await stockUp(keeper, tank('A1'), 'kribensis', { males: 1, females: 2 }, NOW);
    const fed = await chore('A1', 'feedAdults');
    const body = outcome(fed?.key ?? '', { amount: 3, unit: 'pinch' });
    await sitter.write('outcome', body);
    expect((await chore('A1', 'feedAdults'))?.outcome).toMatchObject({ status: 'done', amount: 3, by: 'sitter' });
    expect(await round()).toMatchObject({ done: 1 });
    expect(await sitter.write('outcome', body)).toMatchObject({ replayed: true });
    expect(await keeper.call('outcome', outcome(fed?.key ?? ''))).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'rounds/already-ticked', detail: 'Already ticked.' },
    });
    await sitter.write('undo', { id: newId(), entryId: body.id });
    expect((await chore('A1', 'feedAdults'))?.outcome).toBeNull();
    await keeper.write('outcome', outcome(fed?.key ?? '', { status: 'skipped' }));
    expect((await chore('A1', 'feedAdults'))?.outcome?.status).toBe('skipped');
  });

  it('of white eggs books them out of the brood; of a temperature logs the reading', async () => {
    const { broodId } = await eggsIn('A1');
    const white = await chore('A1', 'pickWhite');
    await sitter.write('outcome', outcome(white?.key ?? '', { amount: 7, unit: 'eggs', tick: white?.tick ?? null }));
    expect((await keeper.get('brood', { params: { broodId } })).alive).toBe(93);
    const temperature = await chore('A1', 'takeTemperature');
    await sitter.write('outcome', outcome(temperature?.key ?? '', { amount: 24.6, unit: '°C', tick: temperature?.tick ?? null }));
    expect(await keeper.get('readings', { params: { tankId: tank('A1') } })).toMatchObject([{ quantity: 'tempC', value: 24.6 }]);
  });

  it('is whole or not at all: more white eggs than there are leave the chore open', async () => {
    await eggsIn('A1', 'sixray-aspidoras', 10);
    const white = await chore('A1', 'pickWhite');
    expect(await sitter.call('outcome', outcome(white?.key ?? '', { amount: 11, tick: white?.tick ?? null }))).toMatchObject({
      ok: false,
      body: { code: 'stock/too-many' },
    });
    expect((await chore('A1', 'pickWhite'))?.outcome).toBeNull();
  });

  it('starts, feeds and harvests cultures, and undoing it brings a used-up hatch back', async () => {
    const startedAt = '2026-03-08T17:00:00Z';
    const cultureId = newId();
    await sitter.write('addCulture', { id: newId(), cultureId, food: 'brineShrimp', name: null, tankId: null, startedAt });
    const harvest = (await round()).stops
      .find((candidate) => candidate.code === 'Larder')
      ?.chores.find((candidate) => candidate.kind === 'harvest');
    const body = outcome(harvest?.key ?? '', { tankId: null, tick: harvest?.tick ?? null });
    await sitter.write('outcome', body);
    expect(await keeper.get('cultures')).toEqual([]);
    await sitter.write('undo', { id: newId(), entryId: body.id });
    expect(await keeper.get('cultures')).toMatchObject([{ id: cultureId, name: 'Brine shrimp 1' }]);
  });
});

describe('a jotted sale', () => {
  it('to a known buyer is booked under Sales by a keeper, undone whole, and is a loss with a note by a sitter', async () => {
    await stockUp(keeper, tank('A1'), 'kribensis', { males: 4, females: 2 }, NOW);
    const buyer = { buyerId: newId(), kind: 'shop' as const, name: 'The Glass Heron', contact: null, pays: 'credit' as const };
    const rest = { leastMm: null, perWeek: null, feePercent: null, bagsMost: null, dates: [], prices: [], note: null };
    await keeper.write('noteBuyer', { id: newId(), ...buyer, ...rest });
    const line = 'A1 sold 2 males to the Glass Heron for 9 euro';
    const jot = { id: newId(), line, at: test.now() };
    await keeper.write('jot', jot);
    const sold = async () => (await keeper.get('sold')).map(({ heads, cents }) => [heads, cents]);
    expect(await sold()).toEqual([[2, 450]]);
    expect((await keeper.get('buyers'))[0]).toMatchObject({ heads: 2 });
    await keeper.write('undo', { id: newId(), entryId: jot.id });
    expect(await sold()).toEqual([]);
    expect((await keeper.get('balance')).balanced).toBe(true);
    await sitter.write('jot', { id: newId(), line, at: test.now() });
    expect(await sold()).toEqual([]);
    expect((await stop('A1'))?.who).toMatch(/kribensis/i);
    const [life] = (await keeper.get('tankLife')).filter(({ code }) => code === 'A1');
    expect(life?.lots[0]).toMatchObject({ males: 2, females: 2 });
  });
});

describe('several ticked at once', () => {
  const ticks = (...outcomes: ReturnType<typeof outcome>[]) => ({
    id: newId(),
    at: test.now(),
    outcomes: outcomes.map((one) => ({ ...one, id: undefined })),
  });
  const alive = async (broodId: string) => (await keeper.get('brood', { params: { broodId } })).alive;

  it('stand as one entry in the log of each tank and are undone as one; what was ticked before is left as it was', async () => {
    await stockUp(keeper, tank('A1'), 'kribensis', { males: 1, females: 2 }, NOW);
    await stockUp(keeper, tank('A2'), 'kribensis', { males: 1, females: 2 }, NOW);
    const [first, second] = [await chore('A1', 'feedAdults'), await chore('A2', 'feedAdults')];
    const fed = (one: typeof first, code: string) =>
      outcome(one?.key ?? '', { amount: 2, unit: 'pinch', tick: one?.tick ?? null, tankId: tank(code) });
    await keeper.write('outcome', fed(first, 'A1'));
    const both = ticks(fed(first, 'A1'), fed(second, 'A2'));
    await sitter.write('ticks', both);
    expect(await sitter.write('ticks', both)).toMatchObject({ replayed: true });
    expect((await chore('A1', 'feedAdults'))?.outcome).toMatchObject({ by: 'keeper' });
    expect((await chore('A2', 'feedAdults'))?.outcome).toMatchObject({ by: 'sitter', entryId: both.id });
    expect(await sitter.call('ticks', ticks(fed(first, 'A1'), fed(second, 'A2')))).toMatchObject({
      ok: false,
      body: { code: 'rounds/already-ticked', detail: 'Already ticked.' },
    });
    await sitter.write('undo', { id: newId(), entryId: both.id });
    expect((await chore('A2', 'feedAdults'))?.outcome).toBeNull();
    expect((await chore('A1', 'feedAdults'))?.outcome).toMatchObject({ by: 'keeper' });
  });

  it('are all taken or none: one that is refused leaves the others open', async () => {
    const { broodId, parents } = await eggsIn('A1', 'sixray-aspidoras', 10);
    await away(parents);
    const [white, change] = [await chore('A1', 'pickWhite'), await chore('A1', 'eggChange')];
    const change_ = outcome(change?.key ?? '', { amount: 1, unit: 'L', tick: change?.tick ?? null });
    const tooMany = outcome(white?.key ?? '', { amount: 11, unit: 'eggs', tick: white?.tick ?? null });
    expect(await sitter.call('ticks', ticks(change_, tooMany))).toMatchObject({ ok: false, body: { code: 'stock/too-many' } });
    expect((await chore('A1', 'eggChange'))?.outcome).toBeNull();
    await sitter.write('ticks', ticks(change_, { ...tooMany, amount: 4 }));
    expect(await alive(broodId)).toBe(6);
    expect((await keeper.get('tankRegime', { params: { tankId: tank('A1') } })).changes).toHaveLength(1);
  });

  it('are at least one and at most two hundred', async () => {
    expect(await sitter.call('ticks', ticks())).toMatchObject({ ok: false, status: 400 });
    const many = Array.from({ length: 201 }, (_, i) => outcome(`feedAdults:${i}:2026-03-10`));
    expect(await sitter.call('ticks', ticks(...many))).toMatchObject({ ok: false, status: 400 });
  });
});

describe('a culture begun by a tick', () => {
  it('cannot be taken back once it was fed, as one begun by its form cannot', async () => {
    await eggsIn('A1');
    const begin = (await round()).stops
      .flatMap(({ chores }) => chores)
      .find(({ kind }) => kind === 'startCulture' || kind === 'setHatch');
    const body = outcome(begin?.key ?? '', { tankId: null, tick: begin?.tick ?? null });
    await sitter.write('outcome', body);
    const [begun] = await keeper.get('cultures');
    await sitter.write('cultureEvent', { id: newId(), cultureId: begun?.id ?? '', kind: 'fed', at: NOW });
    expect(await sitter.call('undo', { id: newId(), entryId: body.id })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries' },
    });
  });
});

describe('the larder plan', () => {
  it('says by when a first food must be started, is late when it is too late, and safe with two', async () => {
    await eggsIn('A1');
    await measure(sitter, tank('A1'), 24, '2026-03-10T07:00:00Z');
    const plan = async () => (await keeper.get('foodPlans')).find((candidate) => candidate.food === 'microworm');
    // Laid on the 10th; swimming 5.5 to 8.5 days later at 24 °C at the earliest on the 15th; microworms need up to six days.
    expect(await plan()).toMatchObject({ status: 'late', from: '2026-03-15' });
    expect((await round()).alarms[0]).toMatchObject({
      severity: 'now',
      title: 'No microworms for Sixray aspidoras in A1.',
    });
    const start = (await round()).stops
      .find((candidate) => candidate.code === 'Larder')
      ?.chores.find((candidate) => candidate.kind === 'startCulture');
    expect(start).toMatchObject({ amountText: 'today', overdue: true });
    for (const days of [4, 5])
      await sitter.write('addCulture', {
        id: newId(),
        cultureId: newId(),
        food: 'microworm',
        name: null,
        tankId: null,
        startedAt: `2026-02-${28 - days + 2}T08:00:00Z`,
      });
    expect(await plan()).toMatchObject({ status: 'safe' });
    expect((await round()).alarms.filter((alarm) => alarm.title.includes('First food'))).toEqual([]);
  });
});

describe('the jot line', () => {
  const jot = (line: string, client = sitter) => client.call('jot', { id: newId(), line, at: test.now() });

  it('logs a clutch to the open attempt of the tank', async () => {
    await attempt(keeper, tank('A2'), 'lemon-tetra', '2026-03-09', { name: 'Dawn' });
    expect((await jot('A2 eggs 120, 18 white, since 22:00')).ok).toBe(true);
    const [card] = await keeper.get('broods');
    expect(card).toMatchObject({ name: 'Dawn', alive: 102, began: 120, laid: { from: '2026-03-09T22:00:00.000Z', to: NOW } });
  });

  it('logs temperature, hatch, count and losses, in one line if need be', async () => {
    const { broodId } = await eggsIn('A1');
    await jot('A1 78F');
    expect((await keeper.get('readings', { params: { tankId: tank('A1') } }))[0]?.value).toBeCloseTo(25.56, 2);
    test.setNow('2026-03-14T08:00:00.000Z');
    expect((await jot('a1 hatched 90, 24.5')).ok).toBe(true);
    expect((await jot('A1 lost 4 young, fungus')).ok).toBe(true);
    expect((await jot('A1 count 80 fry')).ok).toBe(true);
    const page = await keeper.get('brood', { params: { broodId } });
    expect(page).toMatchObject({ stage: 'yolk', alive: 80 });
    expect((await keeper.get('lots')).find((lot) => lot.broodId === null)).toMatchObject({ males: 2, females: 2 });
  });

  it('writes nothing when a part of the line cannot be', async () => {
    await eggsIn('A1', 'sixray-aspidoras', 10);
    const before = await keeper.get('entries');
    const answer = await jot('A1 24.5 lost 11 young');
    expect(answer).toMatchObject({
      ok: false,
      status: 400,
      body: { code: 'rounds/jot-unclear', errors: [{ pointer: '#/line' }] },
    });
    expect(await jot('Z9 25')).toMatchObject({ ok: false, body: { detail: expect.stringContaining("There's no tank Z9.") } });
    expect(await keeper.get('entries')).toEqual(before);
    expect(await keeper.get('readings', { params: { tankId: tank('A1') } })).toEqual([]);
  });

  it('sent twice is recorded once, and is undone as a whole', async () => {
    await eggsIn('A1');
    const body = { id: newId(), line: 'A1 24.5 lost 3 young', at: test.now() };
    await sitter.write('jot', body);
    expect(await sitter.write('jot', body)).toMatchObject({ replayed: true });
    const lots = async () => (await keeper.get('lots')).find((lot) => lot.broodId !== null)?.unsexed;
    expect(await lots()).toBe(97);
    await sitter.write('undo', { id: newId(), entryId: body.id });
    expect(await lots()).toBe(100);
    expect(await keeper.get('readings', { params: { tankId: tank('A1') } })).toEqual([]);
  });

  it('logs what is done on a walk over several tanks: change, food, move, sale, harvest, a sign', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { unsexed: 9 }, '2026-03-01T08:00:00Z');
    const cultureId = newId();
    const started = { food: 'microworm', name: null, tankId: null, startedAt: '2026-03-01T08:00:00Z' } as const;
    await keeper.write('addCulture', { id: newId(), cultureId, ...started });
    const line = 'A1-A2 change 25%; A1 fed microworms, sold 2, moved 3 to A2, harvested microworms, saw two chasing';
    const { entryId } = await sitter.write('jot', { id: newId(), line, at: test.now() });
    const lives = await keeper.get('tankLife');
    const [first, second] = [lives.find(({ code }) => code === 'A1'), lives.find(({ code }) => code === 'A2')];
    expect([first?.heads, second?.heads]).toEqual([4, 3]);
    expect([first?.lastChange, second?.lastChange, first?.lastFed?.what]).toEqual([NOW, NOW, 'microworms']);
    expect((await keeper.get('cultures')).find(({ id }) => id === cultureId)?.harvestedAt).toBe(NOW);
    expect((await round()).stops.find(({ code }) => code === 'A1')?.notes.join(' ')).toContain('two chasing');
    await keeper.write('undo', { id: newId(), entryId });
    const after = await keeper.get('tankLife');
    expect(after.map(({ code, heads, lastChange }) => [code, heads, lastChange]).filter(([, heads]) => heads)).toEqual([
      ['A1', 9, null],
    ]);
    expect((await keeper.get('lots')).find(({ id }) => id === lotId)).toMatchObject({ unsexed: 9 });
  });

  it('is not for viewers, and knows nothing of other houses', async () => {
    const stranger = await test.house('Elsewhere');
    await furnish(stranger.keeper, ['B7']);
    expect(await jot('B7 25')).toMatchObject({ ok: false, status: 400 });
    const viewer = (await test.house('Third')).viewer;
    expect(await jot('A1 25', viewer)).toMatchObject({ ok: false, status: 403 });
  });
});
