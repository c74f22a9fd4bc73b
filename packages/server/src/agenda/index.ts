export { createTicks, type TickCall, type TickHandler, type Ticks } from './ticks';
