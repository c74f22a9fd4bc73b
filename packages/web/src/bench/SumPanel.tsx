import { useState, type ReactNode } from 'react';
import { CALCULATIONS, runCalculation } from '@freshet/contract/bench';
import { formatNumber } from '@freshet/core/units';
import { showTemperature, showVolume, temperatureSign, useHouse, type House } from '../data';
import { Button, Notice, Panel, SelectField, TextField, Why } from '../ui';
import { lookAt, toSumInput } from './sumInput';
import { withFacts, type Sum, type SumFacts, type SumInput, type SumOutput } from './sum';

function unitOf(input: SumInput, { units }: House): string {
  if (input.kind === 'temperature') return temperatureSign(units);
  if (input.kind === 'volume') return units.volume === 'galUS' ? 'US gal' : 'L';
  return { length: 'cm', mass: 'kg', days: 'days' }[input.kind as string] ?? input.unit ?? '';
}

/** A starting value, which is in base units, in the house's unit. */
function startOf(input: SumInput, house: House): string {
  if (input.start === '' || (input.kind !== 'temperature' && input.kind !== 'volume')) return input.start;
  const shown =
    input.kind === 'temperature' ? showTemperature(Number(input.start), house) : showVolume(Number(input.start), house);
  return shown.split(' ')[0] ?? '';
}

function show(output: SumOutput, value: unknown, house: House): string {
  if (typeof value !== 'number') return output.absent ?? 'never';
  if (output.kind === 'temperature') return showTemperature(value, house);
  if (output.kind === 'volume') return showVolume(value, house);
  return output.percent ? `${formatNumber(value * 100)} %` : `${formatNumber(value)} ${output.unit ?? ''}`.trim();
}

/** What a sum came to, for whoever opened it. */
export interface SumResult {
  input: unknown;
  output: unknown;
}

/** One sum: its fields, and what it comes to while typing. @param foot - what may be done with the result */
export function SumPanel({
  sum: plainSum,
  facts = {},
  foot,
}: {
  sum: Sum;
  facts?: SumFacts;
  foot?: (result: SumResult | null) => ReactNode;
}) {
  const house = useHouse();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const sum = withFacts(plainSum, facts);
  const calculation = CALCULATIONS.find(({ name }) => name === sum.name);
  const read = toSumInput(sum, typed, house.units);
  const answer = 'input' in read ? runCalculation(sum.name, read.input) : null;
  const wrong = !('input' in read)
    ? read
    : answer && 'error' in answer
      ? { path: answer.field ?? '', message: answer.message }
      : null;
  const field = wrong ? sum.inputs.find(({ path }) => path === wrong.path || path.startsWith(`${wrong.path}.`)) : undefined;
  const result = 'input' in read && answer && 'output' in answer ? { input: read.input, output: answer.output } : null;
  return (
    <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-[1.6fr_1fr] md:divide-x md:divide-y-0">
      <Panel title={calculation?.title ?? sum.name}>
        <div className="grid gap-x-4 gap-y-3 pt-1 pb-2 sm:grid-cols-2 lg:grid-cols-3">
          {sum.inputs.map((input) => {
            const unit = unitOf(input, house);
            const label = unit ? `${input.label}, ${unit}` : input.label;
            const error = field?.path === input.path ? wrong?.message : undefined;
            const value = typed[input.path] ?? startOf(input, house);
            const change = (text: string) => setTyped({ ...typed, [input.path]: text });
            if (input.choices)
              return (
                <SelectField
                  key={input.path}
                  label={label}
                  error={error}
                  value={value}
                  onChange={(event) => change(event.target.value)}
                >
                  {input.choices.map((choice) => (
                    <option key={choice}>{choice}</option>
                  ))}
                </SelectField>
              );
            return (
              <TextField
                key={input.path}
                label={label}
                inputMode="decimal"
                hint={input.optional ? 'can be left empty' : undefined}
                error={error}
                value={value}
                onChange={(event) => change(event.target.value)}
              />
            );
          })}
        </div>
        {sum.caution && <Notice className="mb-2  text-note">{sum.caution}</Notice>}
      </Panel>
      <Panel
        title="Result"
        aside={<Why about={calculation?.title ?? ''} formula={calculation?.words ?? ''} source={calculation?.source ?? ''} />}
      >
        {wrong && !field && (
          <p role="alert" className="font-semibold text-rust">
            {wrong.message}
          </p>
        )}
        {sum.outputs.map((output) => (
          <div key={output.path} className="flex items-baseline justify-between gap-3 border-b border-rule py-2">
            <span>{output.label}</span>
            <b className="text-code whitespace-nowrap">
              {result ? show(output, lookAt(result.output, output.path), house) : '–'}
            </b>
          </div>
        ))}
        {foot && <div className="pt-3">{foot(result)}</div>}
      </Panel>
    </div>
  );
}

/** A button that takes a number of the result into the field the sum was opened from. */
export function UseResult({
  result,
  path,
  label,
  use,
}: {
  result: SumResult | null;
  path: string;
  label: string;
  use: (value: number) => void;
}) {
  const value = lookAt(result?.output, path);
  return (
    <Button look="main" disabled={typeof value !== 'number'} onClick={() => typeof value === 'number' && use(value)}>
      {label}
    </Button>
  );
}
