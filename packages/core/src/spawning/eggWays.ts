import type { EggCare, EggPlan, Strip } from '../species';
import type { FungusSchool } from './schools';

/** A way of keeping eggs: what is made ready, what changes as they come along, what goes wrong with it. */
export interface EggWay {
  /** What the choice changes in the plan. */
  effect: string;
  /** Eggs lie in a box or tumbler of their own: only there is water changed daily and white eggs are picked. */
  areApart: boolean;
  /** What they lie in then; null where they stay. */
  vessel: 'eggBox' | 'tumbler' | null;
  /** What keeps fungus off where nobody chose. */
  againstFungus: FungusSchool;
  /** How carried eggs are taken from their mother for it; null where she keeps them. */
  strip: { share: keyof Strip; text: string; why: string } | null;
  setUp: readonly string[];
  care: readonly EggCare[];
  atHatch: readonly string[];
  hazards: readonly string[];
}

/** Every way there is; a new one is a record here and its name among `EGG_PLANS`. */
export const EGG_WAYS: Readonly<Record<EggPlan, EggWay>> = {
  leaveWithParents: {
    effect: 'No egg chores; you look from a distance.',
    areApart: false,
    vessel: null,
    againstFungus: 'flow',
    strip: null,
    setUp: ['Cover the front, keep hands out, and feed the parents lightly, away from the eggs.'],
    care: [],
    atHatch: ['Guards may carry the wrigglers to another pit or leaf: look before you think them lost.'],
    hazards: ['A first-time parent may eat or kick out eggs: it often learns within two or three spawnings.'],
  },
  removeParents: {
    effect: 'Taking the adults out is on your walk that day.',
    areApart: false,
    vessel: null,
    againstFungus: 'flow',
    strip: null,
    setUp: ['A tank is ready for the adults to go back to.', 'Sponge filter only, a gentle stone beside the eggs.'],
    care: [],
    atHatch: ['Leave the site in until all have left it; wrigglers hang on to it.'],
    hazards: ['With no parent to fan them, eggs in still water go white. Let a few bubbles rise beside them.'],
  },
  pullEggs: {
    effect: 'White eggs are picked and water is changed daily.',
    areApart: true,
    vessel: 'eggBox',
    againstFungus: 'leaves',
    strip: {
      share: 'pullEggs',
      text: 'Take the fry from her into a nursery tank',
      why: 'The recipe takes the young late, when little yolk is left: they swim at once, and she eats again sooner. Or let her hold.',
    },
    setUp: [
      'Box with water of the same tank, same warmth, no gravel.',
      'An air-stone beside the eggs, never under them.',
      'Write down which box: slits and corners lose eggs and young.',
    ],
    care: [
      {
        on: 'laid',
        text: 'Air-stone beside the eggs',
        why: 'Bubbles stand in for the guard’s fins: eggs that move a little stay clean.',
      },
    ],
    atHatch: ['Don’t change half the water in one go; a cup at a time until they swim.'],
    hazards: ['Eggs fall through slits in a net box, and fungus spreads where they lie in a heap.'],
  },
  tumbler: {
    effect: 'Watch the flow: higher before the hatch, lower as tails appear.',
    areApart: true,
    vessel: 'tumbler',
    againstFungus: 'flow',
    strip: {
      share: 'tumbler',
      text: 'Take the eggs from her and put them in the tumbler',
      why: 'The recipe takes the eggs early: nearly all are saved, and the tumbler has to be watched day and night. Or let her hold.',
    },
    setUp: [
      'Tumbler in the parents’ water, air or flow from below.',
      'Just enough flow that every egg rolls and none hits the wall.',
    ],
    care: [
      {
        on: 'laid',
        text: 'Set the tumbler: every egg rolls, none hits the wall',
        why: 'Eggs that lie still grow fungus; eggs thrown about break.',
      },
      { on: 'beforeHatch', text: 'A little more flow through the tumbler', why: 'Moving water helps them out of the shell.' },
      { on: 'hatched', text: 'Less flow as tails show; shells out', why: 'Wrigglers that are thrown about lose their yolk sac.' },
    ],
    atHatch: ['Flow down as tails show, then out of the tumbler before they swim.'],
    hazards: ['A stopped pump kills the clutch in hours: look at it first thing and last thing.'],
  },
};
