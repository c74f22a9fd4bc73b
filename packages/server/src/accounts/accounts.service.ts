import { hash, verify } from '@node-rs/argon2';
import { v7 as newId } from 'uuid';
import type { Role } from '@freshet/contract/endpoints';
import { DomainError, type Clock, type Database, type Who } from '../platform';
import { createAccountsRepository, type MemberRow } from './accounts.repository';

/** argon2id by default of the library; memory 19 MiB, two passes. */
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
const CHEAP = { memoryCost: 64, timeCost: 1, parallelism: 1 };

/** A house to be made with its accounts. */
export interface HouseInput {
  id: string;
  name: string;
  timeZone: string;
  latitude: number | null;
  longitude: number | null;
  units: { temperature: 'degC' | 'degF'; volume: 'L' | 'galUS' };
  currency: string;
  demo: boolean;
  accounts: readonly { login: string; name: string; password: string; role: Role }[];
}

/** Accounts, houses and who may do what. @param demoAccounts - offered on the sign-in page while the demonstration house exists */
export function createAccounts({
  database,
  clock,
  demoAccounts,
  cheapPasswords = false,
}: {
  database: Database;
  clock: Clock;
  demoAccounts: readonly { login: string; password: string; role: Role }[];
  /** For tests alone: what takes a tenth of a second on purpose would take most of theirs. */
  cheapPasswords?: boolean;
}) {
  const cost = cheapPasswords ? CHEAP : ARGON;
  const repository = createAccountsRepository(database);
  const toWho = (member: MemberRow): Who =>
    database.reading({
      userId: member.userId,
      name: member.name,
      houseId: member.houseId,
      role: member.role,
      timeZone: member.timeZone,
      temperatureUnit: member.temperatureUnit,
      volumeUnit: member.volumeUnit,
    });
  let decoy: Promise<string> | null = null;

  return {
    repository,
    /** Who a session stands for, or null when the account is gone. */
    async who(userId: string, houseId: string): Promise<Who | null> {
      const member = await repository.byIds(userId, houseId);
      return member ? toWho(member) : null;
    },

    /** Checks a password; takes as long for an unknown name as for a known one. */
    async signIn(login: string, password: string): Promise<Who> {
      const member = await repository.byLogin(login);
      decoy ??= hash('decoy', cost);
      const right = await verify(member?.passwordHash ?? (await decoy), password);
      if (!member || !right)
        throw new DomainError('accounts/wrong-password', { detail: 'Name or password is wrong.', pointer: '#/password' });
      return toWho(member);
    },

    async createHouse(house: HouseInput): Promise<Who> {
      const hashed = await Promise.all(
        house.accounts.map(async (account) => ({ ...account, id: newId(), passwordHash: await hash(account.password, cost) })),
      );
      await database.inTransaction(async (tx) => {
        await repository.insertHouse(
          {
            id: house.id,
            name: house.name,
            time_zone: house.timeZone,
            latitude: house.latitude,
            longitude: house.longitude,
            temperature_unit: house.units.temperature,
            volume_unit: house.units.volume,
            currency: house.currency,
            demo: house.demo,
            // A demonstration is filled after it was made; only then it is whole.
            filled: !house.demo,
          },
          tx,
        );
        for (const account of hashed) {
          await repository.insertUser(
            { id: account.id, login: account.login, name: account.name, password_hash: account.passwordHash },
            tx,
          );
          await repository.insertMember({ id: newId(), house_id: house.id, user_id: account.id, role: account.role }, tx);
        }
      });
      const first = hashed[0];
      return database.reading({
        userId: first?.id ?? '',
        name: first?.name ?? '',
        houseId: house.id,
        role: first?.role ?? 'viewer',
        timeZone: house.timeZone,
        temperatureUnit: house.units.temperature,
        volumeUnit: house.units.volume,
      });
    },

    /**
     * Takes out what a first filling that was broken off had begun, so that it can begin anew.
     * @returns how many houses that were
     */
    async removeUnfinished(): Promise<number> {
      const ids = await repository.unfilledIds();
      for (const houseId of ids) await database.inTransaction((tx) => repository.remove(houseId, tx));
      return ids.length;
    },

    /** The first house of an installation, with its keeper. */
    async createFirstHouse(body: {
      name: string;
      timeZone: string;
      login: string;
      password: string;
      units: HouseInput['units'];
      currency: string;
    }): Promise<Who> {
      if ((await repository.countHouses()) > 0)
        throw new DomainError('accounts/already-set-up', { detail: 'Ask its keeper for an account.' });
      return this.createHouse({
        id: newId(),
        name: body.name,
        timeZone: body.timeZone,
        latitude: null,
        longitude: null,
        units: body.units,
        currency: body.currency,
        demo: false,
        accounts: [{ login: body.login, name: body.login, password: body.password, role: 'keeper' }],
      });
    },

    /** What the page must know before and after signing in. */
    async session(who: Who | null) {
      const member = who ? await repository.byIds(who.userId, who.houseId) : null;
      return {
        user: member ? { id: member.userId, name: member.name, role: member.role } : null,
        house: member
          ? {
              id: member.houseId,
              name: member.houseName,
              timeZone: member.timeZone,
              units: { temperature: member.temperatureUnit, volume: member.volumeUnit },
              currency: member.currency,
            }
          : null,
        demoAccounts: (await repository.hasDemo()) ? [...demoAccounts] : [],
        needsHouse: !member && (await repository.countHouses()) === 0,
        now: clock.now(),
      };
    },
  };
}
export type AccountsService = ReturnType<typeof createAccounts>;
