import {
  computeExposure,
  CONTACT_KINDS,
  exposurePath,
  findQuarantineRisks,
  HUB,
  standingContacts,
  type BiosecurityRack,
  type Contact,
  type ContactKind,
} from '@freshet/core/room';
import { addDays, instantOf } from '@freshet/core/time';
import { v7 as newId } from 'uuid';
import type { LogService } from '../log';
import { DomainError, groupBy, type Database, type Reading, type Who } from '../platform';
import { createBiosecurityRepository } from './biosecurity.repository';
import type { RoomService } from './room.service';

/** A lot that went from tank to tank, or out of the house. */
export interface LotTrail {
  moved: { lotId: string; from: string; to: string; at: string }[];
  left: { lotId: string; speciesKey: string; tankId: string; heads: number; at: string; cause: string }[];
}
type Rooms = Awaited<ReturnType<RoomService['repository']['all']>>;

const UNSEEN_DAYS = 7;
const BY_DEFAULT: readonly ContactKind[] = CONTACT_KINDS.filter((kind) => kind !== 'sameTools');

/** Contacts between tanks, illness seen, and how far it may have gone. */
export function createBiosecurity({
  database,
  log,
  room,
  lotTrail,
}: {
  database: Database;
  log: LogService;
  room: RoomService;
  /** Where lots went; handed in, since stock is a later area. */
  lotTrail: (at: Reading, since: string) => Promise<LotTrail>;
}) {
  const repository = createBiosecurityRepository(database);
  const { illnesses, contacts } = repository;

  /** The room as far as illness cares. */
  function toRacks(rooms: Rooms): BiosecurityRack[] {
    const byShelf = groupBy(rooms.tanks, (tank) => tank.shelfId ?? '');
    const byRack = groupBy(rooms.shelves, (shelf) => shelf.rackId);
    return rooms.racks.map(({ id, code, kind, sump, tools, quarantine }) => ({
      id,
      code,
      kind,
      sump,
      tools,
      quarantine,
      shelves: (byRack.get(id) ?? []).map((shelf) => ({
        level: shelf.level,
        tanks: (byShelf.get(shelf.id) ?? []).map((tank) => ({ ...tank, hasLid: rooms.equipped.get(tank.id)?.hasLid ?? false })),
      })),
    }));
  }

  async function exposure(
    who: Who,
    query: {
      tankId: string;
      day: string;
      direction?: 'exposed' | 'sources' | undefined;
      unseenDays?: number | undefined;
      kinds?: string | undefined;
    },
  ) {
    const tank = await room.getTank(who, query.tankId);
    const direction = query.direction ?? 'exposed';
    const unseen = query.unseenDays ?? UNSEEN_DAYS;
    const kinds = new Set(query.kinds?.split(',') ?? BY_DEFAULT);
    const known = CONTACT_KINDS as readonly string[];
    for (const kind of kinds)
      if (!known.includes(kind))
        throw new DomainError('request/invalid', { detail: `"${kind}" is no kind of contact.`, pointer: '#/kinds' });
    // What was carried before it may have been there carries nothing.
    const since = instantOf(addDays(query.day, -unseen), '00:00', who.timeZone);
    const [rooms, trail, logged, seen] = await Promise.all([
      room.repository.all(who),
      lotTrail(who, since),
      repository.contactsSince(who, since),
      illnesses.find(who, {}, { order: [['at', 'DESC']] }),
    ]);
    const dated = (from: string, to: string, kind: ContactKind, at: string): Contact => ({
      from,
      to,
      kind,
      atMs: Date.parse(at),
    });
    const all: Contact[] = [
      ...standingContacts(toRacks(rooms)),
      // What hangs in a tank has to do with its water.
      ...rooms.tanks.flatMap(({ id, inTankId }): Contact[] =>
        inTankId === null
          ? []
          : [
              { from: id, to: inTankId, kind: 'sump', atMs: null },
              { from: inTankId, to: id, kind: 'sump', atMs: null },
            ],
      ),
      ...trail.moved.map(({ from, to, at }) => dated(from, to, 'lot', at)),
      ...logged.map(({ fromTankId, toTankId, kind, at }) => dated(fromTankId, toTankId, kind, at)),
    ].filter((contact) => kinds.has(contact.kind));
    // It may have been there some days before it was seen; as a source it must have passed on before it shows.
    const atMs =
      direction === 'exposed'
        ? Date.parse(instantOf(addDays(query.day, -unseen), '00:00', who.timeZone))
        : Date.parse(instantOf(query.day, '23:59', who.timeZone));
    const found = computeExposure(all, tank.id, atMs, direction).filter(
      (one) =>
        direction === 'exposed' || one.sinceMs >= Date.parse(instantOf(addDays(query.day, -unseen), '00:00', who.timeZone)),
    );
    const byTank = new Map(found.map((one) => [one.tankId, one]));
    const reached = found.filter((one) => !one.tankId.startsWith(HUB));
    const reachedSince = new Map(reached.map((one) => [one.tankId, one.sinceMs]));
    const iso = (ms: number) => new Date(ms).toISOString();
    return {
      tankId: tank.id,
      direction,
      day: query.day,
      tanks: reached.map((one) => ({
        tankId: one.tankId,
        since: iso(one.sinceMs),
        path: exposurePath(byTank, one.tankId, direction).map(({ from, to, kind, atMs: when }) => ({
          fromTankId: from,
          toTankId: to,
          kind,
          at: when === null ? null : iso(when),
        })),
      })),
      left:
        direction === 'exposed'
          ? trail.left.filter(({ tankId, at }) => Date.parse(at) >= (reachedSince.get(tankId) ?? Infinity))
          : [],
      illnesses: seen.map(({ id, tankId, at, what }) => ({ id, tankId, at, what })),
      contacts: all.length,
    };
  }

  log.declare({
    illness: {
      apply: async (scope, body) => {
        const tank = await room.getTank(scope, body.tankId);
        await illnesses.insert(scope, { id: newId(), entryId: scope.entryId, tankId: tank.id, at: body.at, what: body.what });
        return { text: `${tank.code}: illness seen, ${body.what}`, tankId: tank.id, subjectId: tank.id };
      },
      undo: { tables: [illnesses] },
    },
    contact: {
      apply: async (scope, body) => {
        const [from, to] = await Promise.all([room.getTank(scope, body.fromTankId), room.getTank(scope, body.toTankId)]);
        const { fromTankId, toTankId, kind, at } = body;
        await contacts.insert(scope, { id: newId(), entryId: scope.entryId, fromTankId, toTankId, kind, at });
        const text = `${kind === 'water' ? 'Water' : 'Tools'} carried from ${from.code} to ${to.code}`;
        return { text, tankId: from.id, subjectId: to.id };
      },
      undo: { tables: [contacts] },
    },
  });

  return {
    exposure,
    repository,
    /** Quarantines from which illness would reach healthy tanks. */
    risks: (rooms: Rooms, quarantined: ReadonlySet<string>) => findQuarantineRisks(toRacks(rooms), quarantined),
  };
}
export type BiosecurityService = ReturnType<typeof createBiosecurity>;
