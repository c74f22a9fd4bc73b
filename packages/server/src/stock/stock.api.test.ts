import { attempt, clutch, EMPTY, furnish, stockUp } from '../testing/furnish';
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
  ({ keeper, sitter, viewer } = await test.house());
  tanks = await furnish(keeper, ['A1', 'A2', 'A3']);
});

const tank = (code: string) => tanks[code] ?? '';
const lots = async () => new Map((await keeper.get('lots')).map((lot) => [lot.id, lot]));

describe('a lot of broodstock', () => {
  it('is recorded with its sexes, line and origin, and shown in its tank', async () => {
    const lotId = newId();
    await keeper.write('addLot', {
      id: newId(),
      lotId,
      speciesKey: 'lemon-tetra',
      line: 'Quay',
      generation: 'F2',
      origin: 'imported',
      acquiredFrom: 'Thistlewick Aquatics',
      tankId: tank('A1'),
      heads: { males: 3, females: 4, unsexed: 2 },
      at: NOW,
    });
    expect((await lots()).get(lotId)).toMatchObject({
      speciesName: 'Lemon tetra',
      tankCode: 'A1',
      line: 'Quay',
      generation: 'F2',
      origin: 'imported',
      males: 3,
      females: 4,
      unsexed: 2,
      broodId: null,
    });
  });

  it('bought young is told when it will be ripe, by age', async () => {
    const lotId = newId();
    await keeper.write('addLot', {
      id: newId(),
      lotId,
      speciesKey: 'lemon-tetra',
      line: null,
      generation: null,
      acquiredFrom: null,
      origin: 'local',
      bornOn: '2026-02-01',
      tankId: tank('A1'),
      heads: { ...EMPTY, unsexed: 8 },
      at: NOW,
    });
    const { readiness } = await keeper.get('lotCard', { params: { lotId } });
    const kind = (await keeper.get('species')).find(({ key }) => key === 'lemon-tetra');
    const born = Date.parse('2026-02-01T12:00:00Z');
    const on = (days: number) => new Date(born + days * 86_400_000).toISOString().slice(0, 10);
    const [early, late] = kind?.figures.maturityDays ?? [0, 0];
    expect(readiness.ripe).toEqual({ from: on(early), to: on(late), broodFrom: on(early + 14), by: 'age' });
  });

  it.each([
    ['no animal at all', { heads: EMPTY }, '#/heads/unsexed'],
    ['a negative number', { heads: { ...EMPTY, males: -1 } }, '#/heads/males'],
    ['half an animal', { heads: { ...EMPTY, females: 1.5 } }, '#/heads/females'],
    ['no tank', { tankId: '' }, '#/tankId'],
    ['a date that does not exist', { at: '2026-02-31T08:00:00Z' }, '#/at'],
  ])('is refused with %s, at its field', async (_what, wrong, pointer) => {
    const body = {
      id: newId(),
      lotId: newId(),
      speciesKey: 'lemon-tetra',
      line: null,
      generation: null,
      origin: 'local' as const,
      acquiredFrom: null,
      tankId: tank('A1'),
      heads: { ...EMPTY, males: 1 },
      at: NOW,
    };
    const answer = await keeper.call('addLot', { ...body, ...wrong });
    expect(answer).toMatchObject({ ok: false, status: 400, body: { code: 'request/invalid' } });
    expect(answer.ok ? [] : answer.body.errors?.map((error) => error.pointer)).toContain(pointer);
    expect((await lots()).size).toBe(0);
  });

  it('is refused for a species nobody knows', async () => {
    const answer = await keeper.call('addLot', {
      id: newId(),
      lotId: newId(),
      speciesKey: 'sea-serpent',
      line: null,
      generation: null,
      origin: 'wild',
      acquiredFrom: null,
      tankId: tank('A1'),
      heads: { ...EMPTY, males: 1 },
      at: NOW,
    });
    expect(answer).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'species/unknown', errors: [{ pointer: '#/speciesKey' }] },
    });
  });

  it('asks for a reason when it came a very long time ago, and keeps the reason', async () => {
    const body = {
      id: newId(),
      lotId: newId(),
      speciesKey: 'lemon-tetra',
      line: null,
      generation: null,
      origin: 'local' as const,
      acquiredFrom: null,
      tankId: tank('A1'),
      heads: { ...EMPTY, males: 1 },
      at: '1986-03-10T08:00:00Z',
    };
    expect(await keeper.call('addLot', body)).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'log/implausible-date', overridable: true },
    });
    await keeper.write('addLot', { ...body, override: { reason: 'copied from an old notebook' } });
    const entry = (await keeper.get('entries')).find(({ kind }) => kind === 'lot');
    expect(entry?.reason).toBe('copied from an old notebook');
  });

  it('cannot come from the future', async () => {
    const answer = await keeper.call('addLot', {
      id: newId(),
      lotId: newId(),
      speciesKey: 'lemon-tetra',
      line: null,
      generation: null,
      origin: 'local',
      acquiredFrom: null,
      tankId: tank('A1'),
      heads: { ...EMPTY, males: 1 },
      at: '2026-03-11T08:00:00Z',
    });
    expect(answer).toMatchObject({ ok: false, status: 400, body: { errors: [{ pointer: '#/at' }] } });
  });
});

describe('moving', () => {
  it('takes the whole lot along, or splits part of it off into a lot of the same line', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 3, females: 4 }, NOW);
    const newLotId = newId();
    await sitter.write('move', {
      id: newId(),
      lotId,
      newLotId,
      toTankId: tank('A2'),
      heads: { males: 1, females: 2, unsexed: 0 },
      at: NOW,
    });
    let now = await lots();
    expect(now.get(lotId)).toMatchObject({ tankCode: 'A1', males: 2, females: 2 });
    expect(now.get(newLotId)).toMatchObject({ tankCode: 'A2', males: 1, females: 2, speciesKey: 'lemon-tetra' });
    await sitter.write('move', {
      id: newId(),
      lotId,
      newLotId: newId(),
      toTankId: tank('A3'),
      heads: { males: 2, females: 2, unsexed: 0 },
      at: NOW,
    });
    now = await lots();
    expect(now.get(lotId)).toMatchObject({ tankCode: 'A3', males: 2, females: 2 });
    expect(now.size).toBe(2);
  });

  it('refuses more than there are and leaves everything as it was', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 3 }, NOW);
    const answer = await sitter.call('move', {
      id: newId(),
      lotId,
      newLotId: newId(),
      toTankId: tank('A2'),
      heads: { ...EMPTY, males: 4 },
      at: NOW,
    });
    expect(answer).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'stock/too-many', errors: [{ pointer: '#/heads/males', detail: 'Only 3 males are there, not 4.' }] },
    });
    expect((await lots()).get(lotId)).toMatchObject({ tankCode: 'A1', males: 3 });
    expect((await keeper.get('entries')).filter((entry) => entry.kind === 'move')).toHaveLength(0);
  });

  it('refuses the tank they are in', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 3 }, NOW);
    expect(
      await sitter.call('move', {
        id: newId(),
        lotId,
        newLotId: newId(),
        toTankId: tank('A1'),
        heads: { ...EMPTY, males: 3 },
        at: NOW,
      }),
    ).toMatchObject({ ok: false, status: 400 });
  });
});

describe('the ledger', () => {
  it('balances through every kind of movement and through undoing them', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 5, females: 5, unsexed: 10 }, NOW);
    const split = newId();
    await sitter.write('move', {
      id: newId(),
      lotId,
      newLotId: split,
      toTankId: tank('A2'),
      heads: { males: 1, females: 1, unsexed: 4 },
      at: NOW,
    });
    const sold = newId();
    await sitter.write('lose', { id: sold, lotId, heads: { ...EMPTY, males: 2 }, cause: 'sale', at: NOW });
    await sitter.write('lose', { id: newId(), lotId: split, heads: { ...EMPTY, unsexed: 1 }, cause: 'death', at: NOW });
    await sitter.write('count', { id: newId(), lotId: split, counted: 3, at: NOW });
    await sitter.write('count', { id: newId(), lotId, counted: 14, at: NOW });
    await sitter.write('undo', { id: newId(), entryId: sold });
    const balance = await viewer.get('balance');
    expect(balance).toEqual({
      cameIn: expect.any(Number) as number,
      left: expect.any(Number) as number,
      alive: expect.any(Number) as number,
      balanced: true,
      wrongLots: [],
    });
    expect(balance.cameIn).toBe(balance.left + balance.alive);
    expect((await lots()).get(lotId)?.males).toBe(4);
  });

  it('finds a lot whose cached headcount was tampered with', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 5 }, NOW);
    await test.database.sequelize.query('UPDATE lots SET males = 6 WHERE id = :lotId', { replacements: { lotId } });
    expect(await viewer.get('balance')).toMatchObject({ balanced: false, wrongLots: [lotId] });
    await test.database.sequelize.query('UPDATE lots SET males = 5 WHERE id = :lotId', { replacements: { lotId } });
  });

  it('records a write once, however often it is sent, also at the same time', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { unsexed: 20 }, NOW);
    const body = { id: newId(), lotId, heads: { ...EMPTY, unsexed: 3 }, cause: 'death' as const, at: NOW };
    const answers = await Promise.all([1, 2, 3, 4].map(() => sitter.call('lose', body)));
    expect(answers.every((answer) => answer.ok)).toBe(true);
    expect(answers.filter((answer) => answer.ok && !answer.body.replayed)).toHaveLength(1);
    expect((await lots()).get(lotId)?.unsexed).toBe(17);
  });

  it('never lets two people take the same animals', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { unsexed: 5 }, NOW);
    const take = (client: Client) =>
      client.call('lose', { id: newId(), lotId, heads: { ...EMPTY, unsexed: 4 }, cause: 'sale', at: NOW });
    const answers = await Promise.all([take(keeper), take(sitter)]);
    expect(answers.filter((answer) => answer.ok)).toHaveLength(1);
    expect((await lots()).get(lotId)?.unsexed).toBe(1);
  });

  it('refuses an id that stands for something else', async () => {
    const id = newId();
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { unsexed: 5 }, NOW);
    await sitter.write('count', { id, lotId, counted: 5, at: NOW });
    expect(await sitter.call('lose', { id, lotId, heads: { ...EMPTY, unsexed: 1 }, cause: 'death', at: NOW })).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'log/id-taken' },
    });
  });
});

describe('undoing', () => {
  it('brings a moved lot back to its tank', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 3 }, NOW);
    const id = newId();
    await sitter.write('move', { id, lotId, newLotId: newId(), toTankId: tank('A2'), heads: { ...EMPTY, males: 3 }, at: NOW });
    await sitter.write('undo', { id: newId(), entryId: id });
    expect((await lots()).get(lotId)).toMatchObject({ tankCode: 'A1', males: 3 });
  });

  it('refuses when the animals were moved on since, and says so', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { unsexed: 6 }, NOW);
    const [id, split] = [newId(), newId()];
    await sitter.write('move', { id, lotId, newLotId: split, toTankId: tank('A2'), heads: { ...EMPTY, unsexed: 4 }, at: NOW });
    await sitter.write('lose', { id: newId(), lotId: split, heads: { ...EMPTY, unsexed: 3 }, cause: 'death', at: NOW });
    expect(await sitter.call('undo', { id: newId(), entryId: id })).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'log/later-entries' },
    });
    expect((await viewer.get('balance')).balanced).toBe(true);
  });

  it('is itself recorded once, and leaves the entry in the log, marked', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { unsexed: 6 }, NOW);
    const id = newId();
    await sitter.write('lose', { id, lotId, heads: { ...EMPTY, unsexed: 2 }, cause: 'death', at: NOW });
    const undo = { id: newId(), entryId: id };
    await sitter.write('undo', undo);
    expect(await sitter.write('undo', undo)).toMatchObject({ replayed: true });
    expect(await keeper.call('undo', { id: newId(), entryId: id })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries', detail: 'It’s already undone.' },
    });
    expect((await lots()).get(lotId)?.unsexed).toBe(6);
    expect((await keeper.get('entries')).find((entry) => entry.id === id)?.undone).toBe(true);
  });

  it('refuses to take back a tank with animals in it', async () => {
    await stockUp(keeper, tank('A1'), 'lemon-tetra', { unsexed: 6 }, NOW);
    expect(await keeper.call('undo', { id: newId(), entryId: tank('A1') })).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'log/later-entries' },
    });
    expect(await keeper.call('undo', { id: newId(), entryId: tank('A3') })).toMatchObject({ ok: true });
  });
});

describe('houses and roles', () => {
  it('answer for another house as if the row did not exist', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 3 }, NOW);
    const stranger = await test.house('Another house');
    const theirs = await furnish(stranger.keeper, ['Z1']);
    const strange = { id: newId(), lotId, heads: { ...EMPTY, males: 1 }, cause: 'death' as const, at: NOW };
    expect(await stranger.keeper.call('lose', strange)).toMatchObject({
      ok: false,
      status: 404,
      body: { code: 'request/not-found' },
    });
    expect(
      await stranger.keeper.call('move', {
        id: newId(),
        lotId,
        newLotId: newId(),
        toTankId: theirs.Z1 ?? '',
        heads: { ...EMPTY, males: 1 },
        at: NOW,
      }),
    ).toMatchObject({ ok: false, status: 404 });
    expect(await stranger.keeper.call('readings', undefined, { params: { tankId: tank('A1') } })).toMatchObject({
      ok: false,
      status: 404,
    });
    expect(await stranger.keeper.get('lots')).toEqual([]);
    expect(await stranger.keeper.get('entries')).toHaveLength(3);
  });

  it('let a viewer look, a sitter log, and only a keeper plan', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 3 }, NOW);
    const loss = { id: newId(), lotId, heads: { ...EMPTY, males: 1 }, cause: 'death' as const, at: NOW };
    expect(await viewer.call('lose', loss)).toMatchObject({ ok: false, status: 403, body: { code: 'accounts/not-allowed' } });
    expect(await sitter.call('lose', loss)).toMatchObject({ ok: true });
    const rack = { id: newId(), code: 'Z', name: 'New', kind: 'rack' as const, quarantine: false, sump: null };
    expect(await sitter.call('addRack', rack)).toMatchObject({ ok: false, status: 403 });
    expect(await viewer.get('lots')).toHaveLength(1);
    expect(await test.client().call('lots')).toMatchObject({ ok: false, status: 401, body: { code: 'accounts/not-signed-in' } });
  });
});

describe('species', () => {
  it('take figures of the breeder, say which are their own, and work with them at once', async () => {
    const before = (await keeper.get('species')).find((kind) => kind.key === 'lemon-tetra');
    expect(before).toMatchObject({ shipped: true, origins: { hatch: 'species', survivalToSale: 'method' } });
    const profile = {
      key: 'lemon-tetra',
      commonName: 'Lemon tetra',
      scientificName: 'Hyphessobrycon pulchripinnis',
      method: 'eggScatterer' as const,
      initials: 'Le',
    };
    await keeper.write('saveSpecies', { id: newId(), ...profile, figures: { hatch: { atC: 26, days: [1, 1.5] } } });
    const after = (await keeper.get('species')).find((kind) => kind.key === 'lemon-tetra');
    expect(after?.figures.hatch).toEqual({ atC: 26, days: [1, 1.5] });
    expect(after?.origins.hatch).toBe('own');
    await keeper.write('saveSpecies', { id: newId(), ...profile, figures: {} });
    expect((await keeper.get('species')).find((kind) => kind.key === 'lemon-tetra')?.origins.hatch).toBe('species');
  });

  it('of one’s own start from a method and can be bred from at once', async () => {
    await keeper.write('saveSpecies', {
      id: newId(),
      key: 'estuary-barb',
      commonName: 'Estuary barb',
      scientificName: '',
      method: 'eggScatterer',
      initials: 'Eb',
      figures: {},
    });
    const lotId = await stockUp(keeper, tank('A2'), 'estuary-barb', { males: 2, females: 2 }, NOW);
    const attemptId = await attempt(keeper, tank('A2'), 'estuary-barb', '2026-03-09', { sires: [lotId], dams: [lotId] });
    const { broodId } = await clutch(sitter, attemptId, { from: '2026-03-10T06:00:00Z', to: '2026-03-10T07:00:00Z' }, 80);
    expect((await viewer.get('brood', { params: { broodId } })).windows.map((window) => window.stage)).toEqual([
      'hatch',
      'yolkEnd',
      'freeSwimming',
      'firstFeed',
    ]);
  });

  it('refuse figures that cannot be', async () => {
    const answer = await keeper.call('saveSpecies', {
      id: newId(),
      key: 'lemon-tetra',
      commonName: 'Lemon tetra',
      scientificName: '',
      method: 'eggScatterer',
      initials: 'Le',
      figures: { tempC: [30, 20] },
    });
    expect(answer).toMatchObject({
      ok: false,
      status: 400,
      body: { errors: [{ pointer: '#/figures/tempC', detail: 'The lower end comes first.' }] },
    });
  });
});
