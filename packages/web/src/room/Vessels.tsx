import { Link } from 'react-router';
import { useHouse, showVolume, type Reply } from '../data';
import { Button, Swatch } from '../ui';
import { describeLife } from './TankPicture';

/** Boxes, bags and jars: what each is, where it is, what is in it. */
export function Vessels({
  vessels,
  life,
  add,
}: {
  vessels: Reply<'room'>['vessels'];
  life: Reply<'tankLife'> | undefined;
  /** Null for those who may not. */
  add: (() => void) | null;
}) {
  const house = useHouse();
  const lives = new Map((life ?? []).map((one) => [one.tankId, one]));
  if (vessels.length === 0 && !add) return null;
  return (
    <section
      aria-label="Boxes, bags and jars"
      className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2 border-t border-rule pt-2"
    >
      {vessels.map(({ id, code, litres }) => {
        const one = lives.get(id);
        return (
          <Link key={id} to={`/tanks/${id}`} className="flex items-center gap-2 py-1 hover:underline">
            {one?.stage && <Swatch kind={one.stage} width={18} height={14} />}
            <span>
              <b className="font-mono">{code}</b> {one?.vessel?.words ?? ''}
              <span className="text-quiet">
                , {showVolume(litres, house)}: {one ? describeLife(one, code).slice(code.length + 2) : '…'}
              </span>
            </span>
          </Link>
        );
      })}
      {add && <Button onClick={add}>Set up a box, bag or jar</Button>}
    </section>
  );
}
