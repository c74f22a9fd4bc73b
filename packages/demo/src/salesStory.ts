import type { BuyerKind } from '@freshet/core/sales';
import { spanOf } from '@freshet/core/time';
import type { Story, StoryEvent } from './story';

/** What the story of sales needs of the house. */
export interface SalesPlaces {
  /** The lot of a brood, by the name of its attempt. */
  lotOf: (attempt: string) => string | null;
}

interface BuyerTold {
  key: string;
  kind: BuyerKind;
  name: string;
  pays?: 'cash' | 'credit';
  contact?: string;
  leastMm?: number;
  perWeek?: number;
  feePercent?: number;
  bagsMost?: number;
  /** Days of coming auctions, ahead of today. */
  dates?: readonly number[];
  note?: string;
}
const BUYERS: readonly BuyerTold[] = [
  { key: 'thistlewick', kind: 'shop', name: 'Thistlewick Aquatics', leastMm: 25, perWeek: 12, contact: 'the counter, Tuesdays' },
  {
    key: 'heron',
    kind: 'shop',
    name: 'The Glass Heron',
    pays: 'credit',
    perWeek: 10,
    note: 'Takes credit against plants and glass',
  },
  { key: 'quayside', kind: 'exchange', name: 'Quayside Exchange', pays: 'credit' },
  {
    key: 'auction',
    kind: 'auction',
    name: 'Marrow & District Fishkeepers’ auction',
    feePercent: 15,
    bagsMost: 20,
    dates: [12, 68],
  },
  { key: 'neighbour', kind: 'gift', name: 'The school at the quay', contact: 'the caretaker' },
];

/** What one brings, cents. */
const PRICES: Readonly<Record<string, number>> = {
  angelfish: 450,
  'humpback-limia': 200,
  kribensis: 350,
  'lemon-tetra': 150,
  'ranchu-goldfish': 1400,
  'sixray-aspidoras': 320,
  'odessa-barb': 220,
  'zebra-danio': 100,
  'green-babaulti': 180,
};
const SHOP_SHARE: Partial<Record<string, number>> = { auction: 0.8, quayside: 0.9 };

/** Prices of a buyer, noted for those it took. */
const pricesAt = (key: string) =>
  Object.entries(PRICES).map(([speciesKey, cents]) => ({
    speciesKey,
    cents: Math.round((cents * (SHOP_SHARE[key] ?? 1)) / 5) * 5,
  }));

/** Money spent besides food: days ago, what for, cents, on whom. */
const SPENT = [
  [330, 'equipment', 8900, null, 'sponge filters and air line'],
  [300, 'parents', 3600, 'lambchop-rasbora', 'eight from the exchange'],
  [212, 'treatment', 1450, null, null],
  [96, 'parents', 5200, 'boesemans-rainbowfish', 'two trios'],
  [41, 'travel', 1200, null, 'to the auction'],
] as const;

/**
 * Sales at Saltings Shed: the buyers, what went so far with its price, an order that waits, one for the auction, a complaint, and what
 * things cost. Animals that the story let go with the name of a buyer are handed over to it.
 */
export function tellSales(story: Story, { lotOf }: SalesPlaces): void {
  const began = story.daysAgo(399, '09:00');
  const buyerIds = new Map(BUYERS.map(({ key }) => [key, story.newId(began)]));
  for (const { key, ...told } of BUYERS)
    story.write(began, 'noteBuyer', {
      id: story.newId(began),
      buyerId: buyerIds.get(key) ?? '',
      kind: told.kind,
      name: told.name,
      contact: told.contact ?? null,
      pays: told.pays ?? 'cash',
      leastMm: told.leastMm ?? null,
      perWeek: told.perWeek ?? null,
      feePercent: told.feePercent ?? null,
      bagsMost: told.bagsMost ?? null,
      dates: (told.dates ?? []).map((ahead) => story.day(-ahead)),
      prices: told.kind === 'gift' ? [] : pricesAt(key),
      note: told.note ?? null,
    });
  story.write(began, 'setRates', {
    id: story.newId(began),
    currency: 'EUR',
    kwhCents: 34,
    tankDayCents: 4,
    waterCentsPerM3: 320,
    roomC: 19,
  });
  for (const [daysAgo, kind, cents, speciesKey, note] of SPENT) {
    const at = story.daysAgo(daysAgo, '20:10');
    story.write(at, 'noteMoney', { id: story.newId(at), on: story.day(daysAgo), kind, cents, speciesKey, note });
  }
  const sold = handOver(story, buyerIds);
  tellComplaint(story, sold);
  tellOrders(story, buyerIds, lotOf);
}

interface Sold {
  at: string;
  soldId: string;
  speciesKey: string;
  heads: number;
}

/** Lots' species, by the writes that made them. */
function speciesOfLots(events: readonly StoryEvent[]): ReadonlyMap<string, string> {
  const ofAttempt = new Map<string, string>();
  const ofLot = new Map<string, string>();
  for (const event of events) {
    if (event.name === 'addAttempt') ofAttempt.set(event.body.attemptId, event.body.speciesKey);
    if (event.name === 'addClutch') ofLot.set(event.body.lotId, ofAttempt.get(event.body.attemptId) ?? '');
    if (event.name === 'addLot') ofLot.set(event.body.lotId, event.body.speciesKey);
    if (event.name === 'move') ofLot.set(event.body.newLotId, ofLot.get(event.body.lotId) ?? '');
    if (event.name === 'sortYoung')
      for (const { lotId } of event.body.classes) ofLot.set(lotId, ofLot.get(event.body.lotId) ?? '');
  }
  return ofLot;
}

/** Nobody sells at night: half a day later where it was told then. */
function byDay(at: string, now: string): string {
  const hour = Number(at.slice(11, 13));
  const later = new Date(Date.parse(at) + 12 * 3_600_000).toISOString();
  return (hour >= 19 || hour < 8) && later <= now ? later : at;
}

/** What was booked as sold to a buyer by name becomes a sale to it, with a price. */
function handOver(story: Story, buyerIds: ReadonlyMap<string, string>): Sold[] {
  const species = speciesOfLots(story.events);
  const found: Sold[] = [];
  story.events.forEach((event, i) => {
    if (event.name !== 'lose' || event.body.cause !== 'sale') return;
    const buyer = BUYERS.find(({ name }) => name === event.body.note);
    if (!buyer) return;
    const { lotId, heads, at: told } = event.body;
    const at = byDay(spanOf(told).to, story.now);
    const speciesKey = species.get(lotId) ?? '';
    const soldId = story.newId(at);
    found.push({ at, soldId, speciesKey, heads: heads.males + heads.females + heads.unsexed });
    story.events[i] = {
      at,
      name: 'sell',
      body: {
        id: event.body.id,
        saleId: story.newId(at),
        buyerId: buyerIds.get(buyer.key) ?? '',
        orderId: null,
        at,
        pays: buyer.pays ?? 'cash',
        lots: [
          {
            soldId,
            lotId,
            lineId: null,
            heads,
            cents: pricesAt(buyer.key).find((price) => price.speciesKey === speciesKey)?.cents ?? 200,
            lengthMm: null,
          },
        ],
        reason: null,
      },
    };
  });
  return found;
}

/** The newest angels were small for their price: two of them had stopped growing. */
function tellComplaint(story: Story, sold: readonly Sold[]): void {
  const angels = sold
    .filter(({ speciesKey, heads, at }) => speciesKey === 'angelfish' && heads >= 4 && at < story.daysAgo(8, '00:00'))
    .sort((a, b) => (a.at < b.at ? 1 : -1))[0];
  if (!angels) return;
  const at = new Date(Date.parse(angels.at) + 5 * 86_400_000).toISOString();
  story.write(at, 'complain', {
    id: story.newId(at),
    soldId: angels.soldId,
    heads: 2,
    what: 'two eat but have not grown since; gill covers short',
    settled: 'credit',
    cents: 900,
    at,
  });
}

/** A shop waits for fish of which some are ready and some are not yet; the auction has a lot of barbs. */
function tellOrders(story: Story, buyerIds: ReadonlyMap<string, string>, lotOf: SalesPlaces['lotOf']): void {
  const [limia, barbs] = [lotOf('Limia 10'), lotOf('Odessa 5')];
  const aside = (lotId: string | null, unsexed: number) => (lotId ? [{ lotId, males: 0, females: 0, unsexed }] : []);
  type Line = [speciesKey: string, heads: number, cents: number, reserved: ReturnType<typeof aside>];
  const lineOf = (at: string, [speciesKey, heads, cents, reserved]: Line) => ({
    lineId: story.newId(at),
    speciesKey,
    sex: 'any' as const,
    leastMm: null,
    heads,
    cents,
    broodId: null,
    reserved,
  });
  const told = (at: string, buyer: string, inDays: number, lines: readonly Line[], note: string | null): void =>
    story.write(at, 'order', {
      id: story.newId(at),
      orderId: story.newId(at),
      buyerId: buyerIds.get(buyer) ?? '',
      dueOn: story.day(-inDays),
      lines: lines.map((one) => lineOf(at, one)),
      note,
      reason: null,
    });
  const shop: Line[] = [
    ['humpback-limia', 8, 200, aside(limia, 8)],
    ['odessa-barb', 6, 220, aside(barbs, 6)],
  ];
  const later: Line[] = [
    ['lemon-tetra', 20, 150, []],
    ['angelfish', 10, 450, []],
  ];
  told(story.daysAgo(4, '10:20'), 'thistlewick', 3, shop, 'He fetches them at four');
  told(story.daysAgo(2, '18:05'), 'heron', 24, later, null);
  told(story.daysAgo(1, '21:00'), 'auction', 12, [['odessa-barb', 10, 180, aside(barbs, 10)]], 'Two bags of five');
}
