export { createRounds, type RoundsService } from './rounds.service';
export { roundsHandlers } from './rounds.routes';
