import { lazy, Suspense, useRef, useState, type ReactNode } from 'react';
import type { Reasons } from './reasons';

const WhyPopover = lazy(() => import('./WhyPopover'));

/** The "why?" beside a number: inputs, formula in words, source. */
export function Why({ label = 'why?', ...reasons }: Reasons & { about: string; label?: ReactNode }) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        aria-label={`Why: ${reasons.about}`}
        className="min-h-6 px-0.5 text-note text-quiet link hover:text-ink"
        onClick={() => setOpen(!open)}
      >
        {label}
      </button>
      {open && (
        <Suspense>
          <WhyPopover {...reasons} button={button} close={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
