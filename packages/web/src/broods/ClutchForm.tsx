import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { CountAids } from '../counting';
import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, readWhen, readWhole, TextField, toLocal, type When, WhenField } from '../ui';

/** Words for what is seen, by where the young start. */
const WORDS = {
  laid: { count: 'Eggs', hint: 'counted or estimated', white: true, when: 'Laid', action: 'Log the eggs' },
  carried: {
    count: 'Eggs or young carried',
    hint: 'a guess will do',
    white: false,
    when: 'First seen carrying',
    action: 'Log her',
  },
  born: { count: 'Young', hint: 'counted or estimated', white: false, when: 'Born', action: 'Log the birth' },
} as const;

/** Eggs seen, a carrier seen, or young born: begins a brood. */
export function ClutchForm({
  attempt,
  start,
  done,
}: {
  attempt: { id: string; name: string };
  start: 'laid' | 'carried' | 'born';
  done: (broodId: string | null) => void;
}) {
  const house = useHouse();
  const ids = useRef({ broodId: newId(), lotId: newId() });
  const words = WORDS[start];
  const now = toLocal(house.now(), house.timeZone);
  const entry = useEntryForm({
    name: 'addClutch',
    defaults: { count: '', white: '', laid: { mode: 'between', from: `${house.today}T00:00`, to: now } as When },
    toBody: ({ count, white, laid }) => ({
      ...ids.current,
      attemptId: attempt.id,
      count: readWhole('count', count),
      white: white.trim() ? readWhole('white', white) : 0,
      laid: readWhen('laid', laid, house.timeZone),
    }),
    fieldOf: (path) =>
      path.startsWith('laid') || path === 'at' ? 'laid' : path === 'white' ? 'white' : path === 'count' ? 'count' : undefined,
    label: ({ count }) => `${attempt.name}: ${count} logged`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  return (
    <div className="flex flex-col gap-4">
      <CountAids
        kind={start === 'laid' ? 'eggs' : 'young'}
        done={({ count, white }) => {
          setValue('count', String(count));
          if (white !== null && words.white) setValue('white', String(white));
        }}
      />
      <EntryFormFrame entry={entry} action={words.action}>
        <div className="grid grid-cols-2 gap-4">
          <TextField
            label={words.count}
            autoFocus
            inputMode="numeric"
            hint={words.hint}
            error={formState.errors.count?.message}
            {...register('count')}
          />
          {words.white && (
            <TextField
              label="Of these white"
              inputMode="numeric"
              hint="opaque, picked out"
              error={formState.errors.white?.message}
              {...register('white')}
            />
          )}
        </div>
        <WhenField
          label={words.when}
          value={watch('laid')}
          onChange={(when) => setValue('laid', when)}
          error={(formState.errors.laid as { message?: string } | undefined)?.message}
        />
      </EntryFormFrame>
    </div>
  );
}
