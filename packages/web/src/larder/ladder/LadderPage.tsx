import { Link } from 'react-router';
import { foodClassOf } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { addDays, daysBetween, formatDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useGet, useHouse, type Reply } from '../../data';
import { Empty, Loaded, measureText, stageFill, useWidth, Why } from '../../ui';
import { LarderHead } from '../LarderHead';

type Ladder = Reply<'ladders'>[number];
const BACK = 10;
const AHEAD = 40;
const ROW = 20;

/** A brood's foods on an axis of days, one line a rung: live food filled, what comes from the shelf open. */
function Rungs({ ladder }: { ladder: Ladder }) {
  const house = useHouse();
  const [box, width] = useWidth<HTMLDivElement>();
  const x = (day: string) => Math.min(width, Math.max(0, ((daysBetween(house.today, day) + BACK) / (BACK + AHEAD)) * width));
  const shown = ladder.rungs.filter(({ from, to }) => to >= addDays(house.today, -BACK) && from <= addDays(house.today, AHEAD));
  return (
    <div ref={box}>
      {width > 0 && (
        <svg width={width} height={shown.length * ROW + 4} role="img" aria-label={`Foods of ${ladder.name} by day`}>
          {shown.map((rung, row) => {
            const [left, right] = [x(rung.from), x(addDays(rung.to, 1))];
            const words = `${FOOD_NAMES[rung.food]}${rung.state === 'coming' ? ` from ${formatDay(rung.from, house.today)}` : rung.to < addDays(house.today, AHEAD) ? ` to ${formatDay(rung.to, house.today)}` : ''}`;
            const isLive = foodClassOf(rung.food) !== null;
            const room = right + measureText(words) + 10 < width;
            return (
              <g key={rung.food}>
                <rect
                  x={left}
                  y={row * ROW + 3}
                  width={Math.max(2, right - left)}
                  height={ROW - 6}
                  fill={isLive ? stageFill('culture') : 'var(--sheet)'}
                  fillOpacity={rung.state === 'coming' ? 0.5 : 1}
                  stroke="var(--ink)"
                  strokeDasharray={rung.state === 'coming' ? '4 3' : undefined}
                />
                <text
                  x={room ? right + 6 : left > measureText(words) + 10 ? left - 6 : left + 6}
                  y={row * ROW + ROW - 6}
                  fontSize="13"
                  textAnchor={!room && left > measureText(words) + 10 ? 'end' : 'start'}
                  fill="var(--ink)"
                  fontWeight={rung.state === 'now' ? 700 : 400}
                  paintOrder="stroke"
                  stroke="var(--sheet)"
                  strokeWidth="4"
                >
                  {words}
                </text>
              </g>
            );
          })}
          <path d={`M${x(house.today)} 0V${shown.length * ROW + 4}`} stroke="var(--deep)" strokeWidth="1.5" />
        </svg>
      )}
    </div>
  );
}

/** Which food fits whose mouth, and until when. */
export function LadderPage() {
  const house = useHouse();
  const ladders = useGet('ladders');
  return (
    <Loaded reply={ladders} what="the ladder">
      {(data) => (
        <>
          <LarderHead
            title="Ladder of foods"
            about="What each brood can eat, by its smallest fry. Keep giving the old food for a while. The line is today."
          />
          {data.length === 0 ? (
            <Empty title="No young">Log eggs and you’ll see which foods the fry need, and when.</Empty>
          ) : (
            <ul className="border-t border-ink bg-sheet">
              {data.map((ladder) => {
                const next = ladder.rungs.find(({ state }) => state === 'coming');
                return (
                  <li key={ladder.broodId} className="grid gap-x-4 border-b border-rule px-3 py-2 md:grid-cols-[19rem_1fr]">
                    <div>
                      <Link to={`/broods/${ladder.broodId}`} className="link font-bold">
                        {ladder.name}
                      </Link>{' '}
                      {ladder.codes}
                      <p className="text-note text-quiet">
                        {ladder.isFeeding ? (
                          <>
                            smallest tenth {formatNumber(ladder.smallestMm)} mm, mean {formatNumber(ladder.meanMm)} mm,{' '}
                            {ladder.isMeasured ? 'measured and grown on' : 'estimated only'}
                          </>
                        ) : (
                          'not feeding yet; don’t feed while they have yolk'
                        )}
                      </p>
                      {next && (
                        <p className="text-note">
                          next: {FOOD_NAMES[next.food]} {formatDay(next.from, house.today)}
                          {next.overlapDays > 0 &&
                            `, the old one ${next.overlapDays > 14 ? 'goes on' : `${next.overlapDays} days`} beside it`}{' '}
                          <Why
                            about={`${FOOD_NAMES[next.food]} for ${ladder.name}`}
                            formula={`Taken once the smallest tenth is ${formatNumber(next.fromMm)} mm long.${next.sizeUm ? ` A piece is ${formatNumber(next.sizeUm[0])} by ${formatNumber(next.sizeUm[1])} µm.` : ''} A new food each week keeps them from getting picky. You can give its stand-in instead.`}
                            source="docs/sources.md#first-food"
                          />
                        </p>
                      )}
                    </div>
                    <Rungs ladder={ladder} />
                  </li>
                );
              })}
            </ul>
          )}
        </>
      )}
    </Loaded>
  );
}
