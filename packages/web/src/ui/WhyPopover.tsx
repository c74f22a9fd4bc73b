import type { RefObject } from 'react';
import { Popover } from 'radix-ui';
import type { Reasons } from './reasons';

/** The sheet of a "why?": inputs, formula in words, source. Fetched when the first is opened. */
export default function WhyPopover({
  about,
  inputs = [],
  formula,
  source,
  notes = [],
  button,
  close,
}: Reasons & { about: string; button: RefObject<HTMLButtonElement | null>; close: () => void }) {
  const isButton = (target: EventTarget | null) => target instanceof Node && button.current?.contains(target) === true;
  return (
    <Popover.Root open onOpenChange={(next) => !next && close()}>
      <Popover.Anchor virtualRef={button as RefObject<HTMLButtonElement>} />
      <Popover.Portal>
        <Popover.Content
          aria-label={about}
          collisionPadding={12}
          sideOffset={4}
          className="z-50 w-[380px] max-w-[calc(100vw-24px)] border border-ink bg-sheet p-4 text-ink"
          onInteractOutside={(event) => isButton(event.target) && event.preventDefault()}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            button.current?.focus();
          }}
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
