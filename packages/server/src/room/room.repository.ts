import { Op, QueryTypes } from 'sequelize';
import { houseTable, type Database, type HouseRow } from '../platform';

export interface RackRow extends HouseRow {
  code: string;
  name: string;
  kind: 'rack' | 'stand' | 'yard';
  position: number;
  quarantine: boolean;
  sump: string | null;
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
  quantity: 'tempC' | 'ph' | 'ghDeg' | 'khDeg' | 'tdsPpm' | 'ammoniaPpm' | 'nitritePpm' | 'nitratePpm';
  value: number;
  at: string;
}

export function createRoomRepository(database: Database) {
  const racks = houseTable<RackRow>(database, 'racks', {
    code: 'text',
    name: 'text',
    kind: 'text',
    position: 'whole',
    quarantine: 'flag',
    sump: 'text',
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
  const readings = houseTable<ReadingRow>(database, 'readings', { tankId: 'id', quantity: 'text', value: 'real', at: 'instant' });
  return {
    racks,
    shelves,
    tanks,
    readings,
    /** Every rack, shelf and tank of a house. */
    async all(houseId: string) {
      const [rackRows, shelfRows, tankRows] = await Promise.all([
        racks.find(houseId, {}, { order: [['position', 'ASC']] }),
        shelves.find(houseId, {}, { order: [['level', 'ASC']] }),
        tanks.find(houseId, {}, { order: [['leftCm', 'ASC']] }),
      ]);
      return { racks: rackRows, shelves: shelfRows, tanks: tankRows };
    },
    /** Newest temperature of every tank: one look at the end of the index for each. */
    latestTemperatures: (houseId: string) =>
      database.sequelize.query<{ tankId: string; value: number; at: Date }>(
        `SELECT t.id tankId, r.at, r.value FROM tanks t JOIN readings r ON r.id = (
           SELECT n.id FROM readings n WHERE n.house_id = :houseId AND n.quantity = 'tempC' AND n.live = 1 AND n.tank_id = t.id ORDER BY n.at DESC LIMIT 1)
         WHERE t.house_id = :houseId AND t.live = 1`,
        { replacements: { houseId }, type: QueryTypes.SELECT },
      ),
    temperaturesSince: (houseId: string, tankIds: readonly string[], since: string) =>
      readings.find(
        houseId,
        { quantity: 'tempC', tankId: { [Op.in]: [...tankIds] }, at: { [Op.gte]: since } },
        { order: [['at', 'ASC']] },
      ),
    /** Temperatures of some tanks, each within a span of its own. */
    temperaturesWithin: (houseId: string, spans: readonly { tankId: string; from: string; to: string }[]) =>
      readings.find(houseId, {
        quantity: 'tempC',
        [Op.or]: spans.map(({ tankId, from, to }) => ({ tankId, at: { [Op.between]: [from, to] } })),
      }),
    readingsSince: (houseId: string, tankId: string, since: string) =>
      readings.find(houseId, { tankId, at: { [Op.gte]: since } }, { order: [['at', 'ASC']] }),
  };
}
