import { LOSS_CAUSES, LOSS_WORDS, type LossCause } from '@freshet/core/stock';
import { sentence } from '@freshet/core/time';
import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, NoteField, Notice, SelectField } from '../ui';
import { headsField, HeadsFields, headsText, readHeads } from './HeadsFields';
import type { SomeLot } from './SomeLot';

/** Logs animals that died or left. */
export function LossForm({ lot, done }: { lot: SomeLot; done: () => void }) {
  const house = useHouse();
  const total = lot.males + lot.females + lot.unsexed;
  const entry = useEntryForm({
    name: 'lose',
    defaults: {
      ...headsText(total === 1 ? lot : { males: 0, females: 0, unsexed: 0 }),
      cause: 'death' as LossCause,
      note: '',
    },
    toBody: (values) => ({
      lotId: lot.id,
      heads: readHeads(values),
      cause: values.cause,
      at: house.now(),
      ...(values.note.trim() ? { note: values.note } : {}),
    }),
    fieldOf: (path) => headsField(path),
    label: () => 'Loss logged',
    done,
  });
  const { register, formState, watch } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Log it">
      <HeadsFields form={entry.form} have={lot} />
      <SelectField label="What happened to them?" {...register('cause')}>
        {LOSS_CAUSES.map((cause) => (
          <option key={cause} value={cause}>
            {sentence(LOSS_WORDS[cause])}
          </option>
        ))}
      </SelectField>
      {watch('cause') === 'cull' && (
        <Notice>
          Only by a method your local authority or vet accepts. A retirement tank or giving them away may be better.
        </Notice>
      )}
      <NoteField label="Note" error={formState.errors.note?.message} {...register('note')} />
    </EntryFormFrame>
  );
}
