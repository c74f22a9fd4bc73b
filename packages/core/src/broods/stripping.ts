import { chore, tick, type Chore } from '../agenda';
import type { RoomTank } from '../room';
import { addDays, daysBetween, formatDayRange, houseDay, middleOf, type Day } from '../time';
import { BROODS_CHORES } from './choreKinds';
import type { BroodsView, ReadBrood } from './facts';
import { residentsOf } from './residents';

/** What is done for a holder before she would let go by herself, by the recipe's plan for the eggs. */
type Way = 'tumbler' | 'pullEggs' | 'apart';

const CAUTION =
  'Only by a hand that was shown it: wet fingers, seconds and not minutes out of the water. Too early they die, and she may be hurt.';
const WORDS: Record<Way, { text: string; why: string }> = {
  tumbler: {
    text: 'Strip her, the eggs into the tumbler',
    why: 'The recipe takes the eggs early: nearly all are saved, and the tumbler has to be watched day and night. Or let her hold.',
  },
  pullEggs: {
    text: 'Strip her into a nursery of their own',
    why: 'The recipe takes the young late, when little yolk is left: they swim at once, and she eats again sooner. Or let her hold.',
  },
  apart: {
    text: 'Set the holder apart, in a quiet tank with cover',
    why: 'The others pick up what she lets go. Moved at dusk, in a bowl and not in a net: chased, she spits or swallows them.',
  },
};

/** From when until when it may be done; null where nothing tells when she lets go. */
function windowOf({ brood, species, state }: ReadBrood, way: Way, view: BroodsView): { from: Day; to: Day } | null {
  const release = state.windows.find(({ stage }) => stage === 'hatch');
  const share = species.strip?.[way];
  if (share === undefined || !release?.earliest) return null;
  const dayOf = (at: string) => houseDay(at, view.timeZone);
  const laid = dayOf(middleOf(brood.laid));
  const earliest = dayOf(release.earliest);
  return {
    from: addDays(laid, Math.ceil(share * daysBetween(laid, earliest))),
    to: way === 'apart' ? earliest : dayOf(release.latest ?? release.earliest),
  };
}

/** Whether eggs that were carried lie by themselves: they were taken from their mother. */
export const isStripped = ({ brood }: Pick<ReadBrood, 'brood'>): boolean => (brood.stripped ?? null) !== null;

/** Whether eggs lie by themselves, to be seen and handled: they were laid, or taken from the mother that carried them. */
export const lieOpen = ({ brood, species }: Pick<ReadBrood, 'brood' | 'species'>): boolean =>
  species.start === 'laid' || isStripped({ brood });

/**
 * A mouthbrooder's eggs are taken from her, early into a tumbler or late into a nursery, or she is set apart and lets them go by herself: as
 * the recipe says. Source: docs/sources.md#stripping
 */
export function stripChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, species, state, keeping } = read;
  if (!species.strip || state.stage !== 'eggs' || isStripped(read)) return [];
  const way: Way = keeping?.plan === 'tumbler' || keeping?.plan === 'pullEggs' ? keeping.plan : 'apart';
  const window = windowOf(read, way, view);
  if (!window || day < window.from || day > window.to) return [];
  const grown = residentsOf(view, tank.id)
    .filter(({ brood: own, isYoung }) => own === null && !isYoung)
    .reduce((sum, { heads }) => sum + heads, 0);
  // Alone she may let go where she is.
  if (way === 'apart' && grown < 2) return [];
  const { text, why } = WORDS[way];
  return [
    chore(way === 'apart' ? BROODS_CHORES.setApart : BROODS_CHORES.strip, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text,
      amountText: formatDayRange(window.from, window.to, view.today),
      why: [why, 'The days follow the warmth of the tank; their shares of the way are a guess of general habit.'],
      ...(way === 'apart' ? {} : { caution: CAUTION, tick: tick('stripped', brood.id) }),
    }),
  ];
}
