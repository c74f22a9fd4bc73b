import { Link } from 'react-router';
import { addDays, daysBetween, formatDate, formatDay, houseDay } from '@freshet/core/time';
import { useHouse, type Reply } from '../../data';
import { useWidth } from '../../ui';

type Card = Reply<'lotCard'>;
const HEIGHT = 104;
const LANES = { top: 14, score: 66, axis: 84 } as const;
const SHOWN = 6;
const MONTH_DAYS = 30.44;

/** Marks by kind: a shape each, so that no colour has to tell them apart. */
function Mark({ kind, x }: { kind: string; x: number }) {
  const y = LANES.top;
  if (kind === 'spawned')
    return <path d={`M${x - 5},${y + 5} L${x},${y - 5} L${x + 5},${y + 5} Z`} fill="var(--eggs)" stroke="var(--ink)" />;
  if (kind === 'came')
    return <path d={`M${x},${y - 6} V${y + 6} M${x},${y} H${x + 7}`} stroke="var(--ink)" strokeWidth={2} fill="none" />;
  if (kind === 'loss')
    return (
      <path
        d={`M${x - 4},${y - 4} L${x + 4},${y + 4} M${x - 4},${y + 4} L${x + 4},${y - 4}`}
        stroke="var(--rust)"
        strokeWidth={2}
      />
    );
  if (kind === 'sexing') return <circle cx={x} cy={y} r={4.5} fill="none" stroke="var(--deep)" strokeWidth={2} />;
  if (kind === 'throwback')
    return (
      <path
        d={`M${x},${y - 6} L${x + 5},${y} L${x},${y + 6} L${x - 5},${y} Z`}
        fill="none"
        stroke="var(--rust)"
        strokeWidth={2}
      />
    );
  return <rect x={x - 3.5} y={y - 3.5} width={7} height={7} fill="var(--ink)" />;
}

/** The life of a lot along one line of time: what happened above, its condition below. */
export function LotLife({ card }: { card: Card }) {
  const house = useHouse();
  const [measure, width] = useWidth<HTMLDivElement>();
  const dayOf = (at: string) => houseDay(at, house.timeZone);
  const first = card.lot.bornOn ?? dayOf(card.life[0]?.at ?? card.lot.since);
  const begin = addDays(first, -Math.max(3, Math.round(daysBetween(first, house.today) * 0.02)));
  const span = Math.max(7, daysBetween(begin, house.today));
  const x = (day: string) => 8 + (daysBetween(begin, day) / span) * Math.max(0, width - 24);
  const scores = card.conditions.map(({ at, score }) => ({ x: x(dayOf(at)), y: LANES.score - (score - 1) * 8 }));
  const step = [1, 2, 3, 6, 12].find((months) => span / (months * MONTH_DAYS) <= Math.max(2, width / 110)) ?? 12;
  const ticks = Array.from({ length: 60 }, (_, i) => {
    const [year = 0, month = 1] = begin.split('-').map(Number);
    const at = year * 12 + (month - 1) + (i + 1) * step;
    return `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-01`;
  }).filter((day) => day <= house.today);
  const events = card.life.filter(({ kind }) => kind !== 'condition');
  return (
    <div>
      <div ref={measure}>
        {width > 0 && (
          <svg
            width={width}
            height={HEIGHT}
            role="img"
            aria-label={`Life from ${formatDay(first, house.today)} to today: ${events.length} events, ${scores.length} condition scores`}
          >
            {ticks.map((day) => (
              <g key={day}>
                <line x1={x(day)} x2={x(day)} y1={4} y2={LANES.axis} stroke="var(--rule)" />
                <text x={x(day)} y={LANES.axis + 15} textAnchor="middle" fontSize={12} fill="var(--quiet)">
                  {formatDate(day, house.today)}
                </text>
              </g>
            ))}
            <line x1={0} x2={width} y1={LANES.axis} y2={LANES.axis} stroke="var(--ink)" />
            {card.lot.bornOn && (
              <text x={x(card.lot.bornOn) + 4} y={LANES.axis - 6} fontSize={12} fill="var(--quiet)">
                born
              </text>
            )}
            {scores.length > 0 && (
              <>
                <polyline
                  points={scores.map((point) => `${point.x},${point.y}`).join(' ')}
                  fill="none"
                  stroke="var(--deep)"
                  strokeWidth={1.6}
                />
                {scores.map((point, i) => (
                  <circle key={i} cx={point.x} cy={point.y} r={2.6} fill="var(--deep)" />
                ))}
                <text x={(scores[0]?.x ?? 0) - 6} y={(scores[0]?.y ?? 0) + 4} textAnchor="end" fontSize={12} fill="var(--quiet)">
                  condition
                </text>
              </>
            )}
            {events.map((event, i) => (
              <g key={i}>
                <title>{`${formatDay(dayOf(event.at), house.today)}: ${event.words}`}</title>
                <Mark kind={event.kind} x={x(dayOf(event.at))} />
              </g>
            ))}
            <line x1={x(house.today)} x2={x(house.today)} y1={0} y2={LANES.axis} stroke="var(--rust)" strokeWidth={1.5} />
          </svg>
        )}
      </div>
      <ol className="grid gap-x-8 sm:grid-cols-2">
        {[...card.life]
          .reverse()
          .slice(0, SHOWN)
          .map((event, i) => (
            <li key={i} className="flex gap-3 border-b border-rule py-1.5">
              <span className="w-28 shrink-0 text-quiet">{formatDay(dayOf(event.at), house.today)}</span>
              <span className="min-w-0">
                {event.path ? (
                  <Link to={event.path} className="link">
                    {event.words}
                  </Link>
                ) : (
                  event.words
                )}
              </span>
            </li>
          ))}
      </ol>
    </div>
  );
}
