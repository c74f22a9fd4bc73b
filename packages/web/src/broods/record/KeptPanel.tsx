import {
  clutchRate,
  OUTCOME_STAGES,
  poolSurvival,
  tallyBetween,
  type BroodOutcome,
  type OutcomeStage,
} from '@freshet/core/broods';
import { showPercent } from '../../data';
import { Panel, Why } from '../../ui';
import { ShareBar } from './ShareBar';

export const OUTCOME_WORDS: Record<OutcomeStage, string> = {
  laid: 'laid or born',
  fertile: 'fertile',
  hatched: 'hatched',
  swimming: 'swimming',
  day30: 'day 30',
  sale: 'sale age',
};

const CURVE = { width: 420, height: 170, left: 40, bottom: 26 };

/** The share alive by days from laying, with its band: those sold or moved are taken out, not lost. */
function SurvivalCurve({ outcomes }: { outcomes: readonly BroodOutcome[] }) {
  const steps = poolSurvival(outcomes);
  if (steps.length < 2) return null;
  const until = Math.max(30, steps.at(-1)?.day ?? 30);
  const x = (day: number) => CURVE.left + (day / until) * (CURVE.width - CURVE.left - 8);
  const y = (share: number) => 8 + (1 - share) * (CURVE.height - 8 - CURVE.bottom);
  const line = (of: (step: (typeof steps)[number]) => number) =>
    steps.reduce((path, step) => `${path}H${x(step.day).toFixed(1)}V${y(of(step)).toFixed(1)}`, `M${x(0)},${y(1)}`) +
    `H${x(until)}`;
  const low = (step: (typeof steps)[number]) => step.low95 ?? 0;
  const high = (step: (typeof steps)[number]) => step.high95 ?? step.survival;
  const back = [...steps].reverse();
  const band = `${line(high)}V${y(low(back[0] ?? steps[0]!)).toFixed(1)}${back
    .map((step, i) => `H${x(step.day).toFixed(1)}V${y(back[i + 1] ? low(back[i + 1]!) : 1).toFixed(1)}`)
    .join('')}Z`;
  return (
    <svg
      viewBox={`0 0 ${CURVE.width} ${CURVE.height}`}
      className="w-full max-w-xl"
      role="img"
      aria-label={`Of all together ${showPercent(steps.at(-1)?.survival ?? 1)} are left after ${until} days`}
    >
      <path d={band} fill="var(--fry)" opacity={0.7} />
      <path d={line((step) => step.survival)} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
      {[0, 0.5, 1].map((share) => (
        <text key={share} x={CURVE.left - 6} y={y(share) + 4} textAnchor="end" fontSize={11} fill="var(--quiet)">
          {share * 100} %
        </text>
      ))}
      <path d={`M${CURVE.left},${y(0)} H${CURVE.width - 8}`} stroke="var(--edge)" />
      {[0, 0.25, 0.5, 0.75, 1].map((part) => (
        <text
          key={part}
          x={x(until * part)}
          y={CURVE.height - 8}
          textAnchor={part === 1 ? 'end' : 'middle'}
          fontSize={11}
          fill="var(--quiet)"
        >
          {part === 0 ? 'laid' : `day ${Math.round(until * part)}`}
        </text>
      ))}
    </svg>
  );
}

/** How many of a species' young are kept, from one point of their life to the next. */
export function KeptPanel({ outcomes, isBorn }: { outcomes: readonly BroodOutcome[]; isBorn: boolean }) {
  const stages = OUTCOME_STAGES.filter((stage) => !isBorn || stage === 'laid' || stage === 'day30' || stage === 'sale');
  const rows = stages.slice(1).flatMap((to, i) => {
    const from = stages[i] ?? 'laid';
    const kept = clutchRate(outcomes.flatMap((outcome) => tallyBetween(outcome, from, to) ?? []));
    return kept ? [{ from, to, kept }] : [];
  });
  return (
    <Panel
      title="How many make it"
      aside={
        <>
          <Why
            about="How many make it"
            formula="The share still alive at each point, over all broods counted at both. The band is a Jeffreys interval, widened by how much clutches differ."
            notes={['Fry sold or given away count as alive.']}
            source="docs/sources.md#clutch-rate"
          />
        </>
      }
    >
      {rows.length === 0 && <p className="text-quiet">No brood has been counted twice yet.</p>}
      <ul>
        {rows.map(({ from, to, kept }) => (
          <li key={to} className="flex flex-wrap items-center gap-x-3 border-b border-rule py-1">
            <span className="w-40">
              {OUTCOME_WORDS[from]} → <b>{OUTCOME_WORDS[to]}</b>
            </span>
            <ShareBar share={kept} width={150} label={`${OUTCOME_WORDS[from]} to ${OUTCOME_WORDS[to]}`} />
            <b className="w-12 font-mono">{showPercent(kept.mean)}</b>
            <span className="text-note text-quiet">
              {showPercent(kept.low95)} to {showPercent(kept.high95)},{' '}
              {kept.clutches === 1 ? 'one brood' : `${kept.clutches} broods`}
            </span>
          </li>
        ))}
      </ul>
      <div className="mt-3">
        <SurvivalCurve outcomes={outcomes} />
      </div>
    </Panel>
  );
}
