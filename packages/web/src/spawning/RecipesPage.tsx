import { useRef, useState, type ComponentType } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import * as v from 'valibot';
import { RECIPE_FORMAT, RecipeFile } from '@freshet/contract/spawning';
import { recipeText } from '@freshet/core/spawning';
import { METHOD_TEMPLATES, METHODS, type Method } from '@freshet/core/species';
import { useGet, useHouse } from '../data';
import { saveFile } from '../print';
import { Button, ButtonLink, Empty, PageHead, SelectField, TextField, usePageParams, withParam } from '../ui';
import { RecipeDifference, RecipeView } from './RecipeView';
import { useRecipeChoices } from './useRecipeChoices';

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
      setProblem(`${file.name} isn’t a recipe file. Use one saved with “Share it”.`);
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
      <a href="/api/recipe-schema.json" target="_blank" rel="noreferrer" className="link text-note">
        its format
      </a>
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
          hint="like angelfish, cooler, dark, mop"
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
      {shown.length === 0 && <Empty title="No recipe found">Try fewer words, or copy one and change it.</Empty>}
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
export function RecipePage({ OverStock }: { OverStock: ComponentType<{ speciesKey: string }> }) {
  const { ref = '' } = useParams();
  const house = useHouse();
  const { all, isLoaded } = useRecipeChoices();
  const species = useGet('species');
  const attempts = useGet('attempts', { query: { limit: '200' } });
  const [against, setAgainst] = useState('');
  const choice = all.find((one) => one.ref === ref);
  if (!choice)
    return isLoaded ? <Empty title="No such recipe">It may have been undone.</Empty> : <p className="text-quiet">Fetching …</p>;
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
    toast('Saves a file with the recipe and nothing else of yours.');
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
              Plan a spawning
            </ButtonLink>
          </>
        )}
      </PageHead>
      {choice.why && <p className="mb-3 max-w-prose">{choice.why}</p>}
      {choice.speciesKey && <OverStock speciesKey={choice.speciesKey} />}
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
          <option value="">choose another recipe or spawning</option>
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
          <p className="text-quiet">Only differences are shown.</p>
        )}
      </section>
      {done.length > 0 && (
        <section aria-label="Spawnings with it" className="mt-4">
          <h2 className="text-code">Spawnings with it</h2>
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
