export { createBroods, type BroodsService } from './broods.service';
export { broodsHandlers } from './broods.routes';
