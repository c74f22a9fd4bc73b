import { request } from 'node:http';
import { QueryTypes } from 'sequelize';
import { API } from '@freshet/contract/api';
import { PROBLEMS } from '@freshet/contract/problems';
import { MIGRATIONS } from '../../migrations';
import { migrator } from '../platform';
import { furnish, measure } from '../testing/furnish';
import { newId, openTestHouse, type Client, type TestHouse } from '../testing/testHouse';
import { mayCompile } from './app';

const NOW = '2026-03-10T08:00:00.000Z';
let test: TestHouse;

beforeAll(async () => {
  test = await openTestHouse(NOW);
});
afterAll(async () => {
  await test.close();
});

const json = async (response: Response) => (await response.json()) as Record<string, unknown>;

describe('the name a request was sent to', () => {
  /** Asks under a name, as a page does whose name was bent to this machine. */
  const asked = (host: string, method: string, path: string) =>
    new Promise<{ status: number; body: string }>((resolve, reject) => {
      const { hostname, port } = new URL(test.url);
      const sent = request({ hostname, port, method, path, headers: { host } }, (reply) => {
        let body = '';
        reply.on('data', (chunk: Buffer) => (body += String(chunk)));
        reply.on('end', () => resolve({ status: reply.statusCode ?? 0, body }));
      });
      sent.on('error', reject);
      sent.end();
    });

  it('must be this house’s own: nothing is read, asked or signed in under another', async () => {
    expect((await asked('localhost', 'GET', '/api/session')).status).toBe(200);
    for (const [method, path] of [
      ['GET', '/api/session'],
      ['POST', '/api/session'],
      ['POST', '/api/houses'],
      ['GET', '/'],
    ] as const)
      expect(await asked('shed.evil.example', method, path)).toEqual({
        status: 421,
        body: 'Freshet is not known by this name. Open it at its own address.\n',
      });
  });

  it('is told to nobody else while only this machine reaches it', async () => {
    const { keeper } = await test.house();
    expect(await keeper.get('reach')).toEqual({ address: null, others: [], hasCertificate: false });
    expect((await asked('localhost', 'GET', '/freshet.crt')).status).toBe(404);
  });
});

describe('signing in', () => {
  it('needs the right password, tells no more for an unknown name than for a wrong one', async () => {
    await test.house();
    const client = test.client();
    const wrong = await client.call('signIn', { login: 'keeper0', password: 'not this' });
    const unknown = await client.call('signIn', { login: 'nobody', password: 'not this' });
    expect(wrong).toMatchObject({ ok: false, status: 401, body: { code: 'accounts/wrong-password' } });
    expect(unknown.ok || wrong.ok ? null : { ...unknown.body, instance: '' }).toEqual(
      wrong.ok ? null : { ...wrong.body, instance: '' },
    );
  });

  it('sets a cookie that scripts and other pages cannot use, and a new one each time', async () => {
    const { keeper } = await test.house();
    void keeper;
    const client = test.client();
    const post = () => client.raw('POST', '/api/session', JSON.stringify({ login: 'keeper1', password: 'eel-grass-and-rain' }));
    const [first, second] = [await post(), await post()];
    const cookie = first.headers.get('set-cookie') ?? '';
    expect(cookie).toMatch(/HttpOnly/i);
    expect(cookie).toMatch(/SameSite=Strict/i);
    expect(second.headers.get('set-cookie')?.split(';')[0]).not.toBe(cookie.split(';')[0]);
  });

  it('ends with signing out', async () => {
    const { keeper } = await test.house();
    expect((await keeper.get('session')).user?.role).toBe('keeper');
    await keeper.write('signOut', undefined);
    expect((await keeper.get('session')).user).toBeNull();
    expect(await keeper.call('lots')).toMatchObject({ ok: false, status: 401 });
  });

  it('is stopped after ten wrong passwords', async () => {
    const client = test.client();
    const answers = [];
    for (let i = 0; i < 12; i++) answers.push(await client.call('signIn', { login: 'nobody', password: `try ${i}` }));
    expect(answers.at(-1)).toMatchObject({ ok: false, status: 429, body: { code: 'request/too-many' } });
  });

  it('is stopped however the same name is written', async () => {
    const client = test.client();
    const answers = [];
    for (let i = 0; i < 12; i++)
      answers.push(await client.call('signIn', { login: ['sluice', ' Sluice', 'SLUICE '][i % 3] ?? '', password: `try ${i}` }));
    expect(answers.at(-1)).toMatchObject({ ok: false, status: 429 });
    expect(await client.call('signIn', { login: 'weir', password: 'another' })).toMatchObject({ ok: false, status: 401 });
  });

  it('begins a house only when there is none', async () => {
    const answer = await test.client().call('newHouse', {
      name: 'Mine',
      timeZone: 'Europe/Dublin',
      login: 'me',
      password: 'long enough it is',
      units: { temperature: 'degC', volume: 'L' },
      currency: 'EUR',
    });
    expect(answer).toMatchObject({ ok: false, status: 409, body: { code: 'accounts/already-set-up' } });
    const bad = await test.client().call('newHouse', {
      name: '',
      timeZone: 'Atlantis/Deep',
      login: 'x',
      password: 'short',
      units: { temperature: 'degC', volume: 'L' },
      currency: 'dollars',
    });
    expect(bad.ok ? [] : bad.body.errors?.map((error) => error.pointer).sort()).toEqual([
      '#/currency',
      '#/login',
      '#/name',
      '#/password',
      '#/timeZone',
    ]);
  });
});

describe('what goes over the wire', () => {
  it('carries a content policy without inline scripts', async () => {
    const policy = (await test.client().raw('GET', '/api/session')).headers.get('content-security-policy') ?? '';
    expect(policy).toContain("script-src 'self'");
    expect(policy.split(';').find((part) => part.trim().startsWith('script-src'))).not.toContain('unsafe');
  });

  it('lets the worker that counts in pictures compile its sums, and nothing else', () => {
    expect(mayCompile('/assets/pictures.worker-a1_b-2.js')).toBe(true);
    for (const url of [
      '/',
      '/assets/index-a1.js?as=/assets/pictures.worker-a1.js',
      '/api/session',
      '/assets/tide.worker-a1.js',
      '/x/assets/pictures.worker-a1.js',
    ])
      expect(mayCompile(url)).toBe(false);
  });

  it('is refused from another page, and when it is too large or no JSON', async () => {
    const { keeper } = await test.house();
    const foreign = await keeper.raw('POST', '/api/racks', '{}', { origin: 'http://elsewhere.example' });
    expect([foreign.status, (await json(foreign)).code]).toEqual([403, 'request/foreign-origin']);
    const large = await keeper.raw('POST', '/api/racks', JSON.stringify({ name: 'x'.repeat(300_000) }));
    expect([large.status, (await json(large)).code]).toEqual([413, 'request/too-large']);
    const broken = await keeper.raw('POST', '/api/racks', '{"id":');
    expect([broken.status, (await json(broken)).code]).toEqual([400, 'request/invalid']);
    const nowhere = await keeper.raw('GET', '/api/nowhere');
    expect([nowhere.status, nowhere.headers.get('content-type')]).toEqual([404, 'application/problem+json; charset=utf-8']);
  });

  it('tells nothing of a fault in the server but an id', async () => {
    const { keeper } = await test.house();
    const original = test.services.lines.views.lots;
    test.services.lines.views.lots = () => Promise.reject(new Error('secret inner text'));
    try {
      const answer = await keeper.raw('GET', '/api/lots');
      const text = await answer.text();
      expect(answer.status).toBe(500);
      expect(text).not.toContain('secret');
      expect(JSON.parse(text)).toMatchObject({
        code: 'platform/internal',
        instance: expect.stringMatching(/^urn:uuid:/) as string,
      });
    } finally {
      test.services.lines.views.lots = original;
    }
  });

  it('says when the database is away and works again by itself when it is back', async () => {
    const { keeper } = await test.house();
    const kill = async () => {
      const rows = await test.database.sequelize.query<{ id: number }>(
        'SELECT id FROM information_schema.processlist WHERE db = DATABASE() AND id <> CONNECTION_ID()',
        { type: QueryTypes.SELECT },
      );
      for (const { id } of rows)
        await test.database.sequelize.query(`KILL ${id}`, { type: QueryTypes.RAW }).catch(() => undefined);
    };
    await kill();
    const statuses = [];
    for (let i = 0; i < 6; i++) statuses.push((await keeper.raw('GET', '/api/lots')).status);
    expect(statuses.at(-1)).toBe(200);
    expect(statuses.every((status) => status === 200 || status === 503)).toBe(true);
    const original = test.database.ping;
    test.database.ping = () => Promise.reject(Object.assign(new Error('gone'), { code: 'ECONNREFUSED' }));
    const health = await keeper.raw('GET', '/api/health');
    test.database.ping = original;
    expect([health.status, await json(health)]).toEqual([503, { ok: false, server: 'answers', database: 'does not answer' }]);
    expect((await keeper.raw('GET', '/api/health')).status).toBe(200);
  });

  it('is described as OpenAPI, every endpoint with its body, reply and least role', async () => {
    const described = (await json(await test.client().raw('GET', '/api/openapi.json'))) as {
      openapi: string;
      paths: Record<string, Record<string, { operationId: string; requestBody?: object; 'x-least-role': string }>>;
    };
    expect(described.openapi).toBe('3.1.0');
    const operations = Object.values(described.paths).flatMap((methods) => Object.values(methods));
    expect(operations.map((operation) => operation.operationId).sort()).toEqual(Object.keys(API).sort());
    for (const operation of operations) {
      const line = API[operation.operationId as keyof typeof API] as { body?: unknown; role: string | null };
      expect(operation['x-least-role']).toBe(line.role ?? 'none');
      expect(operation.requestBody !== undefined).toBe(line.body !== undefined);
    }
  });

  it('explains every problem code at its own address', async () => {
    for (const code of Object.keys(PROBLEMS))
      expect((await json(await test.client().raw('GET', `/problems/${code}`))).code).toBe(code);
  });
});

describe('the room', () => {
  let keeper: Client;
  let ids: Record<string, string>;
  const tankBody = (more: object) => ({
    id: newId(),
    shelfId: ids['shelf A'] ?? '',
    code: 'A9',
    lengthCm: 60,
    widthCm: 30,
    heightCm: 36,
    waterHeightCm: 30,
    glassMm: 6,
    substrateKg: 0,
    facing: 'long' as const,
    leftCm: null,
    ...more,
  });

  beforeEach(async () => {
    ({ keeper } = await test.house());
    ids = await furnish(keeper, ['A1']);
  });

  it('works out litres, weight and load of a tank', async () => {
    const room = await keeper.get('room');
    const [tank] = room.racks[0]?.shelves[0]?.tanks ?? [];
    // (60 - 1.2) × (30 - 1.2) × 30 cm³ of water.
    expect(tank?.litres).toBeCloseTo(50.8032, 6);
    expect(tank?.kgPerM2).toBeCloseTo((tank?.totalKg ?? 0) / 0.18, 6);
    expect(room.racks[0]?.shelves[0]?.loadKg).toBeCloseTo(tank?.totalKg ?? 0, 6);
  });

  it.each([
    ['a negative side', { lengthCm: -5 }, '#/lengthCm', 400],
    ['water above the rim', { waterHeightCm: 40 }, '#/waterHeightCm', 400],
    ['glass of a metre', { glassMm: 1000 }, '#/glassMm', 400],
    ['a code with spaces', { code: 'A 9' }, '#/code', 400],
    ['a code that is taken', { code: 'A1' }, '#/code', 409],
    ['a tank higher than the shelf', { heightCm: 60 }, '#/heightCm', 409],
    ['a tank deeper than the shelf', { widthCm: 90 }, '#/widthCm', 409],
    ['a place that is taken', { leftCm: 10 }, '#/leftCm', 409],
  ])('refuses %s at its field', async (_what, wrong, pointer, status) => {
    const answer = await keeper.call('addTank', tankBody(wrong));
    expect(answer).toMatchObject({ ok: false, status });
    expect(answer.ok ? [] : answer.body.errors?.map((error) => error.pointer)).toContain(pointer);
    expect((await keeper.get('room')).racks[0]?.shelves[0]?.tanks).toHaveLength(1);
  });

  it('refuses what is over the load limit with the figure, unless there is a reason', async () => {
    const shelfId = newId();
    await keeper.write('addShelf', {
      id: shelfId,
      rackId: ids['rack A'] ?? '',
      lengthCm: 200,
      depthCm: 62,
      heightCm: 50,
      loadLimitKg: 40,
    });
    const body = tankBody({ shelfId });
    const refused = await keeper.call('addTank', body);
    expect(refused).toMatchObject({ ok: false, status: 409, body: { code: 'room/does-not-fit', overridable: true } });
    expect(refused.ok ? '' : refused.body.detail).toMatch(/would carry .* kg; its limit is 40 kg/);
    expect((await keeper.call('addTank', { ...body, override: { reason: 'stands on the wall side' } })).ok).toBe(true);
  });

  it('refuses impossible readings, and asks about unlikely ones', async () => {
    const reading = (value: number, more = {}) =>
      keeper.call('addReading', { id: newId(), tankId: ids.A1 ?? '', quantity: 'tempC', value, at: NOW, ...more });
    expect(await reading(900)).toMatchObject({
      ok: false,
      status: 400,
      body: { errors: [{ pointer: '#/value', detail: 'Temperature lies between 0 and 45 °C.' }] },
    });
    expect(await reading(41)).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'room/implausible-reading', overridable: true },
    });
    expect((await reading(41, { override: { reason: 'heater stuck, fish moved' } })).ok).toBe(true);
    expect(await reading(25, { at: '1986-01-01T00:00:00Z' })).toMatchObject({
      ok: false,
      status: 409,
      body: { code: 'log/implausible-date' },
    });
  });

  it('keeps readings in order, and takes one back', async () => {
    await measure(keeper, ids.A1 ?? '', 24, '2026-03-10T07:00:00Z');
    await measure(keeper, ids.A1 ?? '', 25, '2026-03-10T06:00:00Z');
    const values = async () =>
      (await keeper.get('readings', { params: { tankId: ids.A1 ?? '' } })).map((reading) => reading.value);
    expect(await values()).toEqual([25, 24]);
    const newest = (await keeper.get('entries', { query: { aboutId: ids.A1 ?? '' } })).find(({ kind }) => kind === 'reading');
    await keeper.write('undo', { id: newId(), entryId: newest?.id ?? '' });
    expect(await values()).toEqual([25]);
  });
});

describe('the tables', () => {
  it('go up, down and up again, every migration', async () => {
    const other = await openTestHouse(NOW);
    try {
      const tables = async () =>
        (
          await other.database.sequelize.query<{ name: string }>(
            'SELECT table_name name FROM information_schema.tables WHERE table_schema = DATABASE()',
            { type: QueryTypes.SELECT },
          )
        )
          .map((row) => row.name)
          .sort();
      const up = await tables();
      await migrator(other.database).down({ to: 0 });
      expect(await tables()).toEqual(['migrations']);
      await migrator(other.database).up();
      expect(await tables()).toEqual(up);
      expect(new Set(MIGRATIONS.map(({ name }) => name)).size).toBe(MIGRATIONS.length);
    } finally {
      await other.close();
    }
  });
});
