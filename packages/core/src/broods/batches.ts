import { developmentWindows, type TemperatureReading } from '../spawning';
import { middle, type ResolvedSpecies } from '../species';
import type { Instant, TimeRange } from '../time';

/** Eggs picked on one day. */
export interface EggPick {
  at: TimeRange;
  picked: number;
}

/** A batch of a daily layer: its pickings with their own hatch, and how well the females lay. */
export interface RollingBatch {
  picks: (EggPick & { hatch: { from: Instant; to: Instant } | null })[];
  /** Days between the first and the last picking, both counted. */
  days: number;
  eggs: number;
  /** Null where nobody knows how many females there are. */
  perFemaleAndDay: number | null;
  /** Whether the next picking should begin a new batch: young of a week's difference eat one another or starve one another. */
  isFull: boolean;
}

const DAY_MS = 86_400_000;
/** A batch is cut after a week or at this many eggs. General habit. */
const BATCH_DAYS = 7;
const BATCH_EGGS = 200;

/**
 * A rolling batch: each picking hatches in its own window by the temperatures it has seen. Source: docs/sources.md#eggs
 * @param picks - oldest first, at least one @param females - of the attempt; 0 where nobody knows
 */
export function rollingBatch(
  picks: readonly EggPick[],
  females: number,
  species: ResolvedSpecies,
  readings: readonly TemperatureReading[],
  now: Instant,
  timeZone: string,
): RollingBatch {
  const first = Date.parse(picks[0]?.at.from ?? now);
  const last = Date.parse(picks.at(-1)?.at.to ?? now);
  const days = Math.max(1, Math.round((last - first) / DAY_MS) + 1);
  const eggs = picks.reduce((sum, { picked }) => sum + picked, 0);
  return {
    picks: picks.map(({ at, picked }) => {
      const [window] = developmentWindows({
        figures: species.figures,
        start: species.start,
        laid: at,
        hatchBroods: species.hatchBroods,
        readings: readings.filter((reading) => reading.at >= at.from),
        assumedTempC: middle(species.figures.tempC),
        now,
        timeZone,
      });
      return {
        at,
        picked,
        hatch:
          window?.stage === 'hatch' && window.earliest && window.latest ? { from: window.earliest, to: window.latest } : null,
      };
    }),
    days,
    eggs,
    perFemaleAndDay: females > 0 ? eggs / females / days : null,
    isFull: days > BATCH_DAYS || eggs >= BATCH_EGGS || Date.parse(now) - first > (BATCH_DAYS + 1) * DAY_MS,
  };
}
