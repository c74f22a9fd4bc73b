import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, readWhole, TextField } from '../ui';

/** White eggs picked out. */
export function WhiteForm({ brood, done }: { brood: { id: string; name: string; alive: number }; done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'pickWhite',
    defaults: { count: '' },
    toBody({ count }) {
      return { broodId: brood.id, count: readWhole('count', count), at: house.now() };
    },
    label: ({ count }) => `${brood.name}: ${count} white eggs picked`,
    done,
  });
  return (
    <EntryFormFrame entry={entry} action="Log them">
      <TextField
        label="White eggs picked"
        autoFocus
        inputMode="numeric"
        hint={`${brood.alive} eggs are booked`}
        error={entry.form.formState.errors.count?.message}
        {...entry.form.register('count')}
      />
    </EntryFormFrame>
  );
}
