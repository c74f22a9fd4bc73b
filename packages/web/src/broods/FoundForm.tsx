import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { useEntryForm, useGet, useHouse, type Reply } from '../data';
import { SpeciesOptions } from '../species';
import {
  EntryFormFrame,
  readQuantity,
  readWhen,
  readWhole,
  Segmented,
  SelectField,
  TextField,
  toLocal,
  type When,
  WhenField,
} from '../ui';

type Life = Reply<'tankLife'>[number];

/** Eggs or young found where no attempt is open: dated by when they were laid, or by how long the young are. */
export function FoundForm({ life, done }: { life: Life; done: (broodId: string | null) => void }) {
  const house = useHouse();
  const species = useGet('species');
  const ids = useRef({ broodId: newId(), lotId: newId(), attemptId: newId() });
  const only = [...new Set(life.lots.map(({ speciesKey }) => speciesKey))];
  const entry = useEntryForm({
    name: 'foundBrood',
    defaults: {
      speciesKey: only.length === 1 ? (only[0] ?? '') : '',
      what: 'eggs' as 'eggs' | 'young',
      count: '',
      shortest: '',
      longest: '',
      laid: { mode: 'between', from: `${house.today}T00:00`, to: toLocal(house.now(), house.timeZone) } as When,
    },
    toBody: ({ speciesKey, what, count, shortest, longest, laid }) => ({
      ...ids.current,
      tankId: life.tankId,
      speciesKey,
      count: readWhole('count', count),
      laid: what === 'eggs' ? readWhen('laid', laid, house.timeZone) : null,
      youngMm:
        what === 'young' ? ([readMm('shortest', shortest), readMm('longest', longest || shortest)] as [number, number]) : null,
      at: house.now(),
    }),
    fieldOf: (path) =>
      path.startsWith('laid')
        ? 'laid'
        : path.startsWith('youngMm')
          ? 'shortest'
          : path === 'speciesKey' || path === 'count'
            ? path
            : undefined,
    label: ({ count }) => `${count} found in ${life.code}`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  const { errors } = formState;
  const what = watch('what');
  return (
    <EntryFormFrame entry={entry} action="Log what was found">
      <SelectField label="Species" error={errors.speciesKey?.message} {...register('speciesKey')}>
        <SpeciesOptions species={species.data} />
      </SelectField>
      <Segmented
        label="What was found"
        value={what}
        onChange={(next) => setValue('what', next)}
        options={[
          { value: 'eggs', label: 'Eggs, or just born' },
          { value: 'young', label: 'Young that swim' },
        ]}
      />
      <TextField
        label="How many"
        autoFocus
        inputMode="numeric"
        hint="counted or estimated"
        error={errors.count?.message}
        {...register('count')}
      />
      {what === 'eggs' ? (
        <WhenField
          label="Laid or born"
          value={watch('laid')}
          onChange={(when) => setValue('laid', when)}
          error={(errors.laid as { message?: string } | undefined)?.message}
        />
      ) : (
        <div className="grid grid-cols-2 gap-4">
          <TextField
            label="Shortest, mm"
            inputMode="decimal"
            hint="their age is worked out from it"
            error={errors.shortest?.message}
            {...register('shortest')}
          />
          <TextField label="Longest, mm" inputMode="decimal" error={errors.longest?.message} {...register('longest')} />
        </div>
      )}
      <p className="text-note text-quiet">
        Grown animals of the species in {life.code} are noted as likely parents; you can change that under Lines.
      </p>
    </EntryFormFrame>
  );
}

/** A length in mm, whichever unit it is typed in. */
const readMm = (field: string, text: string): number => readQuantity(field, text, 'length', 'mm') * 10;
