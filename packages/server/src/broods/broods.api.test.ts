import { completeRecipe } from '@freshet/core/spawning';
import { attempt, clutch, EMPTY, furnish, measure, stockUp } from '../testing/furnish';
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
const brood = (broodId: string) => keeper.get('brood', { params: { broodId } });
const window = async (broodId: string, stage: string) =>
  (await brood(broodId)).windows.find((candidate) => candidate.stage === stage);

async function aspidoras(count = 100, white = 0) {
  const lotId = await stockUp(keeper, tank('A1'), 'sixray-aspidoras', { males: 3, females: 2 }, '2026-03-01T08:00:00Z');
  const attemptId = await attempt(keeper, tank('A1'), 'sixray-aspidoras', '2026-03-08', { sires: [lotId], dams: [lotId] });
  return { attemptId, ...(await clutch(sitter, attemptId, LAID, count, white)) };
}

describe('eggs seen', () => {
  it('make a brood with its headcount, white ones booked apart, and windows at once', async () => {
    const { broodId, attemptId } = await aspidoras(120, 18);
    const page = await brood(broodId);
    expect(page).toMatchObject({ alive: 102, began: 120, stage: 'eggs', attemptId });
    expect(page.ledger).toEqual([
      { label: 'Eggs found', count: 120 },
      { label: 'White, picked', count: -18 },
      { label: 'Alive', count: 102 },
    ]);
    expect(
      page.windows.every(
        (entry) => entry.status === 'predicted' && entry.earliest !== null && entry.latest !== null && entry.why.source !== '',
      ),
    ).toBe(true);
    expect(page.parents.map((parent) => parent.role)).toEqual(['sire', 'dam']);
  });

  it('are refused when more are white than there are, when the attempt has ended, and of another house', async () => {
    const { attemptId } = await aspidoras();
    const body = { id: newId(), broodId: newId(), lotId: newId(), attemptId, laid: LAID, count: 10, white: 11 };
    expect(await sitter.call('addClutch', body)).toMatchObject({
      ok: false,
      status: 400,
      body: { errors: [{ pointer: '#/white' }] },
    });
    expect(await sitter.call('addClutch', { ...body, white: 0, laid: { from: LAID.to, to: LAID.from } })).toMatchObject({
      ok: false,
      status: 400,
    });
    await keeper.write('endAttempt', { id: newId(), attemptId, outcome: 'spawned', on: '2026-03-10', note: null });
    expect(await sitter.call('addClutch', { ...body, white: 0 })).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'spawning/ended' },
    });
    const stranger = await test.house('Elsewhere');
    expect(await stranger.keeper.call('addClutch', { ...body, white: 0, id: newId() })).toMatchObject({ ok: false, status: 404 });
  });
});

describe('windows', () => {
  it('move with every temperature logged: warmer water brings the hatch forward', async () => {
    const { broodId } = await aspidoras();
    await measure(sitter, tank('A1'), 22, '2026-03-09T22:00:00Z');
    const cool = await window(broodId, 'hatch');
    test.setNow('2026-03-10T12:00:00.000Z');
    await measure(sitter, tank('A1'), 26, '2026-03-10T12:00:00Z');
    const warm = await window(broodId, 'hatch');
    expect(Date.parse(warm?.earliest ?? '')).toBeLessThan(Date.parse(cool?.earliest ?? ''));
    expect(Date.parse(warm?.latest ?? '')).toBeLessThan(Date.parse(cool?.latest ?? ''));
    expect(warm?.why.inputs.find((input) => input.label === 'Temperatures logged')?.value).toContain('2, 22');
  });

  it('follow a brood from tank to tank, each tank counting for the time it stood there', async () => {
    const { broodId, lotId } = await aspidoras();
    await measure(sitter, tank('A1'), 24, '2026-03-09T22:00:00Z');
    await measure(sitter, tank('A2'), 28, '2026-03-09T22:00:00Z');
    const before = await window(broodId, 'hatch');
    await sitter.write('move', {
      id: newId(),
      lotId,
      newLotId: newId(),
      toTankId: tank('A2'),
      heads: { ...EMPTY, unsexed: 100 },
      at: NOW,
    });
    test.setNow('2026-03-10T14:00:00.000Z');
    await measure(sitter, tank('A2'), 28, '2026-03-10T14:00:00Z');
    await measure(sitter, tank('A1'), 10, '2026-03-10T14:00:00Z');
    expect(Date.parse((await window(broodId, 'hatch'))?.earliest ?? '')).toBeLessThan(Date.parse(before?.earliest ?? ''));
  });

  it('explain a temperature at which eggs do not develop instead of drawing a day', async () => {
    const { broodId } = await aspidoras();
    await measure(sitter, tank('A1'), 9, '2026-03-09T22:00:00Z');
    const hatch = await window(broodId, 'hatch');
    expect(hatch).toMatchObject({ status: 'notReached', earliest: null, latest: null });
    expect(hatch?.why.notes.join(' ')).toContain('do not develop');
    const round = await keeper.get('round');
    expect(round.alarms.find((alarm) => alarm.title.includes('too cold to develop'))?.severity).toBe('now');
  });

  it('begin where eggs were last seen as eggs, and say why', async () => {
    const { broodId } = await aspidoras();
    await measure(sitter, tank('A1'), 28, '2026-03-09T22:00:00Z');
    const earliest = (await window(broodId, 'hatch'))?.earliest ?? '';
    const later = new Date(Date.parse(earliest) + 6 * 3_600_000).toISOString();
    test.setNow(later);
    await sitter.write('observe', { id: newId(), broodId, kind: 'eggsSeen', at: { from: later, to: later }, counted: null });
    const clipped = await window(broodId, 'hatch');
    expect(clipped?.earliest).toBe(later);
    expect(clipped?.why.notes.join(' ')).toContain('eggs were still seen');
  });

  it('are counted from what was seen: a hatch re-anchors the later ones', async () => {
    const { broodId } = await aspidoras();
    await measure(sitter, tank('A1'), 24, '2026-03-09T22:00:00Z');
    test.setNow('2026-03-14T08:00:00.000Z');
    const hatchedAt = '2026-03-14T07:00:00Z';
    await sitter.write('observe', { id: newId(), broodId, kind: 'hatched', at: { from: hatchedAt, to: hatchedAt }, counted: 90 });
    const page = await brood(broodId);
    expect(page).toMatchObject({ stage: 'yolk', alive: 90 });
    expect(page.windows.find((entry) => entry.stage === 'hatch')).toMatchObject({
      status: 'observed',
      earliest: '2026-03-14T07:00:00.000Z',
    });
    const swim = page.windows.find((entry) => entry.stage === 'freeSwimming');
    // Aspidoras swim 2.5 to 4 days after hatching at 24 °C, the method's figure.
    expect(Date.parse(swim?.earliest ?? '') - Date.parse(hatchedAt)).toBeCloseTo(2.5 * 86_400_000, -4);
    expect(Date.parse(swim?.latest ?? '') - Date.parse(hatchedAt)).toBeCloseTo(4 * 86_400_000, -4);
  });

  it('become overdue when nothing was logged, and raise an alarm', async () => {
    const { broodId } = await aspidoras();
    await measure(sitter, tank('A1'), 24, '2026-03-09T22:00:00Z');
    test.setNow('2026-03-20T08:00:00.000Z');
    expect((await window(broodId, 'hatch'))?.status).toBe('overdue');
    const { alarms } = await keeper.get('round');
    expect(alarms.some((alarm) => alarm.title === 'A1: no hatch logged.')).toBe(true);
  });
});

describe('past broods of one’s own', () => {
  it('narrow the days from hatch to swimming, too', async () => {
    const attemptId = await attempt(keeper, tank('A1'), 'sixray-aspidoras', '2026-01-01');
    const hours = (from: string, count: number) => new Date(Date.parse(from) + count * 3_600_000).toISOString();
    const seen = (broodId: string, kind: 'hatched' | 'freeSwimming', at: string) =>
      sitter.write('observe', { id: newId(), broodId, kind, at: { from: at, to: at }, counted: null });
    for (const [i, swims] of [76, 78, 77].entries()) {
      const laidAt = `2026-01-${String(3 + i * 12).padStart(2, '0')}T07:00:00.000Z`;
      const [hatchedAt, swumAt] = [hours(laidAt, 93), hours(laidAt, 93 + swims)];
      test.setNow(swumAt);
      for (const at of [laidAt, swumAt]) await measure(sitter, tank('A1'), 24, at);
      const { broodId } = await clutch(sitter, attemptId, { from: laidAt, to: laidAt }, 50);
      await seen(broodId, 'hatched', hatchedAt);
      await seen(broodId, 'freeSwimming', swumAt);
    }
    test.setNow(NOW);
    const laid = '2026-03-10T07:00:00.000Z';
    await measure(sitter, tank('A1'), 24, laid);
    const { broodId } = await clutch(sitter, attemptId, { from: laid, to: laid }, 50);
    const swimming = await window(broodId, 'freeSwimming');
    expect(swimming?.why.notes.join(' ')).toContain('Narrowed by 3 past broods of your own');
    const width = (Date.parse(swimming?.latest ?? '') - Date.parse(swimming?.earliest ?? '')) / 86_400_000;
    // Hatch and swimming together are 5.5 to 8.5 days in the book.
    expect(width).toBeLessThan(2);
    expect(width).toBeGreaterThan(0.3);
  });

  it('narrow the hatch once three were seen to hatch, and say so; a figure of one’s own goes before', async () => {
    const attemptId = await attempt(keeper, tank('A1'), 'sixray-aspidoras', '2026-01-01');
    for (const [i, hours] of [92, 94, 93].entries()) {
      const laidAt = `2026-01-${String(3 + i * 12).padStart(2, '0')}T07:00:00.000Z`;
      const hatchedAt = new Date(Date.parse(laidAt) + hours * 3_600_000).toISOString();
      test.setNow(hatchedAt);
      for (const at of [laidAt, hatchedAt]) await measure(sitter, tank('A1'), 24, at);
      const { broodId } = await clutch(sitter, attemptId, { from: laidAt, to: laidAt }, 50);
      await sitter.write('observe', {
        id: newId(),
        broodId,
        kind: 'hatched',
        at: { from: hatchedAt, to: hatchedAt },
        counted: null,
      });
    }
    test.setNow(NOW);
    const laid = '2026-03-10T07:00:00.000Z';
    await measure(sitter, tank('A1'), 24, laid);
    const { broodId } = await clutch(sitter, attemptId, { from: laid, to: laid }, 50);
    const hatch = await window(broodId, 'hatch');
    const days = (at: string | null | undefined) => (Date.parse(at ?? '') - Date.parse(laid)) / 86_400_000;
    // They took 92 to 94 hours, 3.83 to 3.92 days; the starting point is 3 to 4.5.
    expect(days(hatch?.earliest)).toBeGreaterThan(3.4);
    expect(days(hatch?.earliest)).toBeLessThan(3.84);
    expect(days(hatch?.latest)).toBeGreaterThan(3.91);
    expect(days(hatch?.latest)).toBeLessThan(4.3);
    expect(hatch?.why.notes.join(' ')).toContain('Narrowed by 3 past broods of your own');
    await keeper.write('saveSpecies', {
      id: newId(),
      key: 'sixray-aspidoras',
      commonName: 'Sixray aspidoras',
      scientificName: '',
      method: 'adhesivePlacer',
      initials: 'As',
      figures: { hatch: { atC: 24, days: [2, 6] } },
    });
    expect(days((await window(broodId, 'hatch'))?.earliest)).toBeCloseTo(2, 3);
  });
});

describe('eggs or young found with no attempt open', () => {
  const found = (more: object) => ({
    id: newId(),
    broodId: newId(),
    lotId: newId(),
    attemptId: newId(),
    tankId: tank('A1'),
    speciesKey: 'lemon-tetra',
    count: 20,
    at: test.now(),
    laid: null,
    youngMm: null,
    ...more,
  });

  it('are one step: the attempt and its likely parents are noted with them, and taken back with them', async () => {
    const lotId = await stockUp(keeper, tank('A1'), 'lemon-tetra', { males: 2, females: 3 }, '2026-03-01T08:00:00Z');
    const laid = { from: '2026-03-10T05:00:00.000Z', to: '2026-03-10T07:00:00.000Z' };
    const body = found({ laid });
    await sitter.write('foundBrood', body);
    const page = await keeper.get('brood', { params: { broodId: body.broodId } });
    expect(page).toMatchObject({ stage: 'eggs', alive: 20, laid, name: 'Lemon tetra found' });
    expect(page.parents.map((parent) => parent.lotId)).toEqual([lotId, lotId]);
    await sitter.write('undo', { id: newId(), entryId: body.id });
    expect(await keeper.get('broods')).toEqual([]);
    expect((await keeper.get('attempts')).attempts).toEqual([]);
  });

  it('are as old as their length says, by the growth curve of their kind, both ends', async () => {
    const body = found({ youngMm: [4, 6] });
    await sitter.write('foundBrood', body);
    const page = await keeper.get('brood', { params: { broodId: body.broodId } });
    expect(page.stage).toBe('fry');
    // 3.1 mm at first feed, about 4.1 mm after a week, 5.2 mm after two.
    expect(page.feedingDays ?? 0).toBeGreaterThan(9);
    expect(page.feedingDays ?? 0).toBeLessThan(15);
    const seen = page.windows.find(({ stage }) => stage === 'freeSwimming');
    expect(Date.parse(seen?.latest ?? '') - Date.parse(seen?.earliest ?? '')).toBeGreaterThan(8 * 86_400_000);
    expect(await sitter.call('foundBrood', found({ youngMm: [4, 400] }))).toMatchObject({ ok: false, status: 400 });
    expect(await sitter.call('foundBrood', found({ youngMm: [9, 4] }))).toMatchObject({ ok: false, status: 400 });
    expect(await sitter.call('foundBrood', found({}))).toMatchObject({ ok: false, status: 400 });
  });
});

describe('eggs looked through', () => {
  const triage = (broodId: string, more: object) =>
    sitter.call('triage', { id: newId(), broodId, at: NOW, white: 0, kickedOut: 0, eaten: 0, unsure: 0, ...more });

  it('leave by why, over several days, and come back when taken back', async () => {
    const { broodId } = await aspidoras(100);
    await triage(broodId, { white: 8, kickedOut: 3, unsure: 4 });
    const second = await triage(broodId, { white: 2, eaten: 5, unsure: 1, fertile: 79 });
    expect(second).toMatchObject({ ok: true });
    const page = await brood(broodId);
    // 100 less 11 less 7 are 82; 79 sound and one doubtful were counted.
    expect(page.alive).toBe(80);
    expect(page.ledger.find(({ label }) => label === 'White, picked')?.count).toBe(-10);
    expect(page.counted).toMatchObject({ count: 80, low: 80, high: 80 });
    const [entry] = await keeper.get('entries', { query: { aboutId: broodId } });
    expect(entry?.text).toContain('2 white, 5 eaten, 1 doubtful, 79 sound');
    await keeper.write('undo', { id: newId(), entryId: entry?.id ?? '' });
    expect(await brood(broodId)).toMatchObject({ alive: 89, counted: null });
    expect(await keeper.get('balance')).toMatchObject({ balanced: true });
  });

  it('are refused at the pile that is too many, when nothing was counted, and after the hatch', async () => {
    const { broodId } = await aspidoras(20);
    expect(await triage(broodId, { white: 3, eaten: 19 })).toMatchObject({
      ok: false,
      status: 409,
      body: { errors: [{ pointer: '#/eaten' }] },
    });
    expect(await triage(broodId, {})).toMatchObject({ ok: false, status: 400, body: { errors: [{ pointer: '#/white' }] } });
    expect((await brood(broodId)).alive).toBe(20);
    test.setNow('2026-03-15T08:00:00.000Z');
    const at = { from: '2026-03-14T08:00:00Z', to: '2026-03-14T08:00:00Z' };
    await sitter.write('observe', { id: newId(), broodId, kind: 'hatched', at, counted: null });
    expect(await triage(broodId, { white: 1 })).toMatchObject({ ok: false, body: { code: 'broods/out-of-order' } });
  });

  it('are counted with the range of a worked count, which must hold the count', async () => {
    const { broodId, lotId } = await aspidoras(70);
    const count = (more: object) =>
      sitter.call('count', { id: newId(), lotId, counted: 64, at: NOW, how: 'photograph', ...more });
    expect(await count({ low: 65, high: 70 })).toMatchObject({ ok: false, body: { errors: [{ pointer: '#/counted' }] } });
    expect(await count({ low: 60, high: 68 })).toMatchObject({ ok: true });
    expect(await brood(broodId)).toMatchObject({ alive: 64, counted: { count: 64, low: 60, high: 68, how: 'photograph' } });
  });
});

describe('a brood of another attempt', () => {
  it('is joined to it with its parents, and goes back when taken back', async () => {
    const dam = await stockUp(keeper, tank('A1'), 'kribensis', { females: 1 }, '2026-03-01T08:00:00Z');
    const found = {
      id: newId(),
      broodId: newId(),
      lotId: newId(),
      attemptId: newId(),
      tankId: tank('A1'),
      speciesKey: 'kribensis',
    };
    await sitter.write('foundBrood', { ...found, count: 30, laid: LAID, youngMm: null, at: NOW });
    const sire = await stockUp(keeper, tank('A1'), 'kribensis', { males: 1 }, '2026-03-01T08:00:00Z');
    const meant = await attempt(keeper, tank('A2'), 'kribensis', '2026-03-02', { dams: [dam], sires: [sire], to: '2026-03-12' });
    const late = await attempt(keeper, tank('A3'), 'kribensis', '2026-03-20', { dams: [dam], sires: [sire] });
    const other = await attempt(keeper, tank('A2'), 'lemon-tetra', '2026-04-20', {});
    for (const [attemptId, detail] of [
      [late, 'That spawning began after these were laid.'],
      [other, 'That spawning is of another species.'],
      [found.attemptId, 'It’s part of that spawning already.'],
    ] as const)
      expect(await keeper.call('joinBrood', { id: newId(), broodId: found.broodId, attemptId })).toMatchObject({
        ok: false,
        body: { errors: [{ pointer: '#/attemptId', detail }] },
      });
    const { entryId } = await keeper.write('joinBrood', { id: newId(), broodId: found.broodId, attemptId: meant });
    expect(await brood(found.broodId)).toMatchObject({
      attemptId: meant,
      parents: expect.arrayContaining([expect.objectContaining({ lotId: dam })]) as object[],
    });
    expect((await keeper.get('attempt', { params: { attemptId: meant } })).broodIds).toEqual([found.broodId]);
    const spawned = await keeper.get('evidence', { query: { newestSpawned: 'true' } });
    expect(spawned.map(({ id }) => id)).toEqual([meant]);
    await keeper.write('undo', { id: newId(), entryId });
    expect(await brood(found.broodId)).toMatchObject({ attemptId: found.attemptId });
  });
});

describe('observations', () => {
  it('far outside of what the species can do asks for a reason, and is kept with it', async () => {
    const { broodId } = await aspidoras();
    test.setNow('2026-03-10T14:00:00.000Z');
    const at = { from: '2026-03-10T13:00:00.000Z', to: '2026-03-10T13:00:00.000Z' };
    const body = { broodId, kind: 'hatched' as const, at, counted: null };
    const refused = await sitter.call('observe', { id: newId(), ...body });
    expect(refused).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'broods/implausible-hatch', overridable: true, errors: [{ pointer: '#/at' }] },
    });
    const forced = await sitter.call('observe', { id: newId(), ...body, override: { reason: 'laid days before it was seen' } });
    expect(forced.ok).toBe(true);
    expect((await keeper.get('entries'))[0]).toMatchObject({ reason: 'laid days before it was seen' });
  });

  it('are refused out of order, with what they contradict', async () => {
    const { broodId } = await aspidoras();
    const see = (kind: 'eggsSeen' | 'stripped' | 'hatched' | 'freeSwimming', at: string) =>
      sitter.call('observe', { id: newId(), broodId, kind, at: { from: at, to: at }, counted: null });
    expect(await see('hatched', '2026-03-08T08:00:00Z')).toMatchObject({
      ok: false,
      body: { code: 'broods/out-of-order', errors: [{ pointer: '#/at' }] },
    });
    test.setNow('2026-03-14T09:00:00.000Z');
    expect((await see('hatched', '2026-03-14T08:00:00Z')).ok).toBe(true);
    expect(await see('hatched', '2026-03-14T08:30:00Z')).toMatchObject({ ok: false, body: { code: 'broods/out-of-order' } });
    expect(await see('stripped', '2026-03-14T08:30:00Z')).toMatchObject({
      ok: false,
      body: { errors: [{ pointer: '#/kind', detail: 'Their mother does not hold them in her mouth.' }] },
    });
    expect(await see('eggsSeen', '2026-03-14T08:30:00Z')).toMatchObject({ ok: false, body: { code: 'broods/out-of-order' } });
    expect(await see('freeSwimming', '2026-03-13T08:00:00Z')).toMatchObject({ ok: false, body: { code: 'broods/out-of-order' } });
  });

  it('refuse to pick white eggs from a brood that has hatched, or more than there are', async () => {
    const { broodId } = await aspidoras(30);
    expect(await sitter.call('pickWhite', { id: newId(), broodId, count: 31, at: NOW })).toMatchObject({
      ok: false,
      body: { code: 'stock/too-many' },
    });
    await sitter.write('pickWhite', { id: newId(), broodId, count: 5, at: NOW });
    test.setNow('2026-03-14T09:00:00.000Z');
    await sitter.write('observe', {
      id: newId(),
      broodId,
      kind: 'hatched',
      at: { from: '2026-03-14T08:00:00Z', to: '2026-03-14T08:00:00Z' },
      counted: null,
    });
    expect(await sitter.call('pickWhite', { id: newId(), broodId, count: 1, at: test.now() })).toMatchObject({
      ok: false,
      body: { code: 'broods/out-of-order' },
    });
    expect((await brood(broodId)).alive).toBe(25);
  });

  it('can be taken back; the windows go back with them', async () => {
    const { broodId } = await aspidoras();
    test.setNow('2026-03-14T09:00:00.000Z');
    const id = newId();
    await sitter.write('observe', {
      id,
      broodId,
      kind: 'hatched',
      at: { from: '2026-03-14T08:00:00Z', to: '2026-03-14T08:00:00Z' },
      counted: 80,
    });
    await sitter.write('undo', { id: newId(), entryId: id });
    const page = await brood(broodId);
    expect(page).toMatchObject({ stage: 'eggs', alive: 100 });
    expect(page.ledger.at(-1)).toEqual({ label: 'Alive', count: 100 });
    expect(page.ledger.slice(0, -1).reduce((sum, line) => sum + line.count, 0)).toBe(100);
  });
});

describe('a brood of young', () => {
  it('is split to a second tank; its stream forks and its account still adds up', async () => {
    const { broodId, lotId } = await aspidoras(100);
    test.setNow('2026-03-18T09:00:00.000Z');
    for (const [kind, at, counted] of [
      ['hatched', '2026-03-14T08:00:00Z', 90],
      ['freeSwimming', '2026-03-17T08:00:00Z', 80],
    ] as const)
      await sitter.write('observe', { id: newId(), broodId, kind, at: { from: at, to: at }, counted });
    const newLotId = newId();
    await sitter.write('move', {
      id: newId(),
      lotId,
      newLotId,
      toTankId: tank('A2'),
      heads: { ...EMPTY, unsexed: 30 },
      at: test.now(),
    });
    await sitter.write('lose', { id: newId(), lotId: newLotId, heads: { ...EMPTY, unsexed: 2 }, cause: 'death', at: test.now() });
    const page = await brood(broodId);
    expect(page.alive).toBe(78);
    expect(page.ledger.slice(0, -1).reduce((sum, line) => sum + line.count, 0)).toBe(page.alive);
    expect(page.stream.bands.map((band) => ({ parent: band.parentLotId, now: band.points.at(-1)?.count }))).toEqual([
      { parent: null, now: 50 },
      { parent: lotId, now: 28 },
    ]);
    expect(page.lots.map((lot) => [lot.tankCode, lot.count])).toEqual([
      ['A1', 50],
      ['A2', 28],
    ]);
    for (const band of page.stream.bands)
      for (const point of band.forecast)
        expect(point.low <= point.mid && point.mid <= point.high && point.high <= (band.points.at(-1)?.count ?? 0) + 1e-6).toBe(
          true,
        );
    expect(
      await sitter.call('move', {
        id: newId(),
        lotId,
        newLotId: newId(),
        toTankId: tank('A3'),
        heads: { ...EMPTY, unsexed: 51 },
        at: test.now(),
      }),
    ).toMatchObject({ ok: false, body: { code: 'stock/too-many' } });
  });

  it('whose young were sexed shows them by sex, and a loss is logged by sex', async () => {
    const { broodId, lotId } = await aspidoras(40);
    test.setNow('2026-05-20T09:00:00.000Z');
    for (const [kind, at] of [
      ['hatched', '2026-03-14T08:00:00Z'],
      ['freeSwimming', '2026-03-17T08:00:00Z'],
    ] as const)
      await sitter.write('observe', { id: newId(), broodId, kind, at: { from: at, to: at }, counted: 20 });
    await keeper.write('sexLot', { id: newId(), lotId, heads: { males: 8, females: 12, unsexed: 0 }, at: test.now() });
    await sitter.write('lose', { id: newId(), lotId, heads: { ...EMPTY, females: 2 }, cause: 'death', at: test.now() });
    expect((await brood(broodId)).lots).toMatchObject([{ id: lotId, count: 18, males: 8, females: 10, unsexed: 0 }]);
  });

  it('is as far as its lengths say: they shift stage, food and sale, until taken back', async () => {
    const { broodId, lotId } = await aspidoras(40);
    test.setNow('2026-04-20T09:00:00.000Z');
    for (const [kind, at] of [
      ['hatched', '2026-03-14T08:00:00Z'],
      ['freeSwimming', '2026-03-17T08:00:00Z'],
    ] as const)
      await sitter.write('observe', { id: newId(), broodId, kind, at: { from: at, to: at }, counted: 30 });
    const before = await brood(broodId);
    expect(before).toMatchObject({ stage: 'fry', measured: null, aheadDays: 0 });
    const grown = Array.from({ length: 10 }, (_, i) => 20 + i * 0.2);
    const { entryId } = await sitter.write('sampleLengths', {
      id: newId(),
      lotId,
      at: test.now(),
      method: 'graphPaper',
      lengthsMm: grown,
    });
    const after = await brood(broodId);
    expect(after).toMatchObject({ stage: 'ready', measured: { count: 10, meanMm: expect.closeTo(20.9, 9) as number } });
    expect(after.lengthMm).toBeCloseTo(20.9, 6);
    expect(after.smallestMm).toBeCloseTo(20.18, 6);
    expect(Date.parse(after.ready?.from ?? '')).toBeLessThan(Date.parse(before.ready?.from ?? ''));
    expect(after.stages.find(({ stage }) => stage === 'ready')?.predicted).toBe(false);
    test.setNow('2026-04-30T09:00:00.000Z');
    // They grow on from what was measured.
    expect((await brood(broodId)).lengthMm).toBeGreaterThan(20.9);
    await keeper.write('undo', { id: newId(), entryId });
    expect(await brood(broodId)).toMatchObject({ measured: null, aheadDays: 0 });
  });

  it('stands in the record of its kind: kept by stage, lost by cause and time, sold ones kept, mother and age', async () => {
    const mother = await stockUp(keeper, tank('A1'), 'sixray-aspidoras', { females: 1 }, '2026-03-01T08:00:00Z');
    const father = await stockUp(keeper, tank('A1'), 'sixray-aspidoras', { males: 2 }, '2026-03-01T08:00:00Z');
    const attemptId = await attempt(keeper, tank('A1'), 'sixray-aspidoras', '2026-03-08', { sires: [father], dams: [mother] });
    const { broodId, lotId } = await clutch(sitter, attemptId, LAID, 100, 10);
    test.setNow('2026-05-20T09:00:00.000Z');
    await measure(sitter, tank('A1'), 24, '2026-03-12T08:00:00Z');
    for (const [kind, at, counted] of [
      ['hatched', '2026-03-14T08:00:00Z', 80],
      ['freeSwimming', '2026-03-17T08:00:00Z', 72],
    ] as const)
      await sitter.write('observe', { id: newId(), broodId, kind, at: { from: at, to: at }, counted });
    const lose = (count: number, cause: 'jumped' | 'sale') =>
      sitter.write('lose', { id: newId(), lotId, heads: { ...EMPTY, unsexed: count }, cause, at: '2026-04-01T08:00:00Z' });
    await lose(4, 'jumped');
    await lose(20, 'sale');
    const { entryId } = await lose(8, 'jumped');
    await keeper.write('undo', { id: newId(), entryId });
    await keeper.write('sexLot', { id: newId(), lotId, heads: { males: 18, females: 30, unsexed: 0 }, at: test.now() });
    const [outcome] = await keeper.get('broodRecord', { params: { speciesKey: 'sixray-aspidoras' } });
    expect(outcome).toMatchObject({
      broodId,
      counts: { laid: 100, fertile: 90, hatched: 80, swimming: 72, day30: 68 },
      alive: 48,
      males: 18,
      females: 30,
      tempC: 24,
      ph: null,
      tankCode: 'A1',
      mothers: [{ lotId: mother, females: 1 }],
    });
    expect(outcome?.losses).toEqual(
      expect.arrayContaining([
        { cause: 'infertile', span: 'eggs', count: 10 },
        { cause: 'jumped', span: 'fry', count: 4 },
      ]),
    );
    expect(outcome?.losses.some(({ cause }) => cause === 'sale')).toBe(false);
    expect(await keeper.get('broodRecord', { params: { speciesKey: 'kribensis' } })).toEqual([]);
  });

  it('born alive has no hatch and feeds at once', async () => {
    const mothers = await stockUp(keeper, tank('A3'), 'humpback-limia', { males: 1, females: 3 }, '2026-02-01T08:00:00Z');
    const attemptId = await attempt(keeper, tank('A3'), 'humpback-limia', '2026-03-01', { dams: [mothers], sires: [mothers] });
    const { broodId } = await clutch(sitter, attemptId, LAID, 24);
    const page = await brood(broodId);
    expect(page).toMatchObject({ born: true, stage: 'fry', alive: 24 });
    expect(page.windows.map((entry) => [entry.stage, entry.status])).toEqual([['firstFeed', 'observed']]);
    // Limia are born at about 8 mm: brine shrimp from the first day, twice.
    expect(page.ration).toMatchObject({ food: 'brineShrimp', mealsPerDay: 3 });
    expect(
      await sitter.call('observe', { id: newId(), broodId, kind: 'hatched', at: { from: NOW, to: NOW }, counted: null }),
    ).toMatchObject({ ok: false, body: { code: 'broods/out-of-order' } });
  });

  it('carried by its mother is released rather than hatched', async () => {
    const shrimp = await stockUp(keeper, tank('A2'), 'green-babaulti', { unsexed: 20 }, '2026-02-01T08:00:00Z');
    const attemptId = await attempt(keeper, tank('A2'), 'green-babaulti', '2026-03-01', { dams: [shrimp] });
    const { broodId } = await clutch(sitter, attemptId, { from: '2026-03-01T08:00:00Z', to: '2026-03-02T08:00:00Z' }, 25);
    const page = await brood(broodId);
    expect(page).toMatchObject({ carried: true, stage: 'eggs' });
    // Babaulti carry 26 to 36 days at 24 °C; no temperature is logged, so the middle of the species' range is taken and said.
    expect(page.windows[0]?.why.notes[0]).toContain('No temperature logged');
    expect(page.stages.map((span) => span.stage)).not.toContain('yolk');
  });
});

describe('attempts', () => {
  it('hold their tank: a second one on overlapping days needs a reason', async () => {
    await attempt(keeper, tank('A1'), 'lemon-tetra', '2026-03-08', { name: 'Held', to: '2026-03-15' });
    const second = {
      id: newId(),
      attemptId: newId(),
      speciesKey: 'kribensis',
      name: 'Second',
      tankId: tank('A1'),
      sires: [],
      dams: [],
      from: '2026-03-15',
      to: '2026-03-20',
      conditioningFrom: null,
      setUpOn: null,
      triggerOn: null,
      recipe: completeRecipe({
        eggPlan: 'leaveWithParents' as const,
        fungus: 'flow' as const,
        trigger: 'stable' as const,
        dailyChangeFraction: 0.5,
        dyeMgPerL: null,
        dyeStockPercent: null,
      }),
      recipeRef: null,
      tags: [],
      note: null,
    };
    const refused = await keeper.call('addAttempt', second);
    expect(refused).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'spawning/tank-booked', overridable: true, errors: [{ pointer: '#/tankId' }] },
    });
    expect(refused.ok ? '' : refused.body.detail).toContain('Held holds A1');
    expect((await keeper.call('addAttempt', { ...second, from: '2026-03-16' })).ok).toBe(true);
    const third = {
      ...second,
      id: newId(),
      attemptId: newId(),
      name: 'Third',
      override: { reason: 'a divider stands between them' },
    };
    expect((await keeper.call('addAttempt', third)).ok).toBe(true);
    const { alarms } = await keeper.get('round');
    expect(alarms.filter((alarm) => alarm.title === 'A1 is booked twice.').length).toBeGreaterThan(0);
  });

  it('want the dye’s strength when dye is chosen, and days in order', async () => {
    const body = {
      id: newId(),
      attemptId: newId(),
      speciesKey: 'kribensis',
      name: 'Dyed',
      tankId: tank('A1'),
      sires: [],
      dams: [],
      from: '2026-03-15',
      to: '2026-03-10',
      conditioningFrom: null,
      setUpOn: null,
      triggerOn: null,
      recipe: completeRecipe({
        eggPlan: 'pullEggs' as const,
        fungus: 'dye' as const,
        trigger: 'stable' as const,
        dailyChangeFraction: 0.5,
        dyeMgPerL: null,
        dyeStockPercent: null,
      }),
      recipeRef: null,
      tags: [],
      note: null,
    };
    const answer = await keeper.call('addAttempt', body);
    expect(answer.ok ? [] : answer.body.errors?.map((error) => error.pointer).sort()).toEqual(['#/recipe/dyeMgPerL', '#/to']);
  });

  it('cannot be taken back once eggs were logged for them', async () => {
    const { attemptId, broodId } = await aspidoras();
    const entries = await keeper.get('entries', { query: { aboutId: attemptId } });
    const begun = entries.find((entry) => entry.kind === 'attempt');
    expect(await keeper.call('undo', { id: newId(), entryId: begun?.id ?? '' })).toMatchObject({
      ok: false,
      body: { code: 'log/later-entries' },
    });
    const [laid] = await keeper.get('entries', { query: { aboutId: broodId } });
    await keeper.write('undo', { id: newId(), entryId: laid?.id ?? '' });
    expect(await keeper.call('brood', undefined, { params: { broodId } })).toMatchObject({ ok: false, status: 404 });
    expect((await keeper.call('undo', { id: newId(), entryId: begun?.id ?? '' })).ok).toBe(true);
  });
});
