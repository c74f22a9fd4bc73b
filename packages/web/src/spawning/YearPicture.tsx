import { useNavigate } from 'react-router';
import { addDays, daysBetween, formatDay, MONTHS } from '@freshet/core/time';
import { useHouse, type Reply } from '../data';
import { useWidth } from '../ui';

type Attempt = Reply<'attempts'>['attempts'][number];

/** Ten months back and two ahead: what was tried, and what is planned. */
const [BACK, AHEAD] = [304, 61];
const [LEFT, ROW, HEAD] = [168, 22, 22];

/** Every attempt of a year on one line of time, a row for each species: filled where it spawned, open while it runs, crossed where not. */
export function YearPicture({ attempts, names }: { attempts: readonly Attempt[]; names: ReadonlyMap<string, string> }) {
  const house = useHouse();
  const navigate = useNavigate();
  const [measure, width] = useWidth<HTMLDivElement>();
  const from = addDays(house.today, -BACK);
  const to = addDays(house.today, AHEAD);
  const shown = attempts.filter((attempt) => attempt.from <= to && (attempt.to ?? to) >= from);
  const rows = [...new Set(shown.map(({ speciesKey }) => speciesKey))]
    .map((key) => ({ key, name: names.get(key) ?? key, own: shown.filter(({ speciesKey }) => speciesKey === key) }))
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  const x = (day: string) =>
    LEFT + (Math.max(0, Math.min(BACK + AHEAD, daysBetween(from, day))) / (BACK + AHEAD)) * (width - LEFT - 6);
  const months: string[] = [];
  for (let day = `${from.slice(0, 7)}-01`; day <= to; day = `${addDays(day, 32).slice(0, 7)}-01`)
    if (day >= from) months.push(day);
  const height = HEAD + rows.length * ROW + 6;
  const say = (attempt: Attempt) =>
    `${attempt.name}, ${attempt.tankCode}, ${formatDay(attempt.from, house.today)}${attempt.to ? ` to ${formatDay(attempt.to, house.today)}` : ''}: ${attempt.state}`;
  return (
    <div ref={measure} className="border border-rule bg-sheet">
      {width > 0 && (
        <svg width={width - 2} height={height} role="group" aria-label={`Spawnings of a year, ${shown.length}`}>
          {months.map((day) => (
            <g key={day}>
              <path d={`M${x(day)},${HEAD - 4} V${height}`} stroke="var(--rule)" />
              <text x={x(day) + 4} y={14} fontSize={12} fill="var(--quiet)">
                {MONTHS[Number(day.slice(5, 7)) - 1]}
              </text>
            </g>
          ))}
          {rows.map(({ key, name, own }, i) => {
            const y = HEAD + i * ROW;
            return (
              <g key={key}>
                <path d={`M0,${y + ROW} H${width}`} stroke="var(--rule)" />
                <text x={10} y={y + 15} fontSize={13} fill="var(--ink)">
                  {name.length > 24 ? `${name.slice(0, 23)}…` : name}
                </text>
                {own.map((attempt) => {
                  const [left, right] = [
                    x(attempt.from),
                    Math.max(x(attempt.from) + 7, x(attempt.to ?? addDays(house.today, 1))),
                  ];
                  const worked = attempt.broodIds.length > 0 || attempt.outcome === 'spawned';
                  const isOver = attempt.outcome !== null;
                  return (
                    <g
                      key={attempt.id}
                      role="link"
                      tabIndex={0}
                      aria-label={say(attempt)}
                      className="cursor-pointer"
                      onClick={() => void navigate(`/spawns/${attempt.id}`)}
                      onKeyDown={(event) => event.key === 'Enter' && void navigate(`/spawns/${attempt.id}`)}
                    >
                      <title>{say(attempt)}</title>
                      <rect x={left - 2} y={y} width={right - left + 4} height={ROW} fill="transparent" />
                      <rect
                        x={left}
                        y={y + 5}
                        width={right - left}
                        height={12}
                        fill={worked ? 'var(--deep)' : 'var(--sheet)'}
                        stroke={worked ? 'var(--deep)' : 'var(--ink)'}
                        strokeDasharray={isOver || worked ? undefined : '3 2'}
                      />
                      {isOver && !worked && (
                        <path
                          d={`M${(left + right) / 2 - 3},${y + 8} l6,6 m0,-6 l-6,6`}
                          stroke="var(--rust)"
                          strokeWidth={1.8}
                          fill="none"
                        />
                      )}
                    </g>
                  );
                })}
              </g>
            );
          })}
          <path d={`M${x(house.today)},${HEAD - 6} V${height}`} stroke="var(--rust)" strokeWidth={1.5} />
        </svg>
      )}
      <p className="flex flex-wrap gap-x-5 px-3 py-2 text-note text-quiet">
        <span>filled: it spawned</span>
        <span>crossed: it did not</span>
        <span>dashed: planned or running</span>
        {shown.length === 0 && <span>No spawnings in the last year.</span>}
      </p>
    </div>
  );
}
