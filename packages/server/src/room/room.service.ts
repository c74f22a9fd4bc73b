import type { BodyOf } from '@freshet/contract/endpoints';
import { READING_LIMITS, type roomEndpoints } from '@freshet/contract/room';
import { CalculationError } from '@freshet/core/errors';
import { tankLoad } from '@freshet/core/room';
import { formatNumber } from '@freshet/core/units';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, isDuplicate, type Clock, type Database, type Who } from '../platform';
import { v7 as newId } from 'uuid';
import { createRoomRepository, type ReadingRow, type TankRow } from './room.repository';

export type { TankRow } from './room.repository';
type Body<Name extends keyof typeof roomEndpoints> = BodyOf<(typeof roomEndpoints)[Name]>;

const DAY_MS = 86_400_000;
/** No home tank is kept outside this; beyond it a reason is asked for. */
const PLAUSIBLE_TEMP_C = [4, 36] as const;

async function takenCode<T>(code: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (isDuplicate(error))
      throw new DomainError('room/code-taken', {
        detail: `${code} is taken; choose another code.`,
        pointer: '#/code',
        cause: error,
      });
    throw error;
  }
}

/** Racks, shelves, tanks and their readings. */
export function createRoom({ database, clock, log }: { database: Database; clock: Clock; log: LogService }) {
  const repository = createRoomRepository(database);
  const { racks, shelves, tanks, readings } = repository;
  const now = () => ({ from: clock.now(), to: clock.now() });

  log.onUndo({
    tables: [racks, shelves, tanks, readings],
    async before({ who, tx }, entry) {
      const inside =
        entry.kind === 'rack'
          ? await shelves.find(who.houseId, { rackId: entry.subjectId }, { tx })
          : entry.kind === 'shelf'
            ? await tanks.find(who.houseId, { shelfId: entry.subjectId }, { tx })
            : [];
      if (inside.length > 0)
        throw new DomainError('log/later-entries', { detail: 'Something stands in it; take that back first.' });
    },
  });

  async function getTank(who: Who, tankId: string, scope?: Scope): Promise<TankRow> {
    const tank = await tanks.get(who.houseId, tankId, { tx: scope?.tx });
    if (!tank) throw new DomainError('request/not-found', { detail: 'There is no such tank.' });
    return tank;
  }

  async function applyReading(
    scope: Scope,
    body: { tankId: string; quantity: ReadingRow['quantity']; value: number; at: string },
  ): Promise<Applied> {
    const tank = await getTank(scope.who, body.tankId, scope);
    if (body.quantity === 'tempC' && !scope.override && (body.value < PLAUSIBLE_TEMP_C[0] || body.value > PLAUSIBLE_TEMP_C[1]))
      throw new DomainError('room/implausible-reading', {
        detail: `${formatNumber(body.value, 3)} °C would harm almost any stock. If it is right, say why.`,
        pointer: '#/value',
      });
    await readings.insert(
      scope.who.houseId,
      { id: newId(), entryId: scope.entryId, tankId: tank.id, quantity: body.quantity, value: body.value, at: body.at },
      scope.tx,
    );
    const { label, unit } = READING_LIMITS[body.quantity];
    return { text: `${tank.code}: ${label} ${formatNumber(body.value, 3)} ${unit}`.trim(), tankId: tank.id, subjectId: tank.id };
  }

  /** Places a tank on its shelf: behind the last, or where it was put when nothing stands there. */
  async function findPlace(
    scope: Scope,
    body: Body<'addTank'>,
    frontCm: number,
    sideCm: number,
    totalKg: number,
  ): Promise<{ leftCm: number; shelfLabel: string }> {
    const { who, tx } = scope;
    const shelf = await shelves.get(who.houseId, body.shelfId, { tx, lock: true });
    if (!shelf) throw new DomainError('request/not-found', { detail: 'There is no such shelf.', pointer: '#/shelfId' });
    const neighbours = await tanks.find(who.houseId, { shelfId: shelf.id }, { tx });
    const front = (tank: TankRow) => (tank.facing === 'long' ? tank.lengthCm : tank.widthCm);
    const leftCm = body.leftCm ?? neighbours.reduce((right, tank) => Math.max(right, tank.leftCm + front(tank) + 1), 0);
    const refuse = (detail: string, pointer: string) => {
      if (!scope.override) throw new DomainError('room/does-not-fit', { detail, pointer });
    };
    const clash = neighbours.find((tank) => leftCm < tank.leftCm + front(tank) && tank.leftCm < leftCm + frontCm);
    if (clash) throw new DomainError('room/does-not-fit', { detail: `${clash.code} stands there already.`, pointer: '#/leftCm' });
    if (leftCm + frontCm > shelf.lengthCm)
      refuse(
        `It would reach to ${formatNumber(leftCm + frontCm, 3)} cm; the shelf is ${formatNumber(shelf.lengthCm, 3)} cm long.`,
        '#/lengthCm',
      );
    if (sideCm > shelf.depthCm)
      refuse(`It is ${formatNumber(sideCm, 3)} cm deep; the shelf is ${formatNumber(shelf.depthCm, 3)} cm.`, '#/widthCm');
    if (body.heightCm > shelf.heightCm)
      refuse(
        `It is ${formatNumber(body.heightCm, 3)} cm high; there are ${formatNumber(shelf.heightCm, 3)} cm above the shelf.`,
        '#/heightCm',
      );
    const load = neighbours.reduce((sum, tank) => sum + tank.totalKg, totalKg);
    if (shelf.loadLimitKg !== null && load > shelf.loadLimitKg)
      refuse(
        `The shelf would carry ${formatNumber(load, 3)} kg; its limit is ${formatNumber(shelf.loadLimitKg, 3)} kg.`,
        '#/waterHeightCm',
      );
    return { leftCm, shelfLabel: `shelf ${shelf.level}` };
  }

  return {
    repository,
    getTank,
    applyReading,

    async room(who: Who) {
      const { racks: rackRows, shelves: shelfRows, tanks: tankRows } = await repository.all(who.houseId);
      const byShelf = groupBy(tankRows, (tank) => tank.shelfId);
      const byRack = groupBy(shelfRows, (shelf) => shelf.rackId);
      return {
        racks: rackRows.map(({ id, code, name, kind, position, quarantine, sump }) => ({
          id,
          code,
          name,
          kind,
          position,
          quarantine,
          sump,
          shelves: (byRack.get(id) ?? []).map((shelf) => {
            const onShelf = byShelf.get(shelf.id) ?? [];
            return {
              id: shelf.id,
              level: shelf.level,
              lengthCm: shelf.lengthCm,
              depthCm: shelf.depthCm,
              heightCm: shelf.heightCm,
              loadLimitKg: shelf.loadLimitKg,
              loadKg: onShelf.reduce((sum, tank) => sum + tank.totalKg, 0),
              tanks: onShelf.map(({ entryId: _entry, substrateKg: _substrate, ...tank }) => tank),
            };
          }),
        })),
      };
    },

    addRack: (who: Who, body: Body<'addRack'>) =>
      log.record(who, { id: body.id, kind: 'rack', when: now() }, async ({ tx, entryId }) => {
        const others = await racks.find(who.houseId, {}, { tx });
        const position = others.reduce((last, rack) => Math.max(last, rack.position), 0) + 1;
        await takenCode(body.code, () =>
          racks.insert(
            who.houseId,
            {
              id: body.id,
              entryId,
              code: body.code,
              name: body.name,
              kind: body.kind,
              position,
              quarantine: body.quarantine,
              sump: body.sump,
            },
            tx,
          ),
        );
        return { text: `${body.kind === 'yard' ? 'Yard' : 'Rack'} ${body.code} added: ${body.name}`, subjectId: body.id };
      }),

    addShelf: (who: Who, body: Body<'addShelf'>) =>
      log.record(who, { id: body.id, kind: 'shelf', when: now() }, async ({ tx, entryId }) => {
        const rack = await racks.get(who.houseId, body.rackId, { tx, lock: true });
        if (!rack) throw new DomainError('request/not-found', { detail: 'There is no such rack.', pointer: '#/rackId' });
        const others = await shelves.find(who.houseId, { rackId: rack.id }, { tx });
        const level = others.reduce((last, shelf) => Math.max(last, shelf.level), 0) + 1;
        await shelves.insert(
          who.houseId,
          {
            id: body.id,
            entryId,
            rackId: rack.id,
            level,
            lengthCm: body.lengthCm,
            depthCm: body.depthCm,
            heightCm: body.heightCm,
            loadLimitKg: body.loadLimitKg,
          },
          tx,
        );
        return { text: `Shelf ${level} added to rack ${rack.code}`, subjectId: body.id };
      }),

    addTank: (who: Who, body: Body<'addTank'>) =>
      log.record(who, { id: body.id, kind: 'tank', when: now(), override: body.override }, async (scope) => {
        let load;
        try {
          load = tankLoad(body);
        } catch (error) {
          if (error instanceof CalculationError)
            throw new DomainError('request/invalid', { detail: error.message, pointer: `#/${error.field ?? ''}`, cause: error });
          throw error;
        }
        const [frontCm, sideCm] = body.facing === 'long' ? [body.lengthCm, body.widthCm] : [body.widthCm, body.lengthCm];
        const { leftCm, shelfLabel } = await findPlace(scope, body, frontCm, sideCm, load.totalKg);
        const { id, shelfId, code, lengthCm, widthCm, heightCm, waterHeightCm, substrateKg, facing } = body;
        const row: TankRow = {
          id,
          entryId: scope.entryId,
          shelfId,
          code,
          lengthCm,
          widthCm,
          heightCm,
          waterHeightCm,
          substrateKg,
          facing,
          leftCm,
          glassMm: load.glassMm,
          litres: load.waterLitres,
          totalKg: load.totalKg,
          kgPerM2: load.kgPerM2,
        };
        await takenCode(code, () => tanks.insert(who.houseId, row, scope.tx));
        return {
          text: `Tank ${code} added on ${shelfLabel}: ${formatNumber(load.waterLitres)} L, ${formatNumber(load.totalKg)} kg`,
          tankId: id,
          subjectId: id,
        };
      }),

    addReading: (who: Who, body: Body<'addReading'>) =>
      log.record(who, { id: body.id, kind: 'reading', when: { from: body.at, to: body.at }, override: body.override }, (scope) =>
        applyReading(scope, body),
      ),

    async readings(who: Who, tankId: string, days: number) {
      const tank = await getTank(who, tankId);
      const since = new Date(Date.parse(clock.now()) - days * DAY_MS).toISOString();
      const rows = await repository.readingsSince(who.houseId, tank.id, since);
      return rows.map(({ id, quantity, value, at }) => ({ id, quantity, value, at }));
    },
  };
}
export type RoomService = ReturnType<typeof createRoom>;
