import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { begin, endWith, freePort, send, type Started } from './lib/startForTest';

// A house carried away and brought back, as a person would from the README.
const ROOT = join(__dirname, '..');
const FOLDER = mkdtempSync(join(tmpdir(), 'freshet-carried-'));
chmodSync(FOLDER, 0o755);
const [FIRST, SECOND] = [join(FOLDER, 'first'), join(FOLDER, 'second')];
const FILE = join(FOLDER, 'shed.freshet');
jest.setTimeout(120_000);

let port = 0;
let running: Started | null = null;
const url = (path: string) => `http://127.0.0.1:${port}${path}`;

/** Starts on a folder, and says what was said until it was ready or ended. */
async function start(data: string): Promise<string> {
  running = begin(data, port);
  await running.ready;
  return running.said();
}
async function stop(): Promise<void> {
  if (running) await endWith(running, 'SIGINT');
  running = null;
}
function carry(task: 'backup' | 'restore', data: string, ...words: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/backup.mjs', task, ...words], {
    cwd: ROOT,
    env: { ...process.env, FRESHET_DATA: data },
    encoding: 'utf8',
    timeout: 60_000,
  });
  return { status, said: stdout + stderr };
}
interface Manifest {
  entries: number;
  versions: string[];
  sha256: Record<string, string>;
}
function manifestOf(file: string): Manifest {
  const { stdout } = spawnSync('tar', ['-xOf', file, 'what-is-in-it.json'], { encoding: 'utf8' });
  return JSON.parse(stdout) as Manifest;
}
/** The tables as they are told in a backup, line by line. */
const tablesIn = (file: string) =>
  spawnSync('sh', ['-c', `tar -xOf ${file} tables.sql.gz | gunzip | grep -v -e '^--' -e '^/\\*'`], {
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  }).stdout;

const ACCOUNT = { login: 'keeper', password: 'eel-grass-and-rain' };
const post = (path: string, body: object, cookie = '') => send(url(path), body, cookie);

beforeAll(async () => {
  port = await freePort();
});
afterAll(async () => {
  await stop();
  rmSync(FOLDER, { recursive: true, force: true });
});

describe('a backup', () => {
  let cookie = '';

  it('is made while the house goes on, and one a day by itself', async () => {
    await start(FIRST);
    const made = await post('/api/houses', {
      name: 'Saltings Annexe',
      timeZone: 'Europe/Dublin',
      units: { temperature: 'degC', volume: 'L' },
      ...ACCOUNT,
    });
    cookie = (made.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
    expect(
      (
        await post(
          '/api/racks',
          {
            id: '0199d2f0-0000-7000-8000-000000000001',
            rackId: '0199d2f0-0000-7000-8000-000000000002',
            code: 'A',
            name: 'Rack A',
            kind: 'rack',
            quarantine: false,
            sump: null,
          },
          cookie,
        )
      ).status,
    ).toBeLessThan(300);
    const { status, said } = carry('backup', FIRST, FILE);
    expect([status, said]).toEqual([0, expect.stringContaining(`${FILE}: 1 entries, with pictures and readings.`)]);
    expect((await fetch(url('/api/health'))).status).toBe(200);
    expect(readdirSync(join(FIRST, 'backups'))).toEqual([expect.stringMatching(/^own-house-\d{4}-\d\d-\d\d-\d{4}\.freshet$/)]);
  });

  it('is not written over, nor put where a house is', () => {
    expect(carry('backup', FIRST, FILE)).toEqual({ status: 1, said: expect.stringContaining('is there already.') as string });
    expect(carry('restore', FIRST, FILE)).toEqual({
      status: 1,
      said: expect.stringContaining('it is running already from this folder.') as string,
    });
  });

  it('is the same house in another place: tables, passwords, who is signed in', async () => {
    await stop();
    expect(carry('restore', FIRST, FILE)).toEqual({
      status: 1,
      said: expect.stringContaining('there is a house here already.') as string,
    });
    const { status, said } = carry('restore', SECOND, FILE);
    expect([status, said]).toEqual([0, expect.stringContaining('Restored: 1 entries')]);
    const again = join(FOLDER, 'again.freshet');
    expect(carry('backup', SECOND, again).status).toBe(0);
    expect(tablesIn(again)).toBe(tablesIn(FILE));
    expect(tablesIn(again).length).toBeGreaterThan(10_000);
    await start(SECOND);
    const racks = (await (await fetch(url('/api/room'), { headers: { cookie } })).json()) as { racks: { code: string }[] };
    expect(racks.racks.map(({ code }) => code)).toEqual(['A']);
    expect((await post('/api/session', ACCOUNT)).status).toBe(200);
    await stop();
  });

  it('is refused when it is none, damaged, or from a newer Freshet; nothing is left behind', () => {
    const third = join(FOLDER, 'third');
    const refused = (file: string) => {
      const { status, said } = carry('restore', third, file);
      expect([status, existsSync(join(third, 'own-house'))]).toEqual([1, false]);
      return said;
    };
    expect(refused(join(FOLDER, 'nowhere.freshet'))).toContain('is not there.');
    const garbage = join(FOLDER, 'garbage.freshet');
    writeFileSync(garbage, 'not a backup at all');
    expect(refused(garbage)).toMatch(/tar failed|is not a Freshet backup/);
    const parts = join(FOLDER, 'parts');
    const rebuilt = (change: () => void) => {
      rmSync(parts, { recursive: true, force: true });
      mkdirSync(parts);
      spawnSync('tar', ['-C', parts, '-xf', FILE]);
      change();
      spawnSync('tar', ['-C', parts, '-cf', garbage, ...readdirSync(parts)]);
      return refused(garbage);
    };
    expect(
      rebuilt(() => {
        const tables = readFileSync(join(parts, 'tables.sql.gz'));
        tables[tables.length >> 1] = (tables[tables.length >> 1] ?? 0) ^ 1;
        writeFileSync(join(parts, 'tables.sql.gz'), tables);
      }),
    ).toContain('its checksum is wrong');
    expect(
      rebuilt(() => {
        const manifest = manifestOf(FILE);
        writeFileSync(
          join(parts, 'what-is-in-it.json'),
          JSON.stringify({ ...manifest, versions: [...manifest.versions, '2031-01-01-99-fins'] }),
        );
      }),
    ).toContain('this backup is from a newer Freshet.');
  });

  it('that was put in half is begun anew, and until then no house starts on it', async () => {
    const stopped = join(FOLDER, 'stopped');
    expect(carry('restore', stopped, FILE).status).toBe(0);
    // As a restore leaves it that was killed.
    await start(stopped);
    const { databaseUrl } = JSON.parse(readFileSync(join(stopped, 'own-house', 'running.json'), 'utf8')) as {
      databaseUrl: string;
    };
    const { port: at, password } = new URL(databaseUrl);
    const marked = spawnSync(
      'mariadb',
      ['--no-defaults', '--protocol=tcp', '--host=127.0.0.1', `--port=${at}`, '--user=freshet', 'freshet'],
      {
        input: 'CREATE TABLE restoring (since DATETIME NOT NULL); DROP TABLE racks;',
        env: { ...process.env, MYSQL_PWD: password },
      },
    );
    expect(marked.status).toBe(0);
    await stop();
    expect(await start(stopped)).toContain('A restore into this database was stopped before its end.');
    await stop();
    expect(carry('restore', stopped, FILE).status).toBe(0);
    expect(await start(stopped)).toContain('Freshet is ready');
    await stop();
  });

  it('is not needed to move a folder: a plain copy starts', async () => {
    const copy = join(FOLDER, 'copy');
    spawnSync('cp', ['-r', SECOND, copy]);
    expect(await start(copy)).toContain('Freshet is ready');
    expect((await post('/api/session', ACCOUNT)).status).toBe(200);
    await stop();
    copyFileSync(FILE, join(copy, 'kept.freshet'));
  });
});
