import { chore, choreKinds, feedWords, tick, type Agenda, type Alarm, type Chore } from '../agenda';
import { checkTemperature, codeOf, exposureFacts, exposureIn, illnessIn, mealsByWalk, STALE_DAYS, type RoomTank } from '../room';
import { addDays, daysBetween, formatDay, formatInstant, houseDay, sentence, timesADay, type Day } from '../time';
import { formatNumber, formatRange } from '../units';
import type { StockLot, StockProgramme, StockView } from './facts';
import { JUDGED_QUANTITIES, JUDGED_WATER } from './judgedWater';
import { kindsIn, outdoorAlarm, outdoorNotes } from './outdoors';

export const STOCK_CHORES = choreKinds({
  condition: { seconds: 60, meal: true, words: 'conditioning food' },
  score: { stays: true, seconds: 90, way: 'watch', words: 'score condition' },
  lookOver: { seconds: 20, way: 'watch', words: 'look over the exposed' },
  quarantineEnd: { seconds: 240, way: 'watch', words: 'end of quarantine' },
});

/** Condition is scored once a week while it is worked on. */
const SCORE_DAYS = 7;

/** Programmes that run on a day for lots of a tank. */
export function runningProgrammes(lots: readonly StockLot[], view: StockView, day: Day): StockProgramme[] {
  return view.stock.programmes.filter(({ lotId, from, to }) => from <= day && day <= to && lots.some((lot) => lot.id === lotId));
}

/** What conditioning asks for on a day: its meals, and a score each week. */
function conditioningChores(lots: readonly StockLot[], view: StockView, day: Day): Chore[] {
  return runningProgrammes(lots, view, day).flatMap((programme) => {
    const gone = daysBetween(programme.from, day);
    const until = `Conditioning day ${gone + 1}, until ${formatDay(programme.to, view.today)}.`;
    const chores = mealsByWalk(programme.mealsPerDay, view.room.hours.walks.length).flatMap((meals, walk) =>
      meals === 0
        ? []
        : [
            chore(STOCK_CHORES.condition, {
              subject: walk === 0 ? programme.id : `${programme.id}@${walk}`,
              day,
              text: feedWords(programme.foods.charAt(0).toLowerCase() + programme.foods.slice(1)),
              more: 'conditioning',
              walk,
              amountText: meals > 1 ? `${meals} ×` : '',
              why: [
                until,
                `${sentence(timesADay(programme.mealsPerDay))}, shared between the walks.`,
                ...(programme.separated === 'together'
                  ? []
                  : [`Males and females apart, by ${programme.separated === 'divider' ? 'a divider' : 'tank'}.`]),
                ...(programme.water ? [programme.water] : []),
              ],
              tick: tick('fed', null, programme.foods),
            }),
          ],
    );
    if (programme.lastScored === null || daysBetween(programme.lastScored, day) >= SCORE_DAYS)
      chores.push(
        chore(STOCK_CHORES.score, {
          subject: programme.id,
          day,
          text: 'Score condition',
          amountText: programme.lastScored ? `last on ${formatDay(programme.lastScored, view.today)}` : 'not scored yet',
          why: [until, 'Compare with last week: girth, softness, colour, tubes. Log it on their card.'],
        }),
      );
    return chores;
  });
}

/** Animals that share their water with those that are ill are looked over each day until the days are over. */
function exposureChores(tankId: string, view: StockView, day: Day): Chore[] {
  const exposure = exposureIn({ ...exposureFacts(view), today: day }, tankId);
  if (!exposure?.isShared) return [];
  return [
    chore(STOCK_CHORES.lookOver, {
      subject: tankId,
      day,
      text: `Check for illness: ${exposure.code} shares this water`,
      why: [
        `${sentence(exposure.what)}, seen in ${exposure.code} on ${formatDay(exposure.on, view.today)}; asked until ${formatDay(exposure.until, view.today)}. It could be here already and show days later.`,
        'Anything odd? Log it as illness. Until then don’t sell, swap or move fish from here.',
      ],
      tick: tick('looked', tankId, 'signs of illness'),
    }),
  ];
}

/** On the first day quarantine may end: a last look before anybody is moved. */
function quarantineChores(tankId: string, view: StockView, day: Day): Chore[] {
  const quarantine = view.stock.quarantines[tankId];
  if (quarantine?.endsOn !== day) return [];
  return [
    chore(STOCK_CHORES.quarantineEnd, {
      subject: tankId,
      day,
      text: 'Check every fish before quarantine ends',
      amountText: `apart since ${formatDay(quarantine.from, view.today)}`,
      why: [
        'Today is the first day they can move, counted from the last arrival or sign of illness.',
        'Anything odd, like clamped fins or white stools? Log it as illness; the days start again. Ask a vet how to treat.',
      ],
    }),
  ];
}

/** A breach is still worth a word, and a bar to a sale, for as long as what it carried may show. */
export const BREACH_DAYS = 28;

function temperatureAlarms(view: StockView): Alarm[] {
  const alarms: Alarm[] = [];
  const { now, timeZone, room } = view;
  for (const tankId of view.lotsByTank.keys()) {
    const tank = view.tanks.get(tankId);
    const last = room.temperatures[tankId];
    if (!tank || !last) continue;
    const subject = { kind: 'tank', id: tankId } as const;
    const age = daysBetween(houseDay(last.at, timeZone), view.today);
    if (age > STALE_DAYS) {
      alarms.push({
        key: `silent:${tankId}`,
        about: { topic: 'silent', part: `${tank.code}: none for ${age} days` },
        severity: 'soon',
        title: `${tank.code}: no temperature for ${age} days.`,
        text: `The last was ${formatNumber(last.tempC, 3)} °C on ${formatDay(houseDay(last.at, timeZone), view.today)}. Check the probe and its battery, and take one by hand.`,
        subject,
      });
      continue;
    }
    if (tank.outdoor) {
      const alarm = outdoorAlarm(view, tankId);
      if (alarm) alarms.push(alarm);
      continue;
    }
    const wrong = kindsIn(view, tankId).flatMap((kept) => {
      const verdict = checkTemperature(last.tempC, kept.figures.tempC);
      return verdict === 'within' ? [] : [{ kept, verdict }];
    });
    const [first] = wrong;
    if (first)
      alarms.push({
        key: `temp:${tankId}`,
        about: {
          topic: first.verdict === 'below' ? 'cold' : 'warm',
          part: `${tank.code}: ${formatNumber(last.tempC, 3)} °C, ${first.kept.commonName.toLowerCase()} want ${formatRange(first.kept.figures.tempC)} °C`,
        },
        cause: `temp:${tankId}`,
        severity: 'now',
        title: `${tank.code} is too ${first.verdict === 'below' ? 'cold' : 'warm'}: ${formatNumber(last.tempC, 3)} °C.`,
        text: `${wrong.map(({ kept }) => `${kept.commonName} want ${formatRange(kept.figures.tempC)} °C`).join(', ')}; measured ${formatInstant(last.at, houseDay(now, timeZone), timeZone)}. Check the heater and the room. Change it slowly, 1 °C an hour.`,
        subject,
      });
  }
  return alarms;
}

/** A value older than this says little of the water now. */
const WATER_DAYS = 45;

/** pH and hardness outside of what somebody in the tank wants, by more than the test may be off. */
function waterAlarms(view: StockView): Alarm[] {
  const alarms: Alarm[] = [];
  for (const tankId of view.lotsByTank.keys())
    for (const quantity of JUDGED_QUANTITIES) {
      const tank = view.tanks.get(tankId);
      const last = view.room[quantity][tankId];
      if (!tank || !last || daysBetween(houseDay(last.at, view.timeZone), view.today) > WATER_DAYS) continue;
      const wrong = kindsIn(view, tankId).filter(({ figures }) => {
        const [low, high] = figures[quantity];
        return last.value + last.error < low || last.value - last.error > high;
      });
      const [first] = wrong;
      if (!first) continue;
      const { name, unit } = JUDGED_WATER[quantity];
      alarms.push({
        key: `${quantity}:${tankId}`,
        about: { topic: 'water', part: `${tank.code}: ${name} ${formatNumber(last.value, 3)}${unit}` },
        severity: 'soon',
        title: `${tank.code}: ${name} ${formatNumber(last.value, 3)}${unit} doesn’t suit them.`,
        text: `${wrong.map(({ commonName, figures }) => `${commonName} want ${formatRange(figures[quantity], 3)}${unit}`).join(', ')}; measured ${formatDay(houseDay(last.at, view.timeZone), view.today)}, give or take ${formatNumber(last.error)}. Change it over days, not at once.`,
        subject: { kind: 'tank', id: tankId },
      });
    }
  return alarms;
}

function breachAlarms(view: StockView): Alarm[] {
  const alarms: Alarm[] = [];
  for (const breach of view.stock.breaches) {
    if (daysBetween(houseDay(breach.at, view.timeZone), view.today) > BREACH_DAYS) continue;
    alarms.push({
      key: `breach:${breach.lotId}:${breach.toTankId}`,
      severity: 'soon',
      title: `${codeOf(view, breach.toTankId)}: moved out of quarantine early.`,
      text: `From ${codeOf(view, breach.fromTankId)} on ${formatDay(houseDay(breach.at, view.timeZone), view.today)}; it was to stay until ${formatDay(breach.endsOn, view.today)}. Watch ${codeOf(view, breach.toTankId)} and do it last.`,
      subject: { kind: 'tank', id: breach.toTankId },
    });
  }
  return alarms;
}

function illnessAlarms(view: StockView): Alarm[] {
  return [...view.tanks.values()].flatMap((tank): Alarm[] => {
    const ill = illnessIn(exposureFacts(view), tank.id);
    if (!ill) return [];
    const exposed = [...view.tanks.values()].filter(
      (other) => other.id !== tank.id && tank.sump !== null && other.sump === tank.sump,
    );
    const shared =
      exposed.length > 0
        ? ` ${exposed.length === 1 ? `${exposed[0]?.code ?? ''} shares its water: check it` : `${exposed.length} other tanks share its water: check them`} every day.`
        : '';
    return [
      {
        key: `illness:${tank.id}`,
        severity: 'now',
        title: `${tank.code}: ${ill.what}.`,
        text: `Seen ${formatDay(ill.on, view.today)}. Do this tank last, with its own net and hose. Don’t move fish out before ${formatDay(addDays(ill.until, 1), view.today)}.${shared} Room › Exposure shows where else it could be. Ask a vet how to treat.`,
        subject: { kind: 'tank', id: tank.id },
      },
    ];
  });
}

function notes(view: StockView, tankId: string): string[] {
  const tank: RoomTank | undefined = view.tanks.get(tankId);
  const found: string[] = [];
  const ill = illnessIn(exposureFacts(view), tankId);
  if (ill)
    found.push(
      `${sentence(ill.what)}, seen ${formatDay(ill.on, view.today)}: its own net, hose and towel; wash hands after. Until ${formatDay(ill.until, view.today)}.`,
    );
  const quarantine = view.stock.quarantines[tankId];
  if (tank?.quarantine || quarantine !== undefined)
    found.push(
      `Quarantine: its own net, hose and towel. Wash hands after.${quarantine ? ` Until ${formatDay(quarantine.endsOn, view.today)}.` : ''}`,
    );
  found.push(...outdoorNotes(view, tankId));
  return found;
}

export const stockAgenda: Agenda<StockView> = {
  kinds: STOCK_CHORES,
  chores: (view, day) =>
    [...view.lotsByTank].flatMap(([tankId, lots]) =>
      [
        ...quarantineChores(tankId, view, day),
        ...exposureChores(tankId, view, day),
        ...conditioningChores(
          lots.filter((lot) => lot.broodId === null),
          view,
          day,
        ),
      ].map((due) => ({ tankId, chore: due })),
    ),
  alarms: (view) => [...illnessAlarms(view), ...temperatureAlarms(view), ...waterAlarms(view), ...breachAlarms(view)],
  notes,
};
