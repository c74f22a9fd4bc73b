import {
  breederLimits,
  decideBreederReadiness,
  learnTrait,
  scoreTrend,
  ownMarkKey,
  sexTraitsOf,
  type BreederFacts,
  type TraitTally,
} from '@freshet/core/stock';
import { type ResolvedSpecies } from '@freshet/core/species';
import { daysBetween, houseDay } from '@freshet/core/time';
import { groupBy, type Clock, type Reading, type Who } from '../platform';
import type { HoursService, RoomService } from '../room';
import type { BroodstockRepository, ConditionRow } from './broodstock.repository';
import { lastSpawned, type BroodDescent, type Descent } from './descent';
import type { SpeciesService } from '../species';
import type { LotRow, StockRepository } from './stock.repository';

const SCORE_WINDOW_MS = 60 * 86_400_000;
const DAY_MS = 86_400_000;
const NOBODY: TraitTally = { malesSeen: 0, malesLooked: 0, femalesSeen: 0, femalesLooked: 0 };

/** All that lists of lots are worked out from, read once. */
export interface LotFacts {
  kinds: ReadonlyMap<string, ResolvedSpecies>;
  codes: ReadonlyMap<string, string>;
  broods: readonly BroodDescent[];
  malesByTraits: ReadonlyMap<string, number>;
  conditions: ReadonlyMap<string, ConditionRow[]>;
  lengths: ReadonlyMap<string, number>;
  /** Entry that last described each lot. */
  describedBy: ReadonlyMap<string, string>;
  spawned: ReadonlyMap<string, string>;
  hatched: ReadonlyMap<string, string>;
  now: string;
  timeZone: string;
  /** The house stands south of the equator. */
  isSouth: boolean;
}

const sexOf = ({ males, females, unsexed }: LotRow): BreederFacts['sex'] =>
  males > 0 && females > 0 ? 'mixed' : males > 0 && unsexed === 0 ? 'male' : females > 0 && unsexed === 0 ? 'female' : 'unsexed';

/** A lot as lists show it, with its readiness among those that share its tank. */
export function toLotView(lot: LotRow, together: readonly LotRow[], facts: LotFacts) {
  const { now, timeZone } = facts;
  const kind = facts.kinds.get(lot.speciesKey);
  const today = houseDay(now, timeZone);
  const born = lot.bornOn ?? (lot.broodId ? facts.hatched.get(lot.broodId) : undefined) ?? null;
  const ageDays = born === null ? null : daysBetween(houseDay(born.length > 10 ? born : `${born}T12:00:00Z`, timeZone), today);
  const scores = (facts.conditions.get(lot.id) ?? []).map(({ at, score }) => ({
    day: Date.parse(at) / DAY_MS,
    value: score,
    at,
  }));
  const newest = scores.at(-1);
  const spawned = facts.spawned.get(lot.id);
  const readiness = kind
    ? decideBreederReadiness(
        {
          sex: sexOf(lot),
          ageDays,
          lengthMm: facts.lengths.get(lot.id) ?? null,
          score: newest ? { value: newest.value, daysAgo: Date.parse(now) / DAY_MS - newest.day } : null,
          daysSinceSpawn: spawned ? daysBetween(houseDay(spawned, timeZone), today) : null,
          month: Number(today.slice(5, 7)),
          isSouth: facts.isSouth,
          males: together.reduce((sum, one) => sum + one.males, 0),
          females: together.reduce((sum, one) => sum + one.females, 0),
        },
        breederLimits(kind.method, kind.figures, kind.breeders),
      )
    : null;
  const isYoung = lot.broodId !== null && (ageDays === null || (kind !== undefined && ageDays < kind.figures.maturityDays[0]));
  const { entryId: _entry, ...row } = lot;
  return {
    isYoung,
    readinessWithChecks: readiness,
    view: {
      ...row,
      speciesName: kind?.commonName ?? lot.speciesKey,
      tankCode: facts.codes.get(lot.tankId ?? '') ?? null,
      ageDays,
      pMale: facts.malesByTraits.get(lot.id) ?? null,
      score: newest ? { value: newest.value, trend: scoreTrend(scores), at: newest.at } : null,
      readiness: isYoung || lot.isRetired ? null : (readiness?.state ?? null),
      missing: (readiness?.checks ?? []).filter(({ state }) => state === 'unmet').map(({ words }) => words),
      isDueForReplacement: readiness?.isDueForReplacement ?? false,
      version: facts.describedBy.get(lot.id) === lot.entryId ? null : (facts.describedBy.get(lot.id) ?? null),
    },
  };
}

/** What is shown of lots. */
export function createLotViews({
  clock,
  room,
  hours,
  species,
  stockRepository,
  repository,
  descent,
}: {
  clock: Clock;
  room: RoomService;
  hours: HoursService;
  species: SpeciesService;
  stockRepository: StockRepository;
  repository: BroodstockRepository;
  descent: Descent;
}) {
  async function facts(who: Who): Promise<LotFacts> {
    const now = clock.now();
    const [kinds, tanks, broods, malesByTraits, scored, lengths, describedBy, { latitude }] = await Promise.all([
      species.all(who),
      room.repository.tanks.find(who),
      descent.broods(who),
      repository.malesByTraits(who),
      repository.conditionsSince(who, new Date(Date.parse(now) - SCORE_WINDOW_MS).toISOString()),
      repository.lengths(who),
      repository.describedBy(who),
      hours.current(who),
    ]);
    return {
      kinds,
      codes: new Map(tanks.map((tank) => [tank.id, tank.code])),
      broods,
      malesByTraits,
      conditions: groupBy(scored, (row) => row.lotId),
      lengths,
      describedBy,
      spawned: lastSpawned(broods),
      hatched: new Map(broods.map(({ id, laidAt }) => [id, laidAt])),
      now,
      timeZone: who.timeZone,
      isSouth: (latitude ?? 1) < 0,
    };
  }

  /** Animals whose sex their spawning has told: alone on their side, and one animal. */
  function provenSexes(broods: readonly BroodDescent[], single: ReadonlySet<string>): Map<string, 'male' | 'female'> {
    const proven = new Map<string, 'male' | 'female'>();
    for (const { sires, dams } of broods)
      for (const [side, sex] of [
        [sires, 'male'],
        [dams, 'female'],
      ] as const)
        if (side.length === 1 && side[0] && single.has(side[0])) proven.set(side[0], sex);
    return proven;
  }

  /** A species' traits with what this house has learned of them from animals whose sex came out. */
  async function traits(who: Who, speciesKey: string) {
    const kind = await species.get(who, speciesKey);
    const [assessed, broods, own] = await Promise.all([
      repository.ofSpecies(who, speciesKey),
      descent.broods(who),
      repository.marksOf(who, speciesKey),
    ]);
    const lots = await stockRepository.byIds(who, [...new Set(assessed.map(({ lotId }) => lotId))]);
    const single = new Set(lots.filter((lot) => lot.males + lot.females + lot.unsexed <= 1).map(({ id }) => id));
    const proven = provenSexes(broods, single);
    const tallies = new Map<string, TraitTally>();
    // Each animal counts once for a trait, with its newest look.
    const newest = new Map<string, { sex: 'male' | 'female'; trait: string; seen: boolean }>();
    for (const { lotId, answers } of assessed) {
      const sex = proven.get(lotId);
      if (!sex) continue;
      for (const { trait, look } of answers)
        if (look !== 'cannotTell') newest.set(`${lotId} ${trait}`, { sex, trait, seen: look === 'seen' });
    }
    for (const { sex, trait, seen } of newest.values()) {
      const tally = { ...(tallies.get(trait) ?? NOBODY) };
      if (sex === 'male') {
        tally.malesLooked++;
        if (seen) tally.malesSeen++;
      } else {
        tally.femalesLooked++;
        if (seen) tally.femalesSeen++;
      }
      tallies.set(trait, tally);
    }
    return {
      priorMale: 0.5,
      traits: [
        ...sexTraitsOf(speciesKey, kind.method),
        ...own.map((mark) => ({ ...mark, key: ownMarkKey(mark.id), drawing: 'own' as const })),
      ].map(({ key, name, look, drawing, fromMm, pIfMale, pIfFemale }) => ({
        key,
        name,
        look,
        drawing,
        fromMm,
        startIfMale: pIfMale,
        startIfFemale: pIfFemale,
        ...learnTrait({ pIfMale, pIfFemale }, tallies.get(key) ?? NOBODY),
      })),
    };
  }

  return {
    facts,
    traits,
    species: (at: Reading) => species.all(at),
    speciesName: async (at: Reading, key: string) => (await species.all(at)).get(key)?.commonName ?? key,

    async lots(who: Who) {
      const [rows, known] = await Promise.all([stockRepository.living(who), facts(who)]);
      const together = groupBy(rows, (lot) => `${lot.tankId ?? lot.id} ${lot.speciesKey}`);
      return rows.map((lot) => toLotView(lot, together.get(`${lot.tankId ?? lot.id} ${lot.speciesKey}`) ?? [lot], known).view);
    },
  };
}
export type LotViews = ReturnType<typeof createLotViews>;
