import type { LogService, Undoing } from '../log';
import { DomainError } from '../platform';
import type { BroodsRepository } from './broods.repository';

/**
 * What began a brood cannot be taken back once the brood was observed.
 * @param isChange - the entry also changed a brood that was there: what was recorded of that one later stands in the way, too
 */
export const refuseWhenSeenSince =
  (
    log: Pick<LogService, 'laterThan'>,
    { broods, observations }: Pick<BroodsRepository, 'broods' | 'observations'>,
    isChange = false,
  ): NonNullable<Undoing['before']> =>
  async (scope, entry) => {
    const begun = (await broods.find(scope, { entryId: entry.id })).map(({ id }) => id);
    const broodIds = isChange && entry.subjectId ? [...begun, entry.subjectId] : begun;
    if (broodIds.length === 0) return;
    const seen = await observations.find(scope, { broodId: broodIds });
    const since =
      (
        await log.laterThan(
          scope,
          entry,
          seen.map(({ entryId }) => entryId),
        )
      ).length > 0;
    if (since) throw new DomainError('log/later-entries', { detail: 'This brood was observed since; undo that first.' });
  };
