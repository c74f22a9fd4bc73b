import { useRef, useState } from 'react';
import { v7 as newId } from 'uuid';
import { useLog } from '../../data';
import { Button } from '../../ui';
import type { NewLot, ReadRow } from './lotCsv';

const SHOWN = 200;

/** A file before it is taken over: every row, what is wrong with it by column, and the choice to leave wrong rows out. */
export function ImportPreview({
  file,
  rows,
  known,
  toLots,
  done,
  back,
}: {
  file: string;
  rows: readonly ReadRow<unknown>[];
  known: number;
  toLots: () => NewLot[];
  done: () => void;
  back: () => void;
}) {
  const log = useLog();
  const [leaveOut, setLeaveOut] = useState(false);
  const [busy, setBusy] = useState(false);
  const id = useRef(newId());
  const wrong = rows.filter(({ problems }) => problems.length > 0);
  const lots = toLots();
  const sorted = [...wrong, ...rows.filter(({ problems }) => problems.length === 0)];
  return (
    <>
      <p>
        <b>{file}</b>: {rows.length} rows{wrong.length > 0 && <b className="text-rust">, {wrong.length} with something wrong</b>}
        {known > 0 && `, ${known} of them here already and left as they are`}.
      </p>
      <div className="mt-2 max-h-72 overflow-y-auto border-y border-rule">
        <table className="w-full text-left">
          <thead className="text-note text-quiet">
            <tr>
              <th className="w-16 py-1 font-normal">Line</th>
              <th className="w-48 font-normal">Who</th>
              <th className="font-normal">What is wrong</th>
            </tr>
          </thead>
          <tbody>
            {sorted.slice(0, SHOWN).map((row) => (
              <tr key={row.line} className="border-t border-rule align-baseline">
                <td className="py-1 font-mono">{row.line}</td>
                <td className="max-w-48 truncate">{row.label}</td>
                <td>
                  {row.problems.length === 0 ? (
                    <span className="text-quiet">nothing</span>
                  ) : (
                    row.problems.map(({ column, message }) => (
                      <p key={column + message} className="text-rust">
                        <b>{column}</b>: {message}
                      </p>
                    ))
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {sorted.length > SHOWN && <p className="py-1 text-quiet">and {sorted.length - SHOWN} more without fault</p>}
      </div>
      {wrong.length > 0 && (
        <label className="mt-2 flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            className="size-6 accent-[var(--deep)]"
            checked={leaveOut}
            onChange={(event) => setLeaveOut(event.target.checked)}
          />
          Import the rest without these rows
        </label>
      )}
      <div className="mt-3 flex flex-wrap gap-3">
        <Button
          look="main"
          disabled={busy || lots.length === 0 || (wrong.length > 0 && !leaveOut)}
          onClick={() => {
            setBusy(true);
            void log('importLots', { id: id.current, lots }, `${lots.length} lots imported`).then((taken) => {
              setBusy(false);
              if (taken) done();
            });
          }}
        >
          {wrong.length > 0 && !leaveOut ? 'Nothing imported yet' : `Import ${lots.length}`}
        </Button>
        <Button onClick={back}>Another file</Button>
      </div>
    </>
  );
}
