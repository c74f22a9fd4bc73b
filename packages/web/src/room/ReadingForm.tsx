import { READING_LIMITS, type Quantity } from '@freshet/contract/room';
import { FieldProblem, useEntryForm, useHouse } from '../data';
import { EntryFormFoot, fromLocal, QuantityField, readQuantity, SelectField, TextField, toLocal, WhenField } from '../ui';

/** Logs a reading of one tank. */
export function ReadingForm({ tank, done }: { tank: { id: string; code: string }; done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'addReading',
    defaults: { quantity: 'tempC' as Quantity, value: '', at: toLocal(house.now(), house.timeZone) },
    toBody({ quantity, value, at }) {
      const typed =
        quantity === 'tempC'
          ? readQuantity('value', value, 'temperature', house.units.temperature)
          : Number(value.replace(',', '.'));
      if (!Number.isFinite(typed) || value.trim() === '') throw new FieldProblem('value', 'Give a number.');
      return { tankId: tank.id, quantity, value: typed, at: fromLocal('at', at, house.timeZone) };
    },
    label: ({ quantity, value }) => `${tank.code}: ${READING_LIMITS[quantity].label} ${value} logged`,
    done,
  });
  const { register, watch, setValue, formState } = entry.form;
  const quantity = watch('quantity');
  const unit = quantity === 'tempC' ? (house.units.temperature === 'degF' ? '°F' : '°C') : READING_LIMITS[quantity].unit;
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)} className="flex flex-col gap-4">
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
      <WhenField
        label="When"
        between={false}
        value={{ mode: 'at', from: '', to: watch('at') }}
        onChange={(when) => setValue('at', when.to)}
        error={formState.errors.at?.message}
      />
      <EntryFormFoot entry={entry} action="Log the reading" />
    </form>
  );
}
