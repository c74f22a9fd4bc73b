import { CalculationError } from './CalculationError';

/** What came of a computation, or why there is nothing: a sentence fit to be shown. */
export type Computed<T> = { ok: true; value: T } | { ok: false; trouble: string };

/** Runs a computation whose input may contradict itself. Programming errors go on their way. */
export function tryCompute<T>(work: () => T): Computed<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    if (!(error instanceof CalculationError)) throw error;
    return { ok: false, trouble: error.message };
  }
}
