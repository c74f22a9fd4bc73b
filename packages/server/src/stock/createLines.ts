import type { LogService } from '../log';
import type { Clock, Database } from '../platform';
import type { HoursService, RoomService } from '../room';
import { createBroodstockRepository } from './broodstock.repository';
import { createBroodstock } from './broodstock.service';
import type { Descent } from './descent';
import { createKinship } from './kinship.service';
import { createLotCards } from './lotCard';
import { createLotImports } from './lotImports';
import { createLotViews } from './lotViews';
import type { SpeciesService } from '../species';
import type { StockService } from './stock.service';

/** Broodstock: what is logged of it, what is shown of it, and its descent. */
export function createLines({
  database,
  clock,
  log,
  room,
  hours,
  species,
  stock,
  descent,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  room: RoomService;
  hours: HoursService;
  species: SpeciesService;
  stock: StockService;
  descent: Descent;
}) {
  const repository = createBroodstockRepository(database);
  const stockRepository = stock.repository;
  const views = createLotViews({ clock, room, hours, species, stockRepository, repository, descent });
  const kinship = createKinship({ clock, log, stockRepository, repository, views, descent });
  const broodstock = createBroodstock({ clock, log, room, stock, repository, views });
  const card = createLotCards({ clock, room, stockRepository, repository, views, kinship });
  createLotImports({ clock, log, room, stock, repository, views });
  return { views, kinship, broodstock, card };
}
export type Lines = ReturnType<typeof createLines>;
