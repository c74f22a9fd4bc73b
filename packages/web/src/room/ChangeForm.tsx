import { useState } from 'react';
import { formatNumber } from '@freshet/core/units';
import { SumPanel, SUMS, UseResult } from '../bench';
import { useSumFacts } from './useSumFacts';
import { showVolume, useEntryForm, useGet, useHouse } from '../data';
import { Button, EntryFormFrame, fromLocal, QuantityField, readQuantity, SelectField, toLocal, WhenField } from '../ui';

const COOLING = SUMS.find(({ name }) => name === 'water.changeToTemperature');

/** Logs a water change; the amount of the tank's regime stands in it already. */
export function ChangeForm({
  tank,
  start,
  done,
}: {
  tank: { id: string; code: string; litres: number };
  /** Of a sum that was worked out; base units. */
  start?: { litres: number; tempC: number | null };
  done: () => void;
}) {
  const house = useHouse();
  const waters = useGet('waters');
  const regime = useGet('tankRegime', { params: { tankId: tank.id } });
  const facts = useSumFacts(tank.id);
  const [summing, setSumming] = useState(false);
  const usual = (regime.data?.regime?.changeFraction ?? 0.25) * tank.litres;
  const entry = useEntryForm({
    name: 'logChange',
    defaults: {
      litres: start ? `${formatNumber(start.litres, 3)} L` : '',
      waterId: '',
      tempC: start?.tempC == null ? '' : `${formatNumber(start.tempC, 3)} °C`,
      at: toLocal(house.now(), house.timeZone),
    },
    toBody: ({ litres, waterId, tempC, at }) => ({
      tankId: tank.id,
      litres: litres.trim() === '' ? Math.round(usual * 10) / 10 : readQuantity('litres', litres, 'volume', house.units.volume),
      waterId: waterId || (regime.data?.regime?.waterId ?? null),
      tempC: tempC.trim() === '' ? null : readQuantity('tempC', tempC, 'temperature', house.units.temperature),
      at: fromLocal('at', at, house.timeZone),
    }),
    label: () => `${tank.code}: change logged`,
    done,
  });
  const { register, watch, setValue, formState } = entry.form;
  const usualWater = waters.data?.find(({ id }) => id === regime.data?.regime?.waterId);
  return (
    <EntryFormFrame entry={entry} action="Log the change">
      <div className="grid gap-4 sm:grid-cols-2">
        <QuantityField
          kind="volume"
          text={watch('litres')}
          defaultUnit={house.units.volume}
          label={`Changed, ${house.units.volume === 'galUS' ? 'US gal' : 'L'}`}
          placeholder={showVolume(usual, house)}
          hint={`${showVolume(usual, house)} if you leave it empty, ${regime.data?.regime ? 'as its routine says' : 'a quarter of it'}.`}
          error={formState.errors.litres?.message}
          {...register('litres')}
        />
        <QuantityField
          kind="temperature"
          text={watch('tempC')}
          defaultUnit={house.units.temperature}
          label="New water at"
          hint="same as the tank if you leave it empty"
          error={formState.errors.tempC?.message}
          {...register('tempC')}
        />
      </div>
      <SelectField label="With" error={formState.errors.waterId?.message} {...register('waterId')}>
        <option value="">{usualWater ? `${usualWater.name}, as usual` : 'not said'}</option>
        {(waters.data ?? []).map((water) => (
          <option key={water.id} value={water.id}>
            {water.name}
          </option>
        ))}
      </SelectField>
      <WhenField
        label="When"
        between={false}
        value={{ mode: 'at', from: '', to: watch('at') }}
        onChange={(when) => setValue('at', when.to)}
        error={formState.errors.at?.message}
      />
      {summing && COOLING ? (
        <SumPanel
          sum={COOLING}
          facts={facts}
          foot={(result) => (
            <UseResult
              result={result}
              path="changeLitres"
              label="Use this amount"
              use={(litres) => {
                setValue('litres', `${formatNumber(litres, 3)} L`);
                const newTempC = (result?.input as { newTempC?: number } | undefined)?.newTempC;
                if (newTempC !== undefined) setValue('tempC', `${formatNumber(newTempC, 3)} °C`);
                setSumming(false);
              }}
            />
          )}
        />
      ) : (
        <div>
          <Button look="quiet" onClick={() => setSumming(true)}>
            How much, to reach a temperature?
          </Button>
        </div>
      )}
      <p className="text-note text-quiet">
        Unplug the heater before the level falls below it. Feel the hose first; water that stood in the sun can be hot.
      </p>
    </EntryFormFrame>
  );
}
