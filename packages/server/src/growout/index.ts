export { createGrowout, type GrowoutService } from './growout.service';
export { createGrowoutRecord } from './growout.record';
export { growoutHandlers } from './growout.routes';
