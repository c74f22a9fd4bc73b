export { createRounds, type RoundsService } from './rounds.service';
export { createRoundsRepository } from './rounds.repository';
export { roundsHandlers } from './rounds.routes';
