import * as v from 'valibot';
import { FURNISHINGS, METHODS, QUANTITIES, TANK_EVENTS, type Quantity } from '@freshet/core/room';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Code, Id, Instant, Name, Note, Override, Version } from '../values';
import { Vessel } from './vessels.endpoints';

export { QUANTITIES, type Quantity } from '@freshet/core/room';

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
  oxygenPpm: { label: 'Oxygen', unit: 'mg/L', min: 0, max: 30 },
} as const satisfies Record<Quantity, { label: string; unit: string; min: number; max: number }>;

export const NewRack = v.object({
  id: Id,
  code: Code,
  name: Name,
  kind: v.picklist(['rack', 'stand', 'yard']),
  quarantine: v.boolean(),
  /** Name of the shared sump; null when every tank stands alone. */
  sump: v.nullable(Name),
  /** Name of its set of nets and hoses; absent or null for the house's, or its own in quarantine. */
  tools: v.optional(v.nullable(Name)),
  /** Length of its quarantine in days; absent for the usual. */
  quarantineDays: v.optional(
    v.nullable(
      v.pipe(
        v.number('Give the days.'),
        v.integer('Whole days.'),
        v.minValue(1, 'At least a day.'),
        v.maxValue(365, 'At most a year.'),
      ),
    ),
  ),
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
  /** Whether it is already running or is being set up; absent means that it runs. */
  state: v.optional(v.picklist(['running', 'setUp'])),
  override: Override,
});

/** A tank moved to another place. */
export const TankMove = v.object({
  id: Id,
  tankId: Id,
  shelfId: Id,
  facing: v.picklist(['long', 'short']),
  /** Left edge on the shelf; null puts it behind the last. */
  leftCm: v.nullable(
    v.pipe(
      v.number('Give the distance from the left.'),
      v.minValue(0, 'Not over the left end.'),
      v.maxValue(1000, 'At most 1000 cm.'),
    ),
  ),
  override: Override,
});

/** What a tank is equipped with, and its own rules of readiness. */
export const Equipment = v.object({
  /** 0 without a heater. */
  heaterW: v.pipe(
    v.number('Give the watts, 0 for none.'),
    v.minValue(0, 'Watts are 0 or more.'),
    v.maxValue(3000, 'At most 3000 W.'),
  ),
  filter: v.nullable(Name),
  hasLid: v.boolean(),
  hasIntakeGuard: v.boolean(),
  /** Days in a row that ammonia and nitrite must show nothing. */
  zeroDays: v.pipe(
    v.number('Give the days.'),
    v.integer('Whole days.'),
    v.minValue(1, 'At least a day.'),
    v.maxValue(60, 'At most 60 days.'),
  ),
  /** Rest after refilling. */
  restDays: v.pipe(
    v.number('Give the days.'),
    v.integer('Whole days.'),
    v.minValue(0, 'Not negative.'),
    v.maxValue(60, 'At most 60 days.'),
  ),
  /** Hiding places in it; null where nobody counted. */
  shelters: v.optional(
    v.nullable(
      v.pipe(
        v.number('Give the hiding places.'),
        v.integer('Whole hiding places.'),
        v.minValue(0, 'Not negative.'),
        v.maxValue(500, 'At most 500.'),
      ),
    ),
  ),
  /** How far it is cooled at night on purpose, K; 0 or absent where it is not. */
  nightDropC: v.optional(
    v.pipe(v.number('Give the degrees, 0 for none.'), v.minValue(0, 'Not negative.'), v.maxValue(12, 'At most 12 °C.')),
  ),
  /** Whether algae grow under its lamp for those that graze. */
  growsAlgae: v.optional(v.boolean()),
  /** What’s in it, as one who must catch animals sees it; null where nobody noted it. */
  furnishing: v.optional(v.nullable(v.picklist(FURNISHINGS))),
  /** Heat it was measured to lose, W for each °C warmer than the room; null where nobody measured. */
  lossWPerK: v.optional(
    v.nullable(
      v.pipe(
        v.number('Give W for each °C.'),
        v.gtValue(0, 'Above 0 W for each °C.'),
        v.maxValue(500, 'At most 500 W for each °C.'),
      ),
    ),
  ),
});
export const NewEquipment = v.object({ id: Id, tankId: Id, ...Equipment.entries, version: Version, override: Override });

/** Something done to a tank that counts for its readiness. */
export const NewTankEvent = v.object({ id: Id, tankId: Id, kind: v.picklist(TANK_EVENTS), at: Instant, note: v.optional(Note) });

export const NewReading = v.pipe(
  v.object({
    id: Id,
    tankId: Id,
    quantity: v.picklist(QUANTITIES),
    value: v.number('Give a value.'),
    /** How it was measured; absent counts as drops, a temperature as a meter. */
    method: v.optional(v.picklist(METHODS)),
    meterId: v.optional(v.nullable(Id)),
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
  equipment: v.object({
    heaterW: v.number(),
    filter: v.nullable(v.string()),
    hasLid: v.boolean(),
    hasIntakeGuard: v.boolean(),
    zeroDays: v.number(),
    restDays: v.number(),
    shelters: v.nullable(v.number()),
    nightDropC: v.number(),
    growsAlgae: v.boolean(),
    furnishing: v.nullable(v.picklist(FURNISHINGS)),
    lossWPerK: v.nullable(v.number()),
    /** Entry that last said it; null while nobody did. */
    version: v.nullable(v.string()),
  }),
});

export const RoomReply = v.object({
  /** Boxes, bags and jars in use, by code. */
  vessels: v.array(Vessel),
  racks: v.array(
    v.object({
      id: v.string(),
      code: v.string(),
      name: v.string(),
      kind: v.picklist(['rack', 'stand', 'yard']),
      position: v.number(),
      quarantine: v.boolean(),
      sump: v.nullable(v.string()),
      tools: v.nullable(v.string()),
      quarantineDays: v.number(),
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

/** What is logged here: who may, and which addresses show it. */
export const roomEntries = entries({
  rack: { role: 'keeper', words: 'rack added', touches: [...TOUCHES.room] },
  shelf: { role: 'keeper', words: 'shelf added', touches: [...TOUCHES.room] },
  tank: { role: 'keeper', words: 'tank added', touches: [...TOUCHES.room] },
  tankMove: { role: 'keeper', words: 'tank moved', touches: [...TOUCHES.room] },
  equipment: { role: 'keeper', words: 'equipment', touches: [...TOUCHES.room] },
  tankEvent: { role: 'sitter', words: 'done to a tank', touches: [] },
  reading: { role: 'sitter', words: 'reading', touches: [...TOUCHES.tanks, ...TOUCHES.probes] },
});

export const roomEndpoints = {
  room: endpoint({
    method: 'GET',
    path: '/api/room',
    summary: 'Racks, shelves and tanks as they stand',
    role: 'viewer',
    reply: RoomReply,
  }),
  addRack: roomEntries.rack({
    path: '/api/racks',
    summary: 'Add a rack, stand or yard',
    body: NewRack,
  }),
  addShelf: roomEntries.shelf({
    path: '/api/shelves',
    summary: 'Add a shelf below the others of a rack',
    body: NewShelf,
  }),
  addTank: roomEntries.tank({
    path: '/api/tanks',
    summary: 'Add a tank by its measurements',
    body: NewTank,
  }),
  readings: endpoint({
    method: 'GET',
    path: '/api/tanks/:tankId/readings',
    summary: 'Readings of one tank, oldest first',
    role: 'viewer',
    query: v.object({ days: v.optional(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(1), v.maxValue(800))) }),
    reply: v.array(
      v.object({
        id: v.string(),
        quantity: v.picklist(QUANTITIES),
        value: v.number(),
        at: v.string(),
        method: v.picklist(METHODS),
        /** Half width of the error band, in the quantity's unit. */
        band: v.number(),
        /** Id of an earlier reading of the same water that it contradicts. */
        disagreesWith: v.nullable(v.string()),
      }),
    ),
  }),
  moveTank: roomEntries.tankMove({
    path: '/api/tank-moves',
    summary: 'Move a tank along its shelf or to another',
    body: TankMove,
  }),
  equip: roomEntries.equipment({
    path: '/api/equipment',
    summary: 'Say what a tank is equipped with, and its rules of readiness',
    body: NewEquipment,
  }),
  tankEvent: roomEntries.tankEvent({
    path: '/api/tank-events',
    summary: 'Log what was done to a tank: filled, filter fed, refilled, disinfected, heater tested …',
    body: NewTankEvent,
  }),
  addReading: roomEntries.reading({
    path: '/api/readings',
    summary: 'Log a reading',
    body: NewReading,
  }),
};
