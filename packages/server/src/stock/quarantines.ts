import {
  decideQuarantine,
  ILLNESS_DAYS,
  mayMove,
  QUARANTINE_DAYS,
  type Exposure,
  type ExposureFacts,
  type Quarantine,
} from '@freshet/core/room';
import { formatDay, houseDay } from '@freshet/core/time';
import { DomainError, type Clock, type Reading, type Who } from '../platform';
import { createRackOf, type LotTrail, type ReadinessService, type RoomService } from '../room';
import type { createStockRepository } from './stock.repository';

/** Why they stay, and the ways out. */
const exposedWords = ({ what, code, on, until, isShared }: Exposure, { timeZone }: Who, now: string): string => {
  const today = houseDay(now, timeZone);
  return `${isShared ? `Their water is shared with ${code}` : code}: ${what}, seen ${formatDay(on, today)}. Until ${formatDay(until, today)} don’t move fish from there to healthy ones. A quarantine tank is fine, or say why.`;
};

interface Deps {
  clock: Clock;
  room: RoomService;
  readiness: ReadinessService;
  repository: ReturnType<typeof createStockRepository>;
  illnessesSince: IllnessesSince;
}
/** Illness that was seen since an instant, oldest first. */
export type IllnessesSince = (at: Reading, from: string) => Promise<ExposureFacts['illnesses']>;
type Rooms = Awaited<ReturnType<RoomService['repository']['all']>>;
/** Breaches older than this are not looked for. */
const LOOK_BACK_DAYS = 60;
const DAY_MS = 86_400_000;

/** Where lots went, and how long quarantines last: the room's rules with the stock's facts. */
export function createQuarantines({ clock, room, readiness, repository, illnessesSince }: Deps) {
  /** Lots from tank to tank, and out of the house. */
  async function trail(reader: Reading, since: string): Promise<LotTrail> {
    const { placements, movements } = await repository.trail(reader, since);
    const places = new Map<string, { tankId: string; at: string }[]>();
    for (const { lotId, tankId, at } of placements) {
      const known = places.get(lotId);
      if (known) known.push({ tankId, at });
      else places.set(lotId, [{ tankId, at }]);
    }
    const moved: LotTrail['moved'] = [];
    for (const [lotId, list] of places)
      for (const [i, to] of list.entries()) {
        const from = list[i - 1];
        if (from && from.tankId !== to.tankId && to.at >= since)
          moved.push({ lotId, from: from.tankId, to: to.tankId, at: to.at });
      }
    const tankAt = (lotId: string, at: string) => {
      const list = places.get(lotId) ?? [];
      return (list.findLast((place) => place.at <= at) ?? list[0])?.tankId;
    };
    const sold = movements.filter((row) => row.toLotId === null && row.fromLotId !== null);
    const kinds = new Map(
      (await repository.byIds(reader, [...new Set(sold.map((row) => row.fromLotId ?? ''))])).map((lot) => [
        lot.id,
        lot.speciesKey,
      ]),
    );
    for (const row of movements) {
      if (row.fromLotId === null || row.toLotId === null) continue;
      const [from, to] = [tankAt(row.fromLotId, row.fromAt), tankAt(row.toLotId, row.fromAt)];
      if (from && to && from !== to) moved.push({ lotId: row.toLotId, from, to, at: row.fromAt });
    }
    return {
      moved,
      left: sold.flatMap((row) => {
        const tankId = row.fromLotId === null ? undefined : tankAt(row.fromLotId, row.fromAt);
        return tankId === undefined || row.fromLotId === null
          ? []
          : [
              {
                lotId: row.fromLotId,
                speciesKey: kinds.get(row.fromLotId) ?? '',
                tankId,
                heads: row.males + row.females + row.unsexed,
                at: row.fromAt,
                cause: row.cause,
              },
            ];
      }),
    };
  }

  /** Length of a quarantine, by the rule of each tank's rack. */
  async function daysBy(at: Reading, known?: Rooms): Promise<Map<string, number>> {
    const { racks, shelves, tanks } = known ?? (await room.repository.all(at));
    const rackDays = new Map(racks.map((rack) => [rack.id, rack.quarantineDays ?? QUARANTINE_DAYS]));
    const rackOf = createRackOf({ racks, shelves, tanks });
    return new Map(tanks.map((tank) => [tank.id, rackDays.get(rackOf(tank)?.rack.id ?? '') ?? QUARANTINE_DAYS]));
  }

  /** Where the quarantine of each of these tanks stands; null while nobody arrived. */
  async function load(
    who: Who,
    quarantined: ReadonlySet<string>,
    illnesses: ReadonlyMap<string, string>,
    known?: Rooms,
  ): Promise<Map<string, Quarantine | null>> {
    const ids = [...quarantined];
    const [arrivals, days] = await Promise.all([repository.lastArrivals(who, ids), daysBy(who, known)]);
    const day = (at: string | undefined) => (at === undefined ? null : houseDay(at, who.timeZone));
    const today = houseDay(clock.now(), who.timeZone);
    return new Map(
      ids.map((id) => [
        id,
        decideQuarantine(day(arrivals.get(id)), day(illnesses.get(id)), days.get(id) ?? QUARANTINE_DAYS, today),
      ]),
    );
  }

  /** The room as far as illness goes. */
  function toExposureFacts({ racks, shelves, tanks }: Rooms, illnesses: ExposureFacts['illnesses'], who: Who): ExposureFacts {
    const rackOf = createRackOf({ racks, shelves, tanks });
    return {
      tanks: new Map(
        tanks.map((tank) => {
          const { id, code, inTankId } = tank;
          return [id, { id, code, inTankId, sump: rackOf(tank)?.sump ?? null }];
        }),
      ),
      illnesses,
      timeZone: who.timeZone,
      today: houseDay(clock.now(), who.timeZone),
    };
  }

  return {
    trail,
    load,

    /** Lots that left a quarantine rack before their days were over. */
    async breaches(who: Who, quarantineRacks: ReadonlySet<string>, known?: Rooms) {
      const since = new Date(Date.parse(clock.now()) - LOOK_BACK_DAYS * DAY_MS).toISOString();
      if (quarantineRacks.size === 0) return [];
      const [went, days] = await Promise.all([repository.leftTanks(who, [...quarantineRacks], since), daysBy(who, known)]);
      return went.flatMap(({ lotId, fromTankId, toTankId, at, arrivedAt }) => {
        const quarantine = decideQuarantine(
          houseDay(arrivedAt, who.timeZone),
          null,
          days.get(fromTankId) ?? QUARANTINE_DAYS,
          houseDay(at, who.timeZone),
        );
        return quarantine && quarantine.daysLeft > 0 ? [{ lotId, fromTankId, toTankId, at, endsOn: quarantine.endsOn }] : [];
      });
    },

    /** Animals leave a quarantine when it is over, and water that illness was seen in when its days are; or with a reason. */
    async mustHold(who: Who, fromTankId: string, toTankId: string, pointer = '#/toTankId'): Promise<void> {
      const since = new Date(Date.parse(clock.now()) - (ILLNESS_DAYS + 1) * DAY_MS).toISOString();
      const [{ quarantined }, illnesses] = await Promise.all([readiness.load(who, new Map()), illnessesSince(who, since)]);
      if (quarantined.has(toTankId) || (illnesses.length === 0 && !quarantined.has(fromTankId))) return;
      const rooms = await room.repository.all(who);
      const exposure = mayMove(toExposureFacts(rooms, illnesses, who), fromTankId, { id: toTankId, isQuarantine: false });
      if (!exposure.ok)
        throw new DomainError('room/exposed', { detail: exposedWords(exposure.exposure, who, clock.now()), pointer });
      if (!quarantined.has(fromTankId)) return;
      const quarantine = (await load(who, new Set([fromTankId]), new Map(), rooms)).get(fromTankId);
      if (quarantine && quarantine.daysLeft > 0)
        throw new DomainError('room/quarantine', {
          detail: `Quarantine lasts until ${formatDay(quarantine.endsOn, houseDay(clock.now(), who.timeZone))}, ${quarantine.daysLeft} more days.`,
          pointer,
        });
    },
  };
}
