import { useState } from 'react';
import * as v from 'valibot';
import { FIGURES, findContradiction, OwnFiguresSchema, type FigureKey, type Figures } from '@freshet/core/species';
import { convert, inUnits, parseQuantity } from '@freshet/core/units';
import { temperatureSign, useHouse, type House } from '../data';
import { Button, Dialog, SelectField, TextField } from '../ui';

const number = (text: string) => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));

type TemperatureUnit = House['units']['temperature'];
const isTemperature = (key: FigureKey) => FIGURES[key].unit === '°C';
const showC = (tempC: number, unit: TemperatureUnit) =>
  String(Number(convert({ value: tempC, from: 'degC', to: unit }).value.toFixed(1)));
/** °C of what was typed in the house's unit, or with a unit of its own; NaN when it is no temperature. */
function readC(text: string, unit: TemperatureUnit): number {
  const parsed = parseQuantity(text, 'temperature', unit);
  return parsed.ok ? Number(parsed.value.toFixed(2)) : Number.NaN;
}

/** What is typed for a figure: both ends, the temperature they hold at, the choice. */
function start(
  key: FigureKey,
  figures: Figures,
  unit: TemperatureUnit,
): { low: string; high: string; atC: string; choice: string; rungs: string } {
  const value = figures[key];
  const blank = { low: '', high: '', atC: '', choice: 'nobody', rungs: '' };
  if (value === null || value === undefined) return blank;
  const show = (n: number) => (isTemperature(key) ? showC(n, unit) : String(n));
  if (typeof value === 'number') return { ...blank, low: show(value) };
  if (typeof value === 'string') return { ...blank, choice: value };
  if (key === 'ladder')
    return {
      ...blank,
      rungs: figures.ladder
        .map(({ food, fromMm, days }) => [food, fromMm, days].filter((part) => part !== undefined).join(' '))
        .join('\n'),
    };
  if (key === 'adultFoods') return { ...blank, rungs: figures.adultFoods.join('\n') };
  if ('atC' in value) return { ...blank, low: String(value.days[0]), high: String(value.days[1]), atC: showC(value.atC, unit) };
  const [low, high] = value as readonly [number, number];
  return { ...blank, low: show(low), high: show(high) };
}

function toFigure(key: FigureKey, typed: ReturnType<typeof start>, unit: TemperatureUnit): unknown {
  const read = (text: string) => (isTemperature(key) ? readC(text, unit) : number(text));
  const ends = [read(typed.low), read(typed.high)];
  switch (FIGURES[key].kind) {
    case 'number':
      return read(typed.low);
    case 'choice':
      return typed.choice;
    case 'duration':
      return { atC: readC(typed.atC, unit), days: ends };
    case 'ladder':
      return typed.rungs
        .split('\n')
        .filter((line) => line.trim())
        .map((line) => {
          const [food = '', mm = '', days = ''] = line.trim().split(/\s+/);
          return { food, fromMm: number(mm), ...(days ? { days: number(days) } : {}) };
        });
    case 'foods':
      return typed.rungs.split(/[\s,]+/).filter(Boolean);
    case 'range':
      return ends;
  }
}

/** Changes one figure of a species. */
export function FigureDialog({
  figureKey,
  figures,
  save,
  close,
}: {
  figureKey: FigureKey;
  figures: Figures;
  save: (figures: Partial<Figures>) => Promise<boolean>;
  close: () => void;
}) {
  const { units } = useHouse();
  const [typed, setTyped] = useState(() => start(figureKey, figures, units.temperature));
  const [problem, setProblem] = useState('');
  const { label, kind, decides } = FIGURES[figureKey];
  const sign = temperatureSign(units);
  const unit = isTemperature(figureKey) ? sign : FIGURES[figureKey].unit;
  const change = (part: Partial<typeof typed>) => setTyped({ ...typed, ...part });
  async function submit() {
    const parsed = v.safeParse(OwnFiguresSchema, { [figureKey]: toFigure(figureKey, typed, units.temperature) });
    if (!parsed.success) {
      const { message } = parsed.issues[0];
      setProblem(message.startsWith('Invalid') ? 'Give numbers.' : inUnits(message, units));
      return;
    }
    const wrong = findContradiction({ ...figures, ...parsed.output });
    if (wrong) setProblem(inUnits(wrong.message, units));
    else if (await save(parsed.output)) close();
  }
  return (
    <Dialog title={label} about={`${unit ? `In ${unit}. ` : ''}It decides ${decides}.`} open onClose={close}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        {kind === 'choice' && (
          <SelectField label={label} value={typed.choice} onChange={(event) => change({ choice: event.target.value })}>
            {Object.entries(FIGURES[figureKey].choices ?? {}).map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </SelectField>
        )}
        {(kind === 'ladder' || kind === 'foods') && (
          <label className="flex flex-col gap-1 font-semibold">
            {kind === 'ladder'
              ? 'one food a line, with the length in mm the smallest fry need'
              : 'one food a line, the main one first'}
            <textarea
              className="control font-mono font-normal"
              rows={6}
              value={typed.rungs}
              onChange={(event) => change({ rungs: event.target.value })}
            />
          </label>
        )}
        {['range', 'number', 'duration'].includes(kind) && (
          <div className="grid grid-cols-3 gap-4">
            <TextField
              label={kind === 'number' ? label : 'From'}
              inputMode="decimal"
              autoFocus
              value={typed.low}
              onChange={(event) => change({ low: event.target.value })}
            />
            {kind !== 'number' && (
              <TextField
                label="To"
                inputMode="decimal"
                value={typed.high}
                onChange={(event) => change({ high: event.target.value })}
              />
            )}
            {kind === 'duration' && (
              <TextField
                label={`At, ${sign}`}
                inputMode="decimal"
                value={typed.atC}
                onChange={(event) => change({ atC: event.target.value })}
              />
            )}
          </div>
        )}
        {problem && (
          <p role="alert" className="font-semibold text-rust">
            {problem}
          </p>
        )}
        <Button look="main" type="submit">
          Save as your own
        </Button>
      </form>
    </Dialog>
  );
}
