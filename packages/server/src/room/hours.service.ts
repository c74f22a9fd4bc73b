import { v7 as newId } from 'uuid';
import { USUAL_HOURS, type HouseHours } from '@freshet/core/room';
import { sun } from '@freshet/core/sky';
import { houseDay, localTime } from '@freshet/core/time';
import type { LogService } from '../log';
import { type Clock, type Database, type Reading, type Who } from '../platform';
import { createHoursRepository } from './hours.repository';

/** Hours in words, for two that do not agree. */
const hoursWords = ({ walks, lampOn, lampOff }: Pick<HouseHours, 'lampOn' | 'lampOff'> & { walks: readonly string[] }): string =>
  `walks at ${walks.join(', ')}, ${lampOn && lampOff ? `lamps ${lampOn} to ${lampOff}` : 'no lamp timer'}`;

/** When the house is walked, when its lamps burn, where it stands. */
export function createHours({ database, clock, log }: { database: Database; clock: Clock; log: LogService }) {
  const repository = createHoursRepository(database);

  async function current(at: Reading): Promise<Omit<HouseHours, 'walks'> & { walks: string[]; version: string | null }> {
    const said = await repository.newest(at);
    if (!said) return { ...USUAL_HOURS, walks: [...USUAL_HOURS.walks], ...(await repository.place(at)), version: null };
    const { walks, lampOn, lampOff, fastOn, newFoodOn, longWalk, latitude, longitude, entryId } = said;
    return { walks, lampOn, lampOff, fastOn, newFoodOn, longWalk, latitude, longitude, version: entryId };
  }

  log.declare({
    hours: {
      apply: async (scope, body) => {
        const before = await repository.newest(scope);
        await log.mustBeNewest(scope, body.version, before, {
          theirs: hoursWords(before ?? USUAL_HOURS),
          yours: hoursWords(body),
        });
        const { walks, lampOn, lampOff, fastOn, newFoodOn, longWalk, latitude, longitude } = body;
        await repository.hours.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          walks: [...walks],
          lampOn,
          lampOff,
          fastOn: fastOn ?? null,
          newFoodOn: newFoodOn ?? null,
          longWalk: longWalk ?? null,
          latitude,
          longitude,
          at: scope.now,
        });
        return { text: `Hours of the house: walks at ${walks.join(', ')}` };
      },
      undo: { tables: [repository.hours] },
    },
  });

  return {
    current,
    /** When light comes today by the house's clock: outdoors the sun's, inside the lamp timer's, else the sun's; null when neither is known. */
    async firstLight(who: Who, outdoor = false): Promise<string | null> {
      const { lampOn, latitude, longitude } = await current(who);
      if (lampOn && !outdoor) return lampOn;
      if (latitude === null || longitude === null) return null;
      const { civilDawn } = sun({ date: houseDay(clock.now(), who.timeZone), latitude, longitude });
      return civilDawn && localTime(civilDawn, who.timeZone);
    },
  };
}
export type HoursService = ReturnType<typeof createHours>;
