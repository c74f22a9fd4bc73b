import type { roundsEndpoints } from '@freshet/contract/rounds';
import type { Handlers } from '../platform';
import type { RoundsService } from './rounds.service';

export const roundsHandlers = (rounds: RoundsService): Handlers<typeof roundsEndpoints> => ({
  round: ({ who, query }) => rounds.round(who, query.day),
  outcome: ({ who, body }) => rounds.outcome(who, body),
  tankLife: ({ who }) => rounds.tankLife(who),
  transfer: ({ who, query }) => rounds.transfer(who, query),
  foodPlans: ({ who }) => rounds.foodPlans(who),
  horizon: ({ who }) => rounds.horizon(who),
  jot: ({ who, body }) => rounds.jot(who, body),
});
