const LINE = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 1.5, strokeLinecap: 'round', strokeLinejoin: 'round' } as const;
const MARK = { fill: 'none', stroke: 'var(--rust)', strokeWidth: 2, strokeLinecap: 'round', strokeLinejoin: 'round' } as const;

/** A fish from the side: body, tail, fins; what the trait is about is drawn over it. */
const Side = ({ belly = 0 }: { belly?: number }) => (
  <>
    <path d={`M10,26 C22,12 52,10 72,24 L90,14 L86,26 L90,38 L72,28 C52,${40 + belly} 22,${38 + belly} 10,26 Z`} {...LINE} />
    <circle cx={20} cy={24} r={1.8} fill="var(--ink)" />
    <path d="M36,14 L46,5 L56,14" {...LINE} />
  </>
);
/** A crustacean from the side: shell, tail, legs. */
const Shrimp = () => (
  <>
    <path d="M12,22 C22,10 44,12 56,18 C70,22 82,30 88,42 L80,40 C72,34 62,32 52,32 L22,32 C14,30 12,26 12,22 Z" {...LINE} />
    <path d="M12,20 L2,10 M14,18 L6,6" {...LINE} />
    <path d="M26,32 L24,42 M34,32 L33,43 M42,32 L42,43" {...LINE} />
  </>
);
/** The underside between the last legs. */
const Underside = () => (
  <>
    <path d="M30,4 H66 L62,26 L58,48 H38 L34,26 Z" {...LINE} />
    <path d="M30,10 L12,6 M66,10 L84,6 M32,20 L12,20 M64,20 L84,20 M35,32 L18,38 M61,32 L78,38" {...LINE} />
  </>
);

const DRAWINGS: Readonly<Record<string, React.ReactNode>> = {
  above: (
    <>
      <path d="M8,26 C20,8 50,8 64,22 L88,26 L64,30 C50,44 20,44 8,26 Z" {...LINE} />
      <circle cx={18} cy={20} r={1.8} fill="var(--ink)" />
      <circle cx={18} cy={32} r={1.8} fill="var(--ink)" />
      <path d="M34,4 V10 M34,42 V48 M30,7 L34,11 L38,7 M30,45 L34,41 L38,45" {...MARK} />
    </>
  ),
  side: (
    <>
      <Side belly={8} />
      <path d="M28,43 C38,49 50,48 60,42" {...MARK} />
    </>
  ),
  forehead: (
    <>
      <Side />
      <path d="M13,22 C16,8 28,6 36,12" {...MARK} />
    </>
  ),
  patch: (
    <>
      <Side belly={6} />
      <path d="M44,36 C48,29 58,29 62,35 C57,40 49,40 44,36 Z" {...MARK} fill="var(--rust-wash)" />
    </>
  ),
  size: (
    <>
      <g transform="translate(0,-4) scale(0.86)">
        <Side />
      </g>
      <g transform="translate(44,30) scale(0.42)">
        <Side />
      </g>
      <path d="M8,46 V50 H78 V46" {...MARK} />
    </>
  ),
  deep: (
    <>
      <Side belly={6} />
      <path d="M44,10 V42 M40,14 L44,10 L48,14 M40,38 L44,42 L48,38" {...MARK} />
    </>
  ),
  fin: (
    <>
      <Side />
      <path d="M36,14 L58,0 L56,14 M48,37 L66,50 L58,36 M90,14 L96,8 M90,38 L96,44" {...MARK} />
    </>
  ),
  anal: (
    <>
      <Side />
      <path d="M46,38 L60,48 L66,32" {...LINE} />
      <path d="M48,41 L60,49 L63,42" {...MARK} strokeWidth={3.5} />
    </>
  ),
  gonopodium: (
    <>
      <Side />
      <path d="M46,38 L66,46" {...MARK} strokeWidth={3} />
    </>
  ),
  ventPointed: (
    <>
      <path d="M6,18 C30,30 62,30 90,16" {...LINE} />
      <path d="M40,27 L34,42 L46,28" {...MARK} />
    </>
  ),
  ventBlunt: (
    <>
      <path d="M6,18 C30,30 62,30 90,16" {...LINE} />
      <path d="M40,27 L40,40 H52 L52,27" {...MARK} />
    </>
  ),
  face: (
    <>
      <path d="M90,8 C56,4 24,14 14,26 C24,38 56,48 90,44" {...LINE} />
      <circle cx={34} cy={20} r={3} {...LINE} />
      <path d="M40,36 L36,43 M47,38 L44,46 M54,40 L52,48 M40,16 L36,9 M47,14 L44,6 M54,12 L52,4" {...MARK} />
    </>
  ),
  saddle: (
    <>
      <Shrimp />
      <path d="M24,17 C34,11 44,15 48,20 C40,24 30,24 24,17 Z" {...MARK} fill="var(--rust-wash)" />
    </>
  ),
  plates: (
    <>
      <Shrimp />
      <path d="M50,32 C52,42 60,42 60,33 M60,33 C63,44 70,44 70,36" {...MARK} />
    </>
  ),
  claspers: (
    <>
      <Underside />
      <path d="M44,22 L46,38 M52,22 L50,38" {...MARK} strokeWidth={3} />
    </>
  ),
  claws: (
    <>
      <path d="M30,26 C40,14 62,14 70,26 C62,38 40,38 30,26 Z M70,26 L92,26" {...LINE} />
      <path d="M34,20 C24,18 16,12 12,4 C6,12 8,18 18,22 M34,32 C24,34 16,40 12,48 C6,40 8,34 18,30" {...MARK} />
    </>
  ),
  own: (
    <>
      <Side />
      <circle cx={50} cy={24} r={13} {...LINE} strokeDasharray="3 3" />
    </>
  ),
  colour: (
    <>
      <Side />
      <path d="M30,30 L38,20 M40,33 L50,19 M50,33 L60,20 M60,30 L66,23" {...MARK} />
    </>
  ),
};

/** A simple drawing of where to look; the trait itself in the warning colour. */
export function TraitDrawing({ drawing }: { drawing: string }) {
  return (
    <svg viewBox="0 0 100 52" width={100} height={52} aria-hidden className="shrink-0">
      {DRAWINGS[drawing] ?? DRAWINGS.side}
    </svg>
  );
}
