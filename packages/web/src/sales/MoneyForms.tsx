import { MONEY_KINDS, MONEY_WORDS, type MoneyKind } from '@freshet/core/sales';
import { sentence } from '@freshet/core/time';
import { showTemperature, temperatureSign, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { DayField, EntryFormFrame, QuantityField, readNumber, readQuantity, SelectField, TextField } from '../ui';
import { moneyOf } from './money';

/** Money spent or taken besides sales. */
export function MoneyForm({ currency, done }: { currency: string; done: () => void }) {
  const house = useHouse();
  const species = useGet('species');
  const entry = useEntryForm({
    name: 'noteMoney',
    defaults: { kind: 'equipment' as MoneyKind, cents: '', on: house.today, speciesKey: '', note: '' },
    toBody: ({ kind, cents, on, speciesKey, note }) => ({
      kind,
      cents: moneyOf('cents', cents),
      on,
      speciesKey: speciesKey || null,
      note: note.trim() || null,
    }),
    label: ({ kind }) => `${sentence(MONEY_WORDS[kind])} noted`,
    done,
  });
  const { register, control, formState } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Note it">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label={`How much, ${currency}`}
          inputMode="decimal"
          autoFocus
          error={errors.cents?.message}
          {...register('cents')}
        />
        <SelectField label="What for" hint="Food on the shelf is counted by its price there" {...register('kind')}>
          {MONEY_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {sentence(MONEY_WORDS[kind])}
            </option>
          ))}
        </SelectField>
        <DayField control={control} name="on" label="When" error={errors.on?.message} />
        <SelectField label="For which species" error={errors.speciesKey?.message} {...register('speciesKey')}>
          <option value="">the whole house</option>
          {(species.data ?? []).map(({ key, commonName }) => (
            <option key={key} value={key}>
              {commonName}
            </option>
          ))}
        </SelectField>
        <TextField label="To remember" boxClass="sm:col-span-2" error={errors.note?.message} {...register('note')} />
      </div>
    </EntryFormFrame>
  );
}

/** What current, water and a tank's day cost here. */
export function RatesForm({ rates, done }: { rates: Reply<'money'>['rates']; done: () => void }) {
  const house = useHouse();
  const typed = (value: number) => (rates.isUsual ? '' : String(value));
  const entry = useEntryForm({
    name: 'setRates',
    defaults: {
      currency: rates.currency,
      kwhCents: typed(rates.kwhCents),
      tankDayCents: typed(rates.tankDayCents),
      waterCentsPerM3: rates.isUsual ? '' : String(rates.waterCentsPerM3 / 100),
      roomC: '',
    },
    toBody: ({ currency, kwhCents, tankDayCents, waterCentsPerM3, roomC }) => ({
      currency,
      kwhCents: readNumber('kwhCents', kwhCents) ?? rates.kwhCents,
      tankDayCents: readNumber('tankDayCents', tankDayCents) ?? rates.tankDayCents,
      waterCentsPerM3: (readNumber('waterCentsPerM3', waterCentsPerM3) ?? rates.waterCentsPerM3 / 100) * 100,
      roomC: roomC.trim() ? readQuantity('roomC', roomC, 'temperature', house.units.temperature) : rates.roomC,
      version: rates.entryId,
    }),
    label: () => 'Costs saved',
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Keep it">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Currency"
          hint="three letters; one a house"
          error={errors.currency?.message}
          {...register('currency')}
        />
        <TextField
          label="A kWh, cents"
          inputMode="decimal"
          hint={rates.isUsual ? `taken as ${rates.kwhCents}` : undefined}
          error={errors.kwhCents?.message}
          {...register('kwhCents')}
        />
        <TextField
          label="A tank’s day, cents"
          inputMode="decimal"
          hint={`light, air, wear${rates.isUsual ? `; taken as ${rates.tankDayCents}` : ''}`}
          error={errors.tankDayCents?.message}
          {...register('tankDayCents')}
        />
        <TextField
          label="A cubic metre of water"
          inputMode="decimal"
          hint={rates.isUsual ? `taken as ${(rates.waterCentsPerM3 / 100).toFixed(2)}` : undefined}
          error={errors.waterCentsPerM3?.message}
          {...register('waterCentsPerM3')}
        />
        <QuantityField
          kind="temperature"
          defaultUnit={house.units.temperature}
          label={`Mean air of the room, ${temperatureSign(house.units)}`}
          text={watch('roomC')}
          hint={`over the year; taken as ${showTemperature(rates.roomC, house)}`}
          error={errors.roomC?.message}
          {...register('roomC')}
        />
      </div>
    </EntryFormFrame>
  );
}
