import type { EntryForm } from '../data';
import type { FieldValues } from 'react-hook-form';
import { Button } from './Button';
import { TextField } from './Field';

/** The foot of a form: what is wrong with it as a whole, a reason when one is asked for, and the button. */
export function EntryFormFoot<Values extends FieldValues>({
  entry,
  action,
  cancel,
}: {
  entry: EntryForm<Values>;
  action: string;
  cancel?: () => void;
}) {
  const { problem, askReason, busy } = entry;
  const anyField = Object.keys(entry.form.formState.errors).length > 0;
  return (
    <div className="mt-5 flex flex-col gap-3">
      {problem && (askReason || !anyField) && (
        <div
          role="alert"
          className={
            askReason ? 'border-l-4 border-amber-line bg-amber-wash px-4 py-3' : 'border-l-4 border-rust bg-rust-wash px-4 py-3'
          }
        >
          <p className="font-semibold">{problem.title}.</p>
          {problem.detail && !problem.passing && <p>{problem.detail}</p>}
          {problem.passing && <p>What you typed is kept. Try again in a moment.</p>}
        </div>
      )}
      {askReason && (
        <TextField
          label="Why anyway?"
          value={entry.reason}
          onChange={(event) => entry.setReason(event.target.value)}
          hint="The reason is kept with the entry."
        />
      )}
      <div className="flex flex-wrap gap-3">
        <Button look="main" type="submit" disabled={busy || (askReason !== null && entry.reason.trim().length < 3)}>
          {busy ? 'Saving …' : askReason ? `${action} anyway` : problem?.passing ? 'Try again' : action}
        </Button>
        {cancel && <Button onClick={cancel}>Cancel</Button>}
      </div>
    </div>
  );
}
