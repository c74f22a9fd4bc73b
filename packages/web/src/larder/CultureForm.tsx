import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { CULTURE_FOODS, CULTURES, type CultureFood, type CultureKind } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { useEntryForm, useGet, useHouse } from '../data';
import { EntryFormFrame, fromLocal, SelectField, TextField, toLocal, WhenField } from '../ui';

/** Starts a culture or sets a hatch. */
export function CultureForm({ food, done }: { food: CultureFood; done: () => void }) {
  const house = useHouse();
  const life = useGet('tankLife');
  const cultureId = useRef(newId());
  const entry = useEntryForm({
    name: 'addCulture',
    defaults: { food, name: '', tankId: '', startedAt: toLocal(house.now(), house.timeZone) },
    toBody: (values) => ({
      cultureId: cultureId.current,
      food: values.food,
      name: values.name.trim() || null,
      tankId: values.tankId || null,
      startedAt: fromLocal('startedAt', values.startedAt, house.timeZone),
    }),
    fieldOf: (path) => (path === 'at' ? 'startedAt' : undefined),
    label: (values) => `${FOOD_NAMES[values.food]} started`,
    done,
  });
  const { register, watch, setValue, formState } = entry.form;
  const kind: CultureKind = CULTURES[watch('food')];
  return (
    <EntryFormFrame entry={entry} action="Start it">
      <SelectField
        label="What"
        hint={`Ripe after ${kind.ripeDays.join(' to ')} days, at about 22 °C: ${kind.sign}.`}
        {...register('food')}
      >
        {CULTURE_FOODS.map((key) => (
          <option key={key} value={key}>
            {FOOD_NAMES[key]}
          </option>
        ))}
      </SelectField>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Name" hint="Empty: numbered on." error={formState.errors.name?.message} {...register('name')} />
        <SelectField label="Where" {...register('tankId')}>
          <option value="">On the larder shelf</option>
          {(life.data ?? [])
            .filter((tank) => tank.heads === 0)
            .map((tank) => (
              <option key={tank.tankId} value={tank.tankId}>
                {tank.code}
              </option>
            ))}
        </SelectField>
      </div>
      <WhenField
        label="Started"
        between={false}
        value={{ mode: 'at', from: '', to: watch('startedAt') }}
        onChange={(when) => setValue('startedAt', when.to)}
        error={formState.errors.startedAt?.message}
      />
    </EntryFormFrame>
  );
}
