import { growthCurve, resolveSpecies, SHIPPED_SPECIES } from '../packages/core/src/species';
import { lengthAt, tankAhead, type GrowthCurve } from '../packages/core/src/growout';
import { brood, house, lot, tank, TODAY, view, type Told } from '../packages/core/src/house/houseFixture';
import { fillLines, orderOutlooks, readyList, type FreeLot } from '../packages/core/src/sales';
import { addDays } from '../packages/core/src/time';

// Filling many lines from many lots, the ready list of a large house, and how often the band of what will be ready holds.

const say = (line: string) => process.stdout.write(`${line}\n`);
let seed = 14;
const random = () => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return seed / 2 ** 32;
};
const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
function best(runs: number, work: () => unknown): number {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const started = performance.now();
    work();
    least = Math.min(least, performance.now() - started);
  }
  return least;
}
const kinds = SHIPPED_SPECIES.map((profile) => resolveSpecies(profile)).filter(({ start }) => start !== 'carried');

{
  const lots = Array.from({ length: 2000 }, (_, i): FreeLot => ({
    lotId: `l${i}`,
    broodId: `b${i >> 2}`,
    speciesKey: kinds[i % kinds.length]?.key ?? '',
    tankId: `t${i >> 1}`,
    ageDays: 60 + ((i * 37) % 300),
    males: i % 7,
    females: i % 5,
    unsexed: i % 23,
    shareOver: (mm) => (mm === null ? 1 : Math.max(0, 1 - mm / 60)),
  }));
  const lines = Array.from({ length: 300 }, (_, i) => ({
    lineId: `${i}`,
    speciesKey: kinds[(i * 5) % kinds.length]?.key ?? '',
    sex: (['any', 'male', 'female'] as const)[i % 3] ?? ('any' as const),
    leastMm: i % 4 === 0 ? 25 : null,
    heads: 1 + ((i * 11) % 40),
    broodId: null,
  }));
  say(`filling 300 lines from 2000 lots: ${best(5, () => fillLines(lines, lots)).toFixed(1)} ms (bound 500)`);
}

const swam = (daysAgo: number) => {
  const at = `${addDays(TODAY, -daysAgo)}T08:00:00.000Z`;
  return { laid: { from: at, to: at }, hatched: { from: at, to: at }, freeSwimming: { from: at, to: at } };
};
/** Measured once, today. */
function weighed(meanMm: number) {
  const sample = { at: `${TODAY}T08:00:00.000Z`, meanMm, smallestTenthMm: meanMm * 0.85, spread: 0.12, count: 12 };
  return { samples: [sample], measured: sample };
}
function large(count: number): Partial<Told> {
  const kind = (i: number) => kinds[i % kinds.length]?.key ?? '';
  return {
    tanks: Array.from({ length: count / 4 }, (_, i) => tank(`T${i}`)),
    broods: Array.from({ length: count / 4 }, (_, i) =>
      brood(`b${i}`, kind(i), { ...swam(20 + ((i * 7) % 100)), ...(i % 2 ? {} : weighed(10 + (i % 20))) }),
    ),
    lots: Array.from({ length: count }, (_, i) =>
      lot(`l${i}`, `T${i % (count / 4)}`, kind(i % (count / 4)), { broodId: `b${i % (count / 4)}`, unsexed: 5 + (i % 40) }),
    ),
    sales: {
      orders: Array.from({ length: 60 }, (_, i) => ({
        orderId: `o${i}`,
        number: i,
        buyerKind: 'shop' as const,
        dueOn: addDays(TODAY, i),
        lines: Array.from({ length: 5 }, (_line, j) => ({
          lineId: `o${i}:${j}`,
          speciesKey: kind(i + j),
          sex: 'any' as const,
          leastMm: null,
          heads: 10,
          broodId: null,
          reserved: [],
          collected: 0,
        })),
      })),
    },
  };
}
{
  const told = house(large(2000));
  const first = performance.now();
  const now = view(told);
  const list = readyList(now);
  say(
    `ready list of 2000 lots in 500 broods, half of them measured, nothing known before: ${(performance.now() - first).toFixed(0)} ms`,
  );
  say(`the same again: ${best(3, () => readyList(now)).toFixed(0)} ms`);
  say(`the chances of 300 order lines: ${best(3, () => orderOutlooks(now, list)).toFixed(1)} ms`);
}

/** Broods as the ranges of their species let them be, weighed once; how many are of size in so many weeks, against the band told. */
for (const weeks of [2, 6, 12]) {
  let [inside, all, width] = [0, 0, 0];
  for (let i = 0; i < 400; i++) {
    const kind = kinds[i % kinds.length] ?? kinds[0]!;
    const { figures } = kind;
    const usual = growthCurve(figures);
    const spread = ([low, high]: readonly [number, number]) => Math.min(0.4, Math.max(0.08, Math.log(high / low) / 3.29));
    const grown: GrowthCurve = {
      curve: 'gompertz',
      l0Mm: usual.start,
      lInfMm: usual.limit * Math.exp(normal() * spread(figures.adultMm)),
      kPerDay: usual.ratePerDay * Math.exp(normal() * spread(figures.saleDays)),
    };
    const cv = 0.09 + 0.06 * random();
    const age = Math.round(((figures.saleDays[0] + figures.saleDays[1]) / 2) * (0.5 + 0.3 * random()));
    const heads = 40 + Math.floor(random() * 60);
    const lengths = Array.from({ length: 10 }, () => lengthAt(grown, age) * (1 + cv * normal()));
    const meanMm = lengths.reduce((sum, mm) => sum + mm, 0) / 10;
    const sd = Math.sqrt(lengths.reduce((sum, mm) => sum + (mm - meanMm) ** 2, 0) / 9);
    const sample = { at: `${TODAY}T08:00:00.000Z`, meanMm, smallestTenthMm: meanMm * 0.85, spread: sd / meanMm, count: 10 };
    const now = view(
      house({
        tanks: [tank('T1')],
        broods: [brood('b', kind.key, { ...swam(age), samples: [sample], measured: sample })],
        lots: [lot('l', 'T1', kind.key, { broodId: 'b', unsexed: heads })],
      }),
    );
    const row = readyList(now).rows[0];
    const told = row?.weeks[weeks - 1];
    if (!row || !told) continue;
    // Who lives then: one share for the brood between the least and the most of its species, for what is left of the way.
    const ahead = tankAhead(now, 'T1')[0];
    const [least, most] = figures.survivalToSale;
    const kept = ahead ? ahead.headsIn(weeks * 7) / heads : 1;
    const way = most >= 1 ? 0 : Math.log(Math.max(1e-9, kept)) / Math.log(most);
    const share = (least * (most / least) ** random()) ** way;
    let ready = 0;
    for (let fish = 0; fish < heads; fish++)
      if (random() < share && lengthAt(grown, age + weeks * 7) * (1 + cv * normal()) >= figures.saleMm[0]) ready++;
    // All or none is no forecast: those count only where either is possible.
    if (told.high === told.low && ready === told.low) continue;
    all++;
    if (told.low <= ready && ready <= told.high) inside++;
    width += told.high - told.low;
  }
  say(
    `ready in ${weeks} weeks, one sample of ten: ${((100 * inside) / Math.max(1, all)).toFixed(0)} % of ${all} broods inside the band (85 to 95 wanted), ${(width / Math.max(1, all)).toFixed(0)} heads wide`,
  );
}
