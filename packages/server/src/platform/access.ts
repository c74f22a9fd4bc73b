import { AsyncLocalStorage } from 'node:async_hooks';
import type { Transaction } from 'sequelize';

/** A running transaction. */
export type Tx = Transaction;

declare const made: unique symbol;

/**
 * The way to one house's rows: a plain read, or the transaction of a write. A table takes nothing else and only the database makes
 * one, so a read inside a write takes the write's transaction by type.
 */
export interface Reading {
  readonly houseId: string;
  /** Null outside of writes. */
  readonly tx: Tx | null;
  readonly [made]: true;
}

/** The way to a house's rows inside a write. */
export interface Writing extends Reading {
  readonly tx: Tx;
}

/** Set while a transaction runs in this chain of calls. */
const running = new AsyncLocalStorage<true>();

/** Makes an access; for the database alone. */
export const makeReading = <Actor extends { houseId: string }>(actor: Actor): Actor & Reading =>
  ({ ...actor, tx: null }) as unknown as Actor & Reading;

/** Runs work with an access to a transaction; for the database alone. */
export const withWriting = <Actor extends { houseId: string }, T>(
  actor: Actor,
  tx: Tx,
  work: (writing: Actor & Writing) => Promise<T>,
): Promise<T> => running.run(true, () => work({ ...actor, tx } as unknown as Actor & Writing));

/**
 * What Sequelize is told of an access.
 * @throws {Error} when a plain read is made inside a write: it would wait for a second connection and see what the write has not changed
 */
export function optionsOf(at: Reading): { transaction?: Tx } {
  if (at.tx) return { transaction: at.tx };
  if (running.getStore()) throw new Error('A read inside a write takes the scope of the write, not the access of its caller.');
  return {};
}
