import { QueryTypes } from 'sequelize';
import { API, ENTRY_KINDS, type ApiName, type EntryKindName } from '@freshet/contract/api';
import type { AnyEndpoint, BodyOf } from '@freshet/contract/endpoints';
import { readHouse, tankLife } from '@freshet/core/house';
import { deriveLarder } from '@freshet/core/larder';
import { deriveHorizon, deriveRound } from '@freshet/core/rounds';
import { bodiesOf, entryWrites, furnishEverything, strangeBodies, type Things } from '../testing/everything';
import { newId, openTestHouse, type Answer, type Client, type TestHouse } from '../testing/testHouse';

const NOW = '2026-03-10T08:00:00.000Z';
jest.setTimeout(240_000);
let test: TestHouse;
beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});

const write = (client: Client, name: ApiName, body: object) =>
  client.call(name, body as BodyOf<(typeof API)[typeof name]>) as Promise<Answer<{ replayed: boolean }>>;

/** What every address shows, but the log itself. */
async function everything(keeper: Client, things: Things): Promise<Map<string, string>> {
  const shown = new Map<string, string>();
  const params: Record<string, string> = { ...things, speciesKey: 'lemon-tetra', lotId: things.lotId ?? '' };
  const queries: Partial<Record<string, Record<string, string>>> = {
    exposure: { tankId: things.tankId ?? '', day: '2026-03-10' },
    series: { quantity: 'tempC', from: '2026-03-09T00:00:00Z', to: NOW },
    transfer: { lotId: things.lotId ?? '', toTankId: things.toTankId ?? '' },
  };
  const asked = (Object.entries(API) as [ApiName, AnyEndpoint][])
    .filter(([name, line]) => line.method === 'GET' && !['session', 'photo', 'probeKey', 'entries'].includes(name))
    .map(async ([name, line]) => {
      const path = line.path.replace(/:([A-Za-z]+)/g, (_all, key: string) => params[key] ?? '');
      const query = queries[name] ? `?${new URLSearchParams(queries[name]).toString()}` : '';
      const answer = await keeper.raw('GET', path + query);
      return [path, (await answer.text()).replace(/"revision":\d+/, '')] as const;
    });
  for (const [path, text] of await Promise.all(asked)) shown.set(path, text);
  return shown;
}

describe('every write of the contract', () => {
  it('has a sound body here, so that none is left out', async () => {
    const { keeper } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    expect(entryWrites.filter((name) => !(name in bodiesOf(things, NOW)))).toEqual([]);
    expect(test.services.log.missing()).toEqual([]);
  });

  it('refuses what belongs to another house, field by field, and writes nothing', async () => {
    const [ours, theirs] = [await test.house(), await test.house('Elsewhere')];
    const mine = await furnishEverything(ours.keeper, NOW);
    const strange = await furnishEverything(theirs.keeper, NOW);
    const before = [await ours.keeper.get('entries'), await theirs.keeper.get('entries')];
    const bodies = Object.entries(bodiesOf(mine, NOW)) as [ApiName, object][];
    const tried = bodies.flatMap(([name, body]) => strangeBodies(name, body, mine, strange).map((one) => ({ name, ...one })));
    expect(tried.length).toBeGreaterThan(45);
    const accepted: string[] = [];
    for (const { name, path, body } of tried) {
      const answer = await write(ours.keeper, name, { id: newId(), ...body });
      if (answer.ok || answer.status >= 500) accepted.push(`${path}: ${answer.status}`);
    }
    expect(accepted).toEqual([]);
    expect([await ours.keeper.get('entries'), await theirs.keeper.get('entries')]).toEqual(before);
  });

  it('is recorded once, refuses its id for anything else, says what it touches, and is undone whole by whom it is allowed', async () => {
    const faults: string[] = [];
    const { keeper, sitter, viewer } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    let before = await everything(keeper, things);
    for (const name of entryWrites) {
      const line = API[name] as AnyEndpoint;
      const body = { id: newId(), ...bodiesOf(things, NOW)[name] };
      const least = ENTRY_KINDS[line.entry as EntryKindName].role;
      if ((await write(viewer, name, body)).status !== 403) faults.push(`${name}: a viewer may`);
      if ((await write(sitter, name, body)).ok !== (least === 'sitter')) faults.push(`${name}: the sitter's right is wrong`);
      const made = await write(keeper, name, body);
      if (!made.ok) {
        faults.push(`${name}: ${made.body.detail ?? made.body.code}`);
        continue;
      }
      const again = await write(keeper, name, body);
      if (!again.ok || !again.body.replayed) faults.push(`${name}: is not recorded once`);
      const clash = await write(keeper, name, otherwise(body));
      if (clash.ok || clash.status >= 500) faults.push(`${name}: the same id with another body is taken (${clash.status})`);
      const after = await everything(keeper, things);
      const changed = [...after].filter(([path, text]) => before.get(path) !== text).map(([path]) => path);
      if (changed.length === 0) faults.push(`${name}: shows nowhere`);
      for (const path of changed)
        if (!line.touches.some((prefix) => path.startsWith(prefix))) faults.push(`${name}: does not say that it touches ${path}`);
      const undone = await sitter.call('undo', { id: newId(), entryId: body.id });
      if (undone.ok !== (least === 'sitter')) faults.push(`${name}: the sitter may ${undone.ok ? '' : 'not '}take it back`);
      if (FINAL.has(name)) {
        const by = await keeper.call('undo', { id: newId(), entryId: body.id });
        if (by.ok) faults.push(`${name}: comes back`);
      } else if (!undone.ok) {
        const by = await keeper.call('undo', { id: newId(), entryId: body.id });
        if (!by.ok) faults.push(`${name}: cannot be taken back: ${by.body.detail ?? ''}`);
      }
      const back = await everything(keeper, things);
      const left = [...back].filter(([path, text]) => before.get(path) !== text).map(([path]) => path);
      // A ledger keeps what was taken back: the balance, a card's life and a brood's account tell of it.
      const told = left.filter((path) => !/balance|\/api\/lots\/|\/api\/broods|\/api\/pedigree|exposure/.test(path));
      if (told.length > 0 && !FINAL.has(name)) faults.push(`${name}: after undo ${told.join(', ')} differ`);
      before = back;
    }
    expect(faults).toEqual([]);
    expect((await keeper.get('balance')).balanced).toBe(true);
  });
});

/** What is gone when it is erased: nothing brings it back. */
const FINAL = new Set<ApiName>(['eraseBuyer']);

/** The same request but for one thing that the contract lets pass. */
function otherwise(body: Record<string, unknown>): object {
  const other = structuredClone(body);
  const change = (value: unknown): boolean => {
    if (value === null || typeof value !== 'object') return false;
    const fields = value as Record<string, unknown>;
    for (const [key, inner] of Object.entries(fields)) {
      if (key === 'override') continue;
      if (key === 'probability') fields[key] = 0.5;
      else if (typeof inner === 'number' && inner > 1) fields[key] = inner - 1;
      else if (
        ['name', 'what', 'text', 'note', 'line', 'foods', 'locus', 'why', 'place'].includes(key) &&
        typeof inner === 'string'
      )
        fields[key] = `${inner} 2`;
      else if (key === 'from' && 'to' in fields) fields[key] = '2026-03-10T07:00:00.000Z';
      else if (['at', 'startedAt', 'since'].includes(key) && typeof inner === 'string') fields[key] = '2026-03-10T07:59:00.000Z';
      else if (inner === 'fed') fields[key] = 'ripe';
      else if (inner === 'failed') fields[key] = 'given up';
      else if (
        key === 'programmeId' ||
        (key === 'attemptId' && Object.keys(fields).join() === 'id,broodId,attemptId') ||
        (key === 'buyerId' && Object.keys(fields).join() === 'id,buyerId') ||
        (key === 'vesselId' && Object.keys(fields).join() === 'id,vesselId')
      )
        fields[key] = newId();
      else if (change(inner)) return true;
      else continue;
      return true;
    }
    return false;
  };
  change(other);
  return other;
}

describe('the snapshot of a house', () => {
  it('is all that round, Horizon, tanks and larder are worked out from, on either side', async () => {
    const { keeper } = await test.house();
    await furnishEverything(keeper, NOW);
    const facts = await keeper.get('house');
    const view = readHouse(facts, NOW);
    const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;
    expect(plain(deriveRound(view, view.today))).toEqual(await keeper.get('round'));
    expect(plain({ today: view.today, items: deriveHorizon(view) })).toEqual(await keeper.get('horizon'));
    expect(plain(tankLife(view))).toEqual(await keeper.get('tankLife'));
    expect(plain(deriveLarder(view))).toEqual(await keeper.get('foodPlans'));
  });

  it('is named by its state: who has it is told so, and a write changes the name', async () => {
    const { keeper, sitter } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    const first = await keeper.raw('GET', '/api/house');
    const tag = first.headers.get('etag') ?? '';
    expect(tag).toMatch(/^W\//);
    const ask = (known: string) => keeper.raw('GET', '/api/house', undefined, { 'if-none-match': known });
    expect((await ask(tag)).status).toBe(304);
    await sitter.write('addReading', { id: newId(), tankId: things.tankId ?? '', quantity: 'tempC', value: 24, at: NOW });
    const next = await ask(tag);
    expect([next.status, next.headers.get('etag') === tag]).toEqual([200, false]);
  });
});

describe('an edit in place', () => {
  it('shows both when somebody else changed it since the form was filled, and stands with a reason', async () => {
    const { keeper } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    const tankId = things.tankId ?? '';
    const equipment = {
      tankId,
      heaterW: 50,
      filter: null,
      hasLid: true,
      hasIntakeGuard: false,
      zeroDays: 5,
      restDays: 7,
      shelters: null,
    };
    const versionOf = async () =>
      (await keeper.get('room')).racks
        .flatMap(({ shelves }) => shelves.flatMap(({ tanks }) => tanks))
        .find(({ id }) => id === tankId)?.equipment.version ?? null;
    const filledFrom = await versionOf();
    await keeper.write('equip', { id: newId(), ...equipment, version: filledFrom });
    const late = { id: newId(), ...equipment, heaterW: 100, version: filledFrom };
    expect(await keeper.call('equip', late)).toMatchObject({
      ok: false,
      status: 409,
      body: {
        code: 'log/edited-since',
        overridable: true,
        detail: expect.stringMatching(/heater 50 W, lid\. Yours: heater 100 W, lid/),
      },
    });
    await keeper.write('equip', { ...late, override: { reason: 'the larger one' } });
    await keeper.write('equip', { id: newId(), ...equipment, version: await versionOf() });
    const bodies = bodiesOf(things, NOW);
    for (const name of ['describeLot', 'setRegime', 'saveSpecies'] as const) {
      await write(keeper, name, { id: newId(), ...bodies[name], version: null });
      expect([name, (await write(keeper, name, { id: newId(), ...bodies[name], version: null })).status]).toEqual([name, 409]);
    }
  });
});

describe('fifty writers at once', () => {
  it('of each kind are all answered: none waits for a connection that another write holds', async () => {
    const { keeper } = await test.house();
    const things = await furnishEverything(keeper, NOW);
    const bodies = bodiesOf(things, NOW);
    const many = Array.from({ length: 50 }, (_, i) => i);
    const fresh = (body: object, i: number) =>
      JSON.parse(
        JSON.stringify(body, (key, value: unknown) =>
          ['newLotId', 'programmeId', 'cultureId', 'probeId'].includes(key) && !Object.values(things).includes(String(value))
            ? newId()
            : key === 'choreKey'
              ? `${String(value)}:${i}`
              : value,
        ),
      ) as object;
    const slow: string[] = [];
    for (const name of entryWrites) {
      const started = performance.now();
      const answers = await Promise.all(many.map((i) => write(keeper, name, { id: newId(), ...fresh(bodies[name] ?? {}, i) })));
      const wrong = answers.filter((answer) => answer.status >= 500).length;
      if (wrong > 0) slow.push(`${name}: ${wrong} failed`);
      if (performance.now() - started > 20_000) slow.push(`${name}: ${Math.round(performance.now() - started)} ms`);
    }
    expect(slow).toEqual([]);
    expect((await keeper.get('balance')).balanced).toBe(true);
  });
});

describe('a first filling that was broken off', () => {
  it('is taken out whole, its account names too, and nothing of another house with it', async () => {
    const [broken, whole] = [await test.house('Broken off'), await test.house('Whole')];
    await furnishEverything(broken.keeper, NOW);
    const things = await furnishEverything(whole.keeper, NOW);
    const [houseId] = await test.database.sequelize
      .query<{ id: string }>(`SELECT id FROM houses WHERE name = 'Broken off'`, { type: QueryTypes.SELECT })
      .then((rows) => rows.map(({ id }) => id));
    const held = async (): Promise<Map<string, number>> => {
      const tables = await test.database.sequelize.query<{ name: string; type: string }>(
        `SELECT table_name name, data_type type FROM information_schema.columns WHERE table_schema = DATABASE() AND column_name = 'house_id'`,
        { type: QueryTypes.SELECT },
      );
      const counts = new Map<string, number>();
      for (const { name, type } of tables) {
        const id = type === 'binary' ? "UNHEX(REPLACE(:houseId, '-', ''))" : ':houseId';
        const [row] = await test.database.sequelize.query<{ n: number }>(
          `SELECT COUNT(*) n FROM ${name} WHERE house_id = ${id}`,
          {
            replacements: { houseId },
            type: QueryTypes.SELECT,
          },
        );
        if (Number(row?.n) > 0) counts.set(name, Number(row?.n));
      }
      return counts;
    };
    expect((await held()).size).toBeGreaterThan(15);
    const others = await everything(whole.keeper, things);
    await test.database.sequelize.query(`UPDATE houses SET filled = FALSE WHERE name = 'Broken off'`);

    expect(await test.services.accounts.removeUnfinished()).toBe(1);
    expect(await held()).toEqual(new Map());
    expect(await everything(whole.keeper, things)).toEqual(others);
    expect((await broken.keeper.get('session')).user).toBeNull();
    const [left] = await test.database.sequelize.query<{ n: number }>(
      'SELECT COUNT(*) n FROM users WHERE id NOT IN (SELECT user_id FROM members)',
      { type: QueryTypes.SELECT },
    );
    expect(Number(left?.n)).toBe(0);
    expect(await test.services.accounts.removeUnfinished()).toBe(0);
  });
});
