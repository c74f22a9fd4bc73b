export { speciesEndpoints, speciesEntries, OwnSpecies, SpeciesFile, SpeciesReply } from './species.endpoints';
