import { Link } from 'react-router';
import { compareGrading, type GrowthPicture } from '@freshet/core/growout';
import { daysBetween } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { showPercent, useHouse } from '../../data';

/** Both schools of growing up for this brood: tanks, who is at risk, how often they are handled. */
export function Schools({ picture }: { picture: GrowthPicture }) {
  const house = useHouse();
  const sale = picture.targets.find(({ target }) => target === 'sale')?.shares[2]?.mid ?? null;
  const ratio = picture.dangerRatio;
  const rows = compareGrading(picture.cv, ratio, 1, sale ? daysBetween(house.today, sale) : null);
  return (
    <details className="border border-rule bg-sheet px-3 py-2">
      <summary className="min-h-8 cursor-pointer font-semibold">Sort by size, or keep together?</summary>
      <table className="w-full text-left">
        <thead>
          <tr className="text-note text-quiet">
            <th className="font-normal">way</th>
            <th className="font-normal">tanks</th>
            <th className="font-normal">tank days</th>
            <th className="font-normal">could be eaten</th>
            <th className="font-normal">sortings to sale</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.school} className="border-t border-rule">
              <th scope="row">{row.school === 'bySize' ? 'Sorted by size' : 'All together'}</th>
              <td>{row.tanks}</td>
              <td>{row.tankDays ?? '–'}</td>
              <td>{row.atRisk < 0.005 ? 'hardly any' : `about ${showPercent(row.atRisk)}`}</td>
              <td>{row.sortings === 0 ? 'none' : row.sortings}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-note text-quiet">
        From a spread of {formatNumber(picture.cv * 100)} %. A fry is in danger when another is {formatNumber(ratio)} times as
        long. Each sorting is a day of stress. See how your own broods did under{' '}
        <Link to={`/growout/record/${picture.speciesKey}`} className="link">
          Flow and faults
        </Link>
        .
      </p>
    </details>
  );
}
