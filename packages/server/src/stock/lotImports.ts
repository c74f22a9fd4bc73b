import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodstockEndpoints } from '@freshet/contract/stock';
import { totalHeads } from '@freshet/core/stock';
import { exactly } from '@freshet/core/time';
import { DomainError, type Who } from '../platform';
import type { BroodstockDeps } from './broodstock.service';
import { v7 as newId } from 'uuid';

type ImportBody = BodyOf<(typeof broodstockEndpoints)['importLots']>;

/** Lots out of a file: every one or none, in one entry that can be taken back whole. */
export function createLotImports({ clock, log, room, stock, repository, views }: BroodstockDeps) {
  return (who: Who, body: ImportBody) =>
    log.record(who, { kind: 'import', asked: body, when: exactly(clock.now()) }, async (scope) => {
      const kinds = await views.species(scope);
      for (const [i, lot] of body.lots.entries()) {
        const wrong = (detail: string, field: string) =>
          new DomainError('request/invalid', { detail: `Row ${i + 1}: ${detail}`, pointer: `#/lots/${i}/${field}` });
        if (!kinds.has(lot.speciesKey)) throw wrong(`there is no species "${lot.speciesKey}".`, 'speciesKey');
        if (lot.tankId) await room.getTank(scope, lot.tankId);
        if (totalHeads(lot.heads) > 0 && !lot.tankId) throw wrong('animals need a tank.', 'tankId');
        const { lotId, speciesKey, origin, acquiredFrom, tankId, heads, since } = lot;
        await stock.createLot(scope, {
          id: lotId,
          speciesKey,
          origin,
          acquiredFrom,
          broodId: null,
          tankId,
          since,
          ...lot.details,
        });
        if (totalHeads(heads) > 0)
          await stock.book(scope, { ...heads, fromLotId: null, toLotId: lotId, cause: 'acquired' }, exactly(since));
        if (lot.sires.length + lot.dams.length > 0)
          await repository.parentSets.insert(scope, {
            id: newId(),
            entryId: scope.entryId,
            subjectId: lotId,
            sires: lot.sires,
            dams: lot.dams,
            at: scope.now,
          });
      }
      return { text: `${body.lots.length} lots taken over from a file` };
    });
}
