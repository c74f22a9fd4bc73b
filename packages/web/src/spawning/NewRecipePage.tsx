import { useMemo, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import * as v from 'valibot';
import { v7 as newId } from 'uuid';
import { RecipeFile } from '@freshet/contract/spawning';
import { withChange } from '@freshet/core/spawning';
import { METHOD_TEMPLATES, type Method } from '@freshet/core/species';
import { useEntryForm, useGet, useHouse } from '../data';
import { ButtonLink, Empty, EntryFormFoot, NoteField, PageHead, SelectField, TextField } from '../ui';
import { fromDraft, messagesOf, toDraft, type RecipeDraft } from './recipeDraft';
import { RecipeEditor } from './RecipeEditor';
import { RecipeDifference } from './RecipeView';
import { useRecipeChoices, type RecipeChoice } from './useRecipeChoices';

const methodName = (method: Method) => METHOD_TEMPLATES[method].name;

function EditFields({ from, set, source }: { from: RecipeChoice; set: string | null; source: string }) {
  const house = useHouse();
  const navigate = useNavigate();
  const species = useGet('species');
  const own = useGet('recipes');
  const before = useMemo(() => {
    const [factor = '', side] = set?.split('=') ?? [];
    return factor ? withChange(from.recipe, { factor, set: side !== 'no' }) : from.recipe;
  }, [from, set]);
  const [draft, setDraft] = useState<RecipeDraft>(() => toDraft(before, house.units));
  const versionId = useRef(newId());
  const kept = own.data?.find(({ id }) => id === from.ref);
  const freshId = useRef(newId());
  const entry = useEntryForm<
    'saveRecipe',
    { name: string; speciesKey: string; note: string; isNext: boolean; recipe: Record<string, string> }
  >({
    name: 'saveRecipe',
    defaults: {
      name: from.isOwn ? from.name : `${from.name}, mine`.slice(0, 80),
      speciesKey: from.speciesKey ?? '',
      note: '',
      isNext: from.isOwn,
      recipe: {},
    },
    toBody({ name, speciesKey, note, isNext }) {
      return {
        versionId: versionId.current,
        recipeId: isNext && kept ? kept.recipeId : freshId.current,
        speciesKey: speciesKey || null,
        method: from.method,
        name,
        basedOn: source === 'file' ? null : from.ref,
        recipe: fromDraft(draft, house.units) as never,
        note: note.trim() || null,
      };
    },
    fieldOf: (path) => (path.startsWith('recipe.') ? (path.split('.').slice(0, 2).join('.') as `recipe.${string}`) : undefined),
    label: ({ name }) => `${name} kept`,
    done: (id) => void navigate(`/spawns/recipes/${id ?? versionId.current}`),
  });
  const { register, formState, watch, setValue } = entry.form;
  const isBorn = METHOD_TEMPLATES[from.method].start === 'born';
  let now = before;
  try {
    now = fromDraft(draft, house.units);
  } catch {
    // Half typed: the difference waits.
  }
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)} className="flex flex-col gap-4">
      <PageHead title="Copy and change" about={`${from.name}: change one thing, so you know what made the difference.`} />
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField label="Name" autoFocus error={formState.errors.name?.message} {...register('name')} />
        <SelectField label="For" {...register('speciesKey')}>
          <option value="">every {methodName(from.method)}</option>
          {(species.data ?? [])
            .filter((kind) => kind.method === from.method)
            .map((kind) => (
              <option key={kind.key} value={kind.key}>
                {kind.commonName}
              </option>
            ))}
        </SelectField>
        {kept && (
          <SelectField
            label="Kept as"
            value={watch('isNext') ? 'next' : 'new'}
            onChange={(event) => setValue('isNext', event.target.value === 'next')}
          >
            <option value="next">the next version of it</option>
            <option value="new">a new recipe</option>
          </SelectField>
        )}
      </div>
      <div className="border-l-4 border-deep bg-sheet px-4 py-3">
        <RecipeDifference before={from.recipe} after={now} names={[from.name, 'as changed']} />
      </div>
      <RecipeEditor draft={draft} change={setDraft} errors={messagesOf(formState.errors.recipe)} isBorn={isBorn} />
      <NoteField label="Why" hint="what you hope it does" error={formState.errors.note?.message} {...register('note')} />
      <EntryFormFoot entry={entry} action="Keep the recipe" />
    </form>
  );
}

/** A copy of a recipe, to change one thing in it; also what came in from a file, or what the evidence proposes. */
export function NewRecipePage() {
  const [search] = useSearchParams();
  const { all, isLoaded } = useRecipeChoices();
  const attempts = useGet('attempts', { query: { limit: '200' } });
  const species = useGet('species');
  const source = search.get('from') ?? '';
  const file = useMemo((): RecipeChoice | null => {
    const parsed =
      source === 'file' ? v.safeParse(RecipeFile, JSON.parse(sessionStorage.getItem('freshet.recipe') ?? 'null')) : null;
    if (!parsed?.success) return null;
    const { name, note, recipe, method, speciesKey } = parsed.output;
    return { ref: 'file', name, why: note ?? '', recipe, method, speciesKey, isOwn: false, version: null };
  }, [source]);
  const attempt = attempts.data?.attempts.find(({ id }) => id === source);
  const method = species.data?.find(({ key }) => key === attempt?.speciesKey)?.method;
  const from: RecipeChoice | null =
    file ??
    all.find(({ ref }) => ref === source) ??
    (attempt && method
      ? {
          ref: attempt.id,
          name: attempt.name,
          why: '',
          recipe: attempt.recipe,
          method,
          speciesKey: attempt.speciesKey,
          isOwn: false,
          version: null,
        }
      : null);
  if (!from)
    return isLoaded && attempts.data && species.data ? (
      <Empty title="Nothing to copy" action={<ButtonLink to="/spawns/recipes">To the recipes</ButtonLink>}>
        Choose a recipe, and copy it.
      </Empty>
    ) : (
      <p className="text-quiet">Fetching …</p>
    );
  return <EditFields key={from.ref} from={from} set={search.get('set')} source={source} />;
}
