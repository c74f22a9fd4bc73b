import { useRef } from 'react';
import { TankOptions } from '../room';
import { SpeciesOptions } from '../species';
import { v7 as newId } from 'uuid';
import { useEntryForm, useGet, useHouse } from '../data';
import { EntryFormFrame, fromLocal, Notice, SelectField, TextField, toLocal, WhenField } from '../ui';
import { headsField, HeadsFields, readHeads } from './HeadsFields';

/** Records broodstock that came to the house. */
export function LotForm({ tankId, done }: { tankId?: string; done: () => void }) {
  const house = useHouse();
  const species = useGet('species');
  const life = useGet('tankLife');
  const lotId = useRef(newId());
  const entry = useEntryForm({
    name: 'addLot',
    defaults: {
      speciesKey: '',
      tankId: tankId ?? '',
      males: '',
      females: '',
      unsexed: '',
      line: '',
      generation: '',
      origin: 'local' as 'wild' | 'imported' | 'local' | 'ownBrood',
      acquiredFrom: '',
      name: '',
      bornOn: '',
      permit: '',
      at: toLocal(house.now(), house.timeZone),
    },
    toBody: (values) => ({
      lotId: lotId.current,
      speciesKey: values.speciesKey,
      tankId: values.tankId,
      heads: readHeads(values),
      line: values.line.trim() || null,
      generation: values.generation.trim() || null,
      origin: values.origin,
      acquiredFrom: values.acquiredFrom.trim() || null,
      name: values.name.trim() || null,
      bornOn: values.bornOn || null,
      permit: values.permit.trim() || null,
      at: fromLocal('at', values.at, house.timeZone),
    }),
    fieldOf: (path) => headsField(path),
    label: () => 'Stock recorded',
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  const { errors } = formState;
  const chosen = species.data?.find((kind) => kind.key === watch('speciesKey'));
  return (
    <EntryFormFrame entry={entry} action="Record them">
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="Species" autoFocus error={errors.speciesKey?.message} {...register('speciesKey')}>
          <SpeciesOptions species={species.data} />
        </SelectField>
        <SelectField label="Into tank" error={errors.tankId?.message} {...register('tankId')}>
          <TankOptions life={life.data} />
        </SelectField>
      </div>
      {chosen?.caution && <Notice>{chosen.caution}</Notice>}
      <HeadsFields form={entry.form} />
      <div className="grid gap-4 sm:grid-cols-3">
        <SelectField label="Origin" {...register('origin')}>
          <option value="local">Locally bred</option>
          <option value="imported">Imported</option>
          <option value="wild">Wild caught</option>
          <option value="ownBrood">Own brood</option>
        </SelectField>
        <TextField label="From whom" error={errors.acquiredFrom?.message} {...register('acquiredFrom')} />
        <TextField label="Name" hint="for a single animal" error={errors.name?.message} {...register('name')} />
        <TextField label="Born on" type="date" hint="can be left empty" error={errors.bornOn?.message} {...register('bornOn')} />
        <TextField label="Line" hint="what you call the bloodline" error={errors.line?.message} {...register('line')} />
        <TextField label="Generation" hint="F2" error={errors.generation?.message} {...register('generation')} />
      </div>
      {chosen?.caution && (
        <TextField
          label="Papers"
          hint="like a permit or licence; local law decides"
          error={errors.permit?.message}
          {...register('permit')}
        />
      )}
      {watch('origin') !== 'ownBrood' && (
        <p className="text-note text-quiet">
          New fish go into quarantine first, in their own tank at floor level. Match the temperature, then drip.
        </p>
      )}
      <WhenField
        label="When they came"
        between={false}
        value={{ mode: 'at', from: '', to: watch('at') }}
        onChange={(when) => setValue('at', when.to)}
        error={errors.at?.message}
      />
    </EntryFormFrame>
  );
}
