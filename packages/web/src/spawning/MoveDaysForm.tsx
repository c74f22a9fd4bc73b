import { useState } from 'react';
import { checkDays, planAttempt, shiftPlan, type PlanDays } from '@freshet/core/spawning';
import { addDays } from '@freshet/core/time';
import { FieldProblem, useEntryForm, useHouse, type Reply } from '../data';
import { DayField, EntryFormFoot } from '../ui';
import { PlanLine, type Held } from './PlanLine';

const NAMES = [
  ['conditioningFrom', 'Conditioning from'],
  ['from', 'Tank reserved from'],
  ['setUpOn', 'Parents in on'],
  ['triggerOn', 'Trigger on'],
  ['to', 'Tank free after'],
] as const;

/** Moves the days of an attempt that is planned: by hand on its line, or typed. */
export function MoveDaysForm({
  attempt,
  species,
  triggerDays,
  cultureStarts,
  done,
}: {
  attempt: Reply<'attempt'>;
  species: Reply<'species'>[number];
  triggerDays: readonly [number, number];
  cultureStarts: Parameters<typeof planAttempt>[0]['cultureStarts'];
  done: () => void;
}) {
  const house = useHouse();
  const first: PlanDays = {
    conditioningFrom: attempt.conditioningFrom,
    from: attempt.from,
    setUpOn: attempt.setUpOn ?? attempt.from,
    triggerOn: attempt.triggerOn ?? addDays(attempt.setUpOn ?? attempt.from, 1),
    to: attempt.to ?? addDays(attempt.triggerOn ?? attempt.from, 14),
  };
  const [start] = useState(first);
  const entry = useEntryForm<'moveAttempt', { [Key in (typeof NAMES)[number][0]]: string }>({
    name: 'moveAttempt',
    defaults: { ...start, conditioningFrom: start.conditioningFrom ?? '' },
    toBody(values) {
      const days = read(values);
      const wrong = checkDays(days, house.today, false);
      if (wrong) throw new FieldProblem(wrong.field, wrong.message);
      return { attemptId: attempt.id, ...days };
    },
    label: () => `${attempt.name}: days moved`,
    done,
  });
  const read = (values: Record<string, string>): PlanDays => ({
    conditioningFrom: values.conditioningFrom || null,
    from: values.from ?? start.from,
    setUpOn: values.setUpOn ?? start.setUpOn,
    triggerOn: values.triggerOn ?? start.triggerOn,
    to: values.to || addDays(values.triggerOn ?? start.triggerOn, 14),
  });
  const days = read(entry.form.watch());
  const isSound = NAMES.every(([name]) => (days[name] ?? '2000-01-01').length === 10);
  const move = (held: Held, by: number) => {
    const next = shiftPlan(read(entry.form.getValues()), held, by);
    for (const [name] of NAMES) entry.form.setValue(name, next[name] ?? '');
  };
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)}>
      {isSound && (
        <PlanLine
          marks={planAttempt({
            recipe: attempt.recipe,
            days,
            figures: species.figures as Parameters<typeof planAttempt>[0]['figures'],
            start: species.start,
            triggerDays,
            cultureStarts,
          })}
          move={move}
        />
      )}
      <div className="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
        {NAMES.map(([name, label]) => (
          <DayField
            key={name}
            control={entry.form.control}
            name={name}
            label={label}
            error={entry.form.formState.errors[name]?.message}
          />
        ))}
      </div>
      <EntryFormFoot entry={entry} action="Move the days" />
    </form>
  );
}
