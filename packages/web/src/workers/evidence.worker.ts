import { expose } from 'comlink';
import { factors } from '@freshet/core/evidence';
import { outcomeOf, proposeNext, weighEvidence, type AttemptRecord, type OutcomeRule } from '@freshet/core/spawning';

/** Several factors at once beside each other, over the attempts whose outcome is known. */
function severalAtOnce(records: readonly AttemptRecord[], rule: OutcomeRule) {
  const attempts = records.flatMap((record) => {
    const success = outcomeOf(record, rule);
    return success === null ? [] : [{ success, factors: record.factors }];
  });
  return attempts.length < 2 ? null : factors({ attempts });
}

/** What was tried, weighed away from the page so that it stays responsive. */
const EVIDENCE = { weighEvidence, proposeNext, severalAtOnce };
export type EvidenceWork = typeof EVIDENCE;

expose(EVIDENCE);
