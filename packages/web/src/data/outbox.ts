import { useSyncExternalStore } from 'react';
import { ApiProblem, send, type Body, type WriteName } from './api';

/** A write that has not reached the server yet; sent again with the same id, so it is recorded once. */
interface Waiting {
  name: WriteName;
  body: { id: string };
  label: string;
}

const KEY = 'freshet.outbox';
const AGAIN_MS = 4000;
let waiting: readonly Waiting[] = read();
const listeners = new Set<() => void>();
let timer: ReturnType<typeof setTimeout> | null = null;
let sending = false;
let onSent: (name: WriteName) => void = () => undefined;
let onRefused: (label: string, problem: ApiProblem) => void = () => undefined;

function read(): readonly Waiting[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? (kept as Waiting[]) : [];
  } catch {
    return [];
  }
}

function set(next: readonly Waiting[]): void {
  waiting = next;
  try {
    localStorage.setItem(KEY, JSON.stringify(next));
  } catch {
    // A full or closed store: the list lives on in this page.
  }
  for (const listener of listeners) listener();
}

async function flush(): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    for (let first = waiting[0]; first; first = waiting[0]) {
      try {
        await send(first.name, first.body as Body<WriteName>);
        onSent(first.name);
      } catch (error) {
        if (!(error instanceof ApiProblem) || error.passing || error.status === 401) {
          schedule();
          return;
        }
        onRefused(first.label, error);
      }
      set(waiting.slice(1));
    }
  } finally {
    sending = false;
  }
}

function schedule(): void {
  timer ??= setTimeout(() => {
    timer = null;
    void flush();
  }, AGAIN_MS);
}

/** Keeps a write until the server takes it. */
export function keepForLater(entry: Waiting): void {
  set([...waiting, entry]);
  schedule();
}

/** Begins to send what was kept, now and whenever the connection is back. */
export function startOutbox(sent: typeof onSent, refused: typeof onRefused): () => void {
  onSent = sent;
  onRefused = refused;
  const now = () => void flush();
  window.addEventListener('online', now);
  now();
  return () => window.removeEventListener('online', now);
}

/** What still waits to be sent. */
export function useOutbox(): readonly Waiting[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => waiting,
  );
}
