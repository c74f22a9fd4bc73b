import { shares } from '@freshet/core/room';
import { tryCompute } from '@freshet/core/errors';
import type { Recipe } from '@freshet/core/spawning';
import { showVolume, useGet, useHouse } from '../data';
import { valuesOf } from '../room';

/** What a recipe's water is made of from the house's waters: litres of each by hardness; empty when nothing says. */
export function useWaterWords(recipe: Pick<Recipe, 'ghDeg' | 'litres' | 'water'> | null, tankLitres: number | null): string {
  const house = useHouse();
  const waters = useGet('waters').data ?? [];
  const litres = recipe?.litres ?? tankLitres;
  if (!recipe || !litres || recipe.ghDeg === null) return recipe?.water ?? '';
  const sources = waters.flatMap((water) => {
    const { ghDeg, khDeg, tdsPpm } = valuesOf(water, 'newest', house.today, house.timeZone);
    return ghDeg == null || khDeg == null || tdsPpm == null ? [] : [{ name: water.name, ghDeg, khDeg, tdsPpm }];
  });
  if (sources.length === 0) return recipe.water ?? '';
  const mixed = tryCompute(() => shares({ sources, target: { litres, ghDeg: recipe.ghDeg ?? 0 } }));
  if (!mixed.ok) return recipe.water ?? '';
  const parts = mixed.value.litres
    .filter((part) => part.litres > 0.05)
    .map((part) => `${showVolume(part.litres, house)} ${part.name}`);
  return parts.join(' and ') + (mixed.value.exact ? '' : ', as close as your waters allow');
}
