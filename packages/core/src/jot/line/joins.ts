import type { Draft } from './clause';
import type { Item } from './said';
import { fail, type JotReader } from '../jotTypes';

/** Marks the tanks that animals go to: behind "to" or an arrow, where something before says what goes. */
export function markDestinations(items: Item[]): Item[] {
  const found: Item[] = [];
  const clauseOf = (k: number) => {
    let start = k;
    while (start > 0 && !items[start - 1]?.breaks) start--;
    return items.slice(start, k);
  };
  items.forEach((item, k) => {
    if (item.is !== 'tank' || item.codes.length !== 1) {
      found.push(item);
      return;
    }
    const before = clauseOf(k);
    const last = before.at(-1);
    const [code = ''] = item.codes;
    const goes = before.some(({ is }) => ['number', 'names', 'all', 'age', 'share', 'vague'].includes(is));
    const isMove = before.some((one) => one.is === 'animal' && one.verb === 'move');
    const isArrow = last?.is === 'to' && !/^[a-z]/.test(last.low);
    const hasTank = items.slice(0, k).some(({ is }) => is === 'tank');
    const behindTo = (last?.is === 'to' && (isMove || isArrow || goes)) || (isMove && goes && last?.low === 'in');
    // "moved 5 B1" leaves out the "to".
    const hasDest = found.slice(-before.length || undefined).some(({ is }) => is === 'dest');
    const bare =
      isMove &&
      hasTank &&
      !hasDest &&
      before.length > 0 &&
      last?.is !== 'filler' &&
      before.some(({ is }) => is === 'number' || is === 'all');
    const follows = items[k + 1];
    const isSource = follows?.is === 'to' && items[k + 2]?.is === 'tank';
    if ((behindTo || bare) && !isSource) found.push({ ...item, is: 'dest', code });
    else found.push(item);
  });
  return found;
}

/** "A1.1 to A1.3" is a span of tanks where nothing goes from one to the other. */
export function joinSpans(items: Item[], context: JotReader): Item[] {
  const order = context.tanks.map(({ code }) => code).sort(new Intl.Collator('en', { numeric: true }).compare);
  const found: Item[] = [];
  for (let k = 0; k < items.length; k++) {
    const [first, to, last] = [items[k], items[k + 1], items[k + 2]] as [Item, Item | undefined, Item | undefined];
    if (
      first.is === 'tank' &&
      to?.is === 'to' &&
      to.low === 'to' &&
      last?.is === 'tank' &&
      first.codes.length === 1 &&
      last.codes.length === 1
    ) {
      const [a, b] = [order.indexOf(first.codes[0] ?? ''), order.indexOf(last.codes[0] ?? '')].sort((p, q) => p - q) as [
        number,
        number,
      ];
      found.push({ ...first, codes: order.slice(a, b + 1), to: last.to, breaks: last.breaks });
      k += 2;
    } else found.push(first);
  }
  return found;
}

/**
 * Numbers that stand behind a comma and belong before it: "hatched, about 30", "limia jumped, 1", "12, 13, 14 mm".
 */
export function joinNumbers(clauses: readonly Item[][]): Item[][] {
  const joined: Item[][] = [];
  const isCount = (own: readonly Item[]) =>
    own.filter(({ is }) => is === 'number').length === 1 &&
    own.every(
      (item) => (item.is === 'number' && !item.isDecimal) || ['filler', 'about', 'age', 'names', 'sex'].includes(item.is),
    );
  const isMeasures = (own: readonly Item[]) =>
    own.some(({ is }) => is === 'number' || is === 'mm') && own.every(({ is }) => ['number', 'mm', 'filler'].includes(is));
  clauses.forEach((own, k) => {
    const last = joined.at(-1);
    const waits =
      last?.some((item) => (item.is === 'animal' && item.verb !== 'move') || item.is === 'sexed') &&
      !last.some(({ is }) => is === 'number' || is === 'hedge') &&
      isCount(own);
    const isSexes =
      last !== undefined &&
      own.some(({ is }) => is === 'sex') &&
      isCount(own) &&
      last.filter(({ is }) => is === 'sex').length === 1 &&
      last.every(({ is }) => ['number', 'sex', 'sexed', 'filler', 'names'].includes(is));
    const isRun =
      isMeasures(own) &&
      last !== undefined &&
      (last.some(({ is }) => is === 'lengths' || is === 'mm') ||
        (isMeasures(last) && clauses.slice(k).some((one) => one.some(({ is }) => is === 'mm'))));
    if (last && (waits || isRun || isSexes)) last.push(...own);
    else joined.push([...own]);
  });
  return joined;
}

/** "eggs 120, 18 white" is one clutch with its white eggs. */
export function joinWhites(own: Draft[], before: readonly Draft[]): void {
  const eggs = [...before, ...own].find(({ phrase }) => phrase.kind === 'eggs');
  const i = own.findIndex(({ phrase }) => phrase.kind === 'white');
  const white = own[i];
  if (eggs?.phrase.kind !== 'eggs' || white?.phrase.kind !== 'white' || eggs.phrase.count === null || eggs.phrase.white !== null)
    return;
  if (white.phrase.count > eggs.phrase.count)
    fail('outOfRange', white.at, `${white.phrase.count} white of ${eggs.phrase.count} eggs can't be.`);
  eggs.phrase = { ...eggs.phrase, white: white.phrase.count };
  own.splice(i, 1);
}

/** The same thing twice for one tank: which is meant cannot be known. */
export function refuseTwice(drafts: readonly Draft[]): void {
  const seen = new Set<string>();
  for (const { phrase, at, named } of drafts) {
    const who = named?.map(({ animals }) => animals.species).join() ?? '';
    const key = phrase.kind === 'reading' ? phrase.what : phrase.kind === 'stage' ? phrase.stage : `${phrase.kind} ${who}`;
    const single = phrase.kind === 'reading' || ['change', 'eggs', 'stage', 'condition'].includes(phrase.kind);
    if (single && seen.has(key)) fail('ambiguous', at, 'This is said twice. Which one?');
    seen.add(key);
  }
}
