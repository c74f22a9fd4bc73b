import { QueryTypes } from 'sequelize';
import type { Role } from '@freshet/contract/endpoints';
import type { Database, Tx } from '../platform';

/** A membership with its user and house. */
export interface MemberRow {
  userId: string;
  login: string;
  name: string;
  passwordHash: string;
  role: Role;
  houseId: string;
  houseName: string;
  timeZone: string;
  temperatureUnit: 'degC' | 'degF';
  volumeUnit: 'L' | 'galUS';
  currency: string;
  demo: number;
}

const MEMBER = `SELECT u.id userId, u.login, u.name, u.password_hash passwordHash, m.role, h.id houseId, h.name houseName, h.time_zone timeZone,
  h.temperature_unit temperatureUnit, h.volume_unit volumeUnit, h.currency, h.demo
  FROM users u JOIN members m ON m.user_id = u.id JOIN houses h ON h.id = m.house_id`;

export function createAccountsRepository({ sequelize }: Database) {
  const select = <T extends object>(sql: string, replacements: Record<string, unknown>) =>
    sequelize.query<T>(sql, { replacements, type: QueryTypes.SELECT });
  const insert = async (table: string, row: Record<string, unknown>, tx: Tx) => {
    const columns = Object.keys(row);
    await sequelize.query(
      `INSERT INTO ${table} (${columns.join(', ')}) VALUES (${columns.map((column) => `:${column}`).join(', ')})`,
      { replacements: row, transaction: tx },
    );
  };
  return {
    byLogin: async (login: string) => (await select<MemberRow>(`${MEMBER} WHERE u.login = :login LIMIT 1`, { login }))[0] ?? null,
    byIds: async (userId: string, houseId: string) =>
      (await select<MemberRow>(`${MEMBER} WHERE u.id = :userId AND h.id = :houseId LIMIT 1`, { userId, houseId }))[0] ?? null,
    countHouses: async () => Number((await select<{ count: number }>('SELECT COUNT(*) count FROM houses', {}))[0]?.count ?? 0),
    houseIds: async () => (await select<{ id: string }>('SELECT id FROM houses', {})).map(({ id }) => id),
    demoHouseIds: async () => (await select<{ id: string }>('SELECT id FROM houses WHERE demo = TRUE', {})).map(({ id }) => id),
    hasDemo: async () => (await select<{ id: string }>('SELECT id FROM houses WHERE demo = TRUE LIMIT 1', {})).length > 0,
    /** Houses whose first filling was broken off. */
    unfilledIds: async () => (await select<{ id: string }>('SELECT id FROM houses WHERE filled = FALSE', {})).map(({ id }) => id),
    markFilled: async (houseId: string) => {
      await sequelize.query('UPDATE houses SET filled = TRUE WHERE id = :houseId', { replacements: { houseId } });
    },
    /** Takes a house and all that is in it out of the database: only for one that was never finished. */
    remove: async (houseId: string, tx: Tx): Promise<void> => {
      const tables = await select<{ name: string; type: string }>(
        `SELECT table_name name, data_type type FROM information_schema.columns WHERE table_schema = DATABASE() AND column_name = 'house_id'`,
        {},
      );
      const drop = (sql: string) => sequelize.query(sql, { replacements: { houseId }, transaction: tx });
      await drop('DELETE FROM users WHERE id IN (SELECT user_id FROM members WHERE house_id = :houseId)');
      for (const { name, type } of tables)
        await drop(
          `DELETE FROM ${name} WHERE house_id = ${type === 'binary' ? "UNHEX(REPLACE(:houseId, '-', ''))" : ':houseId'}`,
        );
      await drop('DELETE FROM houses WHERE id = :houseId');
    },
    insertHouse: (
      row: {
        id: string;
        name: string;
        time_zone: string;
        latitude: number | null;
        longitude: number | null;
        temperature_unit: string;
        volume_unit: string;
        currency: string;
        demo: boolean;
        filled: boolean;
      },
      tx: Tx,
    ) => insert('houses', row, tx),
    insertUser: (row: { id: string; login: string; name: string; password_hash: string }, tx: Tx) => insert('users', row, tx),
    insertMember: (row: { id: string; house_id: string; user_id: string; role: Role }, tx: Tx) => insert('members', row, tx),
  };
}
