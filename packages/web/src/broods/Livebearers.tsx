import { Link } from 'react-router';
import { formatDay, formatDayRange, houseDay, lapse } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useGet, useHouse, type Reply } from '../data';
import { Button, Loaded, Why } from '../ui';

type Drop = Reply<'drops'>[number];

function DropRow({ drop, born }: { drop: Drop; born: (drop: Drop) => void }) {
  const house = useHouse();
  const day = (at: string) => houseDay(at, house.timeZone);
  const { last, next } = drop;
  return (
    <li className="grid gap-x-5 gap-y-1 border-b border-rule px-4 py-3 sm:grid-cols-[1.2fr_1fr_1.2fr_auto]">
      <span>
        <Link to={`/tanks/${drop.tankId ?? ''}`} className="font-mono font-bold link">
          {drop.tankCode}
        </Link>{' '}
        <Link to={`/stock/${drop.lotId}`} className="link font-semibold">
          {drop.label}
        </Link>
        <span className="block text-note text-quiet">
          {drop.females === 1 ? 'one female' : `${drop.females} females, each with her own dates`};{' '}
          {drop.males > 0 ? 'males with them' : 'no male; stored sperm can last for months'}
        </span>
      </span>
      <span>
        {last ? (
          <>
            <Link to={`/broods/${last.broodId}`} className="link">
              {last.count} on {formatDay(day(last.at.to), house.today)}
            </Link>
            <span className="block text-note text-quiet">
              {drop.ownDays === null
                ? drop.drops === 1
                  ? 'her first on record'
                  : `${drop.drops} on record`
                : `${drop.drops} on record, ${lapse([drop.ownDays, drop.ownDays])} apart on average`}
            </span>
          </>
        ) : (
          <span className="text-quiet">none here yet</span>
        )}
      </span>
      <span>
        {next?.earliest && next.latest ? (
          <>
            <b>{formatDayRange(day(next.earliest), day(next.latest), house.today)}</b>{' '}
            <Why
              about="Next young"
              inputs={next.why.inputs}
              formula={next.why.formula}
              source={next.why.source}
              notes={[...next.why.notes, `Add cover or move her alone about ${formatNumber(4)} days before.`]}
            />
            <span className="block text-note text-quiet">
              {day(next.latest) < house.today ? 'overdue: look for newborn among the plants' : 'due, by the warmth of their tank'}
            </span>
          </>
        ) : (
          <span className="text-quiet">nothing to count from yet</span>
        )}
      </span>
      {house.may('sitter') && drop.tankId && (
        <span className="self-start">
          <Button onClick={() => born(drop)}>Young born</Button>
        </span>
      )}
    </li>
  );
}

/** Every livebearer with females: what was dropped last, what is due, and the log of a birth. */
export function Livebearers({ born }: { born: (drop: Drop) => void }) {
  const drops = useGet('drops');
  return (
    <Loaded reply={drops} what="the livebearers">
      {(data) =>
        data.length === 0 ? null : (
          <section className="mt-4" aria-labelledby="livebearers">
            <h2 id="livebearers" className="mb-1">
              Livebearers
            </h2>
            <ul className="border border-rule bg-sheet">
              {data.map((drop) => (
                <DropRow key={drop.lotId} drop={drop} born={born} />
              ))}
            </ul>
            <p className="mt-1 text-note text-quiet">
              Count or catch newborn the same day. Take males out as soon as the fin lengthens, or they breed with their sisters.
            </p>
          </section>
        )
      }
    </Loaded>
  );
}
