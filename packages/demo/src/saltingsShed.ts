import { resolveSpecies, SHIPPED_SPECIES, type ResolvedSpecies } from '../../core/src/species';
import { completeRecipe, defaultRecipe, RECIPE_BOOK } from '@freshet/core/spawning';
import { attemptPlans, type AttemptPlan } from './attempts';
import { tellBrood, type Places } from './broodStory';
import { RACKS, VESSELS } from './room';
import { tellGrowout } from './growoutStory';
import { tellSales } from './salesStory';
import { tellLarder } from './larderStory';
import { STOCK } from './stock';
import { tellProbes, type DemoSample } from './probeStory';
import { tellGrading, tellLines } from './lineStory';
import { createIds, createRandom } from './random';
import { createStory, type Story, type StoryEvent } from './story';
import { tellReadiness } from './readinessStory';
import { tellWater } from './waterStory';

/** A temperature logged in a tank. */
export interface DemoReading {
  id: string;
  tankId: string;
  value: number;
  at: string;
}

/** The demonstration house: what was written, oldest first, and the daily temperatures. */
export interface DemoHouse {
  events: StoryEvent[];
  readings: DemoReading[];
  /** What the probes sent, by tank. */
  samples: DemoSample[];
}

const SEED = 20_417;
const LARDER_SEED = 4711;
const LINE_SEED = 718;
const GROWOUT_SEED = 2903;
const SALES_SEED = 3109;
/** The brood whose young are graded, and show a hidden colour. */
const GRADED = 'Angels 8';
/** Visitors go home so long after the spawning. */
const BACK_DAYS = 0.52;
const HISTORY_DAYS = 425;
const SETUP_DAYS = 424;
const VESSELS_DAYS = 120;
/** The probe of this tank went silent some days ago. */
const COLD_TANK = 'B1.2';
const BROKEN_PROBE = { code: 'A2.5', silentDays: 6 };

function tellRoom(story: Story): Map<string, { id: string; tempC: number; outdoor: boolean }> {
  const tanks = new Map<string, { id: string; tempC: number; outdoor: boolean }>();
  const at = story.daysAgo(SETUP_DAYS, '09:00');
  for (const rack of RACKS) {
    const rackId = story.newId(at);
    story.write(at, 'addRack', {
      id: rackId,
      code: rack.code,
      name: rack.name,
      kind: rack.kind,
      quarantine: rack.quarantine ?? false,
      sump: rack.sump ?? null,
    });
    for (const shelf of rack.shelves) {
      const shelfId = story.newId(at);
      const { lengthCm, depthCm, heightCm, loadLimitKg } = shelf;
      story.write(at, 'addShelf', { id: shelfId, rackId, lengthCm, depthCm, heightCm, loadLimitKg });
      for (const tank of shelf.tanks) {
        const id = story.newId(at);
        const [length, width, height] = tank.size;
        story.write(at, 'addTank', {
          id,
          shelfId,
          code: tank.code,
          lengthCm: length,
          widthCm: width,
          heightCm: height,
          waterHeightCm: tank.water,
          glassMm: null,
          substrateKg: tank.substrateKg ?? 0,
          facing: tank.facing ?? 'long',
          leftCm: null,
        });
        tanks.set(tank.code, { id, tempC: tank.tempC, outdoor: rack.kind === 'yard' });
      }
    }
  }
  for (const { code, kind, litres, tank, place } of VESSELS) {
    const setUp = story.daysAgo(VESSELS_DAYS, '17:00');
    const vesselId = story.asideId(setUp);
    const inTankId = tank ? (tanks.get(tank)?.id ?? null) : null;
    story.write(setUp, 'addVessel', { id: story.asideId(setUp), vesselId, kind, code, litres, inTankId, place: place ?? null });
    tanks.set(code, { id: vesselId, tempC: tanks.get(tank ?? '')?.tempC ?? 20, outdoor: false });
  }
  return tanks;
}

function tellStock(story: Story, places: Places): Map<string, string> {
  const lots = new Map<string, string>();
  for (const plan of STOCK) {
    const at = story.daysAgo(plan.daysAgo, '16:30');
    const lotId = story.newId(at);
    const [males, females, unsexed] = plan.heads;
    lots.set(plan.key, lotId);
    story.write(at, 'addLot', {
      id: story.newId(at),
      lotId,
      speciesKey: plan.species,
      line: plan.line ?? null,
      generation: plan.generation ?? null,
      origin: plan.origin,
      acquiredFrom: plan.from,
      tankId: places.tankId(plan.tank),
      heads: { males, females, unsexed },
      at,
    });
  }
  return lots;
}

/** Parents that visit go to the spawning tank and back home after it; others live there, or their eggs were carried elsewhere. */
function tellAttempt(
  story: Story,
  plan: AttemptPlan,
  lots: ReadonlyMap<string, string>,
  species: ResolvedSpecies,
  places: Places,
): void {
  const known = (keys: string[]) => keys.flatMap((key) => lots.get(key) ?? []);
  const began = story.daysAgo(Math.max(0, Math.round(plan.fromDaysAgo)), '06:10');
  const at = began > story.now ? story.now : began;
  const attemptId = story.newId(at);
  const book = RECIPE_BOOK.filter((one) => one.method === species.method);
  const shipped = book.find((one) => one.recipe.trigger === plan.trigger) ?? null;
  // A trigger of another school keeps the site and the water of the first, and no steps of its own.
  const base = shipped?.recipe ?? (book[0] ? { ...book[0].recipe, steps: [] } : defaultRecipe(species.method));
  const recipe = completeRecipe({
    ...base,
    // The volume and the number of fish are those of the tank and the lots.
    litres: null,
    males: null,
    females: null,
    trigger: plan.trigger,
    ...(plan.eggPlan ? { eggPlan: plan.eggPlan } : {}),
    ...(plan.fungus ? { fungus: plan.fungus } : {}),
    ...(plan.fungus === 'dye' ? { dyeMgPerL: 1, dyeStockPercent: 0.5 } : {}),
  });
  const { plan: ahead } = plan;
  const from = ahead ? story.day(-ahead.setUpInDays) : story.day(Math.round(plan.fromDaysAgo));
  const endsDaysAgo = plan.laidDaysAgo === null ? Math.round(plan.fromDaysAgo) - 12 : null;
  story.write(at, 'addAttempt', {
    id: story.newId(at),
    attemptId,
    speciesKey: plan.species,
    name: plan.name,
    tankId: places.tankId(plan.tank),
    sires: known(plan.sires),
    dams: known(plan.dams),
    from,
    to: ahead ? story.day(-ahead.untilInDays) : null,
    conditioningFrom: ahead ? story.day(0) : null,
    setUpOn: ahead ? story.day(-ahead.setUpInDays) : from,
    triggerOn: ahead ? story.day(-ahead.triggerInDays) : story.day(Math.round(plan.fromDaysAgo) - 3),
    recipe,
    recipeRef: shipped?.key ?? null,
    tags: [],
    note: plan.note ?? null,
    override: { reason: ahead?.reason ?? 'the tank is shared with its keepers' },
  });
  if (ahead) return;
  for (const [key, home] of Object.entries(plan.visit ?? {})) {
    const lotId = lots.get(key) ?? '';
    const heads = STOCK.find((one) => one.key === key)?.heads ?? [0, 0, 0];
    const out = new Date(Date.parse(story.now) - ((plan.laidDaysAgo ?? 0) - BACK_DAYS) * 86_400_000).toISOString();
    for (const [moved, tank] of [
      [at, plan.tank],
      [out, home],
    ] as const)
      if (moved <= story.now)
        story.write(moved, 'move', {
          id: story.newId(moved),
          lotId,
          newLotId: story.newId(moved),
          toTankId: places.tankId(tank),
          heads: { males: heads[0], females: heads[1], unsexed: heads[2] },
          at: moved,
          override: { reason: 'to spawn, and home after it' },
        });
  }
  const triggered = story.daysAgo(Math.max(1, Math.round(plan.fromDaysAgo) - 3), '20:15');
  if (plan.trigger !== 'stable' && triggered <= story.now)
    story.write(triggered, 'trigger', {
      id: story.newId(triggered),
      attemptId,
      at: { from: triggered, to: triggered },
      what: {
        coolChange: 'half changed with rain, 5 °C cooler',
        warm: 'raised by 2 °C over a day',
        dawnLightAndFood: 'live food at first light, front cover off',
        season: 'waited for the season',
        stable: '',
      }[plan.trigger],
      change: null,
      stepC: { coolChange: -5, warm: 2, dawnLightAndFood: null, season: null, stable: null }[plan.trigger],
      // Written down from the barometer, and of no account.
      pressure: (['falling', 'steady', 'rising', 'falling'] as const)[Number(triggered.slice(8, 10)) % 4] ?? null,
    });
  for (const [daysAgo, sign] of plan.signs ?? []) {
    const seen = story.daysAgo(daysAgo, '19:05');
    if (seen > story.now) continue;
    story.write(seen, 'logSettling', { id: story.newId(seen), attemptId, sign, at: { from: seen, to: seen }, note: null });
  }
  let end: { at: string; outcome: 'spawned' | 'failed' } | null =
    endsDaysAgo !== null ? { at: story.daysAgo(endsDaysAgo, '18:00'), outcome: 'failed' } : null;
  if (plan.laidDaysAgo !== null) {
    const { swimming } = tellBrood(story, plan, attemptId, species, places);
    if (swimming) end = { at: new Date(Date.parse(swimming) + 3_600_000).toISOString(), outcome: 'spawned' };
  }
  if (end && end.at <= story.now)
    story.write(end.at, 'endAttempt', {
      id: story.newId(end.at),
      attemptId,
      outcome: end.outcome,
      on: end.at.slice(0, 10),
      note: null,
    });
}

/** One temperature a morning, with the seasons outdoors and a probe that fell silent. */
function tellTemperatures(story: Story, tanks: ReturnType<typeof tellRoom>): DemoReading[] {
  const readings: DemoReading[] = [];
  for (const [code, tank] of tanks) {
    // A box is read with the tank it hangs in.
    if (VESSELS.some((vessel) => vessel.code === code)) continue;
    const silent = code === BROKEN_PROBE.code ? BROKEN_PROBE.silentDays : 0;
    for (let daysAgo = HISTORY_DAYS - 2; daysAgo >= silent; daysAgo--) {
      const at = story.daysAgo(daysAgo, '06:50');
      // Nobody has been at the tank whose heater failed in the night.
      if (at > story.now || (daysAgo === 0 && code === COLD_TANK)) continue;
      const season = Math.cos((2 * Math.PI * (Number(at.slice(5, 7)) * 30 + Number(at.slice(8, 10)) - 215)) / 365);
      const wave = tank.outdoor ? 7.5 * (1 + season) : 0.3 * season + 0.35 * Math.sin(daysAgo / 9 + tank.tempC);
      readings.push({
        id: story.newId(at),
        tankId: tank.id,
        value: Math.round((tank.tempC + wave + story.random.between(-0.2, 0.2)) * 10) / 10,
        at,
      });
    }
  }
  return readings;
}

/** A breach: fish that left quarantine for a healthy tank after a few days. */
function tellBreach(story: Story, lots: ReadonlyMap<string, string>, places: Places): void {
  const at = story.daysAgo(4, '18:20');
  story.write(at, 'move', {
    id: story.newId(at),
    lotId: lots.get('odessa') ?? '',
    newLotId: story.newId(at),
    toTankId: places.tankId('A3.3'),
    heads: { males: 0, females: 0, unsexed: 2 },
    at,
    override: { reason: 'they were chased in quarantine' },
  });
}

/** Saltings Shed with fourteen months of history up to `now`; the same for the same instant. */
export function saltingsShed(now: string): DemoHouse {
  const story = createStory(now, SEED);
  const tanks = tellRoom(story);
  const places: Places = { tankId: (code) => tanks.get(code)?.id ?? '', tempC: (code) => tanks.get(code)?.tempC ?? 24 };
  const species = new Map(SHIPPED_SPECIES.map((profile) => [profile.key, resolveSpecies(profile)]));
  const lots = tellStock(story, places);
  // Ids of its own, so that the lines can grow without shifting the rest of the story.
  const lineStory: Story = { ...story, newId: createIds(createRandom(LINE_SEED)) };
  tellLines(lineStory, lots, places, story.daysAgo(SETUP_DAYS, '10:00'));
  for (const plan of attemptPlans(story.random)) {
    const kind = species.get(plan.species);
    if (kind) tellAttempt(story, plan, lots, kind, places);
  }
  const lotOf = (name: string): string | null => {
    const attempt = story.events.find((event) => event.name === 'addAttempt' && event.body.name === name);
    const clutch = story.events.find(
      (event) => event.name === 'addClutch' && attempt?.name === 'addAttempt' && event.body.attemptId === attempt.body.attemptId,
    );
    return clutch?.name === 'addClutch' ? clutch.body.lotId : null;
  };
  const gradedLot = lotOf(GRADED);
  if (gradedLot) tellGrading(lineStory, gradedLot);
  // Ids of its own, as the lines have.
  tellLarder({ ...story, newId: createIds(createRandom(LARDER_SEED)) }, (code) => places.tankId(code));
  tellGrowout(
    { ...story, newId: createIds(createRandom(GROWOUT_SEED)) },
    { tankId: (code) => places.tankId(code), lotOf, stock: lots },
  );
  tellBreach(story, lots, places);
  tellWater(story, places);
  tellReadiness(story, lots, places);
  tellSales({ ...story, newId: createIds(createRandom(SALES_SEED)) }, { lotOf });
  const readings = tellTemperatures(story, tanks);
  const samples = tellProbes(story, places, readings);
  const order = new Map(story.events.map((event, i) => [event, i]));
  const events = [...story.events].sort((a, b) =>
    a.at < b.at ? -1 : a.at > b.at ? 1 : (order.get(a) ?? 0) - (order.get(b) ?? 0),
  );
  return { events, readings, samples };
}
