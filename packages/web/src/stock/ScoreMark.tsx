const TREND = { up: '▲', down: '▼', same: '=' } as const;

/** A condition score of 1 to 5 as filled squares, with where it went since about a week ago. */
export function ScoreMark({ score, trend }: { score: number; trend: number | null }) {
  const way = trend === null ? null : trend > 0 ? 'up' : trend < 0 ? 'down' : 'same';
  return (
    <span
      role="img"
      className="inline-flex items-center gap-1 whitespace-nowrap"
      aria-label={`condition ${score} of 5${trend === null ? '' : trend === 0 ? ', as a week ago' : `, ${trend > 0 ? 'up' : 'down'} ${Math.abs(trend)} in a week`}`}
    >
      <svg width={52} height={10} aria-hidden className="shrink-0">
        {[0, 1, 2, 3, 4].map((i) => (
          <rect
            key={i}
            x={i * 10.5 + 0.5}
            y={0.5}
            width={8}
            height={8}
            fill={i < score ? 'var(--deep)' : 'none'}
            stroke="var(--edge)"
          />
        ))}
      </svg>
      {way && (
        <span aria-hidden className={`text-note ${way === 'down' ? 'text-rust' : 'text-quiet'}`}>
          {TREND[way]}
        </span>
      )}
    </span>
  );
}
