import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { OUTLET_KINDS, OUTLET_WORDS, UNPAID, type OutletKind, type Payment } from '@freshet/core/sales';
import { readDayText, sentence } from '@freshet/core/time';
import { FieldProblem, useEntryForm, useHouse, type Reply } from '../data';
import { EntryFormFrame, NoteField, readNumber, SelectField, TextField } from '../ui';
import { typedMoney } from './money';

type Outlet = Reply<'outlets'>[number];
const orNull = (text: string) => text.trim() || null;

/** Somebody fish go to, and what they wish. */
export function OutletForm({ outlet, done }: { outlet: Outlet | null; done: () => void }) {
  const house = useHouse();
  const outletId = useRef(outlet?.outletId ?? newId());
  const typed = (value: number | null | undefined) => (value === null || value === undefined ? '' : String(value));
  const entry = useEntryForm({
    name: 'noteOutlet',
    defaults: {
      kind: outlet?.kind ?? ('shop' as OutletKind),
      name: outlet?.name ?? '',
      pays: outlet?.pays ?? ('cash' as Payment),
      contact: outlet?.contact ?? '',
      leastMm: typed(outlet?.leastMm),
      perWeek: typed(outlet?.perWeek),
      feePercent: typed(outlet?.feePercent),
      bagsMost: typed(outlet?.bagsMost),
      dates: outlet?.dates.join(', ') ?? '',
      note: outlet?.note ?? '',
    },
    toBody: ({ leastMm, perWeek, feePercent, bagsMost, dates, contact, note, ...rest }) => ({
      ...rest,
      outletId: outletId.current,
      contact: orNull(contact),
      note: orNull(note),
      leastMm: readNumber('leastMm', leastMm, 'Give a length in mm.'),
      perWeek: readNumber('perWeek', perWeek),
      feePercent: readNumber('feePercent', feePercent, 'Give a share in per cent.'),
      bagsMost: readNumber('bagsMost', bagsMost),
      dates: dates
        .split(/[,;\n]/)
        .filter((text) => text.trim() !== '')
        .map((text) => {
          const day = readDayText(text.trim(), house.today, 'ahead');
          if (!day) throw new FieldProblem('dates', `"${text.trim()}" is no day; part them by commas.`);
          return day;
        }),
      prices: outlet?.prices ?? [],
      ...(outlet ? { version: outlet.entryId } : {}),
    }),
    label: ({ name }) => `${name} noted`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const kind = watch('kind');
  const isPaid = !UNPAID.includes(kind);
  return (
    <EntryFormFrame entry={entry} action={outlet ? 'Keep the change' : 'Note them'}>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Name" autoFocus error={errors.name?.message} {...register('name')} />
        <SelectField label="What they are" {...register('kind')}>
          {OUTLET_KINDS.map((one) => (
            <option key={one} value={one}>
              {sentence(OUTLET_WORDS[one])}
            </option>
          ))}
        </SelectField>
        {isPaid && (
          <SelectField label="Pays in" {...register('pays')}>
            <option value="cash">cash</option>
            <option value="credit">credit or goods</option>
          </SelectField>
        )}
        <TextField label="Takes fish from, mm" inputMode="decimal" error={errors.leastMm?.message} {...register('leastMm')} />
        <TextField label="How many a week" inputMode="numeric" error={errors.perWeek?.message} {...register('perWeek')} />
        {kind === 'auction' && (
          <>
            <TextField label="Keeps, %" inputMode="decimal" error={errors.feePercent?.message} {...register('feePercent')} />
            <TextField label="Bags at most" inputMode="numeric" error={errors.bagsMost?.message} {...register('bagsMost')} />
            <TextField label="Days" hint="such as 5 Dec, 9 Jan" error={errors.dates?.message} {...register('dates')} />
          </>
        )}
        <TextField
          label="Where they are found"
          hint="as little as is needed"
          error={errors.contact?.message}
          {...register('contact')}
        />
      </div>
      <NoteField label="To remember" error={errors.note?.message} {...register('note')} />
      {outlet && outlet.prices.length > 0 && (
        <p className="text-note text-quiet">
          Pays{' '}
          {outlet.prices
            .slice(0, 6)
            .map(({ speciesKey, cents }) => `${typedMoney(cents)} for ${speciesKey.replaceAll('-', ' ')}`)
            .join(', ')}
          : the price of the last sale stands in the field of the next.
        </p>
      )}
    </EntryFormFrame>
  );
}
