export { broodsEndpoints, NewClutch, NewObservation, NewWhite, BroodCard, BroodPage } from './broods.endpoints';
