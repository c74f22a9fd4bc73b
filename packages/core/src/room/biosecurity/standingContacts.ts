import { footprint, type StandingTank } from '../layout/decidePlace';
import { HUB, type Contact } from './computeExposure';

/** The room as far as illness cares: what shares water, what stands above what, what is served with the same tools. */
export interface BiosecurityRack {
  id: string;
  code: string;
  kind: 'rack' | 'stand' | 'yard';
  /** Name of the shared sump; null when every tank stands alone. */
  sump: string | null;
  /** Name of the set of nets and hoses; null for the house's. */
  tools: string | null;
  quarantine: boolean;
  shelves: { level: number; tanks: (StandingTank & { hasLid: boolean })[] }[];
}

const HOUSE_TOOLS = '';
const overlaps = (a: StandingTank, b: StandingTank) =>
  a.leftCm < b.leftCm + footprint(b).frontCm && b.leftCm < a.leftCm + footprint(a).frontCm;

/** Links all of a group through a hub: reachability of all from all with two contacts each. */
function through(hub: string, ids: readonly string[], kind: 'sump' | 'sameTools'): Contact[] {
  const name = `${HUB}${kind} ${hub}`;
  return ids.length < 2
    ? []
    : ids.flatMap((id) => [
        { from: id, to: name, kind, atMs: null },
        { from: name, to: id, kind, atMs: null },
      ]);
}

/**
 * Contacts that come from how the room stands: all tanks of a sump; a tank drips on what stands right below it; tanks that are
 * served with the same nets and hoses. A lid does not stop drips when the tank is worked on.
 * @param racks - as they stand; shelf level 1 is the top
 */
export function standingContacts(racks: readonly BiosecurityRack[]): Contact[] {
  const sumps = new Map<string, string[]>();
  const tools = new Map<string, string[]>();
  const contacts: Contact[] = [];
  for (const rack of racks) {
    const shelves = [...rack.shelves].sort((a, b) => a.level - b.level);
    const ids = shelves.flatMap((shelf) => shelf.tanks.map((tank) => tank.id));
    if (rack.sump !== null) sumps.set(rack.sump, [...(sumps.get(rack.sump) ?? []), ...ids]);
    const set = rack.tools ?? (rack.quarantine ? `own of ${rack.id}` : HOUSE_TOOLS);
    tools.set(set, [...(tools.get(set) ?? []), ...ids]);
    if (rack.kind !== 'rack') continue;
    for (const [i, upper] of shelves.entries())
      for (const above of upper.tanks)
        for (const below of shelves[i + 1]?.tanks ?? [])
          if (overlaps(above, below)) contacts.push({ from: above.id, to: below.id, kind: 'splash', atMs: null });
  }
  for (const [sump, ids] of sumps) contacts.push(...through(sump, ids, 'sump'));
  for (const [set, ids] of tools) contacts.push(...through(set, ids, 'sameTools'));
  return contacts;
}

/** A quarantine that does not hold, with the path illness would take. */
export interface QuarantineRisk {
  tankId: string;
  kind: 'sump' | 'splash';
  /** Tanks outside of quarantine that it would reach. */
  reached: string[];
}

/**
 * Quarantines from which illness would reach healthy tanks: on a shared sump with them, or above them.
 * @param quarantined - ids of tanks in quarantine, by their rack or by the keeper's word
 */
export function findQuarantineRisks(racks: readonly BiosecurityRack[], quarantined: ReadonlySet<string>): QuarantineRisk[] {
  const risks: QuarantineRisk[] = [];
  const sumpTanks = new Map<string, string[]>();
  for (const rack of racks)
    if (rack.sump !== null)
      sumpTanks.set(rack.sump, [
        ...(sumpTanks.get(rack.sump) ?? []),
        ...rack.shelves.flatMap((shelf) => shelf.tanks.map(({ id }) => id)),
      ]);
  const splash = standingContacts(racks).filter((contact) => contact.kind === 'splash');
  for (const rack of racks)
    for (const shelf of rack.shelves)
      for (const tank of shelf.tanks) {
        if (!quarantined.has(tank.id)) continue;
        const shared = rack.sump === null ? [] : (sumpTanks.get(rack.sump) ?? []).filter((id) => !quarantined.has(id));
        if (shared.length > 0) risks.push({ tankId: tank.id, kind: 'sump', reached: shared });
        const reached = new Set<string>();
        const open = [tank.id];
        for (let at = open.pop(); at !== undefined; at = open.pop())
          for (const contact of splash)
            if (contact.from === at && !reached.has(contact.to)) {
              reached.add(contact.to);
              open.push(contact.to);
            }
        const healthy = [...reached].filter((id) => !quarantined.has(id));
        if (healthy.length > 0) risks.push({ tankId: tank.id, kind: 'splash', reached: healthy });
      }
  return risks;
}
