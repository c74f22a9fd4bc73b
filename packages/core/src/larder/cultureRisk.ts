import { substitutesFor } from '../species';
import { addDays, daysBetween, formatDay, houseDay, type Day } from '../time';
import { formatNumber } from '../units';
import { kindOf, SIGN_WORDS } from './cultureKinds';
import { successorOf, type DescribedCulture } from './cultures';
import type { LearnedCulture } from './learnCulture';

/** One thing that speaks for a crash, and what to do about it. */
export interface CultureRisk {
  level: 'watch' | 'high';
  words: string;
  remedy: string;
}

/** Looks older than this say nothing of today. */
const FRESH_DAYS = 7;
/** Harvests are summed over this long. */
const TAKEN_DAYS = 14;

/**
 * What may bring a culture down soon, the worst first: its age, smell and signs, heat, a fall in density nobody took, feeding too often,
 * taking more than it makes good, and nothing of its size beside it.
 */
export function cultureRisks(
  { culture, state }: DescribedCulture,
  others: readonly DescribedCulture[],
  learned: LearnedCulture,
  today: Day,
  timeZone: string,
): CultureRisk[] {
  const kind = kindOf(culture);
  const risks: CultureRisk[] = [];
  const dayOf = (at: string) => houseDay(at, timeZone);
  const looks = (culture.looks ?? []).filter(({ at }) => at >= (culture.renewedAt ?? culture.startedAt));
  const last = looks.at(-1);
  if (last && daysBetween(dayOf(last.at), today) <= FRESH_DAYS)
    for (const sign of last.signs) {
      const { warns, words, remedy } = SIGN_WORDS[sign];
      if (warns) risks.push({ level: warns, words: `It ${sign === 'mites' ? 'has mites' : says(words)}.`, remedy });
    }
  const successor = successorOf({ culture, state }, others);
  if (state.phase === 'overdue' && !kind.batch)
    risks.push({
      level: 'high',
      words: `Finished since ${formatDay(state.lastDay, today)}.`,
      remedy: successor ? `${successor.culture.name} has taken over: bin this one.` : 'Start a new one from it, then bin it.',
    });
  if (state.tempC > kind.hotC)
    risks.push({
      level: 'high',
      words: `${formatNumber(state.tempC)} °C is too warm for it (up to ${kind.hotC} °C).`,
      remedy: 'Move it lower, or to a cooler room.',
    });
  if (kind.batch) return risks;
  const before = looks.at(-2);
  if (last?.density != null && before?.density != null && before.density - last.density >= 2) {
    const taken = (culture.harvests ?? []).some(({ at }) => before.at <= at && at <= last.at);
    if (!taken)
      risks.push({
        level: 'high',
        words: `Density fell from ${before.density} to ${last.density} without harvesting.`,
        remedy: 'Swap half the medium, skip a day’s food, and move the survivors to a second vessel.',
      });
  }
  const feeds = (culture.feeds ?? []).filter((at) => daysBetween(dayOf(at), today) <= 2 * kind.feedEveryDays);
  if (kind.feedEveryDays > 1 && feeds.length >= 4)
    risks.push({
      level: 'watch',
      words: `Fed ${feeds.length} times in ${2 * kind.feedEveryDays} days; every ${kind.feedEveryDays} days is usual.`,
      remedy: 'Don’t feed until it’s clear or the food is gone. Overfeeding fouls it.',
    });
  const since = addDays(today, -TAKEN_DAYS);
  const taken = (culture.harvests ?? []).filter(({ at }) => dayOf(at) > since).reduce((sum, { ml }) => sum + (ml ?? 0), 0);
  const bears = learned.sustainableMlPerDay.high90 * TAKEN_DAYS;
  if (taken > bears * 1.1)
    risks.push({
      level: 'watch',
      words: `${formatNumber(taken)} ml taken in ${TAKEN_DAYS} days; it can give ${formatNumber(bears)} at most.`,
      remedy: 'Rest it, or take from another.',
    });
  const stand = substitutesFor(culture.food);
  const backUp = others.some(
    (other) =>
      other.culture.id !== culture.id &&
      stand.includes(other.culture.food) &&
      other.state.phase !== 'overdue' &&
      other.state.lastDay > today,
  );
  if (!backUp)
    risks.push({
      level: 'watch',
      words: 'No other culture of this size is running.',
      remedy: kind.colony ? 'Start a second tank from it.' : 'Start a second from it, a week apart.',
    });
  return risks.sort((a, b) => (a.level === b.level ? 0 : a.level === 'high' ? -1 : 1));
}

/** "smells foul" stays; "scum on top" becomes "has scum on top". */
const says = (words: string) =>
  /^(smells|nothing)/.test(words) ? words.replace('nothing moves', 'does not move') : `has ${words}`;
