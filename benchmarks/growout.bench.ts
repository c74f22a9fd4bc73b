import { growthCurve, resolveSpecies, SHIPPED_SPECIES } from '../packages/core/src/species';
import {
  ageAt,
  assign,
  crowdingForecast,
  growBrood,
  lengthAt,
  planPlaces,
  readyShares,
  type GrowthCurve,
} from '../packages/core/src/growout';
import { brood, house, lot, tank, TODAY, view, type Told } from '../packages/core/src/house/houseFixture';
import { addDays, daysBetween } from '../packages/core/src/time';

// Growth bands on simulated broods, crowding of many tanks, the day of crowding, and the assignment of a large room.

const say = (line: string) => process.stdout.write(`${line}\n`);
let seed = 9;
const random = () => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return seed / 2 ** 32;
};
const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
function best(runs: number, work: () => unknown): number {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const started = performance.now();
    work();
    least = Math.min(least, performance.now() - started);
  }
  return least;
}

const kinds = SHIPPED_SPECIES.map((profile) => resolveSpecies(profile));
/** A brood as its species' ranges let it be, and samples of it with weather on them. */
function simulated(i: number) {
  const { figures } = kinds[i % kinds.length] ?? kinds[0]!;
  const usual = growthCurve(figures);
  const spread = ([low, high]: readonly [number, number], least: number, most: number) =>
    within(Math.log(high / low) / 3.29, least, most);
  const grown: GrowthCurve = {
    curve: 'gompertz',
    l0Mm: usual.start,
    lInfMm: usual.limit * Math.exp(normal() * spread(figures.adultMm, 0.04, 0.25)),
    kPerDay: usual.ratePerDay * Math.exp(normal() * spread(figures.saleDays, 0.15, 0.5)),
  };
  const cv = 0.09 + 0.06 * random();
  const age = ((figures.saleDays[0] + figures.saleDays[1]) / 2) * (0.35 + 0.3 * random());
  return { figures, grown, cv, age };
}
for (const count of [0, 1, 3]) {
  let [inside, all, width] = [0, 0, 0];
  const off: number[] = [];
  for (let i = 0; i < 400; i++) {
    const { figures, grown, cv, age } = simulated(i);
    const samples = Array.from({ length: count }, (_, j) => {
      const ageDays = (age * (j + 1)) / count;
      const mean = lengthAt(grown, ageDays) * Math.exp(normal() * 0.03);
      const lengths = Array.from({ length: 10 }, () => mean * (1 + cv * normal()));
      const meanMm = lengths.reduce((sum, mm) => sum + mm, 0) / 10;
      const sd = Math.sqrt(lengths.reduce((sum, mm) => sum + (mm - meanMm) ** 2, 0) / 9);
      return { ageDays, meanMm, smallestTenthMm: meanMm * 0.85, spread: sd / meanMm, count: 10 };
    });
    const saleAge = ageAt(grown, figures.saleMm[0]);
    if (saleAge === null || saleAge <= age) continue;
    const half = readyShares(growBrood(figures, samples, age), figures.saleMm[0])[1]?.days;
    if (!half) continue;
    const wait = saleAge - age;
    all++;
    if ((half.low ?? Infinity) <= wait && wait <= (half.high ?? Infinity)) inside++;
    width += (half.high ?? 2 * (half.mid ?? 0)) - (half.low ?? 0);
    off.push(Math.abs((half.mid ?? 999) - wait));
  }
  off.sort((a, b) => a - b);
  say(
    `sale window, ${count} samples: ${((100 * inside) / all).toFixed(0)} % of ${all} true days inside the 90 % band (85 to 95 wanted), ${(width / all).toFixed(0)} days wide, ${off[all >> 1]?.toFixed(1)} days off in the median`,
  );
}

const swam = (daysAgo: number) => {
  const at = `${addDays(TODAY, -daysAgo)}T08:00:00.000Z`;
  return { laid: { from: at, to: at }, hatched: { from: at, to: at }, freeSwimming: { from: at, to: at } };
};
const species = ['lemon-tetra', 'kribensis', 'zebra-danio', 'angelfish', 'paradise-fish'];
function room(tanks: number): Partial<Told> {
  const keys = Array.from({ length: tanks }, (_, i) => species[i % species.length] ?? 'lemon-tetra');
  return {
    tanks: keys.map((_, i) =>
      tank(`T${i}`, { rackCode: String.fromCharCode(65 + (i % 8)), litres: [25, 45, 60, 100][i % 4] ?? 45 }),
    ),
    broods: keys.flatMap((key, i) => (i % 2 === 0 ? [brood(`b${i}`, key, swam(10 + ((i * 7) % 60)))] : [])),
    lots: keys.flatMap((key, i) =>
      i % 2 === 0 ? [lot(`l${i}`, `T${i}`, key, { broodId: `b${i}`, unsexed: 30 + ((i * 13) % 120) })] : [],
    ),
  };
}
const large = view(house(room(500)));
const crowded = () => [...large.lotsByTank.keys()].map((tankId) => crowdingForecast(large, tankId, 56));
crowded();
say(`crowding of 500 tanks, growth known: ${best(5, crowded).toFixed(1)} ms (bound 50)`);

// The day a tank gets tight, told three weeks before from two samples, against the day it does by the true curve.
{
  const off: number[] = [];
  for (let i = 0; i < 120; i++) {
    const { grown, cv } = simulated(kinds.findIndex(({ key }) => key === 'lemon-tetra'));
    const [age, heads] = [35 + Math.floor(random() * 15), 70 + Math.floor(random() * 40)];
    const sample = (ageDays: number) => ({
      at: `${addDays(TODAY, ageDays - age)}T08:00:00.000Z`,
      meanMm: lengthAt(grown, ageDays) * (1 + (normal() * cv) / Math.sqrt(10)),
      smallestTenthMm: lengthAt(grown, ageDays) * 0.85,
      spread: cv,
      count: 10,
    });
    const samples = [sample(age - 14), sample(age)];
    const told = { ...swam(age), samples, measured: samples[1] ?? null };
    const tightOn = crowdingForecast(
      view(
        house({
          tanks: [tank('T1')],
          broods: [brood('b', 'lemon-tetra', told)],
          lots: [lot('l', 'T1', 'lemon-tetra', { broodId: 'b', unsexed: heads })],
        }),
      ),
      'T1',
      120,
    )?.tightOn;
    // By the true curve, day by day, the same heads.
    const truth = Array.from({ length: 121 }, (_, ahead) => ahead).find((ahead) => {
      const mm = lengthAt(grown, age + ahead);
      const exact = [{ ...sample(age), meanMm: mm, at: `${TODAY}T08:00:00.000Z` }];
      const then = { ...swam(age + ahead), samples: exact, measured: exact[0] ?? null };
      const kept = house({
        tanks: [tank('T1')],
        broods: [brood('b', 'lemon-tetra', then)],
        lots: [lot('l', 'T1', 'lemon-tetra', { broodId: 'b', unsexed: heads })],
      });
      return crowdingForecast(view(kept), 'T1', 0)?.tightOn === TODAY;
    });
    if (truth !== undefined && tightOn && truth > 0) off.push(Math.abs(daysBetween(TODAY, tightOn) - truth));
  }
  off.sort((a, b) => a - b);
  say(`day of crowding: ${off[off.length >> 1]?.toFixed(1)} days off in the median of ${off.length} (3 wanted)`);
}

{
  const [lots, tanks] = [40, 80];
  const pieces = Array.from({ length: lots }, (_, i) => ({ id: `l${i}`, litres: Math.round(15 + random() * 90) }));
  const places = Array.from({ length: tanks }, (_, i) => ({
    id: `t${i}`,
    litres: [25, 54, 60, 96, 120, 200][Math.floor(random() * 6)] ?? 54,
  }));
  const racks = places.map(() => Math.floor(random() * 6));
  const cost = pieces.map((piece) => {
    const rack = Math.floor(random() * 6);
    return places.map((place, t) =>
      random() < 0.4 || place.litres < piece.litres
        ? null
        : 2 + (rack === racks[t] ? 0 : 3) + (random() < 0.5 ? 3 : 0) + 0.4 * Math.log2(place.litres / piece.litres),
    );
  });
  const apart = Array.from({ length: 12 }, (_, i): [string, string] => [`l${i}`, `l${39 - i}`]);
  const started = performance.now();
  const found = assign({ lots: pieces, tanks: places, cost, apart, mostSteps: 18_000 });
  say(
    `40 broods to 80 tanks: ${(performance.now() - started).toFixed(0)} ms (bound 2000), ${found.unplaced} without a tank, ${found.isExact ? 'the optimum' : `within ${(100 * found.gap).toFixed(1)} % of it`}`,
  );
}
const house40 = view(house(room(80)));
say(`places, prices and offers of a house of 80 tanks and 40 broods: ${best(2, () => planPlaces(house40)).toFixed(0)} ms`);
