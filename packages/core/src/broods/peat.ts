import { chore, type Bar, BAR_RANK, type Chore } from '../agenda';
import { type ResolvedSpecies } from '../species';
import { addDays, daysBetween, formatDay, formatDayRange, houseDay, type Day } from '../time';
import { BROODS_CHORES } from './choreKinds';
import type { BroodFacts } from './describeBrood';
import { isResting, type BroodsView, type ReadBrood } from './facts';

const PEAT_LOOK_DAYS = 7;
/** What did not hatch rests so long before it is wetted again. General habit. */
export const SECOND_WETTING_DAYS = 28;

/** Eggs are past hatching after this multiple of their longest rest. A guess. */
const PAST = 1.25;

/** Within which days a bag may be wetted, from laying and the rest its species needs, and after which the eggs are past it. */
export function wettingDays(
  facts: Pick<BroodFacts, 'laid'>,
  { figures }: Pick<ResolvedSpecies, 'figures'>,
  timeZone: string,
): { from: Day; to: Day; goodUntil: Day } {
  const laid = houseDay(facts.laid.from, timeZone);
  const last = houseDay(facts.laid.to, timeZone);
  const [least, most] = figures.hatch?.days ?? [0, 0];
  return {
    from: addDays(last, Math.ceil(least)),
    to: addDays(laid, Math.floor(most)),
    goodUntil: addDays(laid, Math.floor(most * PAST)),
  };
}

/** "N3, linen shelf", or what it is called without a label. */
const bagWords = ({ brood }: ReadBrood): string =>
  brood.peat ? [brood.peat.label, brood.peat.place].filter(Boolean).join(', ') : 'the peat';

/** Eggs in damp peat are left alone but for a weekly look; on its day the bag is wetted. */
export function peatChores(read: ReadBrood, tankId: string, view: BroodsView, day: Day): Chore[] {
  const { brood, state, species } = read;
  const days = wettingDays(brood, species, view.timeZone);
  const wetOn = brood.peat?.wetOn ?? days.from;
  const due: Chore[] = [];
  if (!brood.peat)
    due.push(
      chore(BROODS_CHORES.bagPeat, {
        subject: `${brood.id}:${tankId}`,
        day,
        text: 'Bag the peat: squeeze it and label the bag',
        amountText: 'one bag per spawning',
        why: [
          'The adults dig in it and eat eggs. Squeeze until it stops dripping; loosen it in the bag so the eggs get air.',
          'Log it on the brood’s page: label, place, and the day to wet it.',
        ],
      }),
    );
  if (day >= wetOn)
    return [
      ...due,
      chore(BROODS_CHORES.wetPeat, {
        subject: `${brood.id}:${tankId}`,
        day,
        text: `Wet ${bagWords(read)}`,
        amountText: day > wetOn ? `was for ${formatDay(wetOn, view.today)}` : 'cool soft water, a few cm',
        overdue: day > days.goodUntil,
        why: [
          `Rested ${daysBetween(houseDay(brood.laid.from, view.timeZone), day)} days; can be wetted ${formatDayRange(days.from, days.to, view.today)}, good until about ${formatDay(days.goodUntil, view.today)}.`,
          'Check some eggs first; eyes with a gold ring are ready. Shallow water at 16 to 18 °C, peat sunk. Fry come within hours to two days.',
          'Eggs left over go back into damp peat for a second wetting. Log it on the brood’s page.',
        ],
      }),
    ];
  if (state.ageDays % PEAT_LOOK_DAYS === 0)
    due.push(
      chore(BROODS_CHORES.peatCheck, {
        subject: `${brood.id}:${tankId}`,
        day,
        text: `Is ${bagWords(read)} damp, not wet?`,
        amountText: 'squeeze it: no drips',
        why: [
          'Eggs rest in peat for weeks. Too wet and they rot, too dry and they shrink. Look weekly and note eyed eggs.',
          `To be wetted ${formatDay(wetOn, view.today)}.`,
        ],
      }),
    );
  return due;
}

/** The wetting of a bag on the Horizon. */
export function peatBars(read: ReadBrood, view: BroodsView): Bar[] {
  const { brood, species } = read;
  if (!isResting(read)) return [];
  const { from, to } = wettingDays(brood, species, view.timeZone);
  const day = brood.peat?.wetOn ?? from;
  return [
    {
      key: `${brood.id}:wetting`,
      kind: 'eggs',
      rank: BAR_RANK.hatch,
      from: day < view.today ? view.today : day,
      to: brood.peat ? (day < view.today ? view.today : day) : to < view.today ? view.today : to,
      label: `wet ${bagWords(read)}`,
      predicted: !brood.peat,
      urgent: day < view.today,
      subject: { kind: 'brood', id: brood.id },
    },
  ];
}
