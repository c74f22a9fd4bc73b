import { TANK_SIZES, type TankWeek } from '@freshet/core/growout';
import { formatDay, formatDayRange } from '@freshet/core/time';
import { inUnits } from '@freshet/core/units';
import { useHouse } from '../../data';
import { Empty, Loaded, Loading, useWidth } from '../../ui';
import { growoutWork, useHouseWork } from '../../workers';
import { GrowoutHead } from '../GrowoutHead';

const HEIGHT = 96;
const GAP = 10;

/** One size of tank over the weeks: wanted as bars, what spawnings may add open on top, free as a step line; short is hatched. */
function SizeWeeks({ weeks, size, width }: { weeks: readonly TankWeek[]; size: (typeof TANK_SIZES)[number]; width: number }) {
  const house = useHouse();
  const words = inUnits(size.words, house.units);
  const rows = weeks.map((week) => week.sizes.find((one) => one.size === size.key) ?? { free: 0, needed: 0, expected: 0 });
  const most = Math.max(2, ...rows.map(({ free, needed, expected }) => Math.max(free, needed + expected)));
  const step = width / weeks.length;
  const y = (count: number) => HEIGHT - (count / most) * (HEIGHT - 22);
  const freeLine = rows.map(({ free }, i) => `${i === 0 ? 'M' : 'L'}${i * step} ${y(free)}H${(i + 1) * step}`).join('');
  return (
    <figure className="border-b border-rule px-4 py-2 last:border-b-0">
      <figcaption className="mb-1 font-semibold">Tanks {words}</figcaption>
      <svg
        width={width}
        height={HEIGHT + 20}
        role="img"
        aria-label={`Tanks ${words}: ${rows.map(({ free, needed, expected }, i) => `week ${i + 1}: ${needed} wanted, ${expected} more if all spawn, ${free} free`).join('; ')}`}
      >
        <defs>
          <pattern id={`short-${size.key}`} width="6" height="6" patternUnits="userSpaceOnUse">
            <rect width="6" height="6" fill="var(--rust-wash)" />
            <path d="M0 6 6 0" stroke="var(--rust)" strokeWidth="1.6" />
          </pattern>
        </defs>
        {rows.map(({ free, needed, expected }, i) => {
          const [left, wide] = [i * step + GAP / 2, step - GAP];
          const covered = Math.min(free, needed);
          return (
            <g key={weeks[i]?.from}>
              <rect x={left} y={y(covered)} width={wide} height={HEIGHT - y(covered)} fill="var(--growing)" fillOpacity="0.75" />
              {needed > covered && (
                <rect
                  x={left}
                  y={y(needed)}
                  width={wide}
                  height={y(covered) - y(needed)}
                  fill={`url(#short-${size.key})`}
                  stroke="var(--rust)"
                />
              )}
              {expected > 0 && (
                <rect
                  x={left}
                  y={y(needed + expected)}
                  width={wide}
                  height={y(needed) - y(needed + expected)}
                  fill="none"
                  stroke="var(--ink)"
                  strokeDasharray="3 2"
                />
              )}
              {needed + expected > 0 && (
                <text x={left + wide / 2} y={y(needed + expected) - 4} fontSize="12" textAnchor="middle" fill="var(--ink)">
                  {needed}
                  {expected > 0 ? ` + ${expected}` : ''}
                </text>
              )}
              <text x={left + wide / 2} y={HEIGHT + 15} fontSize="12" textAnchor="middle" fill="var(--quiet)">
                {formatDay(weeks[i]?.from ?? house.today, house.today).replace(/^\w+ /, '')}
              </text>
            </g>
          );
        })}
        <path d={freeLine} fill="none" stroke="var(--deep)" strokeWidth="2.5" />
        <path d={`M0 ${HEIGHT}H${width}`} stroke="var(--ink)" />
      </svg>
    </figure>
  );
}

function Weeks({ weeks }: { weeks: readonly TankWeek[] }) {
  const house = useHouse();
  const [box, width] = useWidth<HTMLDivElement>();
  const short = weeks.find(({ isShort }) => isShort);
  const last = weeks.at(-1);
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[1.5fr_1fr]">
      <section aria-label="Wanted and free" className="min-w-0 border border-ink bg-sheet">
        <p className="flex flex-wrap gap-x-5 border-b border-ink px-4 py-2 text-note">
          <span>filled: needed and free</span>
          <span className="text-rust">hatched: needed, none free</span>
          <span>dashed: if every planned spawning works</span>
          <span className="font-semibold text-deep">line: free</span>
        </p>
        <div ref={box} className="px-0">
          {width > 0 && TANK_SIZES.map((size) => <SizeWeeks key={size.key} weeks={weeks} size={size} width={width - 32} />)}
        </div>
      </section>
      <section aria-label="Week by week" className="min-w-0 border border-ink bg-sheet">
        <p className={`border-b border-ink px-4 py-3 ${short ? 'bg-rust-wash' : ''}`}>
          {short ? (
            <>
              <b>Short of tanks from {formatDay(short.from, house.today)}.</b> Larger tanks count for smaller ones. Sell some,
              move some or put off a spawning; see Places.
            </>
          ) : (
            <>
              <b>Tanks enough until {formatDay(last?.to ?? house.today, house.today)}.</b>
            </>
          )}
        </p>
        <ul>
          {weeks.map((week) => (
            <li key={week.from} className="border-b border-rule px-4 py-2 last:border-b-0">
              <b>{formatDayRange(week.from, week.to, house.today)}</b>
              {week.notes.length === 0 ? (
                <span className="text-quiet">: no new tank needed</span>
              ) : (
                <ul className="text-note">
                  {week.notes.map((note, i) => (
                    <li key={`${note} ${i}`}>{note}</li>
                  ))}
                </ul>
              )}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

/** How many tanks of which size are wanted and free, week by week. */
export function WeeksPage() {
  const { reply, answer } = useHouseWork('weeks', (facts, now) => growoutWork().outlook(facts, now));
  return (
    <>
      <GrowoutHead title="Tanks by week" about="How many tanks your fry will need, by size, and how many are free." />
      <Loaded reply={reply} what="the house">
        {() =>
          !answer ? (
            <Loading what="the weeks" />
          ) : answer.made.tanks.length === 0 && answer.made.weeks.every(({ notes }) => notes.length === 0) ? (
            <Empty title="No fry growing here yet">
              Once a brood is feeding or a spawning is planned, the tanks they’ll need show here.
            </Empty>
          ) : (
            <Weeks weeks={answer.made.weeks} />
          )
        }
      </Loaded>
    </>
  );
}
