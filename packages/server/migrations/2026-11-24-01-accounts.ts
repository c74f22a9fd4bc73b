import { dropSql, houseTableSql, tableSql, type Migration } from './migration';

export const accounts: Migration = {
  name: '2026-11-24-01-accounts',
  up: [
    tableSql(
      'houses',
      'id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY, name VARCHAR(80) NOT NULL, time_zone VARCHAR(64) NOT NULL, latitude DOUBLE NULL, longitude DOUBLE NULL, temperature_unit VARCHAR(8) NOT NULL, volume_unit VARCHAR(8) NOT NULL, currency CHAR(3) NOT NULL, demo BOOLEAN NOT NULL DEFAULT FALSE',
    ),
    tableSql(
      'users',
      'id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY, login VARCHAR(80) NOT NULL, name VARCHAR(80) NOT NULL, password_hash VARCHAR(255) NOT NULL, UNIQUE KEY users_login (login)',
    ),
    tableSql(
      'members',
      'id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY, house_id CHAR(36) CHARACTER SET ascii NOT NULL, user_id CHAR(36) CHARACTER SET ascii NOT NULL, role VARCHAR(8) NOT NULL, UNIQUE KEY members_user_house (user_id, house_id)',
    ),
    tableSql(
      'sessions',
      'sid VARCHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY, expires DATETIME(3) NULL, data TEXT NULL, created_at DATETIME(3) NOT NULL, updated_at DATETIME(3) NOT NULL, KEY sessions_expires (expires)',
    ),
    houseTableSql(
      'entries',
      'kind VARCHAR(24) NOT NULL, text VARCHAR(500) NOT NULL, tank_id CHAR(36) CHARACTER SET ascii NULL, other_tank_id CHAR(36) CHARACTER SET ascii NULL, subject_id CHAR(36) CHARACTER SET ascii NULL, from_at DATETIME(3) NOT NULL, to_at DATETIME(3) NOT NULL, by_user CHAR(36) CHARACTER SET ascii NOT NULL, by_name VARCHAR(80) NOT NULL, reason VARCHAR(300) NULL, undoes CHAR(36) CHARACTER SET ascii NULL, undone BOOLEAN NOT NULL DEFAULT FALSE, recorded_at DATETIME(3) NOT NULL, KEY entries_tank (house_id, tank_id, to_at), KEY entries_other_tank (house_id, other_tank_id, to_at), KEY entries_subject (house_id, subject_id, to_at), KEY entries_time (house_id, to_at)',
    ),
  ],
  down: dropSql('entries', 'sessions', 'members', 'users', 'houses'),
};
