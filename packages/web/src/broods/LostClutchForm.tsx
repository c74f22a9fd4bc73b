import { middleOf } from '@freshet/core/time';
import { useEntryForm, useHouse, type Reply } from '../data';
import { EntryFormFrame, readWhen, SelectField, toLocal, WhenField, type When } from '../ui';

const CAUSES = [
  { value: 'unknown', label: 'not known' },
  { value: 'moult', label: 'she moulted' },
  { value: 'fungus', label: 'fungus' },
  { value: 'eaten', label: 'she or others ate them' },
] as const;

/** A carrier seen without her eggs: the whole clutch is booked as lost, on its day. */
export function LostClutchForm({ brood, done }: { brood: Reply<'broods'>[number]; done: () => void }) {
  const house = useHouse();
  const lot = brood.lots.find(({ count }) => count > 0);
  const now = toLocal(house.now(), house.timeZone);
  const entry = useEntryForm({
    name: 'lose',
    defaults: {
      cause: 'unknown' as (typeof CAUSES)[number]['value'],
      at: { mode: 'at', from: now, to: now } as When,
    },
    toBody: ({ cause, at }) => ({
      lotId: lot?.id ?? '',
      heads: { males: lot?.males ?? 0, females: lot?.females ?? 0, unsexed: lot?.unsexed ?? 0 },
      cause,
      at: middleOf(readWhen('at', at, house.timeZone)),
      note: 'lost clutch',
    }),
    fieldOf: (path) => (path.startsWith('at') ? 'at' : path === 'cause' ? 'cause' : undefined),
    label: () => `${brood.name}: the clutch is lost`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Log the lost clutch">
      <p>All {brood.alive} will be logged as lost. Her next clutch starts a new brood. A first clutch is often lost.</p>
      <WhenField
        label="When she was seen without them"
        value={watch('at')}
        onChange={(when) => setValue('at', when)}
        error={(formState.errors.at as { message?: string } | undefined)?.message}
      />
      <SelectField label="Why" error={formState.errors.cause?.message} {...register('cause')}>
        {CAUSES.map(({ value, label }) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </SelectField>
    </EntryFormFrame>
  );
}
