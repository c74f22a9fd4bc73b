import { useState } from 'react';
import { CountAids, COUNT_WAY_WORDS, type WorkedCount } from '../counting';
import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, readWhole, TextField } from '../ui';
import type { SomeLot } from './SomeLot';
import { useAddPhoto } from './useAddPhoto';

/** A count of the living, typed or worked out; the ledger is brought to it by a movement of its own. */
export function CountForm({
  lot,
  done,
  kind = 'young',
  measured,
}: {
  lot: SomeLot;
  done: () => void;
  kind?: 'eggs' | 'young';
  /** Told of lengths that a photograph gave. */
  measured?: (lengthsMm: readonly number[]) => void;
}) {
  const house = useHouse();
  const keep = useAddPhoto();
  const booked = lot.males + lot.females + lot.unsexed;
  const [worked, setWorked] = useState<WorkedCount | null>(null);
  const entry = useEntryForm({
    name: 'count',
    defaults: { counted: '' },
    toBody({ counted }) {
      const typed = readWhole('counted', counted);
      // What was worked out has a range for as long as its number stands.
      const band = worked?.count === typed ? { low: worked.low, high: worked.high, how: worked.how } : {};
      return { lotId: lot.id, counted: typed, ...band, at: house.now() };
    },
    label: ({ counted }) => `${counted} counted`,
    done: () => {
      if (worked && worked.lengthsMm.length > 0) measured?.(worked.lengthsMm);
      done();
    },
  });
  const { register, formState, watch, setValue } = entry.form;
  const counted = Number(watch('counted'));
  const difference = watch('counted').trim() !== '' && Number.isInteger(counted) ? counted - booked : 0;
  const isWorked = worked?.count === counted && watch('counted').trim() !== '';
  return (
    <div className="flex flex-col gap-4">
      <CountAids
        kind={kind}
        keep={(picture) => void keep(lot.id, picture)}
        done={(result) => {
          setWorked(result);
          setValue('counted', String(result.count));
        }}
      />
      <EntryFormFrame entry={entry} action="Log the count">
        <TextField
          label="How many are alive?"
          autoFocus
          inputMode="numeric"
          hint={
            isWorked && worked.low < worked.high
              ? `by ${COUNT_WAY_WORDS[worked.how]}: likely ${worked.low} to ${worked.high}; ${booked} in the log`
              : `${booked} in the log`
          }
          error={formState.errors.counted?.message}
          {...register('counted')}
        />
        {isWorked && worked.low <= booked && booked <= worked.high && difference !== 0 && (
          <p className="text-quiet">The {booked} in the log fit this count. Leave them as they are unless you know better.</p>
        )}
        {difference !== 0 && (
          <p className="text-quiet">
            {difference < 0
              ? `${-difference} will be logged as missing. If you know why, log the loss first.`
              : `${difference} more than in the log; they were missed before.`}
          </p>
        )}
      </EntryFormFrame>
    </div>
  );
}
