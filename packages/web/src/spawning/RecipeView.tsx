import { clsx } from 'clsx';
import {
  compareRecipes,
  coverWords,
  fieldWords,
  RECIPE_FIELDS,
  seasonWords,
  stepWords,
  type Recipe,
  type RecipeField,
} from '@freshet/core/spawning';
import { inUnits } from '@freshet/core/units';
import { useGet, useHouse } from '../data';
import { Fact } from '../ui';

/** Letters that stand beside a name. */
const LONG = 26;
const GROUPS: [RecipeField['group'], string][] = [
  ['tank', 'Tank and light'],
  ['water', 'Water'],
  ['fish', 'Fish, and when they go in'],
  ['eggs', 'Eggs and young'],
];

/** A recipe read at a glance: the steps first, then everything that was said. */
export function RecipeView({ recipe, isBorn = false }: { recipe: Recipe; isBorn?: boolean }) {
  const { units } = useHouse();
  const isSouth = (useGet('hours').data?.latitude ?? 1) < 0;
  const show = (words: string) => inUnits(words, units);
  const trigger = RECIPE_FIELDS.filter(({ group }) => group === 'trigger');
  const facts = (group: RecipeField['group']) =>
    RECIPE_FIELDS.filter((field) => field.group === group).flatMap((field) => {
      const words = fieldWords(field, recipe);
      if (words === null || (field.key === 'covered' && !recipe.covered)) return [];
      if (isBorn && ['eggPlan', 'fungus', 'dailyChangeFraction'].includes(field.key)) return [];
      if (field.key === 'dailyChangeFraction' && recipe.dailyChangeFraction === 0) return [];
      if (field.key === 'divider' && recipe.divider === 'none') return [];
      // What takes more than a few words stands below its name.
      return [
        words.length > LONG ? (
          <p key={field.key} className="border-b border-rule py-1.5">
            {field.label} <b className="block">{show(words)}</b>
          </p>
        ) : (
          <Fact key={field.key} label={field.label}>
            {show(words)}
          </Fact>
        ),
      ];
    });
  return (
    <div className="grid gap-x-6 gap-y-4 sm:grid-cols-2 xl:grid-cols-3">
      <section>
        <h3 className="font-semibold">Trigger</h3>
        <ol className="list-decimal pl-5">
          {recipe.steps.map((step, i) => (
            <li key={i} className="py-0.5">
              {show(stepWords(step))}
            </li>
          ))}
        </ol>
        {trigger.flatMap((field) => {
          const words = fieldWords(field, recipe);
          return words === null
            ? []
            : [
                <Fact key={field.key} label={field.label}>
                  {words}
                </Fact>,
              ];
        })}
        {recipe.seasons.length > 0 && <Fact label="Season">{seasonWords(recipe.seasons, isSouth)}</Fact>}
      </section>
      {GROUPS.map(([group, title]) => {
        const rows = facts(group);
        return rows.length > 0 || (group === 'tank' && recipe.cover.length > 0) ? (
          <section key={group} className="min-w-0">
            <h3 className="font-semibold">{title}</h3>
            {rows}
            {group === 'tank' && recipe.cover.length > 0 && <p className="py-1.5">{recipe.cover.map(coverWords).join(', ')}</p>}
          </section>
        ) : null;
      })}
    </div>
  );
}

/** Only what differs between two recipes: told first, then side by side. */
export function RecipeDifference({ before, after, names }: { before: Recipe; after: Recipe; names: readonly [string, string] }) {
  const { units } = useHouse();
  const rows = compareRecipes(before, after);
  if (rows.length === 0) return <p className="text-quiet">No differences.</p>;
  return (
    <>
      <p className="mb-2">
        {inUnits(
          rows
            .slice(0, 6)
            .map(({ words }) => words)
            .join('; '),
          units,
        )}
        {rows.length > 6 && `; and ${rows.length - 6} more`}.
      </p>
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <thead className="border-b border-ink text-note">
            <tr>
              <th className="py-1 pr-3 font-semibold">What differs</th>
              <th className="py-1 pr-3 font-semibold">{names[0]}</th>
              <th className="py-1 font-semibold">{names[1]}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ label, before: one, after: other, words }) => (
              <tr key={words} className="border-b border-rule align-top">
                <td className="py-1 pr-3">{label}</td>
                <td className={clsx('py-1 pr-3', one === null && 'text-quiet')}>{one === null ? '–' : inUnits(one, units)}</td>
                <td className={clsx('py-1 font-semibold', other === null && 'font-normal text-quiet')}>
                  {other === null ? '–' : inUnits(other, units)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}
