import type { ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import type { EntryForm } from '../data';
import { EntryFormFoot } from './EntryFormFoot';

/** The frame of a form that makes one entry: its fields, what is wrong with it as a whole, and its button. */
export function EntryFormFrame<Values extends FieldValues>({
  entry,
  action,
  children,
}: {
  entry: EntryForm<Values>;
  action: string;
  children: ReactNode;
}) {
  return (
    <form noValidate onSubmit={(event) => void entry.submit(event)} className="flex flex-col gap-4">
      {children}
      <EntryFormFoot entry={entry} action={action} />
    </form>
  );
}
