import { useSyncExternalStore } from 'react';
import type { ApiProblem } from './api';

/** What the server would take with a reason, while it is asked for. */
export interface AskedReason {
  problem: ApiProblem;
  label: string;
  /** @param reason - null when it is not to be done */
  answer: (reason: string | null) => void;
}

let asked: AskedReason | null = null;
const listeners = new Set<() => void>();
function set(next: AskedReason | null): void {
  asked = next;
  for (const listener of listeners) listener();
}

/**
 * Asks why something is to be done all the same.
 * @param label - what is to be done, in words
 * @returns the reason; null when it is given up
 */
export function askReason(problem: ApiProblem, label: string): Promise<string | null> {
  asked?.answer(null);
  return new Promise((resolve) => {
    set({
      problem,
      label,
      answer: (reason) => {
        set(null);
        resolve(reason);
      },
    });
  });
}

/** What is asked for now; null when nothing is. */
export const useAskedReason = (): AskedReason | null =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => asked,
  );
