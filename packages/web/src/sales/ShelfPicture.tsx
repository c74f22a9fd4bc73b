import { measureText, useWidth } from '../ui';
import { netOf, showRate, type Paid } from './money';

const ROW = 22;
const PAD = 8;

/** What so many litres earn in a week, by species: to the right what pays for its place, to the left what does not. */
export function ShelfPicture({
  rows,
  currency,
  isDear,
  litres,
}: {
  rows: readonly Paid[];
  currency: string;
  isDear: boolean;
  litres: number;
}) {
  const [box, width] = useWidth<HTMLDivElement>();
  const told = rows.map((row) => ({ row, rate: (netOf(row, isDear) / row.litreWeeks) * litres })).sort((a, b) => b.rate - a.rate);
  const names = Math.min(
    width * 0.42,
    Math.max(0, ...told.map(({ row }) => measureText(row.name, "15px 'Atkinson Hyperlegible Next Variable'"))) + PAD,
  );
  const amount = 74;
  const plot = Math.max(40, width - names - amount - 2 * PAD);
  const most = Math.max(0.01, ...told.map(({ rate }) => rate));
  const least = Math.min(0, ...told.map(({ rate }) => rate));
  const x = (rate: number) => names + PAD + ((rate - least) / (most - least)) * plot;
  const zero = x(0);
  return (
    <div ref={box} className="px-3 py-2">
      {width > 0 && (
        <svg
          width={width}
          height={told.length * ROW + 4}
          role="img"
          aria-label={told.map(({ row, rate }) => `${row.name} ${showRate(rate, currency)}`).join(', ')}
        >
          {told.map(({ row, rate }, i) => {
            const y = i * ROW + 3;
            const [from, to] = [Math.min(zero, x(rate)), Math.max(zero, x(rate))];
            return (
              <g key={row.key}>
                <text x={names} y={y + 13} textAnchor="end" className="fill-ink" fontSize="15">
                  {row.name}
                </text>
                <rect
                  x={from}
                  y={y}
                  width={Math.max(1, to - from)}
                  height={ROW - 7}
                  fill={rate < 0 ? 'var(--rust-wash)' : 'var(--ready)'}
                  stroke={rate < 0 ? 'var(--rust)' : 'var(--ink)'}
                  strokeDasharray={rate < 0 ? '3 2' : undefined}
                />
                <text
                  x={width}
                  y={y + 13}
                  textAnchor="end"
                  fontSize="14"
                  className={`font-mono ${rate < 0 ? 'fill-rust' : 'fill-ink'}`}
                >
                  {showRate(rate, currency)}
                </text>
              </g>
            );
          })}
          <path d={`M${zero} 0V${told.length * ROW + 2}`} stroke="var(--ink)" strokeWidth="1.5" />
        </svg>
      )}
    </div>
  );
}
