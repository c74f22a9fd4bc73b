import { VESSEL_RULES } from '@freshet/core/room';
import type { createRoomRepository } from './room.repository';

type Rooms = Awaited<ReturnType<ReturnType<typeof createRoomRepository>['all']>>;

/** Finds the shelf and rack of each tank; a vessel's are those of the tank it hangs in. Nothing for a vessel at a place of its own. */
export function createRackOf({ racks, shelves, tanks }: Pick<Rooms, 'racks' | 'shelves' | 'tanks'>) {
  const rackById = new Map(racks.map((rack) => [rack.id, rack]));
  const shelfById = new Map(shelves.map((shelf) => [shelf.id, shelf]));
  const tankById = new Map(tanks.map((tank) => [tank.id, tank]));
  return (tank: Rooms['tanks'][number]) => {
    const host = tank.inTankId === null ? tank : tankById.get(tank.inTankId);
    const shelf = shelfById.get(host?.shelfId ?? '');
    const rack = rackById.get(shelf?.rackId ?? '');
    if (!host || !shelf || !rack) return null;
    const hasItsWater = tank.kind === 'tank' || VESSEL_RULES[tank.kind].sharesWater;
    return { host, shelf, rack, sump: hasItsWater ? rack.sump : null };
  };
}
