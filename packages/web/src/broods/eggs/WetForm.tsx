import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { SECOND_WETTING_DAYS } from '@freshet/core/broods';
import { addDays } from '@freshet/core/time';
import { useEntryForm, useGet, useHouse, type Reply } from '../../data';
import { TankOptions } from '../../room';
import { DayField, EntryFormFrame, readWhole, SelectField, TextField } from '../../ui';

/** Peat wetted: who hatched swims in a tank now; what lies still is dried again for a second wetting, or thrown out. */
export function WetForm({ page, done }: { page: Reply<'brood'>; done: () => void }) {
  const house = useHouse();
  const ids = useRef({ id: newId(), youngLotId: newId(), again: { broodId: newId(), lotId: newId(), bagId: newId() } });
  const life = useGet('tankLife');
  const entry = useEntryForm({
    name: 'wetPeat',
    defaults: { hatched: '', toTankId: '', rest: 'again' as 'again' | 'out', wetOn: addDays(house.today, SECOND_WETTING_DAYS) },
    toBody: ({ hatched, toTankId, rest, wetOn }) => ({
      id: ids.current.id,
      broodId: page.id,
      at: house.now(),
      hatched: readWhole('hatched', hatched),
      toTankId: toTankId || null,
      youngLotId: ids.current.youngLotId,
      again: rest === 'again' ? { ...ids.current.again, wetOn } : null,
    }),
    fieldOf: (path) => (path.startsWith('again') ? 'wetOn' : undefined),
    label: ({ hatched }) => `${page.name}: wetted, ${hatched} hatched`,
    done,
  });
  const { register, formState, control, watch } = entry.form;
  const { errors } = formState;
  const { hatched, rest } = watch();
  const left = page.alive - (Number(hatched) || 0);
  return (
    <EntryFormFrame entry={entry} action="Log the wetting">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Hatched"
          autoFocus
          inputMode="numeric"
          hint={`of ${page.alive} eggs booked`}
          error={errors.hatched?.message}
          {...register('hatched')}
        />
        <SelectField label="They swim in" error={errors.toTankId?.message} {...register('toTankId')}>
          <TankOptions life={life.data} />
        </SelectField>
        <SelectField label={left > 0 ? `The other ${left}` : 'The others'} boxClass="sm:col-span-2" {...register('rest')}>
          <option value="again">back into damp peat, a second wetting</option>
          <option value="out">thrown out</option>
        </SelectField>
        {rest === 'again' && (
          <DayField control={control} name="wetOn" towards="ahead" label="Wetted again on" error={errors.wetOn?.message} />
        )}
      </div>
      <p className="text-note text-quiet">
        Fry that can’t rise off the floor were wetted too soon or too warm. They rarely live.
      </p>
    </EntryFormFrame>
  );
}
