import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { useEntryForm, useGet, useHouse, type Reply } from '../../data';
import { TankOptions } from '../../room';
import { EntryFormFrame, SelectField } from '../../ui';

/** A bag of peat is wetted: which tank or bowl its eggs lie in now. Who hatched is logged when they swim. */
export function WetForm({ page, done }: { page: Reply<'brood'>; done: () => void }) {
  const house = useHouse();
  const id = useRef(newId());
  const life = useGet('tankLife');
  const entry = useEntryForm({
    name: 'wetPeat',
    defaults: { toTankId: '' },
    toBody: ({ toTankId }) => ({ id: id.current, broodId: page.id, at: house.now(), toTankId }),
    label: () => `${page.name}: wetted`,
    done,
  });
  const { register, formState } = entry.form;
  return (
    <EntryFormFrame entry={entry} action="Log the wetting">
      <SelectField
        label="Into which tank or bowl?"
        autoFocus
        error={formState.errors.toTankId?.message}
        {...register('toTankId')}
      >
        <TankOptions life={life.data} />
      </SelectField>
      <p className="text-note text-quiet">
        A few cm of cool, soft water, with the peat sunk. Fry come within hours to two days; have brine shrimp hatching.
      </p>
    </EntryFormFrame>
  );
}
