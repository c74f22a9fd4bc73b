export {
  roundsEndpoints,
  RoundReply,
  HorizonReply,
  FoodPlan,
  TankLife,
  NewOutcome,
  NewJot,
  ChoreLogSchema,
} from './rounds.endpoints';
