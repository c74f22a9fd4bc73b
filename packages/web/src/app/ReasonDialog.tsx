import { useState } from 'react';
import type { AskedReason } from '../data';
import { Button, Dialog, TextField } from '../ui';

/** Where a tick or a jotted line is refused but would be taken with a reason: the reason is asked for, as a form asks for it. */
export function ReasonDialog({ asked: { problem, label, answer } }: { asked: AskedReason }) {
  const [reason, setReason] = useState('');
  return (
    <Dialog title={problem.title} about={label} open onClose={() => answer(null)}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (reason.trim().length >= 3) answer(reason.trim());
        }}
      >
        <p role="alert" className="mb-4 border-l-4 border-amber-line bg-amber-wash px-4 py-3">
          {problem.detail}
        </p>
        <TextField
          label="Why anyway?"
          autoFocus
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          hint="The reason is kept with the entry."
        />
        <div className="mt-5 flex flex-wrap gap-3">
          <Button look="main" type="submit" disabled={reason.trim().length < 3}>
            Log it anyway
          </Button>
          <Button onClick={() => answer(null)}>Leave it</Button>
        </div>
      </form>
    </Dialog>
  );
}
