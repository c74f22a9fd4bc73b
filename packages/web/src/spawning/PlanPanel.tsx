import type { Control, FieldValues, Path } from 'react-hook-form';
import type { PlanMark } from '@freshet/core/spawning';
import { formatDay } from '@freshet/core/time';
import { useHouse } from '../data';
import { DayField, LinkButton, Segmented } from '../ui';
import { PlanLine, type Held } from './PlanLine';

/** The dated plan of an attempt, counted from today or back from a wished day. */
export function PlanPanel<Values extends FieldValues>({
  marks,
  move,
  isWish,
  setIsWish,
  wish,
  wishName,
  control,
  countBack,
  takenOn,
  ownBroods,
}: {
  marks: readonly PlanMark[];
  move: (held: Held, days: number) => void;
  isWish: boolean;
  setIsWish: (isWish: boolean) => void;
  wish: string;
  wishName: Path<Values>;
  control: Control<Values>;
  countBack: () => void;
  /** When the tank would have to be taken. */
  takenOn: string;
  /** Of one's own spawnings that the days from trigger to eggs rest on. */
  ownBroods: number;
}) {
  const house = useHouse();
  const problem =
    wish && wish <= house.today
      ? 'That day is gone.'
      : isWish && wish && takenOn < house.today
        ? `For that the tank would have had to be taken on ${formatDay(takenOn, house.today)}: wish for a later day.`
        : undefined;
  return (
    <section aria-label="The plan" className="border border-rule bg-sheet p-3">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h2>The plan</h2>
        <Segmented
          label="Counted"
          value={isWish ? 'wish' : 'today'}
          onChange={(value) => setIsWish(value === 'wish')}
          options={[
            { value: 'today', label: 'From today' },
            { value: 'wish', label: 'Back from a day' },
          ]}
        />
        <span className="text-note text-quiet">Drag a filled mark, or take it with Tab and the arrow keys.</span>
      </div>
      {isWish && (
        <div className="mb-2 flex flex-wrap items-end gap-4">
          <DayField
            control={control}
            name={wishName}
            label="Young ready for sale by"
            hint="an auction, a shop’s order"
            error={problem}
          />
          <LinkButton onClick={countBack}>Count back from it</LinkButton>
        </div>
      )}
      <PlanLine marks={marks} move={move} />
      {ownBroods > 0 && (
        <p className="mt-1 text-note text-quiet">
          Days from trigger to eggs rest on {ownBroods} of your own {ownBroods === 1 ? 'spawning' : 'spawnings'}.
        </p>
      )}
    </section>
  );
}
