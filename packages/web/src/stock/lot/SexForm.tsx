import { totalHeads } from '@freshet/core/stock';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { EntryFormFrame } from '../../ui';
import { headsField, HeadsFields, headsText, readHeads } from '../HeadsFields';

/** Says which sex the animals of a lot are; their number stays. */
export function SexForm({ lot, done }: { lot: Reply<'lots'>[number]; done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'sexLot',
    defaults: headsText(lot),
    toBody: (values) => ({ lotId: lot.id, heads: readHeads(values), at: house.now() }),
    fieldOf: (path) => headsField(path),
    label: () => 'Sexed',
    done,
  });
  return (
    <EntryFormFrame entry={entry} action="Save it">
      <p>
        <b>{totalHeads(lot)}</b> here. How many of each sex now?
      </p>
      <HeadsFields form={entry.form} />
    </EntryFormFrame>
  );
}
