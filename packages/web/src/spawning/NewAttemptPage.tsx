import { useEffect, useRef, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { v7 as newId } from 'uuid';
import {
  checkDays,
  defaultRecipe,
  findClashes,
  freeTanks,
  planAttempt,
  planDays,
  shiftPlan,
  triggerFor,
  type PlanDays,
  type PlanTank,
} from '@freshet/core/spawning';
import { addDays, formatDay } from '@freshet/core/time';
import { tryCompute } from '@freshet/core/errors';
import { FieldProblem, showHeads, showVolume, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { SpeciesOptions } from '../species';
import { DayField, EntryFormFoot, LinkButton, NoteField, Notice, PageHead, Segmented, SelectField, TextField } from '../ui';
import { PlanLine, type Held } from './PlanLine';
import { fromDraft, toDraft, type RecipeDraft } from './recipeDraft';
import { RecipeEditor } from './RecipeEditor';
import { SpeciesAside } from './SpeciesAside';
import { useOwnHistory } from './useOwnHistory';
import { choicesFor, useRecipeChoices } from './useRecipeChoices';

type Lot = Reply<'lots'>[number];

interface Values {
  speciesKey: string;
  name: string;
  tankId: string;
  sires: string[];
  dams: string[];
  from: string;
  to: string;
  conditioningFrom: string;
  setUpOn: string;
  triggerOn: string;
  wish: string;
  tags: string;
  note: string;
}

/** Lots that can be parents on one side: those with animals of that sex, or unsexed ones. */
const fit = (lots: readonly Lot[], speciesKey: string, sex: 'males' | 'females') =>
  lots.filter(
    (lot) =>
      lot.speciesKey === speciesKey &&
      !lot.isRetired &&
      (lot.broodId === null || lot.readiness !== null) &&
      lot[sex] + lot.unsexed > 0,
  );

/** Why a lot is not ready yet, said before it is chosen. */
function readinessWords({ readiness, missing }: Lot): string | null {
  return (
    readiness &&
    { ready: 'ready', notReady: `not ready: ${missing.join('; ') || 'its card says why'}`, unknown: 'condition not scored' }[
      readiness
    ]
  );
}

function Parents({
  title,
  lots,
  chosen,
  change,
  error,
}: {
  title: string;
  lots: readonly Lot[];
  chosen: readonly string[];
  change: (ids: string[]) => void;
  error?: string | undefined;
}) {
  return (
    <fieldset className="min-w-0">
      <legend className="font-semibold">{title}</legend>
      {lots.length === 0 && <p className="py-2 text-quiet">None of this species is booked.</p>}
      {lots.map((lot) => {
        const ready = readinessWords(lot);
        return (
          <label key={lot.id} className="flex min-h-11 items-center gap-3 border-b border-rule">
            <input
              type="checkbox"
              className="size-6 shrink-0 accent-[var(--deep)]"
              checked={chosen.includes(lot.id)}
              onChange={(event) => change(event.target.checked ? [...chosen, lot.id] : chosen.filter((id) => id !== lot.id))}
            />
            <span className="min-w-0">
              <b className="font-mono">{lot.tankCode}</b> {lot.name ? <b>{lot.name}, </b> : null}
              {showHeads(lot)}
              {lot.line && `, line ${lot.line}`}
              {lot.generation && `, ${lot.generation}`}
              {ready && <span className={`block text-note ${ready === 'ready' ? 'text-deep' : 'text-amber'}`}>{ready}</span>}
            </span>
          </label>
        );
      })}
      {error && (
        <p role="alert" className="text-note font-semibold text-rust">
          {error}
        </p>
      )}
    </fieldset>
  );
}

const DAYS = [
  ['conditioningFrom', 'Conditioning from', 'may stay empty'],
  ['from', 'Tank taken from', undefined],
  ['setUpOn', 'Parents in on', undefined],
  ['triggerOn', 'Trigger on', undefined],
  ['to', 'Tank free after', 'may stay open'],
] as const;

/** Starts or plans a spawning attempt: from a recipe to dates, tank and parents. */
export function NewAttemptPage() {
  const house = useHouse();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const species = useGet('species');
  const lots = useGet('lots');
  const life = useGet('tankLife');
  const attempts = useGet('attempts', { query: { limit: '200' } });
  const { choices, all, isLoaded } = useRecipeChoices();
  const attemptId = useRef(newId());
  const wantedRef = search.get('recipe');
  const [recipeRef, setRecipeRef] = useState<string | null>(null);
  const [draft, setDraft] = useState<RecipeDraft>(() => toDraft(defaultRecipe('eggScatterer'), house.units));
  const [isWish, setIsWish] = useState(false);
  const [showAll, setShowAll] = useState(false);
  const [recipeErrors, setRecipeErrors] = useState<Record<string, string>>({});
  const entry = useEntryForm<'addAttempt', Values>({
    name: 'addAttempt',
    defaults: {
      speciesKey: search.get('species') ?? '',
      name: search.get('name')?.slice(0, 80) ?? '',
      tankId: search.get('tank') ?? '',
      sires: search.get('sire')?.split(',').filter(Boolean) ?? [],
      dams: search.get('dam')?.split(',').filter(Boolean) ?? [],
      from: house.today,
      to: '',
      conditioningFrom: '',
      setUpOn: house.today,
      triggerOn: '',
      wish: '',
      tags: '',
      note: '',
    },
    toBody(values) {
      setRecipeErrors({});
      try {
        return {
          attemptId: attemptId.current,
          speciesKey: values.speciesKey,
          name: values.name,
          tankId: values.tankId,
          sires: values.sires,
          dams: values.dams,
          from: values.from,
          to: values.to || null,
          conditioningFrom: values.conditioningFrom || null,
          setUpOn: values.setUpOn || null,
          triggerOn: values.triggerOn || null,
          recipe: fromDraft(draft, house.units) as never,
          recipeRef,
          tags: values.tags
            .split(',')
            .map((tag) => tag.trim())
            .filter(Boolean),
          note: values.note.trim() || null,
        };
      } catch (error) {
        if (error instanceof FieldProblem && error.field.startsWith('recipe.')) {
          setRecipeErrors({ [error.field.slice('recipe.'.length)]: error.message });
          setShowAll(true);
          throw new FieldProblem('note', error.message);
        }
        throw error;
      }
    },
    fieldOf: (path) => {
      if (path.startsWith('tags')) return 'tags';
      if (!path.startsWith('recipe.')) return undefined;
      return 'note';
    },
    label: ({ name }) => `${name} begun`,
    done: () => void navigate(`/spawns/${attemptId.current}`),
  });
  const { register, watch, setValue, getValues, formState } = entry.form;
  const { errors } = formState;
  const values = watch();
  const chosen = species.data?.find((kind) => kind.key === values.speciesKey);
  const history = useOwnHistory(values.speciesKey || null);
  const suits = choicesFor(choices, chosen);
  const read = tryCompute(() => fromDraft(draft, house.units));

  function setDays(days: PlanDays): void {
    setValue('conditioningFrom', days.conditioningFrom ?? '');
    setValue('from', days.from);
    setValue('setUpOn', days.setUpOn);
    setValue('triggerOn', days.triggerOn);
    setValue('to', days.to);
  }
  /** The earliest dates that a recipe allows from today: conditioning, when it is wanted, begins today. */
  function fromToday(recipe: Parameters<typeof planDays>[0]): PlanDays {
    const days = planDays(recipe, house.today, history.triggerDays);
    const late = [days.conditioningFrom ?? days.from, days.from].sort()[0] ?? days.from;
    const by = Math.max(0, Math.round((Date.parse(house.today) - Date.parse(late)) / 86_400_000));
    return shiftPlan(days, 'all', by);
  }
  function takeRecipe(ref: string): void {
    const choice = all.find((one) => one.ref === ref);
    if (!choice) return;
    setRecipeRef(ref);
    setDraft(toDraft(choice.recipe, house.units));
    setDays(fromToday(choice.recipe));
  }
  function choose(key: string): void {
    const kind = species.data?.find((candidate) => candidate.key === key);
    setValue('speciesKey', key);
    if (!kind) return;
    const first = choicesFor(choices, kind)[0];
    if (first) takeRecipe(first.ref);
    else setDraft(toDraft(defaultRecipe(kind.method), house.units));
    const number = (attempts.data?.attempts ?? []).filter((attempt) => attempt.speciesKey === key).length + 1;
    // A name that was typed stays.
    if (!formState.dirtyFields.name && !search.get('name')) setValue('name', `${kind.commonName} ${number}`);
    const [males, females] = [fit(lots.data ?? [], key, 'males'), fit(lots.data ?? [], key, 'females')];
    setValue('sires', males.length === 1 && males[0] ? [males[0].id] : []);
    setValue('dams', females.length === 1 && females[0] ? [females[0].id] : []);
    const home = males[0]?.tankId ?? females[0]?.tankId;
    if (!values.tankId && home) setValue('tankId', home);
  }
  // A link may name species, recipe, tank and parents: taken once, when all is there to choose from.
  const linked = useRef(false);
  const known = species.data !== undefined && lots.data !== undefined && attempts.data !== undefined && isLoaded;
  useEffect(() => {
    if (linked.current || !known) return;
    linked.current = true;
    const [tank, sire, dam] = ['tank', 'sire', 'dam'].map((name) => search.get(name));
    const recipe = all.find(({ ref }) => ref === wantedRef);
    const key = search.get('species') ?? recipe?.speciesKey ?? null;
    if (key) choose(key);
    if (recipe) takeRecipe(recipe.ref);
    if (tank) setValue('tankId', tank);
    if (sire) setValue('sires', sire.split(','));
    if (dam) setValue('dams', dam.split(','));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when everything is known
  }, [known]);
  function wishFor(day: string): void {
    setValue('wish', day);
    if (!chosen || !read.ok || !/^\d{4}-\d{2}-\d{2}$/.test(day)) return;
    setDays(planDays(read.value, triggerFor(day, chosen.figures, chosen.start, history.triggerDays), history.triggerDays));
  }

  const days: PlanDays | null =
    values.triggerOn && values.setUpOn && values.from
      ? {
          conditioningFrom: values.conditioningFrom || null,
          from: values.from,
          setUpOn: values.setUpOn,
          triggerOn: values.triggerOn,
          to: values.to || addDays(values.triggerOn, 14),
        }
      : null;
  const marks =
    days && chosen && read.ok
      ? planAttempt({
          recipe: read.value,
          days,
          figures: chosen.figures as Parameters<typeof planAttempt>[0]['figures'],
          start: chosen.start,
          triggerDays: history.triggerDays,
        })
      : null;
  const order = days ? checkDays(days, house.today, values.from >= house.today) : null;
  const tooLate = isWish && values.wish && days && days.from < house.today;
  const tanks: PlanTank[] = (life.data ?? []).map((tank) => ({
    id: tank.tankId,
    code: tank.code,
    litres: tank.litres,
    quarantine: tank.quarantine !== null,
    heads: tank.heads,
    freeOn: tank.freeOn,
  }));
  const others = (attempts.data?.attempts ?? [])
    .filter(({ outcome }) => outcome === null)
    .map((other) => ({
      id: other.id,
      name: other.name,
      tankId: other.tankId,
      from: other.from,
      to: other.to,
      parentLotIds: other.parents.map(({ lotId }) => lotId),
    }));
  const wanted = { id: attemptId.current, name: values.name, tankId: values.tankId, from: values.from, to: values.to || null };
  const clashes = values.tankId
    ? findClashes(wanted, [...values.sires, ...values.dams], tanks, others).filter(
        // Parents that spawn where they live are no hindrance.
        ({ what }) =>
          what !== 'livedIn' ||
          !(lots.data ?? []).some((lot) => lot.tankId === values.tankId && [...values.sires, ...values.dams].includes(lot.id)),
      )
    : [];
  const alternatives = clashes.some(({ what }) => what !== 'parents')
    ? freeTanks(wanted, read.ok ? read.value.litres : null, tanks, others).slice(0, 4)
    : [];
  const why = all.find(({ ref }) => ref === recipeRef)?.why;
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)}>
      <PageHead title="Start an attempt" about="What is left empty can be logged later." />
      <div className="grid gap-5 lg:grid-cols-[minmax(0,1fr)_340px]">
        <div className="flex min-w-0 flex-col gap-4">
          <div className="grid gap-4 sm:grid-cols-3">
            <SelectField
              label="Species"
              autoFocus
              error={errors.speciesKey?.message}
              value={values.speciesKey}
              onChange={(event) => choose(event.target.value)}
            >
              <SpeciesOptions species={species.data} />
            </SelectField>
            <SelectField label="Spawning tank" error={errors.tankId?.message} {...register('tankId')}>
              <option value="">Choose a tank</option>
              {(life.data ?? []).map((tank) => (
                <option key={tank.tankId} value={tank.tankId}>
                  {tank.code}
                  {tank.attempts.length > 0
                    ? `: ${tank.attempts[0]?.name}`
                    : tank.quarantine
                      ? ': quarantine'
                      : !tank.readiness.ready && tank.heads === 0
                        ? `: not ready${tank.readiness.expected ? ` until ${formatDay(tank.readiness.expected.to, house.today)}` : ''}`
                        : tank.heads === 0
                          ? ': empty'
                          : ''}
                </option>
              ))}
            </SelectField>
            <TextField label="Name of the attempt" error={errors.name?.message} {...register('name')} />
          </div>
          {clashes.length > 0 && (
            <Notice>
              {clashes.map(({ words }) => words).join(' ')}
              {alternatives.length > 0 && (
                <>
                  {' '}
                  Free then:{' '}
                  {alternatives.map((tank, i) => (
                    <span key={tank.id}>
                      {i > 0 && ', '}
                      <LinkButton onClick={() => setValue('tankId', tank.id)}>
                        {tank.code}, {showVolume(tank.litres, house)}
                      </LinkButton>
                    </span>
                  ))}
                  .
                </>
              )}
            </Notice>
          )}
          {chosen && (
            <SelectField
              label="After which recipe"
              hint={why}
              value={recipeRef ?? ''}
              onChange={(event) => takeRecipe(event.target.value)}
            >
              {suits.map(({ ref, name, isOwn, version }) => (
                <option key={ref} value={ref}>
                  {name}
                  {isOwn ? `, your version ${version}` : ''}
                </option>
              ))}
              {recipeRef && !suits.some(({ ref }) => ref === recipeRef) && (
                <option value={recipeRef}>{all.find(({ ref }) => ref === recipeRef)?.name}</option>
              )}
            </SelectField>
          )}
          {marks && (
            <section aria-label="The plan" className="border border-rule bg-sheet p-3">
              <div className="mb-2 flex flex-wrap items-center gap-3">
                <h2>The plan</h2>
                <Segmented
                  label="Counted"
                  value={isWish ? 'wish' : 'today'}
                  onChange={(value) => {
                    setIsWish(value === 'wish');
                    if (value === 'today' && read.ok) setDays(fromToday(read.value));
                  }}
                  options={[
                    { value: 'today', label: 'From today' },
                    { value: 'wish', label: 'Back from a day' },
                  ]}
                />
                <span className="text-note text-quiet">Drag a filled mark, or take it with Tab and the arrow keys.</span>
              </div>
              {isWish && (
                <div className="mb-2 max-w-xs">
                  <DayField
                    control={entry.form.control}
                    name="wish"
                    label="Young ready for sale by"
                    hint="an auction, a shop’s order"
                    error={
                      values.wish && values.wish <= house.today
                        ? 'That day is gone.'
                        : tooLate
                          ? `For that the tank would have had to be taken on ${formatDay(days.from, house.today)}; the earliest is by ${formatDay(
                              marks.find(({ kind }) => kind === 'sale')?.to ?? house.today,
                              house.today,
                            )} if moved to today.`
                          : undefined
                    }
                  />
                  <LinkButton onClick={() => wishFor(getValues('wish'))}>Count back from it</LinkButton>
                </div>
              )}
              <PlanLine
                marks={marks}
                move={(held: Held, by) => {
                  const now = getValues();
                  setDays(
                    shiftPlan(
                      {
                        conditioningFrom: now.conditioningFrom || null,
                        from: now.from,
                        setUpOn: now.setUpOn,
                        triggerOn: now.triggerOn,
                        to: now.to || addDays(now.triggerOn, 14),
                      },
                      held,
                      by,
                    ),
                  );
                }}
              />
              {history.broods > 0 && (
                <p className="mt-1 text-note text-quiet">
                  Days from trigger to eggs rest on {history.broods} of your own spawnings.
                </p>
              )}
            </section>
          )}
          {chosen && (
            <div className="grid gap-4 sm:grid-cols-2">
              <Parents
                title={chosen.start === 'born' ? 'Males, or none if she stores sperm' : 'Males'}
                lots={fit(lots.data ?? [], chosen.key, 'males')}
                chosen={values.sires}
                change={(ids) => setValue('sires', ids)}
                error={errors.sires?.message}
              />
              <Parents
                title="Females"
                lots={fit(lots.data ?? [], chosen.key, 'females')}
                chosen={values.dams}
                change={(ids) => setValue('dams', ids)}
                error={errors.dams?.message}
              />
            </div>
          )}
          <div className="grid grid-cols-2 gap-4 sm:grid-cols-3 xl:grid-cols-5">
            {DAYS.map(([name, label, hint]) => (
              <DayField
                key={name}
                control={entry.form.control}
                name={name}
                label={label}
                hint={hint}
                error={errors[name]?.message ?? (order?.field === name ? order.message : undefined)}
              />
            ))}
          </div>
          {chosen && (
            <>
              <RecipeEditor
                draft={draft}
                change={setDraft}
                errors={recipeErrors}
                isBorn={chosen.start === 'born'}
                groups={showAll ? ['trigger', 'eggs', 'fish', 'tank', 'water'] : ['trigger', 'eggs']}
              />
              <LinkButton onClick={() => setShowAll(!showAll)} aria-expanded={showAll}>
                {showAll ? 'Less of the recipe' : 'Tank, water and fish of the recipe'}
              </LinkButton>
            </>
          )}
          <TextField
            label="Your own marks"
            hint="What may matter and has no field, parted by commas, such as storm, new filter; weighed as evidence later."
            error={errors.tags?.message}
            {...register('tags')}
          />
          <NoteField
            label="Note"
            hint="What is different from last time? Change one thing."
            error={errors.note?.message}
            {...register('note')}
          />
          <EntryFormFoot entry={entry} action="Start the attempt" />
        </div>
        <aside className="divide-y divide-rule self-start border border-rule bg-sheet">
          <SpeciesAside
            species={chosen}
            history={history}
            litres={life.data?.find((tank) => tank.tankId === values.tankId)?.litres ?? null}
          />
        </aside>
      </div>
    </form>
  );
}
