import type { BodyOf } from '@freshet/contract/endpoints';
import { READING_LIMITS, type roomEndpoints } from '@freshet/contract/room';
import { CalculationError } from '@freshet/core/errors';
import { QUARANTINE_DAYS, READINESS_RULES, tankLoad, type MeasuringMethod } from '@freshet/core/room';
import { formatNumber } from '@freshet/core/units';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, isDuplicate, type Clock, type Database, type Who } from '../platform';
import { v7 as newId } from 'uuid';
import { createTankMoves } from './tankMoves';
import { createRoomRepository, type EquipmentRow, type ReadingRow, type TankRow } from './room.repository';

export type { TankRow } from './room.repository';
/** What a tank is taken to have until the keeper says otherwise. */
const BARE = {
  heaterW: 0,
  filter: null,
  hasLid: false,
  hasIntakeGuard: false,
  zeroDays: READINESS_RULES.zeroDays,
  restDays: READINESS_RULES.restDays,
  shelters: null,
};
type Body<Name extends keyof typeof roomEndpoints> = BodyOf<(typeof roomEndpoints)[Name]>;

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
export function createRoom({
  database,
  clock,
  log,
  onTank,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  /** Told of a new tank in its transaction, so that its readiness begins with it. */
  onTank?: (scope: Scope, tankId: string, state: 'running' | 'setUp') => Promise<void>;
}) {
  const repository = createRoomRepository(database);
  const { racks, shelves, tanks, readings, equipment } = repository;
  const equipmentOf = (row: EquipmentRow | undefined) => {
    if (!row) return BARE;
    const { heaterW, filter, hasLid, hasIntakeGuard, zeroDays, restDays, shelters } = row;
    return { heaterW, filter, hasLid, hasIntakeGuard, zeroDays, restDays, shelters };
  };
  const now = () => ({ from: clock.now(), to: clock.now() });

  const moves = createTankMoves({ log, repository, now });
  const { findPlace } = moves;

  log.onUndo({
    tables: [racks, shelves, tanks, readings, equipment],
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
    body: {
      tankId: string;
      quantity: ReadingRow['quantity'];
      value: number;
      at: string;
      method?: MeasuringMethod | undefined;
      meterId?: string | null | undefined;
    },
  ): Promise<Applied> {
    const tank = await getTank(scope.who, body.tankId, scope);
    if (body.quantity === 'tempC' && !scope.override && (body.value < PLAUSIBLE_TEMP_C[0] || body.value > PLAUSIBLE_TEMP_C[1]))
      throw new DomainError('room/implausible-reading', {
        detail: `${formatNumber(body.value, 3)} °C would harm almost any stock. If it is right, say why.`,
        pointer: '#/value',
      });
    await readings.insert(
      scope.who.houseId,
      {
        id: newId(),
        entryId: scope.entryId,
        tankId: tank.id,
        quantity: body.quantity,
        value: body.value,
        at: body.at,
        method: body.method ?? (body.quantity === 'tempC' ? 'meter' : 'drops'),
        meterId: body.meterId ?? null,
      },
      scope.tx,
    );
    const { label, unit } = READING_LIMITS[body.quantity];
    return { text: `${tank.code}: ${label} ${formatNumber(body.value, 3)} ${unit}`.trim(), tankId: tank.id, subjectId: tank.id };
  }

  return {
    repository,
    getTank,
    applyReading,
    equipmentOf,

    async room(who: Who) {
      const { racks: rackRows, shelves: shelfRows, tanks: tankRows, equipped } = await repository.all(who.houseId);
      const byShelf = groupBy(tankRows, (tank) => tank.shelfId);
      const byRack = groupBy(shelfRows, (shelf) => shelf.rackId);
      return {
        racks: rackRows.map(({ id, code, name, kind, position, quarantine, sump, tools, quarantineDays }) => ({
          id,
          code,
          name,
          kind,
          position,
          quarantine,
          sump,
          tools,
          quarantineDays: quarantineDays ?? QUARANTINE_DAYS,
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
              tanks: onShelf.map(({ entryId: _entry, substrateKg: _substrate, ...tank }) => ({
                ...tank,
                equipment: equipmentOf(equipped.get(tank.id)),
              })),
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
              tools: body.tools ?? null,
              quarantineDays: body.quarantineDays ?? null,
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
        const { leftCm, shelfLabel } = await findPlace(scope, body.shelfId, { ...body, totalKg: load.totalKg });
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
        await onTank?.(scope, id, body.state ?? 'running');
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

    moveTank: moves.moveTank,

    equip: (who: Who, body: Body<'equip'>) =>
      log.record(who, { id: body.id, kind: 'equipment', when: now() }, async (scope) => {
        const tank = await getTank(who, body.tankId, scope);
        const { id: _id, ...row } = body;
        await equipment.insert(
          who.houseId,
          { id: newId(), entryId: scope.entryId, at: scope.now, ...row, shelters: row.shelters ?? null },
          scope.tx,
        );
        const parts = [
          body.heaterW > 0 ? `heater ${formatNumber(body.heaterW, 3)} W` : 'no heater',
          body.filter,
          body.hasLid && 'lid',
          body.hasIntakeGuard && 'intake guard',
        ];
        return { text: `${tank.code}: ${parts.filter(Boolean).join(', ')}`, tankId: tank.id, subjectId: tank.id };
      }),
  };
}
export type RoomService = ReturnType<typeof createRoom>;
