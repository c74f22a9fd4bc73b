// "npm run kernels [-- --check]": makes packages/core/src/pictures/kernels.json, the bytes that ship, of packages/core/kernels/net.ts; or
// says whether they are still the same.
import { join } from 'node:path';
import { ROOT, giveUp, needModules, readText, say, writeText } from './lib/machine.mjs';

needModules();
const SHIPPED = join(ROOT, 'packages', 'core', 'src', 'pictures', 'kernels.json');
const OPTIONS = ['-O3', '--runtime', 'stub', '--enable', 'simd', '--importMemory', '--noAssert'];

const { default: asc } = await import('assemblyscript/asc');
let bytes = null;
const { error, stderr } = await asc.main(['net.ts', '--outFile', 'net.wasm', ...OPTIONS], {
  readFile: (name, folder) =>
    name === 'net.ts' ? readText(join(ROOT, 'packages', 'core', 'kernels', name)) : readText(join(folder, name)),
  writeFile: (_name, contents) => (bytes = contents),
  listFiles: () => [],
});
if (error) giveUp(`The kernels could not be compiled: ${error.message}`, stderr.toString());
const text = `${JSON.stringify([...bytes])}\n`;
if (process.argv.includes('--check')) {
  if (readText(SHIPPED) !== text)
    giveUp('The kernels that ship are not those of packages/core/kernels/net.ts.', 'npm run kernels');
} else {
  writeText(SHIPPED, text);
  say(`${bytes.length} bytes`);
}
