import { factorWords } from '@freshet/core/spawning';
import { formatNumber } from '@freshet/core/units';

type Several = {
  intercept: number;
  factors: { name: string; logOdds: number | null; sd: number | null; probPositive: number | null }[];
};

/** All factors at once: how each bears on it beside the others. */
export function SeveralPlot({ several }: { several: Several }) {
  const shown = several.factors
    .flatMap(({ name, logOdds, sd, probPositive }) =>
      logOdds === null || sd === null ? [] : [{ name, logOdds, sd, probPositive }],
    )
    .sort((a, b) => Math.abs(b.logOdds / b.sd) - Math.abs(a.logOdds / a.sd))
    .slice(0, 16);
  const reach = Math.max(2, ...shown.map(({ logOdds, sd }) => Math.abs(logOdds) + 2 * sd));
  const width = 620;
  const x = (value: number) => 220 + ((width - 300) / 2) * (1 + value / reach);
  return (
    <div className="overflow-x-auto">
      <svg width={width} height={26 + shown.length * 22} role="img" aria-label="Everything compared, the surest first">
        <line x1={x(0)} x2={x(0)} y1={4} y2={10 + shown.length * 22} stroke="var(--edge)" />
        {shown.map(({ name, logOdds, sd, probPositive }, i) => (
          <g key={name} transform={`translate(0 ${8 + i * 22})`}>
            <text x={210} y={12} textAnchor="end" className="fill-ink text-note">
              {factorWords(name).label}
            </text>
            <line x1={x(logOdds - 2 * sd)} x2={x(logOdds + 2 * sd)} y1={8} y2={8} stroke="var(--deep)" strokeWidth={2} />
            <circle cx={x(logOdds)} cy={8} r={4} fill="var(--ink)" />
            <text x={width - 70} y={12} className="fill-quiet text-note">
              {probPositive === null ? '' : `${formatNumber(100 * Math.max(probPositive, 1 - probPositive))} % sure`}
            </text>
          </g>
        ))}
        <text x={x(0) - 8} y={22 + shown.length * 22} textAnchor="end" className="fill-quiet text-note">
          less often
        </text>
        <text x={x(0) + 8} y={22 + shown.length * 22} className="fill-quiet text-note">
          more often
        </text>
      </svg>
    </div>
  );
}
