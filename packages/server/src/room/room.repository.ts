import type { Furnishing, MeasuringMethod, Quantity, VesselKind } from '@freshet/core/room';
import { Op, QueryTypes } from 'sequelize';
import {
  houseTable,
  type Database,
  declareTable,
  type RowOf,
  text,
  id,
  whole,
  flag,
  nullable,
  real,
  instant,
  type Reading,
  OLDEST_FIRST,
} from '../platform';
import { createSamplesRepository } from './samples.repository';

const RACK = declareTable('racks', {
  code: text(),
  name: text(),
  kind: text<'rack' | 'stand' | 'yard'>(),
  position: whole(),
  quarantine: flag(),
  sump: nullable(text()),
  tools: nullable(text()),
  quarantineDays: nullable(whole()),
});
const SHELF = declareTable('shelves', {
  rackId: id(),
  level: whole(),
  lengthCm: real(),
  depthCm: real(),
  heightCm: real(),
  loadLimitKg: nullable(real()),
});
/** Tanks, and vessels: a vessel has no shelf but a tank it hangs in, or a place in words. */
const TANK = declareTable('tanks', {
  kind: text<'tank' | VesselKind>(),
  shelfId: nullable(id()),
  inTankId: nullable(id()),
  place: nullable(text()),
  /** A vessel that was washed and put away holds nothing; its code stays for what was logged. */
  putAway: flag(),
  code: text(),
  lengthCm: real(),
  widthCm: real(),
  heightCm: real(),
  waterHeightCm: real(),
  glassMm: real(),
  substrateKg: real(),
  facing: text<'long' | 'short'>(),
  leftCm: real(),
  litres: real(),
  totalKg: real(),
  kgPerM2: real(),
});
export type TankRow = RowOf<typeof TANK>;
const READING = declareTable('readings', {
  tankId: id(),
  quantity: text<Quantity>(),
  value: real(),
  at: instant(),
  /** Null in rows that were written before methods were. */
  method: nullable(text<MeasuringMethod>()),
  meterId: nullable(id()),
});
export type ReadingRow = RowOf<typeof READING>;
const TANK_MOVE = declareTable('tank_moves', {
  tankId: id(),
  fromShelfId: id(),
  fromLeftCm: real(),
  fromFacing: text<'long' | 'short'>(),
  shelfId: id(),
  leftCm: real(),
  facing: text<'long' | 'short'>(),
  at: instant(),
});
const VESSEL_MOVE = declareTable('vessel_moves', {
  vesselId: id(),
  fromInTankId: nullable(id()),
  fromPlace: nullable(text()),
  fromCode: text(),
  at: instant(),
});
const EQUIPMENT = declareTable('equipment', {
  tankId: id(),
  heaterW: real(),
  filter: nullable(text()),
  hasLid: flag(),
  hasIntakeGuard: flag(),
  zeroDays: whole(),
  restDays: whole(),
  shelters: nullable(whole()),
  nightDropC: real(),
  growsAlgae: flag(),
  furnishing: nullable(text<Furnishing>()),
  lossWPerK: nullable(real()),
  at: instant(),
});
export type EquipmentRow = RowOf<typeof EQUIPMENT>;

const PROBE = declareTable('probes', {
  name: text(),
  tankId: id(),
});
export type ProbeRow = RowOf<typeof PROBE>;
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
  const probes = houseTable(database, PROBE);
  const racks = houseTable(database, RACK);
  const shelves = houseTable(database, SHELF);
  const tanks = houseTable(database, TANK);
  const readings = houseTable(database, READING);
  const tankMoves = houseTable(database, TANK_MOVE);
  const vesselMoves = houseTable(database, VESSEL_MOVE);
  const equipment = houseTable(database, EQUIPMENT);
  return {
    racks,
    samples,
    probes,
    tankMoves,
    vesselMoves,
    equipment,
    shelves,
    tanks,
    readings,
    /** Every rack, shelf, tank and vessel in use of a house, with what each tank is equipped with now. */
    async all(at: Reading) {
      const [rackRows, shelfRows, tankRows] = await Promise.all([
        racks.find(at, {}, { order: [['position', 'ASC']] }),
        shelves.find(at, {}, { order: [['level', 'ASC']] }),
        tanks.find(at, { putAway: false }, { order: [['leftCm', 'ASC']] }),
      ]);
      const rows = await equipment.newestBy(
        at,
        'tankId',
        tankRows.map(({ id: tankId }) => tankId),
      );
      const equipped = new Map(rows.map((row) => [row.tankId, row]));
      return { racks: rackRows, shelves: shelfRows, tanks: tankRows, equipped };
    },
    equippedOf: async (at: Reading, tankIds: readonly string[]) =>
      new Map((await equipment.newestBy(at, 'tankId', tankIds)).map((row) => [row.tankId, row])),
    newestEquipment: async (at: Reading, tankId: string) => (await equipment.newestBy(at, 'tankId', [tankId]))[0] ?? null,
    /** Newest temperature of every tank, by hand or by probe: one look at the end of the index for each. */
    async latestTemperatures(at: Reading) {
      const [byHand, probed] = await Promise.all([
        database.select<{ tankId: string; value: number; at: Date }>(
          at,
          `SELECT t.id tankId, r.at, r.value FROM tanks t JOIN readings r ON r.id = (
           SELECT n.id FROM readings n WHERE n.house_id = :houseId AND n.quantity = 'tempC' AND n.live = 1 AND n.tank_id = t.id ORDER BY n.at DESC LIMIT 1)
         WHERE t.house_id = :houseId AND t.live = 1`,
        ),
        probes.find(at).then((rows) => samples.latest(at, [...new Set(rows.map((row) => row.tankId))])),
      ]);
      const found = new Map(byHand.map(({ tankId, value, at }) => [tankId, { tankId, value, at: new Date(at).toISOString() }]));
      for (const sample of probed) if (sample.at > (found.get(sample.tankId)?.at ?? '')) found.set(sample.tankId, sample);
      return [...found.values()];
    },
    /** Temperatures by hand, and hourly means of probes, oldest first. */
    async temperaturesSince(at: Reading, tankIds: readonly string[], since: string): Promise<TemperatureRow[]> {
      const [byHand, probed] = await Promise.all([
        readings.find(at, { quantity: 'tempC', tankId: { [Op.in]: [...tankIds] }, at: { [Op.gte]: since } }),
        samples.hourly(
          at,
          tankIds.map((tankId) => ({ tankId, fromMs: Date.parse(since), toMs: Number.MAX_SAFE_INTEGER })),
        ),
      ]);
      return inOrder(byHand, probed);
    },
    /** Temperatures of some tanks, each within a span of its own. */
    async temperaturesWithin(
      at: Reading,
      spans: readonly { tankId: string; from: string; to: string }[],
    ): Promise<TemperatureRow[]> {
      const [byHand, probed] = await Promise.all([
        readings.find(at, {
          quantity: 'tempC',
          [Op.or]: spans.map(({ tankId, from, to }) => ({ tankId, at: { [Op.between]: [from, to] } })),
        }),
        samples.hourly(
          at,
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
    readingsSince: (at: Reading, tankId: string, since: string) =>
      readings.find(at, { tankId, at: { [Op.gte]: since } }, OLDEST_FIRST),
    /** Readings of some quantities in all tanks since a time, oldest first. */
    newestOf: (at: Reading, quantities: readonly Quantity[], since: string) =>
      readings.find(at, { quantity: { [Op.in]: [...quantities] }, at: { [Op.gte]: since } }, OLDEST_FIRST),
  };
}
