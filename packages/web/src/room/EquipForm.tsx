import { FieldProblem, useEntryForm, useHouse } from '../data';
import { FURNISHING_WORDS, FURNISHINGS, usualLossWPerK } from '@freshet/core/room';
import { sentence } from '@freshet/core/time';
import { Checkbox, EntryFormFrame, readNumber, readWhole, SelectField, TextField } from '../ui';
import { CoolingFields } from './CoolingFields';
import { formatNumber } from '@freshet/core/units';
import type { Tank } from './layoutRoom';

/** What a tank is equipped with, and its own rules of readiness. */
export function EquipForm({ tank, done }: { tank: Tank; done: () => void }) {
  const { equipment } = tank;
  const house = useHouse();
  const perC = house.units.temperature === 'degF' ? 1.8 : 1;
  const unit = perC === 1 ? '°C' : '°F';
  const entry = useEntryForm({
    name: 'equip',
    defaults: {
      heaterW: String(equipment.heaterW),
      filter: equipment.filter ?? '',
      hasLid: equipment.hasLid,
      hasIntakeGuard: equipment.hasIntakeGuard,
      zeroDays: String(equipment.zeroDays),
      restDays: String(equipment.restDays),
      shelters: equipment.shelters === null ? '' : String(equipment.shelters),
      nightDropC: equipment.nightDropC === 0 ? '' : formatNumber(equipment.nightDropC * perC),
      growsAlgae: equipment.growsAlgae,
      furnishing: equipment.furnishing ?? '',
      lossWPerK: equipment.lossWPerK === null ? '' : String(equipment.lossWPerK),
    },
    toBody(values) {
      const heaterW = values.heaterW.trim() === '' ? 0 : Number(values.heaterW.replace(/\s*w$/i, '').replace(',', '.'));
      if (!Number.isFinite(heaterW)) throw new FieldProblem('heaterW', 'Give the watts, 0 for none.');
      const nightDropC = Number(values.nightDropC.replace(/\s*°?\s*[cfk]?$/i, '').replace(',', '.')) / perC;
      if (!Number.isFinite(nightDropC)) throw new FieldProblem('nightDropC', `Give the degrees (${unit}), or leave it empty.`);
      return {
        tankId: tank.id,
        heaterW,
        filter: values.filter.trim() || null,
        hasLid: values.hasLid,
        hasIntakeGuard: values.hasIntakeGuard,
        zeroDays: readWhole('zeroDays', values.zeroDays),
        restDays: readWhole('restDays', values.restDays),
        shelters: values.shelters.trim() === '' ? null : readWhole('shelters', values.shelters),
        nightDropC,
        growsAlgae: values.growsAlgae,
        furnishing: FURNISHINGS.find((one) => one === values.furnishing) ?? null,
        lossWPerK: readNumber('lossWPerK', values.lossWPerK, 'Give W for each °C, or leave it empty.'),
        version: equipment.version,
      };
    },
    label: () => `${tank.code}: equipment noted`,
    done,
  });
  const { register, formState, setValue } = entry.form;
  const { errors } = formState;
  const flag = (name: 'hasLid' | 'hasIntakeGuard' | 'growsAlgae', label: string) => (
    <Checkbox {...register(name)}>{label}</Checkbox>
  );
  return (
    <EntryFormFrame entry={entry} action="Keep it">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Heater, W"
          inputMode="decimal"
          hint="About 1 W a litre. Residual-current protection, drip loops; unplug before the level falls below it."
          error={errors.heaterW?.message}
          {...register('heaterW')}
        />
        <TextField label="Filter" hint="Sponge, sump S1, air stone …" error={errors.filter?.message} {...register('filter')} />
      </div>
      <div className="grid sm:grid-cols-2">
        {flag('hasLid', 'Lid on')}
        {flag('hasIntakeGuard', 'Sponge on the intake')}
        {flag('growsAlgae', 'Algae grow under its lamp for grazers')}
      </div>
      <TextField
        label="Hiding places"
        inputMode="numeric"
        hint="caves, shells, tubes; one for each animal that wants one"
        error={errors.shelters?.message}
        {...register('shelters')}
      />
      <TextField
        label={`Cooled at night on purpose by ${unit}`}
        inputMode="decimal"
        hint="leave empty if it isn’t; that much of a swing won’t raise an alarm"
        error={errors.nightDropC?.message}
        {...register('nightDropC')}
      />
      <SelectField
        label="What’s in it"
        hint="decides whether fry can be netted out again"
        error={errors.furnishing?.message}
        {...register('furnishing')}
      >
        <option value="">not noted</option>
        {FURNISHINGS.map((one) => (
          <option key={one} value={one}>
            {sentence(FURNISHING_WORDS[one])}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Heat it loses, W per °C above the room"
        inputMode="decimal"
        hint={`about ${formatNumber(usualLossWPerK(tank.litres))} if you leave it empty; used for heating costs`}
        error={errors.lossWPerK?.message}
        {...register('lossWPerK')}
      />
      <CoolingFields
        litres={tank.litres}
        found={(loss) => setValue('lossWPerK', loss.toFixed(loss < 10 ? 1 : 0), { shouldDirty: true })}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Days at zero before it’s ready"
          inputMode="numeric"
          hint="ammonia and nitrite, in a row, while you feed the filter"
          error={errors.zeroDays?.message}
          {...register('zeroDays')}
        />
        <TextField
          label="Rest after refilling, days"
          inputMode="numeric"
          error={errors.restDays?.message}
          {...register('restDays')}
        />
      </div>
    </EntryFormFrame>
  );
}
