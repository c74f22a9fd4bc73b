// "npm run backup" and "npm run restore FILE": a house as one file, and back.
import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { BackupError, backupName, makeBackup, openBackup, restoreInto } from './lib/backup.mjs';
import { DATA, giveUp, needPrograms, say } from './lib/machine.mjs';
import { claim } from './lib/running.mjs';
import { wrongSettings } from './lib/settings.mjs';

const [task, ...rest] = process.argv.slice(2);
const words = rest.filter((word) => !word.startsWith('--'));
const options = new Set(rest.filter((word) => word.startsWith('--')));
const wrong = wrongSettings(process.env, DATA);
if (wrong) giveUp(...wrong);
needPrograms({ mariadb: 'mariadb-client', 'mariadb-dump': 'mariadb-client' });
const external = process.env.FRESHET_DATABASE_URL;

/** Does something with a house's database: one that runs, or one that is started for it. */
async function withDatabase(what, joins, work) {
  if (external) return work(external);
  const folder = join(DATA, what);
  mkdirSync(folder, { recursive: true });
  const { taken, release } = await claim(folder, { start: process.pid, server: null, database: null, port: null }, { joins });
  if (taken?.databaseUrl) return work(taken.databaseUrl);
  needPrograms({ mariadbd: 'mariadb-server' });
  const { startMariadb } = await import('./lib/mariadb.mjs');
  const database = await startMariadb(folder);
  try {
    return await work(database.url());
  } finally {
    await database.stop();
    release();
  }
}

/** Which house is meant: the own one, unless there is none or the demonstration is asked for. */
const meant = () =>
  options.has('--demo') || (!existsSync(join(DATA, 'own-house', 'mariadb')) && !options.has('--empty'))
    ? 'demonstration'
    : 'own-house';

const TASKS = {
  async backup() {
    const what = external ? 'freshet' : meant();
    if (!external && !existsSync(join(DATA, what)))
      throw new BackupError('no house is kept here yet.', 'Begin with "npm start" or "npm start -- --empty".');
    const file = words[0] ?? join(DATA, 'backups', backupName(what));
    const { entries } = await withDatabase(what, true, (url) => makeBackup({ url, what, file }));
    say(`${file}: ${entries} entries, with pictures and readings. Keep it somewhere else than on this machine.`);
  },
  async restore() {
    const [file] = words;
    if (!file) throw new BackupError('no backup was named.', 'npm run restore .data/backups/….freshet');
    const backup = await openBackup(file);
    try {
      const what = options.has('--demo') || backup.manifest.what === 'demonstration' ? 'demonstration' : 'own-house';
      await withDatabase(what, false, (url) => restoreInto(url, backup));
      say(
        `Restored: ${backup.manifest.entries} entries, as they stood ${backup.manifest.made}. Go on with "npm start${what === 'own-house' ? ' -- --empty' : ''}".`,
      );
    } finally {
      backup.tidy();
    }
  },
};
try {
  await TASKS[task]();
} catch (error) {
  if (!(error instanceof BackupError)) throw error;
  giveUp(error.message, error.whatToDo);
}
process.exit(0);
