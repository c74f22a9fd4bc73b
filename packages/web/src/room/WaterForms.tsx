import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { METHODS } from '@freshet/core/room';
import { READING_LIMITS, WATER_KINDS, type Quantity } from '@freshet/contract/room';
import { FieldProblem, useEntryForm, useHouse } from '../data';
import {
  EntryFormFrame,
  fromLocal,
  QuantityField,
  readQuantity,
  readWhole,
  SelectField,
  TextField,
  toLocal,
  WhenField,
} from '../ui';

export const WATER_WORDS = { tap: 'Tap', rain: 'Rain', osmosis: 'Reverse osmosis', aged: 'Aged tap', mixed: 'Mixed' } as const;

/** Adds a source water. */
export function WaterForm({ done }: { done: () => void }) {
  const waterId = useRef(newId());
  const entry = useEntryForm({
    name: 'addWater',
    defaults: { name: '', kind: 'tap' as (typeof WATER_KINDS)[number] },
    toBody: (values) => ({ waterId: waterId.current, ...values }),
    label: ({ name }) => `${name} added`,
    done,
  });
  const { register, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Add the water">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Name" autoFocus hint="Tap, rain butt …" error={formState.errors.name?.message} {...register('name')} />
        <SelectField label="Kind" {...register('kind')}>
          {WATER_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {WATER_WORDS[kind]}
            </option>
          ))}
        </SelectField>
      </div>
    </EntryFormFrame>
  );
}

const VALUES = [
  ['ghDeg', 'GH, °dGH'],
  ['khDeg', 'KH, °dKH'],
  ['tdsPpm', 'TDS, ppm'],
  ['ph', 'pH'],
  ['nitratePpm', 'Nitrate, mg/L'],
] as const;

/** Logs an analysis of a source water. */
export function AnalysisForm({ water, done }: { water: { id: string; name: string }; done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'addAnalysis',
    defaults: {
      tempC: '',
      ghDeg: '',
      khDeg: '',
      tdsPpm: '',
      ph: '',
      nitratePpm: '',
      at: toLocal(house.now(), house.timeZone),
    },
    toBody(values) {
      const read = (key: (typeof VALUES)[number][0]) => {
        if (values[key].trim() === '') return null;
        const value = Number(values[key].replace(',', '.'));
        if (!Number.isFinite(value)) throw new FieldProblem(key, `"${values[key]}" is not a number.`);
        return value;
      };
      return {
        waterId: water.id,
        at: fromLocal('at', values.at, house.timeZone),
        tempC: values.tempC.trim() === '' ? null : readQuantity('tempC', values.tempC, 'temperature', house.units.temperature),
        ghDeg: read('ghDeg'),
        khDeg: read('khDeg'),
        tdsPpm: read('tdsPpm'),
        ph: read('ph'),
        nitratePpm: read('nitratePpm'),
      };
    },
    label: () => `${water.name}: analysis logged`,
    done,
  });
  const { register, watch, setValue, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Log the analysis">
      <div className="grid grid-cols-2 gap-4 sm:grid-cols-3">
        {VALUES.map(([key, label], i) => (
          <TextField
            key={key}
            label={label}
            inputMode="decimal"
            autoFocus={i === 0}
            error={formState.errors[key]?.message}
            {...register(key)}
          />
        ))}
        <QuantityField
          kind="temperature"
          text={watch('tempC')}
          defaultUnit={house.units.temperature}
          label="Temperature"
          error={formState.errors.tempC?.message}
          {...register('tempC')}
        />
      </div>
      <WhenField
        label="When"
        between={false}
        value={{ mode: 'at', from: '', to: watch('at') }}
        onChange={(when) => setValue('at', when.to)}
        error={formState.errors.at?.message}
      />
      <p className="text-note text-quiet">Leave empty what you didn’t measure.</p>
    </EntryFormFrame>
  );
}

/** Adds an instrument or a test kit. */
export function MeterForm({ done }: { done: () => void }) {
  const meterId = useRef(newId());
  const entry = useEntryForm({
    name: 'addMeter',
    defaults: { name: '', quantity: 'ph' as Quantity, method: 'meter' as (typeof METHODS)[number], everyDays: '30' },
    toBody: ({ everyDays, ...values }) => ({
      meterId: meterId.current,
      ...values,
      everyDays: everyDays.trim() === '' ? null : readWhole('everyDays', everyDays),
    }),
    label: ({ name }) => `${name} added`,
    done,
  });
  const { register, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Add the instrument">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Name" autoFocus hint="pH pen" error={formState.errors.name?.message} {...register('name')} />
        <SelectField label="Measures" {...register('quantity')}>
          {Object.entries(READING_LIMITS).map(([key, { label }]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </SelectField>
        <SelectField label="It is a" {...register('method')}>
          {METHODS.map((method) => (
            <option key={method} value={method}>
              {{ strip: 'strip', drops: 'drop kit', meter: 'meter', probe: 'probe' }[method]}
            </option>
          ))}
        </SelectField>
        <TextField
          label="Calibrate every, days"
          inputMode="numeric"
          hint="leave empty if it needs none"
          error={formState.errors.everyDays?.message}
          {...register('everyDays')}
        />
      </div>
    </EntryFormFrame>
  );
}
