import type { Reply } from '../data';

/** Every tank as an option, with who lives there. */
export function TankOptions({ life, but }: { life: Reply<'tankLife'> | undefined; but?: string | null }) {
  return (
    <>
      <option value="">Choose a tank</option>
      {(life ?? [])
        .filter((tank) => tank.tankId !== but)
        .map((tank) => {
          const names = [...new Set(tank.lots.map((lot) => lot.speciesName))];
          return (
            <option key={tank.tankId} value={tank.tankId}>
              {tank.code}: {names.length > 0 ? names.join(', ') : tank.cultures.length > 0 ? 'live food' : 'empty'}
            </option>
          );
        })}
    </>
  );
}
