import { completeRecipe, defaultRecipe } from '@freshet/core/spawning';
import type { Story } from './story';

/** What the story of growing up needs of the house. */
export interface GrowoutPlaces {
  tankId: (code: string) => string;
  /** The first lot of a brood, by the name of its attempt. */
  lotOf: (attempt: string) => string | null;
  /** Lots of the breeders, by their key. */
  stock: ReadonlyMap<string, string>;
}

/** Samples of lengths: brood, days ago, mean in mm, how many, spread. */
const SAMPLES = [
  ['Angels 8', 33, 10.5, 12, 0.13],
  ['Angels 8', 18, 14.2, 12, 0.17],
  ['Angels 8', 3, 17.1, 14, 0.2],
  ['Lemon tetra 19', 34, 10.6, 10, 0.11],
  ['Lemon tetra 19', 4, 18.4, 10, 0.12],
  ['Vittatus 4', 9, 12.4, 8, 0.12],
  ['Paradise 2', 2, 10.6, 12, 0.16],
  ['Limia 10', 6, 23.1, 10, 0.12],
] as const;
/** Fixed steps of a normal, so that a sample is the same in every run. */
const STEPS = [-1.4, -1, -0.7, -0.5, -0.3, -0.1, 0.1, 0.3, 0.5, 0.7, 1, 1.4, -0.2, 0.2];

const POND = { attempt: 'Ranchu 3', tank: 'Y2', spawned: 176, eggs: 420, drained: 64 } as const;

function tellLengths(story: Story, { lotOf }: GrowoutPlaces): void {
  for (const [brood, daysAgo, mean, count, spread] of SAMPLES) {
    const lotId = lotOf(brood);
    if (!lotId) continue;
    const at = story.daysAgo(daysAgo, '18:40');
    const lengthsMm = STEPS.slice(0, count).map((step) => Math.round(mean * (1 + 1.25 * step * spread) * 2) / 2);
    story.write(at, 'sampleLengths', { id: story.newId(at), lotId, at, method: 'graphPaper', lengthsMm });
  }
}

/** A vat that raised its young outdoors, drained before the frost: counted by class, with what was missing and what was in the net. */
function tellPond(story: Story, { tankId, stock }: GrowoutPlaces): void {
  const at = story.daysAgo(POND.spawned + 4, '19:00');
  const attemptId = story.newId(at);
  const parents = stock.get('ranchu') ?? '';
  const tank = tankId(POND.tank);
  const laid = { from: story.daysAgo(POND.spawned, '05:10'), to: story.daysAgo(POND.spawned, '06:40') };
  story.write(at, 'addAttempt', {
    id: story.newId(at),
    attemptId,
    speciesKey: 'ranchu-goldfish',
    name: POND.attempt,
    tankId: tank,
    sires: [parents],
    dams: [parents],
    from: story.day(POND.spawned + 4),
    to: story.day(POND.drained),
    conditioningFrom: null,
    setUpOn: story.day(POND.spawned + 2),
    triggerOn: null,
    recipe: completeRecipe({ ...defaultRecipe('pondGroup'), trigger: 'season' }),
    recipeRef: null,
    tags: [],
    note: 'Brushes in the vat; the young stayed out until autumn',
    override: { reason: 'the vat is theirs' },
  });
  const [broodId, lotId] = [story.newId(laid.to), story.newId(laid.to)];
  story.write(laid.to, 'addClutch', { id: story.newId(laid.to), broodId, lotId, attemptId, laid, count: POND.eggs, white: 60 });
  for (const [daysAfter, kind, counted] of [
    [5, 'hatched', 290],
    [8, 'freeSwimming', 240],
  ] as const) {
    const seen = story.daysAgo(POND.spawned - daysAfter, '18:00');
    story.write(seen, 'observe', {
      id: story.newId(seen),
      broodId,
      kind,
      at: { from: story.daysAgo(POND.spawned - daysAfter, '07:00'), to: seen },
      counted,
    });
  }
  const ended = story.daysAgo(POND.spawned - 9, '20:00');
  story.write(ended, 'endAttempt', {
    id: story.newId(ended),
    attemptId,
    outcome: 'spawned',
    on: story.day(POND.spawned - 9),
    note: null,
  });
  const drained = story.daysAgo(POND.drained, '11:20');
  const largeId = story.newId(drained);
  story.write(drained, 'sortYoung', {
    id: story.newId(drained),
    lotId,
    at: drained,
    classes: [
      { lotId: largeId, name: 'large', heads: 19, toTankId: tankId('B1.1'), lengthMm: 46 },
      { lotId: story.newId(drained), name: 'middle', heads: 34, toTankId: null, lengthMm: 37 },
    ],
    rest: 'unknown',
    drained: {
      fromC: 13.5,
      toC: 17,
      minutes: 40,
      hoseChecked: true,
      byCatch: '6 dragonfly larvae, moved to the rain butt; snails stay',
      refilled: true,
      nextOn: story.day(POND.spawned - 365),
    },
    override: { reason: 'for three days, until the auction' },
  });
  for (const [daysAgo, sold, count, to] of [
    [POND.drained - 3, largeId, 19, 'Marrow & District Fishkeepers’ auction'],
    [POND.drained - 10, lotId, 34, 'The Glass Heron'],
  ] as const) {
    const soldAt = story.daysAgo(daysAgo, '15:00');
    story.write(soldAt, 'lose', {
      id: story.newId(soldAt),
      lotId: sold,
      heads: { males: 0, females: 0, unsexed: count },
      cause: 'sale',
      at: soldAt,
      note: to,
    });
  }
}

/** Young of the torn fins looked at for faults, and a place promised. */
function tellChoices(story: Story, { tankId, lotOf }: GrowoutPlaces): void {
  const [angels, tetras] = [lotOf('Angels 8'), lotOf('Lemon tetra 19')];
  if (!angels || !tetras) return;
  const at = story.daysAgo(3, '19:10');
  story.write(at, 'selectYoung', {
    id: story.newId(at),
    lotId: angels,
    at,
    seen: 64,
    faults: { spine: 1, gillCover: 5, fins: 3, colour: 0, runt: 11, other: 0 },
    decisions: { keep: 8, sell: 38, retire: 4, giveAway: 6, end: 0 },
    note: 'Gill covers short on the side that lay on the glass',
  });
  const taken = story.daysAgo(1, '20:30');
  story.write(taken, 'takePlaces', {
    id: story.newId(taken),
    at: taken,
    moves: [{ moveId: story.newId(taken), lotId: tetras, toTankId: tankId('B3.4'), heads: 12, on: story.day(-25) }],
  });
}

/** Growing up at Saltings Shed: who was measured, one brood that is stunted, a pond drained, faults, and a place planned. */
export function tellGrowout(story: Story, places: GrowoutPlaces): void {
  tellLengths(story, places);
  tellPond(story, places);
  tellChoices(story, places);
}
