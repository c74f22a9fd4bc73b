import { instantOf, houseDay, localTime, type TimeRange } from '@freshet/core/time';
import { FieldProblem } from '../data';
import { DayInput } from './DayField';
import { Field } from './Field';
import { Segmented } from './Segmented';

/** A moment or a span as typed: wall-clock times of the house, `YYYY-MM-DDTHH:MM`. */
export interface When {
  mode: 'at' | 'between';
  from: string;
  to: string;
}

/** An instant as wall-clock text of the house. */
export const toLocal = (at: string, timeZone: string): string => `${houseDay(at, timeZone)}T${localTime(at, timeZone)}`;

/** Wall-clock text as an instant. @throws {FieldProblem} when it is no time */
export function fromLocal(field: string, text: string, timeZone: string): string {
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/.test(text) || Number.isNaN(Date.parse(`${text.slice(0, 16)}:00Z`)))
    throw new FieldProblem(field, 'Give a day and a time, like yesterday 22:00.');
  return instantOf(text.slice(0, 10), text.slice(11, 16), timeZone);
}

/** The span that was typed. @throws {FieldProblem} */
export function readWhen(field: string, when: When, timeZone: string): TimeRange {
  const to = fromLocal(field, when.to, timeZone);
  const from = when.mode === 'at' ? to : fromLocal(field, when.from, timeZone);
  if (from > to) throw new FieldProblem(field, 'The first time must not be after the second.');
  return { from, to };
}

/** When something happened: exactly, or some time between two moments. */
export function WhenField({
  label,
  value,
  onChange,
  error,
  between = true,
}: {
  label: string;
  value: When;
  onChange: (value: When) => void;
  error?: string | undefined;
  between?: boolean;
}) {
  const input = (key: 'from' | 'to', name: string, part: object) => (
    <DayInput withTime label={name} value={value[key]} onChange={(text) => onChange({ ...value, [key]: text })} part={part} />
  );
  return (
    <Field label={label} error={error}>
      {(part) => (
        <div className="flex flex-col gap-2">
          {between && (
            <Segmented
              label={`${label}: how surely`}
              value={value.mode}
              onChange={(mode) => onChange({ ...value, mode })}
              options={[
                { value: 'at', label: 'Exactly' },
                { value: 'between', label: 'Some time between' },
              ]}
            />
          )}
          {value.mode === 'at' ? (
            input('to', label, part)
          ) : (
            <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
              {input('from', `${label}: not before`, {})}
              {input('to', `${label}: not after`, part)}
            </div>
          )}
        </div>
      )}
    </Field>
  );
}
