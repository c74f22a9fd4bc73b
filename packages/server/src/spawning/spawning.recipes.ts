import { checkRecipe, completeRecipe } from '@freshet/core/spawning';
import { METHOD_TEMPLATES } from '@freshet/core/species';
import type { LogService } from '../log';
import { DomainError, type Who } from '../platform';
import type { SpeciesService } from '../species';
import type { SpawningRepository } from './spawning.repository';

/** The recipes of a house, in versions: none is edited, a change is the next version. */
export function createRecipes({
  log,
  species,
  repository,
}: {
  log: LogService;
  species: SpeciesService;
  repository: SpawningRepository;
}) {
  const { recipes } = repository;
  log.declare({
    recipe: {
      apply: async (scope, body) => {
        const { versionId, recipeId, speciesKey, method, name, basedOn, recipe, note } = body;
        const kind = speciesKey ? await species.get(scope, speciesKey) : null;
        const [problem] = checkRecipe(recipe, kind?.start ?? METHOD_TEMPLATES[method].start);
        if (problem) throw new DomainError('request/invalid', { detail: problem.message, pointer: `#/recipe/${problem.field}` });
        const before = await recipes.find(scope, { recipeId }, { order: [['version', 'DESC']], limit: 1 });
        const version = (before[0]?.version ?? 0) + 1;
        await recipes.insert(scope, {
          id: versionId,
          entryId: scope.entryId,
          recipeId,
          version,
          speciesKey,
          method,
          name,
          basedOn,
          recipe,
          note,
          at: scope.now,
        });
        return { text: `Recipe ${name}, version ${version}`, subjectId: versionId };
      },
      undo: { tables: [recipes] },
    },
  });

  return {
    list: async (who: Who) =>
      (
        await recipes.find(
          who,
          {},
          {
            order: [
              ['at', 'DESC'],
              ['id', 'DESC'],
            ],
          },
        )
      ).map(({ entryId: _entry, recipe, ...row }) => ({
        ...row,
        recipe: completeRecipe(recipe),
      })),
  };
}
