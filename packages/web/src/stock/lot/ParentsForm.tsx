import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { ApiProblem, send, showHeads, useGet, useTouch, type Body, type Reply } from '../../data';
import { Button, ProblemNote, SelectField, TextField } from '../../ui';

type Card = Reply<'lotCard'>;
interface Typed {
  lotId: string;
  chance: string;
}
const asTyped = (side: Card['sires']): Typed[] =>
  side.map(({ lotId, probability }) => ({ lotId, chance: String(Math.round(probability * 1000) / 10) }));
const toCandidates = (side: readonly Typed[]) =>
  side
    .filter(({ lotId }) => lotId)
    .map(({ lotId, chance }) => ({ lotId, probability: Number(chance.replace(/\s*%$/, '').replace(',', '.')) / 100 }));

function Side({
  title,
  rows,
  options,
  change,
}: {
  title: string;
  rows: readonly Typed[];
  options: readonly { id: string; label: string }[];
  change: (rows: Typed[]) => void;
}) {
  const sum = rows.reduce((all, { chance }) => all + (Number(chance.replace(',', '.')) || 0), 0);
  const set = (i: number, patch: Partial<Typed>) => change(rows.map((row, at) => (at === i ? { ...row, ...patch } : row)));
  return (
    <fieldset className="min-w-0">
      <legend className="font-semibold">{title}</legend>
      {rows.map((row, i) => (
        <div key={i} className="flex items-end gap-2 py-1">
          <SelectField
            label={`Possible ${title.toLowerCase()} ${i + 1}`}
            boxClass="min-w-0 flex-1"
            value={row.lotId}
            onChange={(event) => set(i, { lotId: event.target.value })}
          >
            <option value="">choose</option>
            {options.map(({ id, label }) => (
              <option key={id} value={id}>
                {label}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Chance, %"
            boxClass="w-24"
            inputMode="decimal"
            value={row.chance}
            onChange={(event) => set(i, { chance: event.target.value })}
          />
          <Button
            look="quiet"
            aria-label={`Without ${title.toLowerCase()} ${i + 1}`}
            onClick={() => change(rows.filter((_row, at) => at !== i))}
          >
            out
          </Button>
        </div>
      ))}
      <div className="flex flex-wrap items-baseline gap-3">
        <Button look="quiet" onClick={() => change([...rows, { lotId: '', chance: String(Math.max(0, 100 - sum)) }])}>
          Add one
        </Button>
        {rows.length > 0 && sum < 99.95 && (
          <span className="text-note text-quiet">The other {Math.round((100 - sum) * 10) / 10} % could be an unknown fish.</span>
        )}
        {sum > 100.05 && <span className="text-note font-semibold text-rust">More than 100 % in all.</span>}
      </div>
    </fieldset>
  );
}

/** Who the parents may be, each with its chance. */
export function ParentsForm({ card, done }: { card: Card; done: () => void }) {
  const { lot } = card;
  const lots = useGet('lots');
  const pedigree = useGet('pedigree', { params: { speciesKey: lot.speciesKey } });
  const touch = useTouch();
  const [sires, setSires] = useState(() => asTyped(card.sires));
  const [dams, setDams] = useState(() => asTyped(card.dams));
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [id] = useState(() => newId());
  const living = (lots.data ?? []).filter((other) => other.speciesKey === lot.speciesKey && other.id !== lot.id);
  const named = new Map<string, string>();
  for (const [animal, label] of Object.entries(pedigree.data?.labels ?? {}))
    if (!animal.includes('#') && animal !== lot.id) named.set(animal, label);
  for (const other of living)
    named.set(
      other.id,
      [other.name ?? other.tankCode, showHeads(other), other.line, other.generation].filter(Boolean).join(', '),
    );
  const options = [...named].map(([key, label]) => ({ id: key, label })).sort((a, b) => (a.label < b.label ? -1 : 1));
  async function save() {
    const body: Body<'setParents'> = {
      id,
      subjectId: lot.broodId ?? lot.id,
      sires: toCandidates(sires),
      dams: toCandidates(dams),
    };
    try {
      await send('setParents', body);
      touch('setParents');
      done();
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(error);
    }
  }
  return (
    <div className="flex flex-col gap-4">
      {lot.broodId && <p className="text-quiet">This goes for the whole brood; brothers and sisters share their parents.</p>}
      <Side title="Sire" rows={sires} options={options} change={setSires} />
      <Side title="Dam" rows={dams} options={options} change={setDams} />
      {problem && (
        <>
          <ProblemNote problem={problem} />
          {problem.errors.map(({ pointer, detail }) => (
            <p key={pointer} role="alert" className="text-note font-semibold text-rust">
              {detail}
            </p>
          ))}
        </>
      )}
      <Button look="main" className="self-start" onClick={() => void save()}>
        Note the parents
      </Button>
    </div>
  );
}
