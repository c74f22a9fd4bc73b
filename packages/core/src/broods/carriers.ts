import { methodOf, type ResolvedSpecies } from '../species';
import { middleOf, type Instant } from '../time';
import type { BroodFacts, BroodState } from './describeBrood';
import type { CarrierStep } from './stages';

/** One step of a holder: seen, or expected within a span; null where warmth does not tell. */
export interface CarrierSpan {
  step: CarrierStep;
  from: Instant | null;
  to: Instant | null;
  isSeen: boolean;
}

/** A holder's clutch: where it stands, what comes, and what is done for her. */
export interface Carrier {
  now: CarrierStep;
  steps: CarrierSpan[];
  /** Whether they may be taken from her before she lets go. */
  mayStrip: boolean;
  advice: string[];
}

/** Eyes show through the shell after about this share of the way. A guess from general habit. */
const EYED: readonly [number, number] = [0.5, 0.7];

/** Where a holder stands; null for a brood that nobody carries any more. Source: docs/sources.md#stage-times */
export function describeCarrier(facts: BroodFacts, species: ResolvedSpecies, state: BroodState): Carrier | null {
  if (species.start !== 'carried' || facts.freeSwimming || facts.stripped || facts.alive === 0) return null;
  const windowOf = (stage: 'hatch' | 'freeSwimming') => state.windows.find((window) => window.stage === stage) ?? null;
  const hatch = windowOf('hatch');
  const release = species.hangs ? windowOf('freeSwimming') : hatch;
  const between = (from: Instant, to: Instant, share: number) =>
    new Date(Date.parse(from) + share * (Date.parse(to) - Date.parse(from))).toISOString();
  const steps: CarrierSpan[] = [{ step: 'carrying', from: facts.laid.from, to: facts.laid.to, isSeen: true }];
  if (!facts.hatched)
    steps.push({
      step: 'eyed',
      from: hatch?.earliest ? between(middleOf(facts.laid), hatch.earliest, EYED[0]) : null,
      to: hatch?.latest ? between(middleOf(facts.laid), hatch.latest, EYED[1]) : null,
      isSeen: false,
    });
  if (species.hangs)
    steps.push({
      step: 'attached',
      from: facts.hatched?.from ?? hatch?.earliest ?? null,
      to: facts.hatched?.to ?? hatch?.latest ?? null,
      isSeen: facts.hatched !== null,
    });
  steps.push({ step: 'letGo', from: release?.earliest ?? null, to: release?.latest ?? null, isSeen: false });
  return {
    now: facts.hatched ? 'attached' : 'carrying',
    steps,
    mayStrip: species.strip !== null,
    advice: [...(methodOf(species).carryAdvice ?? [])],
  };
}
