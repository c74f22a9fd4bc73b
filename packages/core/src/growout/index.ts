export { crowdingForecast, tankCrowding, youngCarried, type CrowdingForecast } from './crowding';
export { tankFreeOn } from './tankFreeOn';
export { growoutAgenda } from './agenda';
