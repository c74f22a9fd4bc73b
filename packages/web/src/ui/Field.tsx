import { clsx } from 'clsx';
import { useId, type ComponentProps, type ReactNode } from 'react';

interface FieldProps {
  label: string;
  hint?: ReactNode;
  error?: string | undefined;
  className?: string | undefined;
  children: (part: { id: string; 'aria-invalid': boolean; 'aria-describedby': string | undefined }) => ReactNode;
}

/** A labelled control with its hint, and its error said in words beside it. */
export function Field({ label, hint, error, className, children }: FieldProps) {
  const id = useId();
  const describedBy = error || hint ? `${id}-note` : undefined;
  return (
    <div className={clsx('flex flex-col gap-1', className)}>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {children({ id, 'aria-invalid': error !== undefined, 'aria-describedby': describedBy })}
      {error ? (
        <p id={`${id}-note`} role="alert" className="text-note font-semibold text-rust">
          {error}
        </p>
      ) : hint ? (
        <p id={`${id}-note`} className="text-note text-quiet">
          {hint}
        </p>
      ) : null}
    </div>
  );
}

type Text = ComponentProps<'input'> & { label: string; hint?: ReactNode; error?: string | undefined; boxClass?: string };

/** A line of text. */
export function TextField({ label, hint, error, boxClass, className, ...input }: Text) {
  return (
    <Field label={label} hint={hint} error={error} className={boxClass}>
      {(part) => <input {...part} autoComplete="off" className={clsx('control', className)} {...input} />}
    </Field>
  );
}

type Select = ComponentProps<'select'> & { label: string; hint?: ReactNode; error?: string | undefined; boxClass?: string };

/** One of a list; the device's own list, which works with wet hands. */
export function SelectField({ label, hint, error, boxClass, className, children, ...select }: Select) {
  return (
    <Field label={label} hint={hint} error={error} className={boxClass}>
      {(part) => (
        <select {...part} className={clsx('control', className)} {...select}>
          {children}
        </select>
      )}
    </Field>
  );
}

/** Several lines of text. */
export function NoteField({
  label,
  hint,
  error,
  ...area
}: ComponentProps<'textarea'> & { label: string; hint?: ReactNode; error?: string | undefined }) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(part) => <textarea {...part} rows={2} className="control" {...area} />}
    </Field>
  );
}
