import { QUANTITIES, type Bucket, type Quantity } from '@freshet/core/room';
import { QueryTypes } from 'sequelize';
import type { Database, Reading } from '../platform';

/** A value a probe sent. */
export interface SampleRow {
  houseId: string;
  tankId: string;
  quantity: Quantity;
  atMs: number;
  value: number;
}

const HOUR_MS = 3_600_000;
/** Place in core's list; it is stored, so the list only grows at its end. */
const codeOf = (quantity: Quantity) => QUANTITIES.indexOf(quantity);
const TEMP = codeOf('tempC');
/** An id as a binary literal; only hexadecimal digits pass. */
const bin = (id: string) => `x'${id.replaceAll(/[^0-9a-f]/g, '')}'`;
const toId = (bytes: Buffer) => bytes.toString('hex').replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
const number = (value: number) => {
  if (!Number.isFinite(value)) throw new TypeError('not a finite number');
  return String(value);
};

/** The series that probes send; rows are no entries of the log, and each is kept once. */
export function createSamplesRepository(database: Database) {
  const select = <T extends object>(at: Reading, sql: string) =>
    database.sequelize.query<T>(sql, { type: QueryTypes.SELECT, ...(at.tx ? { transaction: at.tx } : {}) });
  const within = ({ houseId }: Reading, tankId: string, quantity: Quantity, fromMs: number, toMs: number) =>
    `house_id = ${bin(houseId)} AND tank_id = ${bin(tankId)} AND quantity = ${codeOf(quantity)} AND at_ms BETWEEN ${number(fromMs)} AND ${number(toMs)}`;
  return {
    /** Writes rows in one statement; those that are there already stay as they are. */
    async insert(rows: readonly SampleRow[]): Promise<void> {
      if (rows.length === 0) return;
      const values = rows.map(
        ({ houseId, tankId, quantity, atMs, value }) =>
          `(${bin(houseId)},${bin(tankId)},${codeOf(quantity)},${number(atMs)},${number(value)})`,
      );
      await database.sequelize.query(
        `INSERT IGNORE INTO samples (house_id, tank_id, quantity, at_ms, value) VALUES ${values.join(',')}`,
        { type: QueryTypes.INSERT },
      );
    },

    /** A series thinned to stretches of `stepMs`: mean, lowest, highest. One pass over the range of the primary key. */
    async series(
      at: Reading,
      tankId: string,
      quantity: Quantity,
      fromMs: number,
      toMs: number,
      stepMs: number,
    ): Promise<Bucket[]> {
      const rows = await select<{ step: string; mean: number; low: number; high: number; n: string }>(
        at,
        `SELECT at_ms DIV ${number(Math.max(1, Math.round(stepMs)))} step, AVG(value) mean, MIN(value) low, MAX(value) high, COUNT(*) n
         FROM samples WHERE ${within(at, tankId, quantity, fromMs, toMs)} GROUP BY step ORDER BY step`,
      );
      return rows.map(({ step, mean, low, high, n }) => ({
        at: new Date(Number(step) * Math.max(1, Math.round(stepMs))).toISOString(),
        mean,
        low,
        high,
        count: Number(n),
      }));
    },

    /** Newest temperature of each of these tanks: one look at the end of the key for each. */
    async latest(reading: Reading, tankIds: readonly string[]): Promise<{ tankId: string; at: string; value: number }[]> {
      if (tankIds.length === 0) return [];
      const rows = await select<{ tank: Buffer; at: string; value: number }>(
        reading,
        tankIds
          .map(
            (tankId) =>
              `(SELECT tank_id tank, at_ms at, value FROM samples WHERE house_id = ${bin(reading.houseId)} AND tank_id = ${bin(tankId)} AND quantity = ${TEMP} ORDER BY at_ms DESC LIMIT 1)`,
          )
          .join(' UNION ALL '),
      );
      return rows.map(({ tank, at, value }) => ({ tankId: toId(tank), at: new Date(Number(at)).toISOString(), value }));
    },

    /** Temperatures of the last hours as means of `stepMs`, oldest first, for judging probes. */
    async recent(
      reading: Reading,
      tankIds: readonly string[],
      fromMs: number,
      stepMs: number,
    ): Promise<{ tankId: string; at: string; value: number }[]> {
      if (tankIds.length === 0) return [];
      const rows = await select<{ tank: Buffer; at: string; value: number }>(
        reading,
        `SELECT tank_id tank, MAX(at_ms) at, AVG(value) value FROM samples
         WHERE house_id = ${bin(reading.houseId)} AND tank_id IN (${tankIds.map(bin).join(',')}) AND quantity = ${TEMP} AND at_ms >= ${number(fromMs)}
         GROUP BY tank_id, at_ms DIV ${number(stepMs)} ORDER BY tank_id, at`,
      );
      return rows.map(({ tank, at, value }) => ({ tankId: toId(tank), at: new Date(Number(at)).toISOString(), value }));
    },

    /** Hourly mean temperatures, each tank within a span of its own. */
    async hourly(
      at: Reading,
      spans: readonly { tankId: string; fromMs: number; toMs: number }[],
    ): Promise<{ tankId: string; at: string; value: number }[]> {
      if (spans.length === 0) return [];
      const rows = await select<{ tank: Buffer; hour: string; value: number }>(
        at,
        `SELECT tank_id tank, at_ms DIV ${HOUR_MS} hour, AVG(value) value FROM samples WHERE ${spans
          .map(({ tankId, fromMs, toMs }) => `(${within(at, tankId, 'tempC', fromMs, toMs)})`)
          .join(' OR ')} GROUP BY tank_id, hour`,
      );
      return rows.map(({ tank, hour, value }) => ({
        tankId: toId(tank),
        at: new Date((Number(hour) + 0.5) * HOUR_MS).toISOString(),
        value,
      }));
    },
  };
}
