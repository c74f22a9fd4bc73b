import { useState } from 'react';
import * as v from 'valibot';
import { OwnFigures } from '@freshet/contract/species';
import { findContradiction, type FigureKey, type Figures } from '@freshet/core/species';
import { Button, Dialog, SelectField, TextField } from '../ui';
import { FIGURES } from './figures';

const number = (text: string) => (text.trim() === '' ? Number.NaN : Number(text.replace(',', '.')));

/** What is typed for a figure: both ends, the temperature they hold at, the choice. */
function start(key: FigureKey, figures: Figures): { low: string; high: string; atC: string; choice: string; rungs: string } {
  const value = figures[key];
  const blank = { low: '', high: '', atC: '', choice: 'nobody', rungs: '' };
  if (value === null || value === undefined) return blank;
  if (typeof value === 'number') return { ...blank, low: String(value) };
  if (typeof value === 'string') return { ...blank, choice: value };
  if (key === 'ladder') return { ...blank, rungs: figures.ladder.map((rung) => `${rung.food} ${rung.fromMm}`).join('\n') };
  if ('atC' in value) return { ...blank, low: String(value.days[0]), high: String(value.days[1]), atC: String(value.atC) };
  const [low, high] = value as readonly [number, number];
  return { ...blank, low: String(low), high: String(high) };
}

function toFigure(key: FigureKey, typed: ReturnType<typeof start>): unknown {
  const days = [number(typed.low), number(typed.high)];
  switch (FIGURES[key].kind) {
    case 'number':
      return number(typed.low);
    case 'eats':
      return typed.choice;
    case 'duration':
      return { atC: number(typed.atC), days };
    case 'ladder':
      return typed.rungs
        .split('\n')
        .filter((line) => line.trim())
        .map((line) => {
          const [food = '', mm = ''] = line.trim().split(/\s+/);
          return { food, fromMm: number(mm) };
        });
    case 'range':
      return days;
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
  const [typed, setTyped] = useState(() => start(figureKey, figures));
  const [problem, setProblem] = useState('');
  const { label, unit, kind } = FIGURES[figureKey];
  const change = (part: Partial<typeof typed>) => setTyped({ ...typed, ...part });
  async function submit() {
    const parsed = v.safeParse(OwnFigures, { [figureKey]: toFigure(figureKey, typed) });
    if (!parsed.success) {
      setProblem(parsed.issues[0].message.startsWith('Invalid') ? 'Give numbers.' : parsed.issues[0].message);
      return;
    }
    const wrong = findContradiction({ ...figures, ...(parsed.output as Partial<Figures>) });
    if (wrong) setProblem(wrong.message);
    else if (await save(parsed.output as Partial<Figures>)) close();
  }
  return (
    <Dialog title={label} about={unit ? `in ${unit}` : undefined} open onClose={close}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        {kind === 'eats' && (
          <SelectField label={label} value={typed.choice} onChange={(event) => change({ choice: event.target.value })}>
            <option value="nobody">nobody</option>
            <option value="parents">the parents</option>
            <option value="anyAdult">any adult</option>
          </SelectField>
        )}
        {kind === 'ladder' && (
          <label className="flex flex-col gap-1 font-semibold">
            One food a line, with the length in mm from which it is taken
            <textarea
              className="control font-mono font-normal"
              rows={6}
              value={typed.rungs}
              onChange={(event) => change({ rungs: event.target.value })}
            />
          </label>
        )}
        {kind !== 'eats' && kind !== 'ladder' && (
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
                label="At, °C"
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
