import { Link, useParams } from 'react-router';
import { fullnessOf, grow } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatDay, formatInstant, houseDay } from '@freshet/core/time';
import { formatNumber, inUnits } from '@freshet/core/units';
import { useGet, useHouse, type Reply } from '../../data';
import { Empty, Fact, Loaded, Panel, useWidth, Why } from '../../ui';
import { LarderHead } from '../LarderHead';
import { CultureRow, ml } from './CultureRow';

type Culture = Reply<'cultures'>[number];
const DAY_MS = 86_400_000;
const HEIGHT = 190;
const LEFT = 70;
/** The end of the picture is dated where that has room beside today. */
const END_PX = 110;
const WORDS = ['nothing', 'a few', 'some', 'many', 'full'];

/** How full the vessel was seen, what was taken, and how it goes on: seen solid, expected dashed with its band. */
function FullnessPicture({ culture }: { culture: Culture }) {
  const house = useHouse();
  const [box, width] = useWidth<HTMLDivElement>();
  const { learned } = culture;
  if (!learned) return null;
  const now = Date.parse(house.now());
  const from = Math.max(Date.parse(culture.renewedAt ?? culture.startedAt), now - 60 * DAY_MS);
  const ahead = Math.max(7, Math.min(21, learned.nextInDays + 5));
  const to = now + ahead * DAY_MS;
  const x = (at: number) => LEFT + ((at - from) / Math.max(DAY_MS, to - from)) * (width - LEFT - 8);
  const y = (full: number) => 12 + (HEIGHT - 44) * (1 - full);
  const looks = culture.looks.filter(({ at, density }) => density !== null && Date.parse(at) >= from);
  const path = (start: number, rate: number) =>
    Array.from(
      { length: ahead + 1 },
      (_, day) => `${day === 0 ? 'M' : 'L'}${x(now + day * DAY_MS).toFixed(1)} ${y(grow(start, rate, day)).toFixed(1)}`,
    ).join('');
  const back = Array.from({ length: ahead + 1 }, (_, i) => ahead - i)
    .map(
      (day) =>
        `L${x(now + day * DAY_MS).toFixed(1)} ${y(grow(learned.fullness.low90, learned.ratePerDay.low90, day)).toFixed(1)}`,
    )
    .join('');
  return (
    <div ref={box}>
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-label={`How full ${culture.name} was seen, and how it goes on`}>
          {WORDS.map((words, density) => (
            <g key={words}>
              <path d={`M${LEFT} ${y(fullnessOf(density))}H${width - 8}`} stroke="var(--rule)" />
              <text x={LEFT - 6} y={y(fullnessOf(density)) + 4} fontSize="12" textAnchor="end" fill="var(--quiet)">
                {density} {words}
              </text>
            </g>
          ))}
          <path d={`${path(learned.fullness.high90, learned.ratePerDay.high90)}${back}Z`} fill="var(--culture)" opacity="0.3" />
          <path d={path(learned.fullness.mean, learned.ratePerDay.mean)} fill="none" stroke="var(--ink)" strokeDasharray="5 4" />
          <polyline
            points={looks.map(({ at, density }) => `${x(Date.parse(at))},${y(fullnessOf(density ?? 0))}`).join(' ')}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          {looks.map(({ at, density }) => (
            <circle key={at} cx={x(Date.parse(at))} cy={y(fullnessOf(density ?? 0))} r="4.5" fill="var(--ink)" />
          ))}
          {culture.harvests
            .filter(({ at }) => Date.parse(at) >= from)
            .map(({ at, ml: taken }) => (
              <g key={at}>
                <path d={`M${x(Date.parse(at))} ${y(0)}v-12m-4 8 4 4 4-4`} fill="none" stroke="var(--deep)" strokeWidth="1.5">
                  <title>{taken === null ? 'harvested' : `${formatNumber(taken)} ml taken`}</title>
                </path>
              </g>
            ))}
          <path d={`M${x(now)} 8V${y(0)}`} stroke="var(--deep)" strokeWidth="1.5" />
          <text x={x(from)} y={HEIGHT - 8} fontSize="12" fill="var(--quiet)">
            {formatDay(houseDay(new Date(from).toISOString(), house.timeZone), house.today)}
          </text>
          <text x={x(now)} y={HEIGHT - 8} fontSize="12" fontWeight="700" textAnchor="middle" fill="var(--ink)">
            today
          </text>
          {width - 8 - x(now) > END_PX && (
            <text x={width - 8} y={HEIGHT - 8} fontSize="12" textAnchor="end" fill="var(--quiet)">
              {formatDay(houseDay(new Date(to).toISOString(), house.timeZone), house.today)}
            </text>
          )}
        </svg>
      )}
    </div>
  );
}

const ENDED = { emptied: 'emptied', crashed: 'crashed', usedUp: 'used up', thrown: 'thrown away' } as const;

/** Who was started from whom. */
function Family({ cultureId }: { cultureId: string }) {
  const house = useHouse();
  const family = useGet('cultureFamily', { params: { cultureId } });
  const line = (parent: string | null, kin: Reply<'cultureFamily'>, depth: number): React.ReactNode =>
    kin
      .filter(
        ({ fromId, id }) => (parent === null ? !kin.some((other) => other.id === fromId) : fromId === parent) && id !== parent,
      )
      .map((one) => (
        <li key={one.id} className={depth > 0 ? 'border-l border-edge pl-3' : ''}>
          <span className={one.id === cultureId ? 'font-bold' : ''}>
            {one.endedAt || one.id === cultureId ? (
              one.name
            ) : (
              <Link to={`/larder/cultures/${one.id}`} className="link">
                {one.name}
              </Link>
            )}
          </span>{' '}
          <span className="text-note text-quiet">
            {formatDay(houseDay(one.startedAt, house.timeZone), house.today)}
            {one.ended &&
              `, ${ENDED[one.ended]}${one.endedAt ? ` ${formatDay(houseDay(one.endedAt, house.timeZone), house.today)}` : ''}`}
          </span>
          <ul>{line(one.id, kin, depth + 1)}</ul>
        </li>
      ));
  return (
    <Loaded reply={family} what="the family">
      {(kin) =>
        kin.length === 1 ? (
          <p className="text-quiet">Started fresh. Nothing has been started from it yet.</p>
        ) : (
          <ul>{line(null, kin, 0)}</ul>
        )
      }
    </Loaded>
  );
}

/** One culture: how it grows, what it gives, what threatens it, where it comes from. */
export function CulturePage() {
  const house = useHouse();
  const { cultureId = '' } = useParams();
  const cultures = useGet('cultures');
  const entries = useGet('entries', { query: { aboutId: cultureId } });
  return (
    <Loaded reply={cultures} what="the culture">
      {(data) => {
        const culture = data.find(({ id }) => id === cultureId);
        if (!culture)
          return (
            <>
              <LarderHead title="Culture" />
              <Empty title="This culture has ended">
                It was emptied, used up or lost.{' '}
                <Link to="/larder/cultures" className="link">
                  Running cultures
                </Link>
              </Empty>
              <Panel title="Its family">
                <Family cultureId={cultureId} />
              </Panel>
            </>
          );
        const { learned } = culture;
        return (
          <>
            <LarderHead
              title={culture.name}
              about={`${culture.kindName ?? FOOD_NAMES[culture.food]}, ${inUnits(`${formatNumber(culture.vesselL)} L`, house.units)}${culture.place ? `, ${culture.place}` : ''}, reckoned at ${inUnits(`${formatNumber(culture.tempC)} °C`, house.units)}`}
            />
            <ul className="border-t border-ink bg-sheet px-3">
              <CultureRow culture={culture} />
            </ul>
            <div className="mt-3 grid gap-3 lg:grid-cols-[1.5fr_1fr]">
              <div className="border border-rule bg-sheet">
                {learned && (
                  <Panel title="How full">
                    <FullnessPicture culture={culture} />
                    {learned.looks === 0 && (
                      <p className="text-quiet">Not looked at yet, so this is a typical guess. Each look makes it closer.</p>
                    )}
                  </Panel>
                )}
                {culture.setWith && (
                  <Panel title="Set with">
                    <Fact label="Cysts">{formatNumber(culture.setWith.cystsG)} g</Fact>
                    <Fact label="Salt">{formatNumber(culture.setWith.saltG)} g</Fact>
                    <Fact label="Light">{culture.setWith.lit ? 'lit' : 'dark'}</Fact>
                  </Panel>
                )}
                <Panel title="Its log">
                  <Loaded reply={entries} what="its log">
                    {(list) => (
                      <ul>
                        {list.slice(0, 12).map((entry) => (
                          <li
                            key={entry.id}
                            className={`border-b border-rule py-1 ${entry.undone ? 'text-quiet line-through' : ''}`}
                          >
                            {entry.text}{' '}
                            <span className="text-note text-quiet">
                              {formatInstant(entry.from, house.today, house.timeZone)}, {entry.by}
                            </span>
                          </li>
                        ))}
                      </ul>
                    )}
                  </Loaded>
                </Panel>
              </div>
              <div className="border border-rule bg-sheet">
                {learned && (
                  <Panel
                    title="What you’ve learned from it"
                    aside={
                      <Why
                        about={`Growth of ${culture.name}`}
                        formula={`Growth between looks is logistic; the rate and start that fit ${learned.looks === 1 ? 'its one look' : `its ${learned.looks} looks`} and what was taken, with the book’s doubling time as a beginning. Best for good: ${Math.round(learned.share * 100)} % every ${learned.everyDays === 1 ? 'day' : `${learned.everyDays} days`}.`}
                        source="docs/sources.md#culture-learned"
                      />
                    }
                  >
                    <Fact label="Doubles in">
                      {ml(learned.doublingDays.mean)} days ({ml(learned.doublingDays.low90)} to {ml(learned.doublingDays.high90)})
                    </Fact>
                    <Fact label="Full today">
                      {Math.round(learned.fullness.mean * 100)} % ({Math.round(learned.fullness.low90 * 100)} to{' '}
                      {Math.round(learned.fullness.high90 * 100)})
                    </Fact>
                    <Fact label="Every day from then on, ml">
                      {ml(learned.sustainableMlPerDay.mean)} ({ml(learned.sustainableMlPerDay.low90)} to{' '}
                      {ml(learned.sustainableMlPerDay.high90)})
                    </Fact>
                    <Fact label="Can spare today">{ml(learned.mayTakeMl)} ml</Fact>
                  </Panel>
                )}
                {culture.risks.length > 0 && (
                  <Panel title="What threatens it">
                    <ul className="flex flex-col gap-2">
                      {culture.risks.map(({ words, remedy, level }) => (
                        <li key={words} className={level === 'high' ? 'text-rust' : ''}>
                          <b>{words}</b> {remedy}
                        </li>
                      ))}
                    </ul>
                  </Panel>
                )}
                <Panel title="Its family">
                  <Family cultureId={culture.id} />
                </Panel>
              </div>
            </div>
          </>
        );
      }}
    </Loaded>
  );
}
