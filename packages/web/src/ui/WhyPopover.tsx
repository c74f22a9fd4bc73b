import type { RefObject } from 'react';
import { Popover } from 'radix-ui';
import { Link } from 'react-router';
import { inUnits } from '@freshet/core/units';
import { useUnits } from '../data';
import type { Reasons } from './reasons';

/** The entry of the sources a reason names. */
const anchorOf = (source: string) => source.slice(source.indexOf('#') + 1);

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
  const units = useUnits();
  const own = (text: string) => (units ? inUnits(text, units) : text);
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
                  <dd className="text-right">{own(input.value)}</dd>
                </div>
              ))}
            </dl>
          )}
          {formula && <p className="text-note">{own(formula)}</p>}
          {notes.map((note) => (
            <p key={note} className="mt-2 border-l-4 border-amber-line pl-2 text-note">
              {own(note)}
            </p>
          ))}
          {source && (
            <p className="mt-2 text-note text-quiet">
              Source:{' '}
              <Link className="link" to={`/sources#${anchorOf(source)}`}>
                {anchorOf(source).replaceAll('-', ' ')}
              </Link>
            </p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
