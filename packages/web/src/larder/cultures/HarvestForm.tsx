import { formatNumber } from '@freshet/core/units';
import { useEntryForm, useHouse, type Reply } from '../../data';
import { EntryFormFrame, readNumber, SelectField, TextField } from '../../ui';

type Culture = Reply<'cultures'>[number];

/** What is taken out of a vessel; a hatch can be kept for later. */
export function HarvestForm({ culture, done }: { culture: Culture; done: () => void }) {
  const house = useHouse();
  const may = culture.learned && culture.learned.looks > 0 ? culture.learned.mayTakeMl : null;
  const entry = useEntryForm({
    name: 'cultureEvent',
    defaults: { ml: '', kept: '' as '' | 'cold' | 'warm', byCatch: '' },
    toBody: ({ ml, kept, byCatch }) => ({
      cultureId: culture.id,
      kind: 'harvested' as const,
      at: house.now(),
      ml: readNumber('ml', ml, 'How many ml?'),
      kept: kept || null,
      byCatch: byCatch.trim() || null,
    }),
    label: () => `${culture.name} harvested`,
    done,
  });
  const { register, formState } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Log the harvest">
      <TextField
        label="Taken, ml"
        inputMode="decimal"
        autoFocus
        hint={
          may === null
            ? 'Leave empty if you didn’t measure. Check how dense it is first and you’ll see how much it can spare.'
            : `It can spare ${formatNumber(may)} ml today.`
        }
        error={errors.ml?.message}
        {...register('ml')}
      />
      {culture.batch && (
        <SelectField label="What is left" {...register('kept')}>
          <option value="">nothing, all fed</option>
          <option value="cold">kept cold and rinsed, two days</option>
          <option value="warm">left in the vessel, a day at most</option>
        </SelectField>
      )}
      {culture.food === 'pondCatch' && (
        <TextField
          label="What else was in the net"
          hint="like dragonfly larvae, hydra, tadpoles; keep them away from fry"
          error={errors.byCatch?.message}
          {...register('byCatch')}
        />
      )}
    </EntryFormFrame>
  );
}

/** Drops of a strained hatch counted: how much of the tin hatches. */
export function CountForm({ culture, done }: { culture: Culture; done: () => void }) {
  const house = useHouse();
  const entry = useEntryForm({
    name: 'cultureEvent',
    defaults: { counts: '', ml: '', perMl: '' },
    toBody: ({ counts, ml, perMl }) => ({
      cultureId: culture.id,
      kind: 'counted' as const,
      at: house.now(),
      drops: {
        counts: counts
          .split(/[\s,;]+/)
          .filter(Boolean)
          .map((one) => readNumber('counts', one, 'Enter numbers with spaces, like 48 52 41.') ?? 0),
        ml: readNumber('ml', ml, 'How many ml in all?') ?? 0,
        perMl: readNumber('perMl', perMl),
      },
    }),
    fieldOf: (path) =>
      path.startsWith('drops.ml')
        ? 'ml'
        : path.startsWith('drops.perMl')
          ? 'perMl'
          : path.startsWith('drops')
            ? 'counts'
            : undefined,
    label: () => `${culture.name} counted`,
    done,
  });
  const { register, formState } = entry.form;
  const { errors } = formState;
  return (
    <EntryFormFrame entry={entry} action="Log the count">
      <TextField
        label="Nauplii in each drop"
        autoFocus
        hint="such as 48 52 41"
        error={errors.counts?.message}
        {...register('counts')}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label="Strained into, ml" inputMode="decimal" error={errors.ml?.message} {...register('ml')} />
        <TextField
          label="Drops a ml"
          inputMode="decimal"
          hint="your own pipette if you leave it empty"
          error={errors.perMl?.message}
          {...register('perMl')}
        />
      </div>
      <p className="text-note text-quiet">After about three hatches Freshet knows this tin, and works out the grams from it.</p>
    </EntryFormFrame>
  );
}
