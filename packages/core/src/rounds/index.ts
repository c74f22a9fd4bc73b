export { AGENDAS, choreSeconds } from './agendas';
export { deriveAlarms, deriveRound, type Round, type RoundStop } from './deriveRound';
export { deriveHorizon, packLanes, type HorizonSpan } from './deriveHorizon';
export { rackMeals, type RackMeal } from './rackMeals';
export { jotCultures, jotStage, jotTanks } from './jotTanks';
