import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, NoteField, readWhen, toLocal, type When, WhenField } from '../ui';

/** What was done to set the spawning off, and when. */
export function TriggerForm({ attempt, done }: { attempt: { id: string; name: string }; done: () => void }) {
  const house = useHouse();
  const now = toLocal(house.now(), house.timeZone);
  const entry = useEntryForm({
    name: 'trigger',
    defaults: { what: '', at: { mode: 'at', from: now, to: now } as When },
    toBody: ({ what, at }) => ({ attemptId: attempt.id, what, at: readWhen('at', at, house.timeZone) }),
    fieldOf: (path) => (path.startsWith('at') ? 'at' : path === 'what' ? 'what' : undefined),
    label: () => `${attempt.name}: trigger logged`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Log the trigger">
      <NoteField
        label="What was done"
        autoFocus
        placeholder="half changed with rain water, 5 °C cooler"
        error={formState.errors.what?.message}
        {...register('what')}
      />
      <WhenField
        label="When"
        between={false}
        value={watch('at')}
        onChange={(when) => setValue('at', when)}
        error={(formState.errors.at as { message?: string } | undefined)?.message}
      />
    </EntryFormFrame>
  );
}
