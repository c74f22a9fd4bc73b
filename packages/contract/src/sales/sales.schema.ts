import * as v from 'valibot';
import { MONEY_KINDS, MOST_LINES, BUYER_KINDS, PAYMENTS, SETTLEMENTS, WANTED_SEXES } from '@freshet/core/sales';
import { Day, Heads, Id, Instant, Name, Override, Version, WholeCount, Currency } from '../values';

const words = (most: number) => v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(most, `At most ${most} letters.`)));
/** Money, in whole cents of the house's currency. */
export const Cents = v.pipe(
  v.number('Give an amount of money.'),
  v.integer('Whole cents.'),
  v.minValue(0, 'A price cannot be negative.'),
  v.maxValue(100_000_000, 'At most a million.'),
);
const Millimetres = v.pipe(v.number('Give a length in mm.'), v.gtValue(0, 'Above 0 mm.'), v.maxValue(500, 'At most 500 mm.'));
const SpeciesKey = v.pipe(v.string(), v.minLength(1, 'Which species?'), v.maxLength(60));
const some = v.pipe(WholeCount, v.minValue(1, 'At least one.'));
/** Why animals go that the law or care speaks against; kept with the order. */
const Reason = v.nullable(v.pipe(v.string(), v.trim(), v.minLength(3, 'Say why in a few words.'), v.maxLength(300)));

/** Somebody fish go to. */
export const BuyerBody = v.object({
  id: Id,
  buyerId: Id,
  kind: v.picklist(BUYER_KINDS),
  name: Name,
  contact: words(200),
  pays: v.picklist(PAYMENTS),
  leastMm: v.nullable(Millimetres),
  perWeek: v.nullable(some),
  feePercent: v.nullable(
    v.pipe(v.number('Give a share in per cent.'), v.minValue(0, 'Not below 0.'), v.maxValue(100, 'At most 100 %.')),
  ),
  bagsMost: v.nullable(some),
  dates: v.pipe(v.array(Day), v.maxLength(60, 'At most 60 days.')),
  prices: v.pipe(v.array(v.object({ speciesKey: SpeciesKey, cents: Cents })), v.maxLength(200, 'At most 200 prices.')),
  note: words(500),
  version: Version,
  override: Override,
});

/** Takes out of sight who a buyer was; what it took stays. */
export const EraseBuyer = v.object({ id: Id, buyerId: Id });

const ReservedPart = v.object({ lotId: Id, males: WholeCount, females: WholeCount, unsexed: WholeCount });
const OrderLineBody = v.object({
  lineId: Id,
  speciesKey: SpeciesKey,
  sex: v.picklist(WANTED_SEXES),
  leastMm: v.nullable(Millimetres),
  heads: some,
  /** For each. */
  cents: Cents,
  broodId: v.nullable(Id),
  reserved: v.pipe(v.array(ReservedPart), v.maxLength(50, 'At most 50 lots a line.')),
});

/** An order as it stands from now on. */
export const OrderBody = v.object({
  id: Id,
  orderId: Id,
  buyerId: Id,
  dueOn: Day,
  lines: v.pipe(
    v.array(OrderLineBody),
    v.minLength(1, 'What is asked for?'),
    v.maxLength(MOST_LINES, `At most ${MOST_LINES} lines.`),
  ),
  note: words(300),
  reason: Reason,
  version: Version,
  override: Override,
});
export const CancelOrder = v.object({
  id: Id,
  orderId: Id,
  why: v.pipe(v.string(), v.trim(), v.minLength(3, 'Say why in a few words.'), v.maxLength(200, 'At most 200 letters.')),
});

/** Animals handed over. */
export const SaleBody = v.object({
  id: Id,
  saleId: Id,
  buyerId: Id,
  /** Somebody who was not noted before, under that id. */
  newBuyer: v.optional(v.nullable(v.object({ kind: v.picklist(BUYER_KINDS), name: Name }))),
  orderId: v.nullable(Id),
  at: Instant,
  pays: v.picklist(PAYMENTS),
  lots: v.pipe(
    v.array(
      v.object({
        soldId: Id,
        lotId: Id,
        lineId: v.nullable(Id),
        heads: Heads,
        /** For each. */
        cents: Cents,
        lengthMm: v.nullable(Millimetres),
      }),
    ),
    v.minLength(1, 'Which fish?'),
    v.maxLength(100, 'At most 100 lots at once.'),
  ),
  reason: Reason,
  override: Override,
});

/** Money besides sales: one row, which can be taken back but not changed. */
export const MoneyBody = v.object({
  id: Id,
  on: Day,
  kind: v.picklist(MONEY_KINDS),
  cents: v.pipe(Cents, v.minValue(1, 'More than nothing.')),
  speciesKey: v.nullable(SpeciesKey),
  note: words(200),
});

const rate = (most: number) =>
  v.pipe(v.number('Give an amount.'), v.minValue(0, 'Not below 0.'), v.maxValue(most, `At most ${most}.`));
/** What things cost in this house. */
export const RatesBody = v.object({
  id: Id,
  currency: Currency,
  kwhCents: rate(1000),
  tankDayCents: rate(1000),
  waterCentsPerM3: rate(100_000),
  roomC: v.pipe(v.number('Give degrees.'), v.minValue(-10, 'Not below -10 °C.'), v.maxValue(40, 'At most 40 °C.')),
  version: Version,
  override: Override,
});

/** What a buyer complained of. */
export const ComplaintBody = v.object({
  id: Id,
  soldId: Id,
  heads: some,
  what: v.pipe(v.string(), v.trim(), v.minLength(3, 'What was wrong?'), v.maxLength(300, 'At most 300 letters.')),
  settled: v.picklist(SETTLEMENTS),
  cents: Cents,
  at: Instant,
});

const count = v.number();
const text = v.nullable(v.string());
/** Somebody fish go to, with what they took. */
export const Buyer = v.object({
  buyerId: v.string(),
  entryId: v.string(),
  kind: v.picklist(BUYER_KINDS),
  name: v.string(),
  contact: text,
  pays: v.picklist(PAYMENTS),
  leastMm: v.nullable(count),
  perWeek: v.nullable(count),
  feePercent: v.nullable(count),
  bagsMost: v.nullable(count),
  dates: v.array(v.string()),
  prices: v.array(v.object({ speciesKey: v.string(), cents: count })),
  note: text,
  erased: v.boolean(),
  heads: count,
  cents: count,
  /** Owed to the keeper in goods. */
  creditCents: count,
  last: text,
  took: v.array(
    v.object({ speciesKey: v.string(), speciesName: v.string(), heads: count, cents: count, last: v.string(), lastCents: count }),
  ),
});

/** What each buyer took of each species, by month of the house's days; the last two years. */
export const TakingsReply = v.array(
  v.object({
    buyerId: v.string(),
    speciesKey: v.string(),
    speciesName: v.string(),
    month: v.string(),
    heads: count,
    cents: count,
  }),
);

/** An order with who it is for and what it brings. */
export const Order = v.object({
  orderId: v.string(),
  entryId: v.string(),
  number: count,
  buyerId: v.string(),
  buyerName: v.string(),
  buyerKind: v.picklist(BUYER_KINDS),
  pays: v.picklist(PAYMENTS),
  takenAt: v.string(),
  dueOn: v.string(),
  state: v.picklist(['open', 'collected', 'cancelled']),
  cancelled: text,
  note: text,
  reason: text,
  lines: v.array(
    v.object({
      lineId: v.string(),
      speciesKey: v.string(),
      speciesName: v.string(),
      sex: v.picklist(WANTED_SEXES),
      leastMm: v.nullable(count),
      heads: count,
      cents: count,
      broodId: text,
      collected: count,
      reserved: v.array(v.object({ lotId: v.string(), males: count, females: count, unsexed: count })),
    }),
  ),
});

const PaidReply = v.object({
  key: v.string(),
  name: v.string(),
  sold: count,
  given: count,
  ready: count,
  incomeCents: count,
  costs: v.object({ food: count, direct: count, parents: count, tank: count, heating: count, water: count }),
  costCents: count,
  netCents: count,
  perFishCents: v.nullable(count),
  heatingKwh: count,
  litreWeeks: count,
  perLitreWeek: v.nullable(count),
  perHour: v.nullable(count),
  hours: count,
  netDearHeatCents: count,
});

/** What things cost here, and in which currency. */
export const RatesReply = v.object({
  currency: v.string(),
  kwhCents: count,
  tankDayCents: count,
  waterCentsPerM3: count,
  roomC: count,
  /** Nobody said what things cost here: usual figures. */
  isUsual: v.boolean(),
  entryId: text,
});

/** Profit: of a year, by species and brood. */
export const MoneyReply = v.object({
  from: v.string(),
  to: v.string(),
  rates: RatesReply,
  species: v.array(PaidReply),
  broods: v.array(PaidReply),
  buyers: v.array(v.object({ buyerId: v.string(), name: v.string(), heads: count, cents: count, costCents: v.nullable(count) })),
  rows: v.array(
    v.object({
      entryId: v.string(),
      on: v.string(),
      kind: v.string(),
      words: v.string(),
      cents: count,
      speciesName: text,
      isIncome: v.boolean(),
    }),
  ),
});

/** Sold animals, newest first. */
export const SoldReply = v.array(
  v.object({
    soldId: v.string(),
    entryId: v.string(),
    code: v.string(),
    at: v.string(),
    buyerName: v.string(),
    buyerKind: v.picklist(BUYER_KINDS),
    speciesName: v.string(),
    heads: count,
    cents: count,
    /** What each cost; null where nothing tells. */
    costCents: v.nullable(count),
    orderId: text,
  }),
);

/** Where sold animals came from, and who else may be affected. */
export const TrailReply = v.object({
  soldId: v.string(),
  code: v.string(),
  at: v.string(),
  speciesKey: v.string(),
  speciesName: v.string(),
  heads: count,
  lengthMm: v.nullable(count),
  buyerName: v.string(),
  tank: v.nullable(v.object({ id: v.string(), code: v.string() })),
  lotId: v.string(),
  brood: v.nullable(v.object({ id: v.string(), name: v.string(), laidAt: v.string() })),
  parents: v.array(v.object({ lotId: v.string(), name: v.string(), as: v.picklist(['sire', 'dam']) })),
  origin: v.string(),
  permit: text,
  water: v.array(v.object({ quantity: v.string(), value: count, unit: v.string(), at: v.string() })),
  food: v.array(v.object({ what: v.string(), at: v.string() })),
  illness: v.array(v.object({ what: v.string(), at: v.string() })),
  sisters: v.array(v.object({ code: v.string(), buyerName: v.string(), heads: count, at: v.string(), complained: v.boolean() })),
  livingSisters: v.array(v.object({ tankId: v.string(), code: v.string(), heads: count })),
  complaints: v.array(
    v.object({
      entryId: v.string(),
      heads: count,
      what: v.string(),
      settled: v.picklist(SETTLEMENTS),
      cents: count,
      at: v.string(),
    }),
  ),
});
