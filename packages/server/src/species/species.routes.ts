import type { speciesEndpoints } from '@freshet/contract/species';
import type { Handlers } from '../platform';
import type { SpeciesService } from './species.service';

export const speciesHandlers = (species: SpeciesService): Handlers<typeof speciesEndpoints> => ({
  species: ({ who }) => species.list(who),
});
