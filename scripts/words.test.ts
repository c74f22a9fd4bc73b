import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const SCRIPT = join(__dirname, 'words.mjs');
const check = (...folder: string[]) => {
  const { status, stdout } = spawnSync(process.execPath, [SCRIPT, '--check', ...folder], { encoding: 'utf8' });
  return { status, faults: stdout.split('\n').filter(Boolean) };
};

/** A folder whose only page holds these sources. */
function pages(source: string): string {
  const root = mkdtempSync(join(tmpdir(), 'words-'));
  for (const name of ['core', 'contract', 'server', 'web']) mkdirSync(join(root, 'packages', name, 'src'), { recursive: true });
  writeFileSync(join(root, 'packages', 'web', 'src', 'Page.tsx'), source);
  return root;
}

describe('the words on screen', () => {
  it('keep to what a program can hold of the voice', () => {
    expect(check()).toEqual({ status: 0, faults: [] });
  });

  it.each([
    ['<p>Choose an outlet first</p>', /Page\.tsx:1 say buyer/],
    ["const hint = 'Empty: as its regime says';", /leave empty/],
    ['<TextField label="School of feeding" />', /say way/],
    ['const words = `${count} of them, in 1 weeks`;', /the singular/],
    ["const words = 'Refilled 0 of 7 days ago';", /none of/],
    [`<p>${'word '.repeat(22)}end.</p>`, /longer than 22 words/],
  ])('are told where they do not: %s', (source, fault) => {
    const { status, faults } = check(pages(source));
    expect(status).toBe(1);
    expect(faults.join('\n')).toMatch(fault);
  });

  it('are not classes, addresses, imports or statements', () => {
    const source = [
      "import { school } from './the school of outlets';",
      '<a href="/sales/outlets and more" className="school outlet of-all">Buyers and shops</a>;',
      "const sql = 'SELECT outlet FROM attempts WHERE school = 1';",
    ].join('\n');
    expect(check(pages(source))).toEqual({ status: 0, faults: [] });
  });
});
