import { learn, USUAL_TRIGGER_DAYS, type AttemptRecord } from '@freshet/core/spawning';
import { useGet, type Reply } from '../data';

type Record_ = Reply<'evidence'>[number];

/** What this house has tried of a species before: all of it, the last that worked, and how long trigger to eggs took. */
export interface OwnHistory {
  records: readonly Record_[];
  lastWorked: Record_ | null;
  /** Days from trigger to eggs, shortest and longest usual, and on how many broods they rest. */
  triggerDays: readonly [number, number];
  broods: number;
}

/** Own durations shorter than a morning are a morning. */
const SHORTEST = 0.1;

/** What is known of trigger to eggs. @param records - of one species */
export function triggerDaysOf(records: readonly AttemptRecord[]): { triggerDays: readonly [number, number]; broods: number } {
  const durations = records.flatMap(({ spawnedAfterDays }) =>
    spawnedAfterDays === null || spawnedAfterDays > 60 ? [] : [Math.max(SHORTEST, spawnedAfterDays)],
  );
  const { low, high, broods } = learn({ window: [...USUAL_TRIGGER_DAYS], durations: durations.slice(0, 1000) });
  return { triggerDays: [low, high], broods };
}

/** Nothing is asked while no species is chosen. */
export function useOwnHistory(speciesKey: string | null): OwnHistory {
  const { data } = useGet(speciesKey ? 'evidence' : null, { query: { speciesKey: speciesKey ?? '' } });
  const records = (data ?? []).filter((record) => record.speciesKey === speciesKey);
  return {
    records,
    lastWorked: records.find(({ spawnedAfterDays }) => spawnedAfterDays !== null) ?? null,
    ...triggerDaysOf(records),
  };
}
