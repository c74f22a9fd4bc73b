import type { Reading } from '../platform';

/** A brood with the lots its parents were among, as later areas know it. */
export interface BroodDescent {
  id: string;
  name: string;
  speciesKey: string;
  laidAt: string;
  sires: string[];
  dams: string[];
}

/** What stock needs to know of spawning and broods; handed to it where everything is wired. */
export interface Descent {
  broods(at: Reading): Promise<BroodDescent[]>;
}

/** When each lot last spawned, as either parent. */
export function lastSpawned(broods: readonly BroodDescent[]): Map<string, string> {
  const last = new Map<string, string>();
  for (const { laidAt, sires, dams } of broods)
    for (const lotId of [...sires, ...dams]) if ((last.get(lotId) ?? '') < laidAt) last.set(lotId, laidAt);
  return last;
}
