/** What a band, bar or swatch is about. */
export type StageKind = 'breeders' | 'eggs' | 'yolk' | 'fry' | 'growing' | 'ready' | 'culture' | 'tank';

/** The keeper's words for each. */
export const STAGE_WORDS: Record<StageKind, string> = {
  breeders: 'breeders',
  eggs: 'eggs',
  yolk: 'yolk',
  fry: 'fry',
  growing: 'growing',
  ready: 'ready',
  culture: 'live food',
  tank: 'tank',
};

const MARKS: Record<StageKind, React.ReactNode> = {
  breeders: <path d="M2 0v8M6 0v8" strokeWidth="1" />,
  eggs: (
    <>
      <circle cx="2" cy="2" r="1.1" />
      <circle cx="6" cy="6" r="1.1" />
    </>
  ),
  yolk: <path d="M-2 6 6-2M0 10 10 0M4 12 12 4" strokeWidth="1" />,
  fry: null,
  growing: <path d="M0 7h8" strokeWidth="0.7" />,
  ready: <path d="M0 0 8 8M8 0 0 8" strokeWidth="0.6" />,
  culture: <path d="M0 2q2 3 4 0t4 0M0 6q2 3 4 0t4 0" fill="none" strokeWidth="0.9" />,
  tank: <path d="M4 0v8M0 4h8" strokeWidth="0.5" />,
};
const KINDS = Object.keys(STAGE_WORDS) as StageKind[];

/** Fills for every stage, colour and pattern together, to be used as `url(#stage-eggs)`; once a page. */
export function StagePatterns() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden focusable="false">
      <defs>
        {KINDS.map((kind) => (
          <pattern key={kind} id={`stage-${kind}`} width="8" height="8" patternUnits="userSpaceOnUse">
            <rect width="8" height="8" fill={`var(--${kind})`} />
            <g fill="var(--mark)" stroke="var(--mark)" opacity={kind === 'growing' || kind === 'ready' ? 0.35 : 0.5}>
              {MARKS[kind]}
            </g>
          </pattern>
        ))}
      </defs>
    </svg>
  );
}

/** The fill of a stage. */
export const stageFill = (kind: StageKind): string => `url(#stage-${kind})`;

/** A small piece of a stage's fill; dashed when predicted. */
export function Swatch({
  kind,
  width = 22,
  height = 14,
  predicted = false,
}: {
  kind: StageKind;
  width?: number;
  height?: number;
  predicted?: boolean;
}) {
  return (
    <svg width={width} height={height} aria-hidden className="shrink-0">
      <rect
        x="0.5"
        y="0.5"
        width={width - 1}
        height={height - 1}
        fill={stageFill(kind)}
        fillOpacity={predicted ? 0.6 : 1}
        stroke="var(--ink)"
        strokeDasharray={predicted ? '3 2' : undefined}
      />
    </svg>
  );
}
