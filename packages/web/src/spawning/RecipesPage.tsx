import { useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import * as v from 'valibot';
import { v7 as newId } from 'uuid';
import { RECIPE_FORMAT, RecipeFile } from '@freshet/contract/spawning';
import { recipeText, withChange } from '@freshet/core/spawning';
import { METHOD_TEMPLATES, METHODS, type Method } from '@freshet/core/species';
import { FieldProblem, useEntryForm, useGet, useHouse } from '../data';
import { saveFile } from '../print';
import {
  Button,
  ButtonLink,
  Empty,
  EntryFormFoot,
  NoteField,
  Notice,
  PageHead,
  SelectField,
  TextField,
  usePageParams,
  withParam,
} from '../ui';
import { fromDraft, toDraft, type RecipeDraft } from './recipeDraft';
import { RecipeEditor } from './RecipeEditor';
import { RecipeDifference, RecipeView } from './RecipeView';
import { useRecipeChoices, type RecipeChoice } from './useRecipeChoices';

const methodName = (method: Method) => METHOD_TEMPLATES[method].name;

/** Takes a recipe file in; what it is not is said. */
function ImportRecipe() {
  const input = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const [problem, setProblem] = useState('');
  async function take(file: File): Promise<void> {
    setProblem('');
    let raw: unknown;
    try {
      raw = JSON.parse(await file.text());
    } catch {
      setProblem(`${file.name} is no JSON: a recipe file is what “Share it” saves.`);
      return;
    }
    const parsed = v.safeParse(RecipeFile, raw);
    if (!parsed.success) {
      const issue = parsed.issues[0];
      setProblem(`${file.name}: ${v.getDotPath(issue) ?? 'the file'}: ${issue.message}`);
      return;
    }
    sessionStorage.setItem('freshet.recipe', JSON.stringify(parsed.output));
    void navigate('/spawns/recipes/new?from=file');
  }
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        aria-label="Recipe file"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void take(file);
          event.target.value = '';
        }}
      />
      <Button onClick={() => input.current?.click()}>Take one in from a file</Button>
      {problem && (
        <p role="alert" className="basis-full text-right font-semibold text-rust">
          {problem}
        </p>
      )}
    </>
  );
}

/** The recipe book: every school of every method, and the house's own. */
export function RecipesPage() {
  const house = useHouse();
  const { choices } = useRecipeChoices();
  const species = useGet('species');
  const [search, setSearch] = usePageParams();
  const [words, method] = [search.get('q') ?? '', search.get('method') ?? ''];
  const names = new Map((species.data ?? []).map((kind) => [kind.key, kind.commonName]));
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = choices.filter((choice) => {
    const text = [
      choice.name,
      choice.why,
      methodName(choice.method),
      names.get(choice.speciesKey ?? '') ?? '',
      ...(species.data ?? [])
        .filter((kind) => choice.speciesKey === null && kind.method === choice.method)
        .map((kind) => kind.commonName),
      recipeText(choice.recipe),
    ]
      .join(' ')
      .toLowerCase();
    return (method === '' || choice.method === method) && wanted.every((word) => text.includes(word));
  });
  return (
    <>
      <PageHead title="Recipes" about={`${shown.length} of ${choices.length}`}>
        {house.may('keeper') && <ImportRecipe />}
      </PageHead>
      <div className="mb-4 grid gap-4 sm:grid-cols-[2fr_1fr]">
        <TextField
          label="Search"
          hint="species, a lever such as cooler or dark, a site such as mop, your own words"
          value={words}
          onChange={(event) => setSearch(withParam(search, 'q', event.target.value))}
        />
        <SelectField
          label="Method"
          value={method}
          onChange={(event) => setSearch(withParam(search, 'method', event.target.value))}
        >
          <option value="">every method</option>
          {METHODS.map((one) => (
            <option key={one} value={one}>
              {methodName(one)}
            </option>
          ))}
        </SelectField>
      </div>
      {shown.length === 0 && <Empty title="No recipe says that">Search for fewer words, or copy one and change it.</Empty>}
      <ul className="grid gap-3 lg:grid-cols-2">
        {shown.map((choice) => (
          <li key={choice.ref} className="border border-rule bg-sheet px-4 py-3">
            <div className="flex items-baseline justify-between gap-3">
              <Link to={`/spawns/recipes/${choice.ref}`} className="min-w-0 text-code break-words hover:link">
                {choice.name}
              </Link>
              <span className="shrink-0 text-note text-quiet">
                {choice.isOwn ? `yours, version ${choice.version}` : 'starting point'}
              </span>
            </div>
            <p className="text-note text-quiet">{choice.speciesKey ? names.get(choice.speciesKey) : methodName(choice.method)}</p>
            <p className="mt-1">{choice.why}</p>
          </li>
        ))}
      </ul>
    </>
  );
}

/** One recipe: read, compared, shared, planned after. */
export function RecipePage() {
  const { ref = '' } = useParams();
  const house = useHouse();
  const { all, isLoaded } = useRecipeChoices();
  const species = useGet('species');
  const attempts = useGet('attempts', { query: { limit: '200' } });
  const [against, setAgainst] = useState('');
  const choice = all.find((one) => one.ref === ref);
  if (!choice)
    return isLoaded ? (
      <Empty title="No such recipe">It may have been taken back.</Empty>
    ) : (
      <p className="text-quiet">Fetching …</p>
    );
  const kind = species.data?.find(({ key }) => key === choice.speciesKey);
  const same = all.filter((one) => one.ref !== ref && one.method === choice.method);
  const done = (attempts.data?.attempts ?? []).filter(({ recipeRef }) => recipeRef === ref);
  const tried = (attempts.data?.attempts ?? []).filter(
    (one) => species.data?.find(({ key }) => key === one.speciesKey)?.method === choice.method,
  );
  const other =
    same.find((one) => one.ref === against) ??
    (() => {
      const attempt = tried.find(({ id }) => id === against);
      return attempt ? { name: attempt.name, recipe: attempt.recipe } : null;
    })();
  function share(): void {
    if (!choice) return;
    const { name, speciesKey, method, why, recipe } = choice;
    saveFile(
      JSON.stringify({ format: RECIPE_FORMAT, name, speciesKey, method, note: why || null, recipe }, null, 2),
      `${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.recipe.json`,
      'application/json',
    );
    toast('Saved as a file; it holds the recipe and nothing of your house.');
  }
  return (
    <>
      <PageHead
        title={choice.name}
        about={`${choice.isOwn ? `yours, version ${choice.version}` : 'starting point'}; ${kind?.commonName ?? methodName(choice.method)}`}
      >
        <Button onClick={share}>Share it</Button>
        {house.may('keeper') && (
          <>
            <ButtonLink to={`/spawns/recipes/new?from=${ref}`}>Copy and change</ButtonLink>
            <ButtonLink look="main" to={`/spawns/new?recipe=${ref}${choice.speciesKey ? `&species=${choice.speciesKey}` : ''}`}>
              Plan an attempt
            </ButtonLink>
          </>
        )}
      </PageHead>
      {choice.why && <p className="mb-3 max-w-prose">{choice.why}</p>}
      <div className="border border-rule bg-sheet px-4 py-3">
        <RecipeView recipe={choice.recipe} isBorn={METHOD_TEMPLATES[choice.method].start === 'born'} />
      </div>
      <section aria-label="Compared" className="mt-4 border border-rule bg-sheet px-4 py-3">
        <SelectField
          label="Compare with"
          boxClass="mb-3 max-w-md"
          value={against}
          onChange={(event) => setAgainst(event.target.value)}
        >
          <option value="">choose another recipe or attempt</option>
          {same.map((one) => (
            <option key={one.ref} value={one.ref}>
              {one.name}
              {one.isOwn ? `, version ${one.version}` : ''}
            </option>
          ))}
          {tried.slice(0, 40).map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}, {one.state}
            </option>
          ))}
        </SelectField>
        {other ? (
          <RecipeDifference before={other.recipe} after={choice.recipe} names={[other.name, choice.name]} />
        ) : (
          <p className="text-quiet">Only what differs is shown.</p>
        )}
      </section>
      {done.length > 0 && (
        <section aria-label="Attempts after it" className="mt-4">
          <h2 className="text-code">Attempts after it</h2>
          <ul className="bg-sheet px-3">
            {done.map((one) => (
              <li key={one.id} className="flex justify-between gap-3 border-b border-rule py-2">
                <Link to={`/spawns/${one.id}`} className="link">
                  {one.name}
                </Link>
                <span>{one.state}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

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
  const [errors, setErrors] = useState<Record<string, string>>({});
  const versionId = useRef(newId());
  const kept = own.data?.find(({ id }) => id === from.ref);
  const freshId = useRef(newId());
  const entry = useEntryForm<'saveRecipe', { name: string; speciesKey: string; note: string; isNext: boolean; recipe: string }>({
    name: 'saveRecipe',
    defaults: {
      name: from.isOwn ? from.name : `${from.name}, mine`.slice(0, 80),
      speciesKey: from.speciesKey ?? '',
      note: '',
      isNext: from.isOwn,
      recipe: '',
    },
    toBody({ name, speciesKey, note, isNext }) {
      setErrors({});
      try {
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
      } catch (error) {
        if (error instanceof FieldProblem && error.field.startsWith('recipe.'))
          setErrors({ [error.field.slice('recipe.'.length)]: error.message });
        throw error instanceof FieldProblem ? new FieldProblem('recipe', error.message) : error;
      }
    },
    fieldOf: (path) => (path.startsWith('recipe') ? 'recipe' : undefined),
    label: ({ name }) => `${name} kept`,
    done: (id) => void navigate(`/spawns/recipes/${id ?? versionId.current}`),
  });
  const { register, formState, watch, setValue } = entry.form;
  const wrong = formState.errors.recipe?.message;
  const isBorn = METHOD_TEMPLATES[from.method].start === 'born';
  let now = before;
  try {
    now = fromDraft(draft, house.units);
  } catch {
    // Half typed: the difference waits.
  }
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)} className="flex flex-col gap-4">
      <PageHead title="Copy and change" about={`${from.name}: change one thing, so that you know what did it.`} />
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
            <option value="new">a recipe of its own</option>
          </SelectField>
        )}
      </div>
      <div className="border-l-4 border-deep bg-sheet px-4 py-3">
        <RecipeDifference before={from.recipe} after={now} names={[from.name, 'as changed']} />
      </div>
      <RecipeEditor draft={draft} change={setDraft} errors={errors} isBorn={isBorn} />
      {wrong && (
        <Notice look="rust" alert>
          {wrong}
        </Notice>
      )}
      <NoteField label="Why" hint="What you hope it does." error={formState.errors.note?.message} {...register('note')} />
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
      <Empty title="Nothing to copy from" action={<ButtonLink to="/spawns/recipes">To the recipes</ButtonLink>}>
        Choose a recipe, and copy it.
      </Empty>
    ) : (
      <p className="text-quiet">Fetching …</p>
    );
  return <EditFields key={from.ref} from={from} set={search.get('set')} source={source} />;
}
