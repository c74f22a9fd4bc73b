import { Link } from 'react-router';
import { formatDay } from '@freshet/core/time';
import { useHouse, type Reply } from '../../data';

/** When the young of a tank fill it; nothing while there is room. */
export function TightLine({ life }: { life: Pick<Reply<'tankLife'>[number], 'tightOn' | 'fullOn'> }) {
  const house = useHouse();
  const { tightOn, fullOn } = life;
  if (!tightOn) return null;
  return (
    <p className="border-b border-rule py-2">
      <Link to="/growout" className="link">
        {tightOn <= house.today ? 'Getting full' : `Getting full from ${formatDay(tightOn, house.today)}`}
      </Link>
      {fullOn && (fullOn <= house.today ? ', too full now' : `, full ${formatDay(fullOn, house.today)}`)}
    </p>
  );
}
