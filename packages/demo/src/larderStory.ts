import type { CultureFood, CultureSign } from '@freshet/core/larder';
import type { Story } from './story';

/** What was seen: days ago, density, signs. */
type Look = readonly [daysAgo: number, density: number, ...signs: CultureSign[]];
interface TellCulture {
  food: CultureFood;
  name: string;
  daysAgo: number;
  tank?: string;
  place?: string;
  vesselL?: number;
  tempC?: number;
  /** Name of the one it was started from. */
  from?: string;
  fed?: readonly number[];
  ripe?: number;
  looks?: readonly Look[];
  /** Days ago and ml. */
  harvests?: readonly (readonly [number, number])[];
  ended?: { daysAgo: number; how: 'crashed' | 'thrown' | 'emptied' };
  cystsG?: number;
}

/** Told in order: who was started from whom comes after that one. */
const CULTURES: readonly TellCulture[] = [
  {
    food: 'vinegarEel',
    name: 'Vinegar eels 1',
    daysAgo: 70,
    place: 'top of rack C',
    fed: [40, 12],
    ripe: 44,
    looks: [
      [44, 3, 'haze'],
      [20, 4, 'haze'],
      [6, 4, 'haze'],
    ],
  },
  {
    food: 'daphnia',
    name: 'Daphnia 1',
    daysAgo: 60,
    tank: 'Y1',
    fed: [20, 9, 3],
    ripe: 38,
    vesselL: 200,
    looks: [[9, 3, 'dancing']],
  },
  {
    food: 'grindal',
    name: 'Grindal worms 1',
    daysAgo: 52,
    place: 'drawer under rack B',
    fed: [11, 8, 5, 2],
    ripe: 30,
    looks: [
      [24, 3, 'climbing'],
      [14, 4, 'climbing'],
      [5, 3, 'climbing'],
    ],
    harvests: [
      [14, 4],
      [9, 5],
      [4, 4],
    ],
  },
  {
    food: 'grindal',
    name: 'Grindal worms 2',
    daysAgo: 41,
    place: 'drawer under rack B',
    from: 'Grindal worms 1',
    fed: [16, 15, 14, 13],
    ripe: 20,
    looks: [
      [17, 3, 'climbing'],
      [9, 1, 'foul', 'clumping'],
    ],
    ended: { daysAgo: 8, how: 'crashed' },
  },
  {
    food: 'microworm',
    name: 'Microworms 1',
    daysAgo: 31,
    place: 'bench',
    fed: [16, 9],
    ripe: 26,
    looks: [
      [24, 4, 'climbing', 'sour'],
      [12, 3, 'climbing'],
      [4, 2, 'clumping', 'mites'],
    ],
    harvests: [
      [22, 3],
      [18, 3],
      [14, 3],
    ],
  },
  {
    food: 'microworm',
    name: 'Microworms 2',
    daysAgo: 12,
    place: 'bench',
    from: 'Microworms 1',
    fed: [5],
    ripe: 8,
    looks: [
      [9, 2, 'climbing'],
      [6, 3, 'climbing', 'sour'],
      [2, 4, 'climbing', 'sour'],
    ],
    harvests: [
      [5, 2],
      [3, 2],
      [1, 2.5],
    ],
  },
  {
    food: 'paramecium',
    name: 'Paramecium 1',
    daysAgo: 9,
    tank: 'C1.2',
    vesselL: 4,
    fed: [3],
    looks: [
      [4, 1, 'clear'],
      [1, 2, 'haze'],
    ],
  },
  { food: 'infusoria', name: 'Infusoria 1', daysAgo: 3, place: 'window sill', vesselL: 5, looks: [[1, 1, 'cloudy']] },
  { food: 'brineShrimp', name: 'Brine shrimp 1', daysAgo: 2, cystsG: 1 },
  { food: 'brineShrimp', name: 'Brine shrimp 2', daysAgo: 1, cystsG: 1 },
];

/** Earlier hatches that were counted: days ago, grams, and drops of each. */
const COUNTED: readonly (readonly [number, number, readonly number[]])[] = [
  [26, 0.5, [36, 41, 38]],
  [19, 0.5, [33, 39, 37]],
  [11, 0.6, [44, 40, 47]],
  [6, 0.6, [41, 45, 39]],
];
const STRAINED_ML = 100;

const SHELF = [
  { kind: 'cysts', name: 'Cysts, spring tin', food: null, openedDaysAgo: 58, amount: 50, priceCents: 2400, boughtDaysAgo: 60 },
  { kind: 'dry', name: 'Fine powder', food: 'finePowder', openedDaysAgo: 140, amount: 40, priceCents: 900, boughtDaysAgo: 150 },
  {
    kind: 'dry',
    name: 'Crushed flakes',
    food: 'crushedDry',
    openedDaysAgo: 30,
    amount: 200,
    priceCents: 1100,
    boughtDaysAgo: 33,
  },
  { kind: 'dry', name: 'Small pellets', food: 'pellets', openedDaysAgo: 75, amount: 500, priceCents: 1600, boughtDaysAgo: 80 },
  { kind: 'dry', name: 'Leaf wafers', food: 'wafers', openedDaysAgo: null, amount: 250, priceCents: 1200, boughtDaysAgo: 20 },
  {
    kind: 'frozen',
    name: 'Bloodworm slabs',
    food: 'bloodworm',
    openedDaysAgo: 25,
    amount: 500,
    priceCents: 1400,
    boughtDaysAgo: 25,
  },
  {
    kind: 'salt',
    name: 'Salt without additives',
    food: null,
    openedDaysAgo: 120,
    amount: 2000,
    priceCents: 200,
    boughtDaysAgo: 120,
  },
  {
    kind: 'dye',
    name: 'Blue dye, half a per cent',
    food: null,
    openedDaysAgo: 90,
    amount: 100,
    priceCents: 700,
    boughtDaysAgo: 95,
  },
] as const;

/** Cultures with what was seen of each, the tins they are fed from, own measures, meals that were looked at, and a pest. */
export function tellLarder(story: Story, tankId: (code: string) => string): void {
  const tinId = tellShelf(story);
  const ids = new Map<string, string>();
  for (const culture of CULTURES) {
    const startedAt = story.daysAgo(culture.daysAgo, '17:40');
    const cultureId = story.newId(startedAt);
    ids.set(culture.name, cultureId);
    const { food, name, cystsG } = culture;
    story.write(startedAt, 'addCulture', {
      id: story.newId(startedAt),
      cultureId,
      food,
      name,
      tankId: culture.tank ? tankId(culture.tank) : null,
      startedAt,
      place: culture.place ?? null,
      vesselL: culture.vesselL ?? null,
      tempC: culture.tempC ?? null,
      fromId: culture.from ? (ids.get(culture.from) ?? null) : null,
      hatch: cystsG === undefined ? null : { cystsG, litres: 1, saltG: 25, lit: true, tinId },
    });
    const event = (
      daysAgo: number,
      time: string,
      more: { kind: 'fed' | 'ripe' | 'looked' | 'harvested' | 'ended' } & Record<string, unknown>,
    ) => {
      const at = story.daysAgo(daysAgo, time);
      story.write(at, 'cultureEvent', { id: story.newId(at), cultureId, at, ...more });
    };
    if (culture.ripe !== undefined) event(culture.ripe, '07:50', { kind: 'ripe' });
    for (const day of culture.fed ?? []) event(day, '07:50', { kind: 'fed' });
    for (const [day, density, ...signs] of culture.looks ?? []) event(day, '07:55', { kind: 'looked', density, signs });
    for (const [day, ml] of culture.harvests ?? []) event(day, '08:00', { kind: 'harvested', ml });
    if (culture.ended) event(culture.ended.daysAgo, '18:20', { kind: 'ended', ended: culture.ended.how });
  }
  tellHatches(story, tinId);
  const seenAt = story.daysAgo(5, '08:10');
  const seen = { pest: 'hydra', tankId: tankId('A1.2'), cultureId: null, cameBy: 'moss from a friend' } as const;
  story.write(seenAt, 'seePest', { id: story.newId(seenAt), sightingId: story.newId(seenAt), ...seen, at: seenAt });
  for (const [code, daysAgo, sight] of [
    ['A1.1', 2, 'gone'],
    ['A1.1', 1, 'gone'],
    ['B1.1', 2, 'left'],
    ['A2.1', 1, 'right'],
  ] as const) {
    const at = story.daysAgo(daysAgo, '08:25');
    story.write(at, 'mealLook', { id: story.newId(at), tankId: tankId(code), sight, at });
  }
}

/** Hatches that were counted and fed: from them the share of the tin is learned. */
function tellHatches(story: Story, tinId: string): void {
  for (const [i, [daysAgo, cystsG, counts]] of COUNTED.entries()) {
    const startedAt = story.daysAgo(daysAgo, '08:05');
    const cultureId = story.newId(startedAt);
    story.write(startedAt, 'addCulture', {
      id: story.newId(startedAt),
      cultureId,
      food: 'brineShrimp',
      name: `Counted hatch ${i + 1}`,
      tankId: null,
      startedAt,
      hatch: { cystsG, litres: 1, saltG: 25, lit: true, tinId },
    });
    const at = story.daysAgo(daysAgo - 1, '13:30');
    const drops = { counts: [...counts], ml: STRAINED_ML, perMl: 20 };
    story.write(at, 'cultureEvent', { id: story.newId(at), cultureId, kind: 'counted', at, drops });
    story.write(at, 'cultureEvent', { id: story.newId(at), cultureId, kind: 'harvested', at, ml: STRAINED_ML });
  }
}

/** The shelf and two measures of the keeper's own. @returns the tin that hatches are set from */
function tellShelf(story: Story): string {
  let tin = '';
  for (const { boughtDaysAgo, openedDaysAgo, ...item } of SHELF) {
    const at = story.daysAgo(boughtDaysAgo, '12:00');
    const itemId = story.newId(at);
    if (item.kind === 'cysts') tin = itemId;
    story.write(at, 'addShelfItem', { id: story.newId(at), itemId, ...item, openedOn: null, goodUntil: null, at });
    if (openedDaysAgo !== null) {
      const openedAt = story.daysAgo(openedDaysAgo, '12:10');
      story.write(openedAt, 'shelfEvent', { id: story.newId(openedAt), itemId, kind: 'opened', amount: null, at: openedAt });
    }
    if (item.kind === 'cysts') {
      const weighedAt = story.daysAgo(30, '12:00');
      story.write(weighedAt, 'shelfEvent', { id: story.newId(weighedAt), itemId, kind: 'weighed', amount: 21, at: weighedAt });
    }
    if (item.name === 'Small pellets') {
      const weighedAt = story.daysAgo(10, '12:00');
      story.write(weighedAt, 'shelfEvent', { id: story.newId(weighedAt), itemId, kind: 'weighed', amount: 160, at: weighedAt });
    }
  }
  const at = story.daysAgo(40, '19:00');
  story.write(at, 'measureDose', { id: story.newId(at), dose: 'pinch', food: null, total: 0.42, of: 10, at });
  return tin;
}
