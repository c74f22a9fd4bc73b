export { roundsEndpoints, roundsEntries, RoundReply, HorizonReply, NewOutcome, NewJot } from './rounds.endpoints';
