import type { LoggedOutcome } from '@freshet/core/agenda';
import { onDay, readHouse, tankLife, type HouseFacts, type HouseView } from '@freshet/core/house';
import { leavingDays } from '@freshet/core/sales';
import { readSpecies } from '@freshet/core/species';
import { houseDay } from '@freshet/core/time';
import type { createBroodsFacts, BroodsService } from '../broods';
import type { GrowoutService } from '../growout';
import type { LarderService } from '../larder';
import type { LogService } from '../log';
import type { Clock, Reading, Who } from '../platform';
import type { ProbesService, RoomFactsLoader, RoomService } from '../room';
import type { SalesService } from '../sales';
import type { SpeciesService } from '../species';
import type { createSpawningFacts } from '../spawning';
import { headsByTank, wantedByTank, type createStockFacts, type StockService } from '../stock';

interface Deps {
  clock: Clock;
  log: LogService;
  room: RoomService;
  probes: ProbesService;
  species: SpeciesService;
  stock: StockService;
  broods: BroodsService;
  larder: LarderService;
  growout: GrowoutService;
  sales: SalesService;
  slices: {
    room: RoomFactsLoader;
    stock: ReturnType<typeof createStockFacts>;
    spawning: ReturnType<typeof createSpawningFacts>;
    broods: ReturnType<typeof createBroodsFacts>;
  };
  /** What was ticked on a day and later; the round is a later area. */
  outcomesSince: (at: Reading, day: string) => Promise<LoggedOutcome[]>;
}

/** A snapshot and what it was built for. */
interface Kept {
  /** Tells one state of the house from another. */
  tag: string;
  facts: Promise<HouseFacts>;
  /** No probe sends anything: nothing changes but by entries of the log. */
  isQuiet: boolean;
  /** What was worked out of it, by minute and name. */
  derived: Map<string, unknown>;
}

/** Of an instant, up to its minute: 2026-11-24T07:12. */
const MINUTE_LENGTH = 16;

/** What another server's probes sent is seen after this long at the latest. */
const LIVE_MS = 20_000;
/** Houses whose snapshot is kept. */
const KEPT_HOUSES = 50;

/**
 * The snapshot of a house: every area's slice, built once per revision of the log and shared by the round, the Horizon, the larder, the
 * tanks and devices.
 */
export function createHouse({
  clock,
  log,
  room,
  probes,
  species,
  stock,
  broods,
  larder,
  growout,
  sales,
  slices,
  outcomesSince,
}: Deps) {
  const kept = new Map<string, Kept>();

  async function build(who: Who, revision: number): Promise<HouseFacts> {
    const today = houseDay(clock.now(), who.timeZone);
    const [rooms, living, saved, larderFacts, outcomes] = await Promise.all([
      room.repository.all(who),
      stock.repository.living(who),
      species.facts(who),
      larder.facts(who),
      outcomesSince(who, today),
    ]);
    const kinds = readSpecies(saved);
    const heads = headsByTank(living);
    for (const { tankId } of larderFacts.cultures) if (tankId) heads.set(tankId, (heads.get(tankId) ?? 0) + 1);
    const broodIds = [...new Set(living.flatMap((lot) => lot.broodId ?? []))];
    const [growoutFacts, salesFacts, broodsFacts, roomSlice] = await Promise.all([
      growout.facts(who, broodIds),
      sales.facts(who),
      slices.broods(who, living),
      slices.room(who, rooms, heads, wantedByTank(living, kinds)),
    ]);
    const laidAt = new Map(broodsFacts.broods.map((brood) => [brood.id, brood.laid.to]));
    const attemptIds = broodsFacts.broods.flatMap(({ attemptId }) => (attemptId ? [attemptId] : []));
    const [stockFacts, spawningFacts] = await Promise.all([
      slices.stock(who, living, rooms, kinds, laidAt, roomSlice),
      slices.spawning(who, attemptIds, async (ids) => new Set((await broods.byAttempt(who, ids)).keys())),
    ]);
    return {
      revision,
      timeZone: who.timeZone,
      species: saved,
      room: roomSlice.facts,
      stock: { ...stockFacts, leaving: leavingDays(salesFacts.orders) },
      spawning: spawningFacts,
      broods: broodsFacts,
      larder: larderFacts,
      growout: growoutFacts,
      sales: salesFacts,
      agenda: { outcomes },
    };
  }

  const tagOf = (who: Who, revision: number, live: string): string =>
    [who.houseId.slice(-12), revision, houseDay(clock.now(), who.timeZone), live].join('-');

  const stateOf = (who: Who, tag: string, facts: Promise<HouseFacts>): Kept => ({
    tag,
    facts,
    isQuiet: false,
    derived: new Map(),
  });

  /** The kept state of a house at a revision; built when it is not there. */
  function keep(who: Who, revision: number): Kept {
    const found = kept.get(who.houseId);
    const tag = tagOf(who, revision, found?.isQuiet ? 'still' : probes.liveMark(who, LIVE_MS));
    if (found?.tag === tag) return found;
    const made = stateOf(who, tag, build(who, revision));
    kept.delete(who.houseId);
    kept.set(who.houseId, made);
    made.facts.then(
      ({ room: { probes: hanging } }) => {
        made.isQuiet = hanging.length === 0;
        if (made.isQuiet) made.tag = tagOf(who, revision, 'still');
      },
      () => kept.get(who.houseId) === made && kept.delete(who.houseId),
    );
    const [oldest] = kept.keys();
    if (kept.size > KEPT_HOUSES && oldest) kept.delete(oldest);
    return made;
  }

  /**
   * The state of a house. Inside a write the house is locked and stands as the entry before left it: what is kept of that revision is
   * used, and what is built is not kept, since the write may still be taken back.
   */
  async function stateFor(who: Who): Promise<Kept> {
    if (who.tx === null) return keep(who, await log.repository.revision(who));
    const before = await log.repository.revision(who);
    const found = kept.get(who.houseId);
    const tag = tagOf(who, before, found?.isQuiet ? 'still' : probes.liveMark(who, LIVE_MS));
    return found?.tag === tag ? found : stateOf(who, tag, build(who, before));
  }

  /** The snapshot and the tag of its state. */
  async function snapshot(who: Who): Promise<{ tag: string; facts: HouseFacts }> {
    const state = await stateFor(who);
    const facts = await state.facts;
    return { tag: state.tag, facts };
  }

  /** Works something out of a state once a minute: what is due depends on the clock, too. */
  function once<T>(state: Kept, minute: string, key: string, work: () => T): T {
    const name = `${minute} ${key}`;
    if (!state.derived.has(name)) {
      for (const old of state.derived.keys()) if (!old.startsWith(minute)) state.derived.delete(old);
      state.derived.set(name, work());
    }
    return state.derived.get(name) as T;
  }

  /**
   * What is worked out of the house as it stands, once a state and minute, shared by all who ask.
   * @param key - names what it is
   * @param work - given the house now, and the way to see it as it will be on a coming day
   */
  async function derived<T>(who: Who, key: string, work: (now: HouseView, onDay: (day: string) => HouseView) => T): Promise<T> {
    const state = await stateFor(who);
    const facts = await state.facts;
    const now = clock.now();
    const minute = now.slice(0, MINUTE_LENGTH);
    return once(state, minute, key, () => {
      const view = once(state, minute, 'view', () => readHouse(facts, now));
      return work(view, (day) => once(state, minute, `on ${day}`, () => onDay(facts, view, now, day)));
    });
  }

  return {
    snapshot,
    derived,
    /** The house with everything worked out, as it stands now; inside a write, as it stood before. */
    view: (who: Who): Promise<HouseView> => derived(who, 'view itself', (view) => view),
    /** What lives in every tank. */
    tankLife: (who: Who) => derived(who, 'tank life', tankLife),
    /** Range of temperature wanted in each tank. */
    async wanted(who: Who) {
      const { facts } = await snapshot(who);
      return wantedByTank(facts.stock.lots, readSpecies(facts.species));
    },
  };
}
export type HouseService = ReturnType<typeof createHouse>;
