import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { EntryFormFrame, readWhen, readWhole, SelectField, TextField, toLocal, type When, WhenField } from '../../ui';

/** Eggs picked today from a daily layer: into this batch, or the first of the next. */
export function PickForm({ page, done }: { page: Reply<'brood'>; done: () => void }) {
  const house = useHouse();
  const ids = useRef({ id: newId(), next: { broodId: newId(), lotId: newId() } });
  const now = toLocal(house.now(), house.timeZone);
  const entry = useEntryForm({
    name: 'pickEggs',
    defaults: {
      picked: '',
      into: page.batch?.isFull ? 'next' : 'this',
      at: { mode: 'between', from: `${house.today}T00:00`, to: now } as When,
    },
    toBody: ({ picked, into, at }) => ({
      id: ids.current.id,
      broodId: page.id,
      picked: readWhole('picked', picked),
      at: readWhen('at', at, house.timeZone),
      next: into === 'next' ? ids.current.next : null,
    }),
    fieldOf: (path) => (path.startsWith('at') ? 'at' : undefined),
    label: ({ picked }) => `${page.name}: ${picked} picked`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Log the eggs">
      <TextField label="Eggs" autoFocus inputMode="numeric" error={formState.errors.picked?.message} {...register('picked')} />
      <WhenField
        label="Laid"
        value={watch('at')}
        onChange={(when) => setValue('at', when)}
        error={(formState.errors.at as { message?: string } | undefined)?.message}
      />
      <SelectField
        label="Into"
        hint="A batch is full after a week or 200 eggs. Fry of very different ages eat each other."
        {...register('into')}
      >
        <option value="this">this batch</option>
        <option value="next">a new batch</option>
      </SelectField>
    </EntryFormFrame>
  );
}
