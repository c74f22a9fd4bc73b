import { CULTURE_FOODS, type CultureFood } from '../../larder';
import { animalDrafts } from './animals';
import type { Clause, Draft, PhraseKind } from './clause';
import { readings } from './readings';
import { fail, JotQuestion, type Span } from '../jotTypes';

const isCultureFood = (food: string): food is CultureFood => (CULTURE_FOODS as readonly string[]).includes(food);

/** The line with something put behind a word. */
const withBehind = (clause: Clause, { to }: Span, words: string): string =>
  `${clause.line.slice(0, to)}${words}${clause.line.slice(to)}`;

/** "heater off", "filter cleaned", "the heater died". */
const equipment: PhraseKind = {
  name: 'equipment',
  read: (clause) =>
    clause.free('part').flatMap(({ item, k }) => {
      // "on the slate" is no state: a bare "on" stands right beside its part.
      const state = clause.free('state').find((one) => one.item.low !== 'on' || clause.beside(k, 1, 'state') === one.k);
      const rinsed = clause.free('tankEvent').find(({ item: { event } }) => event === 'rinsed');
      const beside = clause.beside(k, 1, 'animal') ?? clause.beside(k, -1, 'animal');
      const died = clause.free('animal').find((one) => one.item.verb === 'loss' && one.k === beside && !clause.has('names'));
      const other = rinsed ?? died;
      if (!state && !(other && clause.free('number').length === 0)) return [];
      const said = state ? state.item.state : rinsed ? ('cleaned' as const) : ('failed' as const);
      const at = [k, state?.k ?? other?.k ?? k];
      clause.take(...at);
      return [{ phrase: { kind: 'equipment', what: item.what, state: said }, at: clause.spanOf(...at) }];
    }),
};

/** "microworms crashed", "split vinegar eels", "harvested infusoria"; "fed" is of a culture where no tank is named. */
const culture: PhraseKind = {
  name: 'culture',
  read(clause) {
    const [verb] = clause.free('culture');
    // Of all foods only a hatch hatches: it is ripe then.
    const hatched = clause.free('animal').find(({ item }) => item.verb === 'hatched');
    const fed = clause.hasTank ? undefined : clause.free('fed')[0];
    const died = clause
      .free('animal')
      .find(
        ({ item }) => /^(dead|died|dies)$/.test(item.low) && !clause.hasTank && !clause.has('number') && !clause.has('names'),
      );
    const food = clause.free('food').find(({ item }) => isCultureFood(item.food));
    // "micro 1" is the first of them, whatever its name begins with.
    const place = food ? clause.beside(food.k, 1, 'number') : null;
    const numbered =
      place === null
        ? undefined
        : clause.context.cultures?.find(
            ({ name, food: of }) => of === food?.item.food && name.endsWith(` ${clause.items[place]?.text ?? ''}`),
          );
    const [vessel] = clause.free('vessel');
    const what = vessel ?? food;
    const isHatch = hatched !== undefined && what?.item.food === 'brineShrimp' && !clause.has('names');
    const said = verb ?? fed ?? (isHatch ? hatched : died);
    if (!what || !said) return [];
    const named = what.item.food;
    if (!isCultureFood(named)) return [];
    const action = verb ? verb.item.action : fed ? ('fed' as const) : isHatch ? ('ripe' as const) : ('crashed' as const);
    if (numbered && place !== null) clause.take(place);
    clause.take(what.k, said.k, ...clause.free('culture').flatMap(({ item, k }) => (item.action === action ? [k] : [])));
    for (const { k } of clause.free('volume')) clause.take(k);
    const at = clause.spanOf(what.k, said.k);
    if (action === 'harvested') return [{ phrase: { kind: 'harvest', food: named }, at }];
    return [
      {
        phrase: {
          kind: 'culture',
          action,
          food: named,
          ...(vessel || numbered ? { culture: vessel?.item.name ?? numbered?.name ?? '' } : {}),
        },
        at,
      },
    ];
  },
};

/** "rinsed", "emptied", "refilled". */
const tankEvent: PhraseKind = {
  name: 'tankEvent',
  read: (clause) =>
    (['number', 'names', 'unknown', 'volume'] as const).some((is) => clause.has(is))
      ? []
      : clause.free('tankEvent').map(({ item, k }) => {
          clause.take(k);
          return { phrase: { kind: 'tankEvent', event: item.event }, at: item };
        }),
};

/** "topped up 3 L". */
const topUp: PhraseKind = {
  name: 'topUp',
  read: (clause) =>
    clause.free('topUp').flatMap(({ k }) => {
      const volume = clause.beside(k, 1, 'volume') ?? clause.beside(k, -1, 'volume');
      if (volume === null) return [];
      clause.take(k, volume);
      const { litres } = clause.items[volume] as { litres: number };
      return [{ phrase: { kind: 'topUp', litres }, at: clause.spanOf(k, volume) }];
    }),
};

/** "30%" and "12 L" by themselves: most likely a change, and asked. */
function askWhatOf(clause: Clause): void {
  const amount = clause.free('percent')[0]?.item ?? clause.free('volume')[0]?.item;
  if (!amount || !clause.isOnly('percent', 'volume') || !clause.hasTank) return;
  const put = (words: string) => `${clause.line.slice(0, amount.from)}${words} ${clause.line.slice(amount.from)}`;
  throw new JotQuestion(amount, `${amount.text} of what?`, [
    { label: `changed ${amount.text}`, line: put('change') },
    ...(amount.is === 'volume' ? [{ label: `topped up ${amount.text}`, line: put('topped up') }] : []),
  ]);
}

/** "change 30%", "12 L changed", "half changed"; a bare number is asked about. */
const change: PhraseKind = {
  name: 'change',
  read: (clause) => {
    if (!clause.has('change')) askWhatOf(clause);
    return clause.free('change').flatMap(({ item, k }): Draft[] => {
      const amounts = ['percent', 'share', 'volume'] as const;
      const place = clause.beside(k, 1, ...amounts) ?? clause.beside(k, -1, ...amounts);
      if (place === null) {
        const bare = clause.beside(k, 1, 'number') ?? (clause.isOnly('change', 'number') ? clause.beside(k, -1, 'number') : null);
        const number = bare === null ? null : clause.items[bare];
        if (number)
          throw new JotQuestion(number, `${number.text} of what?`, [
            { label: `${number.text} %`, line: withBehind(clause, number, '%') },
            {
              label: `${number.text} ${clause.context.units.volume === 'L' ? 'L' : 'gal'}`,
              line: withBehind(clause, number, clause.context.units.volume === 'L' ? ' L' : ' gal'),
            },
          ]);
        return [];
      }
      const amount = clause.items[place];
      clause.take(k, place);
      const at = { from: Math.min(item.from, amount?.from ?? item.from), to: Math.max(item.to, amount?.to ?? item.to) };
      if (amount?.is === 'volume') return [{ phrase: { kind: 'change', litres: amount.litres }, at }];
      return amount?.is === 'percent' || amount?.is === 'share'
        ? [{ phrase: { kind: 'change', fraction: amount.fraction }, at }]
        : [];
    });
  },
};

/** "fed bbs", "bbs and flakes", and how much of it was eaten. */
const feed: PhraseKind = {
  name: 'feed',
  read(clause) {
    const fed = clause.free('fed')[0];
    const foods = clause.free('food');
    if (foods.length === 0 || (!fed && !clause.isOnly('food', 'measure', 'number', 'volume', 'ate'))) return [];
    // "3 microworms" alone may be anything: a food by itself is one that was given.
    const ate = clause.free('ate')[0];
    clause.take(...foods.map(({ k }) => k), ...(fed ? [fed.k] : []), ...(ate ? [ate.k] : []));
    for (const is of ['measure', 'volume'] as const) for (const { k } of clause.free(is)) clause.take(k);
    for (const { k } of clause.free('number')) {
      const beside = clause.items[k + 1]?.is;
      if (beside === 'measure' || beside === 'food') clause.take(k);
    }
    return foods.map(({ item }) => ({
      phrase: { kind: 'feed', food: item.food, ...(ate ? { ate: ate.item.ate } : {}) },
      at: item,
    }));
  },
};

/** "lengths 12 13 14", "12, 13, 14 mm". */
const lengths: PhraseKind = {
  name: 'lengths',
  read(clause) {
    const verb = clause.free('lengths')[0];
    const measured = clause.free('mm');
    const numbers = clause.free('number');
    if (clause.has('unknown') || (!verb && measured.length === 0)) return [];
    if (clause.free('animal').length > 0) return [];
    const all = [...measured, ...numbers].sort((a, b) => a.k - b.k);
    if (all.length === 0) return [];
    const inCm = measured.at(-1)?.item.low.endsWith('cm') ?? false;
    clause.take(...all.map(({ k }) => k), ...(verb ? [verb.k] : []));
    const mm = all.map(({ item }) => (item.is === 'number' && inCm ? item.value * 10 : item.value));
    const wrong = all.find((_one, i) => (mm[i] ?? 0) <= 0 || (mm[i] ?? 0) > 2000);
    if (wrong) fail('outOfRange', wrong.item, `${wrong.item.text} can't be a length. Give millimetres.`);
    return [{ phrase: { kind: 'lengths', mm }, at: clause.spanOf(...all.map(({ k }) => k)), ...namedIn(clause) }];
  },
};
const namedIn = (clause: Clause): Pick<Draft, 'named' | 'age'> => {
  const names = clause.free('names')[0];
  const age = clause.free('age')[0];
  for (const is of ['names', 'age', 'sex'] as const) clause.take(...clause.free(is).map(({ k }) => k));
  return { ...(names ? { named: names.item.groups } : {}), ...(age ? { age: age.item.age } : {}) };
};

/** "condition 4", "score 3/5". */
const condition: PhraseKind = {
  name: 'condition',
  read: (clause) =>
    clause.free('condition').flatMap(({ k }) => {
      const place = clause.beside(k, 1, 'number', 'score') ?? clause.beside(k, -1, 'score');
      const score = place === null ? null : clause.items[place];
      if (place === null || (score?.is !== 'number' && score?.is !== 'score')) return [];
      if (!Number.isInteger(score.value) || score.value < 1 || score.value > 5)
        fail('outOfRange', score, 'Condition goes from 1 to 5.');
      clause.take(k, place);
      return [{ phrase: { kind: 'condition', score: score.value }, at: clause.spanOf(k, place), ...namedIn(clause) }];
    }),
};

/** "3m 5f", "sexed 3 males 5 females". */
const sexed: PhraseKind = {
  name: 'sexed',
  read(clause) {
    const verb = clause.free('sexed')[0];
    if (clause.free('animal').length > 0 || clause.has('dest') || clause.has('unknown')) return [];
    const found: Partial<Record<'males' | 'females', number>> = {};
    const places: number[] = [];
    for (const { item, k } of clause.free('sex')) {
      const place = clause.beside(k, -1, 'number');
      const number = place === null ? null : clause.items[place];
      if (place === null || number?.is !== 'number' || found[item.sex] !== undefined || !Number.isInteger(number.value)) continue;
      found[item.sex] = number.value;
      places.push(k, place);
    }
    const { males, females } = found;
    if (males === undefined || females === undefined) return [];
    clause.take(...places, ...(verb ? [verb.k] : []));
    return [{ phrase: { kind: 'sexed', males, females }, at: clause.spanOf(...places), ...namedIn(clause) }];
  },
};

/** So many animals are counted, not measured in degrees. */
const FEW = 12;

/** "chasing", "white spots"; "saw" and whatever stands behind it. */
const signs: PhraseKind = {
  name: 'sign',
  read(clause) {
    const saw = clause.free('saw')[0];
    if (saw) {
      const rest = clause.items.slice(saw.k + 1).map((_item, i) => saw.k + 1 + i);
      const times = rest.filter((k) => clause.items[k]?.is === 'time');
      const said = rest.filter((k) => !times.includes(k));
      if (said.length === 0 || said.some((k) => clause.used[k])) return [];
      clause.take(saw.k, ...said);
      const at = clause.spanOf(...said);
      return [{ phrase: { kind: 'sign', text: clause.line.slice(at.from, at.to) }, at }];
    }
    if (!clause.isOnly('sign', 'names', 'age', 'sex', 'number')) return [];
    return clause.free('sign').map(({ k }) => {
      const few = clause.beside(k, -1, 'number');
      const number = few === null ? null : clause.items[few];
      // "2 chasing" are two, "24 chasing" is a temperature beside it.
      const places = few !== null && number?.is === 'number' && number.value < FEW ? [few, k] : [k];
      clause.take(...places, ...clause.free('names').map((one) => one.k), ...clause.free('age').map((one) => one.k));
      const at = clause.spanOf(...places);
      return { phrase: { kind: 'sign', text: clause.line.slice(at.from, at.to).toLowerCase() }, at };
    });
  },
};

/**
 * Every way of saying something, in the order they are looked for; each uses the words it understands and leaves the rest to those after
 * it. A new phrase is one more of these, and a row of its words in the lexicon.
 */
export const PHRASES: readonly PhraseKind[] = [
  equipment,
  culture,
  topUp,
  change,
  sexed,
  condition,
  { name: 'animals', read: animalDrafts },
  tankEvent,
  feed,
  readings,
  lengths,
  signs,
];
