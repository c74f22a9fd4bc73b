import { checkTemperature } from '../checkTemperature';

/** One value sent by a probe. */
export interface Sample {
  at: string;
  value: number;
}
export type ProbeFault = 'silent' | 'stuck' | 'outOfRange' | 'changingFast' | 'drifting';

/** What is wrong with a probe's series, or with the water it shows. */
export interface ProbeVerdict {
  fault: ProbeFault;
  /** Since when, as far as the samples tell. */
  since: string;
  value: number;
  /** Degrees in two hours, or between probe and hand; 0 for the others. */
  by: number;
}

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
const SILENT_MIN = 30;
const STUCK_HOURS = 6;
const STUCK_LEAST = 12;
/** A probe that tells tenths only stands at one figure for hours in a steady tank; a whole day at one is not the water. */
const STUCK_TENTHS_HOURS = 24;
const isTenth = (value: number) => Math.abs(value * 10 - Math.round(value * 10)) < 0.02;
const FAST_HOURS = 2;
const FAST_C = 2;
/** After a logged change the water may jump; it is given this long. */
const CHANGE_GRACE_HOURS = 6;
const DRIFT_C = 1;

/** Since when the probe has told the value it tells now, when that is at least so many hours and samples; else null. */
function standsSince(samples: readonly Sample[], hours: number): string | null {
  const last = samples.at(-1);
  if (!last) return null;
  const still = samples.slice(samples.findLastIndex(({ value }) => Math.abs(value - last.value) >= 0.005) + 1);
  const since = still[0]?.at ?? last.at;
  return still.length >= STUCK_LEAST && Date.parse(last.at) - Date.parse(since) >= hours * HOUR_MS ? since : null;
}

/** True when hours at one whole tenth leave open whether the probe is stuck: a day of its samples, each by itself, tells. */
export const mayBeSteady = (samples: readonly Sample[]): boolean =>
  isTenth(samples.at(-1)?.value ?? Number.NaN) && standsSince(samples, STUCK_HOURS) !== null;

/**
 * Judges the temperatures a probe sent lately: silent for half an hour, not moving by a hundredth for six hours (for a day where
 * it tells tenths only), out of the range of the species, two degrees in two hours without a water change, or a degree off a reading by hand within the hour.
 * @param samples - oldest first, of the last day or so, °C
 * @param wantedC - range of the species in the tank; null when it is empty
 * @param changes - instants of logged water changes
 * @param byHand - newest reading taken by hand, °C; null when none
 */
export function judgeProbe(input: {
  samples: readonly Sample[];
  wantedC: readonly [number, number] | null;
  changes: readonly string[];
  byHand: Sample | null;
  /** How far it is cooled at night on purpose, K: so much lower and faster is no fault. */
  nightDropC?: number;
  now: string;
}): ProbeVerdict[] {
  const { samples, changes, byHand, nightDropC = 0, now } = input;
  const wantedC = input.wantedC && ([input.wantedC[0] - nightDropC, input.wantedC[1]] as const);
  const last = samples.at(-1);
  if (!last) return [];
  const nowMs = Date.parse(now);
  const lastMs = Date.parse(last.at);
  if (nowMs - lastMs > SILENT_MIN * MINUTE_MS) return [{ fault: 'silent', since: last.at, value: last.value, by: 0 }];
  const verdicts: ProbeVerdict[] = [];

  const tenthsOnly = samples.every(({ value }) => isTenth(value));
  const stuck = standsSince(samples, tenthsOnly ? STUCK_TENTHS_HOURS : STUCK_HOURS);
  if (stuck) return [{ fault: 'stuck', since: stuck, value: last.value, by: 0 }];

  if (wantedC && checkTemperature(last.value, wantedC) !== 'within') {
    const out = samples.findLastIndex((sample) => checkTemperature(sample.value, wantedC) === 'within');
    verdicts.push({ fault: 'outOfRange', since: samples[out + 1]?.at ?? last.at, value: last.value, by: 0 });
  }
  const changedLately = changes.some((at) => {
    const agoMs = nowMs - Date.parse(at);
    return agoMs >= 0 && agoMs <= CHANGE_GRACE_HOURS * HOUR_MS;
  });
  const before = samples.filter((sample) => Date.parse(sample.at) >= lastMs - FAST_HOURS * HOUR_MS);
  const extremes = before.reduce(
    (worst, sample) => (Math.abs(sample.value - last.value) > Math.abs(worst.value - last.value) ? sample : worst),
    last,
  );
  if (!changedLately && Math.abs(extremes.value - last.value) >= FAST_C + nightDropC)
    verdicts.push({ fault: 'changingFast', since: extremes.at, value: last.value, by: last.value - extremes.value });
  if (byHand) {
    const handMs = Date.parse(byHand.at);
    const near = samples.reduce((best, sample) =>
      Math.abs(Date.parse(sample.at) - handMs) < Math.abs(Date.parse(best.at) - handMs) ? sample : best,
    );
    const apart = near.value - byHand.value;
    if (Math.abs(Date.parse(near.at) - handMs) <= HOUR_MS && Math.abs(apart) >= DRIFT_C)
      verdicts.push({ fault: 'drifting', since: byHand.at, value: last.value, by: apart });
  }
  return verdicts;
}
