export { compareForTransfer } from './transfers.service';
export { transfersHandlers } from './transfers.routes';
