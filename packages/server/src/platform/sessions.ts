import connectSessionSequelize from 'connect-session-sequelize';
import type { RequestHandler } from 'express';
import session from 'express-session';
import { DataTypes } from 'sequelize';
import type { Database } from './database';

const DAY_MS = 86_400_000;
const SESSION_DAYS = 30;

/** Sessions in the database: several servers can run side by side. @param secret - signs the cookie */
export function sessions({ sequelize }: Database, secret: string): RequestHandler {
  const Store = connectSessionSequelize(session.Store);
  sequelize.define(
    'sessions',
    { sid: { type: DataTypes.STRING(64), primaryKey: true }, expires: DataTypes.DATE(3), data: DataTypes.TEXT },
    { tableName: 'sessions', timestamps: true },
  );
  /** `disableTouch`: reading a page writes nothing. */
  const options = {
    disableTouch: true,
    db: sequelize,
    table: 'sessions',

    expiration: SESSION_DAYS * DAY_MS,
    checkExpirationInterval: 0,
  };
  const store = new Store(options);
  return session({
    name: 'freshet.sid',
    secret,
    store,
    resave: false,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: SESSION_DAYS * DAY_MS },
  });
}
