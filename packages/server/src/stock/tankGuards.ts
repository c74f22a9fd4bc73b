import { totalHeads } from '@freshet/core/stock';
import type { LogService } from '../log';
import { DomainError } from '../platform';
import type { RoomService } from '../room';
import type { createStockRepository } from './stock.repository';

/** What of a tank or vessel cannot be taken back or put away while animals are, or were, in it. */
export function guardTanks({
  log,
  room,
  repository: { lots, placements },
}: {
  log: LogService;
  room: RoomService;
  repository: ReturnType<typeof createStockRepository>;
}): void {
  log.alsoUndone({
    tank: {
      tables: [],
      async before(scope, { subjectId: tankId }) {
        if ((await placements.find(scope, { tankId }, { limit: 1 })).length > 0)
          throw new DomainError('log/later-entries', { detail: 'Animals were put into this tank; undo that first.' });
      },
    },
    vessel: {
      tables: [],
      async before(scope, { id: entryId }) {
        const made = (await room.repository.tanks.find(scope, { entryId })).map(({ id }) => id);
        const into = await placements.find(scope, { tankId: made });
        // What the entry itself put in goes back with it.
        if (into.some((row) => row.entryId !== entryId))
          throw new DomainError('log/later-entries', { detail: 'Animals or eggs were put into it; undo that first.' });
      },
    },
  });
  log.alsoChecked('vesselAway', async (scope, { vesselId }) => {
    const held = (await lots.find(scope, { tankId: vesselId })).reduce((sum, lot) => sum + totalHeads(lot), 0);
    if (held > 0)
      throw new DomainError('request/invalid', {
        detail: `${held} are still in it. Move them out first, or log what became of them.`,
        pointer: '#/vesselId',
      });
  });
}
