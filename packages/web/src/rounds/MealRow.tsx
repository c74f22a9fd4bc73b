import { clsx } from 'clsx';
import { useState } from 'react';
import { useHouse } from '../data';
import { LinkButton } from '../ui';
import type { Chore, Stop } from './chore';
import { ChoreRow, useTicks } from './ChoreRow';
import { TickBox } from './TickBox';

type Meal = Stop['meals'][number];

/** All that one tank is fed on one walk: one line and one tick; opened it is a line a food, whose amounts can be changed. */
export function MealRow({ meal, stop, day, ahead }: { meal: Meal; stop: Stop; day: string; ahead: boolean }) {
  const house = useHouse();
  const [isOpen, setIsOpen] = useState(false);
  const chores = stop.chores.filter(({ key }) => meal.keys.includes(key));
  const { pressed, tickAll } = useTicks([{ stop, chores }], day);
  const may = house.may('sitter') && !ahead;
  return (
    <div className="w-full min-w-0">
      <div className={clsx('flex min-h-11 min-w-0 items-center gap-2.5', pressed && 'text-quiet')}>
        <TickBox
          label={`${stop.code}: ${meal.words}`}
          status={pressed && 'done'}
          isDashed={ahead}
          disabled={!may}
          onPress={() => void tickAll(`${stop.code}: ${meal.words}`)}
        />
        <span className="min-w-0 py-1">
          {meal.words}{' '}
          <LinkButton className="text-note" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
            {isOpen ? 'close' : `${chores.length} foods`}
          </LinkButton>
        </span>
      </div>
      {isOpen && (
        <div className="ml-9 flex flex-wrap gap-x-6">
          {chores.map((chore) => (
            <ChoreRow key={chore.key} chore={chore} stop={stop} day={day} ahead={ahead} />
          ))}
        </div>
      )}
    </div>
  );
}

/** One tap for all that is left to tick as planned; it stands and is undone as one. */
export function AllAsPlanned({
  stops,
  words,
  day,
}: {
  stops: readonly { stop: Stop; chores: readonly Chore[] }[];
  words: string;
  day: string;
}) {
  const house = useHouse();
  const { pressed, tickAll } = useTicks(stops, day);
  if (!house.may('sitter') || pressed) return null;
  return (
    <LinkButton
      className="min-h-11 text-note text-quiet"
      aria-label={`${words}: all done as planned`}
      onClick={() => void tickAll(words)}
    >
      all done as planned
    </LinkButton>
  );
}
