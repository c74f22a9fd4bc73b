import type { FungusSchool, Recipe } from '../spawning';
import type { EggPlan, ResolvedSpecies } from '../species';
import type { Instant } from '../time';
import type { EggKeeping } from './keeping';
import type { BroodMovement } from './describeBrood';

/** What is done for the chosen way against fungus; amounts by the litres are worked out by `leafDose` and the dye's sum. */
export const FUNGUS_CARE: Readonly<Record<FungusSchool, string>> = {
  dye: 'Dye topped up after each change, carbon and sponge out, none of it with shrimp or crayfish; cleared after the hatch.',
  leaves: 'A leaf or some alder cones, swapped weekly. The water can go tea-coloured.',
  flow: 'Pick white ones daily, an air stone beside the rest, a clean floor.',
};

export const LITRES_PER_CONE = 10;
export const LITRES_PER_LEAF = 40;
/** Alder cones, or dried leaves, for some litres. General habit; docs/sources.md#eggs */
export const leafDose = (litres: number): { cones: number; leaves: number } => ({
  cones: Math.max(1, Math.round(litres / LITRES_PER_CONE)),
  leaves: Math.max(1, Math.round(litres / LITRES_PER_LEAF)),
});

/** Below this share a dye is a trace. */
const TRACE = 0.05;
/** Changes of a share of the water until a dye is a trace. @param share - of the water changed each time, above 0 and below 1 */
export const changesToTrace = (share: number): number => Math.ceil(Math.log(TRACE) / Math.log(1 - share));

/** How a recipe keeps eggs. */
export const keepingOf = (recipe: Recipe): EggKeeping => ({
  plan: recipe.eggPlan,
  fungus: recipe.fungus,
  dyeMgPerL: recipe.dyeMgPerL,
  dyeStockPercent: recipe.dyeStockPercent,
  dailyChangeFraction: recipe.dailyChangeFraction,
  container: null,
  since: null,
  why: null,
});

/** What calls for another way of keeping. */
export type EggTrouble = 'kickedOut' | 'eaten' | 'fungus';

/** Another way to go on with a clutch. */
export interface FallBack {
  trouble: EggTrouble;
  /** What was seen, with its number. */
  seen: string;
  label: string;
  why: string;
  /** Null: nothing changes, they are left to learn. */
  to: { plan: EggPlan; fungus: FungusSchool } | null;
}

const FALL_BACKS: readonly {
  trouble: EggTrouble;
  from: readonly EggPlan[];
  label: string;
  why: string;
  plan?: EggPlan;
  fungus?: FungusSchool;
  learns?: boolean;
}[] = [
  {
    trouble: 'kickedOut',
    from: ['leaveWithParents'],
    label: 'Pull the rest to a tumbler',
    why: 'A parent that throws some out often throws all out by morning.',
    plan: 'tumbler',
  },
  {
    trouble: 'kickedOut',
    from: ['leaveWithParents'],
    label: 'Pull the rest to a box',
    why: 'The same without a tumbler. Watch for fungus.',
    plan: 'pullEggs',
  },
  {
    trouble: 'eaten',
    from: ['leaveWithParents', 'removeParents'],
    label: 'Pull what is left to a box',
    why: 'Once a fish starts eating eggs it goes on.',
    plan: 'pullEggs',
  },
  {
    trouble: 'eaten',
    from: ['leaveWithParents'],
    label: 'Take the parents out',
    why: 'Leave the eggs where they are; the egg eaters go.',
    plan: 'removeParents',
  },
  {
    trouble: 'eaten',
    from: ['leaveWithParents'],
    label: 'Let them learn',
    why: 'First-time parents often get it right at the second or third spawning.',
    learns: true,
  },
  {
    trouble: 'kickedOut',
    from: ['leaveWithParents'],
    label: 'Let him learn',
    why: 'A young father throws out white eggs too. That’s his job.',
    learns: true,
  },
  {
    trouble: 'fungus',
    from: ['pullEggs', 'tumbler', 'removeParents'],
    label: 'Dye them',
    why: 'Slows fungus from egg to egg. Not with shrimp, crayfish or snails.',
    fungus: 'dye',
  },
  {
    trouble: 'fungus',
    from: ['pullEggs', 'removeParents'],
    label: 'More flow, and pick twice a day',
    why: 'Keep the water moving and no white egg next to a good one.',
    fungus: 'flow',
  },
  {
    trouble: 'fungus',
    from: ['pullEggs'],
    label: 'Move them to a tumbler',
    why: 'Eggs that roll don’t stick together.',
    plan: 'tumbler',
  },
];

/** What of a clutch was lost over the last days, and of how many. */
export interface EggLosses {
  kickedOut: number;
  eaten: number;
  white: number;
  laid: number;
}

const RECENT_MS = 3 * 86_400_000;
/** White eggs of a few days are fungus that spreads from this share of the clutch on, and from this many. General habit. */
const SPREADS = { share: 0.08, count: 3 };

/** What was booked of a clutch over the last three days. */
export function recentEggLosses(movements: readonly BroodMovement[], now: Instant): EggLosses {
  const since = new Date(Date.parse(now) - RECENT_MS).toISOString();
  const heads = (pick: (one: BroodMovement) => boolean) =>
    movements.filter(pick).reduce((sum, one) => sum + one.males + one.females + one.unsexed, 0);
  const lost = (cause: BroodMovement['cause']) =>
    heads((one) => one.cause === cause && one.fromLotId !== null && one.toLotId === null && one.at.to >= since);
  return {
    kickedOut: lost('kickedOut'),
    eaten: lost('eaten'),
    white: lost('infertile'),
    laid: heads(({ cause }) => cause === 'birth'),
  };
}

/**
 * Other ways to go on with a clutch, where what was lost over the last days calls for one; none for eggs that are carried, lie in peat, or
 * have hatched. A change made since the loss was its answer.
 */
export function fallBacks(
  keeping: EggKeeping,
  species: Pick<ResolvedSpecies, 'start' | 'eggsRest' | 'guards'>,
  losses: EggLosses,
): FallBack[] {
  if (species.start !== 'laid' || species.eggsRest) return [];
  const spreads = losses.white >= SPREADS.count && losses.white >= SPREADS.share * losses.laid;
  const seen: Record<EggTrouble, string | null> = {
    kickedOut: losses.kickedOut > 0 ? `${losses.kickedOut} kicked out` : null,
    eaten: losses.eaten > 0 ? `${losses.eaten} eaten` : null,
    fungus: spreads ? `${losses.white} of ${losses.laid} white within three days` : null,
  };
  return FALL_BACKS.flatMap(({ trouble, from, label, why, plan, fungus, learns }) => {
    const told = seen[trouble];
    if (told === null || !from.includes(keeping.plan) || (learns && species.guards === 'nobody')) return [];
    const to = { plan: plan ?? keeping.plan, fungus: fungus ?? keeping.fungus };
    if (!learns && to.plan === keeping.plan && to.fungus === keeping.fungus) return [];
    return [{ trouble, seen: told, label, why, to: learns ? null : to }];
  });
}
