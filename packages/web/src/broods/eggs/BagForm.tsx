import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { formatDay, formatDayRange } from '@freshet/core/time';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { DayField, EntryFormFrame, SelectField, TextField } from '../../ui';

/** Peat with eggs into a bag: label, place, and the day it is wetted, forwards from laying or back from a wished day. */
export function BagForm({ page, done }: { page: Reply<'brood'>; done: () => void }) {
  const house = useHouse();
  const ids = useRef({ id: newId(), vesselId: newId() });
  const { peat } = page;
  const entry = useEntryForm({
    name: 'bagPeat',
    defaults: {
      label: peat?.label ?? '',
      place: peat?.place ?? '',
      moisture: peat?.moisture ?? ('damp' as const),
      wetOn: peat?.wetOn ?? peat?.from ?? '',
    },
    toBody: ({ label, place, moisture, wetOn }) => ({
      ...ids.current,
      broodId: page.id,
      at: house.now(),
      label,
      place,
      moisture,
      wetOn,
    }),
    label: ({ label }) => `${page.name}: bag ${label}`,
    done,
  });
  const { register, formState, control, watch } = entry.form;
  const { errors } = formState;
  const wetOn = watch('wetOn');
  const early = peat && wetOn.length === 10 && wetOn < peat.from;
  const late = peat && wetOn.length === 10 && wetOn > peat.goodUntil;
  return (
    <EntryFormFrame entry={entry} action="Log the bag">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Written on it" hint="short, like N3" autoFocus error={errors.label?.message} {...register('label')} />
        <TextField label="Where it lies" hint="shelf, drawer, box" error={errors.place?.message} {...register('place')} />
        <SelectField label="How damp is it?" boxClass="sm:col-span-2" error={errors.moisture?.message} {...register('moisture')}>
          <option value="damp">damp: no drips when squeezed</option>
          <option value="wet">too wet: press it again</option>
          <option value="dry">too dry: a spray of water</option>
        </SelectField>
        <DayField control={control} name="wetOn" towards="ahead" label="To be wetted on" error={errors.wetOn?.message} />
      </div>
      {peat && (
        <p className="text-note text-quiet" aria-live="polite">
          {early
            ? `Before ${formatDay(peat.from, house.today)} few are ready; most would drown in the egg.`
            : late
              ? `After ${formatDay(peat.goodUntil, house.today)} few live.`
              : `They usually rest until ${formatDayRange(peat.from, peat.to, house.today)}.`}
        </p>
      )}
    </EntryFormFrame>
  );
}
