import * as v from 'valibot';
import { endpoint } from '../endpoints';
import { EVERYTHING, Written } from '../log';
import { Code, Id, Instant, Name, Override } from '../values';

const side = (what: string) =>
  v.pipe(
    v.number(`Give the ${what}.`),
    v.minValue(1, `The ${what} is at least 1 cm.`),
    v.maxValue(1000, `The ${what} is at most 1000 cm.`),
  );

/** What can be measured in a tank, with unit and what a meter could possibly show. */
export const READING_LIMITS = {
  tempC: { label: 'Temperature', unit: '°C', min: 0, max: 45 },
  ph: { label: 'pH', unit: '', min: 3, max: 11 },
  ghDeg: { label: 'GH', unit: '°dGH', min: 0, max: 100 },
  khDeg: { label: 'KH', unit: '°dKH', min: 0, max: 60 },
  tdsPpm: { label: 'TDS', unit: 'ppm', min: 0, max: 5000 },
  ammoniaPpm: { label: 'Ammonia', unit: 'mg/L', min: 0, max: 100 },
  nitritePpm: { label: 'Nitrite', unit: 'mg/L', min: 0, max: 100 },
  nitratePpm: { label: 'Nitrate', unit: 'mg/L', min: 0, max: 1000 },
} as const;
export type Quantity = keyof typeof READING_LIMITS;
export const QUANTITIES = Object.keys(READING_LIMITS) as [Quantity, ...Quantity[]];

export const NewRack = v.object({
  id: Id,
  code: Code,
  name: Name,
  kind: v.picklist(['rack', 'stand', 'yard']),
  quarantine: v.boolean(),
  /** Name of the shared sump; null when every tank stands alone. */
  sump: v.nullable(Name),
});

export const NewShelf = v.object({
  id: Id,
  rackId: Id,
  lengthCm: side('length of the shelf'),
  depthCm: side('depth of the shelf'),
  heightCm: side('height above the shelf'),
  loadLimitKg: v.nullable(
    v.pipe(
      v.number('Give the load limit.'),
      v.gtValue(0, 'A load limit is above 0 kg.'),
      v.maxValue(10_000, 'At most 10 000 kg.'),
    ),
  ),
});

export const NewTank = v.object({
  id: Id,
  shelfId: Id,
  code: Code,
  lengthCm: side('length'),
  widthCm: side('width'),
  heightCm: side('height'),
  waterHeightCm: v.pipe(
    v.number('Give the height of the water.'),
    v.minValue(0, 'The water is at least 0 cm high.'),
    v.maxValue(1000, 'At most 1000 cm.'),
  ),
  glassMm: v.nullable(
    v.pipe(v.number(), v.minValue(2, 'Glass is 2 to 50 mm thick.'), v.maxValue(50, 'Glass is 2 to 50 mm thick.')),
  ),
  substrateKg: v.pipe(
    v.number('Give the weight.'),
    v.minValue(0, 'A weight cannot be negative.'),
    v.maxValue(2000, 'At most 2000 kg.'),
  ),
  /** Which side is to the front. */
  facing: v.picklist(['long', 'short']),
  /** Left edge on the shelf; null puts it behind the last. */
  leftCm: v.nullable(v.pipe(v.number(), v.minValue(0), v.maxValue(1000))),
  override: Override,
});

export const NewReading = v.pipe(
  v.object({
    id: Id,
    tankId: Id,
    quantity: v.picklist(QUANTITIES),
    value: v.number('Give a value.'),
    at: Instant,
    override: Override,
  }),
  v.forward(
    v.partialCheck(
      [['quantity'], ['value']],
      ({ quantity, value }) => value >= READING_LIMITS[quantity].min && value <= READING_LIMITS[quantity].max,
      (issue) => {
        const { quantity } = issue.input;
        const limit = READING_LIMITS[quantity];
        return `${limit.label} lies between ${limit.min} and ${limit.max} ${limit.unit}`.trim() + '.';
      },
    ),
    ['value'],
  ),
);

export const Tank = v.object({
  id: v.string(),
  shelfId: v.string(),
  code: v.string(),
  lengthCm: v.number(),
  widthCm: v.number(),
  heightCm: v.number(),
  waterHeightCm: v.number(),
  glassMm: v.number(),
  facing: v.picklist(['long', 'short']),
  leftCm: v.number(),
  litres: v.number(),
  totalKg: v.number(),
  kgPerM2: v.number(),
});

export const RoomReply = v.object({
  racks: v.array(
    v.object({
      id: v.string(),
      code: v.string(),
      name: v.string(),
      kind: v.picklist(['rack', 'stand', 'yard']),
      position: v.number(),
      quarantine: v.boolean(),
      sump: v.nullable(v.string()),
      shelves: v.array(
        v.object({
          id: v.string(),
          level: v.number(),
          lengthCm: v.number(),
          depthCm: v.number(),
          heightCm: v.number(),
          loadLimitKg: v.nullable(v.number()),
          loadKg: v.number(),
          tanks: v.array(Tank),
        }),
      ),
    }),
  ),
});

const ROOM = ['/api/room', '/api/rounds', '/api/entries', '/api/horizon'];

export const roomEndpoints = {
  room: endpoint({
    method: 'GET',
    path: '/api/room',
    summary: 'Racks, shelves and tanks as they stand',
    role: 'viewer',
    reply: RoomReply,
  }),
  addRack: endpoint({
    method: 'POST',
    path: '/api/racks',
    summary: 'Add a rack, stand or yard',
    role: 'keeper',
    body: NewRack,
    reply: Written,
    touches: ROOM,
  }),
  addShelf: endpoint({
    method: 'POST',
    path: '/api/shelves',
    summary: 'Add a shelf below the others of a rack',
    role: 'keeper',
    body: NewShelf,
    reply: Written,
    touches: ROOM,
  }),
  addTank: endpoint({
    method: 'POST',
    path: '/api/tanks',
    summary: 'Add a tank by its measurements',
    role: 'keeper',
    body: NewTank,
    reply: Written,
    touches: ROOM,
  }),
  readings: endpoint({
    method: 'GET',
    path: '/api/tanks/:tankId/readings',
    summary: 'Readings of one tank, oldest first',
    role: 'viewer',
    query: v.object({ days: v.optional(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(1), v.maxValue(800))) }),
    reply: v.array(v.object({ id: v.string(), quantity: v.picklist(QUANTITIES), value: v.number(), at: v.string() })),
  }),
  addReading: endpoint({
    method: 'POST',
    path: '/api/readings',
    summary: 'Log a reading',
    role: 'sitter',
    body: NewReading,
    reply: Written,
    touches: EVERYTHING,
  }),
};
