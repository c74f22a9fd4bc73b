import { useEffect, useRef, useState } from 'react';
import { rewarm, usualLossWPerK } from '@freshet/core/room';
import { stepsWords, type Recipe } from '@freshet/core/spawning';
import { tryCompute } from '@freshet/core/errors';
import { lapse } from '@freshet/core/time';
import { formatNumber, inUnits, parseQuantity } from '@freshet/core/units';
import { showTemperature, showVolume, temperatureSign, useEntryForm, useGet, useHouse } from '../data';
import {
  EntryFormFrame,
  Fact,
  NoteField,
  QuantityField,
  readQuantity,
  readWhen,
  SelectField,
  toLocal,
  type When,
  WhenField,
} from '../ui';
import { useSumFacts } from '../room';
import { useOwnHistory } from './useOwnHistory';

const ROOM_C = 21;

interface Values {
  what: string;
  litres: string;
  newC: string;
  pressure: '' | 'falling' | 'steady' | 'rising';
  at: When;
}

/** What comes of a change, worked out before it is done. */
function outcomeOf(
  litres: number | null,
  newC: number | null,
  newGh: number | null,
  facts: Readonly<Record<string, number | null | undefined>>,
): { tempC: number | null; ghDeg: number | null; share: number } | null {
  const tank = facts['tank.litres'];
  if (!tank || litres === null || litres <= 0) return null;
  const share = Math.min(1, litres / tank);
  const mix = (old: number | null | undefined, fresh: number | null) =>
    old == null || fresh === null ? null : old + (fresh - old) * share;
  return { tempC: mix(facts['tank.tempC'], newC), ghDeg: mix(facts['tank.ghDeg'], newGh), share };
}

/** The trigger sheet: what goes out and in, what comes of it, and one tap logs the change and the trigger. */
export function TriggerForm({
  attempt,
  done,
}: {
  attempt: { id: string; name: string; tankId: string; speciesKey: string; recipe: Recipe };
  done: () => void;
}) {
  const house = useHouse();
  const waters = useGet('waters');
  const { recipe } = attempt;
  const change = recipe.steps.find(({ share, lever }) => share !== null && (lever === 'cooler' || lever === 'softer'));
  const { triggerDays, broods } = useOwnHistory(attempt.speciesKey);
  const now = toLocal(house.now(), house.timeZone);
  const [waterId, setWaterId] = useState('');
  const facts = useSumFacts(attempt.tankId, [waterId || null]);
  /** What stands above the words, for when none are typed. */
  const told = useRef('');
  const entry = useEntryForm<'trigger', Values>({
    name: 'trigger',
    defaults: { what: '', litres: '', newC: '', pressure: '', at: { mode: 'at', from: now, to: now } as When },
    toBody({ what, litres, newC, pressure, at }) {
      const typed = litres.trim() === '' ? null : readQuantity('litres', litres, 'volume', house.units.volume);
      const cold = newC.trim() === '' ? null : readQuantity('newC', newC, 'temperature', house.units.temperature);
      const result = outcomeOf(typed, cold, null, facts);
      const before = facts['tank.tempC'];
      const stepC = result?.tempC != null && before != null ? Math.round((result.tempC - before) * 10) / 10 : null;
      return {
        attemptId: attempt.id,
        what: what.trim() || told.current,
        at: readWhen('at', at, house.timeZone),
        change: typed === null ? null : { litres: typed, waterId: waterId || null, tempC: cold },
        stepC,
        pressure: pressure || null,
      };
    },
    fieldOf: (path) =>
      path.startsWith('at')
        ? 'at'
        : path === 'change.litres'
          ? 'litres'
          : path === 'change.tempC'
            ? 'newC'
            : path === 'what'
              ? 'what'
              : undefined,
    label: () => `${attempt.name}: trigger logged`,
    done,
  });
  const { register, formState, watch, setValue } = entry.form;
  const { errors } = formState;
  const values = watch();
  const tank = facts['tank.litres'] ?? null;
  const litres = parseQuantity(values.litres, 'volume', house.units.volume);
  const cold = parseQuantity(values.newC, 'temperature', house.units.temperature);
  const newC = cold.ok ? cold.value : (facts['water.0.tempC'] ?? null);
  const result = outcomeOf(litres.ok ? litres.value : null, newC, facts['water.0.ghDeg'] ?? null, facts);
  const before = facts['tank.tempC'] ?? null;
  const heaterW = facts['tank.heaterW'] ?? null;
  const back =
    tank && heaterW && before !== null && result?.tempC != null && result.tempC < before
      ? tryCompute(() =>
          rewarm({
            litres: tank,
            fromC: result.tempC ?? before,
            toC: before,
            heaterW,
            airC: ROOM_C,
            lossWPerK: facts['tank.lossWPerK'] ?? usualLossWPerK(tank),
          }),
        )
      : null;
  const water = waters.data?.find(({ id }) => id === waterId);
  const words = result
    ? [
        `${formatNumber(result.share * 100)} % changed`,
        water && `with ${water.name}`,
        result.tempC !== null && before !== null && Math.abs(result.tempC - before) >= 0.2
          ? `${formatNumber(Math.abs(result.tempC - before))} °C ${result.tempC < before ? 'cooler' : 'warmer'}`
          : null,
      ]
        .filter(Boolean)
        .join(', ')
    : stepsWords(recipe.steps);
  useEffect(() => {
    told.current = words;
  }, [words]);
  return (
    <EntryFormFrame entry={entry} action="Log the trigger">
      {recipe.steps.length > 0 && (
        <p className="text-quiet">The recipe: {inUnits(stepsWords(recipe.steps) || 'wait and watch', house.units)}.</p>
      )}
      <div className="grid gap-4 sm:grid-cols-3">
        <QuantityField
          kind="volume"
          text={values.litres}
          defaultUnit={house.units.volume}
          label={`Out and in, ${house.units.volume === 'galUS' ? 'US gal' : 'L'}`}
          hint={
            change?.share && tank
              ? `the recipe says ${showVolume(change.share * tank, house)}; leave empty for no water change`
              : 'leave empty for no water change'
          }
          error={errors.litres?.message}
          {...register('litres')}
        />
        <SelectField label="From" value={waterId} onChange={(event) => setWaterId(event.target.value)}>
          <option value="">not said</option>
          {(waters.data ?? []).map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </SelectField>
        <QuantityField
          kind="temperature"
          text={values.newC}
          defaultUnit={house.units.temperature}
          label={`New water at, ${temperatureSign(house.units)}`}
          hint={cold.ok || newC === null ? undefined : `${showTemperature(newC, house)} if you leave it empty, as last measured`}
          error={errors.newC?.message}
          {...register('newC')}
        />
      </div>
      {result && (
        <div className="border border-rule px-3">
          <Fact label="Of the tank">{formatNumber(result.share * 100)} %</Fact>
          <Fact label="The tank then at">
            {result.tempC === null || before === null
              ? 'not known yet; enter the new water’s temperature'
              : `${showTemperature(result.tempC, house)}, now ${showTemperature(before, house)}`}
          </Fact>
          <Fact label="Hardness then">
            {result.ghDeg === null ? 'not measured on both sides' : `${formatNumber(result.ghDeg)} °dGH`}
          </Fact>
          {back?.ok && (
            <Fact label="Back up with its heater">
              {back.value.hours === null ? 'its heater is too weak' : `about ${formatNumber(back.value.hours)} h, loss guessed`}
            </Fact>
          )}
        </div>
      )}
      <p className="text-note text-quiet">
        Usual days from trigger to eggs: {lapse(triggerDays)},{' '}
        {broods > 0 ? `from ${broods} of your own` : 'a general figure; none of your own yet'}.
      </p>
      <NoteField
        label="What was done"
        autoFocus
        placeholder={inUnits(words || 'half changed with rain water, 5 °C cooler', house.units)}
        hint={words ? 'same as above if you leave it empty' : undefined}
        error={errors.what?.message}
        {...register('what')}
      />
      <div className="grid gap-4 sm:grid-cols-[1.6fr_1fr]">
        <WhenField
          label="When"
          between={false}
          value={values.at}
          onChange={(when) => setValue('at', when)}
          error={(errors.at as { message?: string } | undefined)?.message}
        />
        <SelectField label="Air pressure" {...register('pressure')}>
          <option value="">not looked</option>
          <option value="falling">falling</option>
          <option value="steady">steady</option>
          <option value="rising">rising</option>
        </SelectField>
      </div>
    </EntryFormFrame>
  );
}
