/** The time, injected so that tests and pictures can fix it. */
export interface Clock {
  /** Now, ISO 8601 in UTC. */
  now(): string;
}

export const systemClock: Clock = { now: () => new Date().toISOString() };

/** A clock that stands still, for `FRESHET_NOW` and tests. @throws {Error} when `at` is no instant */
export function fixedClock(at: string): Clock {
  const now = new Date(at).toISOString();
  return { now: () => now };
}
