import { EGG_WAYS } from '@freshet/core/spawning';

/** What a choice changes in the plan, by what is chosen; nothing where it changes no chore by itself. */
export const SCHOOL_EFFECTS: Readonly<Record<string, string | undefined>> = {
  ...Object.fromEntries(Object.entries(EGG_WAYS).map(([plan, { effect }]) => [plan, effect])),
  dye: 'Half the water daily, dye topped up for the new water, cleared after the hatch.',
  leaves: 'No dose; leaves go in before the eggs.',
  flow: 'No dose; an air-stone and clean glass.',
};
