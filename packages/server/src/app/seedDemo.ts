import { v7 as newId } from 'uuid';
import { API, type EntryBody, type EntryKindName } from '@freshet/contract/api';
import type { AnyEndpoint } from '@freshet/contract/endpoints';
import { DEMO_ACCOUNTS, DEMO_HOUSE, saltingsShed, type StoryEvent } from '@freshet/demo';
import type { Database, Who } from '../platform';
import { compose, type Services } from './compose';

const READINGS_AT_ONCE = 2000;
/** Stops of today's walk that are ticked already when the demonstration opens. */
const STOPS_DONE = 4;

/** One part of the story, through the door a keeper's own write comes in by. */
function play({ log }: Services, who: Who, { name, body }: StoryEvent): Promise<unknown> {
  const { entry } = API[name] as AnyEndpoint;
  if (!entry) throw new Error(`"${name}" makes no entry.`);
  return log.enter(who, entry as EntryKindName, body as EntryBody<EntryKindName>);
}

/** Ticks the first stops of today's round, as the keeper who has begun the walk. */
async function beginWalk(services: Services, who: Who, now: string): Promise<void> {
  const round = await services.rounds.round(who, undefined);
  for (const stop of round.stops.slice(0, STOPS_DONE))
    for (const chore of stop.chores.filter(({ way }) => way === 'do'))
      await services.log.enter(who, 'outcome', {
        id: newId(),
        choreKey: chore.key,
        day: round.day,
        status: 'done',
        text: chore.text,
        tankId: stop.tankId,
        amount: null,
        unit: null,
        tick: null,
        at: now,
      });
}

/**
 * Fills an empty database with Saltings Shed: every write goes through the services, under a clock that follows the story,
 * so that the demonstration obeys the rules a keeper's own house obeys.
 */
export async function seedDemo(database: Database, now: string): Promise<{ events: number; readings: number }> {
  let storyTime = now;
  const services = compose({ database, clock: { now: () => storyTime } });
  const house = {
    ...DEMO_HOUSE,
    id: newId(),
    units: { temperature: 'degC', volume: 'L' },
    demo: true,
    accounts: DEMO_ACCOUNTS,
  } as const;
  const who = await services.accounts.createHouse(house);
  const { events, readings, samples } = saltingsShed(now);
  for (const event of events) {
    storyTime = event.at;
    try {
      await play(services, who, event);
    } catch (error) {
      throw new Error(`The demonstration broke at ${event.name} ${JSON.stringify(event.body)}`, { cause: error });
    }
  }
  const entryId = newId();
  const rows = readings.map((reading) => ({
    ...reading,
    entryId,
    quantity: 'tempC' as const,
    method: 'meter' as const,
    meterId: null,
  }));
  for (let i = 0; i < rows.length; i += READINGS_AT_ONCE)
    await database.writing(who, (writing) =>
      services.room.repository.readings.insert(writing, rows.slice(i, i + READINGS_AT_ONCE)),
    );
  for (let i = 0; i < samples.length; i += READINGS_AT_ONCE)
    await services.room.repository.samples.insert(
      samples.slice(i, i + READINGS_AT_ONCE).map((sample) => ({ houseId: who.houseId, ...sample })),
    );
  storyTime = now;
  await beginWalk(services, who, now);
  await services.accounts.repository.markFilled(who.houseId);
  return { events: events.length, readings: readings.length };
}
