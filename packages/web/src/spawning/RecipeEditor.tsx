import { COVER_WORDS, LEVER_WORDS, RECIPE_FIELDS, type CoverKind, type Lever, type RecipeField } from '@freshet/core/spawning';
import { DYE_CAUTION } from '@freshet/core/room';
import { temperatureSign, useHouse } from '../data';
import { Checkbox, LinkButton, Notice, SelectField, TextField } from '../ui';
import { COVERS, LEVERS, type RecipeDraft, type StepDraft } from './recipeDraft';
import { SCHOOL_EFFECTS } from './schools';

const GROUPS: Record<RecipeField['group'], string> = {
  trigger: 'Trigger',
  tank: 'Tank and light',
  water: 'Water',
  fish: 'Fish, and when they go in',
  eggs: 'Eggs and young',
};
const ORDER: RecipeField['group'][] = ['trigger', 'eggs', 'fish', 'tank', 'water'];
const MAY_BE_EMPTY = new Set(['nextLever', 'firstFood', 'feeding', 'growing', 'outOfColony']);
const EMPTY_STEP: StepDraft = { lever: 'cooler', day: '0', share: '', degC: '', hours: '' };

/** What a step is asked: by its lever. */
const ASKS: Record<Lever, ('share' | 'degC' | 'hours')[]> = {
  cooler: ['share', 'degC'],
  warmer: ['degC'],
  softer: ['share'],
  levelDown: ['share'],
  levelUp: [],
  flow: [],
  liveFood: [],
  dark: ['hours'],
  light: ['hours'],
  season: [],
  moon: [],
  wait: [],
};

function Steps({
  steps,
  change,
  error,
}: {
  steps: StepDraft[];
  change: (steps: StepDraft[]) => void;
  error?: string | undefined;
}) {
  const house = useHouse();
  const edit = (i: number, patch: Partial<StepDraft>) => change(steps.map((step, j) => (j === i ? { ...step, ...patch } : step)));
  const labels = { share: 'Share, %', degC: `By, ${temperatureSign(house.units)}`, hours: 'Hours' };
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 font-semibold">Steps, in order</legend>
      {steps.map((step, i) => (
        <div key={i} className="flex flex-wrap items-end gap-2 border-b border-rule pb-2">
          <SelectField
            label={`Step ${i + 1}`}
            boxClass="w-48"
            value={step.lever}
            onChange={(event) => edit(i, { lever: event.target.value as Lever })}
          >
            {LEVERS.map((lever) => (
              <option key={lever} value={lever}>
                {LEVER_WORDS[lever]}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Day"
            boxClass="w-20"
            inputMode="numeric"
            value={step.day}
            onChange={(event) => edit(i, { day: event.target.value })}
          />
          {ASKS[step.lever].map((what) => (
            <TextField
              key={what}
              label={labels[what]}
              boxClass="w-24"
              inputMode="decimal"
              value={step[what]}
              onChange={(event) => edit(i, { [what]: event.target.value })}
            />
          ))}
          <button
            type="button"
            className="min-h-11 px-2 link"
            aria-label={`Take step ${i + 1} out`}
            onClick={() => change(steps.filter((_, j) => j !== i))}
          >
            take out
          </button>
        </div>
      ))}
      {error && (
        <p role="alert" className="text-note font-semibold text-rust">
          {error}
        </p>
      )}
      <div>
        <LinkButton onClick={() => change([...steps, EMPTY_STEP])}>Add a step</LinkButton>
        <span className="ml-3 text-note text-quiet">Day 0 is the trigger day, −1 the day before.</span>
      </div>
    </fieldset>
  );
}

function Covers({
  cover,
  change,
  error,
}: {
  cover: RecipeDraft['cover'];
  change: (cover: RecipeDraft['cover']) => void;
  error?: string | undefined;
}) {
  return (
    <fieldset>
      <legend className="font-semibold">Cover and site</legend>
      <div className="flex flex-wrap gap-2">
        {COVERS.map((kind: CoverKind) => {
          const count = cover.find((one) => one.kind === kind)?.count ?? 0;
          const others = cover.filter((one) => one.kind !== kind);
          return (
            <span key={kind} className={`inline-flex items-center border ${count > 0 ? 'border-ink bg-today' : 'border-rule'}`}>
              <button
                type="button"
                aria-label={`${COVER_WORDS[kind]}, one more`}
                className="min-h-11 px-3"
                onClick={() => change([...others, { kind, count: count + 1 }])}
              >
                {count > 0 && <b className="mr-1.5">{count}</b>}
                {COVER_WORDS[kind]}
              </button>
              {count > 0 && (
                <button
                  type="button"
                  aria-label={`${COVER_WORDS[kind]}, one less`}
                  className="min-h-11 min-w-9 border-l border-ink font-bold"
                  onClick={() => change(count > 1 ? [...others, { kind, count: count - 1 }] : others)}
                >
                  −
                </button>
              )}
            </span>
          );
        })}
      </div>
      {error && (
        <p role="alert" className="mt-1 text-note font-semibold text-rust">
          {error}
        </p>
      )}
    </fieldset>
  );
}

/** Every choice of a recipe, group by group. */
export function RecipeEditor({
  draft,
  change,
  errors,
  isBorn = false,
  groups = ORDER,
}: {
  draft: RecipeDraft;
  change: (draft: RecipeDraft) => void;
  /** By field. */
  errors: Readonly<Record<string, string | undefined>>;
  /** Young are born: nothing is asked of eggs. */
  isBorn?: boolean;
  groups?: readonly RecipeField['group'][];
}) {
  const house = useHouse();
  const set = (key: string, value: string) => change({ ...draft, fields: { ...draft.fields, [key]: value } });
  const unitOf = ({ key, unit }: RecipeField) =>
    key === 'tempC'
      ? temperatureSign(house.units)
      : key === 'litres' && house.units.volume === 'galUS'
        ? 'gal'
        : key === 'depthCm' && house.units.volume === 'galUS'
          ? 'in'
          : unit;
  const fieldOf = (field: RecipeField) => {
    const { key, label, words } = field;
    if (key === 'covered')
      return (
        <div key={key} className="self-end">
          <Checkbox checked={draft.covered} onChange={(event) => change({ ...draft, covered: event.target.checked })}>
            {label}
          </Checkbox>
        </div>
      );
    if (words)
      return (
        <SelectField
          key={key}
          label={label}
          hint={SCHOOL_EFFECTS[draft.fields[key] ?? '']}
          error={errors[key]}
          value={draft.fields[key] ?? ''}
          onChange={(event) => set(key, event.target.value)}
        >
          {MAY_BE_EMPTY.has(key) && <option value="">not said</option>}
          {Object.entries(words).map(([value, shown]) => (
            <option key={value} value={value}>
              {shown}
            </option>
          ))}
        </SelectField>
      );
    const unit = unitOf(field);
    return (
      <TextField
        key={key}
        label={unit ? `${label}, ${unit}` : label}
        inputMode={unit ? 'decimal' : undefined}
        error={errors[key]}
        value={draft.fields[key] ?? ''}
        onChange={(event) => set(key, event.target.value)}
      />
    );
  };
  const isAsked = ({ key }: RecipeField) =>
    !(isBorn && ['eggPlan', 'fungus', 'dyeMgPerL', 'dyeStockPercent', 'dailyChangeFraction'].includes(key)) &&
    (draft.fields.fungus === 'dye' || !key.startsWith('dye'));
  return (
    <>
      {groups.map((group) => (
        <fieldset key={group} className="border-t border-rule pt-3">
          <legend className="pr-3 text-code">{GROUPS[group]}</legend>
          <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
            {RECIPE_FIELDS.filter((field) => field.group === group && isAsked(field)).map(fieldOf)}
          </div>
          {group === 'trigger' && (
            <div className="mt-3">
              <Steps steps={draft.steps} error={errors.steps} change={(steps) => change({ ...draft, steps })} />
            </div>
          )}
          {group === 'tank' && (
            <div className="mt-3">
              <Covers cover={draft.cover} error={errors.cover} change={(cover) => change({ ...draft, cover })} />
            </div>
          )}
          {group === 'eggs' && draft.fields.fungus === 'dye' && !isBorn && (
            <Notice className="mt-3 text-note">{DYE_CAUTION}</Notice>
          )}
        </fieldset>
      ))}
    </>
  );
}
