import { useState } from 'react';
import { v7 as newId } from 'uuid';
import { rankAnimals, selectionIntensity } from '@freshet/core/stock';
import { formatNumber } from '@freshet/core/units';
import { useHouse, useLog } from '../../data';
import { Button, TextField, Why } from '../../ui';

interface Row {
  name: string;
  scores: string[];
}
const isScore = (text: string) => /^[1-5]$/.test(text.trim());

/** Grades animals one by one by criteria in the keeper's order, and says what keeping the best of them is worth. */
export function GradeForm({ lotId, done }: { lotId: string; done: () => void }) {
  const house = useHouse();
  const log = useLog();
  const [criteria, setCriteria] = useState('Colour, Pattern');
  const [rows, setRows] = useState<Row[]>([{ name: '1', scores: [] }]);
  const [kept, setKept] = useState('1');
  const [id] = useState(() => newId());
  const names = criteria
    .split(',')
    .map((text) => text.trim())
    .filter(Boolean)
    .slice(0, 6);
  const set = (i: number, patch: Partial<Row>) => setRows(rows.map((row, at) => (at === i ? { ...row, ...patch } : row)));
  const wrong = rows.some((row) => names.some((_name, k) => !isScore(row.scores[k] ?? '')));
  const keep = Number(kept);
  const keepWrong = !Number.isInteger(keep) || keep < 1 || keep > rows.length;
  const ranked = wrong
    ? []
    : rankAnimals(
        rows.map((row, i) => ({ id: String(i), name: row.name, scores: names.map((_name, k) => Number(row.scores[k])) })),
      );
  const selection = wrong || keepWrong ? null : selectionIntensity({ kept: keep, of: rows.length });
  return (
    <div className="flex flex-col gap-4">
      <TextField
        label="Criteria, the most important first"
        hint="Colour first; pattern only decides ties. Scores are 1 to 5."
        value={criteria}
        onChange={(event) => setCriteria(event.target.value)}
      />
      <div className="max-h-64 overflow-y-auto">
        <table className="w-full text-left">
          <thead className="text-note text-quiet">
            <tr>
              <th className="font-normal">Animal</th>
              {names.map((name) => (
                <th key={name} className="font-normal">
                  {name}
                </th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                <td className="py-0.5 pr-2">
                  <input
                    className="control"
                    aria-label={`Animal ${i + 1}`}
                    value={row.name}
                    onChange={(event) => set(i, { name: event.target.value })}
                  />
                </td>
                {names.map((name, k) => (
                  <td key={name} className="pr-2">
                    <input
                      className="control"
                      inputMode="numeric"
                      aria-label={`${name} of animal ${i + 1}`}
                      aria-invalid={row.scores[k] !== undefined && row.scores[k] !== '' && !isScore(row.scores[k])}
                      value={row.scores[k] ?? ''}
                      onChange={(event) =>
                        set(i, { scores: names.map((_one, at) => (at === k ? event.target.value : (row.scores[at] ?? ''))) })
                      }
                      onKeyDown={(event) => {
                        if (event.key === 'Enter' && k === names.length - 1)
                          setRows([...rows, { name: String(rows.length + 1), scores: [] }]);
                      }}
                    />
                  </td>
                ))}
                <td>
                  {rows.length > 1 && (
                    <Button
                      look="quiet"
                      aria-label={`Take animal ${i + 1} out`}
                      onClick={() => setRows(rows.filter((_row, at) => at !== i))}
                    >
                      out
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="flex flex-wrap items-end gap-4">
        <Button onClick={() => setRows([...rows, { name: String(rows.length + 1), scores: [] }])}>Next animal</Button>
        <TextField
          label="Keep the best"
          boxClass="w-32"
          inputMode="numeric"
          value={kept}
          error={keepWrong ? `1 to ${rows.length}.` : undefined}
          onChange={(event) => setKept(event.target.value)}
        />
      </div>
      {selection ? (
        <p>
          Keep{' '}
          <b>
            {ranked
              .slice(0, keep)
              .map(({ name }) => name)
              .join(', ')}
          </b>
          . {formatNumber(selection.share * 100)} % kept, intensity <b>{formatNumber(selection.intensity)}</b>{' '}
          <Why
            about="Selection intensity"
            formula="How far the ones you keep are above the average, in standard deviations, if you keep the best; corrected for small numbers."
            source="docs/sources.md#selection"
          />
        </p>
      ) : (
        <p className="text-quiet">Each animal needs a score of 1 to 5 for each criterion.</p>
      )}
      <p className="text-note text-quiet">
        The rest: sell or give away honestly described, a retirement tank, or a humane end by a method local rules or a vet
        accept.
      </p>
      <Button
        look="main"
        className="self-start"
        disabled={!selection}
        onClick={() => {
          const animals = rows.map((row) => ({
            name: row.name.trim() || '?',
            scores: names.map((_name, k) => Number(row.scores[k])),
          }));
          void log(
            'gradeLot',
            { id, lotId, at: house.now(), criteria: names, animals, kept: keep },
            `${keep} of ${rows.length} kept`,
          ).then((logged) => {
            if (logged) done();
          });
        }}
      >
        Log the grades
      </Button>
    </div>
  );
}
