import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

// The start command as a person uses it: on a folder of its own, with its own database.
const ROOT = join(__dirname, '..');
const FOLDER = mkdtempSync(join(tmpdir(), 'freshet-start-'));
const STARTS_MS = 90_000;
jest.setTimeout(2 * STARTS_MS);

let port = 0;
let running: { child: ChildProcess; said: () => string } | null = null;

const freePort = () =>
  new Promise<number>((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port: free } = server.address() as AddressInfo;
      server.close(() => resolve(free));
    });
  });
const settings = () => ({ ...process.env, FRESHET_DATA: FOLDER, FRESHET_PORT: String(port) });
const url = (path: string) => `http://127.0.0.1:${port}${path}`;

/** Starts as from a terminal, in a process group of its own. */
async function start(): Promise<string> {
  const child = spawn(process.execPath, ['scripts/start.mjs', '--empty'], {
    cwd: ROOT,
    env: settings(),
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let text = '';
  running = { child, said: () => text };
  await new Promise<void>((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error(`not ready: ${text}`)), STARTS_MS);
    const hear = (chunk: Buffer) => {
      text += String(chunk);
      if (!text.includes('Ctrl-C stops it')) return;
      clearTimeout(timer);
      resolve();
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('exit', (code) => {
      clearTimeout(timer);
      reject(new Error(`ended with ${code}: ${text}`));
    });
  });
  return text;
}

/** Sends a signal to the whole group, as Ctrl-C does, and waits for the end. */
async function end(signal: NodeJS.Signals): Promise<void> {
  const child = running?.child;
  if (!child?.pid || child.exitCode !== null) return;
  const gone = new Promise((resolve) => child.on('exit', resolve));
  child.removeAllListeners('exit');
  child.on('exit', () => undefined);
  const ended = new Promise((resolve) => child.once('exit', resolve));
  process.kill(-child.pid, signal);
  await Promise.race([gone, ended]);
}

const isAlive = (pid: number) => existsSync(`/proc/${pid}`) && !readFileSync(`/proc/${pid}/stat`, 'utf8').includes(') Z');
const post = (path: string, body: object, cookie = '') =>
  fetch(url(path), { method: 'POST', headers: { 'content-type': 'application/json', cookie }, body: JSON.stringify(body) });

beforeAll(async () => {
  port = await freePort();
});
afterAll(async () => {
  await end('SIGTERM');
  rmSync(FOLDER, { recursive: true, force: true });
});

const ACCOUNT = { login: 'keeper', password: 'eel-grass-and-rain' };

describe('npm start', () => {
  it('makes a database, serves on loopback only, and says where', async () => {
    const said = await start();
    expect(said).toContain(`Freshet is ready:  http://127.0.0.1:${port}`);
    expect(said).toContain('begin your own house');
    expect(await (await fetch(url('/api/health'))).json()).toEqual({ ok: true, database: 'answers' });
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
    const facts = JSON.parse(readFileSync(join(FOLDER, 'own-house', 'running.json'), 'utf8')) as {
      database: number;
      databaseUrl: string;
    };
    const user = /^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${facts.database}/status`, 'utf8'))?.[1];
    expect(user).not.toBe('0');
    expect(new URL(facts.databaseUrl).password.length).toBeGreaterThanOrEqual(32);
    expect(new URL(facts.databaseUrl).hostname).toBe('127.0.0.1');
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
    const facts = JSON.parse(readFileSync(join(FOLDER, 'own-house', 'running.json'), 'utf8')) as {
      database: number;
      server: number;
    };
    await end('SIGINT');
    expect([facts.database, facts.server].map(isAlive)).toEqual([false, false]);
    expect(running?.said()).toContain('Stopping ...');
    await start();
    const session = (await (await post('/api/session', ACCOUNT)).json()) as { house: { name: string; units: object } };
    expect(session.house).toMatchObject({ name: 'Saltings Annexe', units: { temperature: 'degF', volume: 'galUS' } });
  });

  it('recovers from being killed', async () => {
    const before = JSON.parse(readFileSync(join(FOLDER, 'own-house', 'running.json'), 'utf8')) as { database: number };
    await end('SIGKILL');
    expect(isAlive(before.database)).toBe(true);
    expect(await start()).toContain('Ending what an earlier start left running');
    expect(isAlive(before.database)).toBe(false);
    expect((await post('/api/session', ACCOUNT)).status).toBe(200);
  });

  it('ends when its server is ended by a signal, and leaves nothing behind', async () => {
    const facts = JSON.parse(readFileSync(join(FOLDER, 'own-house', 'running.json'), 'utf8')) as {
      database: number;
      server: number;
    };
    const gone = new Promise<number | null>((resolve) => running?.child.once('exit', resolve));
    process.kill(facts.server, 'SIGKILL');
    expect(await gone).toBe(1);
    expect(isAlive(facts.database)).toBe(false);
    await start();
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
