// "npm run words": the words a keeper reads, each once with its place, into docs/words.md, to be read from top to bottom.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, say } from './lib/machine.mjs';
import { faultsOf, sentencesOf } from './lib/sentences.mjs';

const [check, folder] = process.argv.slice(2);
const sentences = sentencesOf(folder ?? ROOT);
// "npm run words -- --check": only what a program can find wrong with them.
if (check === '--check') {
  const faults = faultsOf(sentences);
  for (const fault of faults) say(fault);
  process.exit(faults.length > 0 ? 1 : 0);
}
let file = '';
const lines = sentences.flatMap((one) => {
  const head = one.file === file ? [] : ['', `## ${one.file}`, ''];
  file = one.file;
  return [...head, `- ${one.line}: ${one.words.replace(/[<>*_`|[\]]/g, (sign) => `\\${sign}`)}`];
});
writeFileSync(
  join(ROOT, 'docs', 'words.md'),
  `# Words\n\nWhat keepers read, by where it stands, written by \`npm run words\`. What is put in is {…}. [voice.md](voice.md) is its measure.\n${lines.join('\n')}\n`,
);
say(`${sentences.length} in docs/words.md`);
