import { v7 as newId } from 'uuid';
import { MEAL_SIGHTS, MEAL_WORDS } from '@freshet/core/larder';
import { sentence } from '@freshet/core/time';
import { useHouse, useLog } from '../data';

/** After a meal, one tap: the next ration of that tank follows. */
export function MealTaps({ tankId, code }: { tankId: string; code: string }) {
  const house = useHouse();
  const log = useLog();
  if (!house.may('sitter')) return null;
  return (
    <div role="group" aria-label={`After the meal in ${code}`} className="flex flex-wrap items-center gap-1.5 py-1">
      <span className="text-note text-quiet">After the meal:</span>
      {MEAL_SIGHTS.map((sight) => (
        <button
          key={sight}
          type="button"
          className="min-h-11 rounded-part border border-edge px-2.5 hover:bg-today"
          onClick={() =>
            void log(
              'mealLook',
              { id: newId(), tankId, sight, at: house.now() },
              `${code}: ${MEAL_WORDS[sight]}; the next amount follows`,
            )
          }
        >
          {sentence(MEAL_WORDS[sight])}
        </button>
      ))}
    </div>
  );
}
