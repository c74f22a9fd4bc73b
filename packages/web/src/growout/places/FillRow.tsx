import { Link } from 'react-router';
import type { FillingTank } from '@freshet/core/growout';
import { formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showVolume, useHouse } from '../../data';

const HEIGHT = 34;
const STEP = 17;
/** A bar over this is cut, and says so by its top. */
const MOST = 1.5;

/** How a tank fills: a bar a week, drawn against what it carries at most; hatched from the day it is tight, solid when it is full. */
function Course({ tank }: { tank: FillingTank }) {
  const y = (share: number) => HEIGHT - (Math.min(MOST, share) / MOST) * HEIGHT;
  const words = tank.course.map(({ full }) => `${Math.round(full * 100)} %`).join(', ');
  return (
    <svg
      width={tank.course.length * STEP}
      height={HEIGHT + 1}
      role="img"
      aria-label={`${tank.code} week by week: ${words} of what it can hold`}
    >
      <defs>
        <pattern id="tight" width="5" height="5" patternUnits="userSpaceOnUse">
          <rect width="5" height="5" fill="var(--amber-wash)" />
          <path d="M0 5 5 0" stroke="var(--amber)" strokeWidth="1.4" />
        </pattern>
      </defs>
      {tank.course.map(({ day, tight, full }, i) => (
        <rect
          key={day}
          x={i * STEP + 1}
          y={y(full)}
          width={STEP - 3}
          height={HEIGHT - y(full)}
          fill={full > 1 ? 'var(--rust)' : tight > 1 ? 'url(#tight)' : 'var(--growing)'}
          fillOpacity={full > 1 || tight > 1 ? 1 : 0.55}
          stroke={tight > 1 ? 'var(--ink)' : 'none'}
          strokeWidth="0.7"
        />
      ))}
      <path d={`M0 ${y(1)}H${tank.course.length * STEP}`} stroke="var(--ink)" strokeDasharray="3 2" />
      <path d={`M0 ${HEIGHT}H${tank.course.length * STEP}`} stroke="var(--edge)" />
    </svg>
  );
}

const whenWords = (tank: FillingTank, today: string): { words: string; look: string } => {
  const on = (day: string) => (day <= today ? 'now' : formatDay(day, today));
  if (tank.fullOn && tank.fullOn <= today) return { words: 'too full', look: 'text-rust font-bold' };
  if (tank.tightOn && tank.fullOn)
    return { words: `getting full ${on(tank.tightOn)}, full ${on(tank.fullOn)}`, look: 'text-amber font-semibold' };
  if (tank.tightOn) return { words: `getting full ${on(tank.tightOn)}`, look: 'text-amber font-semibold' };
  return { words: 'enough room for eight weeks', look: 'text-quiet' };
};

/** One tank with young: who, how it fills, and when it is tight and full. */
export function FillRow({ tank }: { tank: FillingTank }) {
  const house = useHouse();
  const { words, look } = whenWords(tank, house.today);
  return (
    <li className="flex items-center gap-3 border-b border-rule px-3 py-1.5">
      <Link to={`/tanks/${tank.tankId}`} className="w-12 shrink-0 font-mono font-semibold link">
        {tank.code}
      </Link>
      <span className="min-w-0 flex-1">
        <span className="block truncate">
          <b>{tank.heads}</b>{' '}
          {tank.broodId ? (
            <Link to={`/growout/broods/${tank.broodId}`} className="link">
              {tank.who}
            </Link>
          ) : (
            tank.who
          )}
        </span>
        <span className={`block text-note ${look}`}>{words}</span>
      </span>
      <span className="hidden shrink-0 text-right text-note text-quiet sm:block">
        {showVolume(tank.litres, house)}
        {tank.airlessHours !== null && tank.airlessHours < 12 && (
          <span className="block">without air {formatNumber(tank.airlessHours)} h</span>
        )}
      </span>
      <Course tank={tank} />
    </li>
  );
}
