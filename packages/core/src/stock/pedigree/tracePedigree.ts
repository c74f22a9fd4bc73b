import type { Heads, Movement } from '../headcount';
import type { Candidate, GroupRecord } from '../kinship/pedigree';

/** At most so many animals of one lot and sex stand as possible parents; more would only share the chance further. */
export const MOST_CANDIDATES = 24;

/** A lot that may be a parent, with how likely it is among those of its side. */
export interface ParentLot {
  lotId: string;
  /** Null: what the others leave is shared among the animals of such lots, each as likely as the next. */
  probability: number | null;
}

/** A lot as far as descent goes. */
export interface TracedLot {
  id: string;
  /** The brood its animals were born in; null when they came from elsewhere. */
  broodId: string | null;
  /** Parents noted for animals that came from elsewhere. */
  sires: readonly ParentLot[];
  dams: readonly ParentLot[];
}

/** A brood and the lots its parents were among. */
export interface TracedBrood {
  id: string;
  /** When eggs were laid or carried. */
  at: string;
  sires: readonly ParentLot[];
  dams: readonly ParentLot[];
}

export interface TracedMovement extends Movement {
  at: string;
}

/** An animal that takes part in the pedigree: who it is now, and in which lot. */
export interface TracedAnimal {
  id: string;
  lotId: string;
  sex: keyof Heads;
}

export interface TracedPedigree {
  pedigree: GroupRecord[];
  /** Animals by the lot they are in now; of larger lots only those that descent needs, at least two. */
  animals: TracedAnimal[];
}

/** Animals of one origin and sex in a lot: some have a name already, the others are alike. */
interface Pool {
  /** The lot they first were in. */
  origin: string;
  sex: keyof Heads;
  named: string[];
  others: number;
}

const SEXES = ['males', 'females', 'unsexed'] as const;
const sizeOf = (pool: Pool) => pool.named.length + pool.others;

/** The lots' animals as they are moved about; names are given only to those that descent needs. */
class Keeper {
  readonly pools = new Map<string, Pool[]>();
  readonly originOf = new Map<string, string>();
  /** Everybody who ever was in a lot that is noted as a parent, with the sex known then. */
  readonly ever = new Map<string, Map<string, keyof Heads>>();
  private readonly given = new Map<string, number>();

  constructor(private readonly followed: ReadonlySet<string>) {}

  of(lotId: string): Pool[] {
    const found = this.pools.get(lotId) ?? [];
    this.pools.set(lotId, found);
    return found;
  }

  private put(lotId: string, pool: Pool): void {
    const here = this.of(lotId).find((other) => other.origin === pool.origin && other.sex === pool.sex);
    if (!here) this.of(lotId).push(pool);
    else {
      here.named.push(...pool.named);
      here.others += pool.others;
    }
    if (!this.followed.has(lotId)) return;
    const seen = this.ever.get(lotId) ?? new Map<string, keyof Heads>();
    for (const id of this.name(lotId, pool.sex, MOST_CANDIDATES)) seen.set(id, pool.sex);
    this.ever.set(lotId, seen);
  }

  /** Some animals come from outside, or are born. */
  come(lotId: string, sex: keyof Heads, count: number): void {
    if (count > 0) this.put(lotId, { origin: lotId, sex, named: [], others: count });
  }

  /** Takes animals of a sex out of a lot; those without a name first, since nobody can tell them apart. */
  take(lotId: string, sex: keyof Heads, count: number): Pool[] {
    const taken: Pool[] = [];
    let left = count;
    for (const pool of this.of(lotId).filter((one) => one.sex === sex)) {
      const plain = Math.min(left, pool.others);
      const named = pool.named.splice(0, Math.min(left - plain, pool.named.length));
      pool.others -= plain;
      left -= plain + named.length;
      if (plain + named.length > 0) taken.push({ origin: pool.origin, sex, named, others: plain });
      if (left === 0) break;
    }
    return taken;
  }

  move(toLotId: string, pools: readonly Pool[], sex?: keyof Heads): void {
    for (const pool of pools) this.put(toLotId, sex ? { ...pool, sex } : pool);
  }

  /** Names of the animals of a sex in a lot, given now where they have none, at most so many. */
  name(lotId: string, sex: keyof Heads, most: number): string[] {
    const names: string[] = [];
    for (const pool of this.of(lotId)) {
      if (pool.sex !== sex) continue;
      while (pool.others > 0 && pool.named.length < most) {
        const number = (this.given.get(pool.origin) ?? 0) + 1;
        this.given.set(pool.origin, number);
        const id = number === 1 ? pool.origin : `${pool.origin}#${number}`;
        this.originOf.set(id, pool.origin);
        pool.named.push(id);
        pool.others--;
      }
      names.push(...pool.named);
    }
    return names.slice(0, most);
  }
}

type Side = 'males' | 'females';

/** Animals now in a lot that can be a sire or a dam: those of the sex, else those not sexed yet. */
function nowPossible(keeper: Keeper, lotId: string, sex: Side): string[] {
  const known = keeper.name(lotId, sex, MOST_CANDIDATES);
  return known.length > 0 ? known : keeper.name(lotId, 'unsexed', MOST_CANDIDATES);
}

/** The same of all that ever were in it; a lot that never held anybody stands for one ancestor that did not live here. */
function everPossible(keeper: Keeper, lotId: string, sex: Side): string[] {
  if (!keeper.ever.has(lotId)) keeper.come(lotId, 'unsexed', 1);
  const seen = [...(keeper.ever.get(lotId) ?? [])];
  const known = seen.filter(([, was]) => was === sex);
  return (known.length > 0 ? known : seen.filter(([, was]) => was === 'unsexed')).map(([id]) => id).slice(0, MOST_CANDIDATES);
}

/** Spreads each lot's chance evenly over its animals; lots without one share what is left, by their animals. */
function spread(parents: readonly ParentLot[], idsOf: (lotId: string) => string[]): Candidate[] {
  const groups = parents.map(({ lotId, probability }) => ({ ids: idsOf(lotId), probability }));
  const given = groups.reduce((sum, { probability }) => sum + (probability ?? 0), 0);
  const sharing = groups.reduce((sum, { ids, probability }) => sum + (probability === null ? ids.length : 0), 0);
  const chances = new Map<string, number>();
  for (const { ids, probability } of groups)
    for (const id of ids) {
      const chance = probability === null ? Math.max(0, 1 - given) / sharing : probability / ids.length;
      chances.set(id, (chances.get(id) ?? 0) + chance);
    }
  return [...chances].filter(([, probability]) => probability > 0).map(([id, probability]) => ({ id, probability }));
}

/**
 * The pedigree of a house's animals, out of its ledger: a brood's parents are the animals that were in the parent lots when it
 * was laid, each as likely as the others. Animals of a lot that cannot be told apart are given names in any order, which changes
 * nothing; those split off keep theirs, so that a female taken out of her group is still one of the possible mothers of its broods.
 * A parent lot that held nobody at the time counts as an unknown outsider. Source: docs/sources.md#group-kinship
 * @param movements - all of the ledger, undone ones with their mirror image
 */
export function tracePedigree({
  lots,
  movements,
  broods,
}: {
  lots: readonly TracedLot[];
  movements: readonly TracedMovement[];
  broods: readonly TracedBrood[];
}): TracedPedigree {
  const keeper = new Keeper(new Set(lots.flatMap((lot) => [...lot.sires, ...lot.dams].map(({ lotId }) => lotId))));
  const parentsOf = new Map<string, { sires: Candidate[]; dams: Candidate[] }>();
  const apply = ({ fromLotId, toLotId, cause, ...heads }: TracedMovement) => {
    // Both halves of a sexing have neither side outside the house: they are told apart by their cause.
    if (cause === 'sexing' && fromLotId && !toLotId) {
      sexed.push(...SEXES.flatMap((sex) => keeper.take(fromLotId, sex, heads[sex])));
      return;
    }
    for (const sex of SEXES) {
      if (heads[sex] === 0) continue;
      if (cause === 'sexing' && toLotId && !fromLotId) {
        keeper.move(toLotId, takeSexed(heads[sex]), sex);
        continue;
      }
      const taken = fromLotId ? keeper.take(fromLotId, sex, heads[sex]) : null;
      if (!toLotId) continue;
      if (taken) keeper.move(toLotId, taken);
      else keeper.come(toLotId, sex, heads[sex]);
    }
  };
  const sexed: Pool[] = [];
  const takeSexed = (count: number): Pool[] => {
    const taken: Pool[] = [];
    let left = count;
    for (let pool = sexed[0]; pool && left > 0; pool = sexed[0]) {
      const named = pool.named.splice(0, left);
      const others = Math.min(left - named.length, pool.others);
      pool.others -= others;
      left -= named.length + others;
      taken.push({ ...pool, named, others });
      if (sizeOf(pool) === 0) sexed.shift();
    }
    return taken;
  };

  const steps = [
    ...movements.map((movement) => ({ at: movement.at, order: 0, run: () => apply(movement) })),
    ...broods.map((brood) => ({
      at: brood.at,
      order: 1,
      run: () =>
        parentsOf.set(brood.id, {
          sires: spread(brood.sires, (lotId) => nowPossible(keeper, lotId, 'males')),
          dams: spread(brood.dams, (lotId) => nowPossible(keeper, lotId, 'females')),
        }),
    })),
  ];
  // Sorting keeps the order of what happened at the same time.
  steps.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.order - b.order));
  for (const { run } of steps) run();

  const lotById = new Map(lots.map((lot) => [lot.id, lot]));
  const noted = new Map<string, { sires: Candidate[]; dams: Candidate[] }>();
  for (const lot of lots)
    if (lot.broodId === null && lot.sires.length + lot.dams.length > 0)
      noted.set(lot.id, {
        sires: spread(lot.sires, (lotId) => everPossible(keeper, lotId, 'males')),
        dams: spread(lot.dams, (lotId) => everPossible(keeper, lotId, 'females')),
      });
  for (const lot of lots)
    for (const sex of SEXES) {
      const here = keeper
        .of(lot.id)
        .filter((pool) => pool.sex === sex)
        .reduce((sum, pool) => sum + sizeOf(pool), 0);
      if (here > 0) keeper.name(lot.id, sex, sex === 'unsexed' ? 2 : MOST_CANDIDATES);
    }

  const animals = [...keeper.pools].flatMap(([lotId, pools]) =>
    pools.flatMap(({ sex, named }) => named.map((id): TracedAnimal => ({ id, lotId, sex }))),
  );
  const records = [...keeper.originOf].map(([id, origin]): GroupRecord => {
    const broodId = lotById.get(origin)?.broodId ?? null;
    const parents = broodId === null ? noted.get(origin) : parentsOf.get(broodId);
    return { id, ...(parents ? { brood: broodId ?? `lot ${origin}`, ...parents } : {}) };
  });
  // Who may be a sire here and a dam there was not sexed at the time, or was sexed wrongly; the sum takes it as it is.
  const sires = new Set(records.flatMap((record) => record.sires?.map(({ id }) => id) ?? []));
  const dams = new Set(records.flatMap((record) => record.dams?.map(({ id }) => id) ?? []));
  return {
    pedigree: records.map((record) =>
      sires.has(record.id) && dams.has(record.id) ? { ...record, hermaphrodite: true } : record,
    ),
    animals,
  };
}
