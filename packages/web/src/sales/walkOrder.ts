import { compareWalk, type RoomTank } from '@freshet/core/room';
import type { PickStop } from '@freshet/core/sales';
import type { Reply } from '../data';

/** Stops in the order they are walked, each with its tank; those without one are last. */
export function resolveTankOrder(
  stops: readonly PickStop[],
  facts: Pick<Reply<'house'>, 'room'>,
): { stop: PickStop; tank: RoomTank | undefined }[] {
  const tanks = new Map(facts.room.tanks.map((tank) => [tank.id, tank]));
  return stops
    .map((stop) => ({ stop, tank: tanks.get(stop.tankId) }))
    .sort((a, b) =>
      a.tank && b.tank
        ? compareWalk({ ...a.tank, nursery: false }, { ...b.tank, nursery: false })
        : Number(!a.tank) - Number(!b.tank),
    );
}
