import { METHODS } from '@freshet/core/room';
import { READING_LIMITS, type Quantity } from '@freshet/contract/room';
import { FieldProblem, temperatureSign, useEntryForm, useGet, useHouse } from '../data';
import { EntryFormFrame, fromLocal, QuantityField, readQuantity, SelectField, TextField, toLocal, WhenField } from '../ui';

const METHOD_WORDS = { strip: 'Strip', drops: 'Drops', meter: 'Meter', probe: 'Probe' } as const;

/** Logs a reading of one tank. */
export function ReadingForm({
  tank,
  quantity: first = 'tempC',
  done,
}: {
  tank: { id: string; code: string };
  quantity?: Quantity;
  done: () => void;
}) {
  const house = useHouse();
  const meters = useGet('meters');
  const entry = useEntryForm({
    name: 'addReading',
    defaults: {
      quantity: first,
      value: '',
      with: '',
      at: toLocal(house.now(), house.timeZone),
    },
    toBody({ quantity, value, at, with: instrument }) {
      const typed =
        quantity === 'tempC'
          ? readQuantity('value', value, 'temperature', house.units.temperature)
          : Number(value.replace(',', '.'));
      if (!Number.isFinite(typed) || value.trim() === '') throw new FieldProblem('value', 'Give a number.');
      const meter = meters.data?.find(({ id }) => id === instrument);
      const method = meter?.method ?? METHODS.find((one) => one === instrument);
      return {
        tankId: tank.id,
        quantity,
        value: typed,
        at: fromLocal('at', at, house.timeZone),
        ...(method ? { method } : {}),
        ...(meter ? { meterId: meter.id } : {}),
      };
    },
    label: ({ quantity, value }) => `${tank.code}: ${READING_LIMITS[quantity].label} ${value} logged`,
    done,
  });
  const { register, watch, setValue, formState } = entry.form;
  const quantity = watch('quantity');
  const unit = quantity === 'tempC' ? temperatureSign(house.units) : READING_LIMITS[quantity].unit;
  const own = (meters.data ?? []).filter((meter) => meter.quantity === quantity);
  return (
    <EntryFormFrame entry={entry} action="Log the reading">
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="What" {...register('quantity')}>
          {Object.entries(READING_LIMITS).map(([key, { label }]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </SelectField>
        {quantity === 'tempC' ? (
          <QuantityField
            kind="temperature"
            text={watch('value')}
            defaultUnit={house.units.temperature}
            label={`Value, ${unit}`}
            autoFocus
            error={formState.errors.value?.message}
            hint="25.5, or 78F"
            {...register('value')}
          />
        ) : (
          <TextField
            label={unit ? `Value, ${unit}` : 'Value'}
            inputMode="decimal"
            autoFocus
            error={formState.errors.value?.message}
            {...register('value')}
          />
        )}
      </div>
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField label="Measured with" hint="strips are trusted less than meters" {...register('with')}>
          <option value="">{quantity === 'tempC' ? 'Thermometer' : 'Drops'}</option>
          {own.map((meter) => (
            <option key={meter.id} value={meter.id}>
              {meter.name}
            </option>
          ))}
          {METHODS.filter((method) => method !== (quantity === 'tempC' ? 'meter' : 'drops')).map((method) => (
            <option key={method} value={method}>
              {METHOD_WORDS[method]}
            </option>
          ))}
        </SelectField>
        <WhenField
          label="When"
          between={false}
          value={{ mode: 'at', from: '', to: watch('at') }}
          onChange={(when) => setValue('at', when.to)}
          error={formState.errors.at?.message}
        />
      </div>
    </EntryFormFrame>
  );
}
