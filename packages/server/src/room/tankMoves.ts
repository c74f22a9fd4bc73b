import { decidePlace, endOfShelf, type StandingTank } from '@freshet/core/room';
import { formatNumber } from '@freshet/core/units';
import { v7 as newId } from 'uuid';
import type { LogService, Scope } from '../log';
import { DomainError } from '../platform';
import type { createRoomRepository } from './room.repository';

interface Place {
  leftCm: number;
  shelfLabel: string;
}

/** Where tanks stand: a place is found once for new tanks and for moved ones. */
export function createTankMoves({ log, repository }: { log: LogService; repository: ReturnType<typeof createRoomRepository> }) {
  const { shelves, tanks, tankMoves } = repository;

  async function moveBack(scope: Scope, entry: { id: string; tankId: string | null }): Promise<void> {
    if (!entry.tankId) return;
    const [last] = await tankMoves.find(
      scope,
      { tankId: entry.tankId },
      {
        order: [
          ['at', 'DESC'],
          ['id', 'DESC'],
        ],
        limit: 1,
      },
    );
    if (last?.entryId !== entry.id)
      throw new DomainError('log/later-entries', { detail: 'The tank was moved again since; undo that first.' });
    const tank = await tanks.get(scope, last.tankId);
    const others = (await tanks.find(scope, { shelfId: last.fromShelfId })).filter((other) => other.id !== last.tankId);
    const shelf = await shelves.get(scope, last.fromShelfId);
    const back = { shelfId: last.fromShelfId, leftCm: last.fromLeftCm, facing: last.fromFacing };
    if (!tank || !shelf) throw new DomainError('log/later-entries', { detail: 'Its old shelf is gone.' });
    const decision = decidePlace({ ...tank, ...back }, shelf, others);
    if (!decision.ok && decision.hard)
      throw new DomainError('log/later-entries', { detail: `${decision.message} Move that first.` });
    await tanks.update(scope, { id: tank.id }, back);
  }

  /** Where a tank goes on a shelf; refused with the figure when it cannot stand there. */
  async function findPlace(
    scope: Scope,
    shelfId: string,
    tank: Omit<StandingTank, 'leftCm'> & { leftCm: number | null },
  ): Promise<Place> {
    const shelf = await shelves.get(scope, shelfId);
    if (!shelf) throw new DomainError('request/not-found', { detail: 'There’s no such shelf.', pointer: '#/shelfId' });
    const neighbours = (await tanks.find(scope, { shelfId: shelf.id })).filter((other) => other.id !== tank.id);
    const leftCm = tank.leftCm ?? endOfShelf(neighbours);
    const decision = decidePlace({ ...tank, leftCm }, shelf, neighbours);
    if (!decision.ok && (decision.hard || !scope.override))
      throw new DomainError(decision.hard ? 'room/place-taken' : 'room/does-not-fit', {
        detail: decision.message,
        pointer: `#/${decision.field}`,
      });
    return { leftCm, shelfLabel: `shelf ${shelf.level}` };
  }

  log.declare({
    tankMove: {
      apply: async (scope, body) => {
        const { entryId } = scope;
        const tank = await tanks.get(scope, body.tankId);
        const fromShelfId = tank?.shelfId;
        if (!tank || !fromShelfId) throw new DomainError('request/not-found', { detail: 'There’s no such tank.' });
        const { leftCm, shelfLabel } = await findPlace(scope, body.shelfId, {
          ...tank,
          facing: body.facing,
          leftCm: body.leftCm,
        });
        const place = { shelfId: body.shelfId, leftCm, facing: body.facing };
        await tankMoves.insert(scope, {
          id: newId(),
          entryId,
          tankId: tank.id,
          fromShelfId,
          fromLeftCm: tank.leftCm,
          fromFacing: tank.facing,
          at: scope.now,
          ...place,
        });
        await tanks.update(scope, { id: tank.id }, place);
        return {
          text: `${tank.code} moved to ${shelfLabel}, ${formatNumber(leftCm, 3)} cm from the left`,
          tankId: tank.id,
          subjectId: tank.id,
        };
      },
      undo: { tables: [tankMoves], before: moveBack },
    },
  });

  return {
    findPlace,
  };
}
