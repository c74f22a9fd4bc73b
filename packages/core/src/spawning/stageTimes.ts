import { CalculationError } from '../errors';
import type { Range } from '../species';

/** How fast a stage goes: by warmth above a base, or in days at a reference temperature. */
export type DevelopmentModel =
  { kind: 'degreeDays'; baseC: number; degreeDays: Range } | { kind: 'q10'; refC: number; q10: number; days: Range };

/** One temperature, °C, at an instant. */
export interface TemperatureReading {
  at: string;
  tempC: number;
}

const DAY_MS = 86_400_000;
const NEVER_DAYS = 36_525;
const INSTANT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,3})?Z$/;

/** A stretch of time over which the temperature is linear; `days` may be infinite when it is constant. */
interface Stretch {
  days: number;
  fromC: number;
  toC: number;
}

function parseInstant(text: string, field: string): number {
  const ms = INSTANT.test(text) ? Date.parse(text) : Number.NaN;
  // Date.parse lets 31 February roll over into March.
  if (Number.isNaN(ms) || !new Date(ms).toISOString().startsWith(text.slice(0, 10)))
    throw new CalculationError('invalidTime', field, `"${text}" is not an instant such as 2026-03-01T08:00:00Z.`);
  return ms;
}

function stretches(startMs: number, readings: readonly { ms: number; tempC: number }[]): Stretch[] {
  const first = readings[0];
  const last = readings.at(-1);
  if (!first || !last) return [];
  const parts: Stretch[] = [];
  if (startMs < first.ms) parts.push({ days: (first.ms - startMs) / DAY_MS, fromC: first.tempC, toC: first.tempC });
  for (let i = 1; i < readings.length; i++) {
    const [a, b] = [readings[i - 1], readings[i]];
    if (!a || !b || b.ms <= startMs) continue;
    const from = Math.max(a.ms, startMs);
    const fromC = a.tempC + ((b.tempC - a.tempC) * (from - a.ms)) / (b.ms - a.ms);
    parts.push({ days: (b.ms - from) / DAY_MS, fromC, toC: b.tempC });
  }
  parts.push({ days: Infinity, fromC: last.tempC, toC: last.tempC });
  return parts;
}

/** Development gained over a whole stretch (infinite stretches are constant). */
function gain(model: DevelopmentModel, { days, fromC, toC }: Stretch): number {
  if (model.kind === 'degreeDays') {
    const [x, y] = [fromC - model.baseC, toC - model.baseC];
    if (x >= 0 && y >= 0) return x + y === 0 ? 0 : ((x + y) * days) / 2;
    if (x <= 0 && y <= 0) return 0;
    return (Math.max(x, y) ** 2 * days) / (2 * Math.abs(x - y));
  }
  const k = Math.log(model.q10) / 10;
  const rate = Math.exp(k * (fromC - model.refC));
  // expm1 instead of the difference of two rates, which would lose all figures where they are almost equal.
  const rise = k * (toC - fromC);
  return rise === 0 || fromC === toC ? rate * days : (rate * days * Math.expm1(rise)) / rise;
}

/** Days into a stretch at which it has gained `wanted`; the stretch is known to gain that much. */
function daysToGain(model: DevelopmentModel, stretch: Stretch, wanted: number): number {
  const slope = stretch.days === Infinity ? 0 : (stretch.toC - stretch.fromC) / stretch.days;
  if (model.kind === 'degreeDays') {
    const above = stretch.fromC - model.baseC;
    const idle = above < 0 ? -above / slope : 0;
    const start = Math.max(0, above);
    return idle + (2 * wanted) / (start + Math.sqrt(Math.max(0, start * start + 2 * slope * wanted)));
  }
  const k = Math.log(model.q10) / 10;
  const rate = Math.exp(k * (stretch.fromC - model.refC));
  const bend = k * slope;
  return bend === 0 ? wanted / rate : Math.log1p((wanted * bend) / rate) / bend;
}

function whenReached(model: DevelopmentModel, parts: readonly Stretch[], startMs: number, wanted: number): number | null {
  if (wanted === 0) return startMs;
  let [days, done] = [0, 0];
  for (const part of parts) {
    const gained = gain(model, part);
    if (done + gained >= wanted && gained > 0) {
      const at = days + daysToGain(model, part, wanted - done);
      return at <= NEVER_DAYS ? startMs + at * DAY_MS : null;
    }
    done += gained;
    days += part.days;
  }
  return null;
}

/**
 * The window in which a developmental stage ends, from the temperatures it saw: the integral of the rate of development from
 * `startedAt`, exact per stretch. Temperatures are linear between readings and held before the first and after the last.
 * `latest` is null when it is never reached. Source: docs/sources.md#stage-times
 * @param input.readings - oldest first, times strictly increasing; or `tempC` for a constant temperature, not both
 * @throws {CalculationError} invalidTime, outOfRange, conflictingInput, notEnoughData, readingsNotIncreasing, never
 */
export function stageTimes(input: {
  model: DevelopmentModel;
  startedAt: string;
  tempC?: number | null | undefined;
  readings?: readonly TemperatureReading[] | null | undefined;
}): { earliest: string; latest: string | null } {
  const { model, startedAt, tempC, readings } = input;
  const bounds = model.kind === 'degreeDays' ? model.degreeDays : model.days;
  if (!(bounds[0] >= 0 && bounds[0] <= bounds[1] && bounds[1] <= 100_000))
    throw new CalculationError('outOfRange', 'model', 'The shorter duration comes first; both are 0 to 100 000.');
  const startMs = parseInstant(startedAt, 'startedAt');
  const points = (readings ?? []).map((reading) => ({ ms: parseInstant(reading.at, 'readings'), tempC: reading.tempC }));
  if (tempC != null && readings != null)
    throw new CalculationError('conflictingInput', 'readings', 'Give one temperature or readings, not both.');
  if (tempC == null && points.length === 0) throw new CalculationError('notEnoughData', 'readings', 'No temperature is known.');
  if (points.some((point, i) => i > 0 && point.ms <= (points[i - 1]?.ms ?? -Infinity)))
    throw new CalculationError('readingsNotIncreasing', 'readings', 'Readings go from the oldest to the newest.');
  const parts = tempC != null ? [{ days: Infinity, fromC: tempC, toC: tempC }] : stretches(startMs, points);
  const earliest = whenReached(model, parts, startMs, bounds[0]);
  if (earliest === null) throw new CalculationError('never', 'model', 'At these temperatures the stage is never reached.');
  const latest = whenReached(model, parts, startMs, bounds[1]);
  return { earliest: new Date(earliest).toISOString(), latest: latest === null ? null : new Date(latest).toISOString() };
}
