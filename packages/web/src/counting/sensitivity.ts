/** How much is taken for one of them, by what the keeper corrected in the pictures before; kept on the device. */
const KEY = 'freshet.pictures.sensitivity';
const [LEAST, MOST] = [0.5, 2.5];

const readAll = (): Record<string, number> => {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, number>;
  } catch {
    return {};
  }
};

/** The sensitivity for the next picture of a kind; 1 while nothing was corrected. */
export const sensitivityOf = (kind: 'eggs' | 'young'): number => readAll()[kind] ?? 1;

/**
 * What a corrected picture teaches: added ones ask for more, removed ones for less, by a quarter of their share.
 * @returns the next sensitivity
 */
export function nextSensitivity(before: number, found: number, added: number, removed: number): number {
  const change = (added - removed) / Math.max(5, found);
  return Math.min(MOST, Math.max(LEAST, before * (1 + 0.6 * Math.max(-0.5, Math.min(0.5, change)))));
}

export function learnSensitivity(kind: 'eggs' | 'young', found: number, added: number, removed: number): void {
  if (added + removed === 0) return;
  localStorage.setItem(
    KEY,
    JSON.stringify({ ...readAll(), [kind]: nextSensitivity(sensitivityOf(kind), found, added, removed) }),
  );
}
