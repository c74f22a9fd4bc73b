export { stockEndpoints, NewLot, NewMove, NewLoss, NewCount, LOSS_CAUSES } from './stock.endpoints';
export { Lot, ORIGINS } from './lot.schema';
export {
  broodstockEndpoints,
  LotCard,
  LotDetails,
  NO_DETAILS,
  DescribeLot,
  SexLot,
  AssessSex,
  ScoreCondition,
  NewProgramme,
  EndProgramme,
  MergeLots,
  TagOut,
  AddPhoto,
  GradeLot,
  LogThrowback,
  ImportLots,
  ImportedLot,
  LOOKS,
  SEPARATIONS,
} from './broodstock.endpoints';
export { kinshipEndpoints, PedigreeReply, SetParents, DefineGene, SetGenotype } from './kinship.endpoints';
export { speciesEndpoints, FiguresSchema, OwnFigures, OwnSpecies, SpeciesFile, SpeciesReply } from './species.schema';
