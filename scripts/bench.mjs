// "npm run bench": the measurements of benchmarks/, on a database of their own; prints ratios and counts.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, needModules, needPrograms, run } from './lib/machine.mjs';

needPrograms({ mariadbd: 'mariadb-server' });
needModules();
const { build } = await import('esbuild');
const { startMariadb } = await import('./lib/mariadb.mjs');
const { EXTERNAL, buildWeb } = await import('./build.mjs');
await buildWeb();
await build({
  absWorkingDir: ROOT,
  entryPoints: ['benchmarks/rounds.bench.ts'],
  outfile: 'dist/rounds.bench.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  external: EXTERNAL,
  logLevel: 'warning',
});
const folder = mkdtempSync(join(tmpdir(), 'freshet-bench-'));
const database = await startMariadb(folder, { fast: true });
const code = await run(process.execPath, [join(ROOT, 'dist', 'rounds.bench.mjs')], {
  env: { ...process.env, FRESHET_DATABASE_URL: database.url() },
});
const pages = await run(process.execPath, [join(ROOT, 'benchmarks', 'firstPage.bench.mjs')]);
await database.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(code || pages);
