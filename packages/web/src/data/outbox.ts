import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { useSyncExternalStore } from 'react';
import { ApiProblem, send, type Body, type WriteName } from './api';

/** A write that has not reached the server yet; sent again with the same id, so it is recorded once. */
export interface Waiting {
  /** Whose it is: account and house. Nobody else sees or sends it. */
  owner: string;
  name: WriteName;
  body: { id: string };
  label: string;
}
interface Shelf extends DBSchema {
  waiting: { key: number; value: Waiting; indexes: { owner: string } };
}

const AGAIN_MS = 4000;
const CHANNEL = 'freshet.outbox';

let shelf: Promise<IDBPDatabase<Shelf>> | null = null;
let owner: string | null = null;
let shown: readonly Waiting[] = [];
const listeners = new Set<() => void>();
let timer: ReturnType<typeof setTimeout> | null = null;
let onSent: (name: WriteName) => void = () => undefined;
let onRefused: (label: string, problem: ApiProblem) => void = () => undefined;

const open = (): Promise<IDBPDatabase<Shelf>> =>
  (shelf ??= openDB<Shelf>('freshet', 1, {
    upgrade: (database) => {
      database.createObjectStore('waiting', { autoIncrement: true }).createIndex('owner', 'owner');
    },
  }));

/** Other tabs of this browser are told that the shelf changed. */
let others: BroadcastChannel | null = null;

/** Reads the shelf anew for the page. */
async function show(): Promise<void> {
  const now = owner;
  const found = now === null ? [] : await (await open()).getAllFromIndex('waiting', 'owner', now);
  if (now !== owner) return;
  shown = found;
  for (const listener of listeners) listener();
}

async function changed(): Promise<void> {
  others?.postMessage('changed');
  await show();
}

/** Only one tab sends at a time: what waits is one queue, whichever tab it was typed in. */
async function alone(work: () => Promise<void>): Promise<void> {
  if (typeof navigator === 'undefined' || !('locks' in navigator)) return work();
  await navigator.locks.request(CHANNEL, { ifAvailable: true }, async (lock) => {
    if (lock) await work();
    else schedule();
  });
}

async function sendAll(): Promise<void> {
  const database = await open();
  for (;;) {
    const now = owner;
    if (now === null) return;
    const cursor = await database.transaction('waiting').store.index('owner').openCursor(now);
    if (!cursor) return;
    const { primaryKey, value } = cursor;
    try {
      await send(value.name, value.body as Body<WriteName>);
      onSent(value.name);
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.passing || error.status === 401) {
        schedule();
        return;
      }
      onRefused(value.label, error);
    }
    await database.delete('waiting', primaryKey);
    await changed();
  }
}

function schedule(): void {
  timer ??= setTimeout(() => {
    timer = null;
    void alone(sendAll);
  }, AGAIN_MS);
}

/** Keeps a write until the server takes it. */
export async function keepForLater(entry: Omit<Waiting, 'owner'>): Promise<void> {
  if (owner === null) throw new Error('Nobody is signed in to keep this for.');
  await (await open()).add('waiting', { ...entry, owner });
  await changed();
  schedule();
}

/**
 * Begins to send what one account kept for one house, now and whenever the connection is back.
 * @param whose - account and house; what others kept on this device stays where it is until they are back
 */
export function startOutbox(whose: string, sent: typeof onSent, refused: typeof onRefused): () => void {
  owner = whose;
  onSent = sent;
  onRefused = refused;
  const now = () => void alone(sendAll);
  window.addEventListener('online', now);
  others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(CHANNEL);
  others?.addEventListener('message', () => void show());
  void show().then(now);
  return () => {
    window.removeEventListener('online', now);
    others?.close();
    others = null;
    owner = null;
    shown = [];
  };
}

/** What still waits to be sent for who is signed in. */
export function useOutbox(): readonly Waiting[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => shown,
  );
}
