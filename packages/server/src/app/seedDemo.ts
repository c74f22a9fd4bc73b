import { v7 as newId } from 'uuid';
import { DEMO_ACCOUNTS, DEMO_HOUSE, saltingsShed, type StoryEvent } from '@freshet/demo';
import type { Database, Who } from '../platform';
import { compose, type Services } from './compose';

const READINGS_AT_ONCE = 2000;
/** Stops of today's walk that are ticked already when the demonstration opens. */
const STOPS_DONE = 4;

async function play({ room, stock, spawning, broods, larder }: Services, who: Who, event: StoryEvent): Promise<unknown> {
  switch (event.name) {
    case 'addRack':
      return room.addRack(who, event.body);
    case 'addShelf':
      return room.addShelf(who, event.body);
    case 'addTank':
      return room.addTank(who, event.body);
    case 'addLot':
      return stock.addLot(who, event.body);
    case 'move':
      return stock.move(who, event.body);
    case 'lose':
      return stock.lose(who, event.body);
    case 'count':
      return stock.count(who, event.body);
    case 'addAttempt':
      return spawning.addAttempt(who, event.body);
    case 'trigger':
      return spawning.trigger(who, event.body);
    case 'endAttempt':
      return spawning.endAttempt(who, event.body);
    case 'addClutch':
      return broods.addClutch(who, event.body);
    case 'observe':
      return broods.observe(who, event.body);
    case 'pickWhite':
      return broods.pickWhite(who, event.body);
    case 'addCulture':
      return larder.addCulture(who, event.body);
    case 'cultureEvent':
      return larder.cultureEvent(who, event.body);
    default:
      throw new Error(`The story has no part for ${event.name}`);
  }
}

/** Ticks the first stops of today's round, as the keeper who has begun the walk. */
async function beginWalk(services: Services, who: Who, now: string): Promise<void> {
  const round = await services.rounds.round(who, undefined);
  for (const stop of round.stops.slice(0, STOPS_DONE))
    for (const chore of stop.chores.filter(({ mark }) => mark === 'do'))
      await services.rounds.outcome(who, {
        id: newId(),
        choreKey: chore.key,
        day: round.day,
        status: 'done',
        text: chore.text,
        tankId: stop.tankId,
        amount: null,
        unit: null,
        log: null,
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
  const { events, readings } = saltingsShed(now);
  for (const event of events) {
    storyTime = event.at;
    try {
      await play(services, who, event);
    } catch (error) {
      throw new Error(`The demonstration broke at ${event.name} ${JSON.stringify(event.body)}`, { cause: error });
    }
  }
  const entryId = newId();
  const rows = readings.map((reading) => ({ ...reading, entryId, quantity: 'tempC' as const }));
  for (let i = 0; i < rows.length; i += READINGS_AT_ONCE)
    await services.room.repository.readings.insert(who.houseId, rows.slice(i, i + READINGS_AT_ONCE));
  storyTime = now;
  await beginWalk(services, who, now);
  return { events: events.length, readings: readings.length };
}
