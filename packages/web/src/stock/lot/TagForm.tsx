import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { EntryFormFrame, SelectField, TextField } from '../../ui';

const SEXES = [
  ['males', 'a male'],
  ['females', 'a female'],
  ['unsexed', 'not sexed'],
] as const;

/** Takes one animal out of a group by name. */
export function TagForm({ lot, done }: { lot: Reply<'lots'>[number]; done: (lotId: string | null) => void }) {
  const house = useHouse();
  const newLotId = useRef(newId());
  const there = SEXES.filter(([sex]) => lot[sex] > 0);
  const entry = useEntryForm({
    name: 'tagOut',
    defaults: { name: '', sex: there[0]?.[0] ?? ('unsexed' as (typeof SEXES)[number][0]) },
    toBody: (values) => ({ lotId: lot.id, newLotId: newLotId.current, name: values.name, sex: values.sex, at: house.now() }),
    label: (values) => `${values.name} has a name`,
    done: () => done(lot.males + lot.females + lot.unsexed === 1 ? lot.id : newLotId.current),
  });
  const { register, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Give it the name">
      <TextField label="Name" autoFocus hint="like Torn fin, 0412" error={formState.errors.name?.message} {...register('name')} />
      <SelectField label="It is" error={formState.errors.sex?.message} {...register('sex')}>
        {there.map(([sex, words]) => (
          <option key={sex} value={sex}>
            {words}
          </option>
        ))}
      </SelectField>
      <p className="text-note text-quiet">
        It gets its own card, keeps its parents and tank, and still counts as a possible parent of its group’s broods.
      </p>
    </EntryFormFrame>
  );
}
