import type { LimitPrice, PairingPlan } from '@freshet/core/stock';
import { showPercent } from '../../data';
import { Panel } from '../../ui';

/** What a limit is called in a sentence. */
function limitWords({ limit, pair }: LimitPrice, label: (id: string) => string, matings: number): string {
  const names = pair ? `${label(pair[0])} and ${label(pair[1])}` : '';
  if (limit === 'matingsPerMale') return `Each male ${matings === 1 ? 'once' : `${matings} times`} at most`;
  if (limit === 'minCertainty') return 'Only animals sexed for sure';
  if (limit === 'onlyReady') return 'Only animals that are ready';
  if (limit === 'maxInbreeding') return 'Your inbreeding limit';
  return limit === 'keep' ? `Keeping ${names} together` : `Keeping ${names} apart`;
}

/** What each limit costs, and who was left out because of them. */
export function LimitPrices({ plan, label, matings }: { plan: PairingPlan; label: (id: string) => string; matings: number }) {
  return (
    <Panel title="What the limits cost">
      {plan.prices.length === 0 ? (
        <p className="text-quiet">Nothing. No limit gets in the way.</p>
      ) : (
        plan.prices.map((price) => (
          <p key={`${price.limit} ${price.pair?.join() ?? ''}`} className="border-b border-rule py-1">
            {limitWords(price, label, matings)}:{' '}
            {price.costs === null ? (
              <b>rules this out; without it {showPercent(price.meanWithout)}</b>
            ) : (
              <>
                costs <b>{showPercent(price.costs)}</b>, {showPercent(price.meanWithout)} without it
              </>
            )}
          </p>
        ))
      )}
      {plan.leftOut.length > 0 && (
        <p className="pt-1 text-note text-quiet">
          Left out:{' '}
          {plan.leftOut.map(({ id, why }) => `${label(id)} (${why === 'sex' ? 'sex not sure enough' : 'not ready'})`).join(', ')}.
        </p>
      )}
    </Panel>
  );
}
