import { useState } from 'react';
import { fullnessOf, SIGN_WORDS, type CultureSign } from '@freshet/core/larder';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { EntryFormFrame, readNumber, TextField } from '../../ui';

type Culture = Reply<'cultures'>[number];
const DENSITIES = ['nothing', 'a few', 'some', 'many', 'full'] as const;
/** Where specks of the drawn examples lie: scattered, the same each time. */
const SPECKS = Array.from({ length: 60 }, (_, i) => ({
  x: 4 + ((i * 37) % 46),
  y: 12 + ((i * 53) % 40),
  r: 0.8 + (i % 3) * 0.35,
}));

/** A jar under a torch at one density, as an example. */
function DensityJar({ density }: { density: number }) {
  const specks = SPECKS.slice(0, Math.round(SPECKS.length * fullnessOf(density)));
  return (
    <svg viewBox="0 0 54 56" width="54" height="56" aria-hidden>
      <path d="M14 2h26v5l6 6v41H8V13l6-6z" fill="var(--ground)" stroke="var(--ink)" />
      <g fill="var(--ink)">
        {specks.map(({ x, y, r }) => (
          <circle key={`${x},${y}`} cx={Math.min(44, Math.max(10, x))} cy={Math.min(52, y)} r={r} />
        ))}
      </g>
    </svg>
  );
}

/** What is seen of a culture: density by drawn examples, signs, or a count. */
export function LookForm({ culture, done }: { culture: Culture; done: () => void }) {
  const house = useHouse();
  const [density, setDensity] = useState<number | null>(null);
  const [signs, setSigns] = useState<readonly CultureSign[]>([]);
  const entry = useEntryForm({
    name: 'cultureEvent',
    defaults: { density: '', perMl: '' },
    toBody: (values) => ({
      cultureId: culture.id,
      kind: 'looked' as const,
      at: house.now(),
      density,
      perMl: readNumber('perMl', values.perMl),
      signs: [...signs],
    }),
    label: () => `${culture.name} looked at`,
    done,
  });
  const { errors } = entry.form.formState;
  return (
    <EntryFormFrame entry={entry} action="Log the look">
      <fieldset>
        <legend className="mb-1 font-semibold">How dense does it look by torch?</legend>
        <div className="flex flex-wrap gap-2">
          {DENSITIES.map((words, value) => (
            <button
              key={words}
              type="button"
              aria-pressed={density === value}
              onClick={() => setDensity(density === value ? null : value)}
              className="flex flex-col items-center rounded-part border border-edge px-2 py-1.5 hover:bg-today aria-pressed:border-ink aria-pressed:bg-today aria-pressed:font-bold aria-pressed:outline-2 aria-pressed:outline-ink"
            >
              <DensityJar density={value} />
              <span>
                {value} {words}
              </span>
            </button>
          ))}
        </div>
        {errors.density && (
          <p role="alert" className="mt-1 text-note font-semibold text-rust">
            {errors.density.message}
          </p>
        )}
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-semibold">Signs</legend>
        <div className="flex flex-wrap gap-2">
          {culture.signs.map((sign) => (
            <button
              key={sign}
              type="button"
              aria-pressed={signs.includes(sign)}
              onClick={() => setSigns(signs.includes(sign) ? signs.filter((one) => one !== sign) : [...signs, sign])}
              className="min-h-11 rounded-part border border-edge px-3 hover:bg-today aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-sheet"
            >
              {SIGN_WORDS[sign].words}
            </button>
          ))}
        </div>
      </fieldset>
      <TextField
        label="Counted, animals per ml"
        inputMode="decimal"
        hint="leave empty if you didn’t count; a drop is about 1/20 ml"
        error={errors.perMl?.message}
        {...entry.form.register('perMl')}
      />
    </EntryFormFrame>
  );
}
