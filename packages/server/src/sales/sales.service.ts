import type { SalesView } from '@freshet/core/sales';
import type { Clock, Database, Reading, Who } from '../platform';
import type { LogService } from '../log';
import type { BroodsService } from '../broods';
import type { RoomService } from '../room';
import type { SpeciesService } from '../species';
import type { StockService } from '../stock';
import { createMoney } from './money.service';
import { createOrders } from './orders.service';
import { createBuyers } from './buyers.service';
import { createSalesFacts } from './sales.facts';
import { createSalesRepository } from './sales.repository';
import { createSelling } from './selling.service';
import { createTrail } from './trail';

/** Buyers, orders, animals handed over, money and the trail back, put together. */
export function createSales({
  database,
  clock,
  log,
  room,
  stock,
  species,
  broods,
  workSince,
  viewOf,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  stock: StockService;
  species: SpeciesService;
  broods: BroodsService;
  /** Chores done at tanks, with the time each takes; the round is a later area. */
  workSince: (at: Reading, day: string) => Promise<{ tankId: string; on: string; seconds: number }[]>;
  /** The house as it is before a write; put together from all areas. */
  viewOf: (at: Who) => Promise<SalesView>;
}) {
  const repository = createSalesRepository(database);
  const buyers = createBuyers({ clock, log, species, repository });
  const orders = createOrders({ log, stock, species, buyers, repository, broodsOf: broods.repository.byIds });
  createSelling({ log, species, stock, buyers, orders, repository, viewOf });
  return {
    repository,
    buyers,
    /** Those that a jotted line can name: as they stand, without the erased. */
    buyersNow: async (at: Reading) =>
      (await repository.allBuyers(at)).flatMap(({ buyerId, name, pays, erased }) =>
        erased ? [] : [{ id: buyerId, name, pays }],
      ),
    orders,
    money: createMoney({ log, room, species, repository, workSince }),
    trail: createTrail({ room, stock, broods, repository }),
    facts: createSalesFacts({ clock, repository }),
  };
}
export type SalesService = ReturnType<typeof createSales>;
