import { Link } from 'react-router';
import type { ReadyRow as Row } from '@freshet/core/sales';
import { formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse } from '../data';
import { LinkButton } from '../ui';

const HEIGHT = 38;
const STEP = 15;

/** How many are ready by week: the likeliest as a bar, the band as a line through it; what is ready now stands first and solid. */
function Weeks({ row }: { row: Row }) {
  const most = Math.max(1, row.heads - row.held, ...row.weeks.map(({ high }) => high));
  const y = (count: number) => HEIGHT - (count / most) * (HEIGHT - 3);
  const bars = [{ day: '', ...row.now }, ...row.weeks];
  const words = row.weeks.map(({ mid }) => mid).join(', ');
  return (
    <svg
      width={bars.length * STEP}
      height={HEIGHT + 1}
      role="img"
      aria-label={`${row.name}: ${row.now.mid} big enough now, by week ${words}`}
    >
      {bars.map(({ day, low, mid, high }, i) => (
        <g key={day || 'now'}>
          <rect
            x={i * STEP + 2}
            y={y(mid)}
            width={STEP - 4}
            height={HEIGHT - y(mid)}
            fill="var(--ready)"
            fillOpacity={i === 0 ? 1 : 0.45}
            stroke={i === 0 ? 'var(--ink)' : 'none'}
          />
          {high > low && <path d={`M${i * STEP + STEP / 2} ${y(low)}V${y(high)}`} stroke="var(--ink)" strokeWidth="1.4" />}
        </g>
      ))}
      <path d={`M0 ${HEIGHT}H${bars.length * STEP}`} stroke="var(--edge)" />
    </svg>
  );
}

/** When enough are of sale size to be worth a bag, in words. */
function whenWords(row: Row, today: string): string {
  if (row.now.mid > 0) return '';
  const first = row.weeks.find(({ mid }) => mid > 0);
  return first ? `first about ${formatDay(first.day, today)}` : 'none within 16 weeks';
}

/** One brood: how many can go now, how sure, and what comes. */
export function ReadyRow({ row, sell }: { row: Row; sell: (() => void) | null }) {
  const house = useHouse();
  const sexes = [row.males && `${row.males} m`, row.females && `${row.females} f`, row.unsexed && `${row.unsexed} not sexed`];
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule px-3 py-1.5">
      <span className="w-16 shrink-0 text-right">
        <b className={`text-title ${row.now.mid === 0 ? 'text-quiet' : ''}`}>{row.now.mid}</b>
        <span className="block text-note text-quiet">
          {row.now.low < row.now.high ? `${row.now.low} to ${row.now.high}` : ''}
        </span>
      </span>
      <span className="min-w-0 flex-1 basis-56">
        <Link to={`/growout/broods/${row.broodId}`} className="font-semibold link">
          {row.name}
        </Link>{' '}
        <span className="text-quiet">
          {row.speciesName}, <span className="font-mono">{row.codes}</span>
        </span>
        <span className="block text-note text-quiet">
          {row.unsexed === row.heads ? `${row.heads} live, not sexed` : `${row.heads} live: ${sexes.filter(Boolean).join(', ')}`}
          {row.held > 0 && `; ${row.held} held back`}
          {row.promised > 0 && `; ${row.promised} promised`}
          {row.barred && (
            <span className="font-semibold text-rust">
              ; {row.barred.heads} barred, {row.barred.why}
            </span>
          )}
        </span>
      </span>
      <span className="w-72 shrink-0 text-note">
        about {formatNumber(row.lengthMm.mid)} mm (sells at {formatNumber(row.saleMm)})
        {!row.isMeasured && <span className="text-amber">, not measured</span>}
        <span className="block text-quiet">{whenWords(row, house.today)}</span>
      </span>
      <Weeks row={row} />
      <span className="w-20 shrink-0 text-right">
        {sell && (
          <LinkButton aria-label={`Sell ${row.name}`} onClick={sell}>
            Sell
          </LinkButton>
        )}
      </span>
    </li>
  );
}
