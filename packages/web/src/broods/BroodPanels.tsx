import { Link } from 'react-router';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatDateRange, formatDay, houseDay, sentence } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { COUNT_WAY_WORDS } from '../counting';
import { useHouse, type Reply } from '../data';
import { Fact, LinkButton, Panel, Why } from '../ui';
import { WindowList } from './WindowList';

type Page = Reply<'brood'>;

/** Stages and sale, with how far along they are. */
export function Next({ page }: { page: Page }) {
  const house = useHouse();
  return (
    <Panel title="What comes next">
      {!page.born && <WindowList windows={page.windows} carried={page.carried} />}
      {page.ready && page.alive > 0 && (
        <Fact label={<>Ready for sale</>}>
          {formatDateRange(houseDay(page.ready.from, house.timeZone), houseDay(page.ready.to, house.timeZone), house.today)}
          <span className="block text-note font-normal">
            by {page.measured ? 'their lengths' : 'the curve'};{' '}
            <Link to={`/growout/broods/${page.id}`} className="link">
              how sure
            </Link>
          </span>
        </Fact>
      )}
      {page.feedingDays !== null && page.lengthMm !== null && (
        <p className="mt-2 text-note text-quiet">
          Day {Math.floor(page.feedingDays)} of feeding; about {formatNumber(page.lengthMm)} mm, the smallest under{' '}
          {formatNumber(page.smallestMm ?? page.lengthMm)} mm,{' '}
          {page.measured
            ? `from ${page.measured.count} measured on ${formatDay(houseDay(page.measured.at, house.timeZone), house.today)} (${formatNumber(page.measured.meanMm, 3)} mm)${Math.abs(page.aheadDays) >= 2 ? `: ${formatNumber(Math.abs(page.aheadDays))} days ${page.aheadDays > 0 ? 'ahead of' : 'behind'} the species’ curve` : ''}.`
            : 'estimated from the species’ growth, not measured.'}
        </p>
      )}
    </Panel>
  );
}

/** Where every head went. */
export function Ledger({ page }: { page: Page }) {
  const house = useHouse();
  return (
    <Panel title="Headcount">
      {page.ledger.map((line, i) => (
        <div
          key={line.label}
          className={`flex justify-between gap-4 border-b py-1.5 ${i === page.ledger.length - 1 ? 'border-ink font-bold' : 'border-rule'}`}
        >
          <span>{line.label}</span>
          <span className="font-mono font-semibold">{line.count < 0 ? `− ${-line.count}` : line.count}</span>
        </div>
      ))}
      {page.counted && (
        <p className="mt-2">
          Counted <b>{page.counted.count}</b> {formatDay(houseDay(page.counted.at, house.timeZone), house.today)}
          {page.counted.low < page.counted.high && `, likely ${page.counted.low} to ${page.counted.high}`}
          {page.counted.how !== 'all' && `, by ${COUNT_WAY_WORDS[page.counted.how]}`}.
        </p>
      )}
      {page.began > 0 && (
        <p className="mt-2 text-note text-quiet">
          {page.mixed.length > 0
            ? 'Others were mixed in, so nobody can say how many of these are alive.'
            : `${Math.round((100 * page.alive) / page.began)} % of those that began are alive.`}
        </p>
      )}
    </Panel>
  );
}

/** Today's food and the ladder. */
export function Food({ page }: { page: Page }) {
  const house = useHouse();
  const { ration } = page;
  const next = page.foods.find((rung) => rung.from !== null && rung.from > house.now());
  return (
    <Panel title="Food">
      {ration && (
        <Fact
          label={
            <>
              Today <Why about="Today’s food" notes={ration.why} source="docs/sources.md#rations" />
            </>
          }
        >
          {FOOD_NAMES[ration.food]},{' '}
          {ration.unit === 'trace' ? 'a trace' : `${ration.mealsPerDay} × ${formatNumber(ration.perMeal)} ${ration.unit}`}
        </Fact>
      )}
      {page.foods.map((rung) => (
        <Fact key={rung.food} label={FOOD_NAMES[rung.food]}>
          {rung.from && rung.to
            ? `${formatDateRange(houseDay(rung.from, house.timeZone), houseDay(rung.to, house.timeZone), house.today)}${rung.to < house.now() ? ', done' : ''}`
            : 'from the first feed on'}
        </Fact>
      ))}
      {next && (
        <p className="mt-2 text-note text-quiet">
          {sentence(FOOD_NAMES[next.food])} once the smallest can eat it. Keep giving the old food too.
        </p>
      )}
    </Panel>
  );
}

/** Tanks and parents. */
export function Where({ page, join }: { page: Page; join: (() => void) | null }) {
  return (
    <Panel title="Where they are">
      {page.lots
        .filter((lot) => lot.count > 0)
        .map((lot) => (
          <Fact
            key={lot.id}
            label={
              lot.tankId ? (
                <Link to={`/tanks/${lot.tankId}`} className="font-mono link">
                  {lot.tankCode}
                </Link>
              ) : (
                'no tank'
              )
            }
          >
            {lot.count}
          </Fact>
        ))}
      {page.alive === 0 && <p className="text-quiet">None left here.</p>}
      <h2 className="mt-3 mb-1">Parents</h2>
      {page.parents.length === 0 && <p className="text-quiet">Not recorded.</p>}
      {page.parents.map((parent) => (
        <p key={parent.lotId + parent.role} className="border-b border-rule py-1">
          <span className="text-quiet">{parent.role === 'sire' ? 'male side' : 'female side'}</span> {parent.label}
        </p>
      ))}
      {page.attemptId && (
        <Link to={`/spawns/${page.attemptId}`} className="mt-2 inline-block min-h-6 link">
          the spawning
        </Link>
      )}
      {join && (
        <p className="mt-3">
          <LinkButton onClick={join}>it came from another spawning</LinkButton>
        </p>
      )}
    </Panel>
  );
}
