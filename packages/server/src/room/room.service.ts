import { READING_LIMITS } from '@freshet/contract/room';
import { CalculationError } from '@freshet/core/errors';
import { QUARANTINE_DAYS, tankLoad, VESSEL_RULES, type MeasuringMethod } from '@freshet/core/room';
import { formatNumber } from '@freshet/core/units';
import type { Applied, LogService, Scope, Undoing } from '../log';
import { DomainError, groupBy, isDuplicate, type Database, type Reading, type Who } from '../platform';
import { v7 as newId } from 'uuid';
import { BARE, equipmentWords } from './equipmentWords';
import { createRackOf } from './rackOf';
import { createTankMoves } from './tankMoves';
import { createVessels } from './vessels.service';
import { createRoomRepository, type EquipmentRow, type ReadingRow, type TankRow } from './room.repository';

export type { TankRow } from './room.repository';
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
  log,
  meterOf,
  onTank,
}: {
  database: Database;
  log: LogService;
  /** Refuses an instrument that is not of this house; instruments belong to the water. */
  meterOf: (scope: Scope, meterId: string) => Promise<void>;
  /** Told of a new tank in its transaction, so that its readiness begins with it. */
  onTank?: (scope: Scope, tankId: string, state: 'running' | 'setUp') => Promise<void>;
}) {
  const repository = createRoomRepository(database);
  const { racks, shelves, tanks, readings, equipment } = repository;
  const equipmentOf = (row: EquipmentRow | undefined) => {
    if (!row) return BARE;
    const { id: _id, tankId: _tankId, at: _at, entryId, ...rest } = row;
    return { ...rest, version: entryId };
  };

  const moves = createTankMoves({ log, repository });
  const { findPlace } = moves;
  createVessels({ log, repository, takenCode });

  /** Refuses while something stands in what would go. */
  const unlessHeld =
    (inside: (scope: Scope, subjectId: string | null) => Promise<readonly unknown[]>): Undoing['before'] =>
    async (scope, entry) => {
      if ((await inside(scope, entry.subjectId)).length > 0)
        throw new DomainError('log/later-entries', { detail: 'Something stands in it; undo that first.' });
    };
  async function getTank(at: Reading, tankId: string, pointer?: string): Promise<TankRow> {
    const tank = await tanks.get(at, tankId);
    if (!tank || tank.putAway)
      throw new DomainError('request/not-found', {
        detail: tank ? `${tank.code} was put away.` : 'There’s no such tank.',
        ...(pointer ? { pointer } : {}),
      });
    return tank;
  }

  /** Animals swim: they are not put into damp peat. */
  async function mustHoldWater(at: Reading, tankId: string, pointer: string): Promise<void> {
    const { code, kind } = await getTank(at, tankId, pointer);
    if (kind !== 'tank' && !VESSEL_RULES[kind].wet)
      throw new DomainError('request/invalid', {
        detail: `${code} is a ${VESSEL_RULES[kind].words}. Only eggs go in there, from their brood’s page.`,
        pointer,
      });
  }
  /** What needs a tank is not done in a box or jar. */
  async function mustBeTank(at: Reading, tankId: string, pointer: string): Promise<TankRow> {
    const tank = await getTank(at, tankId, pointer);
    if (tank.kind !== 'tank')
      throw new DomainError('request/invalid', {
        detail: `${tank.code} is a ${VESSEL_RULES[tank.kind].words}. Choose a tank.`,
        pointer,
      });
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
    const tank = await getTank(scope, body.tankId);
    // An instrument of another house, or one that measures something else, says nothing here.
    if (body.meterId) await meterOf(scope, body.meterId);
    if (body.quantity === 'tempC' && !scope.override && (body.value < PLAUSIBLE_TEMP_C[0] || body.value > PLAUSIBLE_TEMP_C[1]))
      throw new DomainError('room/implausible-reading', {
        detail: `${formatNumber(body.value, 3)} °C would harm almost anything. If it’s right, say why.`,
        pointer: '#/value',
      });
    await readings.insert(scope, {
      id: newId(),
      entryId: scope.entryId,
      tankId: tank.id,
      quantity: body.quantity,
      value: body.value,
      at: body.at,
      method: body.method ?? (body.quantity === 'tempC' ? 'meter' : 'drops'),
      meterId: body.meterId ?? null,
    });
    const { label, unit } = READING_LIMITS[body.quantity];
    return { text: `${tank.code}: ${label} ${formatNumber(body.value, 3)} ${unit}`.trim(), tankId: tank.id, subjectId: tank.id };
  }

  log.declare({
    rack: {
      apply: async (scope, body) => {
        const { entryId } = scope;
        const others = await racks.find(scope, {});
        const position = others.reduce((last, rack) => Math.max(last, rack.position), 0) + 1;
        await takenCode(body.code, () =>
          racks.insert(scope, {
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
          }),
        );
        return { text: `${body.kind === 'yard' ? 'Yard' : 'Rack'} ${body.code} added: ${body.name}`, subjectId: body.id };
      },
      undo: { tables: [racks], before: unlessHeld((scope, rackId) => shelves.find(scope, { rackId })) },
    },
    shelf: {
      apply: async (scope, body) => {
        const { entryId } = scope;
        const rack = await racks.get(scope, body.rackId);
        if (!rack) throw new DomainError('request/not-found', { detail: 'There’s no such rack.', pointer: '#/rackId' });
        const others = await shelves.find(scope, { rackId: rack.id });
        const level = others.reduce((last, shelf) => Math.max(last, shelf.level), 0) + 1;
        await shelves.insert(scope, {
          id: body.id,
          entryId,
          rackId: rack.id,
          level,
          lengthCm: body.lengthCm,
          depthCm: body.depthCm,
          heightCm: body.heightCm,
          loadLimitKg: body.loadLimitKg,
        });
        return { text: `Shelf ${level} added to rack ${rack.code}`, subjectId: body.id };
      },
      undo: { tables: [shelves], before: unlessHeld((scope, shelfId) => tanks.find(scope, { shelfId })) },
    },
    tank: {
      apply: async (scope, body) => {
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
          kind: 'tank',
          shelfId,
          inTankId: null,
          place: null,
          putAway: false,
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
        await takenCode(code, () => tanks.insert(scope, row));
        await onTank?.(scope, id, body.state ?? 'running');
        return {
          text: `Tank ${code} added on ${shelfLabel}: ${formatNumber(load.waterLitres)} L, ${formatNumber(load.totalKg)} kg`,
          tankId: id,
          subjectId: id,
        };
      },
      undo: { tables: [tanks], before: unlessHeld((scope, inTankId) => tanks.find(scope, { inTankId, putAway: false })) },
    },
    reading: {
      apply: (scope, body) => applyReading(scope, body),
      undo: { tables: [readings] },
      ticks: {
        temperature: (_scope, { id, amount, at }) =>
          amount === null ? null : { tankId: id, quantity: 'tempC' as const, value: amount, at },
      },
    },
    equipment: {
      apply: async (scope, body) => {
        const tank = await getTank(scope, body.tankId);
        const { id: _id, version, override: _override, ...given } = body;
        const row = {
          ...given,
          shelters: given.shelters ?? null,
          nightDropC: given.nightDropC ?? 0,
          growsAlgae: given.growsAlgae ?? false,
          furnishing: given.furnishing ?? null,
          lossWPerK: given.lossWPerK ?? null,
        };
        const before = await repository.newestEquipment(scope, tank.id);
        await log.mustBeNewest(scope, version, before, { theirs: equipmentWords(before ?? BARE), yours: equipmentWords(row) });
        await equipment.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          at: scope.now,
          ...row,
        });
        return { text: `${tank.code}: ${equipmentWords(row)}`, tankId: tank.id, subjectId: tank.id };
      },
      undo: { tables: [equipment] },
    },
  });

  return {
    repository,
    getTank,
    /** Whether a tank stands under the sky. */
    async isOutdoor(at: Reading, tankId: string): Promise<boolean> {
      const rooms = await repository.all(at);
      const tank = rooms.tanks.find(({ id }) => id === tankId);
      return tank !== undefined && createRackOf(rooms)(tank)?.rack.kind === 'yard';
    },
    mustHoldWater,
    mustBeTank,
    applyReading,
    equipmentOf,

    async room(who: Who) {
      const { racks: rackRows, shelves: shelfRows, tanks: tankRows, equipped } = await repository.all(who);
      const byShelf = groupBy(tankRows, (tank) => tank.shelfId ?? '');
      const vessels = tankRows.flatMap(({ id, kind, code, litres, inTankId, place }) =>
        kind === 'tank' ? [] : [{ id, kind, code, litres, inTankId, place }],
      );
      const byRack = groupBy(shelfRows, (shelf) => shelf.rackId);
      return {
        vessels: vessels.sort((a, b) => (a.code < b.code ? -1 : 1)),
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
              tanks: onShelf.map(
                ({
                  entryId: _entry,
                  substrateKg: _substrate,
                  kind: _kind,
                  inTankId: _in,
                  place: _place,
                  putAway: _away,
                  ...tank
                }) => ({
                  ...tank,
                  shelfId: shelf.id,
                  equipment: equipmentOf(equipped.get(tank.id)),
                }),
              ),
            };
          }),
        })),
      };
    },
  };
}
export type RoomService = ReturnType<typeof createRoom>;
