import { doseWords, groupBy, type Chore } from '../agenda';
import { inARow } from '../time';

/** From so many tanks on, what a rack is fed on a walk is one line. */
const FEWEST_STOPS = 3;
const FEED = /^Feed /u;

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
    doseWords(Math.round(same.reduce((sum, { value }) => sum + value, 0) * 1000) / 1000, unit),
  );
  return inARow(sums);
}

/** What a rack is fed, in words. @param chores - its meals that are still open, or all when none is */
function rackWords(rackCode: string, chores: readonly Chore[], tanks: number): string {
  const foods = [...groupBy(chores, ({ text }) => text.replace(FEED, ''))].map(([food, same]) =>
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
    const open = along.filter(({ meals }) => meals.some(({ outcome }) => !outcome));
    const said = open.length > 0 ? open : along;
    const chores = said.flatMap(({ meals }) => (open.length > 0 ? meals.filter(({ outcome }) => !outcome) : meals));
    return [
      {
        rackCode: first.rackCode,
        walk: first.walk,
        words: rackWords(first.rackCode, chores, said.length),
        stops: along.map(({ tankId, meals }) => ({ tankId, keys: meals.map(({ key }) => key) })),
      },
    ];
  });
}
