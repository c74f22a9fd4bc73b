import { chore, tick, type Chore } from '../agenda';
import { DYE_CAUTION, doseAfterChange, heaterCaution, VESSEL_RULES, type RoomTank } from '../room';
import { EGG_WAYS } from '../spawning';
import { methodOf, type EggCare } from '../species';
import { addDays, daysBetween, houseDay, type Day } from '../time';
import { formatNumber } from '../units';
import { BROODS_CHORES } from './choreKinds';
import { changesToTrace, leafDose, LITRES_PER_CONE, LITRES_PER_LEAF } from './eggPlans';
import type { BroodsView, ReadBrood } from './facts';
import { freeVessels, holdsOnlyYoung, residentsOf } from './residents';
import { lieOpen } from './stripping';

/** A box that loses a cup at a time, L, and the cup. */
const SMALL_BOX_L = 5;
const CUP_L = 0.25;

/** Whether eggs are to lie by themselves. */
const areToBeApart = (read: ReadBrood, tank: RoomTank): boolean =>
  read.keeping !== null && EGG_WAYS[read.keeping.plan].areApart && !tank.outdoor && lieOpen(read);

/** Whether eggs were taken into a box or tumbler of their own: only there is water changed daily and white eggs are picked. */
export const isBoxed = (read: ReadBrood, tank: RoomTank, view: BroodsView): boolean =>
  areToBeApart(read, tank) && holdsOnlyYoung(view, tank.id);

/** Eggs that are to lie by themselves and are still with the adults: first of all they are taken out. */
export function boxEggsChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, keeping, species, state } = read;
  if (!keeping || state.stage !== 'eggs' || !areToBeApart(read, tank) || isBoxed(read, tank, view)) return [];
  const { vessel } = EGG_WAYS[keeping.plan];
  const words = vessel ? VESSEL_RULES[vessel].words : 'box';
  const [free, ...others] = vessel ? freeVessels(view, [vessel]) : [];
  const only = others.length === 0 ? free : undefined;
  return [
    chore(BROODS_CHORES.boxEggs, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: species.eggSite === 'mop' ? `Take the eggs on the mop into an ${words}` : `Take the eggs out into an ${words}`,
      amountText: free ? [free, ...others].map(({ code }) => code).join(' or ') : 'none is free: set one up',
      overdue: begunOn(read, view) < day,
      why: [
        'They were to lie by themselves, and the adults eat them. No care is asked for them in there.',
        only
          ? `Ticking logs the move to ${only.code}. For another box use Send on the tank.`
          : 'Log it with Send on the tank; new boxes are set up under Room.',
      ],
      tick: only ? tick('boxed', brood.id, only.id) : null,
    }),
  ];
}

/** From which day eggs are kept as they are: since it was changed, or since they were laid. */
const begunOn = ({ brood, keeping }: ReadBrood, view: BroodsView): Day =>
  houseDay(keeping?.since ?? brood.laid.to, view.timeZone);

/** Dye for some of the water: what was changed, or on the first day what was not, so that all of it has its dose once. */
function dyeChore(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day, litres: number, isFirst: boolean): Chore {
  const [mgPerL, percent] = [read.keeping?.dyeMgPerL ?? 0, read.keeping?.dyeStockPercent ?? 1];
  const { ml } = doseAfterChange({
    tankLitres: tank.litres,
    changeFraction: litres / tank.litres,
    targetMgPerL: mgPerL,
    stock: { percentWv: percent },
  });
  const near = [tank.id, ...(tank.inTankId === null ? [] : [tank.inTankId])];
  const invertebrates = near.some((id) => residentsOf(view, id).some(({ species }) => methodOf(species).invertebrate));
  return chore(BROODS_CHORES.dye, {
    subject: `${read.brood.id}:${tank.id}${isFirst ? ':first' : ''}`,
    day,
    text: isFirst ? 'First dose of dye, for the water you didn’t change' : 'Add dye for the new water',
    amount: { value: Math.round(ml * 100) / 100, unit: 'ml' },
    amountText: `${formatNumber(ml)} ml`,
    why: [
      `${formatNumber(litres)} L × ${mgPerL} mg/L ÷ ${formatNumber(percent * 10)} mg/ml (${percent} % stock).`,
      isFirst
        ? 'After today’s change. Take carbon and sponge out first; they take out the dye, and the dye kills the filter.'
        : 'This assumes the dye was right before the change. Keep carbon and sponge out; they take out the dye, and the dye kills the filter.',
    ],
    caution: invertebrates ? `Shrimp or crayfish live here, so no dye. ${DYE_CAUTION}` : DYE_CAUTION,
    tick: tick('dyed', null, isFirst ? 'first dose' : 'for the new water'),
  });
}

/** Whether the water eggs lie in is that of a tank, which has its own changes and is not dyed. */
const hasTankWater = ({ vessel }: RoomTank): boolean => vessel !== null && VESSEL_RULES[vessel].sharesWater;

/** Water and dye of a box of eggs. */
export function boxChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, keeping, state } = read;
  if (!keeping || hasTankWater(tank) || !isBoxed(read, tank, view)) return [];
  const { dailyChangeFraction, fungus, dyeMgPerL, dyeStockPercent } = keeping;
  const dyed = fungus === 'dye' && dyeMgPerL !== null && dyeStockPercent !== null;
  const isFirst = dyed && day === begunOn(read, view);
  if (dailyChangeFraction <= 0) return isFirst ? [dyeChore(read, tank, view, day, tank.litres, true)] : [];
  const hatch = state.windows.find((window) => window.stage === 'hatch');
  const dueToday =
    hatch?.earliest != null &&
    houseDay(hatch.earliest, view.timeZone) <= day &&
    houseDay(hatch.latest ?? hatch.earliest, view.timeZone) >= day;
  // Hatchlings go with the water: on the day they are due only dye asks for a change.
  if (dueToday && !dyed) return [];
  const small = tank.litres < SMALL_BOX_L;
  const litres = small ? Math.min(CUP_L, tank.litres * dailyChangeFraction) : tank.litres * dailyChangeFraction;
  const chores = [
    chore(BROODS_CHORES.eggChange, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: small ? 'Swap a cup of water, same temperature' : 'Change water, same temperature',
      amount: { value: Math.round(litres * 100) / 100, unit: 'L' },
      amountText: `${formatNumber(litres)} L`,
      why: [
        small
          ? `A box of ${formatNumber(tank.litres)} L gets a cup at a time.`
          : `${formatNumber(dailyChangeFraction * 100)} % of ${formatNumber(tank.litres)} L, from the recipe for a box of eggs.`,
        ...(dueToday ? ['They’re about to hatch. Pour through a net and check it.'] : []),
      ],
      caution: small ? null : heaterCaution(tank),
      tick: tick('waterChange', tank.id),
    }),
  ];
  if (!dyed) return chores;
  chores.push(dyeChore(read, tank, view, day, litres, false));
  return isFirst ? [...chores, dyeChore(read, tank, view, day, tank.litres - litres, true)] : chores;
}

/** After the hatch the dye goes out: as many changes as leave a trace. */
export function clearChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, keeping } = read;
  if (!brood.hatched || keeping?.fungus !== 'dye' || !keeping.dyeMgPerL || hasTankWater(tank) || !isBoxed(read, tank, view))
    return [];
  const share = Math.min(0.5, keeping.dailyChangeFraction || 0.5);
  const changes = changesToTrace(share);
  const gone = daysBetween(houseDay(brood.hatched.to, view.timeZone), day);
  if (gone < 0 || gone >= changes) return [];
  const litres = tank.litres * share;
  const left = (1 - share) ** (gone + 1);
  return [
    chore(BROODS_CHORES.clearDye, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: 'Change water to clear the dye, same temperature',
      amount: { value: Math.round(litres * 100) / 100, unit: 'L' },
      amountText: `${formatNumber(litres)} L, ${gone + 1} of ${changes}`,
      why: [
        `Fry don’t need dye. After this change about ${formatNumber(left * 100)} % is left, after the last ${formatNumber(100 * (1 - share) ** changes)} %; then put the carbon back.`,
      ],
      tick: tick('waterChange', tank.id),
    }),
  ];
}

/** What the method and the egg plan ask for once: shade, an air-stone, a lid, the tumbler's flow. */
export function methodChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, species, state, keeping } = read;
  const dayOf = (at: string) => houseDay(at, view.timeZone);
  const hatch = state.windows.find((window) => window.stage === 'hatch')?.earliest;
  const laid = dayOf(brood.laid.to);
  const on = {
    laid,
    beforeHatch: hatch && !brood.hatched ? addDays(dayOf(hatch), -1) : null,
    hatched: brood.hatched ? dayOf(brood.hatched.to) : null,
    swimming: brood.freeSwimming ? dayOf(brood.freeSwimming.to) : null,
  };
  // A plan that was changed begins on that day.
  const own = { ...on, laid: begunOn(read, view) };
  const byPlan = keeping && species.start === 'laid' && !species.eggsRest ? EGG_WAYS[keeping.plan].care : [];
  const due = (care: EggCare, from: string, days: typeof on) =>
    days[care.on] === day
      ? [
          chore(BROODS_CHORES.eggCare, {
            subject: `${brood.id}:${tank.id}:${from}${care.on}`,
            day,
            text: care.text,
            why: [
              care.why,
              from ? 'That’s how this way of keeping eggs works.' : `That’s how this method works: ${species.eggPlan}`,
            ],
          }),
        ]
      : [];
  return [
    ...species.eggCare.flatMap((care) => due(care, '', on)),
    ...byPlan.flatMap((care) => due(care, 'plan:', own)),
    ...leafChores(read, tank, own.laid, day),
  ];
}

const LEAF_DAYS = 7;
/** Leaves or cones, and their renewal. */
function leafChores(read: ReadBrood, tank: RoomTank, begun: Day, day: Day): Chore[] {
  const { brood, keeping, state, species } = read;
  if (!keeping || species.start !== 'laid' || species.eggsRest || state.stage !== 'eggs' || tank.outdoor) return [];
  const since = daysBetween(begun, day);
  if (keeping.fungus === 'leaves' && since >= 0 && since % LEAF_DAYS === 0) {
    const { cones, leaves } = leafDose(tank.litres);
    return [
      chore(BROODS_CHORES.eggCare, {
        subject: `${brood.id}:${tank.id}:leaves`,
        day,
        text: since === 0 ? 'Add leaves or alder cones to the eggs' : 'Swap the leaves or cones',
        amountText: `${cones} ${cones === 1 ? 'cone' : 'cones'} or ${leaves} ${leaves === 1 ? 'leaf' : 'leaves'}`,
        why: [
          `One alder cone to ${LITRES_PER_CONE} L or one dried leaf to ${LITRES_PER_LEAF} L, of ${formatNumber(tank.litres)} L. Many keepers do it; nobody has shown it beats clean water.`,
        ],
      }),
    ];
  }
  return [];
}
