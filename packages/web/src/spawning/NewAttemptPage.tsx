import { useRef } from 'react';
import { SpeciesOptions } from '../species';
import { useNavigate, useSearchParams } from 'react-router';
import { v7 as newId } from 'uuid';
import {
  defaultRecipe,
  EGG_PLANS,
  FUNGUS_SCHOOLS,
  TRIGGER_SCHOOLS,
  type EggPlan,
  type FungusSchool,
  type TriggerSchool,
} from '@freshet/core/spawning';
import { DYE_CAUTION } from '@freshet/core/room';
import { showHeads, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { DayField, EntryFormFoot, NoteField, Notice, PageHead, readNumber, SelectField, TextField } from '../ui';
import { SpeciesAside } from './SpeciesAside';
import { SCHOOL_EFFECTS, SCHOOL_WORDS } from './schools';

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
  eggPlan: EggPlan;
  fungus: FungusSchool;
  trigger: TriggerSchool;
  dailyChangePercent: string;
  dyeMgPerL: string;
  dyeStockPercent: string;
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

function Parents({
  title,
  lots,
  chosen,
  change,
}: {
  title: string;
  lots: readonly Lot[];
  chosen: readonly string[];
  change: (ids: string[]) => void;
}) {
  return (
    <fieldset className="min-w-0">
      <legend className="font-semibold">{title}</legend>
      {lots.length === 0 && <p className="py-2 text-quiet">None of this species is booked.</p>}
      {lots.map((lot) => (
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
          </span>
        </label>
      ))}
    </fieldset>
  );
}

const DAYS = [
  ['conditioningFrom', 'Conditioning from', undefined],
  ['from', 'Tank taken from', undefined],
  ['setUpOn', 'Parents in on', undefined],
  ['triggerOn', 'Trigger on', undefined],
  ['to', 'Tank free after', 'may stay open'],
] as const;

/** Starts or plans a spawning attempt. */
export function NewAttemptPage() {
  const house = useHouse();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const species = useGet('species');
  const lots = useGet('lots');
  const life = useGet('tankLife');
  const attempts = useGet('attempts', { query: { limit: '200' } });
  const attemptId = useRef(newId());
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
      eggPlan: 'leaveWithParents',
      fungus: 'flow',
      trigger: 'stable',
      dailyChangePercent: '50',
      dyeMgPerL: '',
      dyeStockPercent: '',
      note: '',
    },
    toBody: (values) => ({
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
      recipe: {
        eggPlan: values.eggPlan,
        fungus: values.fungus,
        trigger: values.trigger,
        dailyChangeFraction: (readNumber('dailyChangePercent', values.dailyChangePercent) ?? 0) / 100,
        dyeMgPerL: values.fungus === 'dye' ? readNumber('dyeMgPerL', values.dyeMgPerL) : null,
        dyeStockPercent: values.fungus === 'dye' ? readNumber('dyeStockPercent', values.dyeStockPercent) : null,
      },
      note: values.note.trim() || null,
    }),
    fieldOf: (path) => {
      if (path === 'recipe.dailyChangeFraction') return 'dailyChangePercent';
      if (path === 'recipe.dyeMgPerL') return 'dyeMgPerL';
      return path === 'recipe.dyeStockPercent' ? 'dyeStockPercent' : undefined;
    },
    label: ({ name }) => `${name} begun`,
    done: () => void navigate(`/spawns/${attemptId.current}`),
  });
  const { register, watch, setValue, formState } = entry.form;
  const { errors } = formState;
  const values = watch();
  const chosen = species.data?.find((kind) => kind.key === values.speciesKey);

  function choose(key: string): void {
    const kind = species.data?.find((candidate) => candidate.key === key);
    setValue('speciesKey', key);
    if (!kind) return;
    const recipe = defaultRecipe(kind.method);
    const number = (attempts.data?.attempts ?? []).filter((attempt) => attempt.speciesKey === key).length + 1;
    setValue('eggPlan', recipe.eggPlan);
    setValue('fungus', recipe.fungus);
    setValue('trigger', recipe.trigger);
    setValue('dailyChangePercent', String(recipe.dailyChangeFraction * 100));
    // A name that was typed stays.
    if (!formState.dirtyFields.name) setValue('name', `${kind.commonName} ${number}`);
    const [males, females] = [fit(lots.data ?? [], key, 'males'), fit(lots.data ?? [], key, 'females')];
    setValue('sires', males.length === 1 && males[0] ? [males[0].id] : []);
    setValue('dams', females.length === 1 && females[0] ? [females[0].id] : []);
    const home = males[0]?.tankId ?? females[0]?.tankId;
    if (!values.tankId && home) setValue('tankId', home);
  }

  const school = (name: 'eggPlan' | 'fungus' | 'trigger', label: string, options: readonly string[]) => (
    <SelectField label={label} hint={SCHOOL_EFFECTS[values[name]]} {...register(name)}>
      {options.map((option) => (
        <option key={option} value={option}>
          {(SCHOOL_WORDS[name] as Record<string, string>)[option]}
        </option>
      ))}
    </SelectField>
  );
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)}>
      <PageHead title="Start an attempt" about="What is left empty can be logged later." />
      <div className="grid gap-5 lg:grid-cols-[minmax(0,1fr)_340px]">
        <div className="flex flex-col gap-4">
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
                  {tank.attempts.length > 0 ? `: ${tank.attempts[0]?.name}` : tank.heads === 0 ? ': empty' : ''}
                </option>
              ))}
            </SelectField>
            <TextField label="Name of the attempt" error={errors.name?.message} {...register('name')} />
          </div>
          {chosen && (
            <div className="grid gap-4 sm:grid-cols-2">
              <Parents
                title={chosen.start === 'born' ? 'Males, or none if she stores sperm' : 'Males'}
                lots={fit(lots.data ?? [], chosen.key, 'males')}
                chosen={values.sires}
                change={(ids) => setValue('sires', ids)}
              />
              <Parents
                title="Females"
                lots={fit(lots.data ?? [], chosen.key, 'females')}
                chosen={values.dams}
                change={(ids) => setValue('dams', ids)}
              />
            </div>
          )}
          <div className="grid grid-cols-2 gap-4 sm:grid-cols-5">
            {DAYS.map(([name, label, hint]) => (
              <DayField
                key={name}
                control={entry.form.control}
                name={name}
                label={label}
                hint={hint}
                error={errors[name]?.message}
              />
            ))}
          </div>
          <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-[1fr_1fr_1fr_130px]">
            {school('trigger', 'Trigger', TRIGGER_SCHOOLS)}
            {chosen?.start !== 'born' && school('eggPlan', 'The eggs', EGG_PLANS)}
            {chosen?.start !== 'born' && school('fungus', 'Against fungus', FUNGUS_SCHOOLS)}
            {chosen?.start !== 'born' && (
              <TextField
                label="Daily change, %"
                inputMode="decimal"
                hint="of the water"
                error={errors.dailyChangePercent?.message}
                {...register('dailyChangePercent')}
              />
            )}
          </div>
          {values.fungus === 'dye' && chosen?.start !== 'born' && (
            <div className="grid gap-4 sm:grid-cols-3">
              <TextField
                label="Dye, mg/L"
                inputMode="decimal"
                hint="from its label"
                error={errors.dyeMgPerL?.message}
                {...register('dyeMgPerL')}
              />
              <TextField
                label="Stock strength, %"
                inputMode="decimal"
                hint="from its label"
                error={errors.dyeStockPercent?.message}
                {...register('dyeStockPercent')}
              />
            </div>
          )}
          {values.fungus === 'dye' && chosen?.start !== 'born' && <Notice className="text-note">{DYE_CAUTION}</Notice>}
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
            attempts={attempts.data?.attempts}
            litres={life.data?.find((tank) => tank.tankId === values.tankId)?.litres ?? null}
          />
        </aside>
      </div>
    </form>
  );
}
