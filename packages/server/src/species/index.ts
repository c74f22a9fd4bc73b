export { createSpecies, type SpeciesService } from './species.service';
export { speciesHandlers } from './species.routes';
