import { v7 as newId } from 'uuid';
import type { EntryKindName } from '@freshet/contract/api';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodstockEndpoints } from '@freshet/contract/stock';
import { sexTraitsOf, summariseLengths, totalHeads } from '@freshet/core/stock';
import type { TimeRange } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import type { LogService, Scope, Written } from '../log';
import { DomainError, type Who } from '../platform';
import type { BroodstockRepository } from './broodstock.repository';
import type { LotViews } from './lotViews';
import type { LotRow } from './stock.repository';
import type { StockService } from './stock.service';

type Body<Name extends keyof typeof broodstockEndpoints> = BodyOf<(typeof broodstockEndpoints)[Name]>;
/** Beyond this times the longest of its species a length is asked about. */
export const LONGEST_OVER_ADULT = 1.5;

interface Deps {
  log: LogService;
  stock: StockService;
  repository: BroodstockRepository;
  views: LotViews;
  now: () => TimeRange;
  about: (
    who: Who,
    entry: { kind: EntryKindName; asked: { id: string; at?: string } },
    lotId: string,
    work: (scope: Scope, lot: LotRow) => Promise<string>,
  ) => Promise<Written>;
}

/** A keeper's own marks of sex, and samples of lengths. */
export function createMarksAndLengths({ log, stock, repository, views, now, about }: Deps) {
  return {
    addMark: (who: Who, body: Body<'addMark'>) =>
      log.record(who, { kind: 'mark', asked: body, when: now() }, async (scope) => {
        const { id: _id, speciesKey, ...said } = body;
        const kind = (await views.species(scope)).get(speciesKey);
        if (!kind) throw new DomainError('request/not-found', { detail: 'There is no such species.', pointer: '#/speciesKey' });
        const known = [...sexTraitsOf(speciesKey, kind.method), ...(await repository.marksOf(scope, speciesKey))];
        if (known.some(({ name }) => name.toLowerCase() === said.name.toLowerCase()))
          throw new DomainError('request/invalid', { detail: 'There is a mark of that name.', pointer: '#/name' });
        await repository.marks.insert(scope, { id: newId(), entryId: scope.entryId, speciesKey, ...said, at: scope.now });
        return { text: `${kind.commonName}, a mark of sex: ${said.name}`, tankId: null, subjectId: null };
      }),

    sampleLengths: (who: Who, body: Body<'sampleLengths'>) =>
      about(who, { kind: 'lengths', asked: body }, body.lotId, async (scope, lot) => {
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
        return `${lengthsMm.length} measured: ${formatNumber(meanMm, 3)} mm in the mean, smallest tenth ${formatNumber(smallestTenthMm)} mm${cohorts.length > 1 ? `, ${cohorts.length} sizes apart` : ''}`;
      }),
  };
}
