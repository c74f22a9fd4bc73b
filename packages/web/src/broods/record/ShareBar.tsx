import type { Rate } from '@freshet/core/evidence';
import { showPercent } from '../../data';

/** A share with the range it lies in: a dot on a line from nothing to all. */
export function ShareBar({ share, width = 200, label }: { share: Rate; width?: number; label: string }) {
  const x = (of: number) => 5 + (width - 10) * of;
  return (
    <svg
      width={width}
      height={20}
      role="img"
      aria-label={`${label}: ${showPercent(share.mean)}, likely ${showPercent(share.low95)} to ${showPercent(share.high95)}`}
      className="shrink-0"
    >
      <path d={`M${x(0)},10 H${x(1)}`} stroke="var(--edge)" />
      {[0, 0.5, 1].map((tick) => (
        <path key={tick} d={`M${x(tick)},6 V14`} stroke="var(--edge)" />
      ))}
      <rect
        x={x(share.low95)}
        y={6}
        width={Math.max(2, x(share.high95) - x(share.low95))}
        height={8}
        fill="var(--fry)"
        stroke="var(--edge)"
      />
      <circle cx={x(share.mean)} cy={10} r={3.8} fill="var(--ink)" />
    </svg>
  );
}
