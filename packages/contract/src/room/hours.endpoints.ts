import * as v from 'valibot';
import { MOST_WALKS, type HouseHours } from '@freshet/core/room';
import { endpoint } from '../endpoints';
import { entries } from '../log';
import { Id, Override, Version } from '../values';

const Time = v.pipe(v.string(), v.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time such as 07:30.'));
const degrees = (limit: number, words: string) =>
  v.nullable(v.pipe(v.number('Give degrees, such as 52.2.'), v.minValue(-limit, words), v.maxValue(limit, words)));

const Weekday = v.pipe(v.number(), v.integer(), v.minValue(1, 'Monday is 1.'), v.maxValue(7, 'Sunday is 7.'));

const hours = {
  walks: v.pipe(
    v.array(Time),
    v.minLength(1, 'At least one walk a day.'),
    v.maxLength(MOST_WALKS, `At most ${MOST_WALKS} walks a day.`),
    v.check((walks) => walks.every((walk, i) => i === 0 || (walks[i - 1] ?? '') < walk), 'The earlier walk first, each once.'),
  ),
  lampOn: v.nullable(Time),
  lampOff: v.nullable(Time),
  fastOn: v.nullable(Weekday),
  newFoodOn: v.nullable(Weekday),
  longWalk: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(MOST_WALKS - 1, 'Choose one of the walks.'))),
  latitude: degrees(90, 'Latitude is -90 to 90 degrees, north positive.'),
  longitude: degrees(180, 'Longitude is -180 to 180 degrees, east positive.'),
};

/** The hours of the house as they hold now. */
export const Hours = v.object({ ...hours, version: v.nullable(v.string()) }) satisfies v.GenericSchema<unknown, HouseHours>;

export const NewHours = v.pipe(
  v.object({
    id: Id,
    ...hours,
    fastOn: v.optional(hours.fastOn),
    newFoodOn: v.optional(hours.newFoodOn),
    longWalk: v.optional(hours.longWalk),
    version: Version,
    override: Override,
  }),
  v.forward(
    v.partialCheck(
      [['lampOn'], ['lampOff']],
      ({ lampOn, lampOff }) => (lampOn === null) === (lampOff === null),
      'A timer has both: on and off.',
    ),
    ['lampOff'],
  ),
  v.forward(
    v.partialCheck(
      [['latitude'], ['longitude']],
      ({ latitude, longitude }) => (latitude === null) === (longitude === null),
      'Give both degrees, or neither.',
    ),
    ['longitude'],
  ),
);

/** What is logged here: who may, and which addresses show it. */
export const hoursEntries = entries({
  hours: {
    role: 'keeper',
    words: 'hours of the house set',
    touches: ['/api/hours', '/api/attempts', '/api/evidence', '/api/lots'],
  },
});

export const hoursEndpoints = {
  hours: endpoint({
    method: 'GET',
    path: '/api/hours',
    summary: 'When the house is walked, when its lamps burn, where it stands',
    role: 'viewer',
    reply: Hours,
  }),
  setHours: hoursEntries.hours({ path: '/api/hours', summary: 'Save the hours of the house', body: NewHours }),
};
