import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { CountAids } from '../counting';
import { useEntryForm, useHouse, type Reply } from '../data';
import { EntryFormFrame, readWhen, readWhole, TextField, toLocal, WhenField, type When } from '../ui';

/** Young of a livebearer: a brood of whoever of the kind lives in the tank, without an attempt to begin first. */
export function BirthForm({ drop, done }: { drop: Reply<'drops'>[number]; done: () => void }) {
  const house = useHouse();
  const ids = useRef({ broodId: newId(), lotId: newId(), attemptId: newId() });
  const now = toLocal(house.now(), house.timeZone);
  const entry = useEntryForm({
    name: 'foundBrood',
    defaults: { count: '', born: { mode: 'between', from: `${house.today}T00:00`, to: now } as When },
    toBody: ({ count, born }) => ({
      ...ids.current,
      tankId: drop.tankId ?? '',
      speciesKey: drop.speciesKey,
      count: readWhole('count', count),
      laid: readWhen('born', born, house.timeZone),
      youngMm: null,
      at: house.now(),
    }),
    fieldOf: (path) => (path.startsWith('laid') || path === 'at' ? 'born' : path === 'count' ? 'count' : undefined),
    label: ({ count }) => `${drop.label}: ${count} born`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  return (
    <div className="flex flex-col gap-4">
      <CountAids kind="young" done={({ count }) => setValue('count', String(count))} />
      <EntryFormFrame entry={entry} action="Log the birth">
        <TextField
          label="Young"
          autoFocus
          inputMode="numeric"
          hint="counted or caught; some hide for days"
          error={formState.errors.count?.message}
          {...register('count')}
        />
        <WhenField
          label="Born"
          value={watch('born')}
          onChange={(when) => setValue('born', when)}
          error={(formState.errors.born as { message?: string } | undefined)?.message}
        />
        <p className="text-note text-quiet">
          Their parents are noted as whoever of the kind lives in {drop.tankCode}; with several females, each could be the mother.
        </p>
      </EntryFormFrame>
    </div>
  );
}
