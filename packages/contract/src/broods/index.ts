export { broodsEndpoints, broodsEntries, NewClutch, NewObservation, NewWhite, BroodCard, BroodPage } from './broods.endpoints';
