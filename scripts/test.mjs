// "npm test": everything on a fresh machine, or one part: check, unit, api, e2e. Closes with one line of counts.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, freePort, needModules, needPrograms, run, say } from './lib/machine.mjs';

const wanted = process.argv.slice(2);
const wants = (part) => wanted.length === 0 || wanted.includes(part);
const counts = { passed: 0, failed: 0 };
const started = Date.now();
const heading = (text) => say(`\n== ${text} (${Math.round((Date.now() - started) / 1000)} s)`);

/** One step that passes or fails as a whole. */
async function step(name, program, args, options) {
  heading(name);
  const code = await run(program, args, options);
  counts[code === 0 ? 'passed' : 'failed']++;
  if (code !== 0) say(`${name}: failed`);
}

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);

async function check() {
  await step('Formatting', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
  await step('Lint', bin('eslint'), ['packages', 'scripts', 'e2e', 'benchmarks']);
  await step('Layers', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'packages']);
  for (const config of ['core', 'contract', 'demo', 'devices', 'server', 'web'].map((name) => `packages/${name}/tsconfig.json`))
    await step(`Types of ${config}`, bin('tsc'), ['-p', config]);
  await step('Types of the tests', bin('tsc'), ['-p', 'tsconfig.tests.json']);
}

async function jest(project, env = {}) {
  heading({ unit: 'Unit tests', api: 'API tests on MariaDB', commands: 'The commands of the README' }[project]);
  const out = join(ROOT, 'test-results', `${project}.json`);
  mkdirSync(join(ROOT, 'test-results'), { recursive: true });
  rmSync(out, { force: true });
  const code = await run(bin('jest'), ['--selectProjects', project, '--json', `--outputFile=${out}`, '--silent=false'], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ...env },
  });
  try {
    const result = JSON.parse(readFileSync(out, 'utf8'));
    counts.passed += result.numPassedTests;
    counts.failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
    if (result.numTotalTests === 0) counts.failed++;
  } catch {
    counts.failed++;
    say(`${project}: no result (exit code ${code})`);
  }
}

/** The built application on a database of its own. */
async function startApplication(database, name, settings) {
  const port = await freePort();
  database.sql(`CREATE DATABASE ${name}`);
  const server = spawn(process.execPath, [join(ROOT, 'dist', 'server.mjs')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      FRESHET_DATABASE_URL: database.url(name),
      FRESHET_PORT: String(port),
      FRESHET_WEB: join(ROOT, 'dist', 'web'),
      ...settings,
    },
  });
  await new Promise((resolve, reject) => {
    server.stdout.on('data', (chunk) => String(chunk).includes('listening') && resolve());
    server.on('exit', () => reject(new Error('the application did not start')));
  });
  return { url: `http://127.0.0.1:${port}`, stop: () => server.kill('SIGTERM') };
}

async function e2e(database) {
  heading('Build');
  const { buildServer, buildWeb } = await import('./build.mjs');
  await buildServer();
  await buildWeb();
  heading('End to end in Chromium');
  const application = await startApplication(database, 'freshet_e2e', { FRESHET_NOW: '2026-11-24T07:12:00Z' });
  const empty = await startApplication(database, 'freshet_empty', { FRESHET_DEMO: 'no' });
  const out = join(ROOT, 'test-results', 'e2e.json');
  rmSync(out, { force: true });
  await run(bin('playwright'), ['test'], {
    env: { ...process.env, FRESHET_URL: application.url, FRESHET_EMPTY_URL: empty.url, PLAYWRIGHT_JSON_OUTPUT_NAME: out },
  });
  application.stop();
  empty.stop();
  try {
    const { stats } = JSON.parse(readFileSync(out, 'utf8'));
    counts.passed += stats.expected + stats.flaky;
    counts.failed += stats.unexpected;
    if (stats.expected + stats.unexpected === 0) counts.failed++;
  } catch {
    counts.failed++;
    say('End to end: no result');
  }
}

needPrograms({
  ...(wants('api') || wants('e2e') || wants('commands') ? { mariadbd: 'mariadb-server' } : {}),
  ...(wants('e2e') ? { chromium: 'chromium' } : {}),
});
needModules();
if (wants('check')) await check();
if (wants('unit')) await jest('unit');
if (wants('commands')) {
  const { buildServer, buildWeb } = await import('./build.mjs');
  await buildServer();
  await buildWeb();
  await jest('commands');
}
if (wants('api') || wants('e2e')) {
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
say(`\nTook ${Math.round((Date.now() - started) / 1000)} s`);
say(`${counts.passed} passed, ${counts.failed} failed`);
process.exit(counts.failed > 0 ? 1 : 0);
