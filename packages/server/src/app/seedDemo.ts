import { v7 as newId } from 'uuid';
import { DEMO_ACCOUNTS, DEMO_HOUSE, saltingsShed, type StoryEvent } from '@freshet/demo';
import type { Database, Who } from '../platform';
import { compose, type Services } from './compose';

const READINGS_AT_ONCE = 2000;
/** Stops of today's walk that are ticked already when the demonstration opens. */
const STOPS_DONE = 4;

/** Parts of the story, each played by the service a keeper's own write would reach. */
type Part = { [Event in StoryEvent as Event['name']]?: (who: Who, body: Event['body']) => Promise<unknown> };

const partsOf = ({
  room,
  readiness,
  water,
  probes,
  biosecurity,
  stock,
  lines,
  spawning,
  broods,
  larder,
  growout,
  sales,
  house,
}: Services): Part => ({
  addRack: room.addRack,
  addShelf: room.addShelf,
  addTank: room.addTank,
  addReading: room.addReading,
  equip: room.equip,
  tankEvent: readiness.tankEvent,
  addWater: water.addWater,
  addAnalysis: water.addAnalysis,
  logChange: water.logChange,
  setRegime: water.setRegime,
  addMeter: water.addMeter,
  calibrate: water.calibrate,
  addProbe: probes.addProbe,
  logIllness: biosecurity.logIllness,
  logContact: biosecurity.logContact,
  addLot: stock.addLot,
  move: stock.move,
  lose: stock.lose,
  count: stock.count,
  importLots: lines.importLots,
  describeLot: lines.broodstock.describeLot,
  assessSex: lines.broodstock.assessSex,
  scoreCondition: lines.broodstock.scoreCondition,
  addProgramme: lines.broodstock.addProgramme,
  gradeLot: lines.broodstock.gradeLot,
  logThrowback: lines.broodstock.logThrowback,
  setParents: lines.kinship.setParents,
  defineGene: lines.kinship.defineGene,
  setGenotype: lines.kinship.setGenotype,
  addAttempt: spawning.addAttempt,
  trigger: spawning.trigger,
  logSettling: spawning.logSettling,
  saveRecipe: spawning.recipes.save,
  endAttempt: spawning.endAttempt,
  addClutch: broods.addClutch,
  observe: broods.observe,
  pickWhite: broods.pickWhite,
  keepEggs: broods.keepEggs,
  pickEggs: broods.pickEggs,
  bagPeat: broods.bagPeat,
  addCulture: larder.addCulture,
  cultureEvent: larder.cultureEvent,
  addShelfItem: larder.shelf.addShelfItem,
  shelfEvent: larder.shelf.shelfEvent,
  measureDose: larder.shelf.measureDose,
  mealLook: larder.shelf.mealLook,
  seePest: larder.pests.seePest,
  sampleLengths: (who, body) => lines.broodstock.sampleLengths(who, body),
  sortYoung: (who, body) => growout.sortYoung(who, body),
  selectYoung: growout.selectYoung,
  noteOutlet: (who, body) => sales.outlets.note(who, body),
  order: async (who, body) => sales.orders.order(who, body, await house.view(who)),
  sell: async (who, body) => sales.selling.sell(who, body, await house.view(who)),
  complain: (who, body) => sales.selling.complain(who, body),
  setRates: (who, body) => sales.money.setRates(who, body),
  noteMoney: async (who, body) => sales.money.note(who, body, await house.view(who)),
  takePlaces: async (who, body) => growout.takePlaces(who, body, await house.view(who)),
});

async function play(parts: Part, who: Who, event: StoryEvent): Promise<unknown> {
  const part = parts[event.name] as ((who: Who, body: StoryEvent['body']) => Promise<unknown>) | undefined;
  if (!part) throw new Error(`The story has no part for ${event.name}`);
  return part(who, event.body);
}

/** Ticks the first stops of today's round, as the keeper who has begun the walk. */
async function beginWalk(services: Services, who: Who, now: string): Promise<void> {
  const round = await services.rounds.round(who, undefined);
  for (const stop of round.stops.slice(0, STOPS_DONE))
    for (const chore of stop.chores.filter(({ way }) => way === 'do'))
      await services.rounds.outcome(who, {
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
  const parts = partsOf(services);
  for (const event of events) {
    storyTime = event.at;
    try {
      await play(parts, who, event);
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
