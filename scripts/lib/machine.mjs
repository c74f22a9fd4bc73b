// What the scripts need of the machine: Debian packages, node modules, a free port, running a program visibly.
// Uses nothing from node_modules: it runs before they are installed.
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
/** Where databases and secrets lie; FRESHET_DATA names another folder. */
export const DATA = process.env.FRESHET_DATA ?? join(ROOT, '.data');
export const say = (line) => process.stdout.write(`${line}\n`);

/** Ends the script with one sentence about what is wrong and one about what to do. */
export function giveUp(wrong, whatToDo) {
  process.stderr.write(`\nFreshet cannot go on: ${wrong}\n${whatToDo}\n`);
  process.exit(1);
}

export const onPath = (program) => spawnSync('sh', ['-c', `command -v ${program}`], { stdio: 'ignore' }).status === 0;

/** Installs Debian packages whose program is missing; says so when it may not. */
export function needPrograms(programs) {
  const missing = Object.entries(programs).filter(([program]) => !onPath(program));
  if (missing.length === 0) return;
  const packages = missing.map(([, name]) => name);
  const command = `apt-get install --no-install-recommends ${packages.join(' ')}`;
  if (process.getuid?.() !== 0 || !onPath('apt-get'))
    giveUp(`${missing.map(([program]) => program).join(' and ')} is not installed.`, `Ask an administrator to run: ${command}`);
  say(`Installing ${packages.join(', ')} from Debian ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const run = (...args) => spawnSync('apt-get', args, { env, stdio: ['ignore', 'ignore', 'inherit'] }).status === 0;
  if (!run('update', '-qq') || !run('install', '-y', '-qq', '--no-install-recommends', ...packages))
    giveUp(`${packages.join(', ')} could not be installed.`, `Look at the messages above, then run: ${command}`);
}

/** Runs "npm ci" when node_modules is missing or older than the lock file. */
export function needModules() {
  const stamp = join(ROOT, 'node_modules', '.package-lock.json');
  const lock = join(ROOT, 'package-lock.json');
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync(lock).mtimeMs) return;
  say('Installing node modules (npm ci) ...');
  const npm = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: ROOT, stdio: 'inherit' });
  if (npm.status !== 0) giveUp('npm ci failed.', 'Look at the messages above; is the package registry reachable?');
}

/** A port nobody listens on. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.on('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** The wanted port when it is free, another one when it is not. */
export function portOr(wanted) {
  return new Promise((resolve) => {
    const server = createServer();
    server.on('error', () => resolve(freePort()));
    server.listen(wanted, '127.0.0.1', () => server.close(() => resolve(wanted)));
  });
}

/** Runs a program to its end with its output on the screen; resolves to its exit code. */
export function run(program, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(program, args, { cwd: ROOT, stdio: 'inherit', ...options });
    child.on('exit', (code, signal) => resolve(signal ? 1 : (code ?? 1)));
    child.on('error', () => resolve(127));
  });
}

/** A stamp of everything that is built: file names, sizes and times. */
export function sourceStamp(folders) {
  const list = execFileSync(
    'find',
    [
      ...folders.filter((folder) => existsSync(join(ROOT, folder))),
      '-type',
      'f',
      '-not',
      '-path',
      '*/node_modules/*',
      '-printf',
      '%p %s %T@\n',
    ],
    { cwd: ROOT, encoding: 'utf8', maxBuffer: 1 << 26 },
  );
  return list.split('\n').sort().join('\n');
}
export const readText = (path) => (existsSync(path) ? readFileSync(path, 'utf8') : null);
export const writeText = (path, text) => writeFileSync(path, text);
