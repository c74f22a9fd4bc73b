import { completeRecipe, planDays, RECIPE_BOOK, shippedRecipe, stepsWords } from '@freshet/core/spawning';
import { SHIPPED_SPECIES } from '@freshet/core/species';
import { attempt, clutch, furnish, measure, stockUp } from '../testing/furnish';
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
const exactly = (at: string) => ({ from: at, to: at });
const recipe =
  shippedRecipe('scatter-soft')?.recipe ??
  completeRecipe({ eggPlan: 'removeParents', fungus: 'flow', trigger: 'stable', dailyChangeFraction: 0 });
/** A recipe sent to be kept. */
function keep(more: object = {}, by = keeper) {
  const versionId = newId();
  const body = {
    id: newId(),
    versionId,
    recipeId: newId(),
    speciesKey: 'lemon-tetra',
    method: 'eggScatterer' as const,
    name: 'Dark first',
    basedOn: 'scatter-soft',
    recipe: recipe as never,
    note: null,
    ...more,
  };
  return { versionId, answer: by.call('saveRecipe', body) };
}
const trigger = (attemptId: string, at: string, more: object = {}) =>
  sitter.call('trigger', {
    id: newId(),
    attemptId,
    at: exactly(at),
    what: 'rain, in the evening',
    change: null,
    stepC: null,
    pressure: null,
    ...more,
  });

describe('a recipe of the house', () => {
  it('is kept in versions, none of which is edited, and taken back', async () => {
    const recipeId = newId();
    const first = keep({ recipeId });
    expect((await first.answer).ok).toBe(true);
    const second = keep({ recipeId, basedOn: first.versionId, recipe: { ...recipe, females: 3 } });
    const { body } = await second.answer;
    expect((await viewer.get('recipes')).map(({ version, recipe: kept }) => [version, kept.females])).toEqual([
      [2, 3],
      [1, recipe.females],
    ]);
    await keeper.write('undo', { id: newId(), entryId: (body as { entryId: string }).entryId });
    expect((await viewer.get('recipes')).map(({ version }) => version)).toEqual([1]);
  });

  it('that cannot work is refused at its field, and a sitter keeps none', async () => {
    const pulled = await keep({ recipe: { ...recipe, eggPlan: 'pullEggs', cover: [] } }).answer;
    expect(pulled).toMatchObject({ ok: false, status: 400, body: { errors: [{ pointer: '#/recipe/cover' }] } });
    const dyed = await keep({ recipe: { ...recipe, fungus: 'dye' } }).answer;
    expect(dyed).toMatchObject({ ok: false, body: { errors: [{ pointer: '#/recipe/dyeMgPerL' }] } });
    expect((await keep({}, sitter).answer).status).toBe(403);
  });
});

describe('a trigger', () => {
  it('with a change of water logs both at once, and both go when it is taken back', async () => {
    const attemptId = await attempt(keeper, tank('A1'), 'lemon-tetra', '2026-03-05');
    await measure(keeper, tank('A1'), 25, '2026-03-09T18:00:00.000Z');
    const answer = await trigger(attemptId, '2026-03-09T20:00:00.000Z', {
      change: { litres: 12, waterId: null, tempC: 17 },
      stepC: -2.5,
    });
    expect(answer.ok).toBe(true);
    const regime = () => keeper.get('tankRegime', { params: { tankId: tank('A1') } });
    expect((await regime()).changes).toHaveLength(1);
    const shown = await viewer.get('attempt', { params: { attemptId } });
    expect(shown).toMatchObject({ state: 'triggered', triggered: exactly('2026-03-09T20:00:00.000Z') });
    await sitter.write('undo', { id: newId(), entryId: answer.ok ? answer.body.entryId : '' });
    expect((await regime()).changes).toHaveLength(0);
    expect((await viewer.get('attempt', { params: { attemptId } })).state).toBe('set up');
  });

  it('long before the set-up asks for a reason; the evening before is none of that', async () => {
    const attemptId = await attempt(keeper, tank('A1'), 'lemon-tetra', '2026-03-09');
    expect(await trigger(attemptId, '2026-03-06T20:00:00.000Z')).toMatchObject({
      status: 409,
      body: { code: 'spawning/before-set-up', overridable: true },
    });
    expect((await trigger(attemptId, '2026-03-08T20:00:00.000Z')).ok).toBe(true);
    expect(
      await trigger(attemptId, '2026-03-09T20:00:00.000Z', { change: { litres: -3, waterId: null, tempC: null } }),
    ).toMatchObject({ body: { errors: [{ pointer: '#/change/litres' }] } });
  });
});

describe('an attempt', () => {
  it('wants both sexes or a reason, and its days in order', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 3, females: 3 }, '2026-02-01T08:00:00.000Z');
    const body = (more: object) => ({
      id: newId(),
      attemptId: newId(),
      speciesKey: 'lemon-tetra',
      name: 'Try',
      tankId: tank('A1'),
      sires: [lotId],
      dams: [lotId],
      from: '2026-03-10',
      to: null,
      conditioningFrom: null,
      setUpOn: '2026-03-11',
      triggerOn: '2026-03-12',
      recipe: recipe as never,
      recipeRef: 'scatter-soft',
      tags: ['storm'],
      note: null,
      ...more,
    });
    expect(await keeper.call('addAttempt', body({ dams: [] }))).toMatchObject({
      status: 409,
      body: { code: 'spawning/one-sex', errors: [{ pointer: '#/dams' }] },
    });
    expect(await keeper.call('addAttempt', body({ triggerOn: '2026-03-09' }))).toMatchObject({
      body: { errors: [{ pointer: '#/triggerOn' }] },
    });
    expect(await keeper.call('addAttempt', body({ setUpOn: '2026-03-08' }))).toMatchObject({
      body: { errors: [{ pointer: '#/setUpOn' }] },
    });
    expect((await keeper.call('addAttempt', body({}))).ok).toBe(true);
  });

  it('has its days moved with what was booked, unless somebody else holds the tank', async () => {
    const attemptId = await attempt(keeper, tank('A1'), 'lemon-tetra', '2026-03-20', { to: '2026-03-25' });
    await attempt(keeper, tank('A1'), 'kribensis', '2026-04-10', { name: 'Other', to: '2026-04-20' });
    const move = (from: string, to: string) =>
      keeper.call('moveAttempt', { id: newId(), attemptId, conditioningFrom: null, from, setUpOn: from, triggerOn: from, to });
    const moved = await move('2026-03-27', '2026-04-02');
    expect(await viewer.get('attempt', { params: { attemptId } })).toMatchObject({
      from: '2026-03-27',
      triggerOn: '2026-03-27',
      to: '2026-04-02',
      state: 'planned',
    });
    expect(await move('2026-04-05', '2026-04-12')).toMatchObject({ status: 409, body: { code: 'spawning/tank-booked' } });
    expect(await move('2026-04-05', '2026-04-01')).toMatchObject({ ok: false, body: { errors: [{ pointer: '#/to' }] } });
    await keeper.write('undo', { id: newId(), entryId: moved.ok ? moved.body.entryId : '' });
    expect((await viewer.get('attempt', { params: { attemptId } })).from).toBe('2026-03-20');
  });

  it('tells signs of settling in order, by sitters too', async () => {
    const attemptId = await attempt(keeper, tank('A1'), 'lemon-tetra', '2026-03-05');
    for (const [sign, at] of [
      ['hiding', '2026-03-08T19:00:00.000Z'],
      ['chasing', '2026-03-09T07:00:00.000Z'],
    ] as const)
      await sitter.write('logSettling', { id: newId(), attemptId, sign, at: exactly(at), note: null });
    const { events } = await viewer.get('attempt', { params: { attemptId } });
    expect(events.map(({ sign, words }) => [sign, words])).toEqual([
      ['hiding', 'She hides'],
      ['chasing', 'Chasing'],
    ]);
  });

  it('shows how akin the young would be, and first light by lamp or sun', async () => {
    const [sire, dam] = [
      await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 1 }, '2026-02-01T08:00:00.000Z'),
      await stockUp(keeper, tank('A1'), 'lemon-tetra', { females: 1 }, '2026-02-01T08:00:00.000Z'),
    ];
    const attemptId = await attempt(keeper, tank('A1'), 'lemon-tetra', '2026-03-05', { sires: [sire], dams: [dam] });
    expect(await viewer.get('attempt', { params: { attemptId } })).toMatchObject({ inbreeding: 0, firstLight: null });
    const hours = {
      id: newId(),
      walks: ['07:00', '18:30'],
      lampOn: null,
      lampOff: null,
      latitude: 52.2,
      longitude: -6.4,
      version: null,
    };
    await keeper.write('setHours', hours);
    expect((await viewer.get('attempt', { params: { attemptId } })).firstLight).toMatch(/^06:[1-3]\d$/);
    const { version } = await viewer.get('hours');
    expect(await keeper.call('setHours', { ...hours, id: newId(), lampOn: '09:30', lampOff: '21:00' })).toMatchObject({
      status: 409,
    });
    await keeper.write('setHours', { ...hours, id: newId(), lampOn: '09:30', lampOff: '21:00', version });
    expect((await viewer.get('attempt', { params: { attemptId } })).firstLight).toBe('09:30');
    // No lamp burns over a pond.
    const [rackId, shelfId, pondId] = [newId(), newId(), newId()];
    await keeper.write('addRack', { id: rackId, code: 'Y', name: 'Yard', kind: 'yard', quarantine: false, sump: null });
    await keeper.write('addShelf', { id: shelfId, rackId, lengthCm: 400, depthCm: 200, heightCm: 90, loadLimitKg: null });
    await keeper.write('addTank', {
      id: pondId,
      shelfId,
      code: 'Y1',
      lengthCm: 150,
      widthCm: 100,
      heightCm: 50,
      waterHeightCm: 40,
      glassMm: null,
      substrateKg: 0,
      facing: 'long',
      leftCm: null,
    });
    const outside = await attempt(keeper, pondId, 'lemon-tetra', '2026-03-05', { sires: [sire], dams: [dam] });
    expect((await viewer.get('attempt', { params: { attemptId: outside } })).firstLight).toMatch(/^06:[1-3]\d$/);
    expect(await keeper.call('setHours', { ...hours, id: newId(), walks: ['18:00', '07:00'] })).toMatchObject({
      body: { errors: [{ pointer: '#/walks' }] },
    });
    expect(await keeper.call('setHours', { ...hours, id: newId(), lampOn: '09:30' })).toMatchObject({
      body: { errors: [{ pointer: '#/lampOff' }] },
    });
  });
});

describe('every recipe of the book', () => {
  it.each(RECIPE_BOOK.map(({ key, method }) => [key, method] as const))(
    '%s is planned, set up, triggered, seen and closed',
    async (key, method) => {
      const kind = SHIPPED_SPECIES.find((one) => one.method === method);
      // A method that no shipped species has is run with one of the keeper's own.
      const speciesKey = kind?.key ?? `own-${method.toLowerCase()}`.slice(0, 40);
      if (!kind)
        await keeper.write('saveSpecies', {
          id: newId(),
          key: speciesKey,
          commonName: 'Own',
          scientificName: 'Species propria',
          method,
          initials: 'Ow',
          figures: {},
        });
      const lotId = await stockUp(keeper, tank('A2'), speciesKey, { males: 3, females: 3 }, '2026-02-01T08:00:00.000Z');
      const recipe = shippedRecipe(key)?.recipe;
      if (!recipe) throw new Error('It is in the book.');
      const days = planDays(recipe, '2026-03-05');
      const attemptId = newId();
      await keeper.write('addAttempt', {
        id: newId(),
        attemptId,
        speciesKey,
        name: key,
        tankId: tank('A1'),
        sires: [lotId],
        dams: [lotId],
        ...days,
        recipe: recipe as never,
        recipeRef: key,
        tags: [],
        note: null,
      });
      await sitter.write('logSettling', {
        id: newId(),
        attemptId,
        sign: 'chasing',
        at: exactly('2026-03-04T19:00:00.000Z'),
        note: null,
      });
      expect((await trigger(attemptId, '2026-03-05T19:00:00.000Z', { what: stepsWords(recipe.steps) || 'waited' })).ok).toBe(
        true,
      );
      expect((await viewer.get('attempt', { params: { attemptId } })).state).toBe('triggered');
      await clutch(keeper, attemptId, exactly('2026-03-07T08:00:00.000Z'), 20);
      expect((await viewer.get('attempt', { params: { attemptId } })).state).toBe('with a brood');
      await keeper.write('endAttempt', { id: newId(), attemptId, outcome: 'spawned', on: '2026-03-09', note: null });
      const [record] = await viewer.get('evidence', { query: { speciesKey } });
      expect(record).toMatchObject({ spawnedAfterDays: expect.closeTo(1.54, 2) as number, isEnded: true, eggs: 20 });
      expect((await viewer.get('round')).stops.flatMap(({ chores }) => chores).every(({ text }) => text.length > 2)).toBe(true);
    },
  );
});

describe('meals', () => {
  it('are ticked on the walk they are for', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 2, females: 2 }, '2026-02-01T08:00:00.000Z');
    await keeper.write('addProgramme', {
      id: newId(),
      programmeId: newId(),
      lotId,
      from: '2026-03-10',
      weeks: 2,
      foods: 'grindal worms',
      mealsPerDay: 3,
      separated: 'together',
      water: null,
    });
    const walks = async () => {
      const round = await viewer.get('round');
      const stop = round.stops.find(({ tankId }) => tankId === tank('A1'));
      return {
        walks: round.walks,
        meals: stop?.chores.filter(({ kind }) => kind === 'condition').map(({ walk, outcome }) => [walk, outcome !== null]),
      };
    };
    expect(await walks()).toEqual({
      walks: ['07:30', '13:00', '19:00'],
      meals: [
        [0, false],
        [1, false],
        [2, false],
      ],
    });
    const round = await viewer.get('round');
    const noon = round.stops.find(({ tankId }) => tankId === tank('A1'))?.chores.find(({ walk }) => walk === 1);
    await sitter.write('outcome', {
      id: newId(),
      choreKey: noon?.key ?? '',
      day: '2026-03-10',
      status: 'done',
      text: noon?.text ?? '',
      tankId: tank('A1'),
      amount: null,
      unit: null,
      tick: noon?.tick ?? null,
      at: NOW,
    });
    expect((await walks()).meals).toEqual([
      [0, false],
      [1, true],
      [2, false],
    ]);
    await keeper.write('setHours', {
      id: newId(),
      walks: ['07:00', '18:30'],
      lampOn: null,
      lampOff: null,
      latitude: null,
      longitude: null,
      version: null,
    });
    // Three meals on two walks: two of them in the morning, and the one ticked stays ticked.
    expect((await walks()).meals).toEqual([
      [0, false],
      [1, true],
    ]);
  });
});

describe('evidence', () => {
  it('tells of each attempt what was done, what stood around it and what came of it', async () => {
    const attemptId = await attempt(keeper, tank('A1'), 'lemon-tetra', '2026-03-01');
    await measure(keeper, tank('A1'), 24.5, '2026-03-02T18:00:00.000Z');
    await trigger(attemptId, '2026-03-03T20:00:00.000Z', {
      change: { litres: 10, waterId: null, tempC: 16 },
      stepC: -3,
      pressure: 'falling',
    });
    const { broodId } = await clutch(keeper, attemptId, exactly('2026-03-05T08:00:00.000Z'), 80, 10);
    await keeper.write('observe', {
      id: newId(),
      broodId,
      kind: 'hatched',
      at: exactly('2026-03-07T08:00:00.000Z'),
      counted: 60,
    });
    const failed = await attempt(keeper, tank('A2'), 'lemon-tetra', '2026-02-10');
    await keeper.write('endAttempt', { id: newId(), attemptId: failed, outcome: 'failed', on: '2026-02-24', note: null });
    const records = await viewer.get('evidence', { query: { speciesKey: 'lemon-tetra' } });
    expect(records.map(({ id }) => id)).toEqual([attemptId, failed]);
    const [worked, other] = records;
    expect(worked).toMatchObject({ spawnedAfterDays: 1.5, eggs: 80, fertile: 70, hatched: 60, swimming: null, isEnded: false });
    // The moon was full on 3 March 2026.
    expect(worked?.factors).toMatchObject({
      'lever:cooler': true,
      fullMoon: true,
      pressureFalling: true,
      tempC: 24.5,
      coolerC: 3,
      'tank:A1': true,
      'tank:A2': false,
      winterHalf: true,
    });
    expect(other).toMatchObject({ spawnedAfterDays: null, isEnded: true, waitedDays: 14, eggs: null });
    expect(await viewer.get('evidence', { query: { speciesKey: 'kribensis' } })).toEqual([]);
    expect((await viewer.get('evidence', { query: { limit: '1' } })).map(({ id }) => id)).toEqual([attemptId]);
  });
});
