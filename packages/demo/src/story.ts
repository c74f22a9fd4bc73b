import type { API, ApiName } from '@freshet/contract/api';
import type { BodyOf } from '@freshet/contract/endpoints';
import { addDays, houseDay, instantOf } from '@freshet/core/time';
import { createIds, createRandom, type Random } from './random';

/** One write of the story: what a keeper would have sent, and when. */
export type StoryEvent = { [Name in ApiName]: { at: string; name: Name; body: BodyOf<(typeof API)[Name]> } }[ApiName];

export const TIME_ZONE = 'Europe/Dublin';

/** Collects the writes of the story; what lies ahead of `now` has not happened and is left out. */
export interface Story {
  now: string;
  random: Random;
  events: StoryEvent[];
  newId(at: string): string;
  /** An id beside the story’s chances: what is added so shifts nothing that is told after it. */
  asideId(at: string): string;
  /** The instant of a wall-clock time some days ago (ahead when negative). */
  daysAgo(days: number, time: string): string;
  day(daysAgo: number): string;
  write<Name extends ApiName>(at: string, name: Name, body: BodyOf<(typeof API)[Name]>): void;
}

export function createStory(now: string, seed: number): Story {
  const random = createRandom(seed);
  const newId = createIds(random);
  const asideId = createIds(createRandom(seed + 1));
  const today = houseDay(now, TIME_ZONE);
  const events: StoryEvent[] = [];
  const day = (daysAgo: number) => addDays(today, -daysAgo);
  return {
    now,
    random,
    events,
    newId,
    asideId,
    day,
    daysAgo: (days, time) => instantOf(day(days), time, TIME_ZONE),
    write(at, name, body) {
      if (at <= now) events.push({ at, name, body } as StoryEvent);
    },
  };
}
