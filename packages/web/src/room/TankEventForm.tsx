import { TANK_EVENTS, type TankEventKind } from '@freshet/core/room';
import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, fromLocal, NoteField, SelectField, toLocal, WhenField } from '../ui';

/** The keeper's words for what is done to a tank. */
export const EVENT_WORDS: Record<TankEventKind, string> = {
  running: 'It runs: take it as cycled',
  setUp: 'Set up anew',
  filled: 'Filled, filter on',
  fed: 'Filter fed',
  seeded: 'Seeded with a mature filter',
  soilLaid: 'Active soil laid',
  heaterTested: 'Heater tested',
  emptied: 'Emptied',
  refilled: 'Refilled',
  disinfected: 'Disinfected',
  rinsed: 'Rinsed, re-seeded, refilled',
  quarantineBegan: 'Quarantine begins',
  quarantineEnded: 'Quarantine ends',
};

/** Logs anything done to a tank that counts for its readiness, at any time. */
export function TankEventForm({ tank, done }: { tank: { id: string; code: string }; done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'tankEvent',
    defaults: { kind: 'filled' as TankEventKind, at: toLocal(house.now(), house.timeZone), note: '' },
    toBody: ({ kind, at, note }) => ({
      tankId: tank.id,
      kind,
      at: fromLocal('at', at, house.timeZone),
      ...(note.trim() ? { note } : {}),
    }),
    label: ({ kind }) => `${tank.code}: ${EVENT_WORDS[kind].toLowerCase()}`,
    done,
  });
  const { register, watch, setValue, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Log it">
      <SelectField label="What was done" {...register('kind')}>
        {TANK_EVENTS.map((kind) => (
          <option key={kind} value={kind}>
            {EVENT_WORDS[kind]}
          </option>
        ))}
      </SelectField>
      <WhenField
        label="When"
        between={false}
        value={{ mode: 'at', from: '', to: watch('at') }}
        onChange={(when) => setValue('at', when.to)}
        error={formState.errors.at?.message}
      />
      <NoteField label="Note" error={formState.errors.note?.message} {...register('note')} />
    </EntryFormFrame>
  );
}
