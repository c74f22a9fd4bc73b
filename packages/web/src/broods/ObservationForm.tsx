import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, readWhen, readWhole, SelectField, TextField, toLocal, type When, WhenField } from '../ui';

type Kind = 'eggsSeen' | 'hatched' | 'freeSwimming';

/** What was seen of a brood: hatch, free-swimming, or eggs still eggs. */
export function ObservationForm({
  brood,
  done,
}: {
  brood: { id: string; name: string; stage: string; carried: boolean; lots: readonly unknown[] };
  done: () => void;
}) {
  const house = useHouse();
  const now = toLocal(house.now(), house.timeZone);
  const entry = useEntryForm({
    name: 'observe',
    defaults: {
      kind: (brood.carried || brood.stage === 'yolk' ? 'freeSwimming' : 'hatched') as Kind,
      counted: '',
      at: { mode: 'at', from: now, to: now } as When,
    },
    toBody({ kind, counted, at }) {
      return {
        broodId: brood.id,
        kind,
        counted: counted.trim() ? readWhole('counted', counted) : null,
        at: readWhen('at', at, house.timeZone),
      };
    },
    fieldOf: (path) => (path.startsWith('at') ? 'at' : path === 'counted' ? 'counted' : undefined),
    label: ({ kind }) =>
      `${brood.name}: ${{ eggsSeen: 'still eggs', hatched: 'hatched', freeSwimming: brood.carried ? 'young let go' : 'free-swimming' }[kind]}`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Log it">
      <SelectField label="What was seen" {...register('kind')}>
        <option value="eggsSeen">Still eggs</option>
        {!brood.carried && <option value="hatched">Hatched</option>}
        <option value="freeSwimming">{brood.carried ? 'Young let go' : 'Free-swimming'}</option>
      </SelectField>
      <WhenField
        label="When"
        value={watch('at')}
        onChange={(when) => setValue('at', when)}
        error={(formState.errors.at as { message?: string } | undefined)?.message}
      />
      {watch('kind') !== 'eggsSeen' && brood.lots.length === 1 && (
        <TextField
          label="Counted"
          inputMode="numeric"
          hint="leave empty if you didn’t count"
          error={formState.errors.counted?.message}
          {...register('counted')}
        />
      )}
    </EntryFormFrame>
  );
}
