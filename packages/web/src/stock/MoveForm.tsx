import { useRef } from 'react';
import { v7 as newId } from 'uuid';
import { showHeads, useEntryForm, useGet, useHouse } from '../data';
import { EntryFormFoot, SelectField } from '../ui';
import { headsField, HeadsFields, headsText, readHeads } from './HeadsFields';
import type { SomeLot } from './SomeLot';
import { TankOptions } from './TankOptions';

/** Moves a lot, or splits part of it off. */
export function MoveForm({ lot, done }: { lot: SomeLot; done: () => void }) {
  const house = useHouse();
  const life = useGet('tankLife');
  const newLotId = useRef(newId());
  const entry = useEntryForm({
    name: 'move',
    defaults: { toTankId: '', ...headsText(lot) },
    toBody: (values) => ({
      lotId: lot.id,
      newLotId: newLotId.current,
      toTankId: values.toTankId,
      heads: readHeads(values),
      at: house.now(),
    }),
    fieldOf: (path) => headsField(path),
    label: (values) => `${showHeads(readHeads(values))} moved`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const target = life.data?.find((tank) => tank.tankId === watch('toTankId'));
  const others = target?.lots.filter((other) => other.speciesName !== lot.speciesName) ?? [];
  const same = target?.lots.filter((other) => other.speciesName === lot.speciesName) ?? [];
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)} className="flex flex-col gap-4">
      <HeadsFields form={entry.form} have={lot} />
      <SelectField label="To tank" error={formState.errors.toTankId?.message} {...register('toTankId')}>
        <TankOptions life={life.data} but={lot.tankId} />
      </SelectField>
      {others.length > 0 && (
        <p className="border-l-4 border-amber-line bg-amber-wash px-3 py-2">
          {[...new Set(others.map((other) => other.speciesName))].join(' and ')} live there. Would the larger eat the smaller?
        </p>
      )}
      {same.length > 0 && (
        <p className="border-l-4 border-amber-line bg-amber-wash px-3 py-2">
          The same species lives there. They are booked as a lot of their own, but once mixed nobody can tell whose young are
          whose.
        </p>
      )}
      <p className="text-note text-quiet">
        Match the temperature first. All of them: the whole lot moves. Fewer: a new lot of the same parentage is made.
      </p>
      <EntryFormFoot entry={entry} action="Move them" />
    </form>
  );
}
