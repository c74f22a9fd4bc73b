import type { BroodRecord } from '@freshet/core/broods';
import { formatInstantRange, houseDay, type TimeRange } from '@freshet/core/time';
import { DomainError, type Who } from '../platform';
import type { ObservationRow } from './broods.repository';

/** Refuses what contradicts the log; says which entry it contradicts. */
export function checkOrder(
  kind: ObservationRow['kind'],
  at: TimeRange,
  facts: BroodRecord,
  born: boolean,
  who: Who,
  now: string,
): void {
  const show = (range: TimeRange) => formatInstantRange(range, houseDay(now, who.timeZone), who.timeZone);
  const refuse = (detail: string) => {
    throw new DomainError('broods/out-of-order', { detail, pointer: '#/at' });
  };
  if (born) refuse('These young were born free-swimming; there is nothing to hatch.');
  if (at.to < facts.laid.from) refuse(`They were laid ${show(facts.laid)}; this would be before.`);
  if (kind === 'eggsSeen' && (facts.hatched || facts.freeSwimming)) refuse('They have hatched already.');
  if (kind === 'stripped' && facts.stripped) refuse(`It is logged for ${show(facts.stripped)}; undo that first.`);
  if (kind === 'stripped' && (facts.hatched || facts.freeSwimming)) refuse('She has let them go already.');
  if (kind === 'hatched' && facts.hatched) refuse(`The hatch is logged for ${show(facts.hatched)}; undo that first.`);
  if (kind === 'hatched' && facts.freeSwimming) refuse('They swim already.');
  if (kind === 'freeSwimming' && facts.freeSwimming)
    refuse(`Free-swimming is logged for ${show(facts.freeSwimming)}; undo that first.`);
  if (kind === 'freeSwimming' && facts.hatched && at.to < facts.hatched.from)
    refuse(`They hatched ${show(facts.hatched)}; this would be before.`);
}
