// "npm test": everything on a fresh machine, or one part: check, unit, api, e2e. Closes with one line of counts.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, freePort, needModules, needPrograms, say } from './lib/machine.mjs';

const wanted = process.argv.slice(2);
const wants = (part) => wanted.length === 0 || wanted.includes(part);
const counts = { passed: 0, failed: 0 };
const started = Date.now();
const seconds = () => Math.round((Date.now() - started) / 1000);
const bin = (name) => join(ROOT, 'node_modules', '.bin', name);

/** One step that passes or fails as a whole; what it says is shown when it is over, so that two lanes do not mix. */
async function step(name, program, args, env = {}) {
  const child = spawn(program, args, { cwd: ROOT, env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (chunk) => {
      said += chunk;
    });
  const code = await new Promise((resolve) => {
    child.on('exit', (status) => resolve(status ?? 1));
    child.on('error', () => resolve(127));
  });
  counts[code === 0 ? 'passed' : 'failed']++;
  say(`== ${name}: ${code === 0 ? 'passed' : 'FAILED'} (${seconds()} s)`);
  if (code !== 0) say(said.slice(-8000));
}

/** Runs something that counts its own tests. */
async function counted(name, file, run_, read) {
  const out = join(ROOT, 'test-results', file);
  mkdirSync(join(ROOT, 'test-results'), { recursive: true });
  rmSync(out, { force: true });
  const said = await run_(out);
  try {
    const { passed, failed, total } = read(JSON.parse(readFileSync(out, 'utf8')));
    counts.passed += passed;
    counts.failed += failed + (total === 0 ? 1 : 0);
    say(`== ${name}: ${passed} passed, ${failed} failed (${seconds()} s)`);
    if (failed > 0) say(said.slice(-12_000));
  } catch {
    counts.failed++;
    say(`== ${name}: no result (${seconds()} s)\n${said.slice(-4000)}`);
  }
}

/** Runs a program and gives back what it said. */
function listen(program, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(program, args, { cwd: ROOT, env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
        said += chunk;
      });
    child.on('exit', () => resolve(said));
  });
}

const jest = (project, env = {}) =>
  counted(
    { unit: 'Unit tests', api: 'API tests on MariaDB', commands: 'The commands of the README' }[project],
    `${project}.json`,
    (out) => listen(bin('jest'), ['--selectProjects', project, '--maxWorkers=1', '--json', `--outputFile=${out}`], env),
    (result) => ({
      passed: result.numPassedTests,
      failed: result.numFailedTests + result.numRuntimeErrorTestSuites,
      total: result.numTotalTests,
    }),
  );

async function check() {
  await step('Formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
  await step('Layers', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'packages']);
  // Packages by reference, each with the libraries it may use, then the tests that know them all.
  await step('Types', bin('tsc'), ['-b', 'tsconfig.tests.json']);
  await step('Lint', bin('eslint'), ['packages', 'scripts', 'e2e', 'benchmarks']);
}

/** The built application on a database that is there. */
async function startApplication(database, name, settings) {
  const port = await freePort();
  const server = spawn(process.execPath, [join(ROOT, 'dist', 'server.mjs')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      FRESHET_DATABASE_URL: database.url(name),
      FRESHET_PORT: String(port),
      FRESHET_WEB: join(ROOT, 'dist', 'web'),
      FRESHET_SECRET: randomBytes(32).toString('hex'),
      ...settings,
    },
  });
  await new Promise((resolve, reject) => {
    server.stdout.on('data', (chunk) => String(chunk).includes('listening') && resolve());
    server.on('exit', () => reject(new Error('the application did not start')));
  });
  return { url: `http://127.0.0.1:${port}`, stop: () => server.kill('SIGTERM') };
}

/** Browsers at once, each with an application and a database of its own. */
const BROWSERS = 2;

async function e2e(database) {
  const NOW = { FRESHET_NOW: '2026-11-24T07:12:00Z' };
  database.sql('CREATE DATABASE freshet_e2e_0; CREATE DATABASE freshet_empty_0; CREATE DATABASE freshet_empty_1');
  const first = await startApplication(database, 'freshet_e2e_0', NOW);
  const running = [first];
  for (let i = 1; i < BROWSERS; i++) {
    database.copy('freshet_e2e_0', `freshet_e2e_${i}`);
    running.push(await startApplication(database, `freshet_e2e_${i}`, NOW));
  }
  // An empty house for the first user, and another for a second try: a house can be begun only once.
  const empties = [];
  for (const i of [0, 1]) empties.push(await startApplication(database, `freshet_empty_${i}`, { FRESHET_DEMO: 'no' }));
  let again = 0;
  await counted(
    'End to end in Chromium',
    'e2e.json',
    (out) =>
      listen(bin('playwright'), ['test', `--workers=${BROWSERS}`], {
        FRESHET_URLS: running.map(({ url }) => url).join(' '),
        FRESHET_EMPTY_URLS: empties.map(({ url }) => url).join(' '),
        PLAYWRIGHT_JSON_OUTPUT_NAME: out,
      }),
    ({ stats }) => {
      again = stats.flaky;
      return {
        passed: stats.expected + stats.flaky,
        failed: stats.unexpected,
        total: stats.expected + stats.flaky + stats.unexpected,
      };
    },
  );
  if (again > 0) say(`== ${again} of these passed on a second try only: look why (test-results/e2e.json)`);
  for (const application of [...running, ...empties]) application.stop();
}

async function onDatabase() {
  const { startMariadb } = await import('./lib/mariadb.mjs');
  const folder = mkdtempSync(join(tmpdir(), 'freshet-test-'));
  const database = await startMariadb(folder, { fast: true });
  try {
    if (wants('api')) await jest('api', { FRESHET_TEST_DATABASE_URL: database.url() });
    if (wants('e2e')) await e2e(database);
  } finally {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

needPrograms({
  ...(wants('api') || wants('e2e') || wants('commands') ? { mariadbd: 'mariadb-server' } : {}),
  ...(wants('e2e') ? { chromium: 'chromium' } : {}),
});
needModules();
if (wants('commands') || wants('e2e')) {
  const { buildDevices, buildServer, buildWeb } = await import('./build.mjs');
  await buildServer();
  await buildDevices();
  await buildWeb();
}
// Two lanes for two cores: what reads the code, and what runs it on a database and in browsers.
await Promise.all([
  (async () => {
    if (wants('unit')) await jest('unit');
    if (wants('check')) await check();
    if (wants('commands')) await jest('commands');
  })(),
  wants('api') || wants('e2e') ? onDatabase() : null,
]);
say(`\nTook ${seconds()} s`);
say(`${counts.passed} passed, ${counts.failed} failed`);
process.exit(counts.failed > 0 ? 1 : 0);
