import type { ResolvedSpecies } from '@freshet/core/species';
import type { StockFacts } from '@freshet/core/stock';
import { totalHeads } from '@freshet/core/stock';
import { addDays, houseDay, startOfDay } from '@freshet/core/time';
import type { Clock, Who } from '../platform';
import type { BiosecurityService, RoomService } from '../room';
import type { BroodstockService } from './broodstock.service';
import type { StockService } from './stock.service';
import type { LotRow } from './stock.repository';

type Rooms = Awaited<ReturnType<RoomService['repository']['all']>>;
const DAY_MS = 86_400_000;
/** A measured length holds for so long. */
const MEASURED_DAYS = 30;
/** Illness seen longer ago than any quarantine lasts makes none longer. */
const ILLNESS_DAYS = 400;

/** The temperature wanted in each tank: where the ranges of all that live there overlap, or else the first's. */
export function wantedByTank(
  living: readonly { tankId: string | null; speciesKey: string }[],
  kinds: ReadonlyMap<string, ResolvedSpecies>,
): Map<string, readonly [number, number]> {
  const wanted = new Map<string, readonly [number, number]>();
  for (const lot of living) {
    const range = kinds.get(lot.speciesKey)?.figures.tempC;
    if (!lot.tankId || !range) continue;
    const known = wanted.get(lot.tankId);
    const both = known ? ([Math.max(known[0], range[0]), Math.min(known[1], range[1])] as const) : range;
    wanted.set(lot.tankId, both[0] <= both[1] ? both : (known ?? range));
  }
  return wanted;
}

/** Animals by tank id. */
export function headsByTank(living: readonly LotRow[]): Map<string, number> {
  const heads = new Map<string, number>();
  for (const lot of living) if (lot.tankId) heads.set(lot.tankId, (heads.get(lot.tankId) ?? 0) + totalHeads(lot));
  return heads;
}

/** Animals of an own brood that are all sexed and of breeding age live as breeders from then on, not as young of their brood. */
function isGrown(lot: LotRow, laidAt: string | undefined, species: ResolvedSpecies | undefined, now: string): boolean {
  if (!laidAt || !species || lot.unsexed > 0) return false;
  return Date.parse(now) - Date.parse(laidAt) >= species.figures.maturityDays[0] * DAY_MS;
}

/** Reads who lives where now; lots that are gone are left out. */
export function createStockFacts({
  clock,
  stock,
  broodstock,
  biosecurity,
}: {
  clock: Clock;
  stock: StockService;
  broodstock: BroodstockService;
  biosecurity: BiosecurityService;
}) {
  /**
   * @param laidAt - when broods were laid, by brood id; broods are a later area
   * @param quarantine - which tanks are in quarantine, and which stand on quarantine racks
   */
  return async (
    who: Who,
    living: readonly LotRow[],
    rooms: Rooms,
    kinds: ReadonlyMap<string, ResolvedSpecies>,
    laidAt: ReadonlyMap<string, string>,
    quarantine: { quarantined: ReadonlySet<string>; quarantineRacks: ReadonlySet<string> },
  ): Promise<StockFacts> => {
    const now = clock.now();
    const since = startOfDay(addDays(houseDay(now, who.timeZone), -ILLNESS_DAYS), who.timeZone);
    const ids = living.map(({ id }) => id);
    const [placed, homes, measured, programmes, seen, breaches] = await Promise.all([
      stock.repository.lastPlaced(who, ids),
      stock.repository.homes(who, ids),
      broodstock.measuredSince(who, new Date(Date.parse(now) - MEASURED_DAYS * DAY_MS).toISOString()),
      broodstock.programmes(who),
      biosecurity.repository.illnessesSince(who, since),
      stock.quarantines.breaches(who, quarantine.quarantineRacks, rooms),
    ]);
    const illnesses = new Map(seen.map((row) => [row.tankId, row.at]));
    const quarantines = await stock.quarantines.load(who, quarantine.quarantined, illnesses, rooms);
    return {
      lots: living.map((lot) => ({
        id: lot.id,
        tankId: lot.tankId,
        speciesKey: lot.speciesKey,
        broodId: isGrown(lot, laidAt.get(lot.broodId ?? ''), kinds.get(lot.speciesKey), now) ? null : lot.broodId,
        name: lot.name,
        males: lot.males,
        females: lot.females,
        unsexed: lot.unsexed,
        since: placed.get(lot.id) ?? lot.since,
        bornOn: lot.bornOn,
        lengthMm: measured.get(lot.id) ?? null,
        homeTankId: homes.get(lot.id) ?? null,
        isProven: lot.isProven,
        isRetired: lot.isRetired,
      })),
      programmes,
      quarantines: Object.fromEntries(quarantines),
      breaches,
      // Sales are a later area: the house fills it in.
      leaving: [],
    };
  };
}
