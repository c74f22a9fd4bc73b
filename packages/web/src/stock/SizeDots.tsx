import { summariseLengths } from '@freshet/core/stock';
import { formatNumber } from '@freshet/core/units';

const WIDTH = 320;
const DOT = 4;

/** A sample of lengths as dots over a line of mm, and the cohorts that stand apart in it in words. */
export function SizeDots({ lengths }: { lengths: readonly number[] }) {
  const { cohorts } = summariseLengths(lengths);
  const longest = Math.max(...lengths);
  const x = (mm: number) => 8 + (mm / (longest * 1.05)) * (WIDTH - 16);
  const heights = new Map<number, number>();
  const dots = [...lengths]
    .sort((a, b) => a - b)
    .map((mm) => {
      const column = Math.round(x(mm) / (DOT * 2));
      const height = heights.get(column) ?? 0;
      heights.set(column, height + 1);
      return { mm, height };
    });
  const rows = Math.min(12, Math.max(...heights.values()));
  const base = rows * DOT * 2 + 6;
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${base + 16}`}
        className="w-full max-w-md"
        role="img"
        aria-label={`${lengths.length} lengths up to ${formatNumber(longest, 3)} mm`}
      >
        {dots.map(({ mm, height }, i) => (
          <circle key={i} cx={x(mm)} cy={base - 6 - Math.min(height, 11) * DOT * 2} r={DOT - 0.8} fill="var(--deep)" />
        ))}
        <path d={`M4,${base} H${WIDTH - 4}`} stroke="var(--edge)" />
        {cohorts.map(({ fromMm, toMm, meanMm }) => (
          <g key={fromMm}>
            <path d={`M${x(fromMm) - 3},${base} H${x(toMm) + 3}`} stroke="var(--ink)" strokeWidth={3} />
            <text x={x(meanMm)} y={base + 13} textAnchor="middle" fontSize={11} fill="var(--ink)">
              {formatNumber(meanMm)}
            </text>
          </g>
        ))}
      </svg>
      {cohorts.length > 1 && (
        <figcaption>
          {cohorts.length} sizes stand apart, most likely as many ages:{' '}
          {cohorts.map(({ count, meanMm }) => `${count} of about ${formatNumber(meanMm)} mm`).join(', ')}.
        </figcaption>
      )}
    </figure>
  );
}
