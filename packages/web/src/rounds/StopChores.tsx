import type { Stop } from './chore';
import { ChoreRow, isPlain } from './ChoreRow';
import { AllAsPlanned, MealRow } from './MealRow';

/** What is to do at a stop: its meals, a line a walk, then its chores, and one tap for all that is left of several. */
export function StopChores({ stop, day, ahead }: { stop: Stop; day: string; ahead: boolean }) {
  // One food alone is a chore like any other.
  const meals = stop.meals.filter(({ keys }) => keys.length > 1);
  const plain = stop.chores.filter(isPlain);
  const inMeal = new Set(meals.flatMap(({ keys }) => keys));
  return (
    <div className="flex flex-wrap gap-x-6">
      {meals.map((meal) => (
        <MealRow key={`meal ${meal.walk}`} meal={meal} stop={stop} day={day} ahead={ahead} />
      ))}
      {stop.chores
        .filter(({ key }) => !inMeal.has(key))
        .map((chore) => (
          <ChoreRow key={chore.key} chore={chore} stop={stop} day={day} ahead={ahead} />
        ))}
      {!ahead && plain.filter(({ key }) => !inMeal.has(key)).length + meals.length > 1 && (
        <AllAsPlanned stops={[{ stop, chores: plain }]} words={stop.code} day={day} />
      )}
    </div>
  );
}

/** What is to know at a stop; nothing to tick. */
export const StopNotes = ({ notes }: { notes: readonly string[] }) =>
  notes.map((note) => (
    <p key={note} className="mt-1.5 border-l-2 border-edge pl-2.5 text-note text-quiet">
      {note}
    </p>
  ));
