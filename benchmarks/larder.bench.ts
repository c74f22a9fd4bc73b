import {
  bestHarvest,
  CULTURES,
  densityOf,
  describeCulture,
  kindOf,
  learnCulture,
  madeVessel,
  newVessel,
  planTide,
  tideDays,
  type Culture,
  type CultureFood,
  type CultureKind,
  type DemandRow,
  type TideClass,
  type TideVessel,
} from '../packages/core/src/larder';
import { shapeTide } from '../packages/web/src/larder/tide/tideShape';

// The tide of a large house, what looks teach, and whether a plan starves fewer young than a weekly habit.

const say = (line: string) => process.stdout.write(`${line}\n`);
const TODAY = '2026-11-24';
const infusoria = newVessel('infusoria');

/** Numbers between 0 and 1 that are the same each time. */
function randomOf(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

function best(runs: number, work: () => unknown): number {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const started = performance.now();
    work();
    least = Math.min(least, performance.now() - started);
  }
  return least;
}

const needRow = (key: string, days: number, from: number, to: number, ml: number): DemandRow => {
  const mid = Array.from({ length: days }, (_, day) => (from <= day && day <= to ? ml : 0));
  const none = { broodId: null, attemptId: null, lotId: null, tankId: null };
  return { key, label: key, ...none, classKey: 'smallest', food: 'infusoria', isExpected: true, mid, low: mid, high: mid };
};
const wishes = { food: infusoria, secondSource: true, margin: 0.15, mostVessels: null };

const random = randomOf(3);
const DAYS = 60;
const large: TideClass = {
  key: 'smallest',
  rows: Array.from({ length: 60 }, (_, i) => {
    const from = Math.floor(random() * 52);
    return needRow(`b${i}`, DAYS, from, Math.min(DAYS - 1, from + 6), 20 + random() * 120);
  }),
  vessels: Array.from({ length: 40 }, (_, i) => ({
    ...madeVessel(infusoria, -Math.floor(random() * 20), `v${i}`, 'smallest'),
    state: 'running' as const,
    perDay: 15 + random() * 40,
  })),
  starts: [infusoria],
  tin: null,
};
const planned = best(3, () => planTide(large, DAYS, wishes, TODAY));
say(`tide and plan of 60 broods, 40 cultures, ${DAYS} days: ${planned.toFixed(0)} ms in the worker (bound 300)`);
const redrawn = best(20, () => shapeTide(tideDays(large, DAYS), 1140));
say(`one dragged start redrawn: ${redrawn.toFixed(2)} ms of a frame's 16.7`);

/** A vessel that grows at a rate nobody knows, looked at by an eye that errs, and harvested now and then. */
function simulated(food: CultureFood): { culture: Culture; rate: number; days: number } {
  const kind: CultureKind = CULTURES[food];
  const [fast, slow] = kind.doublingDays;
  const rate = (Math.LN2 / Math.sqrt(fast * slow)) * Math.exp(normal(random) * (Math.log(slow / fast) / 2 + 0.25));
  const everyLook = Math.max(1, Math.round(Math.LN2 / rate));
  const days = everyLook * (6 + Math.floor(random() * 12));
  const at = (day: number, hour: string) =>
    new Date(Date.parse(`${TODAY}T${hour}:00:00Z`) - (days - day) * 86_400_000).toISOString();
  const looks = [];
  const harvests = [];
  let full = 0.04 * Math.exp(normal(random) * 0.7);
  for (let day = 1; day <= days; day++) {
    const grown = Math.exp(rate * (1 + 0.15 * normal(random)));
    full = (full * grown) / (1 + full * (grown - 1));
    if (day % everyLook === 0) {
      const density = Math.min(4, Math.max(0, Math.round(densityOf(full) + 0.5 * normal(random))));
      looks.push({ at: at(day, '07'), density, perMl: null, signs: [] });
    }
    if (full > 0.6 && random() < 0.3) {
      harvests.push({ at: at(day, '09'), ml: 0.3 * (kind.fullMlPerL === 1000 ? 1 : full) * kind.vesselL * kind.fullMlPerL });
      full *= 0.7;
    }
  }
  const none = { ripeSeenAt: null, fedAt: null, harvestedAt: null, tankId: null };
  const culture = { id: 's', name: 's', food, startedAt: at(0, '07'), ...none, looks, harvests, tempC: kind.atC };
  return { culture, rate, days };
}
const FOODS: CultureFood[] = ['infusoria', 'paramecium', 'microworm', 'grindal', 'moina', 'daphnia'];
let [inside, tried, width, bookWidth] = [0, 0, 0, 0];
for (let i = 0; i < 400; i++) {
  const { culture, rate } = simulated(FOODS[i % FOODS.length] ?? 'infusoria');
  const kind = kindOf(culture);
  const truth = bestHarvest(rate, kind.harvestEveryDays, kind.mostShare).perDay * kind.vesselL * kind.fullMlPerL;
  const learn = (one: Culture) =>
    learnCulture(one, describeCulture(one, `${TODAY}T12:00:00.000Z`, 'Europe/Dublin'), TODAY, 'Europe/Dublin')
      .sustainableMlPerDay;
  const told = learn(culture);
  const book = learn({ ...culture, looks: [], harvests: [] });
  tried++;
  if (told.low90 <= truth && truth <= told.high90) inside++;
  width += (told.high90 - told.low90) / truth;
  bookWidth += (book.high90 - book.low90) / truth;
}
say(
  `true sustainable harvest inside the stated band: ${((100 * inside) / tried).toFixed(0)} % of ${tried} simulated cultures (bound 85); the band is ${((100 * width) / bookWidth).toFixed(0)} % as wide as the book's`,
);

// A season: spawnings known twelve days before their young feed, feeds that come a day early or late, cultures that crash.
const SEASON = 100;
const AHEAD = 28;
const CRASH = 0.03;
interface Vessel {
  startDay: number;
  ripeDay: number;
  lastDay: number;
  hasCrashed: boolean;
}
function season(byPlan: boolean, seed: number): { hungry: number; started: number; fed: number } {
  const chance = randomOf(seed);
  const needs = Array.from({ length: 11 }, () => {
    const from = 14 + Math.floor(chance() * (SEASON - 22));
    return { known: from - 12, from, real: from + Math.round((chance() - 0.5) * 2), long: 7 };
  });
  const vessels: Vessel[] = [];
  const start = (day: number) => {
    const ripe = day + infusoria.ripeFrom + Math.floor(chance() * (infusoria.ripeDays - infusoria.ripeFrom + 1));
    vessels.push({ startDay: day, ripeDay: ripe, lastDay: ripe + infusoria.lastsDays - 1, hasCrashed: false });
  };
  let [hungry, fed] = [0, 0];
  for (let day = 0; day < SEASON; day++) {
    for (const vessel of vessels) if (!vessel.hasCrashed && chance() < CRASH) vessel.hasCrashed = true;
    if (!byPlan) {
      if (day % 7 === 0) start(day);
    } else {
      const known = needs.filter(({ known: since, from, long }) => since <= day && from + long >= day);
      const rows = known.map(({ from, long }, i) =>
        needRow(`n${i}`, AHEAD, Math.max(0, from - 1 - day), Math.min(AHEAD - 1, from + long - day), 60),
      );
      const running = vessels
        .filter(({ hasCrashed, lastDay }) => !hasCrashed && lastDay >= day)
        .map((vessel, i): TideVessel => {
          const made = madeVessel(infusoria, vessel.startDay - day, `${i}`, 'smallest');
          const ripeDay = vessel.ripeDay <= day ? 0 : made.ripeDay;
          return { ...made, ripeDay, lastDay: vessel.ripeDay <= day ? vessel.lastDay - day : made.lastDay };
        });
      const plan = planTide({ key: 'smallest', rows, vessels: running, starts: [infusoria], tin: null }, AHEAD, wishes, TODAY);
      for (const { day: due } of plan.starts) if (due === 0) start(day);
    }
    const eating = needs.some(({ real, long }) => real <= day && day < real + long);
    const isRipe = vessels.some(({ hasCrashed, ripeDay, lastDay }) => !hasCrashed && ripeDay <= day && day <= lastDay);
    if (eating) fed++;
    if (eating && !isRipe) hungry++;
  }
  return { hungry, fed, started: vessels.length };
}
const HOUSES = 100;
const sums = { plan: { hungry: 0, fed: 0, started: 0 }, habit: { hungry: 0, fed: 0, started: 0 } };
for (let house = 0; house < HOUSES; house++)
  for (const [way, sum] of Object.entries(sums)) {
    const one = season(way === 'plan', 1000 + house);
    sum.hungry += one.hungry;
    sum.fed += one.fed;
    sum.started += one.started;
  }
const percent = ({ hungry, fed }: { hungry: number; fed: number }) => ((100 * hungry) / fed).toFixed(1);
say(
  `${HOUSES} houses with crashes, days with young and no first food: ${percent(sums.plan)} % by the plan (${(sums.plan.started / HOUSES).toFixed(1)} cultures a season), ${percent(sums.habit)} % by one culture a week (${(sums.habit.started / HOUSES).toFixed(1)})`,
);
