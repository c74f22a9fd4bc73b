import { v7 as newId } from 'uuid';
import {
  MONEY_WORDS,
  payOf,
  readyList,
  sumUpkeep,
  upkeep,
  type Account,
  type LotUpkeep,
  type Paid,
  type SalesView,
} from '@freshet/core/sales';
import { usualLossWPerK } from '@freshet/core/room';
import { totalHeads } from '@freshet/core/stock';
import { addDays, houseDay, inARow, sentence } from '@freshet/core/time';
import type { LogService } from '../log';
import { DomainError, groupBy, type Reading, type Who } from '../platform';
import type { RoomService } from '../room';
import type { SpeciesService } from '../species';
import type { SalesRepository, SoldRow } from './sales.repository';

/** What things cost where nobody said; usual figures of a household. */
const USUAL_RATES = { kwhCents: 30, tankDayCents: 5, waterCentsPerM3: 300, roomC: 19 } as const;
const YEAR_DAYS = 365;

interface Deps {
  log: LogService;
  room: RoomService;
  species: SpeciesService;
  repository: SalesRepository;
  /** Chores that were done at tanks since a day, with the time each usually takes, s. */
  workSince: (at: Reading, day: string) => Promise<{ tankId: string; on: string; seconds: number }[]>;
}

/** What was spent and earned, and whether it paid: worked out from what was logged, never stored. */
export function createMoney({ log, room, species, repository, workSince }: Deps) {
  const { money, rates } = repository;

  async function ratesOf(at: Reading) {
    const row = await repository.newestRates(at);
    if (!row) return { ...USUAL_RATES, currency: await repository.currencyAtFirst(at), isUsual: true, entryId: null };
    const { currency, kwhCents, tankDayCents, waterCentsPerM3, roomC, entryId } = row;
    return { currency, kwhCents, tankDayCents, waterCentsPerM3, roomC, isUsual: false, entryId };
  }

  /** What every lot took of room, heat, water, meals and time between two days. */
  async function lotUpkeep(who: Who, view: SalesView, roomC: number, from: string, to: string) {
    const since = `${from}T00:00:00.000Z`;
    const [stays, { changes, meals }, rooms, work] = await Promise.all([
      repository.stays(who, since),
      repository.doses(who, since),
      room.repository.all(who),
      workSince(who, from),
    ]);
    const dayOf = (at: string) => houseDay(at, who.timeZone);
    const wantedC = (tankId: string) => {
      const kinds = (view.lotsByTank.get(tankId) ?? []).flatMap((lot) => view.species.get(lot.speciesKey) ?? []);
      const means = kinds.map(({ figures: { tempC } }) => (tempC[0] + tempC[1]) / 2);
      return view.room.temperatures[tankId]?.tempC ?? (means.length > 0 ? means.reduce((a, b) => a + b) / means.length : roomC);
    };
    /** As it was measured, else by its size; nothing where nothing is heated. */
    const lossOf = ({ id, litres, outdoor }: SalesView['room']['tanks'][number]) => {
      const { heaterW, lossWPerK } = room.equipmentOf(rooms.equipped.get(id));
      return outdoor || heaterW === 0 ? 0 : (lossWPerK ?? usualLossWPerK(litres));
    };
    const used = upkeep({
      stays: stays.map((stay) => ({ ...stay, from: dayOf(stay.from), to: stay.to === null ? to : dayOf(stay.to) })),
      tanks: view.room.tanks.map((tank) => ({
        id: tank.id,
        litres: tank.litres,
        lossWPerK: lossOf(tank),
        targetC: wantedC(tank.id),
      })),
      doses: [
        ...changes.map(({ tankId, at, litres }) => ({ tankId, on: dayOf(at), waterL: litres })),
        ...meals.map(({ tankId, on, meals: count }) => ({ tankId, on, meals: count })),
        ...work,
      ],
      roomC,
      from,
      to,
    });
    return { stays, used };
  }

  /** Cents of food for a meal: what was bought for the meals that were given. */
  async function mealCents(who: Who, from: string, to: string, used: ReadonlyMap<string, LotUpkeep>) {
    const [bought, rows] = await Promise.all([
      repository.foodBought(who, `${from}T00:00:00.000Z`),
      repository.moneyBetween(who, from, to),
    ]);
    const food = rows.filter(({ kind, speciesKey }) => kind === 'food' && speciesKey === null);
    const spent = bought + food.reduce((sum, { cents }) => sum + cents, 0);
    const meals = [...used.values()].reduce((sum, one) => sum + one.meals, 0);
    return meals === 0 ? 0 : spent / meals;
  }

  /** The books of a year: by species, brood and buyer. */
  async function account(who: Who, view: SalesView, year: string | undefined) {
    const to = year === undefined || year === view.today.slice(0, 4) ? view.today : `${year}-12-31`;
    const from = year === undefined ? addDays(view.today, -YEAR_DAYS + 1) : `${year}-01-01`;
    const house = await ratesOf(who);
    const { stays, used } = await lotUpkeep(who, view, house.roomC, from, to);
    const [aMeal, rows, sold] = await Promise.all([
      mealCents(who, from, to, used),
      repository.moneyBetween(who, from, to),
      repository.soldSince(who, `${from}T00:00:00.000Z`),
    ]);
    const within = sold.filter(({ at }) => houseDay(at, who.timeZone) <= to);
    const complaints = groupBy(
      await repository.complaintsOf(
        who,
        within.map(({ id }) => id),
      ),
      ({ soldId }) => soldId,
    );
    /** What went back to the buyer of some animals, cents. */
    const wentBack = ({ id }: SoldRow) => (complaints.get(id) ?? []).reduce((sum, { cents }) => sum + cents, 0);
    const isThisYear = to === view.today;
    const ready = isThisYear ? readyList(view).rows : [];
    const lotsOf = { species: new Map<string, Set<string>>(), brood: new Map<string, Set<string>>() };
    const add = (map: Map<string, Set<string>>, key: string | null, lotId: string) => {
      if (key !== null) map.set(key, (map.get(key) ?? new Set()).add(lotId));
    };
    for (const { lotId, speciesKey, broodId } of stays) {
      add(lotsOf.species, speciesKey, lotId);
      add(lotsOf.brood, broodId, lotId);
    }
    const book = (told: {
      key: string;
      name: string;
      lotIds: ReadonlySet<string>;
      own: readonly SoldRow[];
      directCents: number;
      parentsCents: number;
      readyNow: number;
    }) => {
      const sum = sumUpkeep([...told.lotIds].flatMap((lotId) => used.get(lotId) ?? []));
      const went = (isGift: boolean) =>
        told.own.filter(({ cents }) => (cents === 0) === isGift).reduce((all, row) => all + totalHeads(row), 0);
      const one: Account = {
        key: told.key,
        name: told.name,
        upkeep: sum,
        foodCents: sum.meals * aMeal,
        directCents: told.directCents + told.own.reduce((all, row) => all + row.feeCents + wentBack(row), 0),
        parentsCents: told.parentsCents,
        incomeCents: told.own.reduce((all, row) => all + row.cents * totalHeads(row), 0),
        sold: went(false),
        given: went(true),
        ready: told.readyNow,
      };
      return payOf(one, house);
    };
    const soldBy = groupBy(within, ({ speciesKey }) => speciesKey);
    const booked = (speciesKey: string) =>
      rows
        .filter((row) => row.speciesKey === speciesKey)
        .reduce((sum, { kind, cents }) => sum + (kind === 'otherIncome' ? -cents : cents), 0);
    const readyOf = (by: (row: (typeof ready)[number]) => boolean) =>
      ready.filter(by).reduce((sum, { now: { mid } }) => sum + mid, 0);
    const species = [...lotsOf.species].map(([key, lotIds]) =>
      book({
        key,
        name: view.species.get(key)?.commonName ?? key,
        lotIds,
        own: soldBy.get(key) ?? [],
        directCents: booked(key),
        parentsCents: 0,
        readyNow: readyOf((row) => row.speciesKey === key),
      }),
    );
    const names = new Map(view.broods.map(({ brood }) => [brood.id, brood.name]));
    const soldByBrood = groupBy(within, ({ broodId }) => broodId ?? '');
    const speciesOf = new Map(stays.flatMap(({ broodId, speciesKey }) => (broodId ? [[broodId, speciesKey] as const] : [])));
    const alone = [...lotsOf.brood].map(([key, lotIds]) =>
      book({
        key,
        name: names.get(key) ?? 'a brood that is gone',
        lotIds,
        own: soldByBrood.get(key) ?? [],
        directCents: 0,
        parentsCents: 0,
        readyNow: readyOf((row) => row.broodId === key),
      }),
    );
    // What a species cost besides its broods is their parents': shared by the fish that each brood gave.
    const fishOf = (one: Paid) => one.sold + one.given + one.ready;
    const broods = alone.flatMap((one) => {
      if (!names.has(one.key) && !soldByBrood.has(one.key)) return [];
      const key = speciesOf.get(one.key) ?? '';
      const sisters = alone.filter((other) => speciesOf.get(other.key) === key);
      const all = species.find((whole) => whole.key === key);
      const parents = Math.max(0, (all?.costCents ?? 0) - sisters.reduce((sum, other) => sum + other.costCents, 0));
      const fish = sisters.reduce((sum, other) => sum + fishOf(other), 0);
      const parentsCents = fish === 0 ? 0 : (parents * fishOf(one)) / fish;
      return [
        book({
          key: one.key,
          name: one.name,
          lotIds: lotsOf.brood.get(one.key) ?? new Set(),
          own: soldByBrood.get(one.key) ?? [],
          directCents: 0,
          parentsCents,
          readyNow: one.ready,
        }),
      ];
    });
    return { from, to, house, species, broods, rows, sold: within, aMeal };
  }

  /** What one of a species cost: of its brood where that is known, else of its species. */
  const costOf = (
    row: Pick<SoldRow, 'broodId' | 'speciesKey'>,
    broods: readonly Paid[],
    species: readonly Paid[],
  ): number | null =>
    broods.find(({ key }) => key === row.broodId)?.perFishCents ??
    species.find(({ key }) => key === row.speciesKey)?.perFishCents ??
    null;

  log.declare({
    money: {
      async check(scope, { on, speciesKey }) {
        if (on > houseDay(scope.now, scope.timeZone))
          throw new DomainError('request/invalid', { detail: 'That day has not come yet.', pointer: '#/on' });
        if (speciesKey !== null && !(await species.all(scope)).get(speciesKey))
          throw new DomainError('request/invalid', { detail: 'There’s no such species.', pointer: '#/speciesKey' });
      },
      apply: async (scope, body) => {
        const { id: _id, on, ...row } = body;
        await money.insert(scope, { ...row, id: newId(), entryId: scope.entryId, onDay: on, at: scope.now });
        return { text: `Money noted: ${MONEY_WORDS[body.kind]}` };
      },
      undo: { tables: [money] },
    },
    rates: {
      apply: async (scope, body) => {
        const { id: _id, version, override: _override, ...row } = body;
        const before = await repository.newestRates(scope);
        const words = (one: { currency: string; kwhCents: number } | null) =>
          one ? `${one.kwhCents} cents a kWh, ${one.currency}` : 'usual figures';
        await log.mustBeNewest(scope, version, before, { theirs: words(before), yours: words(body) });
        const currency = before?.currency ?? (await repository.currencyAtFirst(scope));
        const priced = currency === body.currency ? [] : await repository.pricedRows(scope);
        if (priced.length > 0)
          throw new DomainError('request/invalid', {
            detail: `${sentence(inARow(priced))} ${priced.length === 1 && priced[0]?.startsWith('1 ') ? 'is' : 'are'} in ${currency}. Take back what has a price first (Log), or keep ${currency}.`,
            pointer: '#/currency',
          });
        await rates.insert(scope, { ...row, id: newId(), entryId: scope.entryId, at: scope.now });
        return { text: 'What current, water and a tank’s day cost was noted' };
      },
      undo: { tables: [rates] },
    },
  });
  return {
    ratesOf,

    async reply(who: Who, view: SalesView, year: string | undefined) {
      const { from, to, house, species, broods, rows, sold } = await account(who, view, year);
      const buyers = await repository.allBuyers(who);
      const byBuyer = groupBy(sold, ({ buyerId }) => buyerId);
      return {
        from,
        to,
        rates: house,
        species: species.sort((a, b) => b.netCents - a.netCents),
        broods: broods.sort((a, b) => b.netCents - a.netCents),
        buyers: [...byBuyer].map(([buyerId, own]) => {
          const costs = own.map((row) => {
            const each = costOf(row, broods, species);
            return each === null ? null : each * totalHeads(row);
          });
          return {
            buyerId,
            name: buyers.find((buyer) => buyer.buyerId === buyerId)?.name ?? 'Erased',
            heads: own.reduce((sum, row) => sum + totalHeads(row), 0),
            cents: own.reduce((sum, row) => sum + row.cents * totalHeads(row) - row.feeCents, 0),
            costCents: costs.includes(null) ? null : costs.reduce<number>((sum, cost) => sum + (cost ?? 0), 0),
          };
        }),
        rows: rows.map(({ entryId, onDay, kind, cents, speciesKey, note }) => ({
          entryId,
          on: onDay,
          kind,
          words: note ?? MONEY_WORDS[kind],
          cents,
          speciesName: speciesKey ? (view.species.get(speciesKey)?.commonName ?? speciesKey) : null,
          isIncome: kind === 'otherIncome',
        })),
      };
    },

    /** Animals handed over, with what each cost. */
    async sold(who: Who, view: SalesView) {
      const [rows, buyers, { species, broods }] = await Promise.all([
        repository.newestSold(who, 200),
        repository.allBuyers(who),
        account(who, view, undefined),
      ]);
      const buyerOf = new Map(buyers.map((buyer) => [buyer.buyerId, buyer]));
      return rows.map((row) => ({
        soldId: row.id,
        entryId: row.entryId,
        code: row.code,
        at: row.at,
        buyerName: buyerOf.get(row.buyerId)?.name ?? 'Erased',
        buyerKind: buyerOf.get(row.buyerId)?.kind ?? ('private' as const),
        speciesName: view.species.get(row.speciesKey)?.commonName ?? row.speciesKey,
        heads: totalHeads(row),
        cents: row.cents,
        costCents: costOf(row, broods, species),
        orderId: row.orderId,
      }));
    },
  };
}
export type MoneyService = ReturnType<typeof createMoney>;
