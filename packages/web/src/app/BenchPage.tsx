import { useState } from 'react';
import { CALCULATIONS, runCalculation } from '@freshet/contract/calculations';
import { formatNumber } from '@freshet/core/units';
import { PageHead, Panel, SelectField, TextField, Why } from '../ui';

interface Input {
  key: string;
  label: string;
  /** Where it goes in the calculation's input, `stock.percentWv`. */
  path: string;
  start: string;
  optional?: boolean;
}
interface Sum {
  name: string;
  inputs: Input[];
  outputs: { key: string; label: string; unit: string; figures?: number }[];
}

const input = (path: string, label: string, start: string, optional = false): Input => ({
  key: path,
  path,
  label,
  start,
  optional,
});

/** The sums of the bench, in the order of the work. */
const SUMS: readonly Sum[] = [
  {
    name: 'room.tankLoad',
    inputs: [
      input('lengthCm', 'Length, cm', '60'),
      input('widthCm', 'Width, cm', '30'),
      input('heightCm', 'Height, cm', '36'),
      input('waterHeightCm', 'Water, cm', '28'),
      input('glassMm', 'Glass, mm', '', true),
      input('substrateKg', 'Substrate, kg', '', true),
    ],
    outputs: [
      { key: 'waterLitres', label: 'Water', unit: 'L' },
      { key: 'totalKg', label: 'Weight', unit: 'kg' },
      { key: 'kgPerM2', label: 'Load', unit: 'kg per m²' },
    ],
  },
  {
    name: 'water.dose',
    inputs: [
      input('tankLitres', 'Tank, L', '31'),
      input('targetMgPerL', 'Target, mg/L', '1'),
      input('stock.percentWv', 'Stock strength, % w/v', '0.5'),
    ],
    outputs: [
      { key: 'ml', label: 'Stock solution', unit: 'ml' },
      { key: 'mg', label: 'Substance', unit: 'mg' },
    ],
  },
  {
    name: 'water.doseAfterChange',
    inputs: [
      input('tankLitres', 'Tank, L', '31'),
      input('changeFraction', 'Share changed, 0 to 1', '0.5'),
      input('targetMgPerL', 'Target, mg/L', '1'),
      input('stock.percentWv', 'Stock strength, % w/v', '0.5'),
    ],
    outputs: [
      { key: 'ml', label: 'Stock solution', unit: 'ml' },
      { key: 'mg', label: 'Substance', unit: 'mg' },
    ],
  },
  {
    name: 'larder.cystsFor',
    inputs: [
      input('fry', 'Young', '150'),
      input('naupliiPerFryPerMeal', 'Nauplii per young and meal', '40'),
      input('mealsPerDay', 'Meals a day', '3'),
      input('days', 'Days', '14'),
      input('naupliiPerG', 'Nauplii per gram if all hatch', '250000'),
      input('hatchFraction', 'Share that hatches, 0 to 1', '0.8'),
    ],
    outputs: [
      { key: 'gramsPerDay', label: 'Cysts a day', unit: 'g' },
      { key: 'gramsTotal', label: 'In all', unit: 'g' },
      { key: 'naupliiPerDay', label: 'Nauplii a day', unit: '' },
    ],
  },
  {
    name: 'larder.hatch',
    inputs: [
      input('cystsG', 'Cysts, g', '2'),
      input('naupliiPerG', 'Nauplii per gram if all hatch', '250000'),
      input('hatchFraction', 'Share that hatches, 0 to 1', '0.8'),
    ],
    outputs: [{ key: 'nauplii', label: 'Nauplii', unit: '' }],
  },
];

function toInput(sum: Sum, typed: Record<string, string>): Record<string, unknown> {
  const out: Record<string, unknown> = {};
  for (const { path, key, start, optional } of sum.inputs) {
    const text = (typed[key] ?? start).trim().replace(',', '.');
    if (text === '' && optional) continue;
    const [outer = '', inner] = path.split('.');
    const value = text === '' ? Number.NaN : Number(text);
    if (inner) out[outer] = { ...(out[outer] as object | undefined), [inner]: value };
    else out[outer] = value;
  }
  return out;
}

function SumSheet({ sum }: { sum: Sum }) {
  const [typed, setTyped] = useState<Record<string, string>>({});
  const calculation = CALCULATIONS.find(({ name }) => name === sum.name);
  const answer = runCalculation(sum.name, toInput(sum, typed));
  const wrong = 'error' in answer ? answer : null;
  const message = wrong?.error === 'invalidInput' ? 'Give a number.' : wrong?.message;
  const field = wrong && sum.inputs.find(({ path }) => path === wrong.field || path.split('.')[0] === wrong.field);
  return (
    <div className="grid divide-y divide-rule border border-rule bg-sheet md:grid-cols-[1.3fr_1fr] md:divide-x md:divide-y-0">
      <Panel title={calculation?.title ?? sum.name}>
        <div className="grid gap-4 pt-1 pb-2 sm:grid-cols-2">
          {sum.inputs.map((entry) => (
            <TextField
              key={entry.key}
              label={entry.label}
              inputMode="decimal"
              hint={entry.optional ? 'may stay empty' : undefined}
              error={field?.key === entry.key ? message : undefined}
              value={typed[entry.key] ?? entry.start}
              onChange={(event) => setTyped({ ...typed, [entry.key]: event.target.value })}
            />
          ))}
        </div>
        {sum.name.startsWith('water.dose') && (
          <p className="mb-2 border-l-4 border-amber-line bg-amber-wash px-3 py-2 text-note">
            Label and data sheet first; gloves; never mix; kills invertebrates; keep from children; never for fish meant as food.
            Antibiotics and prescription medicine are a vet’s business.
          </p>
        )}
      </Panel>
      <Panel
        title="It comes to"
        aside={<Why about={calculation?.title ?? ''} formula={calculation?.words ?? ''} source={calculation?.source ?? ''} />}
      >
        {wrong && !field && <p className="font-semibold text-rust">{message}</p>}
        {sum.outputs.map((output) => (
          <div key={output.key} className="flex items-baseline justify-between border-b border-rule py-2">
            <span>{output.label}</span>
            <b className="text-title">
              {'output' in answer ? formatNumber((answer.output as Record<string, number>)[output.key] ?? 0, 3) : '–'}{' '}
              <span className="text-base">{output.unit}</span>
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
      <PageHead title="Bench" about="Sums that used to be done on scraps of paper." />
      <SelectField label="Sum" boxClass="mb-4 max-w-md" value={name} onChange={(event) => setName(event.target.value)}>
        {SUMS.map((candidate) => (
          <option key={candidate.name} value={candidate.name}>
            {CALCULATIONS.find((calculation) => calculation.name === candidate.name)?.title}
          </option>
        ))}
      </SelectField>
      {sum && <SumSheet key={sum.name} sum={sum} />}
    </>
  );
}
