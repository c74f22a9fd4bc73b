import { DataTypes, type ModelAttributes, type Order, type WhereOptions } from 'sequelize';
import type { Database, Tx } from './database';

/** Kinds of columns; dates are instants as ISO text on our side. */
const COLUMN = {
  id: () => ({ type: DataTypes.CHAR(36) }),
  text: () => ({ type: DataTypes.TEXT }),
  real: () => ({ type: DataTypes.DOUBLE }),
  whole: () => ({ type: DataTypes.INTEGER }),
  flag: () => ({ type: DataTypes.BOOLEAN }),
  day: () => ({ type: DataTypes.DATEONLY }),
  instant: () => ({ type: DataTypes.DATE(3) }),
  json: () => ({ type: DataTypes.TEXT('long') }),
};
type ColumnKind = keyof typeof COLUMN;

/** What every row of a house carries: the entry that made it; undone rows are no longer live. */
export interface HouseRow {
  id: string;
  entryId: string;
}

interface FindOptions {
  tx?: Tx | undefined;
  order?: Order;
  limit?: number;
  lock?: boolean;
  /** Undone rows too. */
  all?: boolean;
}

/** One table whose rows belong to houses; no call is possible without one. */
export interface HouseTable<Row extends HouseRow> {
  name: string;
  find(houseId: string, where?: WhereOptions, options?: FindOptions): Promise<Row[]>;
  get(houseId: string, id: string, options?: FindOptions): Promise<Row | null>;
  insert(houseId: string, rows: Row | readonly Row[], tx?: Tx): Promise<void>;
  update(houseId: string, where: WhereOptions, patch: Partial<Row>, tx: Tx): Promise<number>;
  /** Takes the rows of an entry out of sight. */
  undo(houseId: string, entryId: string, tx: Tx): Promise<void>;
}

/** Declares a house's table. `live` is 1, or null once undone, so that unique keys hold for live rows only. */
export function houseTable<Row extends HouseRow>(
  database: Database,
  name: string,
  columns: Record<Exclude<keyof Row & string, 'id' | 'entryId'>, ColumnKind>,
): HouseTable<Row> {
  const kinds: Record<string, ColumnKind> = { ...(columns as Record<string, ColumnKind>), entryId: 'id' };
  const attributes: ModelAttributes = {
    id: { type: DataTypes.CHAR(36), primaryKey: true },
    houseId: { type: DataTypes.CHAR(36), allowNull: false },
    live: { type: DataTypes.TINYINT, allowNull: true },
  };
  for (const [column, kind] of Object.entries(kinds)) attributes[column] = COLUMN[kind]();
  const model = database.sequelize.define(name, attributes, { tableName: name, timestamps: false });
  const shown = ['id', ...Object.keys(kinds)];
  const decoded = Object.entries(kinds).filter(([, kind]) => kind === 'instant' || kind === 'json' || kind === 'flag');
  const decode = (raw: Record<string, unknown>): Row => {
    for (const [column, kind] of decoded) {
      const value = raw[column];
      if (value === null || value === undefined) continue;
      raw[column] =
        kind === 'instant'
          ? (value as Date).toISOString()
          : kind === 'flag'
            ? Boolean(value)
            : typeof value === 'string'
              ? JSON.parse(value)
              : value;
    }
    return raw as unknown as Row;
  };
  const encode = (row: Partial<Row>): Record<string, unknown> => {
    const out: Record<string, unknown> = {};
    for (const [column, value] of Object.entries(row))
      out[column] = kinds[column] === 'json' && value !== null ? JSON.stringify(value) : value;
    return out;
  };
  const find: HouseTable<Row>['find'] = async (houseId, where = {}, { tx, order, limit, lock, all } = {}) => {
    const found = await model.findAll({
      where: { ...(where as object), houseId, ...(all ? {} : { live: 1 }) },
      attributes: shown,
      raw: true,
      ...(tx ? { transaction: tx } : {}),
      ...(tx && lock ? { lock: tx.LOCK.UPDATE } : {}),
      ...(order ? { order } : {}),
      ...(limit ? { limit } : {}),
    });
    return (found as unknown as Record<string, unknown>[]).map(decode);
  };
  return {
    name,
    find,
    get: async (houseId, id, options) => (await find(houseId, { id }, { ...options, limit: 1 }))[0] ?? null,
    async insert(houseId, rows, tx) {
      const list = (Array.isArray(rows) ? rows : [rows]) as Row[];
      if (list.length > 0)
        await model.bulkCreate(
          list.map((row) => ({ ...encode(row), houseId, live: 1 })),
          tx ? { transaction: tx } : {},
        );
    },
    async update(houseId, where, patch, tx) {
      const [affected] = await model.update(encode(patch), {
        where: { ...(where as object), houseId, live: 1 },
        transaction: tx,
      });
      return affected;
    },
    async undo(houseId, entryId, tx) {
      await model.update({ live: null }, { where: { houseId, entryId }, transaction: tx });
    },
  };
}
