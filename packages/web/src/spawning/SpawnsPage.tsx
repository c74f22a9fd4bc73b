import { Link } from 'react-router';
import { formatDay, formatDayRange } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import { ButtonLink, Empty, Loaded, PageHead, usePageParams } from '../ui';
import { SCHOOL_WORDS } from './schools';

type Attempt = Reply<'attempts'>['attempts'][number];

function stateOf(attempt: Attempt, today: string): string {
  if (attempt.outcome) return attempt.outcome === 'failed' ? 'did not spawn' : attempt.outcome;
  if (attempt.broodIds.length > 0) return attempt.broodIds.length === 1 ? 'eggs seen' : `${attempt.broodIds.length} clutches`;
  if (attempt.from > today) return 'planned';
  if (attempt.triggered) return 'triggered, waiting';
  return 'set up';
}

function Rows({ attempts, names }: { attempts: readonly Attempt[]; names: ReadonlyMap<string, string> }) {
  const house = useHouse();
  return (
    <ul className="bg-sheet px-3">
      {attempts.map((attempt) => (
        <li key={attempt.id} className="border-b border-rule">
          <Link
            to={`/spawns/${attempt.id}`}
            className="grid grid-cols-[56px_1fr] gap-x-4 py-2 hover:bg-today md:grid-cols-[64px_1.2fr_1.1fr_1.2fr_170px_150px]"
          >
            <span className="row-span-2 font-mono font-semibold md:row-span-1">{attempt.tankCode}</span>
            <b className="min-w-0 break-words">{attempt.name}</b>
            <span className="col-start-2 text-quiet md:col-start-auto">
              {names.get(attempt.speciesKey) ?? attempt.speciesKey}
            </span>
            <span className="hidden text-quiet md:inline">{SCHOOL_WORDS.trigger[attempt.recipe.trigger]}</span>
            <span className="hidden text-quiet md:inline">
              {attempt.to
                ? formatDayRange(attempt.from, attempt.to, house.today)
                : `since ${formatDay(attempt.from, house.today)}`}
            </span>
            <span className="hidden font-semibold md:inline">{stateOf(attempt, house.today)}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** What shall I set up, and what did I do the time it worked? */
export function SpawnsPage() {
  const house = useHouse();
  const [search] = usePageParams();
  const before = search.get('before');
  const attempts = useGet('attempts', { query: before ? { before } : {} });
  const species = useGet('species');
  const names = new Map((species.data ?? []).map((kind) => [kind.key, kind.commonName]));
  const add = house.may('keeper') && (
    <ButtonLink to="/spawns/new" look="main">
      Start an attempt
    </ButtonLink>
  );
  return (
    <Loaded reply={attempts} what="the attempts">
      {({ attempts: data, next }) => {
        const open = data.filter((attempt) => !attempt.outcome);
        const planned = open.filter((attempt) => attempt.from > house.today).reverse();
        const going = open.filter((attempt) => attempt.from <= house.today);
        const over = data.filter((attempt) => attempt.outcome);
        const worked = over.filter((attempt) => attempt.outcome === 'spawned').length;
        return (
          <>
            <PageHead
              title="Spawns"
              about={
                before
                  ? `earlier ones; ${worked} of these ${over.length} spawned`
                  : `${going.length} going on, ${planned.length} planned; ${worked} of the last ${over.length} that ended spawned`
              }
            >
              {add}
            </PageHead>
            {data.length === 0 && (
              <Empty title="No attempt yet" action={add || undefined}>
                An attempt is one try: species, tank, parents, what was done, and what came of it. Eggs are logged to it, and the
                hatch is worked out from them.
              </Empty>
            )}
            {planned.length > 0 && <h2 className="mt-2 mb-1 text-code">Planned</h2>}
            <Rows attempts={planned} names={names} />
            {going.length > 0 && <h2 className="mt-5 mb-1 text-code">Going on</h2>}
            <Rows attempts={going} names={names} />
            {over.length > 0 && <h2 className="mt-5 mb-1 text-code">Over</h2>}
            <Rows attempts={over} names={names} />
            {(next ?? before) && (
              <p className="mt-4 flex gap-4">
                {before && <ButtonLink to="/spawns">The newest</ButtonLink>}
                {next && <ButtonLink to={`/spawns?before=${next}`}>Earlier attempts</ButtonLink>}
              </p>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
