import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** How a result came about. */
export interface Reasons {
  inputs?: readonly { label: string; value: string }[];
  formula?: string;
  source?: string;
  notes?: readonly string[];
}

/** The "why?" beside a number: inputs, formula in words, source. */
export function Why({
  about,
  inputs = [],
  formula,
  source,
  notes = [],
  label = 'why?',
}: Reasons & { about: string; label?: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger aria-label={`Why: ${about}`} className="min-h-6 px-0.5 text-note text-quiet link hover:text-ink">
        {label}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          collisionPadding={12}
          sideOffset={4}
          className="z-50 w-[380px] max-w-[calc(100vw-24px)] border border-ink bg-sheet p-4 text-ink"
        >
          <h3 className="mb-2">{about}</h3>
          {inputs.length > 0 && (
            <dl className="mb-2">
              {inputs.map((input) => (
                <div key={input.label} className="flex justify-between gap-4 border-b border-rule py-1 text-note">
                  <dt className="text-quiet">{input.label}</dt>
                  <dd className="text-right">{input.value}</dd>
                </div>
              ))}
            </dl>
          )}
          {formula && <p className="text-note">{formula}</p>}
          {notes.map((note) => (
            <p key={note} className="mt-2 border-l-4 border-amber-line pl-2 text-note">
              {note}
            </p>
          ))}
          {source && <p className="mt-2 text-note text-quiet">Source: {source}</p>}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
