import type { EggPlan, FungusSchool, TriggerSchool } from '@freshet/core/spawning';

/** The schools in the keeper's words; each is a choice of the recipe. */
export const SCHOOL_WORDS = {
  eggPlan: {
    leaveWithParents: 'Leave them with the parents',
    removeParents: 'Take the parents out',
    pullEggs: 'Pull the eggs to a box',
    tumbler: 'Tumbler',
  } satisfies Record<EggPlan, string>,
  fungus: { dye: 'Dye', leaves: 'Leaves and alder cones', flow: 'Flow and cleanliness alone' } satisfies Record<
    FungusSchool,
    string
  >,
  trigger: {
    coolChange: 'Cool change, like rain',
    warm: 'Warmer',
    stable: 'Keep it stable and wait',
    dawnLightAndFood: 'Light and food at dawn',
    season: 'Wait for the season',
  } satisfies Record<TriggerSchool, string>,
};

/** What a choice changes in the plan. */
export const SCHOOL_EFFECTS: Partial<Record<EggPlan | FungusSchool | TriggerSchool, string>> = {
  leaveWithParents: 'No egg chores; you look from a distance.',
  removeParents: 'The round asks to take the adults out the same day.',
  pullEggs: 'White eggs are picked and water is changed daily.',
  tumbler: 'Watch the flow: higher before the hatch, lower as tails appear.',
  dye: 'Half the water daily, dye topped up for the new water, cleared after the hatch.',
  leaves: 'No dose; leaves go in before the eggs.',
  flow: 'No dose; an air-stone and clean glass.',
};
