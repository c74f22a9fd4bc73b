import { BAR_RANK, chore, type Agenda, type Alarm, type Bar, type PlacedChore } from '../agenda';
import { growthOf, lengthAt } from '../growout';
import { fastsForTravel } from '../larder';
import { totalHeads } from '../stock';
import { addDays, daysBetween, formatDay, type Day } from '../time';
import { SALES_CHORES } from './choreKinds';
import type { OpenOrder, SalesView } from './facts';
import { barOf } from './freeLots';
import { orderOutlooks } from './outlook';
import { NEVER_RELEASE } from './words';

/** Orders are told of so many days ahead. */
const ALARM_DAYS = 7;

/** What of an order stands in each tank. */
export interface PickStop {
  tankId: string;
  picks: {
    lotId: string;
    /** As measured or by the curve; null where neither tells. */
    lengthMm: number | null;
    speciesKey: string;
    speciesName: string;
    heads: number;
    males: number;
    females: number;
    unsexed: number;
  }[];
}

/** Where an order's fish are, by tank. */
export function pickStops(view: SalesView, order: OpenOrder): PickStop[] {
  const stops = new Map<string, PickStop>();
  for (const { speciesKey, reserved } of order.lines)
    for (const part of reserved) {
      const lot = view.stock.lots.find(({ id }) => id === part.lotId);
      const tankId = lot?.tankId ?? null;
      if (tankId === null) continue;
      const read = view.broods.find(({ brood }) => brood.id === lot?.broodId);
      const growth = read ? growthOf(read) : null;
      const lengthMm = growth ? lengthAt(growth.middle, growth.ageDays) : (lot?.lengthMm ?? null);
      const stop = stops.get(tankId) ?? { tankId, picks: [] };
      const speciesName = view.species.get(speciesKey)?.commonName ?? speciesKey;
      stop.picks.push({ ...part, lengthMm, speciesKey, speciesName, heads: totalHeads(part) });
      stops.set(tankId, stop);
    }
  return [...stops.values()];
}

const inWords = (stop: PickStop): string =>
  stop.picks.map(({ heads, speciesName }) => `${heads} ${speciesName.toLowerCase()}`).join(', ');

/** Nothing is fed on the day before; on the day they are caught and bagged. */
function orderChores(view: SalesView, order: OpenOrder, day: Day): PlacedChore[] {
  const eve = addDays(order.dueOn, -1);
  return pickStops(view, order).flatMap((stop): PlacedChore[] => {
    const subject = `${order.orderId}:${stop.tankId}`;
    if (day === eve)
      return [
        {
          tankId: stop.tankId,
          chore: chore(SALES_CHORES.fastBeforePacking, {
            subject,
            day,
            text: fastsForTravel(view, stop.tankId, day)
              ? `Feed nothing: ${inWords(stop)} are packed on ${formatDay(order.dueOn, view.today)}`
              : `Set ${inWords(stop)} apart without food: they are packed on ${formatDay(order.dueOn, view.today)}`,
            why: [
              'If others live with them, use a floating box; feed the others as usual.',
              'A fish with an empty gut fouls its bag far less. One day is enough. Never fast fry.',
            ],
          }),
        },
      ];
    if (day < order.dueOn) return [];
    const bar = barOf(view, stop);
    return [
      {
        tankId: stop.tankId,
        chore: chore(SALES_CHORES.packOrder, {
          subject,
          day,
          text: bar
            ? `Leave ${inWords(stop)} for order ${order.number} where they are`
            : `Look over, catch and bag ${inWords(stop)} for order ${order.number}`,
          overdue: day > order.dueOn,
          why: bar
            ? [
                `They are in ${bar}, so they could carry it to others.`,
                'Use another tank, change the day, or say on its page why they can go anyway.',
              ]
            : [
                'Check fins, skin, breathing and how they swim. Anything odd stays here.',
                'Bags, labels and the buyer’s list are on the order’s page. Hand over there and your numbers update.',
              ],
          caution: NEVER_RELEASE,
        }),
      },
    ];
  });
}

/** Orders that cannot be met as promised, and those whose day is over. */
function salesAlarms(view: SalesView): Alarm[] {
  if (view.sales.orders.length === 0) return [];
  return orderOutlooks(view).flatMap(({ orderId, number, dueOn, state, lines }): Alarm[] => {
    const subject = { kind: 'order' as const, id: orderId };
    const days = daysBetween(view.today, dueOn);
    const key = `order:${orderId}`;
    const severity = days <= 2 ? ('now' as const) : ('soon' as const);
    if (state === 'trouble')
      return [
        {
          key,
          severity,
          title: `Order ${number} can’t be filled as promised.`,
          text: lines.flatMap(({ troubles }) => troubles).join(' '),
          subject,
        },
      ];
    if (state === 'late')
      return [
        {
          key,
          severity: 'now',
          title: `Order ${number} was for ${formatDay(dueOn, view.today)}.`,
          text: 'Hand it over, change the day, or cancel it. Its fish are kept until then.',
          subject,
        },
      ];
    const short = lines.filter(({ open }) => open > 0);
    return state === 'waiting' && days <= ALARM_DAYS
      ? [
          {
            key,
            severity,
            title: `Order ${number} for ${formatDay(dueOn, view.today)} is not full.`,
            text: `${short.map(({ open, speciesName, chance }) => `${open} ${speciesName.toLowerCase()} not chosen yet${chance === null ? '' : ` (${Math.round(chance * 100)} % chance they’re big enough by then)`}`).join('; ')}. Choose fish, or tell the buyer.`,
            subject,
          },
        ]
      : [];
  });
}

/** Orders on the Horizon. */
const salesBars = (view: SalesView, last: Day): Bar[] =>
  view.sales.orders
    .filter(({ dueOn }) => dueOn <= last)
    .map(({ orderId, number, dueOn, lines }) => {
      const heads = lines.reduce((sum, line) => sum + line.heads - line.collected, 0);
      const on = dueOn < view.today ? view.today : dueOn;
      return {
        key: `${orderId}:order`,
        kind: 'ready',
        rank: BAR_RANK.ready,
        from: on,
        to: on,
        label: `order ${number}: ${heads} go`,
        predicted: false,
        urgent: dueOn < view.today,
        subject: { kind: 'order', id: orderId },
      };
    });

/** Who of a tank is promised. */
function salesNotes(view: SalesView, tankId: string): string[] {
  if (!(view.lotsByTank.get(tankId) ?? []).some(({ id }) => view.reserved.has(id))) return [];
  return view.sales.orders.flatMap((order) =>
    pickStops(view, order)
      .filter((stop) => stop.tankId === tankId)
      .map((stop) => `${inWords(stop)} here are promised for ${formatDay(order.dueOn, view.today)} (order ${order.number}).`),
  );
}

export const salesAgenda: Agenda<SalesView> = {
  kinds: SALES_CHORES,
  chores: (view, day) => view.sales.orders.flatMap((order) => orderChores(view, order, day)),
  alarms: salesAlarms,
  bars: salesBars,
  notes: salesNotes,
};

/** On which days each lot is not fed because some of it travel: the day before an order and its own. */
export const leavingDays = (orders: readonly OpenOrder[]): { lotId: string; on: Day }[] =>
  orders.flatMap(({ dueOn, lines }) => lines.flatMap(({ reserved }) => reserved.map(({ lotId }) => ({ lotId, on: dueOn }))));
