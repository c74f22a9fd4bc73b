import { groupBy } from '../agenda';
import { tryCompute } from '../errors';
import type { ResolvedSpecies, StageDuration } from '../species';
import type { SpawningAttempt, SpawningView, TemperatureReading } from '../spawning';
import { totalHeads, type StockLot } from '../stock';
import { keepingOf } from './eggPlans';
import type { EggKeeping } from './keeping';
import { describeBrood, type BroodRecord, type BroodState } from './describeBrood';

/** A species' hatch, and its way from hatch to swimming, as the house's own broods have shown them; null where they show nothing. */
export interface LearnedSpecies {
  speciesKey: string;
  hatch: StageDuration | null;
  /** How many broods it rests on. */
  broods: number;
  swim?: { duration: StageDuration; broods: number } | null;
}

/** Broods with somebody alive in them. */
export interface BroodsFacts {
  broods: readonly BroodRecord[];
  /** By brood id: the temperatures a brood that does not swim yet went through, oldest first. */
  temperatures: Readonly<Record<string, readonly TemperatureReading[]>>;
  learned: readonly LearnedSpecies[];
}

/** No brood lives. */
export const NO_BROODS: BroodsFacts = { broods: [], temperatures: {}, learned: [] };

/** A brood with its species, its lots and where it stands. */
export interface ReadBrood {
  brood: BroodRecord;
  species: ResolvedSpecies;
  state: BroodState;
  lots: readonly StockLot[];
  attempt: SpawningAttempt | null;
  /** How its eggs are kept; null where no recipe says so and nobody changed it. */
  keeping: EggKeeping | null;
}

/** A brood whose dates cannot be worked out, and why. */
export interface TroubledBrood {
  brood: BroodRecord;
  lots: readonly StockLot[];
  trouble: string;
}

/** Broods, each where it stands, to be looked up by tank. */
export interface BroodsView extends SpawningView {
  broods: readonly ReadBrood[];
  broodsByTank: ReadonlyMap<string, readonly ReadBrood[]>;
  /** Their figures contradict each other: nothing is said of their dates, and all else goes on. */
  troubled: readonly TroubledBrood[];
}

/** Species with what the house's own broods have shown of their hatch. */
export function withLearned(
  kinds: ReadonlyMap<string, ResolvedSpecies>,
  learned: readonly LearnedSpecies[],
): ReadonlyMap<string, ResolvedSpecies> {
  const species = new Map(kinds);
  for (const { speciesKey, hatch, broods, swim } of learned) {
    const kind = species.get(speciesKey);
    if (kind)
      species.set(speciesKey, {
        ...kind,
        figures: { ...kind.figures, ...(hatch ? { hatch } : {}), ...(swim ? { freeSwimming: swim.duration } : {}) },
        ...(hatch ? { hatchBroods: broods } : {}),
        ...(swim ? { swimBroods: swim.broods } : {}),
      });
  }
  return species;
}

/** Works out where every brood stands; one that cannot be worked out is told apart and hinders no other. */
export function readBroods(before: SpawningView, facts: BroodsFacts): BroodsView {
  const species = withLearned(before.species, facts.learned);
  const lotsByBrood = groupBy(
    before.stock.lots.filter((lot) => totalHeads(lot) > 0),
    (lot) => lot.broodId,
  );
  const broods: ReadBrood[] = [];
  const troubled: TroubledBrood[] = [];
  for (const brood of facts.broods) {
    const lots = lotsByBrood.get(brood.id) ?? [];
    if (lots.length === 0) continue;
    const kind = species.get(brood.speciesKey);
    if (!kind) {
      troubled.push({ brood, lots, trouble: `There is no species "${brood.speciesKey}" in this house.` });
      continue;
    }
    const state = tryCompute(() => describeBrood(brood, kind, facts.temperatures[brood.id] ?? [], before.now, before.timeZone));
    const attempt = before.attempts.get(brood.attemptId ?? '') ?? null;
    const keeping = brood.keeping ?? (attempt ? keepingOf(attempt.recipe) : null);
    if (state.ok) broods.push({ brood, species: kind, lots, attempt, keeping, state: state.value });
    else troubled.push({ brood, lots, trouble: `The figures of ${kind.commonName} contradict each other. ${state.trouble}` });
  }
  const broodsByTank = new Map<string, ReadBrood[]>();
  for (const read of broods)
    for (const tankId of new Set(read.lots.map((lot) => lot.tankId)))
      if (tankId) broodsByTank.set(tankId, [...(broodsByTank.get(tankId) ?? []), read]);
  return { ...before, species, broods, broodsByTank, troubled };
}

/** Whether eggs rest in peat: nothing is expected of them until they are wetted. */
export const isResting = ({ species, state, brood }: Pick<ReadBrood, 'species' | 'state' | 'brood'>): boolean =>
  species.eggsRest && state.stage === 'eggs' && !brood.wetted;

/** Animals of a brood in one tank. */
export const headsIn = (read: ReadBrood, tankId: string): number =>
  read.lots.filter((lot) => lot.tankId === tankId).reduce((sum, lot) => sum + totalHeads(lot), 0);
