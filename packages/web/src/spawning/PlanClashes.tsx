import type { Clash, PlanTank } from '@freshet/core/spawning';
import { showVolume, useHouse } from '../data';
import { LinkButton, Notice } from '../ui';

/** What a plan clashes with, and the nearest free tanks in one tap. */
export function PlanClashes({
  clashes,
  outOfSeason,
  alternatives,
  take,
}: {
  clashes: readonly Clash[];
  /** The months of the recipe, when the trigger lies out of them. */
  outOfSeason: string | null;
  alternatives: readonly PlanTank[];
  take: (tankId: string) => void;
}) {
  const house = useHouse();
  if (clashes.length === 0 && outOfSeason === null) return null;
  return (
    <Notice>
      {clashes.map(({ words }) => words).join(' ')}
      {outOfSeason !== null && ` The trigger is outside the recipe’s season, ${outOfSeason} in the north.`}
      {alternatives.length > 0 && ' Free then: '}
      {alternatives.map((tank, i) => (
        <span key={tank.id}>
          {i > 0 && ', '}
          <LinkButton onClick={() => take(tank.id)}>
            {tank.code}, {showVolume(tank.litres, house)}
          </LinkButton>
        </span>
      ))}
    </Notice>
  );
}
