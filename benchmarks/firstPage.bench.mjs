// How much JavaScript the round needs before it can be used: every file the first page loads, gzipped.
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';

const web = join(dirname(fileURLToPath(import.meta.url)), '..', 'dist', 'web');
const manifest = JSON.parse(readFileSync(join(web, '.vite', 'manifest.json'), 'utf8'));
const needed = new Set();
const add = (key) => {
  if (needed.has(key)) return;
  needed.add(key);
  for (const next of manifest[key].imports ?? []) add(next);
};
add('index.html');
const bytes = [...needed].reduce((sum, key) => sum + gzipSync(readFileSync(join(web, manifest[key].file))).length, 0);
process.stdout.write(
  `\nFirst page: ${(bytes / 1000).toFixed(1)} kB of JavaScript gzipped, in ${needed.size} files (aim: at most 170)\n`,
);
