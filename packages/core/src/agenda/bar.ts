import type { Day } from '../time';
import type { Subject } from './alarm';

/** What a bar of the Horizon is about; decides its colour and pattern. */
export type BarKind = 'eggs' | 'yolk' | 'fry' | 'growing' | 'ready' | 'breeders' | 'culture' | 'tank';

/** How pressing a bar is when not everything has room: what cannot be put off goes before what can. */
export const BAR_RANK = { hatch: 0, firstFeed: 1, culture: 2, ready: 3, tank: 4, attempt: 5, food: 6 } as const;

/** One bar of the Horizon, days included. */
export interface Bar {
  key: string;
  kind: BarKind;
  rank: number;
  from: Day;
  to: Day;
  label: string;
  /** Predicted bars are dashed, fixed ones solid. */
  predicted: boolean;
  urgent: boolean;
  subject: Subject;
}
