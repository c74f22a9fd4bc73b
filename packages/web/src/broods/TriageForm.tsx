import { useState } from 'react';
import { clutchRate, tallyBetween } from '@freshet/core/broods';
import { rate } from '@freshet/core/evidence';
import { CountAids } from '../counting';
import { FieldProblem, showPercent, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { useAddPhoto } from '../stock';
import { EntryFormFrame, Segmented } from '../ui';

const PILES = [
  { key: 'fertile', label: 'Sound', hint: 'clear to amber' },
  { key: 'white', label: 'White', hint: 'opaque, picked out' },
  { key: 'kickedOut', label: 'Kicked out', hint: 'by the guard' },
  { key: 'eaten', label: 'Eaten', hint: 'gone, or shells' },
  { key: 'unsure', label: 'Not sure', hint: 'stay in the count' },
] as const;
type Pile = (typeof PILES)[number]['key'];
type Mode = 'counted' | 'sample' | 'share';
type Piles = Record<Pile, string>;
const NONE: Piles = { fertile: '', white: '', kickedOut: '', eaten: '', unsure: '' };

const readPile = (text: string): number => (text.trim() === '' ? 0 : Number(text.replace(/\s*%$/, '').replace(',', '.')));

/**
 * The piles as eggs of the clutch: as counted; scaled up where only some were looked at; or as shares of all that are booked. What is
 * taken out is whole, and never more than there are.
 */
export function toEggs(piles: Piles, mode: Mode, booked: number): Record<Pile, number> {
  const read = Object.fromEntries(PILES.map(({ key }) => [key, readPile(piles[key])])) as Record<Pile, number>;
  if (mode === 'counted') return read;
  const seen = mode === 'share' ? 100 : PILES.reduce((sum, { key }) => sum + read[key], 0);
  const scaled = Object.fromEntries(
    PILES.map(({ key }) => [key, seen > 0 ? Math.round((read[key] / seen) * booked) : 0]),
  ) as Record<Pile, number>;
  return scaled;
}

function Tile({
  pile,
  value,
  change,
  unit,
  error,
}: {
  pile: (typeof PILES)[number];
  value: string;
  change: (value: string) => void;
  unit: string;
  error: string | undefined;
}) {
  const count = readPile(value);
  return (
    <div className={`flex flex-col border ${error ? 'border-rust' : 'border-ink'} bg-sheet`}>
      <button
        type="button"
        className="min-h-20 px-2 py-2 text-left hover:bg-today active:bg-shade"
        aria-label={`${pile.label}: one more`}
        onClick={() => change(String((Number.isFinite(count) ? count : 0) + 1))}
      >
        <b className="block">{pile.label}</b>
        <span className="text-note text-quiet">{pile.hint}</span>
      </button>
      <label className="flex items-center gap-1 border-t border-rule px-2">
        <span className="sr-only">{`${pile.label}, ${unit}`}</span>
        <input
          className="min-h-11 w-full bg-transparent font-mono text-code"
          inputMode="decimal"
          value={value}
          placeholder="0"
          aria-invalid={Boolean(error)}
          onChange={(event) => change(event.target.value)}
        />
        <span className="text-note text-quiet">{unit === 'in %' ? '%' : ''}</span>
      </label>
      {error && (
        <p role="alert" className="px-2 pb-1 text-note font-semibold text-rust">
          {error}
        </p>
      )}
    </div>
  );
}

/** Eggs looked through: five piles by thumb, by number, by a sample or by shares; how many are fertile, beside the others of the kind. */
export function TriageForm({
  brood,
  done,
}: {
  brood: Pick<Reply<'brood'>, 'id' | 'name' | 'alive' | 'speciesKey' | 'lots'>;
  done: () => void;
}) {
  const house = useHouse();
  const keep = useAddPhoto();
  const lotId = brood.lots.find(({ count }) => count > 0)?.id;
  const [mode, setMode] = useState<Mode>('counted');
  const record = useGet('broodRecord', { params: { speciesKey: brood.speciesKey } });
  const entry = useEntryForm<'triage', Piles>({
    name: 'triage',
    defaults: NONE,
    toBody(values) {
      for (const { key, label } of PILES) {
        const value = readPile(values[key]);
        if (!(value >= 0) || (mode !== 'share' && !Number.isInteger(value)))
          throw new FieldProblem(key, mode === 'share' ? `${label}: a share in %.` : `${label}: a whole number.`);
      }
      const sum = PILES.reduce((total, { key }) => total + readPile(values[key]), 0);
      if (mode === 'share' && sum > 100.5) throw new FieldProblem('white', 'The shares come to more than 100 %.');
      const eggs = toEggs(values, mode, brood.alive);
      return {
        broodId: brood.id,
        at: house.now(),
        white: eggs.white,
        kickedOut: eggs.kickedOut,
        eaten: eggs.eaten,
        unsure: eggs.unsure,
        // Only where every egg was looked at are the sound ones counted.
        fertile: mode === 'counted' && values.fertile.trim() !== '' ? eggs.fertile : null,
      };
    },
    label: () => `${brood.name}: looked through`,
    done,
  });
  const { watch, setValue, formState } = entry.form;
  const values = watch();
  const eggs = toEggs(values, mode, brood.alive);
  const seen = PILES.reduce((sum, { key }) => sum + readPile(values[key]), 0);
  const sound = readPile(values.fertile);
  const told = readPile(values.fertile) + readPile(values.white);
  const share =
    mode !== 'share' && Number.isInteger(sound) && Number.isInteger(told) && told > 0
      ? rate({ successes: sound, trials: told })
      : null;
  const others = clutchRate(
    (record.data ?? []).flatMap((outcome) =>
      outcome.broodId === brood.id ? [] : (tallyBetween(outcome, 'laid', 'fertile') ?? []),
    ),
  );
  const out = eggs.white + eggs.kickedOut + eggs.eaten;
  return (
    <div className="flex flex-col gap-4">
      <CountAids
        kind="eggs"
        keep={lotId ? (picture) => void keep(lotId, picture) : undefined}
        done={({ count, white }) => {
          setMode('counted');
          setValue('white', String(white ?? 0));
          setValue('fertile', String(count - (white ?? 0)));
        }}
      />
      <EntryFormFrame entry={entry} action="Log it">
        <Segmented
          label="These are"
          value={mode}
          onChange={setMode}
          options={[
            { value: 'counted', label: 'Counted' },
            { value: 'sample', label: `A sample of ${brood.alive}` },
            { value: 'share', label: 'In %' },
          ]}
        />
        <div className="grid grid-cols-2 gap-2 sm:grid-cols-5">
          {PILES.map((pile) => (
            <Tile
              key={pile.key}
              pile={pile}
              value={values[pile.key]}
              change={(value) => setValue(pile.key, value, { shouldDirty: true })}
              unit={mode === 'share' ? 'in %' : 'eggs'}
              error={formState.errors[pile.key]?.message}
            />
          ))}
        </div>
        <div className="border-l-4 border-deep bg-shade px-3 py-2" aria-live="polite">
          <p>
            <b>{out}</b> of {brood.alive} counted will be taken out
            {mode === 'sample' && seen > 0 && `, worked out from ${seen} looked at`}
            {mode === 'counted' && values.fertile.trim() === '' && seen > 0 && '; the rest stay'}.
          </p>
          {share && told >= 3 && (
            <p>
              Fertile: <b>{showPercent(share.mean)}</b>, likely {showPercent(share.low95)} to {showPercent(share.high95)}
            </p>
          )}
          <p className="text-note text-quiet">
            {others
              ? `Your other clutches of the kind: ${showPercent(others.mean)} fertile, ${showPercent(others.low95)} to ${showPercent(others.high95)} over ${others.clutches === 1 ? 'one' : others.clutches}.`
              : 'You haven’t looked through another clutch of this species yet.'}
          </p>
        </div>
      </EntryFormFrame>
    </div>
  );
}
