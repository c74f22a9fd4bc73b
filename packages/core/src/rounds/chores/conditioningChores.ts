import { daysBetween, formatDay, type Day } from '../../time';
import type { HouseLot, HouseProgramme } from '../houseState';
import type { ReadHouse } from '../readHouse';
import { chore, type Chore } from './chore';

/** Condition is scored once a week while it is worked on. */
const SCORE_DAYS = 7;

/** Programmes that run on a day for lots of a tank. */
export function runningProgrammes(lots: readonly HouseLot[], house: ReadHouse, day: Day): HouseProgramme[] {
  return house.state.programmes.filter(({ lotId, from, to }) => from <= day && day <= to && lots.some((lot) => lot.id === lotId));
}

/** What conditioning asks for on a day: its meals, and a score each week. */
export function conditioningChores(lots: readonly HouseLot[], house: ReadHouse, day: Day): Chore[] {
  return runningProgrammes(lots, house, day).flatMap((programme) => {
    const gone = daysBetween(programme.from, day);
    const until = `Conditioning day ${gone + 1}, until ${formatDay(programme.to, house.today)}.`;
    const chores = [
      chore({
        kind: 'condition',
        subject: programme.id,
        day,
        text: `Conditioning food: ${programme.foods}`,
        amountText: `${programme.mealsPerDay} × a day`,
        why: [
          until,
          ...(programme.separated === 'together'
            ? []
            : [`Sexes apart, by ${programme.separated === 'divider' ? 'a divider' : 'tank'}.`]),
          ...(programme.water ? [programme.water] : []),
        ],
      }),
    ];
    if (programme.lastScored === null || daysBetween(programme.lastScored, day) >= SCORE_DAYS)
      chores.push(
        chore({
          kind: 'score',
          mark: 'watch',
          subject: programme.id,
          day,
          text: 'Score condition',
          amountText: programme.lastScored ? `last on ${formatDay(programme.lastScored, house.today)}` : 'not scored yet',
          why: [until, 'Compare with last week: girth, softness, colour, tubes. Log it on the lot.'],
        }),
      );
    return chores;
  });
}
