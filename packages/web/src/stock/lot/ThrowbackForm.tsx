import { useEntryForm, useHouse } from '../../data';
import { EntryFormFrame, readWhole, TextField } from '../../ui';

/** Logs young that show what neither parent shows. */
export function ThrowbackForm({ lotId, total, done }: { lotId: string; total: number; done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'logThrowback',
    defaults: { what: '', seen: '', of: String(total) },
    toBody: (values) => ({
      lotId,
      at: house.now(),
      what: values.what,
      seen: readWhole('seen', values.seen),
      of: readWhole('of', values.of),
    }),
    label: (values) => `Throwback: ${values.what}`,
    done,
  });
  const { register, formState } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Log it">
      <TextField
        label="What shows"
        autoFocus
        hint="gold, bars missing, long fins …"
        error={errors.what?.message}
        {...register('what')}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="How many show it" inputMode="numeric" error={errors.seen?.message} {...register('seen')} />
        <TextField label="of" inputMode="numeric" error={errors.of?.message} {...register('of')} />
      </div>
    </EntryFormFrame>
  );
}
