import type { Draft } from './clause';
import type { Item } from './said';
import { fail, JotQuestion, type JotAnimals, type JotPhrase, type JotReader, type JotTankTold, type Span } from '../jotTypes';
import type { Housed } from '../words/names';

type Stage = JotAnimals['stage'];
const YOUNG: readonly Stage[] = ['eggs', 'yolk', 'fry', 'growing'];
/** In which stages what is said can be, the likeliest first; those that do not say it by themselves are left out. */
const STAGES: Partial<Record<JotPhrase['kind'] | 'hatched' | 'freeSwimming' | 'released', readonly (readonly Stage[])[]>> = {
  white: [['eggs']],
  hatched: [['eggs'], ['yolk']],
  freeSwimming: [['yolk'], ['eggs'], ['fry']],
  released: [['eggs', 'yolk'], ['adult']],
  birth: [['adult']],
  carrying: [['adult'], ['growing']],
  eggs: [['adult']],
  condition: [['adult'], ['growing']],
  lengths: [['fry', 'growing'], ['adult']],
};
/** What is about animals that are booked there. */
const BOOKED: readonly JotPhrase['kind'][] = ['loss', 'count', 'sale', 'move'];
/** What is about one group where there are several. */
const OF_ONE: readonly JotPhrase['kind'][] = [
  ...BOOKED,
  'white',
  'stage',
  'sexed',
  'lengths',
  'condition',
  'birth',
  'carrying',
  'eggs',
];

/** What says by itself how old the animals are: "gave birth, 12 fry". */
const OWN_AGE: readonly JotPhrase['kind'][] = ['eggs', 'white', 'stage', 'birth', 'carrying'];

/** What tells a group from the others that may be meant: its name, with how many they are where two have one. */
const wordsOf = ({ name, heads }: JotAnimals, others: readonly JotAnimals[]): string =>
  others.filter((one) => one.name === name).length > 1 ? `${name} ${heads}` : name;
const stageKey = (phrase: JotPhrase) => (phrase.kind === 'stage' ? phrase.stage : phrase.kind);

/** A count may find more than are booked, but not so many more. */
const COUNT_OVER = { times: 1.5, more: 5 };

/** Groups of a tank that can be meant, the narrowest choice that leaves any. */
function candidates(
  { phrase, named, age }: { phrase: JotPhrase; named: readonly Housed[] | null; age: 'young' | 'adults' | null },
  tank: JotTankTold,
  groups: readonly JotAnimals[],
) {
  let left = groups.map((animals, of) => ({ animals, of }));
  const narrow = (fits: (one: { animals: JotAnimals; of: number }) => boolean) => {
    const some = left.filter(fits);
    if (some.length > 0) left = some;
    return some.length > 0;
  };
  if (named) left = left.filter(({ of }) => named.some((one) => one.tank === tank.code && one.of === of));
  if (age && !OWN_AGE.includes(phrase.kind))
    left = left.filter(({ animals }) => YOUNG.includes(animals.stage) === (age === 'young'));
  const sex = 'sex' in phrase ? phrase.sex : undefined;
  if (sex) narrow(({ animals }) => (animals[sex] ?? 0) > 0);
  for (const stages of STAGES[stageKey(phrase)] ?? []) if (narrow(({ animals }) => stages.includes(animals.stage))) break;
  if (phrase.kind === 'loss' && (phrase.cause === 'fungus' || phrase.cause === 'kickedOut'))
    narrow(({ animals }) => animals.stage === 'eggs');
  if ('count' in phrase && phrase.count !== null && ['loss', 'sale', 'move', 'white', 'carrying'].includes(phrase.kind)) {
    const { count } = phrase;
    narrow(({ animals }) => (sex ? (animals[sex] ?? animals.heads) : animals.heads) >= count);
  }
  // A pair is not counted as ninety.
  if (phrase.kind === 'count') narrow(({ animals }) => phrase.count <= animals.heads * COUNT_OVER.times + COUNT_OVER.more);
  if (phrase.kind === 'sexed') narrow(({ animals }) => animals.heads === phrase.males + phrase.females);
  return left;
}

/**
 * Which group of a tank a phrase is about; nothing where it is about the tank, or where there is only one and nobody asked.
 * @throws {JotQuestion} where several may be meant @throws {JotProblem} where there are none, or too few
 */
export function chooseGroup(
  line: string,
  said: { phrase: JotPhrase; at: Span; named: readonly Housed[] | null; age: 'young' | 'adults' | null },
  tank: JotTankTold,
): { group?: string; of?: number } {
  const { phrase, at, named, age } = said;
  const isBooked = BOOKED.includes(phrase.kind);
  if (!OF_ONE.includes(phrase.kind)) return {};
  if (typeof tank.groups === 'number') {
    const isSaid = age !== null || ('sex' in phrase && phrase.sex !== undefined);
    if (isBooked && tank.groups > 1 && !isSaid) fail('ambiguous', at, `${tank.code} holds ${tank.groups} groups. Which one?`);
    if (isBooked && tank.groups === 0) fail('outOfRange', at, `There are no animals in ${tank.code}.`);
    return age ? { group: age } : {};
  }
  const groups = tank.groups;
  if (groups.length === 0) {
    if (isBooked) fail('outOfRange', at, `There are no animals in ${tank.code}.`);
    return {};
  }
  const left = candidates(said, tank, groups);
  const [one, other] = left;
  if (!one) {
    const who = named?.[0]?.animals.species.toLowerCase() ?? (age === 'young' ? 'young' : 'adults');
    return fail('outOfRange', at, `There are no ${who} in ${tank.code}.`);
  }
  if (
    other &&
    (isBooked || phrase.kind === 'sexed' || phrase.kind === 'lengths' || phrase.kind === 'condition' || phrase.kind === 'white')
  )
    throw new JotQuestion(
      at,
      'Which ones?',
      left.map(({ animals }) => {
        const label = wordsOf(animals, groups);
        return { label, line: `${line.slice(0, at.to)} ${label}${line.slice(at.to)}` };
      }),
    );
  if (other) return {};
  const { animals, of } = one;
  if (isBooked && phrase.kind !== 'count' && 'count' in phrase && phrase.count !== null) {
    const sex = 'sex' in phrase ? phrase.sex : undefined;
    const there = sex && animals[sex] !== null ? (animals[sex] ?? animals.heads) : animals.heads;
    if (phrase.count > there) fail('outOfRange', at, `Only ${there}${sex ? ` ${sex}` : ''} are there.`);
  }
  return named || (age && !OWN_AGE.includes(phrase.kind)) || groups.length > 1 ? { group: animals.name, of } : { of };
}

/** The tank of the animals a line names when it names no tank; null when it names none. @throws {JotQuestion} where they live in several */
export function tankOfAnimals(line: string, drafts: readonly Draft[], items: readonly Item[], context: JotReader): string | null {
  const draft = drafts.find(({ named }) => named);
  const item = items.find(({ is }) => is === 'names');
  const named = draft?.named ?? (item?.is === 'names' ? item.groups : null);
  if (!named) return null;
  const perTank = (tank: JotTankTold) => named.filter((one) => one.tank === tank.code);
  let tanks = context.tanks.filter((tank) => perTank(tank).length > 0);
  if (draft && tanks.length > 1) {
    const { phrase, age } = draft;
    const fits = tanks.filter((tank) => {
      if (typeof tank.groups === 'number') return false;
      const left = candidates({ phrase, named, age: age ?? null }, tank, tank.groups);
      const stages = STAGES[stageKey(phrase)]?.[0];
      return left.some(
        ({ animals }) =>
          (!stages || stages.includes(animals.stage)) &&
          (!('count' in phrase) ||
            phrase.count === null ||
            phrase.kind === 'count' ||
            !BOOKED.includes(phrase.kind) ||
            animals.heads >= phrase.count),
      );
    });
    if (fits.length > 0) tanks = fits;
    if (phrase.kind === 'move') tanks = tanks.filter(({ code }) => code !== phrase.toTank);
  }
  const [tank, other] = tanks;
  if (tank && !other) return tank.code;
  if (!tank) return null;
  const at = item ?? draft?.at ?? { from: 0, to: line.length };
  throw new JotQuestion(
    at,
    'Which tank?',
    tanks.map(({ code }) => ({ label: code, line: `${code} ${line}` })),
  );
}
