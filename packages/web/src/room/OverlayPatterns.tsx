import type { OverlayMark } from './overlay';

/** From little to much: denser and darker; the densest carries rust. */
const MARKS: Record<0 | 1 | 2 | 3 | 4, { colour: string; drawing: React.ReactNode }> = {
  0: { colour: 'var(--water)', drawing: null },
  1: { colour: 'var(--water)', drawing: <circle cx="4" cy="4" r="1.2" stroke="none" /> },
  2: { colour: 'var(--tank)', drawing: <path d="M-2 10 10-2" strokeWidth="1" /> },
  3: { colour: 'var(--tank)', drawing: <path d="M-2 10 10-2M-6 6 6-6M2 14 14 2" strokeWidth="1.6" /> },
  4: { colour: 'var(--yolk)', drawing: <path d="M0 0 8 8M8 0 0 8" strokeWidth="1.3" /> },
};
const STEPS = [0, 1, 2, 3, 4] as const;

/** Fills of the overlays, colour and pattern together. */
export function OverlayPatterns() {
  return (
    <defs>
      {STEPS.map((step) => (
        <pattern key={step} id={`overlay-${step}`} width="8" height="8" patternUnits="userSpaceOnUse">
          <rect width="8" height="8" fill={MARKS[step].colour} />
          <g fill="var(--mark)" stroke="var(--mark)" opacity="0.55">
            {MARKS[step].drawing}
          </g>
        </pattern>
      ))}
    </defs>
  );
}

export const overlayFill = (step: OverlayMark['step']): string => (step === null ? 'none' : `url(#overlay-${step})`);

/** A piece of an overlay's fill for its legend. */
export function OverlaySwatch({ step }: { step: OverlayMark['step'] }) {
  return (
    <svg width={22} height={14} aria-hidden className="shrink-0">
      <OverlayPatterns />
      <rect
        x="0.5"
        y="0.5"
        width="21"
        height="13"
        fill={overlayFill(step)}
        stroke="var(--ink)"
        strokeDasharray={step === null ? '3 2' : undefined}
      />
    </svg>
  );
}
