import * as v from 'valibot';
import { DECISIONS, FAULTS, MOST_CLASSES, type Decision, type Fault } from '@freshet/core/growout';
import { LOSS_CAUSES } from '@freshet/core/stock';
import { Day, Id, Instant, Override, WholeCount } from '../values';

const some = v.pipe(WholeCount, v.minValue(1, 'At least one.'));
const Millimetres = v.pipe(v.number('Give a length in mm.'), v.gtValue(0, 'Above 0 mm.'), v.maxValue(500, 'At most 500 mm.'));

/** The moves of a plan of places, in place of those of the plan before; none drops it. */
export const TakePlaces = v.object({
  id: Id,
  at: Instant,
  moves: v.pipe(
    v.array(v.object({ moveId: Id, lotId: Id, toTankId: Id, heads: some, on: Day })),
    v.maxLength(60, 'At most 60 moves.'),
  ),
});

/** What became of those that were booked and not found: booked wrongly, or one of the causes of a loss. */
export const REST = ['wrongCount', ...LOSS_CAUSES.filter((cause) => cause !== 'sale' && cause !== 'gift')] as const;
const Celsius = v.pipe(v.number('Give degrees.'), v.minValue(-2, 'Not below -2 °C.'), v.maxValue(40, 'At most 40 °C.'));
const words = (most: number) => v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(most, `At most ${most} letters.`)));

/** How a tank or pond was drained. */
export const Drained = v.object({
  fromC: v.nullable(Celsius),
  toC: v.nullable(Celsius),
  minutes: v.nullable(v.pipe(v.number('Give minutes.'), v.minValue(0, 'Not below 0.'), v.maxValue(1440, 'At most a day.'))),
  hoseChecked: v.boolean(),
  byCatch: words(120),
  refilled: v.boolean(),
  nextOn: v.nullable(Day),
});

/** Young of a lot counted by class, each class into its tank; what is missing is said. A drained pond is counted the same way. */
export const SortYoung = v.pipe(
  v.object({
    id: Id,
    lotId: Id,
    at: Instant,
    classes: v.pipe(
      v.array(
        v.object({
          lotId: Id,
          name: v.pipe(v.string(), v.trim(), v.minLength(1, 'What is the class called?'), v.maxLength(30, 'At most 30 letters.')),
          heads: WholeCount,
          /** Null where they stay. */
          toTankId: v.nullable(Id),
          /** Their usual length. */
          lengthMm: v.nullable(Millimetres),
        }),
      ),
      v.minLength(1, 'At least one class.'),
      v.maxLength(MOST_CLASSES, `At most ${MOST_CLASSES} classes: more cannot be kept apart.`),
    ),
    rest: v.nullable(v.picklist(REST)),
    drained: v.nullable(Drained),
    override: Override,
  }),
  v.forward(
    v.partialCheck(
      [['classes']],
      ({ classes }) => classes.filter(({ toTankId, heads }) => toTankId === null && heads > 0).length < 2,
      'Only one class can stay: the others need a tank each.',
    ),
    ['classes'],
  ),
  v.forward(
    v.partialCheck(
      [['classes']],
      ({ classes }) => {
        const tanks = classes.flatMap(({ toTankId, heads }) => (toTankId && heads > 0 ? [toTankId] : []));
        return new Set(tanks).size === tanks.length;
      },
      'Two classes go into one tank: they would be mixed again.',
    ),
    ['classes'],
  ),
);

const countsOf = <const Key extends string>(keys: readonly Key[]) =>
  v.object(
    Object.fromEntries(keys.map((key) => [key, v.optional(WholeCount, 0)])) as Record<
      Key,
      v.OptionalSchema<typeof WholeCount, 0>
    >,
  );
const sum = (counts: Readonly<Record<string, number>>) => Object.values(counts).reduce((all, count) => all + count, 0);

/** Young of a lot looked at one by one: what is wrong with how many, and what becomes of them. */
export const SelectYoung = v.pipe(
  v.object({
    id: Id,
    lotId: Id,
    at: Instant,
    seen: some,
    faults: countsOf<Fault>(FAULTS),
    decisions: countsOf<Decision>(DECISIONS),
    note: words(200),
  }),
  v.forward(
    v.partialCheck(
      [['seen'], ['decisions']],
      ({ seen, decisions }) => sum(decisions) <= seen,
      'More are decided than were looked at.',
    ),
    ['decisions'],
  ),
  v.forward(
    v.partialCheck(
      [['seen'], ['faults']],
      ({ seen, faults }) => Object.values(faults).every((count) => count <= seen),
      'More have a fault than were looked at.',
    ),
    ['faults'],
  ),
);

const count = v.number();
/** What grow-out wrote down of a species. */
export const GrowoutRecord = v.object({
  speciesKey: v.string(),
  speciesName: v.string(),
  /** Broods that were sorted by size, with when and into what. */
  sortings: v.array(
    v.object({
      id: v.string(),
      broodId: v.nullable(v.string()),
      at: v.string(),
      tankCode: v.nullable(v.string()),
      booked: count,
      classes: v.array(v.object({ name: v.string(), heads: count, lengthMm: v.nullable(v.number()) })),
      missing: count,
      drained: v.nullable(Drained),
    }),
  ),
  selections: v.array(
    v.object({
      id: v.string(),
      broodId: v.string(),
      broodName: v.string(),
      cross: v.string(),
      at: v.string(),
      seen: count,
      faults: v.record(v.string(), count),
      decisions: v.record(v.string(), count),
      note: v.nullable(v.string()),
    }),
  ),
  /** Who lives now by stage, and what came and went in a year. */
  flow: v.object({
    breeders: count,
    eggs: count,
    fry: count,
    growing: count,
    ready: count,
    chosen: count,
    retired: count,
    born: count,
    sold: count,
    given: count,
    lost: count,
  }),
});
