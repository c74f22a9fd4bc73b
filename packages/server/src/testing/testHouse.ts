import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { pino } from 'pino';
import { QueryTypes } from 'sequelize';
import { v7 } from 'uuid';
import * as v from 'valibot';
import { API, type ApiName } from '@freshet/contract/api';
import type { AnyEndpoint, BodyOf, ReplyOf, Role } from '@freshet/contract/endpoints';
import { buildApp } from '../app/app';
import { compose, type Services } from '../app/compose';
import { migrator, openDatabase, type Database } from '../platform';

export const newId = (): string => v7();
type Line<Name extends ApiName> = (typeof API)[Name];

/** A problem as it came over the wire. */
export interface Problem {
  status: number;
  code: string;
  title: string;
  detail?: string;
  overridable?: boolean;
  errors?: { pointer: string; detail: string }[];
}
export type Answer<T> = { ok: true; status: number; body: T } | { ok: false; status: number; body: Problem };

/** Somebody signed in, who calls endpoints by name; replies are parsed by the contract. */
export interface Client {
  call<Name extends ApiName>(
    name: Name,
    body?: BodyOf<Line<Name>>,
    more?: { params?: Record<string, string>; query?: Record<string, string> },
  ): Promise<Answer<ReplyOf<Line<Name>>>>;
  /** Calls, and throws when it is refused. */
  get<Name extends ApiName>(
    name: Name,
    more?: { params?: Record<string, string>; query?: Record<string, string> },
  ): Promise<ReplyOf<Line<Name>>>;
  /** Writes, and throws when it is refused. */
  write<Name extends ApiName>(name: Name, body: BodyOf<Line<Name>>): Promise<ReplyOf<Line<Name>>>;
  raw(method: string, path: string, body?: string | Buffer, headers?: Record<string, string>): Promise<Response>;
}

export interface TestHouse {
  database: Database;
  services: Services;
  url: string;
  /** Moves the clock. */
  setNow(at: string): void;
  now(): string;
  client(): Client;
  /** A house with one account of each role; returns signed-in clients. */
  house(name?: string): Promise<Record<Role, Client>>;
  sqlCount(): number;
  close(): Promise<void>;
}

const ROLES: readonly Role[] = ['keeper', 'sitter', 'viewer'];
const PASSWORD = 'eel-grass-and-rain';

function createClient(url: string): Client {
  let cookie = '';
  const raw: Client['raw'] = async (method, path, body, headers = {}) => {
    const response = await fetch(url + path, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(cookie ? { cookie } : {}),
        ...headers,
      },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : new Uint8Array(body) }),
    });
    const set = response.headers.get('set-cookie');
    if (set) cookie = set.split(';')[0] ?? '';
    return response;
  };
  const call: Client['call'] = async (name, body, { params = {}, query = {} } = {}) => {
    const line = API[name] as AnyEndpoint;
    const path = line.path.replace(/:([A-Za-z]+)/g, (_all, key: string) => params[key] ?? '');
    const search = new URLSearchParams(query).toString();
    const response = await raw(
      line.method,
      search ? `${path}?${search}` : path,
      body === undefined ? undefined : JSON.stringify(body),
    );
    const told: unknown = await response.json();
    if (!response.ok) return { ok: false, status: response.status, body: told as Problem };
    return { ok: true, status: response.status, body: v.parse(line.reply, told) as never };
  };
  const must = <T>(name: string, answer: Answer<T>): T => {
    if (answer.ok) return answer.body;
    throw new Error(`${name}: ${JSON.stringify(answer.body)}`);
  };
  return {
    raw,
    call,
    get: async (name, more) => must(name, await call(name, undefined, more)),
    write: async (name, body) => must(name, await call(name, body)),
  };
}

/** The application on an empty database of its own. @param startAt - what the clock shows at first */
export async function openTestHouse(startAt: string): Promise<TestHouse> {
  const base = process.env.FRESHET_TEST_DATABASE_URL;
  if (!base) throw new Error('FRESHET_TEST_DATABASE_URL is not set: run "npm run test:api".');
  const name = `freshet_t_${v7().replaceAll('-', '').slice(0, 20)}`;
  const admin = openDatabase(base);
  await admin.sequelize.query(`CREATE DATABASE ${name}`, { type: QueryTypes.RAW });
  let statements = 0;
  const database = openDatabase(base.replace(/\/[^/]*$/, `/${name}`), () => statements++);
  await migrator(database).up();
  let now = startAt;
  const services = compose({ database, clock: { now: () => now }, cheapPasswords: true });
  const app = buildApp({ services, log: pino({ level: 'silent' }), secret: 'test' });
  const server: Server = await new Promise((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => resolve(listening));
  });
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  let houses = 0;
  return {
    database,
    services,
    url,
    now: () => now,
    setNow: (at) => {
      now = at;
    },
    client: () => createClient(url),
    sqlCount: () => statements,
    async house(houseName = 'Test house') {
      const suffix = houses++;
      const accounts = ROLES.map((role) => ({ login: `${role}${suffix}`, name: role, password: PASSWORD, role }));
      await services.accounts.createHouse({
        id: newId(),
        name: houseName,
        timeZone: 'Europe/Dublin',
        latitude: null,
        longitude: null,
        units: { temperature: 'degC', volume: 'L' },
        currency: 'EUR',
        demo: false,
        accounts,
      });
      const clients = {} as Record<Role, Client>;
      for (const account of accounts) {
        clients[account.role] = createClient(url);
        await clients[account.role].write('signIn', { login: account.login, password: PASSWORD });
      }
      return clients;
    },
    async close() {
      await new Promise((resolve) => server.close(resolve));
      await database.close();
      await admin.sequelize.query(`DROP DATABASE ${name}`, { type: QueryTypes.RAW });
      await admin.close();
    },
  };
}
