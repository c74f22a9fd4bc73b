import type { Day } from '../time';
import type { Alarm } from './alarm';
import type { Bar } from './bar';
import type { Chore, ChoreKind } from './chore';

/** A stop that is no tank, such as the shelf of live food. */
export interface Bench {
  code: string;
  who: string;
  detail: string;
  stage: 'culture' | null;
}

/** A chore and where it is done. */
export interface PlacedChore {
  tankId: string | null;
  chore: Chore;
}

/**
 * What one area asks of the keeper, out of its own facts and those of the areas before it. The round merges the agendas of all
 * areas and knows no kind of chore by name.
 */
export interface Agenda<View> {
  kinds: Readonly<Record<string, ChoreKind>>;
  /** Where its chores without a tank are done. */
  bench?: Bench;
  /** Chores of a day. @param day - today or a coming day */
  chores?(view: View, day: Day): PlacedChore[];
  /** What needs the keeper now. */
  alarms?(view: View): Alarm[];
  /** Bars up to a day, which is included. */
  bars?(view: View, last: Day): Bar[];
  /** What to know at a tank; nothing to tick. */
  notes?(view: View, tankId: string): string[];
}
