import { chore, choreKinds, type Agenda, type Alarm, type Chore } from '../agenda';
import { checkTemperature, codeOf, STALE_DAYS, type RoomTank } from '../room';
import { daysBetween, formatDay, formatInstant, houseDay, timesADay, type Day } from '../time';
import { formatNumber, formatRange } from '../units';
import type { StockLot, StockProgramme, StockView } from './facts';

export const STOCK_CHORES = choreKinds({
  condition: { seconds: 60, words: 'conditioning food' },
  score: { seconds: 90, way: 'watch', words: 'score condition' },
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
    const chores = [
      chore(STOCK_CHORES.condition, {
        subject: programme.id,
        day,
        text: `Conditioning food: ${programme.foods}`,
        amountText: timesADay(programme.mealsPerDay),
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
        chore(STOCK_CHORES.score, {
          subject: programme.id,
          day,
          text: 'Score condition',
          amountText: programme.lastScored ? `last on ${formatDay(programme.lastScored, view.today)}` : 'not scored yet',
          why: [until, 'Compare with last week: girth, softness, colour, tubes. Log it on the lot.'],
        }),
      );
    return chores;
  });
}

/** On the first day quarantine may end: a last look before anybody is moved. */
function quarantineChores(tankId: string, view: StockView, day: Day): Chore[] {
  const quarantine = view.stock.quarantines[tankId];
  if (quarantine?.endsOn !== day) return [];
  return [
    chore(STOCK_CHORES.quarantineEnd, {
      subject: tankId,
      day,
      text: 'Look each over before quarantine ends',
      amountText: `apart since ${formatDay(quarantine.from, view.today)}`,
      why: [
        'The last arrival or sign of illness was that day; today is the first on which they may move.',
        'Anything odd, from clamped fins to white stools: log it as illness, and the days count again. A vet knows what to treat.',
      ],
    }),
  ];
}

/** A breach is still worth a word for as long as what it carried may show. */
const BREACH_DAYS = 28;

function temperatureAlarms(view: StockView): Alarm[] {
  const alarms: Alarm[] = [];
  const { now, timeZone, room, species } = view;
  for (const [tankId, lots] of view.lotsByTank) {
    const tank = view.tanks.get(tankId);
    const last = room.temperatures[tankId];
    if (!tank || !last || tank.outdoor) continue;
    const subject = { kind: 'tank', id: tankId } as const;
    const age = daysBetween(houseDay(last.at, timeZone), view.today);
    if (age > STALE_DAYS) {
      alarms.push({
        key: `silent:${tankId}`,
        severity: 'soon',
        title: `${tank.code}: no temperature for ${age} days.`,
        text: `The last was ${formatNumber(last.tempC, 3)} °C on ${formatDay(houseDay(last.at, timeZone), view.today)}. Check the probe and its battery, and take one by hand.`,
        subject,
      });
      continue;
    }
    const kept = species.get(lots[0]?.speciesKey ?? '');
    if (!kept) continue;
    const verdict = checkTemperature(last.tempC, kept.figures.tempC);
    if (verdict !== 'within')
      alarms.push({
        key: `temp:${tankId}`,
        severity: 'now',
        title: `${tank.code} is too ${verdict === 'below' ? 'cold' : 'warm'}: ${formatNumber(last.tempC, 3)} °C.`,
        text: `${kept.commonName} want ${formatRange(kept.figures.tempC)} °C; measured ${formatInstant(last.at, houseDay(now, timeZone), timeZone)}. Check heater and room, and change it slowly.`,
        subject,
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
      text: `From ${codeOf(view, breach.fromTankId)} on ${formatDay(houseDay(breach.at, view.timeZone), view.today)}; it was to stay until ${formatDay(breach.endsOn, view.today)}. Watch ${codeOf(view, breach.toTankId)} and serve it last.`,
      subject: { kind: 'tank', id: breach.toTankId },
    });
  }
  return alarms;
}

/** Below this an outdoor pond is not fed: cold animals do not digest, and the food rots. */
const POND_FEED_FROM_C = 10;

/** The temperature at which an outdoor tank is too cold to feed; null when it is fed. */
export function tooColdToFeed(view: StockView, tankId: string): number | null {
  const tempC = view.room.temperatures[tankId]?.tempC;
  return view.tanks.get(tankId)?.outdoor && tempC !== undefined && tempC < POND_FEED_FROM_C ? tempC : null;
}

function notes(view: StockView, tankId: string): string[] {
  const tank: RoomTank | undefined = view.tanks.get(tankId);
  const found: string[] = [];
  const quarantine = view.stock.quarantines[tankId];
  if (tank?.quarantine || quarantine !== undefined)
    found.push(
      `Quarantine: its own net, hose and towel. Wash hands after.${quarantine ? ` Until ${formatDay(quarantine.endsOn, view.today)}.` : ''}`,
    );
  const coldC = tooColdToFeed(view, tankId);
  if (coldC !== null && view.lotsByTank.has(tankId)) found.push(`${formatNumber(coldC)} °C: no food, it would rot.`);
  return found;
}

export const stockAgenda: Agenda<StockView> = {
  kinds: STOCK_CHORES,
  chores: (view, day) =>
    [...view.lotsByTank].flatMap(([tankId, lots]) =>
      [
        ...quarantineChores(tankId, view, day),
        ...conditioningChores(
          lots.filter((lot) => lot.broodId === null),
          view,
          day,
        ),
      ].map((due) => ({ tankId, chore: due })),
    ),
  alarms: (view) => [...temperatureAlarms(view), ...breachAlarms(view)],
  notes,
};
