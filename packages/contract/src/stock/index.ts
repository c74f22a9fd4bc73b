export { stockEndpoints, stockEntries, NewLot, NewMove, NewLoss, NewCount, COUNT_WAYS } from './stock.endpoints';
export { Lot, ORIGINS } from './lot.schema';
export {
  broodstockEndpoints,
  broodstockEntries,
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
  PHOTO_BYTES,
  GradeLot,
  LogThrowback,
  ImportLots,
  ImportedLot,
  LOOKS,
  SEPARATIONS,
} from './broodstock.endpoints';
export { LENGTH_METHODS, NewMark, SampleLengths } from './measures.schema';
export { kinshipEndpoints, kinshipEntries, PedigreeReply, SetParents, DefineGene, SetGenotype } from './kinship.endpoints';
