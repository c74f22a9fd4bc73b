import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { SECOND_WETTING_DAYS } from '@freshet/core/broods';
import { addDays } from '@freshet/core/time';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { DayField, EntryFormFrame, readWhole, SelectField, TextField } from '../../ui';

/** Wetted peat looked through: who hatched; what lies still goes back into a bag for a second wetting, or is thrown out. */
export function HatchForm({ page, done }: { page: Reply<'brood'>; done: () => void }) {
  const house = useHouse();
  const ids = useRef({ id: newId(), again: { broodId: newId(), lotId: newId(), vesselId: newId() } });
  const { peat } = page;
  const leftOf = (hatched: string) => page.alive - (Number(hatched) || 0);
  const entry = useEntryForm({
    name: 'hatchPeat',
    defaults: {
      hatched: '',
      rest: 'again' as 'again' | 'out',
      label: peat?.label ? `${peat.label}b`.slice(0, 8) : '',
      place: peat?.place ?? '',
      wetOn: addDays(house.today, SECOND_WETTING_DAYS),
    },
    toBody: ({ hatched, rest, label, place, wetOn }) => ({
      id: ids.current.id,
      broodId: page.id,
      at: house.now(),
      hatched: readWhole('hatched', hatched),
      again: rest === 'again' && leftOf(hatched) > 0 ? { ...ids.current.again, label, place, wetOn } : null,
    }),
    fieldOf: (path) => (path.startsWith('again.') ? (path.slice('again.'.length) as 'label' | 'place' | 'wetOn') : undefined),
    label: ({ hatched }) => `${page.name}: ${hatched} hatched`,
    done,
  });
  const { register, formState, control, watch } = entry.form;
  const { errors } = formState;
  const { hatched, rest } = watch();
  const left = leftOf(hatched);
  return (
    <EntryFormFrame entry={entry} action="Log the hatch">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Hatched"
          autoFocus
          inputMode="numeric"
          hint={`of ${page.alive} eggs booked`}
          error={errors.hatched?.message}
          {...register('hatched')}
        />
        {left > 0 && (
          <SelectField label={`The other ${left}`} {...register('rest')}>
            <option value="again">back into damp peat, a second wetting</option>
            <option value="out">thrown out</option>
          </SelectField>
        )}
        {rest === 'again' && left > 0 && (
          <>
            <TextField label="Written on the new bag" error={errors.label?.message} {...register('label')} />
            <TextField label="Where it lies" hint="shelf, drawer, box" error={errors.place?.message} {...register('place')} />
            <DayField control={control} name="wetOn" towards="ahead" label="Wetted again on" error={errors.wetOn?.message} />
          </>
        )}
      </div>
      <p className="text-note text-quiet">
        Fry that can’t rise off the floor were wetted too soon or too warm. They rarely live.
      </p>
    </EntryFormFrame>
  );
}
