import type { EntryKindName } from '@freshet/contract/api';
import type { Tick } from '@freshet/core/agenda';
import type { TimeRange } from '@freshet/core/time';
import type { Applied, Scope } from '../log';
import { DomainError } from '../platform';

/** A tick as it comes in: what it is about, how much, when. */
export interface TickCall {
  /** What it is about; empty when the tick names nothing. */
  id: string;
  what: string;
  amount: number | null;
  unit: string | null;
  at: string;
  tankId: string | null;
  /** What was seen of what was looked for; null when nothing was asked. */
  answer: 'notYet' | 'some' | 'all' | null;
  /** Between when it happened, where the keeper said so. */
  seen: TimeRange | null;
  /** The chore's words. */
  text: string;
}

/** What a tick of one kind logs besides the chore. */
export interface TickHandler {
  /** Kind of the entry it stands for: undone as such. */
  entry: EntryKindName;
  /** Null when there is nothing to log, as for an amount that is not known. */
  apply(scope: Scope, call: TickCall): Promise<Applied | null>;
}

/** The register of ticks: each area says what ticking its chores logs, and nobody else knows. */
export function createTicks() {
  const handlers = new Map<string, TickHandler>();
  return {
    register(own: Record<string, TickHandler>): void {
      for (const [kind, handler] of Object.entries(own)) handlers.set(kind, handler);
    },
    kinds: (): string[] => [...handlers.keys()],

    /** Logs what a tick stands for; the entry is undone with it. */
    async apply(scope: Scope, tick: Tick, call: Omit<TickCall, 'id' | 'what'>): Promise<Applied | null> {
      const handler = handlers.get(tick.kind);
      if (!handler)
        throw new DomainError('rounds/unknown-tick', { detail: `Nothing is logged by "${tick.kind}".`, pointer: '#/tick/kind' });
      const applied = await handler.apply(scope, { ...call, id: tick.id ?? '', what: tick.what ?? '' });
      return applied && { ...applied, parts: [...(applied.parts ?? []), handler.entry] };
    },
  };
}
export type Ticks = ReturnType<typeof createTicks>;
