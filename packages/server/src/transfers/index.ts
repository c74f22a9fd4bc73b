export { createTransfers, type TransfersService } from './transfers.service';
export { transfersHandlers } from './transfers.routes';
