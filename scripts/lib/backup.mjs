// One file that holds a house: its tables (pictures and readings are among them), the secret it signs with, and what is in it.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { DATA, ROOT } from './machine.mjs';
import { clientOf } from './mariadbClient.mjs';

const FORMAT = 1;
const MANIFEST = 'what-is-in-it.json';
const TABLES = 'tables.sql.gz';
const SECRET = 'session-secret';
const LAST_LINE = '-- Dump completed';
/** Stands in a database while a backup is put into it, and longer when that was stopped. */
const RESTORING = 'restoring';

/** A backup that cannot be made or used: what is wrong and what to do. */
export class BackupError extends Error {
  constructor(wrong, whatToDo) {
    super(wrong);
    this.whatToDo = whatToDo;
  }
}

/** Rows of a statement, each as its fields. */
function rows(url, text) {
  const { args, env, database } = clientOf(url);
  const done = spawnSync('mariadb', [...args, '--batch', '--skip-column-names', database], {
    input: text,
    env,
    encoding: 'utf8',
  });
  if (done.status !== 0)
    throw new BackupError(
      `the database refused: ${(done.error?.message ?? done.stderr).trim()}`,
      'Does it run, and may this user read and write it?',
    );
  return done.stdout
    .split('\n')
    .filter(Boolean)
    .map((line) => line.split('\t'));
}

const tablesOf = (url) => rows(url, 'SELECT table_name FROM information_schema.tables WHERE table_schema = DATABASE()').flat();

/** Versions of the tables that this Freshet knows. */
const knownVersions = () =>
  readdirSync(join(ROOT, 'packages', 'server', 'migrations'))
    .filter((name) => /^\d{4}-.*\.ts$/.test(name))
    .map((name) => name.replace(/\.ts$/, ''));

async function sha256(file) {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** Runs a client program with a stream in or out. @returns its exit status and what it complained of */
function ended(child) {
  let complaint = '';
  child.stderr.on('data', (chunk) => (complaint += chunk));
  return new Promise((done) => {
    child.on('exit', (status) => done({ status, complaint }));
    // A program that is not there says so, and ends nothing else.
    child.on('error', (error) => done({ status: 127, complaint: error.message }));
  });
}

function tar(...args) {
  const done = spawnSync('tar', args, { encoding: 'utf8' });
  if (done.status !== 0)
    throw new BackupError(`tar failed: ${done.stderr.trim()}`, 'Is there room on the disk, and is this a Freshet backup?');
}

/**
 * Writes a backup, while the house goes on: all of it as it stood at one moment.
 * @param url - of the database @param what - own-house, demonstration, or another name @param file - where to; never written over
 */
export async function makeBackup({ url, what, file }) {
  if (existsSync(file)) throw new BackupError(`${file} is there already.`, 'Give another name.');
  mkdirSync(dirname(file), { recursive: true });
  const work = mkdtempSync(join(tmpdir(), 'freshet-backup-'));
  try {
    const { args, env, database } = clientOf(url);
    const dump = spawn(
      'mariadb-dump',
      [...args, '--single-transaction', '--hex-blob', '--skip-dump-date', '--skip-add-locks', database],
      { env, stdio: ['ignore', 'pipe', 'pipe'] },
    );
    const [, { status, complaint }] = await Promise.all([
      pipeline(dump.stdout, createGzip(), createWriteStream(join(work, TABLES))),
      ended(dump),
    ]);
    if (status !== 0)
      throw new BackupError(`the database could not be read: ${complaint.trim()}`, 'Does it run, and is there room on the disk?');
    const secret = join(DATA, SECRET);
    if (existsSync(secret)) writeFileSync(join(work, SECRET), readFileSync(secret), { mode: 0o600 });
    const made = new Date().toISOString();
    const manifest = {
      format: FORMAT,
      what,
      made,
      versions: rows(url, 'SELECT name FROM migrations ORDER BY name').flat(),
      entries: Number(rows(url, 'SELECT COUNT(*) FROM entries')[0]?.[0] ?? 0),
      sha256: { [TABLES]: await sha256(join(work, TABLES)) },
    };
    writeFileSync(join(work, MANIFEST), JSON.stringify(manifest, null, 2));
    const half = `${file}.half`;
    tar('-C', work, '-cf', half, MANIFEST, TABLES, ...(existsSync(secret) ? [SECRET] : []));
    renameSync(half, file);
    return manifest;
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

/** A backup's parts, unpacked and proven whole. @returns where they lie, what is in it, and how to tidy up */
export async function openBackup(file) {
  if (!existsSync(file))
    throw new BackupError(`${file} is not there.`, 'Give the path of a backup, such as .data/backups/….freshet.');
  const work = mkdtempSync(join(tmpdir(), 'freshet-restore-'));
  const tidy = () => rmSync(work, { recursive: true, force: true });
  try {
    tar('-C', work, '-xf', resolve(file));
    if (!existsSync(join(work, MANIFEST)) || !existsSync(join(work, TABLES)))
      throw new BackupError(`${basename(file)} is not a Freshet backup.`, 'Give a file that npm run backup wrote.');
    const manifest = JSON.parse(readFileSync(join(work, MANIFEST), 'utf8'));
    if (manifest.format !== FORMAT || manifest.versions.some((name) => !knownVersions().includes(name)))
      throw new BackupError('this backup is from a newer Freshet.', 'Update Freshet first, then restore it.');
    if ((await sha256(join(work, TABLES))) !== manifest.sha256[TABLES])
      throw new BackupError(`${basename(file)} is damaged: its checksum is wrong.`, 'Take an earlier backup.');
    return { work, manifest, tidy };
  } catch (error) {
    tidy();
    throw error;
  }
}

/**
 * Puts a backup into a database that holds nothing; one that was stopped in between is begun anew.
 * @param backup - as `openBackup` gave it
 */
export async function restoreInto(url, backup) {
  const found = tablesOf(url);
  if (found.length > 0 && !found.includes(RESTORING))
    throw new BackupError(
      'there is a house here already.',
      'Nothing was changed. Name an empty folder with FRESHET_DATA, or move this one away.',
    );
  const empty = () =>
    rows(
      url,
      `SET FOREIGN_KEY_CHECKS = 0; ${tablesOf(url)
        .map((name) => `DROP TABLE \`${name}\`;`)
        .join(' ')}`,
    );
  empty();
  rows(url, `CREATE TABLE ${RESTORING} (since DATETIME NOT NULL)`);
  const { args, env, database } = clientOf(url);
  const load = spawn('mariadb', [...args, database], { env, stdio: ['pipe', 'ignore', 'pipe'] });
  let tail = '';
  const text = createGunzip();
  text.on('data', (chunk) => (tail = (tail + chunk.toString('utf8')).slice(-200)));
  const [{ status, complaint }] = await Promise.all([
    ended(load),
    pipeline(createReadStream(join(backup.work, TABLES)), text, load.stdin).catch(() => undefined),
  ]);
  if (status !== 0 || !tail.includes(LAST_LINE)) {
    empty();
    throw new BackupError(
      `the backup could not be put in: ${complaint.trim() || 'it ends too soon'}.`,
      'Nothing was left behind. Is there room on the disk?',
    );
  }
  rows(url, `DROP TABLE ${RESTORING}`);
  const secret = join(backup.work, SECRET);
  if (existsSync(secret) && !existsSync(join(DATA, SECRET)))
    writeFileSync(join(DATA, SECRET), readFileSync(secret), { mode: 0o600 });
}

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
/** A backup's name, by when it was made: sorts by time. */
export const backupName = (what, at = new Date()) =>
  `${what}-${at.toISOString().slice(0, 16).replace('T', '-').replace(':', '')}.freshet`;

/**
 * A backup a day while Freshet runs, the newest kept.
 * @param keep - how many; none for 0 @param said - told when one fails, and when it works again
 * @returns how to stop
 */
export function dailyBackups({ url, what, keep, said }) {
  if (keep === 0) return () => undefined;
  const folder = join(DATA, 'backups');
  const own = () =>
    existsSync(folder)
      ? readdirSync(folder)
          .filter((name) => name.startsWith(`${what}-`) && name.endsWith('.freshet'))
          .sort()
      : [];
  let hasFailed = false;
  const madeAt = (name) => {
    const [, day, hour, minute] = /-(\d{4}-\d\d-\d\d)-(\d\d)(\d\d)\.freshet$/.exec(name) ?? [];
    return day ? Date.parse(`${day}T${hour}:${minute}:00Z`) : 0;
  };
  async function look() {
    const newest = own().at(-1);
    if (newest && Date.now() - madeAt(newest) < DAY_MS) return;
    try {
      await makeBackup({ url, what, file: join(folder, backupName(what)) });
      for (const old of own().slice(0, -keep)) rmSync(join(folder, old), { force: true });
      if (hasFailed) said('The daily backup works again.');
      hasFailed = false;
    } catch (error) {
      if (!hasFailed) said(`The daily backup failed: ${error.message} ${error.whatToDo ?? ''}`);
      hasFailed = true;
    }
  }
  const timer = setInterval(() => void look(), HOUR_MS);
  timer.unref();
  void look();
  return () => clearInterval(timer);
}
