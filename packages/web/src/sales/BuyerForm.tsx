import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { BUYER_KINDS, BUYER_WORDS, UNPAID, type BuyerKind, type Payment } from '@freshet/core/sales';
import { readDayText, sentence } from '@freshet/core/time';
import { FieldProblem, useEntryForm, useHouse, type Reply } from '../data';
import { EntryFormFrame, NoteField, readNumber, SelectField, TextField } from '../ui';
import { typedMoney } from './money';

type Buyer = Reply<'buyers'>[number];
const orNull = (text: string) => text.trim() || null;

/** Somebody fish go to, and what they wish. */
export function BuyerForm({ buyer, done }: { buyer: Buyer | null; done: () => void }) {
  const house = useHouse();
  const buyerId = useRef(buyer?.buyerId ?? newId());
  const typed = (value: number | null | undefined) => (value === null || value === undefined ? '' : String(value));
  const entry = useEntryForm({
    name: 'noteBuyer',
    defaults: {
      kind: buyer?.kind ?? ('shop' as BuyerKind),
      name: buyer?.name ?? '',
      pays: buyer?.pays ?? ('cash' as Payment),
      contact: buyer?.contact ?? '',
      leastMm: typed(buyer?.leastMm),
      perWeek: typed(buyer?.perWeek),
      feePercent: typed(buyer?.feePercent),
      bagsMost: typed(buyer?.bagsMost),
      dates: buyer?.dates.join(', ') ?? '',
      note: buyer?.note ?? '',
    },
    toBody: ({ leastMm, perWeek, feePercent, bagsMost, dates, contact, note, ...rest }) => ({
      ...rest,
      buyerId: buyerId.current,
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
          if (!day) throw new FieldProblem('dates', `"${text.trim()}" isn’t a date; separate them with commas.`);
          return day;
        }),
      prices: buyer?.prices ?? [],
      ...(buyer ? { version: buyer.entryId } : {}),
    }),
    label: ({ name }) => `${name} noted`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const kind = watch('kind');
  const isPaid = !UNPAID.includes(kind);
  return (
    <EntryFormFrame entry={entry} action={buyer ? 'Keep the change' : 'Note them'}>
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Name" autoFocus error={errors.name?.message} {...register('name')} />
        <SelectField label="What they are" {...register('kind')}>
          {BUYER_KINDS.map((one) => (
            <option key={one} value={one}>
              {sentence(BUYER_WORDS[one])}
            </option>
          ))}
        </SelectField>
        {isPaid && (
          <SelectField label="Pays in" {...register('pays')}>
            <option value="cash">cash</option>
            <option value="credit">credit or goods</option>
          </SelectField>
        )}
        <TextField
          label="Smallest fish they take, mm"
          inputMode="decimal"
          error={errors.leastMm?.message}
          {...register('leastMm')}
        />
        <TextField label="How many a week" inputMode="numeric" error={errors.perWeek?.message} {...register('perWeek')} />
        {kind === 'auction' && (
          <>
            <TextField label="Keeps, %" inputMode="decimal" error={errors.feePercent?.message} {...register('feePercent')} />
            <TextField label="Bags at most" inputMode="numeric" error={errors.bagsMost?.message} {...register('bagsMost')} />
            <TextField label="Days" hint="like 5 Dec, 9 Jan" error={errors.dates?.message} {...register('dates')} />
          </>
        )}
        <TextField
          label="Where they are found"
          hint="only what you need"
          error={errors.contact?.message}
          {...register('contact')}
        />
      </div>
      <NoteField label="To remember" error={errors.note?.message} {...register('note')} />
      {buyer && buyer.prices.length > 0 && (
        <p className="text-note text-quiet">
          Pays{' '}
          {buyer.prices
            .slice(0, 6)
            .map(({ speciesKey, cents }) => `${typedMoney(cents)} for ${speciesKey.replaceAll('-', ' ')}`)
            .join(', ')}
          ; the last price is filled in next time.
        </p>
      )}
    </EntryFormFrame>
  );
}
