import { clsx } from 'clsx';
import { lazy, Suspense, useRef, useState, type ReactNode } from 'react';
import { useController, type Control, type FieldValues, type Path } from 'react-hook-form';
import { formatDay, readDayText, readMomentText, type Towards } from '@freshet/core/time';
import { useHouse } from '../data';
import { Field } from './Field';

const Calendar = lazy(() => import('./Calendar'));

/** What a day or a moment looks like when nobody types: "Tue 24 Nov", "Tue 24 Nov 07:12". */
function shown(value: string, today: string): string {
  if (!/^\d{4}-\d{2}-\d{2}/.test(value)) return value;
  const time = value.slice(11, 16);
  return `${formatDay(value.slice(0, 10), today)}${time ? ` ${time}` : ''}`;
}

interface Typed {
  /** `YYYY-MM-DD`, with `THH:MM` where a time is asked; what was typed when it is not understood. */
  value: string;
  onChange: (value: string) => void;
  /** Whether a time of the clock is asked as well. */
  withTime?: boolean;
  towards?: Towards;
  label: string;
  invalid?: boolean;
  part?: object;
}

/** A day, or a moment, typed in words or chosen from a month; read back in the house's own format. */
export function DayInput({ value, onChange, withTime = false, towards = 'past', label, invalid = false, part = {} }: Typed) {
  const house = useHouse();
  const [text, setText] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const context = { now: house.now(), timeZone: house.timeZone };
  const read = (typed: string) => (withTime ? readMomentText(typed, context) : readDayText(typed, house.today, towards));
  const type = (typed: string) => {
    setText(typed);
    setTyped(typed.trim() !== '');
    onChange(typed.trim() === '' ? '' : (read(typed) ?? typed));
  };
  // What was read back stays when the field is left: nothing below it may move away from under a finger.
  const [isTyped, setTyped] = useState(false);
  const wrong = text !== null && text.trim() !== '' && read(text) === null;
  const understood = !wrong && /^\d{4}-\d{2}-\d{2}/.test(value) ? value : null;
  return (
    <span className="relative block">
      <span className="flex">
        <input
          aria-label={label}
          aria-invalid={invalid}
          autoComplete="off"
          placeholder={withTime ? 'like yesterday 22:00' : undefined}
          {...part}
          className="control min-w-0 flex-1"
          value={text ?? shown(value, house.today)}
          onChange={(event) => type(event.target.value)}
          onBlur={() => setText((typed) => (typed !== null && typed.trim() !== '' && read(typed) === null ? typed : null))}
        />
        <button
          ref={button}
          type="button"
          aria-label="Choose from a month"
          aria-expanded={open}
          className="-ml-px grid min-h-11 w-11 shrink-0 place-items-center border border-ink bg-sheet hover:bg-today"
          onClick={() => setOpen(!open)}
        >
          <svg viewBox="0 0 16 16" className="size-4 fill-none stroke-current" aria-hidden>
            <path d="M1.5 3.5h13v11h-13zM1.5 6.5h13M5 1v4M11 1v4" />
          </svg>
        </button>
      </span>
      {isTyped && (understood ?? wrong) && (
        <span className={clsx('mt-0.5 block text-note', understood ? 'text-quiet' : 'text-rust')} aria-live="polite">
          {understood ? `read as ${shown(understood, house.today)}` : withTime ? 'like Fri 18:00' : 'like Fri or 3 Dec'}
        </span>
      )}
      {open && (
        <Suspense>
          <Calendar
            label={label}
            day={value.slice(0, 10)}
            today={house.today}
            button={button}
            close={() => setOpen(false)}
            choose={(day) => {
              setText(null);
              onChange(withTime ? `${day}T${/T(\d{2}:\d{2})/.exec(value)?.[1] ?? '12:00'}` : day);
              setOpen(false);
              button.current?.focus();
            }}
          />
        </Suspense>
      )}
    </span>
  );
}

/** A day of a form. */
export function DayField<Values extends FieldValues>({
  control,
  name,
  label,
  hint,
  error,
  boxClass,
  towards = 'ahead',
}: {
  control: Control<Values>;
  name: Path<Values>;
  label: string;
  hint?: ReactNode;
  error?: string | undefined;
  boxClass?: string;
  towards?: Towards;
}) {
  const { field } = useController({ control, name });
  return (
    <Field label={label} hint={hint} error={error} className={boxClass}>
      {(part) => (
        <DayInput
          label={label}
          towards={towards}
          value={String(field.value ?? '')}
          onChange={field.onChange}
          invalid={error !== undefined}
          part={part}
        />
      )}
    </Field>
  );
}
