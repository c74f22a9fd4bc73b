import { useEntryForm, useHouse } from '../data';
import { EntryFormFrame, QuantityField, readQuantity } from '../ui';
import type { Rack } from './layoutRoom';

/** Adds a shelf below the others of a rack. */
export function ShelfForm({ rack, done }: { rack: Rack; done: (shelfId: string | null) => void }) {
  const house = useHouse();
  const length = house.units.volume === 'galUS' ? ('in' as const) : ('cm' as const);
  const above = rack.shelves.at(-1);
  const entry = useEntryForm({
    name: 'addShelf',
    defaults: {
      lengthCm: above ? `${above.lengthCm} cm` : '',
      depthCm: above ? `${above.depthCm} cm` : '',
      heightCm: above ? `${above.heightCm} cm` : '',
      loadLimitKg: above?.loadLimitKg ? `${above.loadLimitKg} kg` : '',
    },
    toBody: ({ lengthCm, depthCm, heightCm, loadLimitKg }) => ({
      rackId: rack.id,
      lengthCm: readQuantity('lengthCm', lengthCm, 'length', length),
      depthCm: readQuantity('depthCm', depthCm, 'length', length),
      heightCm: readQuantity('heightCm', heightCm, 'length', length),
      loadLimitKg: loadLimitKg.trim() ? readQuantity('loadLimitKg', loadLimitKg, 'mass') : null,
    }),
    label: () => `Shelf added to ${rack.code}`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const field = (name: 'lengthCm' | 'depthCm' | 'heightCm', label: string) => (
    <QuantityField
      kind="length"
      text={watch(name)}
      defaultUnit={length}
      label={`${label}, ${length}`}
      error={formState.errors[name]?.message}
      {...register(name)}
    />
  );
  return (
    <EntryFormFrame entry={entry} action="Add the shelf">
      <div className="grid gap-4 sm:grid-cols-3">
        {field('lengthCm', 'Length')}
        {field('depthCm', 'Depth')}
        {field('heightCm', 'Room above it')}
      </div>
      <QuantityField
        kind="mass"
        text={watch('loadLimitKg')}
        label="Load limit, kg"
        hint="as the maker says; leave empty if you don’t know"
        error={formState.errors.loadLimitKg?.message}
        {...register('loadLimitKg')}
      />
    </EntryFormFrame>
  );
}
