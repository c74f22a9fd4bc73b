// "npm run -s calc -- <name> '<json>'": any calculation of the catalogue; also --list, --explain <name>, --batch.
import { once } from 'node:events';
import { createInterface } from 'node:readline';
import { needModules } from './lib/machine.mjs';

needModules();
const { buildCalc } = await import('./build.mjs');
await buildCalc();
const { CALCULATIONS, runCalculation } = await import('../dist/calculations.mjs');
const print = (value) => process.stdout.write(`${JSON.stringify(value)}\n`);
const parse = (text) => {
  try {
    return { value: JSON.parse(text) };
  } catch {
    return null;
  }
};
const NO_JSON = { error: 'invalidInput', field: null, message: 'The input is not JSON.' };

async function batch() {
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (!line.trim()) continue;
    const request = parse(line);
    const answer =
      request && typeof request.value === 'object' && request.value !== null
        ? runCalculation(request.value.name, request.value.input)
        : NO_JSON;
    if (!process.stdout.write(`${JSON.stringify(answer)}\n`)) await once(process.stdout, 'drain');
  }
}

const [first, second] = process.argv.slice(2);
if (first === '--batch') await batch();
else if (first === '--list') for (const { name, title } of CALCULATIONS) process.stdout.write(`${name}\t${title}\n`);
else if (first === '--explain') {
  const found = CALCULATIONS.find(({ name }) => name === second);
  if (found) process.stdout.write(`${found.name}: ${found.title}\n${found.words}\nSource: ${found.source}\n`);
  else {
    print({ error: 'unknownCalculation', field: null, message: `There is no calculation "${second ?? ''}".` });
    process.exitCode = 2;
  }
} else if (!first) {
  process.stderr.write("Usage: npm run -s calc -- <name> '<json>' | --list | --explain <name> | --batch\n");
  process.exitCode = 2;
} else {
  const input = second === undefined ? null : parse(second);
  const answer = input ? runCalculation(first, input.value) : NO_JSON;
  if ('output' in answer) print(answer.output);
  else {
    print(answer);
    process.exitCode = 2;
  }
}
