export { crowdedOn, tankCrowding, youngPerLitre } from './crowding';
export { tankFreeOn } from './tankFreeOn';
export { growoutAgenda } from './agenda';
