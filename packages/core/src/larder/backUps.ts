import { FOOD_NAMES } from '../species';
import { addDays, formatDay, type Day } from '../time';
import { cultureDays, kindOf } from './cultureKinds';
import type { DescribedCulture } from './cultures';
import type { LearnedCulture } from './learnCulture';

/** What to do with one vessel so that its kind never dies out, and when. */
export interface BackUpStep {
  cultureId: string;
  name: string;
  /** `split`: start a second from it; `renew`: fresh medium from it, since it is old; `empty`: its successor carries on; `thin`: a colony that is full. */
  action: 'split' | 'renew' | 'empty' | 'thin';
  day: Day;
  why: string;
}

const later = (a: Day, b: Day) => (a > b ? a : b);
const earlier = (a: Day, b: Day) => (a < b ? a : b);

/**
 * The next step for every vessel: split at half its life, so that two of a kind are never of one age; renew early enough that the new
 * one is ripe before the old is spent; empty the old once the new one is ripe. Colonies are thinned when full.
 * Source: docs/sources.md#cultures
 */
export function planBackUps(
  cultures: readonly DescribedCulture[],
  learnedOf: (described: DescribedCulture) => LearnedCulture,
  today: Day,
): BackUpStep[] {
  const steps: BackUpStep[] = [];
  for (const described of cultures) {
    const { culture, state } = described;
    const kind = kindOf(culture);
    if (kind.batch) continue;
    const base = { cultureId: culture.id, name: culture.name };
    const words = culture.own?.name ?? FOOD_NAMES[culture.food];
    const same = cultures.filter((other) => other !== described && other.culture.food === culture.food);
    const successors = same.filter((other) => other.state.lastDay > state.lastDay);
    if (kind.colony) {
      const learned = learnedOf(described);
      if (learned.looks > 0 && learned.nextInDays < 60)
        steps.push({
          ...base,
          action: 'thin',
          day: addDays(today, learned.nextInDays),
          why: `Full enough to give ${Math.round(learned.share * 100)} % and stay above its floor.`,
        });
      if (same.length > 0) continue;
    }
    const longest = Math.ceil(cultureDays(kind, state.tempC).ripe[1]);
    const lastChance = addDays(state.lastDay, -longest);
    const ripe = successors.find((other) => other.state.phase === 'ripe');
    if (today > state.lastDay && ripe)
      steps.push({ ...base, action: 'empty', day: today, why: `${ripe.culture.name} is ripe and has taken over.` });
    else if (successors.length === 0 && today >= lastChance)
      steps.push({
        ...base,
        action: 'renew',
        day: today,
        why: `Good until ${formatDay(state.lastDay, today)}; a new one of ${words} takes up to ${longest} days.`,
      });
    else if (same.length === 0) {
      const half = addDays(state.ripeBy, Math.floor(kind.lastsDays / 2));
      const due = kind.colony ? state.ripeBy : earlier(half, lastChance);
      steps.push({
        ...base,
        action: 'split',
        day: later(due, later(state.ripeFrom, today)),
        why: `Only one vessel of ${words}. Split it so they don’t both run out together.`,
      });
    } else if (successors.length === 0)
      steps.push({
        ...base,
        action: 'renew',
        day: lastChance,
        why: `Good until ${formatDay(state.lastDay, today)}; a new one of ${words} takes up to ${longest} days.`,
      });
  }
  return steps.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.name < b.name ? -1 : 1));
}
