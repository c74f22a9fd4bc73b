import { foodSpans, type FoodSpan } from './foods';
import { lifeOf, type SpeciesLife } from './life';
import { speciesLife } from './speciesLife';
import { METHODS, type Food } from './kinds';
import { type ResolvedSpecies } from './profile';
import { METHOD_TEMPLATES, resolveSpecies, SHIPPED_SPECIES } from './resolveSpecies';

const shipped = SHIPPED_SPECIES.map((profile) => resolveSpecies(profile));
const templates = METHODS.map((method) =>
  resolveSpecies({
    key: method,
    commonName: METHOD_TEMPLATES[method].name,
    scientificName: '',
    method,
    initials: 'XX',
    figures: {},
  }),
);
const everybody = [...shipped, ...templates];
const named = (key: string): ResolvedSpecies => {
  const species = shipped.find((one) => one.key === key);
  if (!species) throw new Error(key);
  return species;
};
const middleC = ({ figures }: ResolvedSpecies) => (figures.tempC[0] + figures.tempC[1]) / 2;
/** Temperatures of its own range at which its eggs develop too. */
const ownTemperatures = (species: ResolvedSpecies): number[] => {
  const { tempC, eggTempC } = species.figures;
  const [low, high] = [Math.max(tempC[0], eggTempC[0]), Math.min(tempC[1], eggTempC[1])];
  return [low, (low + high) / 2, high];
};
const span = (life: SpeciesLife, food: Food): FoodSpan | undefined => life.foods.find((one) => one.food === food);
const SMALLEST: readonly Food[] = ['infusoria', 'paramecium', 'rotifer', 'greenWater'];

/** What a keeper of many species would object to in a life, in words; nothing when it is sound. */
function objections(species: ResolvedSpecies, tempC: number): string[] {
  const { figures, method, start } = species;
  const life = lifeOf(species, tempC);
  const [first] = life.foods;
  const brine = span(life, 'brineShrimp');
  const found: string[] = [];
  const must = (sound: boolean, words: string) => {
    if (!sound) found.push(words);
  };
  // Order of life.
  must((start === 'born') === (life.hatchDays === null), 'hatch of those that are born');
  if (life.hatchDays && life.swimDays)
    must(life.swimDays[0] >= life.hatchDays[0] && life.swimDays[1] >= life.hatchDays[1], 'swims before it hatches');
  const lengths = Object.values(life.lengthMm);
  must(
    lengths.every((mm, i) => i === 0 || mm > (lengths[i - 1] ?? 0)),
    'shrinks',
  );
  must((life.lengthMm['180'] ?? 0) <= figures.adultMm[1], 'longer than adults at half a year');
  const daily = ((life.lengthMm['7'] ?? 0) - (life.lengthMm['0'] ?? 0)) / 7;
  if (['eggScatterer', 'bubbleNester'].includes(method))
    must(daily > 0.08 && daily < 0.24, `larvae grow ${daily.toFixed(2)} mm a day`);
  // The first food fits the mouth, for as many days as keepers give it.
  must(first?.fromDay === 0, 'no food on the first day');
  for (const { food, fromDay, toDay } of life.foods) {
    must(toDay > fromDay, `${food} ends before it begins`);
    if (SMALLEST.includes(food) && start === 'laid') must(toDay <= 11, `${food} until day ${toDay}`);
  }
  const gaps = Array.from({ length: Math.floor(life.saleDays[1]) }, (_, day) => day).filter(
    (day) => !life.foods.some(({ fromDay, toDay }) => fromDay <= day && day < toDay),
  );
  must(gaps.length === 0, `nothing to eat on day ${gaps[0]}`);
  if (brine) {
    if (['eggScatterer', 'continuousSpawner'].includes(method) || species.key === 'lambchop-rasbora')
      must(brine.fromDay >= 7 && brine.fromDay <= 12, `brine shrimp from day ${brine.fromDay}`);
    if (method === 'bubbleNester') must(brine.fromDay >= 3 && brine.fromDay <= 5, `brine shrimp from day ${brine.fromDay}`);
    if (
      ['substrateGuarder', 'caveGuarder', 'caveMaleGuards', 'rockGuarder', 'shellDweller', 'mouthbrooder', 'livebearer'].includes(
        method,
      )
    )
      must(brine.fromDay === 0, `brine shrimp from day ${brine.fromDay}`);
  }
  // Whoever eats eggs or young has left before there are any to eat.
  const guarded = species.guards !== 'nobody' || species.eggsRest;
  if (figures.eggsEatenBy !== 'nobody' && start === 'laid' && !guarded)
    must(
      life.leaves.some(({ who, when, latestDay }) => who === 'adults' && when === 'afterSpawning' && (latestDay ?? 9) <= 1),
      'eaters stay with the eggs',
    );
  if (figures.fryEatenBy !== 'nobody' && start === 'laid' && !guarded)
    must(
      life.leaves.some(
        ({ who, latestDay }) => who === 'adults' && latestDay !== null && latestDay <= Math.ceil((life.hatchDays?.[0] ?? 0) + 2),
      ),
      'eaters stay with the young',
    );
  if (figures.fryEatenBy !== 'nobody' && start === 'carried')
    must(
      life.leaves.some(({ who }) => who === 'mother'),
      'the mother stays',
    );
  // Grams against weight and water.
  const adultMm = (figures.adultMm[0] + figures.adultMm[1]) / 2;
  const share = life.adultDryGPerDay / (figures.bodyGPerMm3 * adultMm ** 3);
  must(share > 0.001 && share <= 0.02, `${(share * 100).toFixed(2)} % of its weight a day`);
  // Sold as young, within their useful life.
  must(life.saleDays[0] < life.saleDays[1], 'sale window');
  must(life.saleDays[1] < (species.usefulDays?.[0] ?? figures.maturityDays[1] * 4), 'sold when old');
  must(figures.saleMm[0] > figures.fryMm[1], 'sold as larvae');
  return found;
}

describe('a whole life', () => {
  it.each(everybody.map((species) => [species.commonName, species] as const))(
    'of %s is one a keeper believes',
    (_name, species) => {
      const wrong = ownTemperatures(species).flatMap((tempC) =>
        objections(species, tempC).map((words) => `${tempC} °C: ${words}`),
      );
      expect(wrong).toEqual([]);
    },
  );

  it('would be objected to if it were nonsense', () => {
    const tetra = named('lemon-tetra');
    const with_ = (figures: Partial<ResolvedSpecies['figures']>): ResolvedSpecies => ({
      ...tetra,
      figures: { ...tetra.figures, ...figures },
    });
    expect(objections(with_({ ladder: [{ food: 'brineShrimp', fromMm: 0 }] }), 25).join()).toContain('brine shrimp from day 0');
    expect(objections({ ...tetra, leaves: [] }, 25).join()).toContain('eaters stay');
    expect(objections(with_({ adultFeedShare: [0.03, 0.05] }), 25).join()).toContain('of its weight a day');
    expect(objections(with_({ saleDays: [1000, 1200] }), 25).join()).toContain('sold when old');
  });

  it('is what keepers have written down', () => {
    const life = speciesLife({ species: 'lemon-tetra', tempC: 26 });
    expect(life.hatchDays).toEqual([1, 2]);
    expect(life.swimDays).toEqual([5, 7.5]);
    expect(life.foods[0]).toEqual({ food: 'infusoria', fromDay: 0, toDay: 9 });
    expect(life).toMatchObject({ leaves: [{ who: 'adults', when: 'afterSpawning', latestDay: 0 }], grade: 'recorded' });
    // A tetra of 41.5 mm weighs some 0.8 g and eats 0.75 % of it.
    expect(life.adultDryGPerDay).toBeCloseTo(1.15e-5 * 41.5 ** 3 * 0.0075, 4);
    const yabby = speciesLife({ species: 'yabby', tempC: 22 });
    expect([yabby.hatchDays, yabby.swimDays]).toEqual([
      [28, 35],
      [38, 55],
    ]);
    expect(speciesLife({ species: 'fighting-fish', tempC: 28 }).leaves.map(({ who, when }) => [who, when])).toEqual([
      ['female', 'afterSpawning'],
      ['male', 'whenSwimming'],
    ]);
    expect(speciesLife({ species: 'humpback-limia', tempC: 26 })).toMatchObject({ hatchDays: null, swimDays: null });
    expect(
      speciesLife({ species: 'sixray-aspidoras', tempC: 24 })
        .foods.slice(0, 2)
        .map(({ food }) => food),
    ).toEqual(['microworm', 'finePowder']);
    expect(speciesLife({ species: 'telmatochromis-shell', tempC: 26 }).grade).toBe('guess');
  });

  it('goes slower in colder water and is refused where nothing develops', () => {
    for (const species of shipped.filter(({ start }) => start !== 'born')) {
      const [cold, , warm] = ownTemperatures(species);
      if (cold === undefined || warm === undefined || cold === warm) continue;
      const [slow, fast] = [lifeOf(species, cold), lifeOf(species, warm)];
      expect((slow.hatchDays?.[0] ?? 0) > (fast.hatchDays?.[0] ?? 0)).toBe(true);
      expect((slow.lengthMm['60'] ?? 0) < (fast.lengthMm['60'] ?? 0)).toBe(true);
      expect(() => lifeOf(species, species.figures.developmentZeroC)).toThrow(/nothing develops/);
    }
    expect(() => speciesLife({ species: 'unicorn', tempC: 25 })).toThrow(/no species/);
  });

  it('has foods that fit the smallest tenth at the middle of the range', () => {
    for (const species of shipped)
      expect([species.key, lifeOf(species, middleC(species)).foods]).toEqual([species.key, foodSpans(species.figures)]);
  });
});
