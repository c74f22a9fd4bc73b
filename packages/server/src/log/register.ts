import { ENTRY_KINDS, type EntryKindName } from '@freshet/contract/api';
import type { Declaration, Declarations, ToBody, Undoing } from './declaration';

type Check = (scope: never, body: never) => Promise<void>;

/** What every area declared of the kinds of entries: the log looks everything up here and knows no kind by name. */
export function createRegister() {
  const declared = new Map<string, Declaration<EntryKindName>>();
  const undoings = new Map<string, Undoing[]>();
  const checks = new Map<string, Check[]>();
  const ticks = new Map<string, { kind: EntryKindName; toBody: ToBody<EntryKindName> }>();

  const add = <T>(to: Map<string, T[]>, kind: string, one: T): void => {
    to.set(kind, [...(to.get(kind) ?? []), one]);
  };

  /** Ticks that stand for a kind; a later area may add its own to a kind of an earlier one. @throws {Error} for one that is there */
  function declareTicks<Kind extends EntryKindName>(kind: Kind, own: Record<string, ToBody<Kind>>): void {
    for (const [tick, toBody] of Object.entries(own)) {
      if (ticks.has(tick)) throw new Error(`The tick "${tick}" is declared twice.`);
      ticks.set(tick, { kind, toBody: toBody });
    }
  }

  return {
    declareTicks,
    /**
     * Declares kinds of entries, whole. Each is declared once, by its area.
     * @throws {Error} when a kind or a tick is declared twice
     */
    declare(own: Declarations): void {
      for (const [kind, one] of Object.entries(own) as [EntryKindName, Declaration<EntryKindName>][]) {
        if (declared.has(kind)) throw new Error(`"${kind}" is declared twice.`);
        declared.set(kind, one);
        add(undoings, kind, one.undo);
        declareTicks(kind, one.ticks ?? {});
      }
    },
    /** What a later area alone knows of taking back a kind of an earlier one, such as that animals live in a tank. */
    alsoUndone(own: Partial<Record<EntryKindName, Undoing>>): void {
      for (const [kind, undoing] of Object.entries(own)) add(undoings, kind, undoing);
    },
    /** What a later area alone knows against a kind of an earlier one, such as that animals are promised to a buyer. */
    alsoChecked<Kind extends EntryKindName>(kind: Kind, check: NonNullable<Declaration<Kind>['check']>): void {
      add(checks, kind, check);
    },
    /** Kinds the contract names and nobody declared. */
    missing: (): string[] => Object.keys(ENTRY_KINDS).filter((kind) => !declared.has(kind)),
    /** Kinds of ticks that log something, each with the kind of entry it stands for. */
    ticks: (): Map<string, EntryKindName> => new Map([...ticks].map(([tick, { kind }]) => [tick, kind])),

    /** @throws {Error} when nobody declared it */
    declarationOf: (kind: EntryKindName): Declaration<EntryKindName> => {
      const found = declared.get(kind);
      if (!found) throw new Error(`Nobody declared "${kind}".`);
      return found;
    },
    /** @throws {Error} when nobody declared how it is taken back */
    undoingsOf: (kind: string): readonly Undoing[] => {
      const found = undoings.get(kind);
      if (!found) throw new Error(`Nobody declared how "${kind}" is taken back.`);
      return found;
    },
    checksOf: (kind: EntryKindName): readonly Check[] => checks.get(kind) ?? [],
    tickOf: (tick: string) => ticks.get(tick),
  };
}
