import { lazy, Suspense, useState } from 'react';
import { subsampleCount } from '@freshet/core/broods';
import { tryCompute } from '@freshet/core/errors';
import { Button, Loading, Segmented, TextField } from '../ui';
import { Recapture } from './Recapture';
import { TakeEstimate } from './TakeEstimate';
import { COUNT_WAY_WORDS, type CountWay, type WorkedCount } from './WorkedCount';

const PhotoCount = lazy(async () => ({ default: (await import('./PhotoCount')).PhotoCount }));
type Aid = Exclude<CountWay, 'all'>;

const numbersOf = (text: string): number[] =>
  text
    .split(/[\s;,]+/)
    .filter(Boolean)
    .map(Number);
const isCount = (value: number) => Number.isInteger(value) && value >= 0;

/** A count by taps: one for each that passes, with a step back. */
function Taps({ done }: { done: (counted: WorkedCount) => void }) {
  const [count, setCount] = useState(0);
  return (
    <div className="flex flex-col gap-3">
      <button
        type="button"
        className="min-h-32 border border-ink bg-today text-title active:bg-sheet"
        onClick={() => setCount(count + 1)}
        aria-label={`One more; ${count} so far`}
      >
        {count}
      </button>
      <div className="flex gap-3">
        <Button disabled={count === 0} onClick={() => setCount(count - 1)}>
          One less
        </Button>
        <Button
          look="main"
          disabled={count === 0}
          onClick={() => done({ count, low: count, high: count, how: 'taps', white: null, lengthsMm: [] })}
        >
          Take {count}
        </Button>
      </div>
    </div>
  );
}

/** A count from parts: squares of a grid over them, or cups of the water they swim in. */
function Parts({ how, done }: { how: 'squares' | 'cups'; done: (counted: WorkedCount) => void }) {
  const [counts, setCounts] = useState('');
  const [whole, setWhole] = useState('');
  const [cup, setCup] = useState('');
  const seen = numbersOf(counts);
  const total =
    how === 'squares' ? Number(whole) : Math.round(Number(whole.replace(',', '.')) / Number(cup.replace(',', '.')) || Number.NaN);
  const ready = seen.length > 0 && seen.every(isCount) && Number.isInteger(total) && total > 0;
  const found = ready
    ? tryCompute(() => subsampleCount({ squaresCounted: seen.length, squaresTotal: total, counts: seen }))
    : null;
  const wrong =
    counts.trim() !== '' && !seen.every(isCount)
      ? 'Whole numbers, with spaces between.'
      : found && !found.ok
        ? found.trouble
        : '';
  return (
    <div className="flex flex-col gap-3">
      <TextField
        label={how === 'squares' ? 'Counted in each square' : 'Counted in each cup'}
        inputMode="text"
        hint={
          how === 'squares' ? 'like 12 9 14; pick squares at random, not the full ones' : 'like 12 9 14; stir before each cup'
        }
        error={wrong || undefined}
        value={counts}
        onChange={(event) => setCounts(event.target.value)}
      />
      <div className="grid grid-cols-2 gap-4">
        {how === 'cups' && (
          <TextField label="A cup holds, ml" inputMode="decimal" value={cup} onChange={(event) => setCup(event.target.value)} />
        )}
        <TextField
          label={how === 'squares' ? 'Squares in all' : 'The water holds, ml'}
          inputMode="decimal"
          value={whole}
          onChange={(event) => setWhole(event.target.value)}
        />
      </div>
      {found?.ok && <TakeEstimate value={found.value} how={how} done={done} />}
    </div>
  );
}

/** Ways to come to a count, beside typing it: taps, some squares, some cups, a photograph. */
export function CountWays({
  kind,
  done,
  keep,
}: {
  kind: 'eggs' | 'young';
  done: (counted: WorkedCount) => void;
  keep?: ((picture: File) => void) | undefined;
}) {
  const [aid, setAid] = useState<Aid | ''>('');
  const take = (counted: WorkedCount) => {
    setAid('');
    done(counted);
  };
  return (
    <section aria-label="Work it out" className="border border-rule bg-shade p-3">
      <p className="mb-1.5 font-semibold">How?</p>
      <Segmented
        label="How?"
        value={aid}
        onChange={(next) => setAid(next === aid ? '' : next)}
        options={(['taps', 'squares', 'cups', 'photograph', 'recapture'] as const)
          .filter((value) => kind === 'young' || value !== 'recapture')
          .map((value) => ({
            value: value as Aid | '',
            label: COUNT_WAY_WORDS[value],
          }))}
      />
      {aid !== '' && (
        <div className="mt-3">
          {aid === 'taps' && <Taps done={take} />}
          {(aid === 'squares' || aid === 'cups') && <Parts key={aid} how={aid} done={take} />}
          {aid === 'recapture' && <Recapture done={take} />}
          {aid === 'photograph' && (
            <Suspense fallback={<Loading what="the counter" />}>
              <PhotoCount kind={kind} done={take} keep={keep} />
            </Suspense>
          )}
        </div>
      )}
    </section>
  );
}
