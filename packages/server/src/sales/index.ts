export { createSales, type SalesService } from './sales.service';
export { salesHandlers } from './sales.routes';
