import { useForm } from 'react-hook-form';
import { addDays } from '@freshet/core/time';
import { useGet, useHouse } from '../../data';
import { Button, DayField, SelectField, TextField } from '../../ui';

/** A spawning that is only thought of: nothing is logged. */
export function WhatIfForm({ done }: { done: (asked: { speciesKey: string; day: string; eggs: string }) => void }) {
  const house = useHouse();
  const species = useGet('species');
  const { register, control, handleSubmit, setError, formState } = useForm({
    defaultValues: { speciesKey: '', day: addDays(house.today, 14), eggs: '' },
  });
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) =>
        void handleSubmit((values) => {
          if (!values.speciesKey) return setError('speciesKey', { message: 'Which species?' });
          if (values.day.length !== 10 || values.day < house.today) return setError('day', { message: 'A day from today on.' });
          const eggs = values.eggs.trim() ? Number(values.eggs) : null;
          if (eggs !== null && !(Number.isInteger(eggs) && eggs > 0 && eggs <= 100_000))
            return setError('eggs', { message: 'A whole number of eggs, or nothing.' });
          done({ speciesKey: values.speciesKey, day: values.day, eggs: eggs === null ? '' : String(eggs) });
        })(event)
      }
    >
      <SelectField label="Species" error={formState.errors.speciesKey?.message} {...register('speciesKey')}>
        <option value="">Choose</option>
        {(species.data ?? []).map(({ key, commonName }) => (
          <option key={key} value={key}>
            {commonName}
          </option>
        ))}
      </SelectField>
      <div className="grid gap-4 sm:grid-cols-2">
        <DayField control={control} name="day" towards="ahead" label="Eggs laid on" error={formState.errors.day?.message} />
        <TextField
          label="Eggs"
          inputMode="numeric"
          hint="a usual clutch if you leave it empty"
          error={formState.errors.eggs?.message}
          {...register('eggs')}
        />
      </div>
      <p className="text-note text-quiet">Nothing gets logged. You just see what its fry would need.</p>
      <Button look="main" type="submit">
        Show it
      </Button>
    </form>
  );
}
