import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { CULTURE_FOODS, CULTURES, type CultureFood } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { useEntryForm, useHouse } from '../../data';
import { EntryFormFrame, QuantityField, readNumber, readQuantity, SelectField, TextField } from '../../ui';

/** A kind of culture that is not in the book: what it is given in place of, and its days. */
export function KindForm({ done }: { done: () => void }) {
  const house = useHouse();
  const kindId = useRef(newId());
  const days = (field: string, text: string) => readNumber(field, text, 'Give days.') ?? NaN;
  const entry = useEntryForm({
    name: 'addCultureKind',
    defaults: {
      name: '',
      standsFor: 'microworm' as CultureFood,
      ripeFrom: '',
      ripeTo: '',
      lastsDays: '',
      feedEveryDays: '',
      feed: '',
      sign: '',
      atC: '',
      vesselL: '',
    },
    toBody: (values) => ({
      kindId: kindId.current,
      name: values.name,
      standsFor: values.standsFor,
      ripeFrom: days('ripeFrom', values.ripeFrom),
      ripeTo: days('ripeTo', values.ripeTo),
      lastsDays: days('lastsDays', values.lastsDays),
      feedEveryDays: readNumber('feedEveryDays', values.feedEveryDays) ?? 0,
      feed: values.feed,
      sign: values.sign,
      atC: values.atC.trim()
        ? readQuantity('atC', values.atC, 'temperature', house.units.temperature)
        : CULTURES[values.standsFor].atC,
      vesselL: values.vesselL.trim()
        ? readQuantity('vesselL', values.vesselL, 'volume', house.units.volume)
        : CULTURES[values.standsFor].vesselL,
    }),
    label: ({ name }) => `${name} can be started`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Add it">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Name" autoFocus error={errors.name?.message} {...register('name')} />
        <SelectField
          label="Given in place of"
          hint="assumed to grow as fast until you’ve logged a few looks"
          {...register('standsFor')}
        >
          {CULTURE_FOODS.filter((food) => !CULTURES[food].batch).map((food) => (
            <option key={food} value={food}>
              {FOOD_NAMES[food]}
            </option>
          ))}
        </SelectField>
        <TextField label="Ripe from, days" inputMode="decimal" error={errors.ripeFrom?.message} {...register('ripeFrom')} />
        <TextField label="Ripe at the latest, days" inputMode="decimal" error={errors.ripeTo?.message} {...register('ripeTo')} />
        <TextField label="Gives for, days" inputMode="decimal" error={errors.lastsDays?.message} {...register('lastsDays')} />
        <TextField
          label="Days between feeds"
          inputMode="decimal"
          hint="leave empty if you don’t feed it"
          error={errors.feedEveryDays?.message}
          {...register('feedEveryDays')}
        />
        <TextField label="Fed with" error={errors.feed?.message} {...register('feed')} />
        <TextField label="What does a ripe one look like?" error={errors.sign?.message} {...register('sign')} />
        <QuantityField
          kind="temperature"
          label="At what temperature?"
          text={watch('atC')}
          defaultUnit={house.units.temperature}
          hint="same as the food above if you leave it empty"
          error={errors.atC?.message}
          {...register('atC')}
        />
        <QuantityField
          kind="volume"
          label="Usual vessel"
          text={watch('vesselL')}
          defaultUnit={house.units.volume}
          hint="same as the food above if you leave it empty"
          error={errors.vesselL?.message}
          {...register('vesselL')}
        />
      </div>
    </EntryFormFrame>
  );
}
