import { useState } from 'react';
import { compareWays, type BroodOutcome, type OutcomeStage } from '@freshet/core/broods';
import { FUNGUS_WORDS } from '@freshet/core/spawning';
import { EGG_PLAN_WORDS } from '@freshet/core/species';
import { showPercent } from '../../data';
import { Panel, SelectField, Why } from '../../ui';
import { ShareBar } from './ShareBar';

const BY = {
  eggPlan: { label: 'egg plan', of: (one: BroodOutcome) => one.eggPlan && EGG_PLAN_WORDS[one.eggPlan] },
  fungus: { label: 'what is done against fungus', of: (one: BroodOutcome) => one.fungus && FUNGUS_WORDS[one.fungus] },
  container: { label: 'box or tumbler', of: (one: BroodOutcome) => one.container },
  tank: { label: 'tank', of: (one: BroodOutcome) => one.tankCode },
} as const;
const SPANS: readonly { from: OutcomeStage; to: OutcomeStage; words: string }[] = [
  { from: 'laid', to: 'hatched', words: 'from laying to the hatch' },
  { from: 'hatched', to: 'swimming', words: 'from the hatch to swimming' },
  { from: 'laid', to: 'swimming', words: 'from laying to swimming' },
  { from: 'swimming', to: 'day30', words: 'from swimming to day 30' },
];
const SURE = 0.9;

/** How sure it is that one way keeps more than the others, in words. */
function sureWords(likely: number | null, clutches: number): string {
  if (likely === null) return 'nothing to compare with yet';
  if (clutches < 2) return 'only one brood; too early to tell';
  if (likely >= SURE) return `${showPercent(likely)} likely keeps more than the others`;
  if (likely <= 1 - SURE) return `${showPercent(1 - likely)} likely keeps fewer than the others`;
  return 'No difference seen yet';
}

/** Which way of keeping eggs and young keeps more of them, in this house. */
export function WaysPanel({ outcomes }: { outcomes: readonly BroodOutcome[] }) {
  const [by, setBy] = useState<keyof typeof BY>('eggPlan');
  const [place, setPlace] = useState(2);
  const span = SPANS[place] ?? SPANS[0];
  const ways = span ? compareWays(outcomes, BY[by].of, span.from, span.to) : [];
  return (
    <Panel title="Which way saves more">
      <div className="mb-2 grid gap-3 sm:grid-cols-2">
        <SelectField label="By" value={by} onChange={(event) => setBy(event.target.value as keyof typeof BY)}>
          {Object.entries(BY).map(([key, { label }]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </SelectField>
        <SelectField label="Over" value={String(place)} onChange={(event) => setPlace(Number(event.target.value))}>
          {SPANS.map(({ words }, i) => (
            <option key={words} value={i}>
              {words}
            </option>
          ))}
        </SelectField>
      </div>
      {ways.length === 0 && <p className="text-quiet">No brood has been counted at both points yet.</p>}
      <ul>
        {ways.map(({ way, kept, likelyBetter }) => (
          <li key={way} className="border-b border-rule py-1.5">
            <div className="flex flex-wrap items-center gap-x-4">
              <b className="min-w-0 flex-1 basis-40">{way}</b>
              <ShareBar share={kept} label={way} width={170} />
              <b className="w-14 font-mono">{showPercent(kept.mean)}</b>
            </div>
            <p className="text-note text-quiet">
              {kept.clutches === 1 ? 'one brood' : `${kept.clutches} broods`}; {sureWords(likelyBetter, kept.clutches)}{' '}
              <Why
                about={way}
                inputs={[
                  { label: 'Kept', value: showPercent(kept.mean) },
                  { label: 'Likely between', value: `${showPercent(kept.low95)} and ${showPercent(kept.high95)}` },
                  { label: 'Broods', value: String(kept.clutches) },
                ]}
                formula="Each way’s share, allowing for how much clutches differ, compared with all other ways together."
                notes={['Other differences between them still count. Try both side by side to be sure.']}
                source="docs/sources.md#clutch-rate"
              />
            </p>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
