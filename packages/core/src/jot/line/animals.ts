import type { LossCause } from '../../stock';
import { wholeOf, type Clause, type Draft } from './clause';
import type { Item } from './said';
import { fail } from '../jotTypes';
import type { AnimalVerb } from '../words/lexicon';
import type { Housed } from '../words/names';

/** What was gathered of one phrase about animals. */
interface Gathered {
  verb: AnimalVerb | null;
  cause: LossCause | null;
  one: boolean;
  /** Named in the singular: "danio jumped" is one. */
  isSingular: boolean;
  number: Extract<Item, { is: 'number' }> | null;
  isAll: boolean;
  isVague: boolean;
  sex: 'males' | 'females' | null;
  age: 'young' | 'adults' | null;
  named: readonly Housed[] | null;
  dest: string | null;
  from: string | null;
  outlet: string | null;
  money: { cents: number; each: boolean } | null;
  places: number[];
}
/** How verbs that stand in one phrase are told apart: the stronger one says what it is about. */
const STRENGTH: Record<AnimalVerb, number> = {
  eggs: 0,
  left: 1,
  white: 2,
  carrying: 2,
  dropped: 3,
  count: 3,
  birth: 3,
  released: 3,
  hatched: 3,
  freeSwimming: 4,
  loss: 5,
  move: 5,
  sale: 6,
};
const isQuiet = (item: Item | undefined) => item !== undefined && (item.is === 'filler' || item.is === 'about');

/** Whether the number at a place belongs to a verb behind it that would have none else: "eggs 18 white", not "hatched 80 lost 2". */
function belongsBehind(clause: Clause, k: number, own: AnimalVerb | null): boolean {
  const next = clause.beside(k, 1, 'animal');
  if (next === null || own === null) return false;
  const verb = (clause.items[next] as { verb: AnimalVerb }).verb;
  if (verb === own || (own === 'eggs' && verb === 'white')) return false;
  if (verb === 'loss' || own === 'eggs' || verb === 'white' || verb === 'left' || verb === 'count')
    return (
      clause.beside(next, 1, 'number') === null && !(own === 'white' && verb === 'eggs') && !(own === 'eggs' && verb === 'eggs')
    );
  return false;
}

/** Whether a number that stands first is of something else: it is no number of animals, or the verb behind it has one of its own. */
function belongsElsewhere(clause: Clause, k: number, item: Extract<Item, { is: 'number' }>): boolean {
  if (item.isDecimal && !item.isThousand) return true;
  const verb = clause.beside(k, 1, 'animal');
  if (verb === null) return false;
  const own = clause.beside(verb, 1, 'number');
  // "2 berried 1 saddled": the number behind is of what follows it.
  return own !== null && clause.beside(own, 1, 'animal', 'sign', 'names', 'sex', 'age', 'unknown', 'thing', 'food') === null;
}

/** One phrase about animals from a place on; null where there is none, or where a strange word stands in it. */
function gather(clause: Clause, start: number): Gathered | null {
  const found: Gathered = {
    ...{
      verb: null,
      cause: null,
      one: false,
      isSingular: false,
      number: null,
      isAll: false,
      isVague: false,
      sex: null,
      age: null,
      named: null,
    },
    ...{ dest: null, from: null, outlet: null, money: null, places: [] },
  };
  for (let k = start; k < clause.items.length; k++) {
    const item = clause.items[k] as Item;
    if (clause.used[k] || item.is === 'time') continue;
    if (item.is === 'filler' || item.is === 'about') {
      // "a dead female", "a jumper".
      const next = clause.items[k + 1];
      if (
        /^(a|an|another)$/.test(item.low) &&
        !found.number &&
        (next?.is === 'sex' || next?.is === 'names' || next?.is === 'animal')
      )
        found.one = true;
      continue;
    }
    if (item.is === 'number') {
      if (found.number || belongsBehind(clause, k, found.verb)) break;
      if (found.verb === null && belongsElsewhere(clause, k, item)) return null;
      found.number = item;
    } else if (item.is === 'animal') {
      if (found.verb) {
        const merged = merge(found.verb, item.verb, found.number !== null, clause.beside(k, 1, 'number') !== null);
        if (!merged) break;
        found.verb = merged;
        found.cause ??= item.cause ?? null;
      } else
        [found.verb, found.cause, found.one] = [item.verb, found.cause ?? item.cause ?? null, found.one || (item.one ?? false)];
    } else if (item.is === 'cause') {
      if (found.verb !== 'loss' && !(found.verb === null && found.number)) break;
      found.cause = item.cause;
    } else if (item.is === 'tankEvent' && item.low === 'drained' && (found.number || found.verb === 'loss')) {
      [found.verb, found.cause] = ['loss', 'drained'];
    } else if (item.is === 'sex') {
      if (found.sex) break;
      found.sex = item.sex;
      if (item.isOne) found.isSingular = true;
    } else if (item.is === 'age') {
      found.age = item.age;
    } else if (item.is === 'names') {
      if (found.named && found.verb && (found.number ?? found.isAll)) break;
      // Four pairs are eight animals, and nobody says which.
      if (found.number && /^(pairs?|trios?|colony|group)$/.test(item.called)) return null;
      if (isOne(item.called)) found.isSingular = true;
      found.named = item.groups;
    } else if (item.is === 'all') found.isAll = true;
    else if (item.is === 'vague') found.isVague = true;
    else if (item.is === 'dest')
      [found.dest, found.verb] = [item.code, found.verb === null || STRENGTH[found.verb] < 5 ? 'move' : found.verb];
    else if (item.is === 'outlet' && (found.verb === 'sale' || found.verb === null)) found.outlet = item.name;
    else if (item.is === 'money') found.money = { cents: item.cents, each: item.each };
    else if (
      item.is === 'to' &&
      (found.verb === 'sale' || clause.items[k + 1]?.is === 'dest' || clause.items[k + 1]?.is === 'outlet')
    ) {
      found.places.push(k);
      continue;
    } else if (item.is === 'unknown' || item.is === 'thing') {
      // "the shop", "the club": to whom is no part of it. A strange thing behind a number is what the number is of.
      if (found.verb === 'sale' && found.number) {
        const to = clause.items.slice(0, k).some(({ is }) => is === 'to');
        if (to) {
          found.places.push(k);
          continue;
        }
      }
      const before = clause.items.slice(start, k).findLast((one) => !isQuiet(one));
      const isWhole = found.verb !== null && (found.number !== null || found.isAll);
      // "200 on the slate", "9 from the mop" say where; "2 snails" says what.
      // "2 with white spots" are not two white eggs.
      const isPlace =
        /^(on|in|under|behind|beside|inside|onto|from|off)\b/.test(clause.items[k - 1]?.low ?? '') ||
        /^(on|in|under|behind|beside|inside|onto|from|off)$/.test(clause.items[k - 2]?.low ?? '');
      const isAdjective = (found.verb === 'white' || found.verb === 'eggs') && before?.is === 'animal';
      if (!isWhole || ((item.is === 'thing' || isAdjective || before?.is === 'number') && !isPlace)) return null;
      break;
    } else break;
    found.places.push(k);
  }
  // A strange word right before what is said without a number may turn it round.
  const before = clause.items.slice(0, start).findLast((one) => !isQuiet(one));
  if (
    before?.is === 'unknown' &&
    (found.verb === 'eggs' || found.verb === 'count' || found.verb === 'left' || (found.number === null && !found.isAll))
  )
    return null;
  return found.places.length > 0 ? found : null;
}

/** Two verbs of one phrase as one; null where they are two phrases. */
function merge(one: AnimalVerb, other: AnimalVerb, hasNumber: boolean, hasNext: boolean): AnimalVerb | null {
  if (hasNumber && hasNext) return null;
  const pair = new Set([one, other]);
  if (pair.size === 1) return one;
  if (pair.has('eggs')) return STRENGTH[one] > STRENGTH[other] ? one : other;
  if (pair.has('carrying') && (pair.has('loss') || pair.has('move'))) return pair.has('loss') ? 'loss' : 'move';
  if (pair.has('white') && pair.has('loss')) return 'white';
  if (pair.has('count') && pair.has('left')) return 'count';
  if (pair.has('hatched') && pair.has('freeSwimming')) return 'freeSwimming';
  if (pair.has('dropped') && pair.has('birth')) return 'birth';
  return null;
}

/** Whether a name is said of one animal: "tetra", not "tetras", nor "shrimp", which may be many. */
const isOne = (low: string): boolean => !/(s|fish|shrimp|babaulti|cray|pair|trio|group|colony|\d)$/.test(low);

const CRUSTACEAN = /shrimp|babaulti|crayfish|yabby|scud|caridina/i;

function toDraft(clause: Clause, found: Gathered): Draft | null {
  const { number, isAll, sex, age, named, dest, from } = found;
  const { verb } = found;
  if (verb === null) return null;
  const count = number ? wholeOf(number) : found.one ? 1 : null;
  const at = clause.spanOf(...found.places);
  const group = { ...(sex ? { sex } : {}) };
  const rest: Pick<Draft, 'named' | 'age' | 'from'> = {
    ...(named ? { named } : {}),
    ...(age ? { age } : {}),
    ...(from ? { from } : {}),
  };
  // Without a number only what is said plainly counts: "eggs look fine" is no clutch.
  const plainly: Item['is'][] = ['animal', 'names', 'age', 'sex', 'number'];
  if (verb !== 'eggs') plainly.push('all', 'vague', 'share', 'culture');
  const isPlain = clause.items.every(
    (item) => plainly.includes(item.is) || item.is === 'filler' || item.is === 'about' || item.is === 'time',
  );
  const some = (): number | null => {
    if (count === 0 && number) fail('outOfRange', number, 'At least one.');
    return count;
  };
  switch (verb) {
    case 'loss': {
      const lost = some() ?? (found.isSingular && !found.isVague ? 1 : null);
      return lost === null ? null : { phrase: { kind: 'loss', count: lost, cause: found.cause, ...group }, at, ...rest };
    }
    case 'count':
    case 'left':
      return count === null ? null : { phrase: { kind: 'count', count, ...group }, at, ...rest };
    case 'sale': {
      const sold = some();
      if (sold === null) return null;
      const price = found.money ? (found.money.each ? { centsEach: found.money.cents } : { cents: found.money.cents }) : {};
      return {
        phrase: { kind: 'sale', count: sold, ...(found.outlet ? { outlet: found.outlet } : {}), ...price, ...group },
        at,
        ...rest,
      };
    }
    case 'move': {
      if (!dest || (count === null && !isAll && !named && !sex && !age)) return null;
      return {
        phrase: { kind: 'move', count: isAll ? null : (some() ?? (found.isSingular ? 1 : null)), toTank: dest, ...group },
        at,
        ...rest,
      };
    }
    case 'eggs':
      if (count === null && !isPlain) return null;
      return { phrase: { kind: 'eggs', count: some(), white: null }, at, ...rest };
    case 'white':
      return count === null ? null : { phrase: { kind: 'white', count }, at, ...rest };
    case 'hatched':
    case 'freeSwimming':
    case 'released':
      if (count === null && !isPlain) return null;
      return { phrase: { kind: 'stage', stage: verb, count }, at, ...rest };
    case 'dropped':
      if (count === null && !isPlain) return null;
      if (named?.some(({ animals }) => CRUSTACEAN.test(animals.species)))
        return { phrase: { kind: 'stage', stage: 'released', count }, at, ...rest };
      return { phrase: { kind: 'birth', count }, at, ...rest };
    case 'birth':
      if (count === null && !isPlain) return null;
      return { phrase: { kind: 'birth', count }, at, ...rest };
    case 'carrying':
      if (count === null && !isPlain) return null;
      return { phrase: { kind: 'carrying', count }, at, ...rest };
  }
}

const BEGINS = new Set<Item['is']>(['number', 'names', 'sex', 'age', 'animal', 'all', 'to', 'dest', 'outlet', 'vague']);

/** "1m 1f dead", "lost 2 males and 1 female": a number of some animals without a verb has that of its neighbour. */
function lendVerbs(all: Gathered[]): void {
  const lend = (to: Gathered | undefined, from: Gathered | undefined) => {
    if (!to || !from || to.verb !== null || from.verb === null || !(from.sex ?? from.named)) return;
    if (to.number && (to.sex ?? to.named) && ['loss', 'sale', 'move', 'count'].includes(from.verb))
      Object.assign(to, { verb: from.verb, cause: to.cause ?? from.cause, dest: to.dest ?? from.dest });
  };
  all.forEach((one, i) => lend(one, all[i - 1]));
  for (let i = all.length - 1; i >= 0; i--) lend(all[i], all[i + 1]);
}

/** Everything a clause says of animals and eggs: lost, counted, sold, moved, laid, white, hatched, swimming, born, carrying. */
export function animalDrafts(clause: Clause): Draft[] {
  const all: Gathered[] = [];
  const held = new Set<number>();
  for (let k = 0; k < clause.items.length; k++) {
    const item = clause.items[k] as Item;
    if (clause.used[k] || held.has(k) || !(BEGINS.has(item.is) || (item.is === 'filler' && /^(a|an|another)$/.test(item.low))))
      continue;
    if (item.is === 'filler' && !['sex', 'names', 'animal', 'age'].includes(clause.items[k + 1]?.is ?? '')) continue;
    const found = gather(clause, k);
    if (!found) continue;
    all.push(found);
    for (const place of found.places) held.add(place);
  }
  lendVerbs(all);
  return all.flatMap((found) => {
    const draft = toDraft(clause, found);
    if (draft) clause.take(...found.places);
    return draft ?? [];
  });
}
