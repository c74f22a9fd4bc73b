import { useMemo, type ComponentType } from 'react';
import { useSearchParams } from 'react-router';
import type { CultureStarts } from '@freshet/core/spawning';
import { useGet, useHouse } from '../data';
import { Loading, PageHead } from '../ui';
import { AttemptForm } from './AttemptForm';
import { attemptStart, type Choices } from './attemptStart';
import { useRecipeChoices } from './useRecipeChoices';

/** Starts or plans a spawning attempt: from a recipe to dates, tank and parents. */
export function NewAttemptPage({
  cultureStarts,
  OverStock,
}: {
  cultureStarts: CultureStarts;
  /** Whether anybody takes the young; sales are a later area. */
  OverStock: ComponentType<{ speciesKey: string }>;
}) {
  const house = useHouse();
  const [search] = useSearchParams();
  const species = useGet('species').data;
  const lots = useGet('lots').data;
  const attempts = useGet('attempts', { query: { limit: '200' } }).data?.attempts;
  const { choices, all, isLoaded } = useRecipeChoices();
  const known: Choices | null =
    species && lots && attempts && isLoaded ? { species, lots, attempts, recipes: choices, allRecipes: all } : null;
  const isKnown = known !== null;
  // Filled once, when all is there to choose from: what was typed since is not touched.
  const start = useMemo(
    () => (known ? attemptStart(search, known, house) : null),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when everything is known
    [isKnown],
  );
  return (
    <>
      <PageHead title="Plan a spawning" about="You can fill in empty fields later." />
      {known && start ? (
        <AttemptForm choices={known} start={start} cultureStarts={cultureStarts} OverStock={OverStock} />
      ) : (
        <Loading what="species, stock and recipes" />
      )}
    </>
  );
}
