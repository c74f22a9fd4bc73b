import { decidePlace, endOfShelf } from '@freshet/core/room';
import { formatNumber, inUnits } from '@freshet/core/units';
import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, Notice, QuantityField, readQuantity, SelectField } from '../ui';
import type { Rack, Tank } from './layoutRoom';

/** Moves a tank by its measures; what stands in the way is said while typing. */
export function MoveTankForm({
  tank,
  racks,
  place,
  done,
}: {
  tank: Tank;
  racks: readonly Rack[];
  /** Where it was dropped; where it stands by default. */
  place?: { shelfId: string; leftCm: number } | undefined;
  done: () => void;
}) {
  const house = useHouse();
  const unit = house.units.volume === 'galUS' ? ('in' as const) : ('cm' as const);
  const entry = useEntryForm({
    name: 'moveTank',
    defaults: {
      shelfId: place?.shelfId ?? tank.shelfId,
      leftCm: `${formatNumber(place?.leftCm ?? tank.leftCm, 4)} cm`,
      facing: tank.facing,
    },
    toBody: (values) => ({
      tankId: tank.id,
      shelfId: values.shelfId,
      facing: values.facing,
      leftCm: values.leftCm.trim() === '' ? null : readQuantity('leftCm', values.leftCm, 'length', unit),
    }),
    label: () => `${tank.code} moved`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const values = watch();
  const shelf = racks.flatMap((rack) => rack.shelves).find((candidate) => candidate.id === values.shelfId);
  const neighbours = (shelf?.tanks ?? []).filter((other) => other.id !== tank.id);
  const left = Number.parseFloat(values.leftCm);
  const decision = shelf
    ? decidePlace(
        { ...tank, facing: values.facing, leftCm: Number.isFinite(left) ? left : endOfShelf(neighbours) },
        shelf,
        neighbours,
      )
    : null;
  return (
    <EntryFormFrame entry={entry} action="Move the tank">
      <div className="grid gap-4 sm:grid-cols-[2fr_1fr_1.3fr]">
        <SelectField label="Shelf" error={formState.errors.shelfId?.message} {...register('shelfId')}>
          {racks.flatMap((rack) =>
            rack.shelves.map((one) => (
              <option key={one.id} value={one.id}>
                {rack.code} {rack.name}, shelf {one.level}
              </option>
            )),
          )}
        </SelectField>
        <QuantityField
          kind="length"
          text={values.leftCm}
          defaultUnit={unit}
          label={`From the left, ${unit}`}
          hint="after the last one if you leave it empty"
          error={formState.errors.leftCm?.message}
          {...register('leftCm')}
        />
        <SelectField label="To the front" {...register('facing')}>
          <option value="long">Long side</option>
          <option value="short">Short side</option>
        </SelectField>
      </div>
      {decision && !decision.ok && <Notice>{decision.message}</Notice>}
      <p className="text-note text-quiet">
        {tank.code} weighs {inUnits(`${formatNumber(tank.totalKg)} kg`, house.units)} as it stands. Empty it first. Never lift it
        full or alone. A full rack can be too much for a floor at home; ask someone qualified.
      </p>
    </EntryFormFrame>
  );
}
