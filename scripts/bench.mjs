// "npm run bench": the measurements of benchmarks/, on a database of their own; prints ratios and counts.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, needModules, needPrograms, run } from './lib/machine.mjs';

needPrograms({ mariadbd: 'mariadb-server', chromium: 'chromium' });
needModules();
const { build } = await import('esbuild');
const { startMariadb } = await import('./lib/mariadb.mjs');
const { EXTERNAL, buildServer, buildWeb } = await import('./build.mjs');
await buildWeb();
await buildServer();
const BENCHES = ['rounds', 'room', 'stock', 'spawning', 'broods', 'larder', 'growout', 'sales', 'pictures', 'salesPages'];
for (const name of BENCHES)
  await build({
    absWorkingDir: ROOT,
    entryPoints: [`benchmarks/${name}.bench.ts`],
    outfile: `dist/${name}.bench.mjs`,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    external: EXTERNAL,
    logLevel: 'warning',
  });
const folder = mkdtempSync(join(tmpdir(), 'freshet-bench-'));
const database = await startMariadb(folder, { fast: true });
const env = { ...process.env, FRESHET_DATABASE_URL: database.url() };
database.sql('CREATE DATABASE freshet_sales');
const ownDatabase = { salesPages: 'freshet_sales' };
let code = 0;
for (const name of BENCHES)
  code ||= await run(process.execPath, [join(ROOT, 'dist', `${name}.bench.mjs`)], {
    env: { ...env, FRESHET_DATABASE_URL: database.url(ownDatabase[name]) },
  });
database.sql('CREATE DATABASE freshet_drag');
code ||= await run(process.execPath, [join(ROOT, 'benchmarks', 'firstPage.bench.mjs')]);
for (const name of ['drag', 'stockPages', 'photo'])
  code ||= await run(process.execPath, [join(ROOT, 'benchmarks', `${name}.bench.mjs`)], {
    env: { ...process.env, FRESHET_DATABASE_URL: database.url('freshet_drag') },
  });
await database.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(code);
