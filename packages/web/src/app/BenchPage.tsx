import { useState } from 'react';
import { CALCULATIONS, runCalculation } from '@freshet/contract/calculations';
import { formatNumber } from '@freshet/core/units';
import { showTemperature, showVolume, useHouse, type House } from '../data';
import { PageHead, Panel, SelectField, TextField, Why } from '../ui';
import { lookAt, toSumInput } from './bench/sumInput';
import type { Sum, SumInput, SumOutput } from './bench/sum';
import { SUMS } from './bench/sums';

const GROUPS = [...new Set(SUMS.map((sum) => sum.group))];

function unitOf(input: SumInput, { units }: House): string {
  if (input.kind === 'temperature') return units.temperature === 'degF' ? '°F' : '°C';
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
  if (typeof value !== 'number') return 'never';
  if (output.kind === 'temperature') return showTemperature(value, house);
  if (output.kind === 'volume') return showVolume(value, house);
  return output.percent ? `${formatNumber(value * 100)} %` : `${formatNumber(value)} ${output.unit ?? ''}`.trim();
}

function SumSheet({ sum }: { sum: Sum }) {
  const house = useHouse();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const calculation = CALCULATIONS.find(({ name }) => name === sum.name);
  const read = toSumInput(sum, typed, house.units);
  const answer = 'input' in read ? runCalculation(sum.name, read.input) : null;
  const wrong = !('input' in read)
    ? read
    : answer && 'error' in answer
      ? { path: answer.field ?? '', message: answer.message }
      : null;
  const field = wrong ? sum.inputs.find(({ path }) => path === wrong.path || path.startsWith(`${wrong.path}.`)) : undefined;
  return (
    <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-[1.6fr_1fr] md:divide-x md:divide-y-0">
      <Panel title={calculation?.title ?? sum.name}>
        <div className="grid gap-x-4 gap-y-3 pt-1 pb-2 sm:grid-cols-2 lg:grid-cols-3">
          {sum.inputs.map((input) => {
            const unit = unitOf(input, house);
            return (
              <TextField
                key={input.path}
                label={unit ? `${input.label}, ${unit}` : input.label}
                inputMode="decimal"
                hint={input.optional ? 'may stay empty' : undefined}
                error={field?.path === input.path ? wrong?.message : undefined}
                value={typed[input.path] ?? startOf(input, house)}
                onChange={(event) => setTyped({ ...typed, [input.path]: event.target.value })}
              />
            );
          })}
        </div>
        {sum.caution && <p className="mb-2 border-l-4 border-amber-line bg-amber-wash px-3 py-2 text-note">{sum.caution}</p>}
      </Panel>
      <Panel
        title="It comes to"
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
              {answer && 'output' in answer ? show(output, lookAt(answer.output, output.path), house) : '–'}
            </b>
          </div>
        ))}
      </Panel>
    </div>
  );
}

/** What does the sum come to? */
export function BenchPage() {
  const [name, setName] = useState(SUMS[0]?.name ?? '');
  const sum = SUMS.find((candidate) => candidate.name === name);
  return (
    <>
      <PageHead title="Bench" about="Results come while you type; 20 gal and 78F are understood." />
      <SelectField label="Sum" boxClass="mb-4 max-w-md" value={name} onChange={(event) => setName(event.target.value)}>
        {GROUPS.map((group) => (
          <optgroup key={group} label={group}>
            {SUMS.filter((candidate) => candidate.group === group).map((candidate) => (
              <option key={candidate.name} value={candidate.name}>
                {CALCULATIONS.find((calculation) => calculation.name === candidate.name)?.title}
              </option>
            ))}
          </optgroup>
        ))}
      </SelectField>
      {sum && <SumSheet key={sum.name} sum={sum} />}
    </>
  );
}
