import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { useEntryForm, useHouse } from '../../data';
import { DayField, EntryFormFrame, NoteField, readWhole, SelectField, TextField } from '../../ui';

/** Begins a time of heavier food; it becomes chores of the round until it ends. */
export function ProgrammeForm({ lotId, done }: { lotId: string; done: () => void }) {
  const house = useHouse();
  const programmeId = useRef(newId());
  const entry = useEntryForm({
    name: 'addProgramme',
    defaults: {
      from: house.today,
      weeks: '2',
      foods: '',
      mealsPerDay: '2',
      separated: 'together' as 'together' | 'divider' | 'tank',
      water: '',
    },
    toBody: (values) => ({
      programmeId: programmeId.current,
      lotId,
      from: values.from,
      weeks: readWhole('weeks', values.weeks),
      foods: values.foods,
      mealsPerDay: readWhole('mealsPerDay', values.mealsPerDay),
      separated: values.separated,
      water: values.water.trim() || null,
    }),
    label: () => 'Conditioning begun',
    done,
  });
  const { register, formState } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Begin">
      <TextField
        label="What they get"
        autoFocus
        hint="Grindal worms, brine shrimp, moina …"
        error={errors.foods?.message}
        {...register('foods')}
      />
      <div className="grid gap-4 sm:grid-cols-3">
        <DayField control={entry.form.control} name="from" towards="ahead" label="From" error={errors.from?.message} />
        <TextField label="Weeks" inputMode="numeric" error={errors.weeks?.message} {...register('weeks')} />
        <TextField label="Meals a day" inputMode="numeric" error={errors.mealsPerDay?.message} {...register('mealsPerDay')} />
      </div>
      <SelectField label="The sexes" {...register('separated')}>
        <option value="together">stay together</option>
        <option value="divider">apart, by a divider</option>
        <option value="tank">apart, in two tanks</option>
      </SelectField>
      <NoteField label="Water" hint="How it is kept meanwhile" {...register('water')} />
    </EntryFormFrame>
  );
}
