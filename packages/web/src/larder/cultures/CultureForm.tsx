import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { CULTURE_FOODS, CULTURES, HATCH_SALT_G_PER_L, type CultureFood, type CultureKind } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatNumber, parseQuantity } from '@freshet/core/units';
import { useEntryForm, useGet, useHouse } from '../../data';
import {
  Checkbox,
  EntryFormFrame,
  fromLocal,
  QuantityField,
  readNumber,
  readQuantity,
  SelectField,
  TextField,
  toLocal,
  WhenField,
} from '../../ui';

/** Starts a culture or sets a hatch. @param fromId - the vessel it is started from, when that is known */
export function CultureForm({ food, fromId, done }: { food: CultureFood; fromId?: string; done: () => void }) {
  const house = useHouse();
  const life = useGet('tankLife');
  const cultures = useGet('cultures');
  const kinds = useGet('cultureKinds');
  const shelf = useGet('shelf');
  const cultureId = useRef(newId());
  const volume = house.units.volume;
  const entry = useEntryForm({
    name: 'addCulture',
    defaults: {
      kind: food as string,
      name: '',
      tankId: '',
      place: '',
      vesselL: '',
      tempC: '',
      fromId: fromId ?? '',
      startedAt: toLocal(house.now(), house.timeZone),
      cystsG: '',
      saltG: '',
      tinId: '',
      lit: true,
    },
    toBody: (values) => {
      const own = (kinds.data ?? []).find(({ id }) => id === values.kind);
      const of = (own?.standsFor ?? values.kind) as CultureFood;
      const litres = values.vesselL.trim() ? readQuantity('vesselL', values.vesselL, 'volume', volume) : null;
      const { batch } = CULTURES[of];
      const cystsG = batch ? readNumber('cystsG', values.cystsG, 'How many grams of cysts?') : null;
      return {
        cultureId: cultureId.current,
        food: of,
        kindId: own?.id ?? null,
        name: values.name.trim() || null,
        tankId: values.tankId || null,
        place: values.place.trim() || null,
        vesselL: litres,
        tempC: values.tempC.trim() ? readQuantity('tempC', values.tempC, 'temperature', house.units.temperature) : null,
        fromId: !batch && values.fromId ? values.fromId : null,
        startedAt: fromLocal('startedAt', values.startedAt, house.timeZone),
        hatch:
          cystsG === null
            ? null
            : {
                cystsG,
                litres: litres ?? 1,
                saltG: readNumber('saltG', values.saltG, 'How many grams of salt?') ?? (litres ?? 1) * HATCH_SALT_G_PER_L,
                lit: values.lit,
                tinId: values.tinId || null,
              },
      };
    },
    fieldOf: (path) =>
      path === 'at'
        ? 'startedAt'
        : path.startsWith('hatch.cystsG')
          ? 'cystsG'
          : path.startsWith('hatch.saltG')
            ? 'saltG'
            : path.startsWith('hatch.litres')
              ? 'vesselL'
              : undefined,
    label: () => 'Started',
    done,
  });
  const { register, watch, setValue, formState } = entry.form;
  const { errors } = formState;
  const own = (kinds.data ?? []).find(({ id }) => id === watch('kind'));
  const of = (own?.standsFor ?? watch('kind')) as CultureFood;
  const kind: CultureKind = CULTURES[of];
  const same = (cultures.data ?? []).filter((culture) => culture.food === of);
  const tins = (shelf.data?.items ?? []).filter((item) => item.kind === 'cysts');
  const typed = parseQuantity(watch('vesselL'), 'volume', volume);
  const litres = typed.ok ? typed.value : 1;
  return (
    <EntryFormFrame entry={entry} action="Start it">
      <SelectField
        label="What"
        hint={
          kind.batch
            ? 'Ready in 24 to 30 hours at 27 to 28 °C, 36 to 48 hours at 22 °C.'
            : `Ripe after ${kind.ripeDays.join(' to ')} days, at about ${kind.atC} °C: ${kind.sign}.`
        }
        {...register('kind')}
      >
        {CULTURE_FOODS.map((key) => (
          <option key={key} value={key}>
            {FOOD_NAMES[key]}
          </option>
        ))}
        {(kinds.data ?? []).map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </SelectField>
      {kind.batch ? (
        <div className="grid gap-4 sm:grid-cols-2">
          <TextField label="Cysts, g" inputMode="decimal" error={errors.cystsG?.message} {...register('cystsG')} />
          <TextField
            label="Salt, g"
            inputMode="decimal"
            hint={`${formatNumber(litres * HATCH_SALT_G_PER_L)} g if you leave it empty, ${HATCH_SALT_G_PER_L} a litre`}
            error={errors.saltG?.message}
            {...register('saltG')}
          />
          <SelectField
            label="From the tin"
            hint={tins.length === 0 ? 'No tin on the shelf yet.' : undefined}
            {...register('tinId')}
          >
            <option value="">not sure</option>
            {tins.map(({ id, name, left }) => (
              <option key={id} value={id}>{`${name}, ${formatNumber(left)} g left`}</option>
            ))}
          </SelectField>
          <Checkbox {...register('lit')}>Lit from above</Checkbox>
        </div>
      ) : (
        same.length > 0 && (
          <SelectField label="Started from" error={errors.fromId?.message} {...register('fromId')}>
            <option value="">bought or given, fresh</option>
            {same.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectField>
        )
      )}
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Name"
          hint="leave empty and it gets the next number"
          error={errors.name?.message}
          {...register('name')}
        />
        <QuantityField
          kind="volume"
          label="Vessel"
          text={watch('vesselL')}
          defaultUnit={volume}
          hint={`${formatNumber(kind.vesselL)} L if you leave it empty`}
          error={errors.vesselL?.message}
          {...register('vesselL')}
        />
        <SelectField label="In the tank" {...register('tankId')}>
          <option value="">no tank</option>
          {(life.data ?? [])
            .filter((tank) => tank.heads === 0)
            .map((tank) => (
              <option key={tank.tankId} value={tank.tankId}>
                {tank.code}
              </option>
            ))}
        </SelectField>
        {!watch('tankId') && (
          <>
            <TextField
              label="Where it stands"
              hint="window sill, top of rack A"
              error={errors.place?.message}
              {...register('place')}
            />
            <QuantityField
              kind="temperature"
              label="Temperature where it stands"
              text={watch('tempC')}
              defaultUnit={house.units.temperature}
              hint={kind.batch ? 'Empty: 27 °C' : 'Empty: 22 °C'}
              error={errors.tempC?.message}
              {...register('tempC')}
            />
          </>
        )}
      </div>
      <WhenField
        label="Started"
        between={false}
        value={{ mode: 'at', from: '', to: watch('startedAt') }}
        onChange={(when) => setValue('startedAt', when.to)}
        error={errors.startedAt?.message}
      />
    </EntryFormFrame>
  );
}
