import { CalculationError } from '@freshet/core/errors';
import { tankLoad, type TankLoad } from '@freshet/core/room';
import { formatNumber, parseQuantity, type Unit } from '@freshet/core/units';
import { showVolume, useEntryForm, useHouse } from '../data';
import { EntryFormFrame, QuantityField, readQuantity, SelectField, TextField, Why } from '../ui';
import type { Rack } from './layoutRoom';

interface Measures {
  lengthCm: string;
  widthCm: string;
  heightCm: string;
  waterHeightCm: string;
  glassMm: string;
  substrateKg: string;
}

/** The load while typing, or why it cannot be worked out yet. */
function loadOf(measures: Measures, unit: Unit): TankLoad | string | null {
  const cm = (text: string) => parseQuantity(text, 'length', unit);
  const [length, width, height, water] = [measures.lengthCm, measures.widthCm, measures.heightCm, measures.waterHeightCm].map(cm);
  const glass = measures.glassMm.trim() ? parseQuantity(measures.glassMm, 'length', 'mm') : null;
  const substrate = parseQuantity(measures.substrateKg || '0', 'mass');
  if (!length?.ok || !width?.ok || !height?.ok || !water?.ok || !substrate.ok || (glass && !glass.ok)) return null;
  try {
    return tankLoad({
      lengthCm: length.value,
      widthCm: width.value,
      heightCm: height.value,
      waterHeightCm: water.value,
      glassMm: glass ? glass.value * 10 : null,
      substrateKg: substrate.value,
    });
  } catch (error) {
    if (error instanceof CalculationError) return error.message;
    throw error;
  }
}

function LoadLine({ load }: { load: TankLoad | string | null }) {
  const house = useHouse();
  if (load === null) return <p className="text-quiet">Type the size to see litres and weight.</p>;
  if (typeof load === 'string') return <p className="font-semibold text-rust">{load}</p>;
  return (
    <div className="border-l-4 border-deep bg-ground px-4 py-3">
      <p className="text-code">
        <b>{showVolume(load.waterLitres, house)}</b> of water, <b>{formatNumber(load.totalKg)} kg</b> on the shelf,{' '}
        {formatNumber(load.kgPerM2)} kg per m²{' '}
        <Why
          about="Litres and load"
          inputs={[
            { label: 'Glass', value: `${load.glassMm} mm, ${formatNumber(load.glassKg)} kg` },
            { label: 'Water to its level', value: `${formatNumber(load.waterLitres, 3)} L` },
            { label: 'Brim-full', value: `${formatNumber(load.grossLitres, 3)} L` },
            { label: 'Footprint', value: `${formatNumber(load.footprintM2)} m²` },
          ]}
          formula="Inner length × inner width × height of the water. Weight: glass at 2.5 kg per litre, water at 1 kg per litre, substrate. Load: weight over the outer floor area."
          source="docs/sources.md#tank-load"
        />
      </p>
      <p className="text-note text-quiet">A full rack can be too much for a floor at home; ask someone qualified.</p>
    </div>
  );
}

/** Adds a tank by its measures; what it holds and weighs is worked out while typing. */
export function TankForm({
  racks,
  shelfId,
  done,
}: {
  racks: readonly Rack[];
  shelfId: string;
  done: (tankId: string | null) => void;
}) {
  const house = useHouse();
  const unit = house.units.volume === 'galUS' ? ('in' as const) : ('cm' as const);
  const entry = useEntryForm({
    name: 'addTank',
    defaults: {
      shelfId,
      code: '',
      lengthCm: '',
      widthCm: '',
      heightCm: '',
      waterHeightCm: '',
      glassMm: '',
      substrateKg: '',
      facing: 'long' as 'long' | 'short',
      state: 'running' as 'running' | 'setUp',
    },
    toBody(values) {
      const cm = (field: 'lengthCm' | 'widthCm' | 'heightCm' | 'waterHeightCm') =>
        readQuantity(field, values[field], 'length', unit);
      return {
        shelfId: values.shelfId,
        code: values.code,
        lengthCm: cm('lengthCm'),
        widthCm: cm('widthCm'),
        heightCm: cm('heightCm'),
        waterHeightCm: cm('waterHeightCm'),
        glassMm: values.glassMm.trim() ? readQuantity('glassMm', values.glassMm, 'length', 'mm') * 10 : null,
        substrateKg: values.substrateKg.trim() ? readQuantity('substrateKg', values.substrateKg, 'mass') : 0,
        facing: values.facing,
        leftCm: null,
        state: values.state,
      };
    },
    label: ({ code }) => `Tank ${code} added`,
    done,
  });
  const { register, formState, watch } = entry.form;
  const { errors } = formState;
  const values = watch();
  const side = (name: 'lengthCm' | 'widthCm' | 'heightCm' | 'waterHeightCm', label: string, hint?: string) => (
    <QuantityField
      kind="length"
      text={values[name]}
      defaultUnit={unit}
      label={`${label}, ${unit}`}
      hint={hint}
      error={errors[name]?.message}
      {...register(name)}
    />
  );
  return (
    <EntryFormFrame entry={entry} action="Add the tank">
      <div className="grid gap-4 sm:grid-cols-[1fr_2fr_1.4fr]">
        <TextField label="Code" autoFocus hint="As on the glass: A1.2" error={errors.code?.message} {...register('code')} />
        <SelectField label="Shelf" error={errors.shelfId?.message} {...register('shelfId')}>
          {racks.flatMap((rack) =>
            rack.shelves.map((shelf) => (
              <option key={shelf.id} value={shelf.id}>
                {rack.code} {rack.name}, shelf {shelf.level}
              </option>
            )),
          )}
        </SelectField>
        <SelectField label="To the front" {...register('facing')}>
          <option value="long">Long side</option>
          <option value="short">Short side</option>
        </SelectField>
      </div>
      <div className="grid grid-cols-2 gap-4 sm:grid-cols-4">
        {side('lengthCm', 'Length')}
        {side('widthCm', 'Width')}
        {side('heightCm', 'Height')}
        {side('waterHeightCm', 'Water', 'from the inner floor')}
      </div>
      <SelectField label="It" {...register('state')}>
        <option value="running">is already running</option>
        <option value="setUp">is being set up; you’ll see when it’s ready</option>
      </SelectField>
      <div className="grid grid-cols-2 gap-4">
        <QuantityField
          kind="length"
          text={values.glassMm}
          defaultUnit="mm"
          label="Glass, mm"
          hint="worked out from the height if you leave it empty"
          error={errors.glassMm?.message}
          {...register('glassMm')}
        />
        <QuantityField
          kind="mass"
          text={values.substrateKg}
          label="Sand, rock and wood, kg"
          hint="leave empty for none"
          error={errors.substrateKg?.message}
          {...register('substrateKg')}
        />
      </div>
      <LoadLine load={loadOf(values, unit)} />
    </EntryFormFrame>
  );
}
