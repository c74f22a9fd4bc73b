export { createLarder, type LarderService } from './larder.service';
export { larderHandlers } from './larder.routes';
