import type { broodstockEndpoints, kinshipEndpoints, stockEndpoints } from '@freshet/contract/stock';
import { DomainError, type Handlers, type Who } from '../platform';
import type { BroodstockService } from './broodstock.service';
import type { KinshipService } from './kinship.service';
import type { Lines } from './createLines';
import type { LotViews } from './lotViews';
import type { StockService } from './stock.service';

export const stockHandlers = (stock: StockService, views: LotViews): Handlers<typeof stockEndpoints> => ({
  lots: ({ who }) => views.lots(who),
  balance: ({ who }) => stock.balance(who),
});

async function photo(broodstock: BroodstockService, who: Who, photoId: string) {
  const found = await broodstock.repository.photos.get(who, photoId);
  if (!found) throw new DomainError('request/not-found', { detail: 'There’s no such photograph.' });
  return { type: 'image/jpeg', bytes: found.image };
}

export const broodstockHandlers = ({ broodstock, views, card }: Lines): Handlers<typeof broodstockEndpoints> => ({
  lotCard: ({ who, params }) => card(who, params.lotId ?? ''),
  photo: ({ who, params }) => photo(broodstock, who, params.photoId ?? ''),
  sexing: ({ who, params }) => views.traits(who, params.speciesKey ?? ''),
});

export const kinshipHandlers = (kinship: KinshipService): Handlers<typeof kinshipEndpoints> => ({
  pedigree: ({ who, params }) => kinship.pedigree(who, params.speciesKey ?? ''),
  genes: ({ who, params }) => kinship.genes(who, params.speciesKey ?? ''),
});
