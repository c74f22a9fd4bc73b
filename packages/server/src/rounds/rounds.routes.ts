import type { roundsEndpoints } from '@freshet/contract/rounds';
import type { Handlers } from '../platform';
import type { RoundsService } from './rounds.service';

export const roundsHandlers = (rounds: RoundsService): Handlers<typeof roundsEndpoints> => ({
  round: ({ who, query }) => rounds.round(who, query.day),
  horizon: ({ who }) => rounds.horizon(who),
});
