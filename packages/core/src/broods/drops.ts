import { BAR_RANK, chore, type Bar, type Chore } from '../agenda';
import { codesOf } from '../room';
import { birthWindow, type StageWindow, type TemperatureReading } from '../spawning';
import { middle, type ResolvedSpecies } from '../species';
import { totalHeads } from '../stock';
import { addDays, formatDayRange, houseDay, type Day, type Instant, type TimeRange } from '../time';
import { BROODS_CHORES } from './choreKinds';
import type { BroodsView, ReadBrood } from './facts';

/**
 * When a livebearer's next young are due, by the interval of its species and the warmth since the last; null for others, and where no
 * interval is known. Source: docs/sources.md#stage-times
 * @param since - the last drop, or when males joined her
 */
export const nextDrop = (
  species: Pick<ResolvedSpecies, 'start' | 'figures'>,
  since: TimeRange,
  readings: readonly TemperatureReading[],
  now: Instant,
  timeZone: string,
): StageWindow | null =>
  species.start === 'born'
    ? birthWindow({ figures: species.figures, since, readings, assumedTempC: middle(species.figures.tempC), now, timeZone })
    : null;

/** Days before the window in which cover goes in, or she by herself. */
const AHEAD_DAYS = 4;

/** The newest drop of every pair or group that is still here, with where the mothers live. */
function newestDrops(view: BroodsView): { read: ReadBrood; tankId: string }[] {
  const newest = new Map<string, { read: ReadBrood; tankId: string }>();
  for (const read of view.broods) {
    if (read.species.start !== 'born' || !read.attempt) continue;
    const { parentLotIds } = read.attempt;
    const mother = view.stock.lots.find((lot) => parentLotIds.includes(lot.id) && lot.females > 0 && totalHeads(lot) > 0);
    if (!mother?.tankId) continue;
    const before = newest.get(mother.id);
    if (!before || before.read.brood.laid.to < read.brood.laid.to) newest.set(mother.id, { read, tankId: mother.tankId });
  }
  return [...newest.values()];
}

function windowOf(view: BroodsView, { read, tankId }: { read: ReadBrood; tankId: string }): { from: Day; to: Day } | null {
  const last = view.room.temperatures[tankId];
  const readings = last ? [{ at: read.brood.laid.from, tempC: last.tempC }] : [];
  const window = nextDrop(read.species, read.brood.laid, readings, view.now, view.timeZone);
  if (!window?.earliest) return null;
  return {
    from: houseDay(window.earliest, view.timeZone),
    to: houseDay(window.latest ?? window.earliest, view.timeZone),
  };
}

/** Before young are due their cover goes in, or the mother by herself. */
export function dropChores(view: BroodsView, day: Day): { tankId: string; chore: Chore }[] {
  return newestDrops(view).flatMap((drop) => {
    const window = windowOf(view, drop);
    const { brood, species } = drop.read;
    if (!window || day < addDays(window.from, -AHEAD_DAYS) || day > window.to) return [];
    return [
      {
        tankId: drop.tankId,
        chore: chore(BROODS_CHORES.birthDue, {
          subject: `${brood.id}:${drop.tankId}`,
          day,
          text: `${species.commonName}: add cover for the newborn, or move the female`,
          amountText: `due ${formatDayRange(window.from, window.to, view.today)}`,
          why: [
            `Counted on from ${brood.name} at her tank’s temperature. She may be days off.`,
            'A rough move late on makes her drop too soon. Move her now, or leave her with thick plants at the top.',
          ],
        }),
      },
    ];
  });
}

/** The next drop of each on the Horizon. */
export const dropBars = (view: BroodsView): Bar[] =>
  newestDrops(view).flatMap((drop) => {
    const window = windowOf(view, drop);
    const { brood, species } = drop.read;
    if (!window || window.to < view.today) return [];
    return [
      {
        key: `${brood.id}:drop`,
        kind: 'yolk',
        rank: BAR_RANK.hatch,
        ...window,
        label: `${species.commonName.toLowerCase()} young ${codesOf(view, [drop.tankId])}`,
        predicted: true,
        urgent: false,
        subject: { kind: 'tank', id: drop.tankId },
      },
    ];
  });
