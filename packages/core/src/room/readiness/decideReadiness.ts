import { addDays, daysBetween, type Day } from '../../time';
import { judgeCycling, type CyclingReading, type CyclingVerdict } from './cycling';

/** What a keeper does to a tank; each is one entry of the log. */
export const TANK_EVENTS = [
  'running',
  'setUp',
  'filled',
  'fed',
  'seeded',
  'soilLaid',
  'heaterTested',
  'emptied',
  'refilled',
  'disinfected',
  'rinsed',
  'quarantineBegan',
  'quarantineEnded',
] as const;
export type TankEventKind = (typeof TANK_EVENTS)[number];
export interface TankEvent {
  kind: TankEventKind;
  day: Day;
}

/** States a tank goes through. */
export const TANK_STATES = ['settingUp', 'cycling', 'ready', 'inUse', 'resting', 'empty', 'disinfected'] as const;
export type TankState = (typeof TANK_STATES)[number];

/** Days and limits that a keeper may set for a tank. */
export interface ReadinessRules {
  /** Days in a row that ammonia and nitrite must show nothing. */
  zeroDays: number;
  /** Rest after refilling. */
  restDays: number;
  /** Active soil asks for this long before stock, from and to. */
  soilWeeks: readonly [number, number];
  /** A heater is to be tested again after this. */
  heaterDays: number;
}
export const READINESS_RULES: ReadinessRules = { zeroDays: 7, restDays: 7, soilWeeks: [6, 8], heaterDays: 180 };

/** Why a tank is not ready, and what would make it so. */
export interface Hindrance {
  what: string;
  remedy: string;
}
export interface Readiness {
  state: TankState;
  since: Day | null;
  /** True when stock may go in without a reason. */
  ready: boolean;
  hindrances: Hindrance[];
  /** To know; nothing stands in the way. */
  notes: string[];
  /** When it is expected to be ready; null when it is, or when it waits for the keeper. */
  expected: { from: Day; to: Day; basis: 'zeros' | 'curve' | 'usual' | 'rest' } | null;
  cycling: CyclingVerdict | null;
  /** When its active soil was laid; null where there is none. */
  soilLaidOn: Day | null;
}

/** Which state an event leads to; the others leave it. */
const LEADS: Partial<Record<TankEventKind, TankState>> = {
  running: 'ready',
  setUp: 'settingUp',
  filled: 'cycling',
  emptied: 'empty',
  refilled: 'resting',
  disinfected: 'disinfected',
  rinsed: 'resting',
};

function lastOf(events: readonly TankEvent[], kind: TankEventKind): Day | null {
  return events.findLast((event) => event.kind === kind)?.day ?? null;
}

/**
 * Folds a tank's events and readings into its state: being set up, cycling, ready, in use, resting, empty, disinfected. A tank
 * of which nothing was logged is taken to run. Seeding with a mature filter counts as a filter that is there once the readings
 * show nothing on two tests; without seeding the run of zeros decides.
 * Source: docs/sources.md#readiness
 * @param events - oldest first
 * @param readings - ammonia and nitrite since it was filled, oldest first; earlier ones are ignored
 * @param heads - animals in it now
 * @param heaterW - 0 or null when it has none
 */
export function decideReadiness(input: {
  events: readonly TankEvent[];
  readings: readonly CyclingReading[];
  heads: number;
  heaterW: number | null;
  rules: ReadinessRules;
  today: Day;
}): Readiness {
  const { events, readings, heads, heaterW, rules, today } = input;
  const turning = events.findLast((event) => LEADS[event.kind] !== undefined) ?? null;
  let state: TankState = turning ? (LEADS[turning.kind] ?? 'ready') : 'ready';
  const since = turning?.day ?? null;
  const hindrances: Hindrance[] = [];
  const notes: string[] = [];
  let expected: Readiness['expected'] = null;
  let cycling: CyclingVerdict | null = null;
  const isFollowed = turning !== null && turning.kind !== 'running';

  if (state === 'settingUp')
    hindrances.push({ what: 'It is being set up.', remedy: 'Fill it, start the filter and log "filled".' });
  if (state === 'empty') hindrances.push({ what: 'It stands empty.', remedy: 'Refill it and log "refilled".' });
  if (state === 'disinfected')
    hindrances.push({
      what: 'It was disinfected.',
      remedy: 'Rinse until nothing smells, re-seed the filter, refill, and log "rinsed".',
    });
  if (state === 'resting' && since) {
    const until = addDays(since, rules.restDays);
    if (until > today) {
      hindrances.push({
        what: `Refilled ${daysBetween(since, today) === 0 ? 'today' : daysBetween(since, today) === 1 ? 'yesterday' : `${daysBetween(since, today)} days ago`}; ready after ${rules.restDays} days.`,
        remedy: 'Let it rest; the filter settles again.',
      });
      expected = { from: until, to: until, basis: 'rest' };
    } else state = 'ready';
  }
  if (state === 'cycling' && since) {
    const seeded = lastOf(events, 'seeded');
    const isSeeded = seeded !== null && seeded >= since;
    cycling = judgeCycling({
      readings: readings.filter((reading) => reading.day >= since),
      fedOn: events.filter((event) => event.kind === 'fed' && event.day >= since).map((event) => event.day),
      filledOn: since,
      zeroDays: isSeeded ? Math.min(2, rules.zeroDays) : rules.zeroDays,
      today,
    });
    if (cycling.done) state = 'ready';
    else {
      for (const what of cycling.missing) {
        const [first = what, ...rest] = what.split(/(?<=[.;]) /);
        hindrances.push({ what: first, remedy: rest.join(' ') || 'Go on feeding it and test every two or three days.' });
      }
      expected = cycling.expected;
    }
  }
  const soil = lastOf(events, 'soilLaid');
  if (soil) {
    const age = daysBetween(soil, today);
    const [settled, surely] = [addDays(soil, rules.soilWeeks[0] * 7), addDays(soil, rules.soilWeeks[1] * 7)];
    if (settled > today && state !== 'settingUp') {
      hindrances.push({
        what: `Active soil is ${Math.floor(age / 7)} weeks old; it leaches and cycles for ${rules.soilWeeks.join(' to ')}.`,
        remedy: 'Wait; change water often while it gives off ammonia.',
      });
      expected = {
        from: [settled, expected?.from ?? settled].sort()[1] ?? settled,
        to: [surely, expected?.to ?? surely].sort()[1] ?? surely,
        basis: expected?.basis ?? 'rest',
      };
      if (state === 'ready') state = 'cycling';
    }
  }
  if (heaterW) {
    const tested = lastOf(events, 'heaterTested');
    const lapsed = tested !== null && daysBetween(tested, today) > rules.heaterDays;
    if (isFollowed && (tested === null || (since !== null && tested < since && state !== 'inUse')))
      hindrances.push({
        what: 'The heater was not tested since it was set up.',
        remedy: 'Run it for an hour, see that it switches off, and log "heater tested".',
      });
    else if (lapsed) notes.push(`The heater was last tested ${daysBetween(tested, today)} days ago.`);
  }
  if (state === 'ready' && hindrances.length > 0)
    state = turning?.kind === 'refilled' || turning?.kind === 'rinsed' ? 'resting' : 'cycling';
  const ready = hindrances.length === 0;
  if (heads > 0) {
    if (!ready) notes.push('Fish live in it although it isn’t ready. Test daily and feed little.');
    state = 'inUse';
  }
  return { state, since, ready, hindrances, notes, expected: ready ? null : expected, cycling, soilLaidOn: soil };
}
