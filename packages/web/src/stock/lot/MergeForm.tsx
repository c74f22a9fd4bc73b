import { showHeads, useEntryForm, useGet, useHouse, type Reply } from '../../data';
import { EntryFormFrame, SelectField } from '../../ui';

/** Puts a lot into another of the same species and tank. */
export function MergeForm({ lot, done }: { lot: Reply<'lots'>[number]; done: (lotId: string | null) => void }) {
  const house = useHouse();
  const lots = useGet('lots');
  const others = (lots.data ?? []).filter(
    (other) => other.id !== lot.id && other.speciesKey === lot.speciesKey && other.tankId === lot.tankId,
  );
  const entry = useEntryForm({
    name: 'mergeLots',
    defaults: { intoLotId: '' },
    toBody: (values) => ({ fromLotId: lot.id, intoLotId: values.intoLotId, at: house.now() }),
    label: () => 'One lot now',
    done,
  });
  const { register, formState } = entry.form;
  if (others.length === 0)
    return (
      <p className="text-quiet">
        No other group of this species is in {lot.tankCode ?? 'its tank'}. Move them into one tank first.
      </p>
    );
  return (
    <EntryFormFrame entry={entry} action="Merge">
      <SelectField label="They join" error={formState.errors.intoLotId?.message} {...register('intoLotId')}>
        <option value="">choose</option>
        {others.map((other) => (
          <option key={other.id} value={other.id}>
            {[other.name, showHeads(other), other.line && `line ${other.line}`, other.generation].filter(Boolean).join(', ')}
          </option>
        ))}
      </SelectField>
    </EntryFormFrame>
  );
}
