import type { speciesEndpoints, stockEndpoints } from '@freshet/contract/stock';
import type { Handlers } from '../platform';
import type { SpeciesService } from './species.service';
import type { StockService } from './stock.service';

export const stockHandlers = (stock: StockService): Handlers<typeof stockEndpoints> => ({
  lots: ({ who }) => stock.lots(who),
  balance: ({ who }) => stock.balance(who),
  addLot: ({ who, body }) => stock.addLot(who, body),
  move: ({ who, body }) => stock.move(who, body),
  lose: ({ who, body }) => stock.lose(who, body),
  count: ({ who, body }) => stock.count(who, body),
});

export const speciesHandlers = (species: SpeciesService): Handlers<typeof speciesEndpoints> => ({
  species: async ({ who }) => [...(await species.all(who.houseId)).values()],
  saveSpecies: ({ who, body }) => species.save(who, body),
});
