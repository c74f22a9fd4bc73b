import { useId } from 'react';
import { LENGTH_METHODS } from '@freshet/contract/stock';
import { summariseLengths } from '@freshet/core/stock';
import { formatNumber } from '@freshet/core/units';
import { FieldProblem, useEntryForm, useHouse } from '../data';
import { EntryFormFrame, Field, SelectField } from '../ui';
import { SizeDots } from './SizeDots';

const METHOD_WORDS = { ruler: 'Ruler', graphPaper: 'Graph paper', photograph: 'Photograph' } as const;

/** Lengths out of what was typed: parted by spaces, commas with a space, semicolons or lines; "12 x 3" is three of 12. */
export function readLengths(text: string): { lengths: number[]; wrong: string | null } {
  const lengths: number[] = [];
  const words = text
    .replace(/\s*mm\b/gi, '')
    .replace(/\s*[x×*]\s*/gi, 'x')
    .split(/[\s;]+|,(?!\d)/)
    .filter((word) => word !== '');
  for (const word of words) {
    const found = /^(\d+(?:[.,]\d+)?)(?:x(\d{1,4}))?$/.exec(word);
    const length = found ? Number((found[1] ?? '').replace(',', '.')) : Number.NaN;
    if (!found || !(length > 0)) return { lengths, wrong: word };
    lengths.push(...Array.from({ length: Number(found[2] ?? 1) }, () => length));
  }
  return { lengths, wrong: null };
}

const firstMessage = (all: readonly ({ message?: string } | undefined)[]) => all.find((one) => one?.message)?.message;

/** A sample of lengths: mean, smallest tenth and sizes apart are read back while typing. */
export function LengthsForm({ lot, done }: { lot: { id: string; heads: number }; done: () => void }) {
  const house = useHouse();
  const id = useId();
  const entry = useEntryForm({
    name: 'sampleLengths',
    defaults: { lengthsMm: '', method: 'ruler' as (typeof LENGTH_METHODS)[number] },
    toBody(values) {
      const { lengths, wrong } = readLengths(values.lengthsMm);
      if (wrong !== null) throw new FieldProblem('lengthsMm', `"${wrong}" isn’t a length in mm. Enter one between 1 and 400.`);
      return { lotId: lot.id, at: house.now(), method: values.method, lengthsMm: lengths };
    },
    label: (values) => `${readLengths(values.lengthsMm).lengths.length} lengths logged`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const { lengths, wrong } = readLengths(watch('lengthsMm'));
  const found = lengths.length > 0 ? summariseLengths(lengths) : null;
  // One length of many may be the wrong one: its message stands at the whole list.
  const own: { message?: string } | readonly ({ message?: string } | undefined)[] | undefined = errors.lengthsMm;
  const problem = own && 'message' in own ? own.message : Array.isArray(own) ? firstMessage(own) : undefined;
  return (
    <EntryFormFrame entry={entry} action="Log the lengths">
      <Field
        label="Lengths, mm"
        error={
          problem ??
          (wrong !== null && !/\w$/.test(wrong) ? `"${wrong}" isn’t a length in mm. Enter one between 1 and 400.` : undefined)
        }
        hint={`one for each, with spaces, like 8 9.5 11, or 12 x 3 for three alike. ${lot.heads} in it; ten is plenty.`}
      >
        {(part) => (
          <textarea
            {...part}
            id={part.id || id}
            rows={3}
            className="control min-h-24 font-mono"
            inputMode="text"
            autoFocus
            {...register('lengthsMm')}
          />
        )}
      </Field>
      <SelectField label="By" error={errors.method?.message} {...register('method')}>
        {LENGTH_METHODS.map((method) => (
          <option key={method} value={method}>
            {METHOD_WORDS[method]}
          </option>
        ))}
      </SelectField>
      {found && (
        <div aria-live="polite" className="border-l-4 border-deep bg-shade px-3 py-2">
          <p>
            <b>
              {found.count} of {formatNumber(found.meanMm, 3)} mm on average
            </b>
            , smallest tenth up to {formatNumber(found.smallestTenthMm)} mm
            {found.count > 2 && `, spread ${formatNumber(found.spread * 100)} %`}
          </p>
          <SizeDots lengths={lengths} />
        </div>
      )}
    </EntryFormFrame>
  );
}
