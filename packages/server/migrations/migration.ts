/** One step of the tables' history, with its way back. */
export interface Migration {
  name: string;
  up: string[];
  down: string[];
}

const TAIL = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci';

/** A table whose rows belong to houses: id, house, entry, live, then its own columns and keys. */
export function houseTableSql(name: string, columns: string): string {
  return `CREATE TABLE IF NOT EXISTS ${name} (id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY, house_id CHAR(36) CHARACTER SET ascii NOT NULL, entry_id CHAR(36) CHARACTER SET ascii NOT NULL, live TINYINT NULL DEFAULT 1, ${columns}, KEY ${name}_entry (house_id, entry_id)) ${TAIL}`;
}

/** A table of the installation. */
export function tableSql(name: string, columns: string): string {
  return `CREATE TABLE IF NOT EXISTS ${name} (${columns}) ${TAIL}`;
}

/** Drops tables in the given order. */
export function dropSql(...names: string[]): string[] {
  return names.map((name) => `DROP TABLE IF EXISTS ${name}`);
}

/** Adds columns and keys to a table, one a line; those that are there already stay. */
export function addSql(table: string, lines: readonly string[]): string {
  return `ALTER TABLE ${table}\n  ${lines.map((line) => (line.startsWith('KEY ') ? `ADD KEY IF NOT EXISTS ${line.slice(4)}` : `ADD COLUMN IF NOT EXISTS ${line}`)).join(',\n  ')}`;
}

/** Drops columns and keys of a table. */
export function dropFromSql(table: string, names: readonly string[]): string {
  return `ALTER TABLE ${table}\n  ${names.map((name) => (name.startsWith('KEY ') ? `DROP KEY IF EXISTS ${name.slice(4)}` : `DROP COLUMN IF EXISTS ${name}`)).join(',\n  ')}`;
}
