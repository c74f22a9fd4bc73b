import { type CultureFood, type fryRation } from '../../larder';
import { FOOD_NAMES } from '../../stock';
import type { Day } from '../../time';
import { formatNumber } from '../../units';

/** What a chore is about. */
export type ChoreKind =
  | 'feed'
  | 'pickWhite'
  | 'change'
  | 'dye'
  | 'look'
  | 'removeAdults'
  | 'temperature'
  | 'startCulture'
  | 'setHatch'
  | 'feedCulture'
  | 'checkRipe'
  | 'harvest'
  | 'renewCulture'
  | 'trigger'
  | 'setUp'
  | 'waterChange'
  | 'feedFilter'
  | 'testWater'
  | 'calibrate'
  | 'condition'
  | 'score';

/** What "done" also logs besides the chore itself. */
export type ChoreLog =
  | { kind: 'hatched' | 'freeSwimming' | 'white'; broodId: string }
  | { kind: 'temperature'; tankId: string }
  | { kind: 'cultureFed' | 'cultureHarvested' | 'cultureRipe'; cultureId: string }
  | { kind: 'cultureStarted'; food: CultureFood }
  | { kind: 'triggered'; attemptId: string }
  | { kind: 'waterChange' | 'filterFed'; tankId: string }
  | { kind: 'calibrated'; meterId: string };

/** One thing to do or to look for at a stop; computed, never stored. */
export interface Chore {
  /** Stable for one subject and day, so that an outcome finds its chore again. */
  key: string;
  kind: ChoreKind;
  /** `watch` is looked for and may be logged; `do` is ticked. */
  mark: 'do' | 'watch';
  text: string;
  amount: { value: number; unit: string } | null;
  /** The amount as shown, "3 × 2 ml"; may hold words only. */
  amountText: string;
  why: string[];
  caution: string | null;
  overdue: boolean;
  log: ChoreLog | null;
  outcome: { entryId: string; status: 'done' | 'skipped'; amount: number | null; by: string } | null;
}

type Draft = Omit<Chore, 'key' | 'mark' | 'amount' | 'amountText' | 'why' | 'caution' | 'overdue' | 'log' | 'outcome'> &
  Partial<Chore>;

/** A chore with its key and everything it does not say left empty. */
export function chore(draft: Draft & { subject: string; day: Day }): Chore {
  const { subject, day, ...rest } = draft;
  return {
    key: `${draft.kind}:${subject}:${day}`,
    mark: 'do',
    amount: null,
    amountText: '',
    why: [],
    caution: null,
    overdue: false,
    log: null,
    outcome: null,
    ...rest,
  };
}

/** A feeding as a chore. */
export function feedChore(subject: string, day: Day, ration: ReturnType<typeof fryRation>, extra: Partial<Chore> = {}): Chore {
  const plural =
    ration.perMeal > 1 && (ration.unit === 'smear' || ration.unit === 'drop' || ration.unit === 'spatula')
      ? 's'
      : ration.unit === 'pinch' && ration.perMeal > 1
        ? 'es'
        : '';
  const each = `${formatNumber(ration.perMeal)} ${ration.unit}${plural}`;
  const name = FOOD_NAMES[ration.food];
  return chore({
    kind: 'feed',
    subject,
    day,
    text: name.charAt(0).toUpperCase() + name.slice(1),
    amount: { value: ration.perMeal * ration.mealsPerDay, unit: ration.unit },
    amountText: ration.mealsPerDay > 1 ? `${ration.mealsPerDay} × ${each}` : each,
    why: ration.why,
    ...extra,
  });
}
