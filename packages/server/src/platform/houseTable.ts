import { DataTypes, literal, Op, Utils, type ModelAttributes, type Order, type WhereOptions } from 'sequelize';
import { optionsOf, type Reading, type Writing } from './access';
import type { Database } from './database';

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
  bytes: () => ({ type: DataTypes.BLOB('medium') }),
};
type ColumnKind = keyof typeof COLUMN;

/** What every row of a house carries: the entry that made it; undone rows are no longer live. */
export interface HouseRow {
  id: string;
  entryId: string;
}

interface FindOptions {
  order?: Order;
  limit?: number;
  /** In the order their entries were written, by the server's numbers. */
  asWritten?: boolean;
  /** Undone rows too. */
  all?: boolean;
}

/** A column and the type its values have on our side. */
export interface Column<T> {
  kind: ColumnKind;
  /** Only a type. */
  readonly holds?: T;
}
const column =
  <Base>(kind: ColumnKind) =>
  <T extends Base = Base>(): Column<T> => ({ kind });
export const id = column<string>('id');
export const text = column<string>('text');
export const real = column<number>('real');
export const whole = column<number>('whole');
export const flag = column<boolean>('flag');
/** A day of the house. */
export const day = column<string>('day');
export const instant = column<string>('instant');
export const json = column<unknown>('json');
export const bytes = column<Buffer>('bytes');
/** A column that may hold nothing. */
export const nullable = <T>({ kind }: Column<T>): Column<T | null> => ({ kind });

type Columns = Record<string, Column<unknown>>;
/** A table as it is declared, once: its name and columns, from which its rows have their type. */
export interface Declared<Own extends Columns> {
  name: string;
  columns: Own;
}
/** A row of a declared table. */
export type RowOf<Table> =
  Table extends Declared<infer Own> ? HouseRow & { [Name in keyof Own]: Own[Name] extends Column<infer T> ? T : never } : never;
/** Declares a table of rows that belong to houses. */
export const declareTable = <Own extends Columns>(name: string, columns: Own): Declared<Own> => ({ name, columns });

/** One table whose rows belong to houses; no call is possible without an access to one. */
export interface HouseTable<Row extends HouseRow> {
  name: string;
  find(at: Reading, where?: WhereOptions, options?: FindOptions): Promise<Row[]>;
  get(at: Reading, id: string, options?: FindOptions): Promise<Row | null>;
  /** The newest row of each of these, by `at`: one look at the end of an index for each. @param column - as named on our side */
  newestBy(at: Reading, column: string, keys: readonly string[]): Promise<Row[]>;
  insert(at: Writing, rows: Row | readonly Row[]): Promise<void>;
  update(at: Writing, where: WhereOptions, patch: Partial<Row>): Promise<number>;
  /** Takes the rows of an entry out of sight. */
  undo(at: Writing, entryId: string): Promise<void>;
}

/** A house's table by what an undo needs of it. */
export type AnyHouseTable = Pick<HouseTable<HouseRow>, 'name' | 'undo'>;

/** Declares a house's table. `live` is 1, or null once undone, so that unique keys hold for live rows only. */
export function houseTable<Own extends Columns>(
  database: Database,
  { name, columns }: Declared<Own>,
): HouseTable<RowOf<Declared<Own>>> {
  type Row = RowOf<Declared<Own>>;
  const kinds: Record<string, ColumnKind> = { entryId: 'id' };
  for (const [own, { kind }] of Object.entries(columns)) kinds[own] = kind;
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
  const find: HouseTable<Row>['find'] = async (at, where = {}, { order, limit, asWritten, all } = {}) => {
    const found = await model.findAll({
      where: { ...(where as object), houseId: at.houseId, ...(all ? {} : { live: 1 }) },
      attributes: shown,
      raw: true,
      ...optionsOf(at),
      ...(order ? { order } : {}),
      ...(asWritten ? { order: [[literal(`(SELECT sequence FROM entries WHERE entries.id = ${name}.entry_id)`), 'ASC']] } : {}),
      ...(limit ? { limit } : {}),
    });
    return (found as unknown as Record<string, unknown>[]).map(decode);
  };
  return {
    name,
    find,
    get: async (at, rowId, options) => (await find(at, { id: rowId }, { ...options, limit: 1 }))[0] ?? null,
    async newestBy(at, column, keys) {
      if (keys.length === 0) return [];
      const { sequelize } = database;
      const house = sequelize.escape(at.houseId);
      const own = Utils.underscoredIf(column, true);
      const ends = keys.map(
        (key) =>
          `(SELECT n.id FROM ${name} n WHERE n.house_id = ${house} AND n.${own} = ${sequelize.escape(key)} AND n.live = 1 ORDER BY n.at DESC, n.id DESC LIMIT 1)`,
      );
      return find(at, { id: { [Op.in]: sequelize.literal(`(SELECT id FROM (${ends.join(' UNION ALL ')}) newest)`) } });
    },
    async insert(at, rows) {
      const list = (Array.isArray(rows) ? rows : [rows]) as Row[];
      if (list.length > 0)
        await model.bulkCreate(
          list.map((row) => ({ ...encode(row), houseId: at.houseId, live: 1 })),
          { transaction: at.tx },
        );
    },
    async update(at, where, patch) {
      const [affected] = await model.update(encode(patch), {
        where: { ...(where as object), houseId: at.houseId, live: 1 },
        transaction: at.tx,
      });
      return affected;
    },
    async undo(at, entryId) {
      await model.update({ live: null }, { where: { houseId: at.houseId, entryId }, transaction: at.tx });
    },
  };
}

/** In the order things happened; what happened at once, in the order it was written. */
export const OLDEST_FIRST: { order: [string, string][] } = {
  order: [
    ['at', 'ASC'],
    ['id', 'ASC'],
  ],
};
