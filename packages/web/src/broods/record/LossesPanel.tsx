import { LOSS_SPANS, worstSpan, type BroodOutcome, type LossSpan } from '@freshet/core/broods';
import { causeWords } from '@freshet/core/stock';
import { showPercent } from '../../data';
import { Panel } from '../../ui';

const SPAN_WORDS: Record<LossSpan, string> = {
  eggs: 'as eggs',
  yolk: 'between hatch and swimming',
  fry: 'in the first 30 days of swimming',
  later: 'after day 30',
};

/** When and of what most is lost. */
export function LossesPanel({ outcomes }: { outcomes: readonly BroodOutcome[] }) {
  const worst = worstSpan(outcomes);
  const all = outcomes.flatMap(({ losses }) => losses);
  const total = all.reduce((sum, { count }) => sum + count, 0);
  return (
    <Panel title="When fry are lost">
      {!worst && <p className="text-quiet">No losses logged.</p>}
      {worst && (
        <p className="mb-2">
          {worst.share >= 0.5 ? 'You lose many fry' : 'You lose most fry'}, {showPercent(worst.share)}, you lose{' '}
          <b>{SPAN_WORDS[worst.span]}</b>.
        </p>
      )}
      {LOSS_SPANS.map((span) => {
        const here = all.filter((loss) => loss.span === span);
        const count = here.reduce((sum, loss) => sum + loss.count, 0);
        if (count === 0) return null;
        const causes = new Map<string, number>();
        for (const loss of here) causes.set(causeWords(loss.cause), (causes.get(causeWords(loss.cause)) ?? 0) + loss.count);
        return (
          <div key={span} className="border-b border-rule py-1.5">
            <div className="flex items-center gap-3">
              <span className="w-52 shrink-0">{SPAN_WORDS[span]}</span>
              <span className="h-3 bg-rust" style={{ width: `${(count / total) * 45}%` }} aria-hidden />
              <b className="font-mono">{count}</b>
            </div>
            <p className="text-note text-quiet">
              {[...causes]
                .sort(([, a], [, b]) => b - a)
                .slice(0, 4)
                .map(([words, heads]) => `${heads} ${words}`)
                .join(', ')}
            </p>
          </div>
        );
      })}
    </Panel>
  );
}
