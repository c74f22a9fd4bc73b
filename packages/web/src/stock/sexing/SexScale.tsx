import { sexWords } from '@freshet/core/stock';

const WIDTH = 320;
const toX = (pMale: number) => 10 + pMale * (WIDTH - 20);

/** From surely female to surely male; the middle, where nothing is settled, is hatched. */
export function SexScale({ pMale, before }: { pMale: number; before: number | null }) {
  return (
    <svg viewBox={`0 0 ${WIDTH} 62`} className="w-full max-w-md" role="img" aria-label={`Sex by traits: ${sexWords(pMale)}`}>
      <defs>
        <pattern id="unsettled" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--edge)" strokeWidth="1.4" />
        </pattern>
      </defs>
      <rect x={toX(0)} y={16} width={toX(1) - toX(0)} height={16} fill="var(--ground)" stroke="var(--ink)" />
      <rect x={toX(0.1)} y={16} width={toX(0.9) - toX(0.1)} height={16} fill="url(#unsettled)" />
      {[0.05, 0.5, 0.95].map((share) => (
        <line
          key={share}
          x1={toX(share)}
          x2={toX(share)}
          y1={12}
          y2={36}
          stroke="var(--ink)"
          strokeDasharray={share === 0.5 ? undefined : '2 2'}
        />
      ))}
      {before !== null && <circle cx={toX(before)} cy={24} r={5} fill="none" stroke="var(--quiet)" strokeDasharray="2 2" />}
      <path d={`M${toX(pMale)},22 l-7,-14 h14 Z`} fill="var(--deep)" />
      <line x1={toX(pMale)} x2={toX(pMale)} y1={16} y2={32} stroke="var(--deep)" strokeWidth={3} />
      <text x={toX(0)} y={52} fontSize={13} fill="var(--ink)">
        female
      </text>
      <text x={toX(0.5)} y={52} fontSize={13} textAnchor="middle" fill="var(--quiet)">
        cannot say
      </text>
      <text x={toX(1)} y={52} fontSize={13} textAnchor="end" fill="var(--ink)">
        male
      </text>
    </svg>
  );
}
