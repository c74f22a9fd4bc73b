import type { BodyOf } from '@freshet/contract/endpoints';
import type { broodstockEndpoints } from '@freshet/contract/stock';
import type { Scope } from '../log';
import type { Reading } from '../platform';
import type { BroodstockRepository } from './broodstock.repository';
import type { createStockRepository, LotRow } from './stock.repository';
import { v7 as newId } from 'uuid';

export type Details = BodyOf<(typeof broodstockEndpoints)['describeLot']>['details'];

export const detailsOf = ({ name, line, generation, grade, marks, permit, bornOn, isProven, isRetired }: Details): Details => ({
  name,
  line,
  generation,
  grade,
  marks,
  permit,
  bornOn,
  isProven,
  isRetired,
});

/**
 * What is said of lots: each saying is a row, the newest wins and stands on the lot itself, so that lists need no second look.
 * A lot's first saying is the one it was made with.
 */
export function createLotDetails(repository: BroodstockRepository, lots: ReturnType<typeof createStockRepository>['lots']) {
  const newestSaid = async (at: Reading, lotId: string) => (await repository.details.newestBy(at, 'lotId', [lotId]))[0] ?? null;

  async function say(scope: Scope, lot: LotRow, said: Details): Promise<void> {
    const { entryId, now } = scope;
    const known = await repository.details.find(scope, { lotId: lot.id }, { limit: 1 });
    if (known.length === 0)
      await repository.details.insert(scope, {
        id: newId(),
        entryId: lot.entryId,
        lotId: lot.id,
        at: lot.since,
        ...detailsOf(lot),
      });
    await repository.details.insert(scope, { id: newId(), entryId, lotId: lot.id, at: now, ...said });
    await lots.update(scope, { id: lot.id }, said);
  }

  /** After an undo: the newest saying that still stands goes onto the lot. */
  async function restore(scope: Scope, lotId: string): Promise<void> {
    const last = await newestSaid(scope, lotId);
    if (last) await lots.update(scope, { id: lotId }, detailsOf(last));
  }
  return { newestSaid, say, restore };
}

const LABELS: Record<keyof Details, string> = {
  name: 'name',
  line: 'line',
  generation: 'generation',
  grade: 'grade',
  marks: 'marks',
  permit: 'papers',
  bornOn: 'born on',
  isProven: 'proven',
  isRetired: 'retired',
};

/** What is said of a lot where it differs from something else said, in words. */
export const detailWords = (said: Details, from: Details): string =>
  (Object.keys(LABELS) as (keyof Details)[])
    .filter((key) => (said[key] ?? null) !== (from[key] ?? null))
    .map((key) => `${LABELS[key]} ${said[key] === true ? 'yes' : said[key] === false ? 'no' : (said[key] ?? 'none')}`)
    .join(', ') || 'the same';
