import { useEntryForm } from '../../data';
import { EntryFormFrame, readNumber, TextField } from '../../ui';

const readShare = (field: string, text: string) => {
  const value = readNumber(field, text.replace(/\s*%$/, ''), `"${text}" isn’t a percentage.`);
  return value === null ? Number.NaN : value / 100;
};

/** A mark of sex that the keeper has found: how to look, and how many of each sex show it. */
export function MarkForm({ speciesKey, done }: { speciesKey: string; done: () => void }) {
  const entry = useEntryForm({
    name: 'addMark',
    defaults: { name: '', look: '', fromMm: '', pIfMale: '', pIfFemale: '' },
    toBody: (values) => ({
      speciesKey,
      name: values.name.trim(),
      look: values.look.trim(),
      fromMm: readNumber('fromMm', values.fromMm.replace(/\s*mm$/i, ''), `"${values.fromMm}" isn’t a length.`) ?? 0,
      pIfMale: readShare('pIfMale', values.pIfMale),
      pIfFemale: readShare('pIfFemale', values.pIfFemale),
    }),
    label: (values) => `Mark of sex kept: ${values.name}`,
    done,
  });
  const { register, formState } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Keep the mark">
      <TextField label="What it is called" required error={errors.name?.message} {...register('name')} autoFocus />
      <TextField
        label="How to look"
        required
        hint="one sentence, so a helper sees the same"
        error={errors.look?.message}
        {...register('look')}
      />
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField
          label="Males that show it, %"
          required
          inputMode="decimal"
          error={errors.pIfMale?.message}
          {...register('pIfMale')}
        />
        <TextField
          label="Females that show it, %"
          required
          inputMode="decimal"
          error={errors.pIfFemale?.message}
          {...register('pIfFemale')}
        />
        <TextField
          label="Shows from, mm"
          inputMode="decimal"
          hint="leave empty for any length"
          error={errors.fromMm?.message}
          {...register('fromMm')}
        />
      </div>
      <p className="text-note text-quiet">
        Your estimate counts as ten animals of each sex. Every animal whose sex is proven by spawning corrects it.
      </p>
    </EntryFormFrame>
  );
}
