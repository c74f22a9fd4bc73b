import { QUANTITY_TERMS, type Quantity } from '@freshet/core/room';
import type { SalesView } from '@freshet/core/sales';
import { totalHeads } from '@freshet/core/stock';
import { DomainError, type Who } from '../platform';
import type { BroodsService } from '../broods';
import type { RoomService } from '../room';
import type { StockService } from '../stock';
import type { SalesRepository } from './sales.repository';

/** From the code of a label back to brood, parents, tank, water and food, and on to sisters that went elsewhere. */
export function createTrail({
  room,
  stock,
  broods,
  repository,
}: {
  room: RoomService;
  stock: StockService;
  broods: BroodsService;
  repository: SalesRepository;
}) {
  return async (who: Who, view: SalesView, asked: string) => {
    const code = asked.trim().toUpperCase();
    const row = await repository.byCode(who, code);
    if (!row)
      throw new DomainError('request/not-found', {
        detail: `Nothing was handed over under ${code.slice(0, 12)}. A label that is printed counts from when its animals are handed over.`,
      });
    const [rooms, lot, buyers, sisters, descent] = await Promise.all([
      room.repository.all(who),
      stock.repository.lots.get(who, row.lotId),
      repository.allBuyers(who),
      row.broodId ? repository.ofBrood(who, row.broodId) : [],
      row.broodId ? broods.descent(who) : [],
    ]);
    const nameOf = (buyerId: string) => buyers.find((buyer) => buyer.buyerId === buyerId)?.name ?? 'Erased';
    const tankOf = (tankId: string | null) => {
      const tank = rooms.tanks.find(({ id }) => id === tankId);
      return tank ? { id: tank.id, code: tank.code } : null;
    };
    const brood = descent.find(({ id }) => id === row.broodId) ?? null;
    const parentIds = brood ? [...brood.sires, ...brood.dams] : [];
    const [parents, complaints, water, food, illness, living] = await Promise.all([
      stock.repository.byIds(who, parentIds),
      repository.complaintsOf(who, [row.id, ...sisters.map(({ id }) => id)]),
      row.tankId ? repository.waterBefore(who, row.tankId, row.at) : [],
      row.tankId ? repository.fedBefore(who, row.tankId, row.at) : [],
      row.tankId ? repository.illnessAround(who, row.tankId, row.at) : [],
      row.broodId ? stock.repository.ofBroods(who, [row.broodId]) : [],
    ]);
    const parentName = (lotId: string) => {
      const parent = parents.find(({ id }) => id === lotId);
      return parent?.name ?? `lot in ${tankOf(parent?.tankId ?? null)?.code ?? 'no tank'}`;
    };
    return {
      soldId: row.id,
      code: row.code,
      at: row.at,
      speciesKey: row.speciesKey,
      speciesName: view.species.get(row.speciesKey)?.commonName ?? row.speciesKey,
      heads: totalHeads(row),
      lengthMm: row.lengthMm,
      buyerName: nameOf(row.buyerId),
      tank: tankOf(row.tankId),
      lotId: row.lotId,
      brood: brood ? { id: brood.id, name: brood.name, laidAt: brood.laidAt } : null,
      parents: brood
        ? (['sires', 'dams'] as const).flatMap((side) =>
            brood[side].map((lotId) => ({
              lotId,
              name: parentName(lotId),
              as: side === 'sires' ? ('sire' as const) : ('dam' as const),
            })),
          )
        : [],
      origin: lot?.origin ?? 'local',
      permit: lot?.permit ?? null,
      water: water.map(({ quantity, value, at }) => {
        const { words, unit } = QUANTITY_TERMS[quantity as Quantity];
        return { quantity: words, value, unit, at };
      }),
      food,
      illness,
      sisters: sisters
        .filter(({ id }) => id !== row.id)
        .map((other) => ({
          code: other.code,
          buyerName: nameOf(other.buyerId),
          heads: totalHeads(other),
          at: other.at,
          complained: complaints.some(({ soldId }) => soldId === other.id),
        })),
      livingSisters: living.flatMap((one) => {
        const tank = tankOf(one.tankId);
        const heads = totalHeads(one);
        return tank && heads > 0 ? [{ tankId: tank.id, code: tank.code, heads }] : [];
      }),
      complaints: complaints
        .filter(({ soldId }) => soldId === row.id)
        .map(({ entryId, heads, what, settled, cents, at }) => ({ entryId, heads, what, settled, cents, at })),
    };
  };
}
