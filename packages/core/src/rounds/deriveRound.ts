import { groupBy, mealsOf, type Alarm, type Bench, type Chore, type ChoreKind, type LoggedOutcome, type Meal } from '../agenda';
import { describeTank, type HouseView, type TankWords } from '../house';
import { compareWalk, type WalkPlace } from '../room';
import { exposureFacts, illnessIn } from '../room';
import type { Day } from '../time';
import { formatNumber } from '../units';
import { AGENDAS, ALARM_ORDER } from './agendas';
import { rackMeals, type RackMeal } from './rackMeals';

/** One stop of the walk. */
export interface RoundStop extends TankWords {
  /** Null for a bench, such as the shelf where cultures without a tank stand. */
  tankId: string | null;
  code: string;
  rackCode: string;
  quarantine: boolean;
  /** To know, not to tick. */
  notes: string[];
  chores: Chore[];
  /** What is still to be fed here, a line a walk. */
  meals: Meal[];
}

/** The round of one day. */
export interface Round {
  day: Day;
  stops: RoundStop[];
  /** What whole racks are fed, a line a rack and walk. */
  rackMeals: RackMeal[];
  alarms: Alarm[];
  /** Times of the day's walks. */
  walks: readonly string[];
  total: number;
  done: number;
  /** Rough minutes for what is left. */
  minutesLeft: number;
}

const kindsThat = (is: (kind: ChoreKind) => boolean): ReadonlySet<string> =>
  new Set(AGENDAS.flatMap(({ kinds }) => Object.values(kinds).flatMap((kind) => (is(kind) ? [kind.name] : []))));
/** Kinds that stay until they are done. */
const STAYING = kindsThat(({ stays }) => stays);
/** Kinds that are bound to no hour. */
const LONG_WORK = kindsThat(({ anyHour }) => anyHour);
/** A chore's key but for its day. */
const withoutDay = (key: string) => key.slice(0, key.lastIndexOf(':'));

/** Benches come after the last rack. */
const BENCH_POSITION = 800;

/** A chore that is gone (a culture that was started) but was logged: it stays visible as done. */
function leftOver({ choreKey, text, unit, entryId, status, amount, by }: LoggedOutcome): Chore {
  return {
    key: choreKey,
    kind: choreKey.split(':')[0] ?? '',
    way: 'do',
    seconds: 0,
    covers: [],
    asks: null,
    text,
    amount: null,
    amountText: amount === null ? '' : `${formatNumber(amount)} ${unit ?? ''}`,
    more: '',
    meal: false,
    why: [],
    caution: null,
    walk: 0,
    overdue: false,
    tick: null,
    outcome: { entryId, status, amount, by },
  };
}

/** The chores of one place: each once, without those another covers, with what was logged for them. */
function settle(due: readonly Chore[], logged: readonly LoggedOutcome[]): Chore[] {
  const covered = new Set(due.flatMap((chore) => chore.covers));
  const unique = new Map(due.filter((chore) => !covered.has(chore.kind)).map((chore) => [chore.key, chore]));
  const outcomes = new Map(logged.map((outcome) => [outcome.choreKey, outcome]));
  return [
    ...[...unique.values()].map((chore) => {
      const outcome = outcomes.get(chore.key);
      if (!outcome) return chore;
      const { entryId, status, amount, by } = outcome;
      return { ...chore, overdue: false, outcome: { entryId, status, amount, by } };
    }),
    ...logged.filter(({ choreKey }) => !unique.has(choreKey)).map(leftOver),
  ];
}

/** Stops of the tanks that have something to do or to know. */
function tankStops(
  view: HouseView,
  due: ReadonlyMap<string, Chore[]>,
  logged: ReadonlyMap<string, LoggedOutcome[]>,
): { place: WalkPlace; stop: RoundStop }[] {
  return view.room.tanks.flatMap((tank) => {
    const chores = settle(due.get(tank.id) ?? [], logged.get(tank.id) ?? []);
    const notes = [...new Set(AGENDAS.flatMap((agenda) => agenda.notes?.(view, tank.id) ?? []))];
    if (chores.length === 0 && (notes.length === 0 || !view.lotsByTank.has(tank.id))) return [];
    const { rackPosition, shelfLevel, leftCm, code, rackCode } = tank;
    // Whoever is ill is served last, as quarantine is.
    const quarantine = tank.quarantine || illnessIn(exposureFacts(view), tank.id) !== null;
    const nursery = view.broodsByTank.has(tank.id);
    return [
      {
        place: { quarantine, rackPosition, nursery, shelfLevel, leftCm, code },
        stop: {
          tankId: tank.id,
          code,
          rackCode,
          quarantine,
          ...describeTank(view, tank.id),
          notes,
          chores,
          meals: mealsOf(chores),
        },
      },
    ];
  });
}

function benchStop(bench: Bench, position: number, chores: Chore[]): { place: WalkPlace; stop: RoundStop } {
  return {
    place: {
      quarantine: false,
      rackPosition: BENCH_POSITION + position,
      nursery: false,
      shelfLevel: 0,
      leftCm: 0,
      code: bench.code,
    },
    stop: { tankId: null, rackCode: '', quarantine: false, notes: [], ...bench, chores, meals: [] },
  };
}

/**
 * The round of a day: every stop with its chores, in the order of one walk through the room, with the outcomes logged so far. It
 * merges what the areas ask for and knows no kind of chore by name. Nothing of it is stored; planning again with newer facts is
 * always consistent.
 * @param day - the view's day
 * @param before - the round of today when a coming day is asked for: what stays until it is done is asked for once
 */
export function deriveRound(view: HouseView, day: Day, before: Round | null = null): Round {
  const asked = new Set(
    before?.stops.flatMap(({ chores }) => chores.flatMap(({ key, outcome }) => (outcome ? [] : [withoutDay(key)]))) ?? [],
  );
  const isAsked = ({ kind, key }: Chore) => STAYING.has(kind) && asked.has(withoutDay(key));
  const { walks } = view.room.hours;
  const longWalk = Math.min(view.room.hours.longWalk ?? 0, walks.length - 1);
  const logged = view.outcomes.filter((outcome) => outcome.day === day);
  const loggedByTank = groupBy(logged, ({ tankId }) => tankId);
  const dueByTank = new Map<string, Chore[]>();
  const placed: { place: WalkPlace; stop: RoundStop }[] = [];
  for (const [i, agenda] of AGENDAS.entries()) {
    const onBench: Chore[] = [];
    for (const { tankId, chore } of agenda.chores?.(view, day) ?? []) {
      if (isAsked(chore)) continue;
      // Nothing of a coming day is late yet.
      const asked = { ...chore, ...(before ? { overdue: false } : {}), ...(LONG_WORK.has(chore.kind) ? { walk: longWalk } : {}) };
      if (tankId === null) onBench.push(asked);
      else dueByTank.set(tankId, [...(dueByTank.get(tankId) ?? []), asked]);
    }
    if (!agenda.bench) continue;
    const own = logged.filter(({ tankId, choreKey }) => tankId === null && (choreKey.split(':')[0] ?? '') in agenda.kinds);
    const chores = settle(onBench, own);
    if (chores.length > 0) placed.push(benchStop(agenda.bench, i, chores));
  }
  placed.push(...tankStops(view, dueByTank, loggedByTank));
  const stops = placed.sort((a, b) => compareWalk(a.place, b.place)).map(({ stop }) => stop);
  // A caution stands once on a walk, at the first stop it is for; further ones keep it under their why.
  const cautioned = new Set<string>();
  for (const stop of stops)
    stop.chores = stop.chores.map((chore) => {
      const { caution } = chore;
      if (!caution || chore.outcome) return chore;
      if (!cautioned.has(caution)) {
        cautioned.add(caution);
        return chore;
      }
      return { ...chore, caution: null, why: [...chore.why, caution] };
    });
  const chores = stops.flatMap((stop) => stop.chores);
  const open = chores.filter((chore) => !chore.outcome);
  return {
    day,
    stops,
    rackMeals: rackMeals(stops),
    alarms: before === null && day === view.today ? deriveAlarms(view) : [],
    walks,
    total: chores.length,
    done: chores.length - open.length,
    minutesLeft: Math.round(open.reduce((sum, chore) => sum + chore.seconds, 0) / 60),
  };
}

/** Everything that needs the keeper now, the pressing first; each cause once. */
export function deriveAlarms(view: HouseView): Alarm[] {
  const alarms = ALARM_ORDER.flatMap((agenda) => agenda.alarms?.(view) ?? []);
  const causes = new Set<string>();
  return [...alarms.filter((alarm) => alarm.severity === 'now'), ...alarms.filter((alarm) => alarm.severity === 'soon')].filter(
    ({ cause }) => {
      if (cause === undefined) return true;
      const isFirst = !causes.has(cause);
      causes.add(cause);
      return isFirst;
    },
  );
}
