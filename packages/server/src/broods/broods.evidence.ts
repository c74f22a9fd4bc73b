import { moon, sun } from '@freshet/core/sky';
import { recipeFactors, type AttemptFactors } from '@freshet/core/spawning';
import { houseDay } from '@freshet/core/time';
import { groupBy, type Clock, type Reading, type Who } from '../platform';
import type { CareService, HoursService, RoomService, WaterService } from '../room';
import type { AttemptFacts, SpawningService, TriggerDetails } from '../spawning';
import type { BroodsRepository } from './broods.repository';

const DAY_MS = 86_400_000;
/** Attempts that are weighed at once, the newest. */
const MOST = 5000;
/** A reading stands for the water of an attempt for so long. */
const READING_DAYS = 30;
/** Food counts for an attempt when it was given this long before. */
const FED_DAYS = 14;
/** A score of condition speaks for its animal for so long. */
const SCORED_DAYS = 21;
/** A moon this much lit counts as full; one this little as new. */
const [FULL, NEW] = [0.9, 0.1];
const LIVE_FOOD = /brine|daphnia|moina|worm|infusoria|paramecium|live|larva/i;
const QUANTITIES = ['tempC', 'ghDeg', 'ph'] as const;

interface Deps {
  clock: Clock;
  room: RoomService;
  water: WaterService;
  care: CareService;
  hours: HoursService;
  spawning: SpawningService;
  repository: BroodsRepository;
  /** Scores of condition since a time, oldest first. */
  conditionsSince: (at: Reading, since: string) => Promise<{ lotId: string; score: number; at: string }[]>;
}

/** Attempts as evidence: what was done, what stood around it, and what came of it. Queries do not grow with the attempts. */
export function createEvidence({ clock, room, water, care, hours, spawning, repository, conditionsSince }: Deps) {
  /** What stood around an attempt at the time it was triggered, or set up when it was not. */
  function surroundings(
    attempt: AttemptFacts,
    at: string,
    known: {
      readings: ReadonlyMap<string, readonly { quantity: string; value: number; at: string }[]>;
      fed: ReadonlyMap<string, readonly { what: string; at: string }[]>;
      place: { latitude: number | null; longitude: number | null };
      rain: ReadonlySet<string>;
      litres: ReadonlyMap<string, number>;
      codes: ReadonlyMap<string, string>;
      timeZone: string;
      spawnings: ReadonlyMap<string, readonly string[]>;
      scores: ReadonlyMap<string, readonly { score: number; at: string }[]>;
    },
  ): AttemptFactors {
    const { latitude, longitude } = known.place;
    const ms = Date.parse(at);
    const details = attempt.triggered?.details as TriggerDetails | null | undefined;
    const own = known.readings.get(attempt.tankId) ?? [];
    const reading = (quantity: string) =>
      own.findLast((row) => row.quantity === quantity && row.at <= at && Date.parse(row.at) > ms - READING_DAYS * DAY_MS)
        ?.value ?? null;
    const fed = (known.fed.get(attempt.tankId) ?? []).filter(
      (row) => row.at <= at && Date.parse(row.at) > ms - FED_DAYS * DAY_MS,
    );
    const day = houseDay(at, known.timeZone);
    const month = Number(day.slice(5, 7));
    const isSouth = (latitude ?? 1) < 0;
    const cold = isSouth ? month >= 4 && month <= 9 : month <= 3 || month >= 10;
    const lit = moon({ at: new Date(ms).toISOString(), latitude: latitude ?? 0, longitude: longitude ?? 0 }).illuminatedFraction;
    const daylight = latitude === null || longitude === null ? null : sun({ date: day, latitude, longitude });
    const before = attempt.parents
      .flatMap(({ lotId }) => known.spawnings.get(lotId) ?? [])
      .filter((laid) => laid < at)
      .sort()
      .at(-1);
    // The newest score of each parent before it, if it is not stale.
    const conditions = attempt.parents.flatMap(
      ({ lotId }) =>
        (known.scores.get(lotId) ?? []).findLast((row) => row.at <= at && Date.parse(row.at) > ms - SCORED_DAYS * DAY_MS)
          ?.score ?? [],
    );
    const share = details?.change ? details.change.litres / (known.litres.get(attempt.tankId) ?? details.change.litres) : null;
    return {
      ...recipeFactors(attempt.recipe),
      ...(details?.stepC && details.stepC < 0 ? { 'lever:cooler': true } : {}),
      ...(details?.stepC && details.stepC > 0 ? { 'lever:warmer': true } : {}),
      rain: details?.change?.waterId ? known.rain.has(details.change.waterId) : null,
      changeShare: share === null ? null : Math.round(share * 100),
      coolerC: details?.stepC == null ? null : -details.stepC,
      pressureFalling: details?.pressure ? details.pressure === 'falling' : null,
      ...Object.fromEntries(QUANTITIES.map((quantity) => [quantity, reading(quantity)])),
      liveFood: fed.length === 0 ? null : fed.some(({ what }) => LIVE_FOOD.test(what)),
      conditioned: attempt.conditioningFrom !== null,
      condition: conditions.length === 0 ? null : conditions.reduce((sum, score) => sum + score, 0) / conditions.length,
      company: attempt.recipe.company === null ? null : !attempt.recipe.company.toLowerCase().startsWith('none'),
      fullMoon: lit >= FULL,
      newMoon: lit <= NEW,
      winterHalf: cold,
      dayHours:
        daylight?.sunrise && daylight.sunset ? (Date.parse(daylight.sunset) - Date.parse(daylight.sunrise)) / 3_600_000 : null,
      daysSinceLast: before ? Math.round((ms - Date.parse(before)) / DAY_MS) : null,
      [`tank:${known.codes.get(attempt.tankId) ?? ''}`]: true,
      ...Object.fromEntries((attempt.tags ?? []).map((tag) => [`tag:${tag}`, true])),
    };
  }

  return async (who: Who, speciesKey: string | undefined, limit = MOST, isNewestSpawned = false) => {
    const at: Reading = who;
    const rows = isNewestSpawned
      ? await spawning.repository.byIds(at, await repository.newestSpawned(at))
      : await spawning.repository.all(at, speciesKey, limit);
    const attempts = await spawning.withFacts(at, rows);
    if (attempts.length === 0) return [];
    const since = new Date(
      Date.parse(`${attempts.map(({ from }) => from).sort()[0] ?? ''}T00:00:00Z`) - READING_DAYS * DAY_MS,
    ).toISOString();
    const broods = await repository.byAttempts(
      at,
      attempts.map(({ id }) => id),
    );
    const broodIds = broods.map(({ id }) => id);
    const [observations, tanks, readings, fed, place, waters, counts, scored] = await Promise.all([
      repository.observationsOf(at, broodIds),
      room.repository.tanks.find(at),
      room.repository.newestOf(at, [...QUANTITIES], since),
      care.since(at, since),
      hours.current(at),
      water.waters(who),
      repository.countsOf(at, broodIds),
      conditionsSince(at, since),
    ]);
    const known = {
      readings: groupBy(readings, (row) => row.tankId),
      fed: groupBy(
        fed.filter(({ kind }) => kind === 'fed'),
        (row) => row.tankId,
      ),
      place,
      rain: new Set(waters.filter(({ kind }) => kind === 'rain' || kind === 'osmosis').map(({ id }) => id)),
      litres: new Map(tanks.map(({ id, litres }) => [id, litres])),
      codes: new Map(tanks.map(({ id, code }) => [id, code])),
      timeZone: who.timeZone,
      spawnings: new Map<string, string[]>(),
      scores: groupBy(scored, (row) => row.lotId),
    };
    const broodsBy = groupBy(broods, (brood) => brood.attemptId ?? '');
    for (const attempt of attempts)
      for (const { lotId } of attempt.parents)
        known.spawnings.set(lotId, [
          ...(known.spawnings.get(lotId) ?? []),
          ...(broodsBy.get(attempt.id) ?? []).map(({ laidTo }) => laidTo),
        ]);
    const seenBy = groupBy(observations, (row) => row.broodId);
    const countsBy = new Map(counts.map((row) => [row.broodId, row]));
    const now = clock.now();
    const records = attempts.map((attempt) => {
      const own = [...(broodsBy.get(attempt.id) ?? [])].sort((a, b) => (a.laidTo < b.laidTo ? -1 : 1));
      const begun =
        attempt.triggered?.toAt ?? new Date(`${attempt.triggerOn ?? attempt.setUpOn ?? attempt.from}T12:00:00Z`).toISOString();
      const laid = own[0] ? Date.parse(own[0].laidFrom) / 2 + Date.parse(own[0].laidTo) / 2 : null;
      const ended = attempt.ended?.day ? Date.parse(`${attempt.ended.day}T12:00:00Z`) : null;
      const all = own.map(({ id }) => countsBy.get(id));
      const total = (of: 'eggs' | 'white' | 'hatched' | 'swimming') =>
        all.some((row) => row?.[of] != null) ? all.reduce((sum, row) => sum + Number(row?.[of] ?? 0), 0) : null;
      const eggs = total('eggs');
      const seen = (kind: string) => own.some(({ id }) => (seenBy.get(id) ?? []).some((row) => row.kind === kind));
      return {
        id: attempt.id,
        name: attempt.name,
        speciesKey: attempt.speciesKey,
        begunAt: begun,
        recipe: attempt.recipe,
        factors: surroundings(attempt, begun, known),
        // Eggs may be seen before the trigger's end is: never before it.
        spawnedAfterDays: laid === null ? null : Math.max(0, (laid - Date.parse(begun)) / DAY_MS),
        waitedDays: Math.max(0, ((ended ?? Date.parse(now)) - Date.parse(begun)) / DAY_MS),
        isEnded: attempt.ended !== null,
        eggs,
        fertile: eggs === null ? null : eggs - (total('white') ?? 0),
        hatched: seen('hatched') ? total('hatched') : null,
        swimming: seen('freeSwimming') ? total('swimming') : null,
      };
    });
    // A tank or a tag that is named is a yes; the others are a no, so that each can be weighed.
    const named = new Set(records.flatMap(({ factors }) => Object.keys(factors).filter((name) => /^(tank|tag):/.test(name))));
    return records.map((record) => ({
      ...record,
      factors: { ...Object.fromEntries([...named].map((name) => [name, false])), ...record.factors },
    }));
  };
}
