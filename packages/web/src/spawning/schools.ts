import {
  EGG_PLAN_WORDS,
  FUNGUS_WORDS,
  TRIGGER_WORDS,
  type EggPlan,
  type FungusSchool,
  type TriggerSchool,
} from '@freshet/core/spawning';

/** The schools in the keeper's words; each is a choice of the recipe. */
export const SCHOOL_WORDS = { eggPlan: EGG_PLAN_WORDS, fungus: FUNGUS_WORDS, trigger: TRIGGER_WORDS };

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
