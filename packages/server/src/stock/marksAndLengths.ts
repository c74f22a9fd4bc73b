import { v7 as newId } from 'uuid';
import { sexTraitsOf, summariseLengths, totalHeads } from '@freshet/core/stock';
import { formatNumber } from '@freshet/core/units';
import type { Applied, LogService, Scope } from '../log';
import { DomainError } from '../platform';
import type { BroodstockRepository } from './broodstock.repository';
import type { LotViews } from './lotViews';
import type { LotRow } from './stock.repository';
import type { StockService } from './stock.service';

/** Beyond this times the longest of its species a length is asked about. */
export const LONGEST_OVER_ADULT = 1.5;

interface Deps {
  log: LogService;
  stock: StockService;
  repository: BroodstockRepository;
  views: LotViews;
  /** Makes what an entry about one lot does, told by its name. */
  about: <Body extends { lotId: string }>(
    work: (scope: Scope, lot: LotRow, body: Body) => Promise<string>,
  ) => (scope: Scope, body: Body) => Promise<Applied>;
}

/** A keeper's own marks of sex, and samples of lengths. */
export function createMarksAndLengths({ log, stock, repository, views, about }: Deps): void {
  log.declare({
    mark: {
      apply: async (scope, body) => {
        const { id: _id, speciesKey, ...said } = body;
        const kind = (await views.species(scope)).get(speciesKey);
        if (!kind) throw new DomainError('request/not-found', { detail: 'There’s no such species.', pointer: '#/speciesKey' });
        const known = [...sexTraitsOf(speciesKey, kind.method), ...(await repository.marksOf(scope, speciesKey))];
        if (known.some(({ name }) => name.toLowerCase() === said.name.toLowerCase()))
          throw new DomainError('request/invalid', { detail: 'There is a mark of that name.', pointer: '#/name' });
        await repository.marks.insert(scope, { id: newId(), entryId: scope.entryId, speciesKey, ...said, at: scope.now });
        return { text: `${kind.commonName}, a mark of sex: ${said.name}`, tankId: null, subjectId: null };
      },
      undo: { tables: [repository.marks] },
    },
    lengths: {
      apply: about(async (scope, lot, body) => {
        const { lengthsMm, method, at } = body;
        const { figures, commonName } = (await views.species(scope)).get(lot.speciesKey) ?? {};
        if (lengthsMm.length > totalHeads(lot))
          throw new DomainError('request/invalid', {
            detail: `${lengthsMm.length} lengths, and ${totalHeads(lot)} live in it: count again, or leave some out.`,
            pointer: '#/lengthsMm',
          });
        const most = (figures?.adultMm[1] ?? 2000) * LONGEST_OVER_ADULT;
        if (Math.max(...lengthsMm) > most && !body.override)
          throw new DomainError('stock/implausible-length', {
            detail: `${formatNumber(Math.max(...lengthsMm), 3)} mm is far longer than ${commonName ?? 'they'} grow. Was it millimetres? If it is right, say why.`,
            pointer: '#/lengthsMm',
          });
        await stock.repository.sizeSamples.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          lotId: lot.id,
          lengths: lengthsMm,
          method,
          at,
        });
        const { meanMm, smallestTenthMm, cohorts } = summariseLengths(lengthsMm);
        return `${lengthsMm.length} measured: ${formatNumber(meanMm, 3)} mm on average, smallest tenth ${formatNumber(smallestTenthMm)} mm${cohorts.length > 1 ? `, ${cohorts.length} sizes apart` : ''}`;
      }),
      undo: { tables: [stock.repository.sizeSamples] },
    },
  });
}
