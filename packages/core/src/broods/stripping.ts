import { chore, tick, type Chore } from '../agenda';
import type { RoomTank } from '../room';
import type { Strip } from '../species';
import { EGG_WAYS } from '../spawning';
import { addDays, daysBetween, formatDayRange, houseDay, middleOf, type Day } from '../time';
import { BROODS_CHORES } from './choreKinds';
import type { BroodsView, ReadBrood } from './facts';
import { residentsOf } from './residents';

const CAUTION =
  'Only if someone has shown you how: wet fingers, seconds out of the water. Too early and the fry die, and she may be hurt.';
/** Where the recipe leaves her young to her. */
const APART = {
  text: 'Move the female carrying to a quiet tank with plants',
  why: 'The others eat what she lets go. Move her at dusk in a bowl, not a net; if chased she spits or swallows them.',
};

/** From when until when it may be done; null where nothing tells when she lets go. */
function windowOf({ brood, species, state }: ReadBrood, way: keyof Strip, view: BroodsView): { from: Day; to: Day } | null {
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
  const early = keeping === null ? null : EGG_WAYS[keeping.plan].strip;
  const window = windowOf(read, early?.share ?? 'apart', view);
  if (!window || day < window.from || day > window.to) return [];
  const grown = residentsOf(view, tank.id)
    .filter(({ brood: own, isYoung }) => own === null && !isYoung)
    .reduce((sum, { heads }) => sum + heads, 0);
  // Alone she may let go where she is.
  if (!early && grown < 2) return [];
  const { text, why } = early ?? APART;
  return [
    chore(early ? BROODS_CHORES.strip : BROODS_CHORES.setApart, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text,
      amountText: formatDayRange(window.from, window.to, view.today),
      why: [why, 'The days follow the tank’s temperature; when each stage comes is a general guess.'],
      ...(early && { caution: CAUTION, tick: tick('stripped', brood.id) }),
    }),
  ];
}
