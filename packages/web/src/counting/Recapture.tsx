import { useState } from 'react';
import { markRecapture } from '@freshet/core/growout';
import { tryCompute } from '@freshet/core/errors';
import { TextField } from '../ui';
import { TakeEstimate } from './TakeEstimate';
import type { WorkedCount } from './WorkedCount';

const FIELDS = [
  { key: 'marked', label: 'Marked and let go' },
  { key: 'caught', label: 'Caught later' },
  { key: 'recaught', label: 'Of these with the mark' },
] as const;

/** How many a pond holds, from animals that were marked, let go and caught again with the seine. */
export function Recapture({ done }: { done: (counted: WorkedCount) => void }) {
  const [typed, setTyped] = useState({ marked: '', caught: '', recaught: '' });
  const read = Object.fromEntries(FIELDS.map(({ key }) => [key, Number(typed[key])])) as Record<keyof typeof typed, number>;
  const isTyped = FIELDS.every(({ key }) => typed[key].trim() !== '');
  const isWhole = FIELDS.every(({ key }) => Number.isInteger(read[key]) && read[key] >= 0);
  const found = isTyped && isWhole ? tryCompute(() => markRecapture(read)) : null;
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-3 gap-3">
        {FIELDS.map(({ key, label }) => (
          <TextField
            key={key}
            label={label}
            inputMode="numeric"
            value={typed[key]}
            onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
          />
        ))}
      </div>
      {isTyped && !isWhole && (
        <p role="alert" className="text-rust">
          Whole numbers.
        </p>
      )}
      {found && !found.ok && (
        <p role="alert" className="text-rust">
          {found.trouble}
        </p>
      )}
      {found?.ok && (
        <TakeEstimate value={found.value} how="recapture" done={done}>
          . Give the marked fish a few days to mix with the others first.
        </TakeEstimate>
      )}
    </div>
  );
}
