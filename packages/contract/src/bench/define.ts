import * as v from 'valibot';

/** One calculation: how its input looks, core's function, and how it explains itself. */
export interface Calculation {
  name: string;
  title: string;
  input: v.GenericSchema;
  run: (input: never) => unknown;
  words: string;
  source: string;
}

/** Shapes and ranges that many calculations share; see docs/sources.md. */
export const finite = v.pipe(v.number(), v.finite());
export const between = (low: number, high: number) => v.pipe(finite, v.minValue(low), v.maxValue(high));
export const amount = v.pipe(finite, v.minValue(0));
export const above0 = v.pipe(finite, v.gtValue(0));
export const whole = v.pipe(finite, v.integer(), v.minValue(0));
export const litres = v.pipe(finite, v.gtValue(0), v.maxValue(1_000_000));
export const fraction = between(0, 1);

/** Declares a calculation, keeping the types of its schema and function together. */
export const define = <S extends v.GenericSchema>(
  entry: Omit<Calculation, 'input' | 'run'> & { input: S; run: (input: v.InferOutput<S>) => unknown },
): Calculation => entry;

/** Ranges used throughout: a water's temperature, hardness, alkalinity, dissolved solids and pH; the room's air. */
export const waterC = between(0, 45);
export const airC = between(-20, 50);
export const ghDeg = between(0, 100);
export const khDeg = between(0, 60);
export const tdsPpm = between(0, 5000);
export const ph = between(3, 11);
