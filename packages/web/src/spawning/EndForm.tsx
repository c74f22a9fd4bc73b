import { useEntryForm, useHouse } from '../data';
import { DayField, EntryFormFrame, NoteField, SelectField } from '../ui';

/** Ends an attempt; its tank falls free. */
export function EndForm({
  attempt,
  spawned,
  done,
}: {
  attempt: { id: string; name: string };
  spawned: boolean;
  done: () => void;
}) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'endAttempt',
    defaults: { outcome: (spawned ? 'spawned' : 'failed') as 'spawned' | 'failed' | 'given up', on: house.today, note: '' },
    toBody: ({ outcome, on, note }) => ({ attemptId: attempt.id, outcome, on, note: note.trim() || null }),
    label: () => `${attempt.name} ended`,
    done,
  });
  const { register, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="End the spawning">
      <div className="grid grid-cols-2 gap-4">
        <SelectField label="How it ended" {...register('outcome')}>
          <option value="spawned">They spawned</option>
          <option value="failed">They did not</option>
          <option value="given up">Given up</option>
        </SelectField>
        <DayField control={entry.form.control} name="on" towards="past" label="On" error={formState.errors.on?.message} />
      </div>
      <NoteField
        label="What was different this time"
        hint="Change one thing and write it down."
        error={formState.errors.note?.message}
        {...register('note')}
      />
    </EntryFormFrame>
  );
}
