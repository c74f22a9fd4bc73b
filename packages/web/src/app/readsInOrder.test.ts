import { readdirSync, readFileSync } from 'node:fs';
import { join, sep } from 'node:path';
import { AREAS, type ApiName } from '@freshet/contract/api';

const ROOT = join(__dirname, '..');
/** The order of the work, and what stands beside it: a house and the log may be asked by all. */
const ORDER = ['species', 'room', 'stock', 'spawning', 'broods', 'larder', 'growout', 'sales', 'transfers', 'rounds'];
const OPEN = new Set(['accounts', 'log', 'house']);
const areaOf = new Map(
  Object.entries(AREAS).flatMap(([area, endpoints]) => Object.keys(endpoints).map((name) => [name as ApiName, area] as const)),
);
/** Hooks and functions that name an endpoint first, or after `name:`. */
const CALLS = /(?:useGet|send|sendPicture|urlOf|log)(?:<[^>]*>)?\(\s*(?:[^'()]*\?\s*)?'([A-Za-z]+)'|\bname: '([A-Za-z]+)',/g;

const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
  .map((file) => ({ file, area: file.split(sep)[0] ?? '', text: readFileSync(join(ROOT, file), 'utf8') }));

describe('what a page reads and writes', () => {
  it('belongs to its own area or to one before it; pages that show several stand above them', () => {
    const faults: string[] = [];
    let seen = 0;
    for (const { file, area, text } of files) {
      if (!ORDER.includes(area)) continue;
      for (const match of text.matchAll(CALLS)) {
        const of = areaOf.get((match[1] ?? match[2]) as ApiName);
        if (of === undefined || OPEN.has(of)) continue;
        seen++;
        if (ORDER.indexOf(of) > ORDER.indexOf(area)) faults.push(`${file} asks ${match[1] ?? match[2] ?? ''} of ${of}`);
      }
    }
    expect(seen).toBeGreaterThan(60);
    expect(faults).toEqual([]);
  });
});

describe('a word', () => {
  const packages = join(ROOT, '../..');
  const folders = (name: string) =>
    readdirSync(join(packages, name, 'src'), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map((entry) => entry.name);
  const guide = readFileSync(join(packages, '../CONTRIBUTING.md'), 'utf8');
  const areas =
    /Areas, in the order of the work: ([^.]+)\./
      .exec(guide)?.[1]
      ?.replaceAll('*', '')
      .split(/, | and /) ?? [];
  const bases =
    /Bases, which know no area: ([^.]+)\./
      .exec(guide)?.[1]
      ?.replaceAll('*', '')
      .split(/, | and /) ?? [];

  it('of the guide is the folder in every layer, and every folder is a word of the guide', () => {
    expect(areas).toEqual(expect.arrayContaining(['species', 'room', 'stock', 'spawning', 'broods', 'larder', 'rounds']));
    const known = new Set([...areas, ...bases]);
    for (const layer of ['core', 'contract', 'server', 'web'])
      expect([layer, folders(layer).filter((folder) => !known.has(folder))]).toEqual([layer, []]);
    for (const area of ['species', 'room', 'stock', 'spawning', 'broods', 'larder', 'transfers', 'rounds'])
      for (const layer of ['core', 'contract', 'server', 'web'])
        expect([area, layer, folders(layer).includes(area)]).toEqual([area, layer, true]);
  });

  it('of an area has a page of its own, under forty lines', () => {
    const docs = join(packages, '../docs/areas');
    for (const area of areas.filter((name) => folders('core').includes(name))) {
      const lines = readFileSync(join(docs, `${area}.md`), 'utf8').split('\n').length;
      expect([area, lines < 40]).toEqual([area, true]);
    }
  });
});
