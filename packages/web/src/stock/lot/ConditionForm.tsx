import { CONDITION_SIGNS, METHOD_TEMPLATES, type ConditionSign } from '@freshet/core/species';
import { conditionFactor } from '@freshet/core/stock';
import { type Method } from '@freshet/core/species';
import { formatNumber } from '@freshet/core/units';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { Checkbox, EntryFormFrame, Field, NoteField, readNumber, TextField, Why } from '../../ui';

const SCORES = [
  [1, 'thin'],
  [2, 'lean'],
  [3, 'fair'],
  [4, 'fit'],
  [5, 'full'],
] as const;

/** A measure with or without its unit. */
const readMeasure = (field: string, text: string) =>
  readNumber(field, text.replace(/\s*(mm|g)$/i, ''), `"${text}" isn’t a number.`);

/** Condition in two taps: a score, and it is logged; length, weight and signs where there is time. */
export function ConditionForm({
  lot,
  method,
  done,
}: {
  lot: Pick<Reply<'lots'>[number], 'id' | 'score'>;
  method: Method;
  done: () => void;
}) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'scoreCondition',
    defaults: { score: '', signs: [] as ConditionSign[], lengthMm: '', weightG: '', note: '' },
    toBody: (values) => ({
      lotId: lot.id,
      at: house.now(),
      score: Number(values.score),
      signs: values.signs,
      lengthMm: readMeasure('lengthMm', values.lengthMm),
      weightG: readMeasure('weightG', values.weightG),
      note: values.note.trim() || null,
    }),
    label: (values) => `Condition ${values.score} of 5`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  const { errors } = formState;
  const score = watch('score');
  const signs = watch('signs');
  const [length, weight] = [Number(watch('lengthMm').replace(',', '.')), Number(watch('weightG').replace(',', '.'))];
  const factor = length > 0 && weight > 0 ? conditionFactor({ lengthMm: length, weightG: weight }) : null;
  return (
    <EntryFormFrame entry={entry} action="Log it">
      <Field label="Condition" error={errors.score?.message} hint={lot.score ? `Last time ${lot.score.value} of 5.` : undefined}>
        {(part) => (
          <div
            id={part.id}
            role="radiogroup"
            aria-label="Condition"
            aria-describedby={part['aria-describedby']}
            className="grid grid-cols-5 border border-ink"
          >
            {SCORES.map(([value, words]) => (
              <label
                key={value}
                className="flex min-h-14 cursor-pointer flex-col items-center justify-center border-r border-rule last:border-0 has-checked:bg-ink has-checked:text-sheet has-focus-visible:outline-3 has-focus-visible:outline-deep"
              >
                <input
                  type="radio"
                  value={value}
                  className="sr-only"
                  checked={score === String(value)}
                  onChange={() => setValue('score', String(value))}
                />
                <b>{value}</b>
                <span className="text-note">{words}</span>
              </label>
            ))}
          </div>
        )}
      </Field>
      <fieldset>
        <legend className="font-semibold">What was seen</legend>
        <div className="grid sm:grid-cols-2">
          {METHOD_TEMPLATES[method].conditionSigns.map((sign) => (
            <Checkbox
              checked={signs.includes(sign)}
              onChange={(event) =>
                setValue('signs', event.target.checked ? [...signs, sign] : signs.filter((one) => one !== sign))
              }
            >
              {CONDITION_SIGNS[sign]}
            </Checkbox>
          ))}
        </div>
      </fieldset>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Length, mm"
          inputMode="decimal"
          hint="can be left empty"
          error={errors.lengthMm?.message}
          {...register('lengthMm')}
        />
        <TextField
          label="Weight, g"
          inputMode="decimal"
          hint="can be left empty"
          error={errors.weightG?.message}
          {...register('weightG')}
        />
      </div>
      {factor && (
        <p>
          Condition factor <b>{formatNumber(factor.k)}</b>{' '}
          <Why
            about="Condition factor"
            formula="K = 100 × weight in grams ÷ (length in centimetres)³."
            source="docs/sources.md#condition-factor"
            notes={['Compare only with the same animals measured in the same way.']}
          />
        </p>
      )}
      <p className="text-note text-quiet">Wet your hands and the net. Mind the spines. Out of the water for seconds only.</p>
      <NoteField label="Note" {...register('note')} />
    </EntryFormFrame>
  );
}
