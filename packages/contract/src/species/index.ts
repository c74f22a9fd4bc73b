export {
  speciesEndpoints,
  speciesEntries,
  FiguresSchema,
  OwnFigures,
  OwnSpecies,
  SpeciesFile,
  SpeciesReply,
} from './species.endpoints';
