import type { MeasuringMethod, Quantity } from '@freshet/core/room';
import { Op, QueryTypes } from 'sequelize';
import { houseTable, type Database, type HouseRow } from '../platform';
import { createSamplesRepository } from './samples.repository';

export interface RackRow extends HouseRow {
  code: string;
  name: string;
  kind: 'rack' | 'stand' | 'yard';
  position: number;
  quarantine: boolean;
  sump: string | null;
  tools: string | null;
  quarantineDays: number | null;
}
export interface ShelfRow extends HouseRow {
  rackId: string;
  level: number;
  lengthCm: number;
  depthCm: number;
  heightCm: number;
  loadLimitKg: number | null;
}
export interface TankRow extends HouseRow {
  shelfId: string;
  code: string;
  lengthCm: number;
  widthCm: number;
  heightCm: number;
  waterHeightCm: number;
  glassMm: number;
  substrateKg: number;
  facing: 'long' | 'short';
  leftCm: number;
  litres: number;
  totalKg: number;
  kgPerM2: number;
}
export interface ReadingRow extends HouseRow {
  tankId: string;
  quantity: Quantity;
  value: number;
  at: string;
  /** Null in rows that were written before methods were. */
  method: MeasuringMethod | null;
  meterId: string | null;
}
export interface TankMoveRow extends HouseRow {
  tankId: string;
  fromShelfId: string;
  fromLeftCm: number;
  fromFacing: 'long' | 'short';
  shelfId: string;
  leftCm: number;
  facing: 'long' | 'short';
  at: string;
}
export interface EquipmentRow extends HouseRow {
  tankId: string;
  heaterW: number;
  filter: string | null;
  hasLid: boolean;
  hasIntakeGuard: boolean;
  zeroDays: number;
  restDays: number;
  shelters: number | null;
  at: string;
}

export interface ProbeRow extends HouseRow {
  name: string;
  tankId: string;
}
export interface TemperatureRow {
  tankId: string;
  at: string;
  value: number;
}

const inOrder = (...lists: readonly TemperatureRow[][]): TemperatureRow[] =>
  lists
    .flat()
    .map(({ tankId, at, value }) => ({ tankId, at, value }))
    .sort((a, b) => (a.at < b.at ? -1 : 1));

export function createRoomRepository(database: Database) {
  const samples = createSamplesRepository(database);
  const probes = houseTable<ProbeRow>(database, 'probes', { name: 'text', tankId: 'id' });
  const racks = houseTable<RackRow>(database, 'racks', {
    code: 'text',
    name: 'text',
    kind: 'text',
    position: 'whole',
    quarantine: 'flag',
    sump: 'text',
    tools: 'text',
    quarantineDays: 'whole',
  });
  const shelves = houseTable<ShelfRow>(database, 'shelves', {
    rackId: 'id',
    level: 'whole',
    lengthCm: 'real',
    depthCm: 'real',
    heightCm: 'real',
    loadLimitKg: 'real',
  });
  const tanks = houseTable<TankRow>(database, 'tanks', {
    shelfId: 'id',
    code: 'text',
    lengthCm: 'real',
    widthCm: 'real',
    heightCm: 'real',
    waterHeightCm: 'real',
    glassMm: 'real',
    substrateKg: 'real',
    facing: 'text',
    leftCm: 'real',
    litres: 'real',
    totalKg: 'real',
    kgPerM2: 'real',
  });
  const readings = houseTable<ReadingRow>(database, 'readings', {
    tankId: 'id',
    quantity: 'text',
    value: 'real',
    at: 'instant',
    method: 'text',
    meterId: 'id',
  });
  const tankMoves = houseTable<TankMoveRow>(database, 'tank_moves', {
    tankId: 'id',
    fromShelfId: 'id',
    fromLeftCm: 'real',
    fromFacing: 'text',
    shelfId: 'id',
    leftCm: 'real',
    facing: 'text',
    at: 'instant',
  });
  const equipment = houseTable<EquipmentRow>(database, 'equipment', {
    tankId: 'id',
    heaterW: 'real',
    filter: 'text',
    hasLid: 'flag',
    hasIntakeGuard: 'flag',
    zeroDays: 'whole',
    restDays: 'whole',
    shelters: 'whole',
    at: 'instant',
  });
  return {
    racks,
    samples,
    probes,
    tankMoves,
    equipment,
    shelves,
    tanks,
    readings,
    /** Every rack, shelf and tank of a house, with what each tank is equipped with now. */
    async all(houseId: string) {
      const [rackRows, shelfRows, tankRows, equipmentRows] = await Promise.all([
        racks.find(houseId, {}, { order: [['position', 'ASC']] }),
        shelves.find(houseId, {}, { order: [['level', 'ASC']] }),
        tanks.find(houseId, {}, { order: [['leftCm', 'ASC']] }),
        equipment.find(
          houseId,
          {},
          {
            order: [
              ['at', 'ASC'],
              ['id', 'ASC'],
            ],
          },
        ),
      ]);
      const equipped = new Map(equipmentRows.map((row) => [row.tankId, row]));
      return { racks: rackRows, shelves: shelfRows, tanks: tankRows, equipped };
    },
    /** Newest temperature of every tank, by hand or by probe: one look at the end of the index for each. */
    async latestTemperatures(houseId: string) {
      const [byHand, probed] = await Promise.all([
        database.sequelize.query<{ tankId: string; value: number; at: Date }>(
          `SELECT t.id tankId, r.at, r.value FROM tanks t JOIN readings r ON r.id = (
           SELECT n.id FROM readings n WHERE n.house_id = :houseId AND n.quantity = 'tempC' AND n.live = 1 AND n.tank_id = t.id ORDER BY n.at DESC LIMIT 1)
         WHERE t.house_id = :houseId AND t.live = 1`,
          { replacements: { houseId }, type: QueryTypes.SELECT },
        ),
        probes.find(houseId).then((rows) => samples.latest(houseId, [...new Set(rows.map((row) => row.tankId))])),
      ]);
      const found = new Map(byHand.map(({ tankId, value, at }) => [tankId, { tankId, value, at: new Date(at).toISOString() }]));
      for (const sample of probed) if (sample.at > (found.get(sample.tankId)?.at ?? '')) found.set(sample.tankId, sample);
      return [...found.values()];
    },
    /** Temperatures by hand, and hourly means of probes, oldest first. */
    async temperaturesSince(houseId: string, tankIds: readonly string[], since: string): Promise<TemperatureRow[]> {
      const [byHand, probed] = await Promise.all([
        readings.find(houseId, { quantity: 'tempC', tankId: { [Op.in]: [...tankIds] }, at: { [Op.gte]: since } }),
        samples.hourly(
          houseId,
          tankIds.map((tankId) => ({ tankId, fromMs: Date.parse(since), toMs: Number.MAX_SAFE_INTEGER })),
        ),
      ]);
      return inOrder(byHand, probed);
    },
    /** Temperatures of some tanks, each within a span of its own. */
    async temperaturesWithin(
      houseId: string,
      spans: readonly { tankId: string; from: string; to: string }[],
    ): Promise<TemperatureRow[]> {
      const [byHand, probed] = await Promise.all([
        readings.find(houseId, {
          quantity: 'tempC',
          [Op.or]: spans.map(({ tankId, from, to }) => ({ tankId, at: { [Op.between]: [from, to] } })),
        }),
        samples.hourly(
          houseId,
          spans.map(({ tankId, from, to }) => ({ tankId, fromMs: Date.parse(from), toMs: Date.parse(to) })),
        ),
      ]);
      return inOrder(byHand, probed);
    },
    /** A probe of any house: its token is all that a device has. */
    async probeById(probeId: string): Promise<(ProbeRow & { houseId: string }) | null> {
      const [row] = await database.sequelize.query<ProbeRow & { houseId: string }>(
        'SELECT id, house_id houseId, entry_id entryId, name, tank_id tankId FROM probes WHERE id = :probeId AND live = 1',
        { replacements: { probeId }, type: QueryTypes.SELECT },
      );
      return row ?? null;
    },
    readingsSince: (houseId: string, tankId: string, since: string) =>
      readings.find(houseId, { tankId, at: { [Op.gte]: since } }, { order: [['at', 'ASC']] }),
    /** Readings of some quantities in all tanks since a time, oldest first. */
    newestOf: (houseId: string, quantities: readonly Quantity[], since: string) =>
      readings.find(houseId, { quantity: { [Op.in]: [...quantities] }, at: { [Op.gte]: since } }, { order: [['at', 'ASC']] }),
  };
}
