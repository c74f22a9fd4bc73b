import { residentsOf, type Resident } from '@freshet/core/broods';
import { COMPARED, planTransfer, type TransferGroup, type TransferTank } from '@freshet/core/transfers';
import type { HouseView } from '@freshet/core/house';
import { middle } from '@freshet/core/species';
import { DomainError, type Clock, type Who } from '../platform';
import type { HouseService } from '../house';
import type { RoomService } from '../room';

/** Readings older than this tell nothing of the water now. */
const READ_DAYS = 30;
const DAY_MS = 86_400_000;
const USUAL_BAG_L = 1;
const USUAL_DRIP_L_PER_H = 1.5;

const toGroup = ({ lot, species, heads: _heads, brood, lengthMm, isYoung, stage }: Resident): TransferGroup => ({
  lotId: lot.id,
  species,
  heads: lot,
  broodId: lot.broodId,
  broodName: brood?.brood.name ?? null,
  lengthMm: lengthMm ?? middle(species.figures.fryMm),
  isYoung,
  isEggs: stage === 'eggs',
  isProven: lot.isProven,
});

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
  const mover = residentsOf(house, lot?.tankId ?? '').find((resident) => resident.lot.id === query.lotId);
  if (!lot?.tankId || !mover) throw new DomainError('request/not-found', { detail: 'There’s no such lot in a tank.' });
  const since = new Date(Date.parse(clock.now()) - READ_DAYS * DAY_MS).toISOString();
  async function toTank(tankId: string): Promise<TransferTank> {
    const tank = house.tanks.get(tankId);
    if (!tank) throw new DomainError('request/not-found', { detail: 'There’s no such tank.', pointer: '#/toTankId' });
    const readings = await room.repository.readingsSince(who, tankId, since);
    const quarantine = house.stock.quarantines[tankId];
    return {
      tankId,
      code: tank.code,
      litres: tank.litres,
      floorM2: tank.floorM2,
      water: {
        ...Object.fromEntries(
          COMPARED.map((quantity) => [quantity, readings.findLast((reading) => reading.quantity === quantity)?.value ?? null]),
        ),
        tempC: house.room.temperatures[tankId]?.tempC ?? null,
      },
      residents: residentsOf(house, tankId)
        .filter((other) => other.lot.id !== query.lotId)
        .map(toGroup),
      quarantine: quarantine === undefined ? null : { endsOn: quarantine?.endsOn ?? null },
      hindrances: house.room.readiness[tankId]?.hindrances ?? [],
      attempts: (house.attemptsByTank.get(tankId) ?? [])
        .filter(({ from, to }) => from <= house.today && (to === null || to >= house.today))
        .map(({ name, parentLotIds, recipe }) => ({ name, parentLotIds, company: recipe.company })),
    };
  }
  const [source, target] = await Promise.all([toTank(lot.tankId), toTank(query.toTankId)]);
  return planTransfer({
    moved: toGroup(mover),
    source,
    target,
    bagLitres: query.bagLitres ?? USUAL_BAG_L,
    dripLitresPerHour: query.dripLitresPerHour ?? USUAL_DRIP_L_PER_H,
    today: house.today,
  });
}
