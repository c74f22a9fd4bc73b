import { formatNumber } from '@freshet/core/units';
import type { LineAnimal } from './useLine';

const NAME_PX = 118;
/** Kinship from which each step of shading begins: none, cousins, half sibs, full sibs, more. */
export const KIN_STEPS = [
  [0, 'none'],
  [0.03, 'cousins'],
  [0.1, 'half brothers and sisters'],
  [0.2, 'brothers and sisters'],
  [0.3, 'closer'],
] as const;
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};
const stepOf = (kin: number) => KIN_STEPS.findLastIndex(([from]) => kin >= from - 1e-9);
const SHADE = [
  'none',
  'color-mix(in srgb, var(--deep) 14%, transparent)',
  'color-mix(in srgb, var(--deep) 34%, transparent)',
  'color-mix(in srgb, var(--deep) 62%, transparent)',
  'color-mix(in srgb, var(--rust) 70%, transparent)',
] as const;

/** Patterns that go with the shades, so that no colour has to tell them apart; once on a page for all its squares. */
export function KinPatterns() {
  return (
    <svg width={0} height={0} aria-hidden className="absolute">
      <defs>
        <pattern id="kin-2" width="6" height="6" patternUnits="userSpaceOnUse">
          <circle cx="3" cy="3" r="0.9" fill="var(--ink)" />
        </pattern>
        <pattern id="kin-3" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--ink)" strokeWidth="1" />
        </pattern>
        <pattern id="kin-4" width="6" height="6" patternUnits="userSpaceOnUse">
          <path d="M0,0 L6,6 M6,0 L0,6" stroke="var(--ink)" strokeWidth="0.9" />
        </pattern>
      </defs>
    </svg>
  );
}

/** One shade with its pattern. */
export function KinShade({ kin, x, y, size }: { kin: number; x: number; y: number; size: number }) {
  const step = stepOf(kin);
  return (
    <>
      <rect x={x} y={y} width={size} height={size} fill={SHADE[step]} />
      {step >= 2 && <rect x={x} y={y} width={size} height={size} fill={`url(#kin-${step})`} opacity={0.35} />}
    </>
  );
}

/** What the shades mean. */
export function KinLegend() {
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1 text-note">
      {KIN_STEPS.map(([from, words]) => (
        <span key={words} className="flex items-center gap-1.5">
          <svg width={18} height={14} aria-hidden>
            <KinShade kin={from} x={0} y={0} size={18} />
            <rect x={0.5} y={0.5} width={17} height={13} fill="none" stroke="var(--edge)" />
          </svg>
          {words}
        </span>
      ))}
    </div>
  );
}

/** Who is how near to whom: kinship in per cent, which is the inbreeding their young would have. */
export function HeatMap({
  animals,
  matrix,
  chosen,
  choose,
  width,
}: {
  animals: readonly LineAnimal[];
  matrix: readonly (readonly number[])[];
  chosen: readonly [string, string] | null;
  choose: (pair: [string, string]) => void;
  width: number;
}) {
  const n = animals.length;
  const cell = Math.max(14, Math.min(44, Math.floor((width - NAME_PX) / Math.max(1, n))));
  const top = NAME_PX - 30;
  return (
    <div className="overflow-x-auto">
      <svg width={NAME_PX + n * cell + 72} height={top + n * cell + 6} role="grid" aria-label={`Kinship of ${n} animals`}>
        {animals.map((animal, i) => (
          <g key={animal.id}>
            <text x={NAME_PX - 6} y={top + (i + 0.5) * cell + 4} textAnchor="end" fontSize={12.5} fill="var(--ink)">
              {animal.label.length > 16 ? `${animal.label.slice(0, 15)}…` : animal.label}
            </text>
            <text
              transform={`translate(${NAME_PX + (i + 0.5) * cell + 4},${top - 6}) rotate(-42)`}
              fontSize={12.5}
              fill="var(--ink)"
            >
              {animal.label.length > 14 ? `${animal.label.slice(0, 13)}…` : animal.label}
            </text>
          </g>
        ))}
        {animals.map((one, i) => (
          <g key={one.id} role="row">
            {animals.map((other, j) => {
              const kin = matrix[i]?.[j] ?? 0;
              const [x, y] = [NAME_PX + j * cell, top + i * cell];
              const isChosen =
                chosen !== null &&
                ((chosen[0] === one.id && chosen[1] === other.id) || (chosen[1] === one.id && chosen[0] === other.id));
              return (
                <g
                  key={other.id}
                  role="gridcell"
                  tabIndex={i === 0 && j === Math.min(1, n - 1) ? 0 : -1}
                  data-square={`${i} ${j}`}
                  aria-label={
                    i === j
                      ? `${one.label}, its own inbreeding: ${formatNumber((2 * kin - 1) * 100)} %`
                      : `${one.label} and ${other.label}: ${formatNumber(kin * 100)} %`
                  }
                  className="cursor-pointer"
                  onClick={() => i !== j && choose([one.id, other.id])}
                  onKeyDown={(event) => {
                    if (event.key === 'Enter' && i !== j) choose([one.id, other.id]);
                    const step = STEPS[event.key];
                    if (!step) return;
                    event.preventDefault();
                    event.currentTarget.ownerSVGElement
                      ?.querySelector<SVGGElement>(`[data-square="${i + step[0]} ${j + step[1]}"]`)
                      ?.focus();
                  }}
                >
                  <KinShade kin={i === j ? 0 : kin} x={x} y={y} size={cell} />
                  <rect
                    x={x}
                    y={y}
                    width={cell}
                    height={cell}
                    fill={i === j ? 'var(--shade)' : 'transparent'}
                    stroke={isChosen ? 'var(--ink)' : 'var(--rule)'}
                    strokeWidth={isChosen ? 2.5 : 1}
                  />
                  {cell >= 26 && (
                    <text
                      x={x + cell / 2}
                      y={y + cell / 2 + 4}
                      textAnchor="middle"
                      fontSize={12}
                      fill="var(--ink)"
                      stroke="var(--sheet)"
                      strokeWidth={3}
                      paintOrder="stroke"
                      className="pointer-events-none"
                    >
                      {kin === 0 ? '0' : formatNumber((i === j ? 2 * kin - 1 : kin) * 100)}
                    </text>
                  )}
                </g>
              );
            })}
          </g>
        ))}
      </svg>
    </div>
  );
}
