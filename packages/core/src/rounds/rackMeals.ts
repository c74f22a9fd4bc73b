import { doseSum, foodOf, groupBy, type Chore } from '../agenda';
import { inARow } from '../time';

/** From so many tanks on, what a rack is fed on a walk is one line. */
const FEWEST_STOPS = 3;

/** All that a rack is fed on one walk: one line that opens to its tanks, ticked as one or tank by tank. */
export interface RackMeal {
  rackCode: string;
  walk: number;
  /** "Feed rack A, 13 tanks: brine shrimp 62 ml; pellets 11 pinches and 3.2 g": what to have in hand before walking along. */
  words: string;
  /** Keys of its chores by stop, in walking order; those already logged too. */
  stops: { tankId: string; keys: string[] }[];
}

interface FedStop {
  tankId: string | null;
  rackCode: string;
  quarantine: boolean;
  chores: readonly Chore[];
}

/** How much of one food over all tanks, a sum for each way it is measured; empty where nothing is measured. */
function together(chores: readonly Chore[]): string {
  const measured = chores.flatMap(({ amount }) => (amount && amount.unit !== 'trace' ? [amount] : []));
  const sums = [...groupBy(measured, ({ unit }) => unit)].map(([unit, same]) =>
    doseSum(
      same.map(({ value }) => value),
      unit,
    ),
  );
  return inARow(sums);
}

/** What a rack is fed, in words. @param meals - of each tank that is said, in walking order */
function rackWords(rackCode: string, meals: readonly (readonly Chore[])[]): string {
  const tanks = meals.length;
  const foods = [...groupBy(meals.flat(), ({ text }) => foodOf(text))].map(([food, same]) =>
    `${food} ${together(same)}`.trimEnd(),
  );
  return `Feed rack ${rackCode}, ${tanks} ${tanks === 1 ? 'tank' : 'tanks'}: ${foods.join('; ')}`;
}

/**
 * The feedings of each rack and walk as one line each, where a rack has tanks enough. Quarantine is fed by itself, with its own tools.
 * @param stops - in walking order
 */
export function rackMeals(stops: readonly FedStop[]): RackMeal[] {
  const fed = stops.flatMap(({ tankId, rackCode, quarantine, chores }) =>
    tankId === null || quarantine || rackCode === ''
      ? []
      : [
          ...groupBy(
            chores.filter(({ meal }) => meal),
            ({ walk }) => String(walk),
          ),
        ].map(([walk, meals]) => ({
          tankId,
          rackCode,
          walk: Number(walk),
          meals,
        })),
  );
  return [...groupBy(fed, ({ rackCode, walk }) => `${walk} ${rackCode}`).values()].flatMap((along): RackMeal[] => {
    const [first] = along;
    if (!first || along.length < FEWEST_STOPS) return [];
    const open = along.map(({ meals }) => meals.filter(({ outcome }) => !outcome)).filter((meals) => meals.length > 0);
    // A rack that is fed says all it was.
    const said = open.length > 0 ? open : along.map(({ meals }) => meals);
    return [
      {
        rackCode: first.rackCode,
        walk: first.walk,
        words: rackWords(first.rackCode, said),
        stops: along.map(({ tankId, meals }) => ({ tankId, keys: meals.map(({ key }) => key) })),
      },
    ];
  });
}
