import { formatDay } from '@freshet/core/time';
import { useEntryForm, useGet, useHouse, type Reply } from '../data';
import { EntryFormFrame, SelectField } from '../ui';

/** Which attempt a brood is of: those of its kind that had begun when it was laid. */
export function JoinForm({
  brood,
  done,
}: {
  brood: Pick<Reply<'brood'>, 'id' | 'speciesKey' | 'attemptId' | 'laid'>;
  done: () => void;
}) {
  const house = useHouse();
  const attempts = useGet('attempts', { query: { speciesKey: brood.speciesKey, limit: '200' } });
  const others = (attempts.data?.attempts ?? []).filter(
    ({ id, from }) => id !== brood.attemptId && from <= brood.laid.to.slice(0, 10),
  );
  const entry = useEntryForm({
    name: 'joinBrood',
    defaults: { attemptId: '' },
    toBody: ({ attemptId }) => ({ broodId: brood.id, attemptId }),
    label: () => 'Joined to the spawning',
    done,
  });
  const { register, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Join it">
      <SelectField
        label="Which spawning?"
        hint="Its parents become the likely parents, and it counts as a success."
        error={formState.errors.attemptId?.message}
        {...register('attemptId')}
      >
        <option value="">Choose a spawning</option>
        {others.map(({ id, name, tankCode, from }) => (
          <option key={id} value={id}>
            {name}, {tankCode}, from {formatDay(from, house.today)}
          </option>
        ))}
      </SelectField>
      {attempts.data && others.length === 0 && (
        <p className="text-quiet">No other spawning of this species had begun by then. Add one with its past dates first.</p>
      )}
    </EntryFormFrame>
  );
}
