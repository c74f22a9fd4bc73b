import { expectedLengthMm, type ResolvedSpecies } from '@freshet/core/species';
import { COMPARED, planTransfer, type TransferGroup, type TransferTank } from '@freshet/core/transfers';
import type { HouseView } from '@freshet/core/house';
import type { StockLot } from '@freshet/core/stock';
import { DomainError, type Clock, type Who } from '../platform';
import type { HouseService } from '../house';
import type { RoomService } from '../room';

/** Readings older than this tell nothing of the water now. */
const READ_DAYS = 30;
const DAY_MS = 86_400_000;
const USUAL_BAG_L = 1;
const USUAL_DRIP_L_PER_H = 1.5;

function toGroup(lot: StockLot, house: HouseView, species: ResolvedSpecies): TransferGroup {
  const read = house.broods.find(({ brood }) => brood.id === lot.broodId);
  const { adultMm, fryMm } = species.figures;
  const lengthMm = !read
    ? (adultMm[0] + adultMm[1]) / 2
    : read.state.feedingDays === null
      ? (fryMm[0] + fryMm[1]) / 2
      : expectedLengthMm(species.figures, read.state.feedingDays);
  return {
    lotId: lot.id,
    species,
    heads: lot,
    broodId: lot.broodId,
    broodName: read?.brood.name ?? null,
    lengthMm,
    isYoung: read !== undefined,
    isEggs: read?.state.stage === 'eggs',
    isProven: lot.isProven,
  };
}

/** Transfers: what to know before animals go to another tank. */
export const createTransfers = (deps: { room: RoomService; clock: Clock; house: HouseService }) => ({
  compare: async (who: Who, query: Parameters<typeof compareForTransfer>[3]) =>
    compareForTransfer(deps, who, await deps.house.view(who), query),
});
export type TransfersService = ReturnType<typeof createTransfers>;

/** Compares two tanks for a lot that is to go from one to the other. */
async function compareForTransfer(
  { room, clock }: { room: RoomService; clock: Clock },
  who: Who,
  house: HouseView,
  query: { lotId: string; toTankId: string; bagLitres?: number | undefined; dripLitresPerHour?: number | undefined },
) {
  const lot = house.stock.lots.find((candidate) => candidate.id === query.lotId);
  const species = house.species.get(lot?.speciesKey ?? '');
  if (!lot?.tankId || !species) throw new DomainError('request/not-found', { detail: 'There is no such lot in a tank.' });
  const since = new Date(Date.parse(clock.now()) - READ_DAYS * DAY_MS).toISOString();
  async function toTank(tankId: string): Promise<TransferTank> {
    const tank = house.tanks.get(tankId);
    if (!tank) throw new DomainError('request/not-found', { detail: 'There is no such tank.', pointer: '#/toTankId' });
    const readings = await room.repository.readingsSince(who, tankId, since);
    const quarantine = house.stock.quarantines[tankId];
    return {
      tankId,
      code: tank.code,
      litres: tank.litres,
      water: {
        ...Object.fromEntries(
          COMPARED.map((quantity) => [quantity, readings.findLast((reading) => reading.quantity === quantity)?.value ?? null]),
        ),
        tempC: house.room.temperatures[tankId]?.tempC ?? null,
      },
      residents: (house.lotsByTank.get(tankId) ?? []).flatMap((other) => {
        const kind = house.species.get(other.speciesKey);
        return kind && other.id !== query.lotId ? [toGroup(other, house, kind)] : [];
      }),
      quarantine: quarantine === undefined ? null : { endsOn: quarantine?.endsOn ?? null },
      hindrances: house.room.readiness[tankId]?.hindrances ?? [],
    };
  }
  const [source, target] = await Promise.all([toTank(lot.tankId), toTank(query.toTankId)]);
  return planTransfer({
    moved: toGroup(lot, house, species),
    source,
    target,
    bagLitres: query.bagLitres ?? USUAL_BAG_L,
    dripLitresPerHour: query.dripLitresPerHour ?? USUAL_DRIP_L_PER_H,
    today: house.today,
  });
}
