import { LEXICON, TIME_WORDS } from './lexicon';
import type { JotAnimals, JotTankTold } from '../jotTypes';

/** A group of animals with the tank it lives in. */
export interface Housed {
  tank: string;
  /** Its place among the groups of its tank. */
  of: number;
  animals: JotAnimals;
}

/** What keepers call them besides the words of their names. */
const ALSO: Readonly<Record<string, string>> = {
  angelfish: 'angel|angels|scalare|scalares',
  babaulti: 'shrimp|shrimps|babaultis',
  shrimp: 'shrimp|shrimps|amanos',
  kribensis: 'krib|kribs',
  nothobranch: 'notho|nothos|nothobranchius',
  'fighting fish': 'fighter|fighters|betta|bettas|fighting fish',
  'paradise fish': 'paradise|paradises|paras|macropodus',
  'white cloud': 'clouds|white clouds|white cloud|minnows',
  rainbowfish: 'rainbow|rainbows|bows|rainbowfish',
  'blue-eye': 'blue-eyes|blue eye|blue eyes|blueeyes|blueeye|forktails|forktail',
  goldfish: 'ranchu|ranchus|goldfish',
  mouthbrooder: 'mouthbrooders|mouth brooders|mouthbrooder',
  crayfish: 'cray|crays|crayfish|crayfishes',
  yabby: 'yabbies|yabby',
  cichlid: 'nannacara|nannacaras',
  telmatochromis: 'telmat|telmats|telmatochromis',
  shell: 'shellies|shelldwellers|shell dwellers',
  whiptail: 'whips|whiptails',
  aspidoras: 'aspis|aspidoras',
};
/** Parts of names that say nothing alone: they are of many, or mean something else in a line. */
const NO_NAME = new Set(
  'white|red|green|blue|black|golden|gold|yellow|dwarf|fish|giant|small|large|common|cloud|zebra|lemon|shell|butterfly|fork|eye|water|found|the|and|egyptian|river'.split(
    '|',
  ),
);

const plurals = (word: string): string[] => {
  const forms = [word, `${word}s`];
  if (/[^aeiou]y$/.test(word)) forms.push(`${word.slice(0, -1)}ies`);
  if (/(s|x|ch|sh)$/.test(word)) forms.push(`${word}es`);
  if (word.endsWith('s')) forms.push(word.slice(0, -1));
  return forms;
};

/** Every way a group can be called, in lower case. */
function callsOf({ name, species }: JotAnimals): string[] {
  const low = species.toLowerCase().replace(/["'’]/g, '');
  const words = low.split(/\s+/).filter(Boolean);
  const calls = new Set<string>();
  const add = (call: string) => plurals(call).forEach((one) => calls.add(one));
  add(low);
  for (const word of words) if (word.length >= 4 && !NO_NAME.has(word)) add(word);
  const [first = '', ...rest] = words;
  if (rest.length > 0 && first.length >= 4 && !['white', 'red', 'green', 'golden', 'dwarf', 'shell'].includes(first)) add(first);
  for (const [part, also] of Object.entries(ALSO)) if (low.includes(part)) also.split('|').forEach((one) => calls.add(one));
  const own = name.toLowerCase();
  // A group called "fry" or "eggs" is no name: the word means what it means everywhere.
  if (!LEXICON.has(own)) calls.add(own);
  return [...calls].filter((call) => call.length >= 3);
}

/** The names of a house's animals, and whom each may mean. */
export interface Names {
  /** By a name in lower case. */
  called: ReadonlyMap<string, readonly Housed[]>;
  longest: number;
  /** Every single word a line can hold, with a mark of what it means, so that a slip in one can be told. */
  vocabulary: ReadonlyMap<string, string>;
}

/** Every name of the animals of some tanks. */
export function namesOf(tanks: readonly JotTankTold[]): Names {
  const called = new Map<string, Housed[]>();
  for (const { code, groups } of tanks)
    if (typeof groups !== 'number')
      groups.forEach((animals, of) => {
        // Two of one name in a tank are told apart by how many they are.
        const isTwin = groups.some(({ name }, other) => other !== of && name === animals.name);
        for (const call of [...callsOf(animals), ...(isTwin ? [`${animals.name.toLowerCase()} ${animals.heads}`] : [])])
          called.set(call, [...(called.get(call) ?? []), { tank: code, of, animals }]);
      });
  const longest = Math.max(0, ...[...called.keys()].map((call) => call.split(' ').length));
  return { called, longest, vocabulary: vocabularyOf(called) };
}

/** Words that stand for themselves, each with a mark of what it means. */
function vocabularyOf(called: ReadonlyMap<string, readonly Housed[]>): Map<string, string> {
  const found = new Map<string, string>();
  for (const [call, groups] of called)
    if (!call.includes(' '))
      found.set(call, `animals ${[...new Set(groups.map(({ animals }) => animals.species))].sort().join()}`);
  for (const [word, meaning] of LEXICON) if (!word.includes(' ') && !found.has(word)) found.set(word, JSON.stringify(meaning));
  for (const word of TIME_WORDS) found.set(word, `time ${word}`);
  return found;
}
