export { stockEndpoints, NewLot, NewMove, NewLoss, NewCount, Lot, ORIGINS, LOSS_CAUSES } from './stock.endpoints';
export { speciesEndpoints, FiguresSchema, OwnFigures, OwnSpecies, SpeciesFile, SpeciesReply } from './species.schema';
