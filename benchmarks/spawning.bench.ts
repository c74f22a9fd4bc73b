import {
  learn,
  planAttempt,
  planDays,
  RECIPE_BOOK,
  shiftPlan,
  USUAL_RULE,
  weighEvidence,
  type AttemptRecord,
} from '../packages/core/src/spawning';
import { resolveSpecies, SHIPPED_SPECIES } from '../packages/core/src/species';
import { addDays } from '../packages/core/src/time';

// Evidence and learned windows on simulated houses: how often they claim what is not so, find what is, and hold the truth.

const say = (line: string) => process.stdout.write(`${line}\n`);
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
/** Mulberry's generator: the same houses each time. */
function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}
const roll = dice(2026);
const normal = () => Math.sqrt(-2 * Math.log(1 - roll())) * Math.cos(2 * Math.PI * roll());

const attempt = (id: number, worked: boolean, factors: AttemptRecord['factors']): AttemptRecord => ({
  id: String(id),
  name: '',
  speciesKey: 'lemon-tetra',
  factors,
  spawnedAfterDays: worked ? 2 : null,
  waitedDays: 30,
  isEnded: true,
  eggs: null,
  fertile: null,
  hatched: null,
  swimming: null,
});
const flags = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`tag:${i}`, roll() < 0.5]));

let isFine = true;
function bound(label: string, value: number, limit: number, unit = 'ms'): void {
  const holds = value <= limit;
  isFine &&= holds;
  say(`${label}: ${value.toFixed(unit === 'ms' ? 1 : 3)} ${unit}, at most ${limit}${holds ? '' : '  NOT MET'}`);
}

say('\n-- Evidence and plans --');
const many = Array.from({ length: 5000 }, (_, i) =>
  attempt(i, roll() < 0.5, {
    ...flags(24),
    tempC: 24 + normal(),
    ph: 7 + normal() / 3,
    ghDeg: 6 + normal(),
    changeShare: 30 + 9 * normal(),
    dayHours: 12 + 3 * normal(),
    condition: 3 + normal(),
  }),
);
weighEvidence(many.slice(0, 200), USUAL_RULE);
let started = performance.now();
const { rows } = weighEvidence(many, USUAL_RULE);
bound(`Evidence over ${many.length} attempts and ${rows.length} factors`, performance.now() - started, 300);

const lemon = resolveSpecies(SHIPPED_SPECIES.find(({ key }) => key === 'lemon-tetra') ?? SHIPPED_SPECIES[0]!);
const plans = Array.from({ length: 200 }, (_, i) => ({
  recipe: RECIPE_BOOK[i % RECIPE_BOOK.length]!.recipe,
  days: planDays(RECIPE_BOOK[i % RECIPE_BOOK.length]!.recipe, addDays('2026-01-01', i * 2)),
}));
started = performance.now();
for (const { recipe, days } of plans)
  planAttempt({ recipe, days: shiftPlan(days, 'all', 1), figures: lemon.figures, start: 'laid' });
bound('A year’s plan of 200 attempts, recomputed after a drag', performance.now() - started, 200);

const HOUSES = 1000;
let claiming = 0;
for (let house = 0; house < HOUSES; house++) {
  const tried = Array.from({ length: 30 }, (_, i) => attempt(i, roll() < 0.5, flags(12)));
  if (weighEvidence(tried, USUAL_RULE).rows.some(({ claim }) => claim)) claiming++;
}
bound(`Houses of ${HOUSES} without any effect in which something is claimed (level 10 %)`, claiming / HOUSES, 0.1, '');
for (const tries of [10, 20, 40]) {
  let found = 0;
  for (let house = 0; house < HOUSES / 2; house++) {
    const tried = Array.from({ length: tries }, (_, i) => {
      const factors = { ...flags(11), 'lever:cooler': i % 2 === 0 };
      return attempt(i, roll() < (i % 2 === 0 ? 0.8 : 0.3), factors);
    });
    if (weighEvidence(tried, USUAL_RULE).rows.some(({ factor, claim }) => claim && factor === 'lever:cooler')) found++;
  }
  say(
    `A lever that lifts 30 to 80 %, among twelve, is claimed after ${tries} attempts in ${percent(found / (HOUSES / 2))} of houses`,
  );
}

say('\n-- Windows learned from own broods --');
const WINDOW = [60, 84] as const;
for (const broods of [1, 3, 5, 8, 12]) {
  let [holds, width] = [0, 0];
  for (let house = 0; house < HOUSES; house++) {
    // A house's own middle lies where the published window says, its broods scatter around it by half as much.
    const middle = Math.log(Math.sqrt(WINDOW[0] * WINDOW[1])) + 0.075 * normal();
    const spread = 0.05 + 0.02 * roll();
    const brood = () => Math.exp(middle + spread * normal());
    const window = learn({ window: [...WINDOW], durations: Array.from({ length: broods }, brood) });
    const next = brood();
    if (next >= window.low && next <= window.high) holds++;
    width += (window.high - window.low) / (WINDOW[1] - WINDOW[0]) / HOUSES;
  }
  const share = holds / HOUSES;
  if (broods >= 5 && (share < 0.88 || share > 0.92 || width >= 1)) isFine = false;
  say(
    `After ${broods}: the 90 % window holds the next brood in ${percent(share)}, and is ${width.toFixed(2)} times as wide as the published one`,
  );
}
process.exit(isFine ? 0 : 1);
