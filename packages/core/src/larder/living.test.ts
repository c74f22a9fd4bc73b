import fc from 'fast-check';
import { addDays } from '../time';
import {
  bestHarvest,
  CULTURE_FOODS,
  CULTURES,
  cultureRisks,
  cultureYield,
  CYST_FIGURES,
  densityOf,
  describeCulture,
  doseAmount,
  fullnessOf,
  hatchShareOf,
  kindOf,
  learnCulture,
  mealSize,
  naupliiInDrops,
  PEST_KINDS,
  planBackUps,
  shelfState,
  soilWear,
  treatmentWarnings,
  type Culture,
  type CultureFood,
  type CultureKind,
  type MealSight,
  type ShelfItem,
} from './index';

const ZONE = 'Europe/Dublin';
const TODAY = '2026-03-10';
const NOW = `${TODAY}T08:00:00.000Z`;
const at = (daysAgo: number) => `${addDays(TODAY, -daysAgo)}T08:00:00.000Z`;
const culture = (food: CultureFood, startedDaysAgo: number, more: Partial<Culture> = {}): Culture => ({
  id: `${food}${startedDaysAgo}`,
  name: `${food} ${startedDaysAgo}`,
  food,
  startedAt: at(startedDaysAgo),
  ripeSeenAt: null,
  fedAt: null,
  harvestedAt: null,
  tankId: null,
  ...more,
});
const learn = (one: Culture) => learnCulture(one, describeCulture(one, NOW, ZONE), TODAY, ZONE);
/** Numbers between 0 and 1 that are the same each time. */
function randomOf(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A vessel that grows at a rate nobody knows, looked at every other day by an eye that errs, and harvested now and then. */
function simulated(food: CultureFood, random: () => number): { culture: Culture; rate: number } {
  const kind: CultureKind = CULTURES[food];
  const [fast, slow] = kind.doublingDays;
  const rate = (Math.LN2 / Math.sqrt(fast * slow)) * Math.exp(normal(random) * (Math.log(slow / fast) / 2 + 0.25));
  const everyLook = Math.max(1, Math.round(Math.log(2) / rate));
  const days = everyLook * 14;
  const looks = [];
  const harvests = [];
  let full = 0.04 * Math.exp(normal(random) * 0.7);
  for (let day = 1; day <= days; day++) {
    const grown = Math.exp(rate * (1 + 0.15 * normal(random)));
    full = (full * grown) / (1 + full * (grown - 1));
    if (day % everyLook === 0) {
      const density = Math.min(4, Math.max(0, Math.round(densityOf(full) + 0.5 * normal(random))));
      looks.push({ at: at(days - day), density, perMl: null, signs: [] });
    }
    if (full > 0.6 && day % (3 * everyLook) === 0) {
      const share = 0.3;
      const isWater = kind.fullMlPerL === 1000;
      harvests.push({
        at: `${at(days - day).slice(0, 11)}09:00:00.000Z`,
        ml: share * (isWater ? 1 : full) * kind.vesselL * kind.fullMlPerL,
      });
      full *= 1 - share;
    }
  }
  return { culture: culture(food, days, { looks, harvests, tempC: kind.atC }), rate };
}

describe('what a culture teaches', () => {
  it('holds its true harvest inside the stated band, and narrows the book', () => {
    const random = randomOf(7);
    const foods: CultureFood[] = ['paramecium', 'microworm', 'grindal', 'moina'];
    let [inside, narrower, tried] = [0, 0, 0];
    for (let i = 0; i < 60; i++) {
      const food = foods[i % foods.length] ?? 'paramecium';
      const { culture: one, rate } = simulated(food, random);
      const kind = kindOf(one);
      const truth = bestHarvest(rate, kind.harvestEveryDays, kind.mostShare).perDay * kind.vesselL * kind.fullMlPerL;
      const { sustainableMlPerDay: told } = learn(one);
      const book = learn({ ...one, looks: [], harvests: [] }).sustainableMlPerDay;
      tried++;
      if (told.low90 <= truth && truth <= told.high90) inside++;
      if (told.high90 - told.low90 < book.high90 - book.low90) narrower++;
    }
    expect(inside / tried).toBeGreaterThanOrEqual(0.85);
    expect(narrower / tried).toBeGreaterThan(0.8);
  });

  it('takes nothing from a thin one, more from a full one, and never more than may be taken at once', () => {
    for (const food of CULTURE_FOODS.filter((one) => !CULTURES[one].batch)) {
      const of = (density: number) => learn(culture(food, 60, { looks: [{ at: at(0), density, perMl: null, signs: [] }] }));
      const kind = CULTURES[food];
      expect([food, of(4).mayTakeMl > of(1).mayTakeMl]).toEqual([food, true]);
      expect([food, of(4).mayTakeMl <= kind.mostShare * kind.vesselL * kind.fullMlPerL]).toEqual([food, true]);
      expect([food, of(1).nextInDays >= of(4).nextInDays]).toEqual([food, true]);
    }
  });

  it('never harvests a colony below its floor', () => {
    const thin = learn(culture('scud', 200, { looks: [{ at: at(0), density: 1, perMl: null, signs: [] }] }));
    expect(thin.mayTakeMl).toBe(0);
    expect(thin.nextInDays).toBeGreaterThan(10);
  });

  it('best harvest is the best: no other share gives more for good, by the long run', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 1.5, noNaN: true }),
        fc.integer({ min: 1, max: 14 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (ratePerDay, everyDays, other) => {
          const { share, perDay } = bestHarvest(ratePerDay, everyDays, 1);
          const of = (harvestFraction: number) =>
            cultureYield({ startCount: 0.5, ratePerDay, capacity: 1, harvestFraction, everyDays, days: 1 }).sustainablePerDay;
          expect(of(share)).toBeCloseTo(perDay, 9);
          expect(of(other)).toBeLessThanOrEqual(perDay + 1e-9);
        },
      ),
    );
  });

  it('reads a density back as the fullness it stands for', () => {
    for (const density of [0, 0.5, 1, 2, 2.7, 3, 4]) expect(densityOf(fullnessOf(density))).toBeCloseTo(density, 9);
  });
});

describe('a risk', () => {
  const risksOf = (one: Culture, others: readonly Culture[] = [], today = TODAY) => {
    const described = (each: Culture) => ({ culture: each, state: describeCulture(each, NOW, ZONE) });
    return cultureRisks(described(one), [one, ...others].map(described), learn(one), today, ZONE).map(
      ({ level, words }) => `${level}: ${words}`,
    );
  };
  const beside = culture('microworm', 5);

  it('is told for smell, heat, an unexplained fall, feeding too often and having nothing beside it', () => {
    const looked = (...looks: [number, number, ...('foul' | 'mites')[]][]) =>
      looks.map(([daysAgo, density, ...signs]) => ({ at: at(daysAgo), density, perMl: null, signs }));
    expect(risksOf(culture('microworm', 10), [beside])).toEqual([]);
    expect(risksOf(culture('microworm', 10))).toEqual(['watch: No other culture of this size is running.']);
    expect(risksOf(culture('microworm', 10, { looks: looked([1, 2, 'foul']) }), [beside])).toEqual(['high: It smells foul.']);
    expect(risksOf(culture('microworm', 10, { tempC: 33 }), [beside])[0]).toMatch(
      /^high: 33 °C is too warm for it \(up to 30 °C\)/,
    );
    expect(risksOf(culture('microworm', 10, { looks: looked([5, 4], [1, 1]) }), [beside])).toEqual([
      'high: Density fell from 4 to 1 without harvesting.',
    ]);
    const taken = culture('microworm', 10, { looks: looked([5, 4], [1, 1]), harvests: [{ at: at(3), ml: 10 }] });
    expect(risksOf(taken, [beside])).toEqual([]);
    expect(
      risksOf(culture('grindal', 60, { feeds: [4, 3, 2, 1].map(at), ripeSeenAt: at(30) }), [culture('grindal', 20)])[0],
    ).toMatch(/^watch: Fed 4 times/);
  });
});

describe('back-ups', () => {
  it('followed to the letter never leave a kind without a ripe vessel, and never pile vessels up', () => {
    for (const food of ['infusoria', 'paramecium', 'microworm', 'rotifer'] as const) {
      const kind = CULTURES[food];
      let running = [culture(food, 0, { id: 'first', startedAt: NOW })];
      let most = 0;
      const gaps: number[] = [];
      for (let day = 0; day < 240; day++) {
        const today = addDays(TODAY, day);
        const now = `${today}T08:00:00.000Z`;
        const described = running.map((one) => ({ culture: one, state: describeCulture(one, now, ZONE) }));
        const steps = planBackUps(described, ({ culture: one, state }) => learnCulture(one, state, today, ZONE), today);
        for (const { cultureId, action, day: due } of steps) {
          if (due > today) continue;
          if (action === 'empty') running = running.filter(({ id }) => id !== cultureId);
          else if (action !== 'thin')
            running = [...running, culture(food, 0, { id: `${cultureId}.${day}`, startedAt: now, fromId: cultureId })];
        }
        most = Math.max(most, running.length);
        if (day > kind.ripeDays[1] && !described.some(({ state }) => state.phase === 'ripe')) gaps.push(day);
      }
      expect([food, gaps]).toEqual([food, []]);
      expect([food, most <= 3]).toEqual([food, true]);
    }
  });
});

describe('the share of a tin that hatches', () => {
  const counted = (share: number) => ({ tinId: 't', cystsG: 1, nauplii: share * CYST_FIGURES.naupliiPerG });
  it('is the usual one at first, its own after some hatches, and surer with each', () => {
    expect(hatchShareOf([])).toMatchObject({ share: 0.8, hatches: 0 });
    const [one, six] = [hatchShareOf([counted(0.5)]), hatchShareOf(Array.from({ length: 6 }, () => counted(0.5)))];
    expect(one.share).toBeGreaterThan(0.55);
    expect(six.share).toBeLessThan(0.56);
    expect(six.high90 - six.low90).toBeLessThan(one.high90 - one.low90);
  });
  it('is counted in drops: their mean, drops a ml, ml in all', () => {
    expect(naupliiInDrops([50, 46, 54], 0.05, 100)).toBeCloseTo(100_000, 6);
    expect(naupliiInDrops([], 0.05, 100)).toBe(0);
  });
});

describe('the next ration', () => {
  const size = (...sights: MealSight[]) => mealSize(sights.map((sight, i) => ({ tankId: 'T', at: at(9 - i), sight })));
  it('follows what was seen, says so, and stays within bounds', () => {
    expect(size()).toEqual({ factor: 1, why: [] });
    expect(size('right').factor).toBe(1);
    expect(size('gone').factor).toBeCloseTo(1.15, 9);
    expect(size('gone').why[0]).toBe('Last seen gone at once: 15 % more than worked out.');
    expect(size('left').factor).toBeCloseTo(0.75, 9);
    expect(size('gone', 'fouled').factor).toBeLessThan(0.6);
    fc.assert(
      fc.property(fc.array(fc.constantFrom<MealSight>('gone', 'right', 'left', 'fouled'), { maxLength: 60 }), (sights) => {
        const { factor } = size(...sights);
        expect(factor).toBeGreaterThanOrEqual(0.3);
        expect(factor).toBeLessThanOrEqual(2);
      }),
    );
  });
  it('is more or less by the recipe’s school', () => {
    expect(mealSize([], 'heavy').factor).toBeGreaterThan(1);
    expect(mealSize([], 'little').factor).toBeLessThan(1);
    expect(mealSize([], 'seeded').why).toEqual(['Next to nothing: the tank feeds them, as the recipe says.']);
  });
  it('is halved by ammonia in the water, and says so', () => {
    expect(mealSize([], null, 0.5)).toEqual({
      factor: 0.5,
      why: ['Ammonia of 0.5 mg/L was measured: halve the food and change water until it’s zero.'],
    });
    expect(mealSize([], null, 0.1).factor).toBe(1);
    expect(mealSize([], 'heavy', 1).factor).toBeCloseTo(mealSize([], 'heavy').factor / 2, 9);
  });
});

describe('a measure', () => {
  it('is the keeper’s own for the food, then their own for all, then the usual one', () => {
    const own = { dose: 'pinch' as const, food: null, amount: 0.04, of: 10 };
    const flakes = { dose: 'pinch' as const, food: 'crushedDry' as const, amount: 0.03, of: 10 };
    expect(doseAmount('pinch', 'crushedDry', [])).toEqual({ amount: 0.05, isOwn: false });
    expect(doseAmount('pinch', 'pellets', [own, flakes])).toEqual({ amount: 0.04, isOwn: true });
    expect(doseAmount('pinch', 'crushedDry', [flakes, own])).toEqual({ amount: 0.03, isOwn: true });
  });
});

describe('the shelf', () => {
  const tin = (more: Partial<ShelfItem> = {}): ShelfItem => ({
    id: 'i',
    kind: 'dry',
    name: 'Flakes',
    food: 'crushedDry',
    openedOn: '2026-03-01',
    goodUntil: null,
    amount: 100,
    priceCents: null,
    weighed: null,
    usedSince: 0,
    ...more,
  });
  it('runs out by use from the last weighing, and says what to buy in time', () => {
    expect(shelfState(tin(), 1, TODAY)).toMatchObject({ left: 100, runsOutOn: '2026-06-18', buy: null });
    expect(shelfState(tin({ weighed: { at: NOW, left: 9 }, usedSince: 2 }), 1, TODAY)).toMatchObject({
      left: 7,
      runsOutOn: '2026-03-17',
      buy: 'runs out',
    });
    expect(shelfState(tin({ usedSince: 140 }), 1, TODAY)).toMatchObject({ left: 0, buy: 'empty' });
    expect(shelfState(tin(), 0, TODAY).runsOutOn).toBeNull();
  });
  it('is past its date by what is written on it or by how long it keeps once opened, whichever is first', () => {
    expect(shelfState(tin(), 0, TODAY)).toMatchObject({ goodUntil: '2026-06-29', isUsual: true, isExpired: false });
    expect(shelfState(tin({ goodUntil: '2026-03-09' }), 0, TODAY)).toMatchObject({
      isExpired: true,
      isUsual: false,
      buy: 'past its date',
    });
    expect(shelfState(tin({ openedOn: null }), 0, TODAY).goodUntil).toBeNull();
  });
});

describe('a treatment', () => {
  it('that is dosed is halved where invertebrates live, says whom it harms, and what follows', () => {
    const dosed = PEST_KINDS.hydra.treatments.find(({ isDosed }) => isDosed);
    if (!dosed) throw new Error('nothing is dosed');
    const words = treatmentWarnings(dosed, { invertebrates: true, isCulture: false }).join(' ');
    expect(words).toMatch(/Harms snails, worms, shrimp\./);
    expect(words).toMatch(/half the dose/);
    expect(words).toMatch(/Change a third of the water after 1, 3, 7 days/);
    expect(dosed.caution).toMatch(/vet/);
    for (const kind of Object.values(PEST_KINDS))
      for (const { isDosed, caution } of kind.treatments) if (isDosed) expect(caution).toMatch(/gloves/);
  });
});

describe('active soil', () => {
  it('serves fifteen months, and wears one and a half times as fast while it is fed heavily', () => {
    const laid = addDays(TODAY, -300);
    expect(soilWear(laid, null, TODAY)).toMatchObject({ heavyDays: 0, servesUntil: addDays(TODAY, 157) });
    const heavy = soilWear(laid, addDays(TODAY, -100), TODAY);
    expect(heavy.heavyDays).toBe(100);
    expect(heavy.wornMonths * 30.44).toBeCloseTo(350, 6);
    expect(heavy.servesUntil).toBe(addDays(TODAY, 71));
    // Heavy feeding before the soil was laid wore the one before it.
    expect(soilWear(laid, addDays(TODAY, -900), TODAY).heavyDays).toBe(300);
  });
});
