import { useState } from 'react';
import { lossFromCooling } from '@freshet/core/room';
import { tryCompute } from '@freshet/core/errors';
import { formatNumber, parseQuantity } from '@freshet/core/units';
import { useHouse } from '../data';
import { Button, QuantityField, TextField } from '../ui';

const EMPTY = { startC: '', endC: '', hours: '', airC: '' };

/** Works out what a tank loses from how it cooled with the heater off, and hands it on in W for each °C. */
export function CoolingFields({ litres, found }: { litres: number; found: (lossWPerK: number) => void }) {
  const house = useHouse();
  const [typed, setTyped] = useState(EMPTY);
  const [wrong, setWrong] = useState<{ field: keyof typeof EMPTY; message: string } | null>(null);
  const unit = house.units.temperature;
  const read = () => {
    const celsius = { startC: 0, endC: 0, airC: 0 };
    for (const field of ['startC', 'endC', 'airC'] as const) {
      const parsed = parseQuantity(typed[field], 'temperature', unit);
      if (!parsed.ok) return setWrong({ field, message: parsed.message });
      celsius[field] = parsed.value;
    }
    const hours = Number(typed.hours.replace(',', '.'));
    if (!(hours > 0 && hours <= 72)) return setWrong({ field: 'hours', message: 'Between 0 and 72 hours.' });
    const loss = tryCompute(() => lossFromCooling({ litres, hours, ...celsius }));
    if (!loss.ok) return setWrong({ field: 'endC', message: loss.trouble });
    setWrong(null);
    found(loss.value.lossWPerK);
  };
  const field = (name: keyof typeof EMPTY, label: string) => {
    const shared = {
      label,
      value: typed[name],
      error: wrong?.field === name ? wrong.message : undefined,
      onChange: (event: { target: { value: string } }) => setTyped({ ...typed, [name]: event.target.value }),
    };
    return name === 'hours' ? (
      <TextField {...shared} inputMode="decimal" />
    ) : (
      <QuantityField {...shared} kind="temperature" text={typed[name]} defaultUnit={unit} />
    );
  };
  return (
    <fieldset className="border border-rule p-3">
      <legend className="px-1 text-note text-quiet">
        To measure: switch the heater off and let it cool, with no sensitive animals in it
      </legend>
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        {field('startC', 'Water at first')}
        {field('endC', 'Water later')}
        {field('hours', 'Hours between')}
        {field('airC', 'The room')}
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button onClick={read}>Work it out</Button>
        <span className="text-note text-quiet">
          Of {formatNumber(litres)} L by its measures; no more than the animals can take.
        </span>
      </div>
    </fieldset>
  );
}
