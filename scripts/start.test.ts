import { spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { begin, endWith, freePort, send, type Started } from './lib/startForTest';

// The start command as a person uses it: on a folder of its own, with its own database.
const ROOT = join(__dirname, '..');
const FOLDER = mkdtempSync(join(tmpdir(), 'freshet-start-'));
const STARTS_MS = 90_000;
jest.setTimeout(2 * STARTS_MS);

let port = 0;
let running: Started | null = null;

const settings = () => ({ ...process.env, FRESHET_DATA: FOLDER, FRESHET_PORT: String(port) });
const url = (path: string) => `http://127.0.0.1:${port}${path}`;

/** Starts, and says what was said until it was ready. */
async function start(): Promise<string> {
  const started = begin(FOLDER, port);
  running = started;
  if (!(await started.ready)) throw new Error(`it ended: ${started.said()}`);
  return started.said();
}
const end = async (signal: NodeJS.Signals) => (running ? endWith(running, signal) : undefined);

const isAlive = (pid: number) => existsSync(`/proc/${pid}`) && !readFileSync(`/proc/${pid}/stat`, 'utf8').includes(') Z');
const post = (path: string, body: object, cookie = '') => send(url(path), body, cookie);

beforeAll(async () => {
  port = await freePort();
});
afterAll(async () => {
  await end('SIGTERM');
  rmSync(FOLDER, { recursive: true, force: true });
});

interface Facts {
  start: number;
  server: number;
  database: number;
}
const facts = () => JSON.parse(readFileSync(join(FOLDER, 'own-house', 'running.json'), 'utf8')) as Facts;
const health = async () => (await fetch(url('/api/health')).catch(() => null))?.status ?? 0;
async function until(holds: () => boolean | Promise<boolean>): Promise<void> {
  const deadline = Date.now() + 20_000;
  while (!(await holds())) {
    if (Date.now() > deadline) throw new Error(`never came: ${running?.said() ?? ''}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

const ACCOUNT = { login: 'keeper', password: 'eel-grass-and-rain' };

describe('npm start', () => {
  it('makes a database, serves on loopback only, and says where', async () => {
    const said = await start();
    expect(said).toContain(`Freshet is ready:  http://127.0.0.1:${port}`);
    expect(said).toContain('begin your own house');
    expect(await (await fetch(url('/api/health'))).json()).toEqual({ ok: true, server: 'answers', database: 'answers' });
    expect((await fetch(url('/rounds'), { headers: { accept: 'text/html' } })).headers.get('content-type')).toContain(
      'text/html',
    );
    const listening = spawnSync(
      'sh',
      ['-c', `cat /proc/net/tcp | awk '{print $2}' | grep -i ':${port.toString(16).padStart(4, '0')}$'`],
      { encoding: 'utf8' },
    ).stdout.trim();
    expect(listening.split('\n').every((address) => address.startsWith('0100007F'))).toBe(true);
  });

  it('does not run its database as root, nor under a known password', () => {
    const { database, databaseUrl } = JSON.parse(readFileSync(join(FOLDER, 'own-house', 'running.json'), 'utf8')) as {
      database: number;
      databaseUrl: string;
    };
    const user = /^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${database}/status`, 'utf8'))?.[1];
    expect(user).not.toBe('0');
    expect(new URL(databaseUrl).password.length).toBeGreaterThanOrEqual(32);
    expect(new URL(databaseUrl).hostname).toBe('127.0.0.1');
  });

  it('refuses to run twice on the same data, and says where it runs', () => {
    const again = spawnSync(process.execPath, ['scripts/start.mjs', '--empty'], { cwd: ROOT, env: settings(), encoding: 'utf8' });
    expect(again.status).toBe(1);
    expect(again.stderr).toContain('it is running already from this folder');
    expect(again.stderr).toContain(`http://127.0.0.1:${port}`);
  });

  it('stops server and database on Ctrl-C, and all is there when it starts again', async () => {
    const house = {
      name: 'Saltings Annexe',
      timeZone: 'Europe/Dublin',
      units: { temperature: 'degF', volume: 'galUS' },
      ...ACCOUNT,
    };
    expect((await post('/api/houses', house)).status).toBe(200);
    const before = facts();
    await end('SIGINT');
    expect([before.database, before.server].map(isAlive)).toEqual([false, false]);
    expect(running?.said()).toContain('Stopping ...');
    await start();
    const session = (await (await post('/api/session', ACCOUNT)).json()) as { house: { name: string; units: object } };
    expect(session.house).toMatchObject({ name: 'Saltings Annexe', units: { temperature: 'degF', volume: 'galUS' } });
  });

  it.each(['server', 'database'] as const)('brings its %s back by itself when that is killed', async (part) => {
    const before = facts();
    process.kill(before[part], 'SIGKILL');
    await until(async () => facts()[part] !== before[part] && isAlive(facts()[part]) && (await health()) === 200);
    expect(running?.said()).toContain(`The ${part} ended (SIGKILL); it is started again.`);
    expect((await post('/api/session', ACCOUNT)).status).toBe(200);
    // What did not end went on.
    const other = part === 'server' ? 'database' : 'server';
    expect(facts()[other]).toBe(before[other]);
  });

  it('says within a second that its database hangs, and goes on when it answers again', async () => {
    process.kill(facts().database, 'SIGSTOP');
    try {
      const asked = Date.now();
      const reply = await fetch(url('/api/health'));
      expect(Date.now() - asked).toBeLessThan(1500);
      expect([reply.status, await reply.json()]).toEqual([503, { ok: false, server: 'answers', database: 'does not answer' }]);
    } finally {
      process.kill(facts().database, 'SIGCONT');
    }
    await until(async () => (await health()) === 200);
  });

  it('leaves nothing behind when the start itself is killed, and starts again', async () => {
    const before = facts();
    await end('SIGKILL');
    await until(() => [before.server, before.database].every((pid) => !isAlive(pid)));
    await start();
    expect((await post('/api/session', ACCOUNT)).status).toBe(200);
  });

  it('takes another port when its own is taken', async () => {
    await end('SIGINT');
    const squatter = createServer().listen(port, '127.0.0.1');
    try {
      const said = await start();
      expect(said).toMatch(/Freshet is ready: {2}http:\/\/127\.0\.0\.1:\d+/);
      expect(said).not.toContain(`127.0.0.1:${port}\n`);
    } finally {
      squatter.close();
    }
  });

  it('proves the headcount ledger while it runs', () => {
    const ledger = spawnSync(process.execPath, ['scripts/start.mjs', '--check-ledger'], {
      cwd: ROOT,
      env: settings(),
      encoding: 'utf8',
    });
    expect([ledger.status, ledger.stdout]).toEqual([
      0,
      expect.stringContaining('0 came in, 0 left, 0 live; the ledger balances'),
    ]);
  });
});

describe('a start that cannot go on', () => {
  const OTHER = mkdtempSync(join(tmpdir(), 'freshet-other-'));
  // The database's own user may look in.
  chmodSync(OTHER, 0o755);
  afterAll(() => rmSync(OTHER, { recursive: true, force: true }));
  const tried = (env: Record<string, string>) => {
    const { status, stderr } = spawnSync(process.execPath, ['scripts/start.mjs', '--empty'], {
      cwd: ROOT,
      env: { ...process.env, FRESHET_DATA: join(OTHER, 'data'), ...env },
      encoding: 'utf8',
      timeout: 60_000,
    });
    return { status, said: stderr.replaceAll(OTHER, 'DIR') };
  };

  it.each([
    [{ FRESHET_PORT: 'abc' }, 'FRESHET_PORT is “abc”.'],
    [{ FRESHET_PORT: '70000' }, 'FRESHET_PORT is “70000”.'],
    [{ FRESHET_NOW: 'garbage' }, 'FRESHET_NOW is “garbage”.'],
    [{ FRESHET_SECRET: 'short' }, 'FRESHET_SECRET is too short.'],
    [{ FRESHET_DATABASE_URL: 'localhost' }, 'FRESHET_DATABASE_URL cannot be read.'],
    [{ FRESHET_MQTT_URL: 'broker' }, 'FRESHET_MQTT_URL cannot be read.'],
  ])('says which setting is wrong before anything is begun: %j', (env, words) => {
    const { status, said } = tried(env as Record<string, string>);
    expect([status, said]).toEqual([1, expect.stringContaining(`Freshet cannot go on: ${words}`)]);
    expect(existsSync(join(OTHER, 'data'))).toBe(false);
  });

  it('touches nothing in a folder that is somebody else’s', () => {
    const letters = join(OTHER, 'letters');
    mkdirSync(letters);
    writeFileSync(join(letters, 'to-ada.txt'), 'Dear Ada');
    const { status, said } = tried({ FRESHET_DATA: letters });
    expect([status, said]).toEqual([1, expect.stringContaining('DIR/letters has files in it that are not Freshet’s.')]);
    expect(readdirSync(letters)).toEqual(['to-ada.txt']);
  });

  it('neither fills nor deletes a database that lacks a part', () => {
    const data = join(OTHER, 'half', 'own-house', 'mariadb');
    mkdirSync(data, { recursive: true });
    writeFileSync(join(data, 'ibdata1'), 'all that was logged');
    const { status, said } = tried({ FRESHET_DATA: join(OTHER, 'half') });
    expect([status, said]).toEqual([1, expect.stringContaining('has files in it, but no whole database.')]);
    expect(readFileSync(join(data, 'ibdata1'), 'utf8')).toBe('all that was logged');
  });

  it('leaves nothing running when it is stopped while the database is made, and makes it at the next start', async () => {
    const data = join(OTHER, 'early');
    const left = () => spawnSync('pgrep', ['-f', `dir=${data}`], { encoding: 'utf8' }).stdout.trim();
    for (const wait of [100, 700, 1500]) {
      const { child, said } = begin(data, port);
      await until(() => said().includes('Starting the database'));
      await new Promise((resolve) => setTimeout(resolve, wait));
      const gone = new Promise<number | null>((resolve) => child.once('exit', resolve));
      child.kill('SIGINT');
      expect([wait, await gone, left()]).toEqual([wait, 0, '']);
    }
    const started = begin(data, port);
    expect(await started.ready).toBe(true);
    await endWith(started, 'SIGINT');
    expect(left()).toBe('');
  });
});
