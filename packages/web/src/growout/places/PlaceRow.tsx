import { Link } from 'react-router';
import type { Outlook, PlannedPlace } from '@freshet/core/growout';
import { formatDay } from '@freshet/core/time';
import { useHouse } from '../../data';
import { Why } from '../../ui';

/** One row of the plan: who, from where, to which tank and when; or what can be done where there is none. */
export function PlaceRow({
  place,
  choosable,
  lock,
}: {
  place: PlannedPlace;
  choosable: Outlook['choosable'];
  lock: (tankId: string) => void;
}) {
  const house = useHouse();
  return (
    <li className="border-b border-rule px-3 py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="min-w-0 flex-1 basis-52">
          <b>{place.heads}</b>{' '}
          {place.broodId ? (
            <Link to={`/growout/broods/${place.broodId}`} className="link">
              {place.name}
            </Link>
          ) : (
            place.name
          )}{' '}
          <span className="text-quiet">
            from <span className="font-mono">{place.fromCode}</span>
            {place.stay > 0 ? `; ${place.stay} stay` : ''}
          </span>
        </span>
        <label className="flex items-center gap-2">
          <span className="sr-only">{`Tank for ${place.heads} ${place.name} from ${place.fromCode}`}</span>
          <select
            className="control w-40"
            value={place.isLocked ? (place.toTankId ?? '') : ''}
            onChange={(event) => lock(event.target.value)}
          >
            <option value="">{place.toCode ? `${place.toCode}, planned` : 'no tank'}</option>
            {choosable.map(({ tankId, code }) => (
              <option key={tankId} value={tankId}>
                {code}, fixed
              </option>
            ))}
          </select>
        </label>
        <span className="w-36 shrink-0 text-right whitespace-nowrap">
          {place.on ? (
            <>
              {place.on <= house.today ? <b>today</b> : formatDay(place.on, house.today)}{' '}
              <Why
                about={`${place.heads} ${place.name} to ${place.toCode ?? ''}`}
                notes={place.why}
                source="docs/sources.md#places"
              />
            </>
          ) : (
            <b className="text-rust">no place</b>
          )}
        </span>
      </div>
      {place.offers.length > 0 && (
        <ul className="mt-1 list-disc pl-5 text-note">
          {place.offers.map((offer) => (
            <li key={offer}>{offer}</li>
          ))}
        </ul>
      )}
    </li>
  );
}
