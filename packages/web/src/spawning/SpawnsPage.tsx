import { Link } from 'react-router';
import { stepsWords, TRIGGER_WORDS } from '@freshet/core/spawning';
import { daysBetween, formatDay, formatDayRange, houseDay } from '@freshet/core/time';
import { inUnits } from '@freshet/core/units';
import { showHeads, useGet, useHouse, type Reply } from '../data';
import { ButtonLink, Empty, Loaded, PageHead, Panel, Segmented, usePageParams, withParam } from '../ui';
import { YearPicture } from './YearPicture';

type Attempt = Reply<'attempts'>['attempts'][number];
/** The last that spawned of each species. */
const LAST = { newestSpawned: 'true' } as const;

/** What comes next of an attempt, in a few words. */
function nextOf(attempt: Attempt, today: string): string {
  const { state, setUpOn, triggerOn } = attempt;
  if (state === 'planned' || state === 'conditioning') return setUpOn ? `parents in ${formatDay(setUpOn, today)}` : '';
  if (state === 'set up')
    return triggerOn ? (triggerOn <= today ? 'trigger due' : `trigger ${formatDay(triggerOn, today)}`) : 'look at first light';
  if (state === 'triggered') return 'look for eggs';
  return attempt.broodIds.length > 1 ? `${attempt.broodIds.length} clutches` : attempt.broodIds.length === 1 ? 'one clutch' : '';
}

function Rows({ attempts, names }: { attempts: readonly Attempt[]; names: ReadonlyMap<string, string> }) {
  const house = useHouse();
  return (
    <ul className="bg-sheet px-3">
      {attempts.map((attempt) => (
        <li key={attempt.id} className="border-b border-rule">
          <Link
            to={`/spawns/${attempt.id}`}
            className="grid grid-cols-[52px_1fr] gap-x-4 py-2 hover:bg-today md:grid-cols-[52px_1.2fr_1.2fr_110px_150px]"
          >
            <span className="row-span-2 font-mono font-semibold md:row-span-1">{attempt.tankCode}</span>
            <span className="min-w-0 break-words">
              <b>{attempt.name}</b>
              <span className="block text-note text-quiet">{names.get(attempt.speciesKey) ?? attempt.speciesKey}</span>
            </span>
            <span className="hidden text-quiet md:inline">{TRIGGER_WORDS[attempt.recipe.trigger]}</span>
            <b className="col-start-2 md:col-start-auto">{attempt.state}</b>
            <span className="col-start-2 text-quiet md:col-start-auto">
              {attempt.outcome
                ? attempt.state === 'resting' && attempt.restUntil
                  ? `females rest until ${formatDay(attempt.restUntil, house.today)}`
                  : attempt.to
                    ? formatDayRange(attempt.from, attempt.to, house.today)
                    : `since ${formatDay(attempt.from, house.today)}`
                : nextOf(attempt, house.today)}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** Lots that could spawn tonight: ready and not in an attempt, the longest rested first. */
function RipeTonight({ open, names }: { open: readonly Attempt[]; names: ReadonlyMap<string, string> }) {
  const house = useHouse();
  const lots = useGet('lots');
  const records = useGet('evidence', { query: LAST });
  const busy = new Set(open.flatMap(({ parents }) => parents.map(({ lotId }) => lotId)));
  const lastOf = new Map<string, string>();
  for (const record of records.data ?? [])
    if (record.spawnedAfterDays !== null && (lastOf.get(record.speciesKey) ?? '') < record.begunAt)
      lastOf.set(record.speciesKey, record.begunAt);
  const ripe = (lots.data ?? [])
    .filter((lot) => lot.readiness === 'ready' && lot.females + lot.unsexed > 0 && !busy.has(lot.id) && !lot.isRetired)
    .map((lot) => {
      const last = lastOf.get(lot.speciesKey);
      const males = (lots.data ?? []).filter(
        (other) =>
          other.speciesKey === lot.speciesKey &&
          other.males + other.unsexed > 0 &&
          other.readiness === 'ready' &&
          !other.isRetired,
      );
      return { lot, rested: last ? daysBetween(houseDay(last, house.timeZone), house.today) : null, males };
    })
    .filter(({ males }) => males.length > 0)
    .sort((a, b) => (b.rested ?? 1e4) - (a.rested ?? 1e4))
    .slice(0, 6);
  if (ripe.length === 0)
    return (
      <p className="text-quiet">
        No fish scored as ready and waiting.{' '}
        <Link to="/stock" className="link">
          Score condition
        </Link>{' '}
        and they’ll show here.
      </p>
    );
  return (
    <ul>
      {ripe.map(({ lot, rested, males }) => (
        <li key={lot.id} className="border-b border-rule py-1.5">
          <span className="flex items-baseline justify-between gap-3">
            <span className="min-w-0">
              <b className="font-mono">{lot.tankCode}</b>{' '}
              <Link to={`/stock/${lot.id}`} className="link">
                {lot.name ?? names.get(lot.speciesKey) ?? lot.speciesKey}
              </Link>
            </span>
            {house.may('keeper') && (
              <Link
                className="shrink-0 link"
                to={`/spawns/new?species=${lot.speciesKey}&dam=${lot.id}&sire=${males[0]?.id ?? ''}${lot.tankId ? `&tank=${lot.tankId}` : ''}`}
              >
                plan
              </Link>
            )}
          </span>
          <span className="block text-note text-quiet">
            {showHeads(lot)}; {rested === null ? 'never spawned here' : `last spawned ${rested} days ago`}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** The last that worked of each species, and what was done. */
function TheTimeItWorked({ names }: { names: ReadonlyMap<string, string> }) {
  const house = useHouse();
  const records = useGet('evidence', { query: LAST });
  const worked = (records.data ?? []).filter(({ spawnedAfterDays }) => spawnedAfterDays !== null).slice(0, 7);
  if (worked.length === 0)
    return <p className="text-quiet">Nothing has spawned yet. Log the failures too; they teach you most.</p>;
  return (
    <ul>
      {worked.map((record) => (
        <li key={record.id} className="border-b border-rule py-1.5">
          <span className="flex items-baseline justify-between gap-3">
            <Link to={`/spawns/${record.id}`} className="min-w-0 link">
              {names.get(record.speciesKey)}
            </Link>
            <Link to={`/spawns/evidence/${record.speciesKey}`} className="shrink-0 text-note link">
              what worked
            </Link>
          </span>
          <span className="block text-note text-quiet">
            {inUnits(stepsWords(record.recipe.steps) || TRIGGER_WORDS[record.recipe.trigger], house.units)}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** What shall I set up, and what did I do the time it worked? */
export function SpawnsPage() {
  const house = useHouse();
  const [search, setSearch] = usePageParams();
  const [before, speciesKey] = [search.get('before'), search.get('species') ?? ''];
  const isYear = search.get('view') === 'year';
  const attempts = useGet('attempts', {
    query: { ...(before ? { before } : {}), ...(speciesKey ? { speciesKey } : {}), ...(isYear ? { limit: '200' } : {}) },
  });
  const species = useGet('species');
  const names = new Map((species.data ?? []).map((kind) => [kind.key, kind.commonName]));
  const add = house.may('keeper') && (
    <ButtonLink to="/spawns/new" look="main">
      Plan a spawning
    </ButtonLink>
  );
  return (
    <Loaded reply={attempts} what="the spawnings">
      {({ attempts: data, next }) => {
        const open = data.filter((attempt) => !attempt.outcome);
        const planned = open.filter(({ state }) => state === 'planned' || state === 'conditioning').reverse();
        const going = open.filter((attempt) => !planned.includes(attempt));
        const over = data.filter((attempt) => attempt.outcome);
        const worked = over.filter((attempt) => attempt.outcome === 'spawned').length;
        return (
          <>
            <PageHead
              title="Spawns"
              about={
                before
                  ? `Earlier ones: ${worked} of these ${over.length} spawned.`
                  : `${going.length} running, ${planned.length} planned. ${worked} of the last ${over.length} spawned.`
              }
            >
              <select
                aria-label="Species"
                className="control !w-auto"
                value={speciesKey}
                onChange={(event) => setSearch(withParam(withParam(search, 'before', ''), 'species', event.target.value))}
              >
                <option value="">every species</option>
                {(species.data ?? []).map((kind) => (
                  <option key={kind.key} value={kind.key}>
                    {kind.commonName}
                  </option>
                ))}
              </select>
              <Segmented
                label="Shown as"
                value={isYear ? 'year' : 'list'}
                onChange={(view) => setSearch(withParam(search, 'view', view === 'year' ? 'year' : ''))}
                options={[
                  { value: 'list', label: 'List' },
                  { value: 'year', label: 'Year' },
                ]}
              />
              <ButtonLink to="/spawns/recipes">Recipes</ButtonLink>
              <ButtonLink to={`/spawns/evidence${speciesKey ? `/${speciesKey}` : ''}`}>What worked</ButtonLink>
              {add}
            </PageHead>
            {data.length === 0 && (
              <Empty title="No spawnings yet" action={add || undefined}>
                Plan your first, or log one that’s under way. Log the failures too; they teach you most.
              </Empty>
            )}
            {isYear && data.length > 0 && <YearPicture attempts={data} names={names} />}
            <div className={isYear ? 'hidden' : data.length > 0 ? 'grid gap-5 xl:grid-cols-[minmax(0,1fr)_330px]' : ''}>
              <div className="min-w-0">
                {planned.length > 0 && <h2 className="mb-1 text-code">Planned</h2>}
                <Rows attempts={planned} names={names} />
                {going.length > 0 && <h2 className="mt-4 mb-1 text-code">Running</h2>}
                <Rows attempts={going} names={names} />
                {over.length > 0 && <h2 className="mt-4 mb-1 text-code">Over</h2>}
                <Rows attempts={over} names={names} />
                {(next ?? before) && (
                  <p className="mt-4 flex gap-4">
                    {before && <ButtonLink to="/spawns">The newest</ButtonLink>}
                    {next && (
                      <ButtonLink to={`/spawns?${withParam(search, 'before', next).toString()}`}>Earlier spawnings</ButtonLink>
                    )}
                  </p>
                )}
              </div>
              {data.length > 0 && (
                <aside className="divide-y divide-rule self-start border border-rule bg-sheet">
                  <Panel title="Ready to spawn">
                    <RipeTonight open={open} names={names} />
                  </Panel>
                  <Panel title="What worked last time">
                    <TheTimeItWorked names={names} />
                  </Panel>
                </aside>
              )}
            </div>
          </>
        );
      }}
    </Loaded>
  );
}
