import { completeRecipe } from '@freshet/core/spawning';
import { furnish, stockUp, attempt, clutch, measure } from '../testing/furnish';
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
const box = (code: string, more: object = {}) => ({
  id: newId(),
  vesselId: newId(),
  kind: 'eggBox' as const,
  code,
  litres: 2,
  inTankId: tank('A1'),
  place: null,
  ...more,
});
const codes = async () => (await keeper.get('room')).vessels.map(({ code }) => code);
const life = async (code: string) => (await keeper.get('tankLife')).find((one) => one.code === code);

describe('a box, bag or jar', () => {
  it('is refused at the field that is wrong, and nothing of it is kept', async () => {
    const rows: [object, string][] = [
      [{ litres: 0 }, '#/litres'],
      [{ litres: 25 }, '#/litres'],
      [{ place: 'shelf' }, '#/place'],
      [{ inTankId: null }, '#/place'],
      [{ kind: 'tumbler', inTankId: null, place: 'shelf' }, '#/inTankId'],
      [{ kind: 'peatBag', litres: 0.5 }, '#/inTankId'],
      [{ code: 'a box' }, '#/code'],
      [{ code: 'A1' }, '#/code'],
      [{ inTankId: newId() }, '#/inTankId'],
    ];
    for (const [more, pointer] of rows)
      expect([more, await sitter.call('addVessel', box('E1', more))]).toMatchObject([
        more,
        { ok: false, body: { errors: [{ pointer }] } },
      ]);
    const first = box('E1');
    await sitter.write('addVessel', first);
    // A box does not hang in a box.
    expect(await sitter.call('addVessel', box('E2', { inTankId: first.vesselId }))).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/inTankId' }] },
    });
    expect(await codes()).toEqual(['E1']);
  });

  it('stands nowhere among tanks: not on a shelf, not ready or not, not for a spawning', async () => {
    await sitter.write('addVessel', box('E1'));
    const { racks, vessels } = await keeper.get('room');
    expect(racks.flatMap(({ shelves }) => shelves.flatMap((shelf) => shelf.tanks.map(({ code }) => code)))).toEqual(['A1', 'A2']);
    expect(vessels).toMatchObject([{ code: 'E1', kind: 'eggBox', litres: 2, inTankId: tank('A1'), place: null }]);
    expect(await life('E1')).toMatchObject({ vessel: { words: 'egg box in A1' }, freeOn: null, heads: 0 });
    expect(await life('A1')).toMatchObject({ vessel: null });
    const lotId = await stockUp(keeper, tank('A2'), 'lemon-tetra', { males: 2, females: 2 }, NOW);
    const planned = {
      id: newId(),
      attemptId: newId(),
      speciesKey: 'lemon-tetra',
      name: 'Dawn',
      tankId: vessels[0]?.id ?? '',
      sires: [lotId],
      dams: [lotId],
      from: '2026-03-11',
      to: null,
      conditioningFrom: null,
      setUpOn: null,
      triggerOn: null,
      recipe: completeRecipe({ eggPlan: 'removeParents', trigger: 'stable', fungus: 'flow', dailyChangeFraction: 0 }),
      recipeRef: null,
      tags: [],
      note: null,
    };
    expect(await keeper.call('addAttempt', planned)).toMatchObject({ ok: false, body: { errors: [{ pointer: '#/tankId' }] } });
    expect(
      await keeper.call('moveTank', {
        id: newId(),
        tankId: planned.tankId,
        shelfId: tank('shelf A'),
        leftCm: 300,
        facing: 'long',
      }),
    ).toMatchObject({ ok: false });
  });

  it('takes its eggs by one tick, is as warm as its tank, and is put away when it is empty', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'angelfish', { males: 1, females: 1 }, '2026-03-01T08:00:00Z');
    const attemptId = await attempt(keeper, tank('A1'), 'angelfish', '2026-03-08', {
      sires: [lotId],
      dams: [lotId],
    });
    await measure(sitter, tank('A1'), 27, '2026-03-09T08:00:00Z');
    const { broodId } = await clutch(sitter, attemptId, { from: '2026-03-09T20:00:00Z', to: '2026-03-09T21:00:00Z' }, 120);
    await sitter.write('keepEggs', {
      id: newId(),
      broodId,
      at: NOW,
      plan: 'pullEggs',
      fungus: 'flow',
      dyeMgPerL: null,
      dyeStockPercent: null,
      dailyChangeFraction: 0.5,
      container: null,
      why: null,
      toTankId: null,
    });
    const made = box('E1');
    await sitter.write('addVessel', made);
    const chores = async (code: string) =>
      (await keeper.get('round', { query: { day: '2026-03-10' } })).stops.find((stop) => stop.code === code)?.chores ?? [];
    const due = (await chores('A1')).find(({ kind }) => kind === 'boxEggs');
    expect(due).toMatchObject({ amountText: 'E1', tick: { kind: 'boxed', id: broodId, what: made.vesselId } });
    expect((await chores('A1')).some(({ kind }) => kind === 'eggChange')).toBe(false);
    const tick = {
      id: newId(),
      choreKey: due?.key ?? '',
      day: '2026-03-10',
      status: 'done' as const,
      text: due?.text ?? '',
      tankId: tank('A1'),
      amount: null,
      unit: null,
      tick: due?.tick ?? null,
      at: NOW,
    };
    await sitter.write('outcome', tick);
    const page = await keeper.get('brood', { params: { broodId } });
    expect(page.lots.filter(({ count }) => count > 0)).toMatchObject([{ tankCode: 'E1', count: 120 }]);
    expect((await chores('E1')).find(({ kind }) => kind === 'eggChange')).toMatchObject({ amountText: '0.25 L' });
    // The hatch is worked out from the tank it hangs in; nobody has to read the box.
    expect(page.windows[0]?.why.inputs.find(({ label }) => label === 'Temperatures logged')?.value).toContain('27');
    expect(await life('E1')).toMatchObject({ tempC: { value: 27 }, stage: 'eggs' });
    expect(await sitter.call('putVesselAway', { id: newId(), vesselId: made.vesselId })).toMatchObject({ ok: false });
    await keeper.write('undo', { id: newId(), entryId: tick.id });
    expect((await keeper.get('brood', { params: { broodId } })).lots.filter(({ count }) => count > 0)).toMatchObject([
      { tankCode: 'A1' },
    ]);
    const away = { id: newId(), vesselId: made.vesselId };
    await sitter.write('putVesselAway', away);
    expect(await codes()).toEqual([]);
    // What stood in it once is told still, and nothing goes into what was put away.
    expect(
      await keeper.call('move', {
        id: newId(),
        lotId,
        newLotId: newId(),
        toTankId: made.vesselId,
        heads: { males: 1, females: 1, unsexed: 0 },
        at: NOW,
      }),
    ).toMatchObject({ ok: false, body: { detail: 'E1 was put away.' } });
    await keeper.write('undo', { id: newId(), entryId: away.id });
    expect(await codes()).toEqual(['E1']);
  });

  it('hangs elsewhere and is called otherwise; taken back in order only', async () => {
    const made = box('E1');
    await sitter.write('addVessel', made);
    await sitter.write('addVessel', box('E2'));
    const move = (code: string, inTankId: string | null, place: string | null = null) => ({
      id: newId(),
      vesselId: made.vesselId,
      code,
      inTankId,
      place,
    });
    expect(await sitter.call('moveVessel', move('E2', tank('A2')))).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/code' }] },
    });
    expect(await sitter.call('moveVessel', move('E1', null, null))).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/place' }] },
    });
    const [first, second] = [move('E1', tank('A2')), move('E9', null, 'sill')];
    await sitter.write('moveVessel', first);
    expect((await life('E1'))?.vessel?.words).toBe('egg box in A2');
    await sitter.write('moveVessel', second);
    expect((await life('E9'))?.vessel?.words).toBe('egg box, sill');
    expect(await keeper.call('undo', { id: newId(), entryId: first.id })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries' },
    });
    await keeper.write('undo', { id: newId(), entryId: second.id });
    await keeper.write('undo', { id: newId(), entryId: first.id });
    expect((await life('E1'))?.vessel?.words).toBe('egg box in A1');
  });

  it('shares illness with the tank it hangs in, both ways', async () => {
    await sitter.write('addVessel', box('E1'));
    const inBox = await life('E1');
    const lotId = await stockUp(keeper, inBox?.tankId ?? '', 'angelfish', { unsexed: 20 }, '2026-03-01T08:00:00Z');
    await sitter.write('logIllness', { id: newId(), tankId: tank('A1'), at: NOW, what: 'white spots' });
    expect(
      await keeper.call('move', {
        id: newId(),
        lotId,
        newLotId: newId(),
        toTankId: tank('A2'),
        heads: { males: 0, females: 0, unsexed: 20 },
        at: NOW,
      }),
    ).toMatchObject({ ok: false, body: { code: 'room/exposed' } });
    const reached = await keeper.get('exposure', { query: { tankId: tank('A1'), day: '2026-03-10' } });
    expect(reached.tanks.map(({ tankId }) => tankId)).toContain(inBox?.tankId);
  });
});
