import { useState, type ComponentType } from 'react';
import { useNavigate } from 'react-router';
import { v7 as newId } from 'uuid';
import {
  checkDays,
  findClashes,
  freeTanks,
  inSeason,
  planAttempt,
  planDays,
  seasonWords,
  shiftPlan,
  triggerFor,
  type CultureStarts,
  type PlanDays,
  type Recipe,
} from '@freshet/core/spawning';
import { tryCompute } from '@freshet/core/errors';
import { FieldProblem, useEntryForm, useGet, useHouse } from '../data';
import { SpeciesOptions } from '../species';
import { DayField, EntryFormFoot, LinkButton, NoteField, SelectField, TextField } from '../ui';
import {
  DAYS,
  daysAsTyped,
  fromToday,
  isDay,
  setUpAlready,
  speciesStart,
  type AttemptStart,
  type AttemptValues,
  type Choices,
  toDays,
} from './attemptStart';
import { fit, ParentsField } from './ParentsField';
import { PlanClashes } from './PlanClashes';
import { PlanPanel, type PlanMode } from './PlanPanel';
import { fromDraft, messagesOf, toDraft } from './recipeDraft';
import { RecipeEditor } from './RecipeEditor';
import { SpeciesAside } from './SpeciesAside';
import { tankWords } from './tankWords';
import { useOwnHistory } from './useOwnHistory';
import { choicesFor } from './useRecipeChoices';
import { useWaterWords } from './useWaterWords';

/** Species, recipe, plan, tank and parents of a new attempt. */
export function AttemptForm({
  choices,
  start,
  cultureStarts,
  OverStock,
}: {
  choices: Choices;
  start: AttemptStart;
  cultureStarts: CultureStarts;
  OverStock: ComponentType<{ speciesKey: string }>;
}) {
  const house = useHouse();
  const navigate = useNavigate();
  const life = useGet('tankLife');
  const hours = useGet('hours').data;
  const [attemptId] = useState(() => newId());
  const [recipeRef, setRecipeRef] = useState(start.recipeRef);
  const [draft, setDraft] = useState(start.draft);
  const [wish, setWish] = useState('');
  const [mode, setMode] = useState<PlanMode>('today');
  const [showAll, setShowAll] = useState(false);
  const entry = useEntryForm<'addAttempt', AttemptValues & { recipe: Record<string, string> }>({
    name: 'addAttempt',
    defaults: { ...start.values, recipe: {} },
    toBody(values) {
      let recipe: Recipe;
      try {
        recipe = fromDraft(draft, house.units);
      } catch (error) {
        if (!(error instanceof FieldProblem)) throw error;
        setShowAll(true);
        throw error;
      }
      const { speciesKey, tankId, sires, dams, from } = values;
      return {
        attemptId,
        speciesKey,
        name: values.name,
        tankId,
        sires,
        dams,
        from,
        to: values.to || null,
        conditioningFrom: values.conditioningFrom || null,
        setUpOn: values.setUpOn || null,
        triggerOn: values.triggerOn || null,
        recipe: recipe as never,
        recipeRef,
        tags: values.tags
          .split(',')
          .map((tag) => tag.trim())
          .filter(Boolean),
        note: values.note.trim() || null,
      };
    },
    // What is wrong with the recipe stands at the field it is said of.
    fieldOf: (path) => {
      if (path.startsWith('tags')) return 'tags';
      return path.startsWith('recipe.') ? (path.split('.').slice(0, 2).join('.') as `recipe.${string}`) : undefined;
    },
    label: (values) => `${values.name} begun`,
    done: () => void navigate(`/spawns/${attemptId}`),
  });
  const { register, watch, setValue, getValues, formState } = entry.form;
  const { errors } = formState;
  const values = watch();
  const chosen = choices.species.find((kind) => kind.key === values.speciesKey);
  const history = useOwnHistory(values.speciesKey || null);
  const suits = choicesFor(choices.recipes, chosen);
  const read = tryCompute(() => fromDraft(draft, house.units));

  function setDays(days: PlanDays): void {
    for (const [field, value] of Object.entries(daysAsTyped(days))) setValue(field as keyof AttemptValues, value);
  }
  function takeRecipe(ref: string): void {
    const choice = choices.allRecipes.find((one) => one.ref === ref);
    if (!choice) return;
    setRecipeRef(ref);
    setDraft(toDraft(choice.recipe, house.units));
    setDays(fromToday(choice.recipe, house.today, history.triggerDays));
  }
  function choose(key: string): void {
    setValue('speciesKey', key);
    const found = speciesStart(key, choices);
    if (!found) return;
    if (found.recipe) takeRecipe(found.recipe.ref);
    // A name that was typed stays.
    if (!formState.dirtyFields.name) setValue('name', found.name);
    setValue('sires', found.sires);
    setValue('dams', found.dams);
    if (!values.tankId) setValue('tankId', found.home);
  }
  function wishFor(day: string): void {
    setWish(day);
    if (chosen && read.ok && isDay(day))
      setDays(planDays(read.value, triggerFor(day, chosen.figures, chosen.start, history.triggerDays), history.triggerDays));
  }

  const tankLitres = life.data?.find(({ tankId }) => tankId === values.tankId)?.litres ?? null;
  const waterWords = useWaterWords(read.ok ? read.value : null, tankLitres);
  const hasDays = isDay(values.triggerOn) && isDay(values.setUpOn) && isDay(values.from);
  const days = hasDays ? toDays(values) : null;
  const marks =
    days && chosen && read.ok
      ? planAttempt({
          recipe: read.value,
          days,
          figures: chosen.figures,
          start: chosen.start,
          triggerDays: history.triggerDays,
          waterWords,
          cultureStarts,
        })
      : null;
  const order = days ? checkDays(days, house.today, values.from >= house.today) : null;
  const parents = [...values.sires, ...values.dams];
  // A spawning takes a tank, not a box or jar.
  const own = (life.data ?? []).filter(({ vessel }) => vessel === null);
  const tanks = own.map((tank) => ({ ...tank, id: tank.tankId, quarantine: tank.quarantine !== null }));
  const others = choices.attempts
    .filter(({ outcome }) => outcome === null)
    .map((other) => ({ ...other, parentLotIds: other.parents.map(({ lotId }) => lotId) }));
  const wanted = { id: attemptId, name: values.name, tankId: values.tankId, from: values.from, to: values.to || null };
  const livesThere = choices.lots.some((lot) => lot.tankId === values.tankId && parents.includes(lot.id));
  // Parents that spawn where they live are no hindrance.
  const clashes = values.tankId
    ? findClashes(wanted, parents, tanks, others).filter(({ what }) => what !== 'livedIn' || !livesThere)
    : [];
  const alternatives = clashes.some(({ what }) => what !== 'parents')
    ? freeTanks(wanted, read.ok ? read.value.litres : null, tanks, others).slice(0, 4)
    : [];
  const isSouth = (hours?.latitude ?? 1) < 0;
  const isOut = read.ok && days && !inSeason(read.value, days.triggerOn, isSouth);
  const byRecipe = choices.allRecipes.find(({ ref }) => ref === recipeRef);
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)}>
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
              <SpeciesOptions species={choices.species} />
            </SelectField>
            <SelectField label="Spawning tank" error={errors.tankId?.message} {...register('tankId')}>
              <option value="">Choose a tank</option>
              {own.map((tank) => (
                <option key={tank.tankId} value={tank.tankId}>
                  {tankWords(tank, house.today)}
                </option>
              ))}
            </SelectField>
            <TextField label="Name of the spawning" error={errors.name?.message} {...register('name')} />
          </div>
          {values.speciesKey && <OverStock speciesKey={values.speciesKey} />}
          <PlanClashes
            {...{ clashes, alternatives }}
            outOfSeason={isOut ? seasonWords(read.value.seasons, isSouth) : null}
            take={(tankId) => setValue('tankId', tankId)}
          />
          {chosen && (
            <SelectField
              label="After which recipe"
              hint={byRecipe?.why}
              value={recipeRef ?? ''}
              onChange={(event) => takeRecipe(event.target.value)}
            >
              {[...suits, ...(byRecipe && !suits.some(({ ref }) => ref === recipeRef) ? [byRecipe] : [])].map(
                ({ ref, name: called, isOwn, version }) => (
                  <option key={ref} value={ref}>
                    {called}
                    {isOwn ? `, your version ${version}` : ''}
                  </option>
                ),
              )}
            </SelectField>
          )}
          {marks && (
            <PlanPanel
              marks={marks}
              move={(held, by) => setDays(shiftPlan(toDays(getValues()), held, by))}
              mode={mode}
              setMode={(next) => {
                setMode(next);
                if (!read.ok || next === 'wish') return;
                setDays(
                  next === 'today'
                    ? fromToday(read.value, house.today, history.triggerDays)
                    : setUpAlready(read.value, house.today),
                );
              }}
              wish={wish}
              wishFor={wishFor}
              takenOn={values.from}
              ownBroods={history.broods}
            />
          )}
          {chosen && (
            <div className="grid gap-4 sm:grid-cols-2">
              {(['sires', 'dams'] as const).map((side) => (
                <ParentsField
                  key={side}
                  title={side === 'dams' ? 'Females' : chosen.start === 'born' ? 'Males, or none if she stores sperm' : 'Males'}
                  lots={fit(choices.lots, chosen.key, side === 'dams' ? 'females' : 'males')}
                  chosen={values[side]}
                  change={(ids) => setValue(side, ids)}
                  error={errors[side]?.message}
                />
              ))}
            </div>
          )}
          <div className="grid grid-cols-2 gap-4 sm:grid-cols-3 xl:grid-cols-5">
            {DAYS.map(([field, label, hint]) => (
              <DayField
                key={field}
                control={entry.form.control}
                name={field}
                label={label}
                hint={hint}
                error={errors[field]?.message ?? (order?.field === field ? order.message : undefined)}
              />
            ))}
          </div>
          {chosen && (
            <>
              <RecipeEditor
                draft={draft}
                change={setDraft}
                errors={messagesOf(errors.recipe)}
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
            hint="anything else that might matter, with commas, like storm, new filter"
            error={errors.tags?.message}
            {...register('tags')}
          />
          <NoteField
            label="Note"
            hint="What is different from last time? Change one thing."
            error={errors.note?.message}
            {...register('note')}
          />
          <EntryFormFoot entry={entry} action="Save the spawning" />
        </div>
        <aside className="divide-y divide-rule self-start border border-rule bg-sheet">
          <SpeciesAside species={chosen} history={history} litres={tankLitres} />
        </aside>
      </div>
    </form>
  );
}
