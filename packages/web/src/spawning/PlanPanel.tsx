import type { PlanMark } from '@freshet/core/spawning';
import { formatDay } from '@freshet/core/time';
import { useHouse } from '../data';
import { DayInput, Field, Segmented } from '../ui';
import { PlanLine, type Held } from './PlanLine';

/** From where a plan is counted: conditioning begins today, all is set up already, or back from a wished day. */
export type PlanMode = 'today' | 'setUp' | 'wish';

/** The dated plan of an attempt, counted from today or back from a wished day. */
export function PlanPanel({
  marks,
  move,
  mode,
  setMode,
  wish,
  wishFor,
  takenOn,
  ownBroods,
}: {
  marks: readonly PlanMark[];
  move: (held: Held, days: number) => void;
  mode: PlanMode;
  setMode: (mode: PlanMode) => void;
  /** The day wished for, or what was typed for it. */
  wish: string;
  wishFor: (day: string) => void;
  /** When the tank would have to be taken. */
  takenOn: string;
  /** Of one's own spawnings that the days from trigger to eggs rest on. */
  ownBroods: number;
}) {
  const house = useHouse();
  const problem =
    wish && wish <= house.today
      ? 'That day has passed.'
      : mode === 'wish' && wish && takenOn < house.today
        ? `The tank would have to be reserved on ${formatDay(takenOn, house.today)}. Choose a later day.`
        : undefined;
  return (
    <section aria-label="The plan" className="border border-rule bg-sheet p-3">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h2>The plan</h2>
        <Segmented
          label="Counted"
          value={mode}
          onChange={setMode}
          options={[
            { value: 'today', label: 'From today' },
            { value: 'setUp', label: 'Set up already' },
            { value: 'wish', label: 'Back from a day' },
          ]}
        />
        <span className="text-note text-quiet">Drag a filled mark, or take it with Tab and the arrow keys.</span>
      </div>
      {mode === 'wish' && (
        <div className="mb-2 max-w-xs">
          <Field label="Young ready for sale by" hint="an auction, a shop’s order" error={problem}>
            {(part) => (
              <DayInput
                label="Young ready for sale by"
                towards="ahead"
                value={wish}
                onChange={wishFor}
                invalid={problem !== undefined}
                part={part}
              />
            )}
          </Field>
        </div>
      )}
      <PlanLine marks={marks} move={move} />
      {ownBroods > 0 && (
        <p className="mt-1 text-note text-quiet">
          Days from trigger to eggs come from {ownBroods} of your own {ownBroods === 1 ? 'spawning' : 'spawnings'}.
        </p>
      )}
    </section>
  );
}
