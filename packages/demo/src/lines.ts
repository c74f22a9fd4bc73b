import type { ConditionSign } from '@freshet/core/species';

/** An ancestor that never lived here, or one animal that does; parents by key. */
export interface Animal {
  key: string;
  name: string;
  species: string;
  line: string;
  generation: string;
  sire?: string;
  dam?: string;
}
interface Tagged extends Animal {
  sex: 'males' | 'females' | 'unsexed';
  tank: string;
  daysAgo: number;
  bornDaysAgo: number;
  from: string | null;
  marks: string;
  grade?: string;
}

export const ANGEL = 'angelfish';
const BETTA = 'fighting-fish';
export const LIMIA = 'humpback-limia';

/** Brother and sister, generation after generation: what the seller's book said of a line. */
function brotherSister(prefix: string, name: string, species: string, line: string, generations: number): Animal[] {
  return Array.from({ length: generations + 1 }, (_, i) =>
    (['m', 'f'] as const).map((sex): Animal => ({
      key: `${prefix}${i}${sex}`,
      name: `${name} ${sex === 'm' ? 'male' : 'female'} ${i}`,
      species,
      line,
      generation: i === 0 ? 'wild' : `F${i}`,
      ...(i > 0 ? { sire: `${prefix}${i - 1}m`, dam: `${prefix}${i - 1}f` } : {}),
    })),
  ).flat();
}

export const ANCESTORS: readonly Animal[] = [
  ...brotherSister('quay', 'Quay', ANGEL, 'Quay', 1),
  ...brotherSister('tern', 'Tern', BETTA, 'Tern', 2),
  ...brotherSister('marrow', 'Marrow', LIMIA, 'Marrow', 3),
];

/** Parents of lots that are in the stock already. */
export const NOTED: readonly [lot: string, sire: string, dam: string][] = [
  ['angel', 'quay1m', 'quay1f'],
  ['betta', 'tern2m', 'tern2f'],
  ['bettaF', 'tern2m', 'tern2f'],
  ['limia', 'marrow3m', 'marrow3f'],
];

const angel = (
  key: string,
  name: string,
  sex: Tagged['sex'],
  tank: string,
  daysAgo: number,
  line: string,
  generation: string,
  parents: [string, string] | null,
  marks: string,
  grade?: string,
): Tagged => ({
  key,
  name,
  species: ANGEL,
  sex,
  tank,
  daysAgo,
  bornDaysAgo: daysAgo + 120,
  line,
  generation,
  from: parents ? null : 'The Glass Heron',
  marks,
  ...(parents ? { sire: parents[0], dam: parents[1] } : {}),
  ...(grade ? { grade } : {}),
});

export const TAGGED: readonly Tagged[] = [
  angel('torn', 'Torn fin', 'males', 'A3.1', 340, 'Quay', 'F2', ['quay1m', 'quay1f'], 'Notch in the dorsal fin', 'A'),
  angel('blue', 'Blue bar', 'females', 'A3.1', 340, 'Quay', 'F2', ['quay1m', 'quay1f'], 'Second bar has a blue edge', 'A'),
  angel('grey', 'Grey heron', 'males', 'A3.3', 300, 'Heron', 'F1', null, 'Broad third bar', 'B'),
  angel('lantern', 'Lantern', 'males', 'A3.3', 165, 'Quay', 'F3', ['torn', 'blue'], 'Gold patch on the nape', 'A'),
  angel(
    'halfmoon',
    'Half moon',
    'females',
    'A3.3',
    165,
    'Quay × Heron',
    'F3',
    ['grey', 'blue'],
    'White half moon under the eye',
    'A',
  ),
  angel('copper', 'Copper', 'unsexed', 'A3.3', 120, 'Quay', 'F3', ['torn', 'blue'], 'All gold, one dark scale on the left'),
];

/** The stranger that rescued a line, and his daughters and sons. */
export const RESCUE = {
  newcomer: { key: 'sorrel', daysAgo: 262, heads: { males: 1, females: 0, unsexed: 0 } },
  young: { key: 'marrowNew', daysAgo: 118, heads: { males: 2, females: 6, unsexed: 0 } },
} as const;

/** Condition by week: score, and length where it was measured. */
export const SCORES: readonly [
  lot: string,
  daysAgo: number,
  score: number,
  mm: number | null,
  g: number | null,
  signs: ConditionSign[],
][] = [
  ['torn', 15, 3, 96, null, ['appetite']],
  ['torn', 8, 4, null, null, ['appetite', 'colour', 'display']],
  ['torn', 1, 5, 97, 31, ['appetite', 'colour', 'display', 'tubes']],
  ['blue', 15, 3, 91, null, ['appetite']],
  ['blue', 8, 3, null, null, ['girth', 'appetite']],
  ['blue', 1, 4, 92, 29, ['girth', 'appetite', 'tubes']],
  ['grey', 8, 4, 102, null, ['appetite', 'display']],
  ['grey', 1, 4, null, null, ['appetite', 'display', 'colour']],
  ['lantern', 1, 4, 88, 22, ['appetite', 'colour']],
  ['halfmoon', 1, 4, 90, 25, ['girth', 'appetite']],
  ['angelB', 1, 4, 95, null, ['girth', 'tubes', 'appetite']],
  ['krib', 13, 2, 62, null, ['appetite']],
  ['krib', 6, 3, null, null, ['appetite', 'colour']],
  ['aspidoras', 9, 4, 31, null, ['appetite', 'display']],
  ['aspidorasF', 9, 5, 35, null, ['girth', 'soft', 'appetite']],
  ['lemonM', 2, 4, 38, null, ['colour', 'display']],
  ['lemonF', 9, 3, 36, null, ['appetite']],
  ['lemonF', 2, 4, 37, null, ['girth', 'soft']],
  ['sorrel', 3, 4, 41, null, ['colour', 'appetite']],
  ['marrowNew', 3, 4, 36, null, ['girth', 'appetite']],
  ['golden', 5, 4, 55, null, ['colour', 'display']],
  ['betta', 3, 3, 48, null, ['appetite']],
];

type Look = 'seen' | 'notSeen' | 'cannotTell';
/** Looks for the marks of sex; the tube shows only near spawning. */
export const LOOKED: readonly [lot: string, daysAgo: number, mm: number, looks: Record<string, Look>][] = [
  ['torn', 240, 84, { pointedTube: 'cannotTell', bluntTube: 'cannotTell', foreheadHump: 'seen' }],
  ['torn', 120, 92, { pointedTube: 'seen', bluntTube: 'notSeen', foreheadHump: 'seen' }],
  ['blue', 120, 88, { pointedTube: 'notSeen', bluntTube: 'seen', foreheadHump: 'notSeen' }],
  ['grey', 200, 96, { pointedTube: 'seen', bluntTube: 'notSeen', foreheadHump: 'notSeen' }],
  ['lantern', 12, 88, { pointedTube: 'seen', bluntTube: 'notSeen', foreheadHump: 'notSeen' }],
  ['halfmoon', 12, 90, { pointedTube: 'notSeen', bluntTube: 'seen', foreheadHump: 'notSeen' }],
  ['copper', 5, 82, { foreheadHump: 'notSeen', pointedTube: 'cannotTell' }],
];

export const GENOTYPES: readonly [lot: string, genotype: string][] = [
  ['torn', 'G/g'],
  ['blue', 'G/g'],
  ['grey', 'G/G'],
  ['lantern', 'G/g'],
  ['copper', 'g/g'],
];

export const GRADED: readonly [name: string, colour: number, pattern: number][] = [
  ['1', 4, 3],
  ['2', 5, 4],
  ['3', 3, 5],
  ['4', 2, 2],
  ['5', 5, 5],
  ['6', 3, 3],
  ['7', 4, 5],
  ['8', 1, 3],
  ['9', 4, 2],
  ['10', 3, 1],
  ['11', 2, 4],
  ['12', 5, 2],
];
