import type { Undoing } from '../log';
import { DomainError } from '../platform';
import type { BroodsRepository } from './broods.repository';

/**
 * What began a brood cannot be taken back once the brood was observed.
 * @param isChange - the entry also changed a brood that was there: what was recorded of that one later stands in the way, too
 */
export const refuseWhenSeenSince =
  (
    { broods, observations }: Pick<BroodsRepository, 'broods' | 'observations'>,
    isChange = false,
  ): NonNullable<Undoing['before']> =>
  async (scope, entry) => {
    const begun = (await broods.find(scope, { entryId: entry.id })).map(({ id }) => id);
    const broodIds = isChange && entry.subjectId ? [...begun, entry.subjectId] : begun;
    if (broodIds.length === 0) return;
    // Ids are in the order of recording.
    const since = (await observations.find(scope, { broodId: broodIds })).some(({ entryId }) => entryId > entry.id);
    if (since) throw new DomainError('log/later-entries', { detail: 'This brood was observed since; take that back first.' });
  };
