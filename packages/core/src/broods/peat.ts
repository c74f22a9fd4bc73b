import { chore, tick, type Bar, BAR_RANK, type Chore, type PlacedChore } from '../agenda';
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

/** What a collecting of peat is logged as, and how often it is asked for, days. */
const PEAT = 'peat for eggs';
const COLLECT_DAYS = 7;

/** Where those whose eggs rest in peat are together, the peat is lifted out weekly, so that a bag is of one age. */
export function collectChores(view: BroodsView, day: Day): PlacedChore[] {
  return [...view.attempts.values()].flatMap((attempt) => {
    const { id, tankId, from, to, parentLotIds } = attempt;
    const isOpen = from <= day && (to === null || to >= day);
    const layHere = (view.lotsByTank.get(tankId) ?? []).some((lot) => parentLotIds.includes(lot.id));
    if (!view.species.get(attempt.speciesKey)?.eggsRest || !isOpen || !layHere) return [];
    const looked = (view.room.care[tankId] ?? []).findLast(({ kind, what }) => kind === 'looked' && what === PEAT);
    const laid = view.broods.flatMap(({ brood }) => (brood.attemptId === id ? [houseDay(brood.laid.to, view.timeZone)] : []));
    const last = [from, ...laid, ...(looked ? [houseDay(looked.at, view.timeZone)] : [])].sort().at(-1) ?? from;
    const days = daysBetween(last, day);
    // What was ticked today stands there as done.
    if (days !== 0 && days < COLLECT_DAYS) return [];
    if (days === 0 && !looked) return [];
    return [
      {
        tankId,
        chore: chore(BROODS_CHORES.collectPeat, {
          subject: id,
          day,
          text: 'Lift the peat out and look for eggs',
          amountText: `last ${formatDay(last, view.today)}`,
          overdue: days > COLLECT_DAYS,
          why: [
            'Weekly, so that the eggs of one bag are of one age. Squeeze it over a net and look with a lamp.',
            'Eggs in it? Log them with Eggs or young on the tank, then bag the peat. None? Put it back and tick this.',
          ],
          tick: tick('looked', tankId, PEAT),
        }),
      },
    ];
  });
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
