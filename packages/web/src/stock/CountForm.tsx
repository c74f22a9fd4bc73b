import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, readWhole, TextField } from '../ui';
import type { SomeLot } from './SomeLot';

/** A count of the living; the ledger is brought to it by a movement of its own. */
export function CountForm({ lot, done }: { lot: SomeLot; done: () => void }) {
  const house = useHouse();
  const booked = lot.males + lot.females + lot.unsexed;
  const entry = useEntryForm({
    name: 'count',
    defaults: { counted: '' },
    toBody({ counted }) {
      return { lotId: lot.id, counted: readWhole('counted', counted), at: house.now() };
    },
    label: ({ counted }) => `${counted} counted`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const counted = Number(watch('counted'));
  const difference = watch('counted').trim() !== '' && Number.isInteger(counted) ? counted - booked : 0;
  return (
    <EntryFormFrame entry={entry} action="Log the count">
      <TextField
        label="Counted alive"
        autoFocus
        inputMode="numeric"
        hint={`${booked} are booked`}
        error={formState.errors.counted?.message}
        {...register('counted')}
      />
      {difference !== 0 && (
        <p className="text-quiet">
          {difference < 0
            ? `${-difference} will be booked as gone, cause not known. If you know it, log the loss first.`
            : `${difference} more than booked: they were missed before.`}
        </p>
      )}
    </EntryFormFrame>
  );
}
