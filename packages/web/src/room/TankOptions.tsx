import type { Reply } from '../data';

/** Every tank, box, bag and jar as an option, with who lives there. @param tanksOnly - without boxes, bags and jars */
export function TankOptions({
  life,
  but,
  tanksOnly = false,
}: {
  life: Reply<'tankLife'> | undefined;
  but?: string | null;
  tanksOnly?: boolean;
}) {
  return (
    <>
      <option value="">Choose a tank</option>
      {(life ?? [])
        .filter((tank) => tank.tankId !== but && !(tanksOnly && tank.vessel))
        .map((tank) => {
          const names = [...new Set(tank.lots.map((lot) => lot.speciesName))];
          return (
            <option key={tank.tankId} value={tank.tankId}>
              {tank.code}: {tank.vessel && `${tank.vessel.words}, `}
              {names.length > 0 ? names.join(', ') : tank.cultures.length > 0 ? 'live food' : 'empty'}
            </option>
          );
        })}
    </>
  );
}
