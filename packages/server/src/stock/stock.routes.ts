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
  addLot: ({ who, body }) => stock.addLot(who, body),
  move: ({ who, body }) => stock.move(who, body),
  lose: ({ who, body }) => stock.lose(who, body),
  count: ({ who, body }) => stock.count(who, body),
});

async function photo(broodstock: BroodstockService, who: Who, photoId: string) {
  const found = await broodstock.repository.photos.get(who, photoId);
  if (!found) throw new DomainError('request/not-found', { detail: 'There is no such photograph.' });
  return { type: 'image/jpeg', bytes: found.image };
}

export const broodstockHandlers = ({ broodstock, views, card, importLots }: Lines): Handlers<typeof broodstockEndpoints> => ({
  lotCard: ({ who, params }) => card(who, params.lotId ?? ''),
  photo: ({ who, params }) => photo(broodstock, who, params.photoId ?? ''),
  sexing: ({ who, params }) => views.traits(who, params.speciesKey ?? ''),
  describeLot: ({ who, body }) => broodstock.describeLot(who, body),
  sexLot: ({ who, body }) => broodstock.sexLot(who, body),
  assessSex: ({ who, body }) => broodstock.assessSex(who, body),
  scoreCondition: ({ who, body }) => broodstock.scoreCondition(who, body),
  addMark: ({ who, body }) => broodstock.addMark(who, body),
  sampleLengths: ({ who, body }) => broodstock.sampleLengths(who, body),
  addProgramme: ({ who, body }) => broodstock.addProgramme(who, body),
  endProgramme: ({ who, body }) => broodstock.endProgramme(who, body),
  mergeLots: ({ who, body }) => broodstock.mergeLots(who, body),
  tagOut: ({ who, body }) => broodstock.tagOut(who, body),
  addPhoto: ({ who, body, request }) => broodstock.addPhoto(who, body, request.body as Buffer),
  gradeLot: ({ who, body }) => broodstock.gradeLot(who, body),
  logThrowback: ({ who, body }) => broodstock.logThrowback(who, body),
  importLots: ({ who, body }) => importLots(who, body),
});

export const kinshipHandlers = (kinship: KinshipService): Handlers<typeof kinshipEndpoints> => ({
  pedigree: ({ who, params }) => kinship.pedigree(who, params.speciesKey ?? ''),
  genes: ({ who, params }) => kinship.genes(who, params.speciesKey ?? ''),
  setParents: ({ who, body }) => kinship.setParents(who, body),
  defineGene: ({ who, body }) => kinship.defineGene(who, body),
  setGenotype: ({ who, body }) => kinship.setGenotype(who, body),
});
