import { tryCompute } from '../errors';
import { codeOf } from '../room';
import { developmentWindows } from '../spawning';
import { middle, type ResolvedSpecies } from '../species';
import { totalHeads } from '../stock';
import { addDays, houseDay, type Day } from '../time';
import type { ReadBrood } from '../broods';
import type { LarderView } from './facts';

/** Young that will feed, or feed already: of a brood, or of a spawning that is planned. */
export interface ComingFeed {
  key: string;
  label: string;
  broodId: string | null;
  attemptId: string | null;
  tankId: string | null;
  species: ResolvedSpecies;
  /** The brood; null for what is not yet laid. */
  read: ReadBrood | null;
  /** Days on which they may first feed. */
  from: Day;
  to: Day;
  /** It was seen that they feed. */
  isSeen: boolean;
  /** Heads as booked, or eggs as usual, low and high. */
  heads: readonly [number, number];
}

/** The feeds of every living brood, and of every spawning with a day. Figures that contradict each other are told where they stand. */
export function comingFeeds(view: LarderView): ComingFeed[] {
  const { today, now, timeZone } = view;
  const feeds: ComingFeed[] = [];
  for (const read of view.broods) {
    const { brood, species, state, lots } = read;
    const feed = state.windows.find((window) => window.stage === 'firstFeed');
    if (!feed?.earliest || !feed.latest) continue;
    const tankId = lots[0]?.tankId ?? null;
    const heads = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
    feeds.push({
      key: `brood:${brood.id}`,
      label: `${species.commonName} in ${codeOf(view, tankId) || 'no tank'}`,
      broodId: brood.id,
      attemptId: brood.attemptId,
      tankId,
      species,
      read,
      from: houseDay(feed.earliest, timeZone),
      to: houseDay(feed.latest, timeZone),
      isSeen: feed.status === 'observed',
      heads: [heads, heads],
    });
  }
  for (const attempt of view.attempts.values()) {
    const species = view.species.get(attempt.speciesKey);
    const planned = attempt.triggerOn ?? attempt.setUpOn;
    if (attempt.hasBrood || !species || species.start === 'born' || !planned || addDays(planned, 3) < today) continue;
    const window = feedAfterLaying(species, planned < today ? today : planned, view, now);
    if (!window) continue;
    feeds.push({
      key: `attempt:${attempt.id}`,
      label: `${species.commonName} planned in ${codeOf(view, attempt.tankId)}`,
      broodId: null,
      attemptId: attempt.id,
      tankId: attempt.tankId,
      species,
      read: null,
      ...window,
      isSeen: false,
      heads: species.figures.clutch,
    });
  }
  return feeds;
}

/** When young of eggs laid on a day would first feed; null when the species' figures do not say. */
export function feedAfterLaying(
  species: ResolvedSpecies,
  laidDay: Day,
  { timeZone }: Pick<LarderView, 'timeZone'>,
  now: string,
): { from: Day; to: Day } | null {
  const laid = { from: `${laidDay}T00:00:00Z`, to: `${addDays(laidDay, 1)}T00:00:00Z` };
  const assumedTempC = middle(species.figures.tempC);
  const windows = tryCompute(() =>
    developmentWindows({ figures: species.figures, start: species.start, laid, readings: [], assumedTempC, now, timeZone }),
  );
  const feed = windows.ok ? windows.value.find((window) => window.stage === 'firstFeed') : null;
  return feed?.earliest && feed.latest ? { from: houseDay(feed.earliest, timeZone), to: houseDay(feed.latest, timeZone) } : null;
}
