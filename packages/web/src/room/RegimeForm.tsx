import { useState } from 'react';
import { FieldProblem, showVolume, useEntryForm, useGet, useHouse, type Reply } from '../data';
import { EntryFormFrame, Loaded, readWhole, SelectField, TextField } from '../ui';

/** Regimes keepers follow; each a share and the days between. */
const SCHOOLS = [
  { label: 'Half daily', percent: '50', every: '1' },
  { label: 'Several a week', percent: '30', every: '3' },
  { label: 'Weekly', percent: '30', every: '7' },
  { label: 'Every other week', percent: '25', every: '14' },
  { label: 'As little as possible', percent: '10', every: '' },
] as const;

interface SomeTank {
  id: string;
  code: string;
  litres: number;
}

/** Sets how a tank's water is changed; the schools stand side by side. */
export function RegimeForm({ tank, done }: { tank: SomeTank; done: () => void }) {
  const now = useGet('tankRegime', { params: { tankId: tank.id } });
  return (
    <Loaded reply={now} what="the routine">
      {({ regime }) => <RegimeFields tank={tank} regime={regime} done={done} />}
    </Loaded>
  );
}

function RegimeFields({
  tank,
  regime: current,
  done,
}: {
  tank: SomeTank;
  regime: Reply<'tankRegime'>['regime'];
  done: () => void;
}) {
  const house = useHouse();
  const waters = useGet('waters');
  // What the form was filled from: a regime set meanwhile is no reason to forget it.
  const [regime] = useState(current);
  const entry = useEntryForm({
    name: 'setRegime',
    defaults: {
      percent: regime ? String(Math.round(regime.changeFraction * 1000) / 10) : '30',
      every: regime ? String(regime.everyDays ?? '') : '7',
      ceiling: regime ? String(regime.ceilingPpm ?? '') : '40',
      waterId: regime?.waterId ?? '',
    },
    toBody({ percent, every, ceiling, waterId }) {
      const number = (field: string, text: string) => {
        const value = Number(text.replace('%', '').replace(',', '.'));
        if (text.trim() === '' || !Number.isFinite(value)) throw new FieldProblem(field, 'Give a number.');
        return value;
      };
      return {
        tankId: tank.id,
        changeFraction: number('percent', percent) / 100,
        everyDays: every.trim() === '' ? null : readWhole('every', every),
        ceilingPpm: ceiling.trim() === '' ? null : number('ceiling', ceiling),
        waterId: waterId || null,
        version: regime?.version ?? null,
      };
    },
    fieldOf: (path) => (({ changeFraction: 'percent', everyDays: 'every', ceilingPpm: 'ceiling' }) as const)[path] ?? undefined,
    label: () => `${tank.code}: regime set`,
    done,
  });
  const { register, formState, setValue, watch } = entry.form;
  const { errors } = formState;
  const share = Number(watch('percent')) / 100;
  return (
    <EntryFormFrame entry={entry} action="Save the routine">
      <div role="group" aria-label="Usual ways" className="flex flex-wrap gap-2">
        {SCHOOLS.map((school) => (
          <button
            key={school.label}
            type="button"
            aria-pressed={watch('percent') === school.percent && watch('every') === school.every}
            className="min-h-11 rounded-part border border-ink px-3 aria-pressed:bg-ink aria-pressed:text-sheet"
            onClick={() => {
              setValue('percent', school.percent);
              setValue('every', school.every);
            }}
          >
            {school.label}
          </button>
        ))}
      </div>
      <div className="grid gap-4 sm:grid-cols-3">
        <TextField
          label="Change, %"
          inputMode="decimal"
          hint={Number.isFinite(share) && share > 0 && share <= 1 ? showVolume(share * tank.litres, house) : undefined}
          error={errors.percent?.message}
          {...register('percent')}
        />
        <TextField
          label="Days between changes"
          inputMode="numeric"
          hint="leave empty to change only when tests say so"
          error={errors.every?.message}
          {...register('every')}
        />
        <TextField
          label="Nitrate limit, mg/L"
          inputMode="decimal"
          hint="leave empty for no limit"
          error={errors.ceiling?.message}
          {...register('ceiling')}
        />
      </div>
      <SelectField label="With" error={errors.waterId?.message} {...register('waterId')}>
        <option value="">not said</option>
        {(waters.data ?? []).map((water) => (
          <option key={water.id} value={water.id}>
            {water.name}
          </option>
        ))}
      </SelectField>
    </EntryFormFrame>
  );
}
