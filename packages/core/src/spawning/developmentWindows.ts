import { CalculationError } from '../errors';
import type { Figures, Start, StageDuration } from '../species';
import { formatInstant, formatInstantRange, houseDay, type Instant, type TimeRange } from '../time';
import { formatNumber, formatRange } from '../units';
import { stageTimes, type TemperatureReading } from './stageTimes';

/** What a brood goes through, in order. */
export type Stage = 'hatch' | 'yolkEnd' | 'freeSwimming' | 'firstFeed';

/** The keeper's words for each stage; carried young are released rather than hatched. */
export const STAGE_NAMES: Record<Stage, string> = {
  hatch: 'Hatch',
  yolkEnd: 'End of yolk',
  freeSwimming: 'Free-swimming',
  firstFeed: 'First feed',
};

/** When a stage is expected or was seen, and how that came about. */
export interface StageWindow {
  stage: Stage;
  /** `overdue`: the window has passed and nothing was logged; `notReached`: at this temperature it never comes. */
  status: 'observed' | 'predicted' | 'overdue' | 'notReached';
  earliest: Instant | null;
  latest: Instant | null;
  /** Inputs as label and value, the formula in words, its source, and what the keeper should know. */
  why: { inputs: { label: string; value: string }[]; formula: string; source: string; notes: string[] };
}

/** What is known of a brood when its windows are worked out. */
export interface WindowsInput {
  figures: Figures;
  start: Start;
  laid: TimeRange;
  hatched?: TimeRange | null;
  freeSwimming?: TimeRange | null;
  /** Number of the breeder's own broods that the hatch duration rests on. */
  hatchBroods?: number | undefined;
  /** The same of the way from hatch to swimming. */
  swimBroods?: number | undefined;
  /** Last moment at which eggs were still seen as eggs. */
  eggsSeenAt?: Instant | null;
  readings: readonly TemperatureReading[];
  /** Taken when the tank has no reading: the middle of the species' range. */
  assumedTempC: number;
  now: Instant;
  timeZone: string;
}

const SOURCE = 'docs/sources.md#stage-times';
const later = (a: Instant, b: Instant) => (a > b ? a : b);

function why(input: WindowsInput, duration: StageDuration | null, from: string, formula: string): StageWindow['why'] {
  const { readings, figures, assumedTempC } = input;
  const temps = readings.map((reading) => reading.tempC);
  const inputs = [{ label: 'Counted from', value: from }];
  const notes: string[] = [];
  if (temps.length > 0) {
    const [low, high] = [Math.min(...temps), Math.max(...temps)];
    const last = temps.at(-1) ?? low;
    inputs.push({
      label: 'Temperatures logged',
      value: `${temps.length}, ${formatRange([low, high], 3)} °C, ${formatNumber(last, 3)} °C held from the last`,
    });
    if (low < figures.eggTempC[0] || high > figures.eggTempC[1])
      notes.push(
        `${formatRange([low, high], 3)} °C was logged; eggs need ${formatRange(figures.eggTempC)} °C. Expect losses. Bring the water back slowly.`,
      );
  } else {
    inputs.push({ label: 'Temperature assumed', value: `${formatNumber(assumedTempC, 3)} °C, the middle of the species' range` });
    notes.push('No temperature logged for this tank. Log one and the dates get better.');
  }
  if (duration)
    inputs.push(
      { label: 'Duration', value: `${formatRange(duration.days)} days at ${formatNumber(duration.atC)} °C` },
      { label: 'Development stands still at', value: `${formatNumber(figures.developmentZeroC)} °C` },
    );
  return { inputs, formula, source: SOURCE, notes };
}

const WARMTH = 'Degrees above the temperature where development stops, added up day by day until they reach the usual sum.';

/** Window of one stage after an uncertain start: the shorter duration from its beginning, the longer from its end. */
function stageAfter(input: WindowsInput, stage: Stage, duration: StageDuration, from: TimeRange, fromText: string): StageWindow {
  const { figures, readings, assumedTempC, timeZone, now } = input;
  const explained = why(input, duration, fromText, WARMTH);
  const warmth = duration.atC - figures.developmentZeroC;
  const model = {
    kind: 'degreeDays',
    baseC: figures.developmentZeroC,
    degreeDays: [duration.days[0] * warmth, duration.days[1] * warmth],
  } as const;
  const temperatures = readings.length > 0 ? { readings } : { tempC: assumedTempC };
  try {
    const { earliest } = stageTimes({ model, startedAt: from.from, ...temperatures });
    const { latest } = stageTimes({ model, startedAt: from.to, ...temperatures });
    if (latest === null) explained.notes.push('At the last temperature logged the slow end of the window is never reached.');
    return { stage, status: 'predicted', earliest, latest, why: explained };
  } catch (error) {
    if (!(error instanceof CalculationError) || error.code !== 'never') throw error;
    const held = readings.at(-1)?.tempC ?? assumedTempC;
    explained.notes.push(
      `At ${formatNumber(held, 3)} °C, held since ${readings.length > 0 ? formatInstant(readings.at(-1)?.at ?? now, houseDay(now, timeZone), timeZone) : 'the start'}, these eggs do not develop: they stand still at ${formatNumber(figures.developmentZeroC)} °C. Warm the tank slowly to ${formatRange(figures.eggTempC)} °C.`,
    );
    return { stage, status: 'notReached', earliest: null, latest: null, why: explained };
  }
}

function observed(input: WindowsInput, stage: Stage, at: TimeRange): StageWindow {
  const text = formatInstantRange(at, houseDay(input.now, input.timeZone), input.timeZone);
  return {
    stage,
    status: 'observed',
    earliest: at.from,
    latest: at.to,
    why: {
      inputs: [{ label: 'Seen and logged', value: text }],
      formula: 'What you saw counts; later dates start from it.',
      source: SOURCE,
      notes: [],
    },
  };
}

/** Clips a prediction to what was seen since, and marks it overdue when it has passed unseen. */
function settle(input: WindowsInput, window: StageWindow, notBefore: Instant | null, notBeforeText: string): StageWindow {
  if (window.status !== 'predicted' || !window.earliest) return window;
  const { now, timeZone } = input;
  const today = houseDay(now, timeZone);
  const settled = { ...window, why: { ...window.why, notes: [...window.why.notes] } };
  if (notBefore && window.earliest < notBefore) {
    settled.why.notes.push(
      `By warmth alone it could have begun ${formatInstant(window.earliest, today, timeZone)}, but ${notBeforeText} ${formatInstant(notBefore, today, timeZone)}; so the window begins there.`,
    );
    settled.earliest = notBefore;
    if (settled.latest && settled.latest < notBefore) settled.latest = notBefore;
  }
  if (window.latest && window.latest < now) {
    settled.status = 'overdue';
    settled.why.notes.push(
      `The dates passed ${formatInstant(window.latest, today, timeZone)} and nothing is logged. Look, and log what you see; later dates depend on it.`,
    );
  }
  return settled;
}

const spanOf = (window: StageWindow, now: Instant): TimeRange | null =>
  window.earliest
    ? {
        from: window.earliest,
        to: window.status === 'overdue' ? later(window.latest ?? now, now) : (window.latest ?? window.earliest),
      }
    : null;

/**
 * Windows of hatch, end of yolk, free-swimming and first feed, each counted from the latest thing seen.
 * Born young have only a first feed; carried young are complete when they are released. Source: docs/sources.md#stage-times
 * @returns windows in the order of the stages; those that do not exist for the species are left out
 */
export function developmentWindows(input: WindowsInput): StageWindow[] {
  const { figures, laid, hatched, freeSwimming, now, timeZone } = input;
  const today = houseDay(now, timeZone);
  const text = (range: TimeRange) => formatInstantRange(range, today, timeZone);
  if (input.start === 'born') {
    const feed = observed(input, 'firstFeed', laid);
    return [
      {
        ...feed,
        status: laid.to < now ? 'observed' : 'predicted',
        why: { ...feed.why, formula: 'Young of this species are born free-swimming and feed at once.' },
      },
    ];
  }
  const windows: StageWindow[] = [];
  const hatch = hatched
    ? observed(input, 'hatch', hatched)
    : freeSwimming || !figures.hatch
      ? null
      : settle(
          input,
          stageAfter(input, 'hatch', figures.hatch, laid, `laid ${text(laid)}`),
          input.eggsSeenAt ?? null,
          'eggs were still seen',
        );
  const say = (window: StageWindow | null, broods: number | undefined) => {
    if (window?.status === 'predicted' && broods)
      window.why.notes.push(
        `Narrowed by ${broods === 1 ? 'one past brood' : `${broods} past broods`} of your own; the duration above is theirs, at the same warmth.`,
      );
  };
  say(hatch, input.hatchBroods);
  if (hatch) windows.push(hatch);
  const hatchSpan = hatch ? spanOf(hatch, now) : null;
  const after = (stage: Stage, duration: StageDuration | null) =>
    duration && hatchSpan
      ? settle(
          input,
          stageAfter(
            input,
            stage,
            duration,
            hatchSpan,
            `${hatch?.status === 'observed' ? 'hatched' : 'hatch expected'} ${text(hatchSpan)}`,
          ),
          hatched?.from ?? null,
          'it hatched',
        )
      : null;
  const yolkEnd = freeSwimming ? null : after('yolkEnd', figures.yolk);
  const swim = freeSwimming ? observed(input, 'freeSwimming', freeSwimming) : after('freeSwimming', figures.freeSwimming);
  say(swim, input.swimBroods);
  if (yolkEnd) windows.push(yolkEnd);
  if (swim) windows.push(swim);
  const swimSpan = swim ? spanOf(swim, now) : null;
  if (swim && swimSpan) {
    const latest = [swimSpan.to, yolkEnd?.latest ?? swimSpan.to].sort().at(-1) ?? swimSpan.to;
    windows.push({
      stage: 'firstFeed',
      status: swim.status === 'observed' ? 'observed' : 'predicted',
      earliest: swimSpan.from,
      latest,
      why: {
        ...swim.why,
        formula:
          'Live food must be ready from the first free-swimming fry until the last yolk is gone. ' +
          (swim.status === 'observed' ? '' : WARMTH),
      },
    });
  } else if (hatch && hatch.status === 'notReached') {
    windows.push({ ...hatch, stage: 'firstFeed' });
  }
  return windows;
}

/** Window in which a livebearer's next brood is due, counted from the last one or from when the male joined her. */
export function birthWindow(input: Omit<WindowsInput, 'start' | 'laid'> & { since: TimeRange }): StageWindow | null {
  const { figures, since, now, timeZone } = input;
  if (!figures.interval) return null;
  const full: WindowsInput = { ...input, start: 'born', laid: since };
  const text = formatInstantRange(since, houseDay(now, timeZone), timeZone);
  return settle(full, stageAfter(full, 'firstFeed', figures.interval, since, text), null, '');
}
